import type { Line } from '../../core/kinds/train/document/schema'

/** Ids of what is added to a line, counted: the made-up plant is the same every time it is made. */
export const counted =
  ({ machines, couplings }: Line) =>
  (letter: string) =>
    `${letter}${(letter === 'm' ? machines : couplings).length + 1}`

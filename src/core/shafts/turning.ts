import type { ReadSet } from './schema'

/** The angles of a set in the order in which the shafts come by them. */
export function turningOrder({ angles, direction }: Pick<ReadSet, 'angles' | 'direction'>): ReadSet['angles'] {
  if (direction !== 'near') return angles
  const middle = angles.filter(({ degrees }) => degrees > 0 && degrees < 360)
  return [
    ...angles.filter(({ degrees }) => degrees <= 0),
    ...middle.reverse(),
    ...angles.filter(({ degrees }) => degrees >= 360),
  ]
}

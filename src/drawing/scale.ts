/**
 * The place on paper of a place on the line: `domain` is laid on `range`, straight; a domain without length on the middle of it.
 *
 * @param domain the two ends, in what is drawn
 * @param range where they come to stand, px
 */
export function linear(
  [a, b]: readonly [number, number],
  [from, to]: readonly [number, number],
): (x: number) => number {
  return (x) => {
    const t = a === b ? 0.5 : (x - a) / (b - a)
    return from * (1 - t) + to * t
  }
}

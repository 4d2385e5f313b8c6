/** A beam on a detector: where it falls, as shares of what the detector sees, outward up and sideways to the right. */
export interface Spot {
  across: number
  up: number
}

export interface Aim {
  /** One spot, or one on each plane. */
  spots: readonly Spot[]
  /** What is left of the detector beyond the spot that is farthest out, in its unit. */
  left: number
  /** Every spot in the inner half: a turn of the shafts has as much again to go before it is lost. */
  closeEnough: boolean
}

/** The inner half: near enough to the middle. */
export const ring = 0.5

/**
 * How a head is aimed.
 *
 * @param values one number outward, or r1, t1, r2, t2
 * @param range how far from the middle a beam may fall and still be seen, in the same unit
 */
export function aimOf(values: readonly number[], range: number): Aim {
  const spots =
    values.length < 4
      ? values.slice(0, 1).map((r) => ({ across: 0, up: r / range }))
      : [0, 2].map((k) => ({ across: (values[k + 1] ?? 0) / range, up: (values[k] ?? 0) / range }))
  const farthest = Math.max(0, ...spots.map(({ across, up }) => Math.max(Math.abs(across), Math.abs(up))))
  return { spots, left: (1 - farthest) * range, closeEnough: farthest <= ring }
}

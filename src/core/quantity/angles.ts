/** Angles of a probe: radians inside the core, 0 at the top, growing toward the far side. */

export const radians = (degrees: number): number => (degrees * Math.PI) / 180
export const degrees = (radians: number): number => (radians * 180) / Math.PI

/** Degrees folded into [0, 360). */
export const foldDegrees = (degrees: number): number => ((degrees % 360) + 360) % 360

/**
 * `e(θ) = (sin θ, cos θ)` in (y, z), from degrees. The four quarters are exact, so that "only top and bottom were read"
 * leaves no trace of 1e-16 in the other plane.
 */
export function direction(degrees: number): readonly [y: number, z: number] {
  const folded = foldDegrees(degrees)
  if (folded === 0) return [0, 1]
  if (folded === 90) return [1, 0]
  if (folded === 180) return [0, -1]
  if (folded === 270) return [-1, 0]
  return [Math.sin(radians(folded)), Math.cos(radians(folded))]
}

/** A quarter of the turn, by the trade's names. */
export type Quarter = 'top' | 'far' | 'bottom' | 'near'

export const quarters: readonly Quarter[] = ['top', 'far', 'bottom', 'near']

/** The quarter at an angle, or undefined between quarters. */
export function quarterAt(degrees: number): Quarter | undefined {
  return Number.isInteger(degrees / 90) ? quarters[foldDegrees(degrees) / 90] : undefined
}

/** How much of the turn the angles cover: 360 less the widest gap between neighbors, in degrees. */
export function arcCovered(degrees: readonly number[]): number {
  const sorted = Float64Array.from(degrees, foldDegrees).sort()
  const first = sorted[0]
  const last = sorted[sorted.length - 1]
  if (first === undefined || last === undefined) return 0
  let widest = first + 360 - last
  for (let i = 1; i < sorted.length; i++) widest = Math.max(widest, (sorted[i] ?? 0) - (sorted[i - 1] ?? 0))
  return 360 - widest
}

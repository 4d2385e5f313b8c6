import type { Plane } from '../../../quantity/axis'
import type { Chains } from './positions'

/** A place on a machine's axis with the weight it has in a sum of places. */
export interface WeightedPlace {
  machine: number
  x: number
  weight: number
}

/**
 * Standard deviation of `Σ weight · position`, mm. Positions of machines that hang on the same coupling share its doubt, so that
 * it may cancel: each coupling's offset and slope come in once, with all their weights added, and couplings are independent.
 *
 * `var = Σ_couplings (Σw, Σw·(x − x_c)) · C · (Σw, Σw·(x − x_c))ᵀ`
 *
 * @returns 0 where nothing of it hangs on a reading
 */
export function sdOfPlaces(chains: Chains, plane: Plane, places: readonly WeightedPlace[]): number {
  const sums = new Map<string, { c: readonly (readonly number[])[]; offset: number; slope: number }>()
  for (const { machine, x, weight } of places)
    for (const { of, sign, step } of chains[plane][machine] ?? []) {
      const found = sums.get(of) ?? { c: step.covariance, offset: 0, slope: 0 }
      found.offset += sign * weight
      found.slope += sign * weight * (x - step.x)
      sums.set(of, found)
    }
  let variance = 0
  for (const { c, offset: o, slope: s } of sums.values())
    variance += o * o * (c[0]?.[0] ?? 0) + 2 * o * s * (c[0]?.[1] ?? 0) + s * s * (c[1]?.[1] ?? 0)
  return Math.sqrt(Math.max(0, variance))
}

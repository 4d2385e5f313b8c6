import { probabilityOf } from '../../../verdict/probability'
import type { Standing } from './row'

/** Where nobody says more: how far a section may stand from the line, both planes together, mm. */
export const usualLimit = 0.05
/** How far a pocket may point away from the line, rad. */
export const usualSlope = 0.0005
/** How far a bore may be out of round where nobody says more: largest less smallest diameter, mm. */
export const usualOutOfRound = 0.04

/**
 * Out of round as it is said, checked and limited everywhere: largest less smallest diameter, mm. With `r = R + a₂·cos 2θ` the diameters
 * run from `D − 2a₂` to `D + 2a₂`.
 *
 * @param value half of largest less smallest radius, as the open format has it
 */
export const outOfRound = ({ value }: { value: number }): number => 4 * value

/** Chance that a section stands within a circle about the line; null where a plane is open. */
export function chanceWithin({ vertical, horizontal, covariance }: Standing, limit: number): number | null {
  if (!vertical || !horizontal) return null
  const nothing = [0, 0, 0, 0]
  return probabilityOf(
    (z, y) => Math.hypot(y, z) <= limit,
    [vertical.value, horizontal.value, 0, 0],
    [[vertical.sd ** 2, covariance, 0, 0], [covariance, horizontal.sd ** 2, 0, 0], nothing, nothing],
  )
}

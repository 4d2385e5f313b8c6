import { probabilityThat } from '../../../verdict/probability'
import type { Standing } from './row'

/** Where nobody says more: how far a section may stand from the line, both planes together, mm. */
export const usualLimit = 0.05
/** How far a pocket may point away from the line, rad; and how far its bore may be from round, mm. */
export const usualSlope = 0.0005
export const usualOvality = 0.02

/** Chance that a section stands within a circle about the line; null where a plane is open. */
export function chanceWithin({ vertical, horizontal, covariance }: Standing, limit: number): number | null {
  if (!vertical || !horizontal) return null
  const nothing = [0, 0, 0, 0]
  return probabilityThat(
    (z, y) => Math.hypot(y, z) <= limit,
    [vertical.value, horizontal.value, 0, 0],
    [[vertical.sd ** 2, covariance, 0, 0], [covariance, horizontal.sd ** 2, 0, 0], nothing, nothing],
  )
}

import { positiveMm, type Quantity, quantityMm } from '../quantity/quantity'
import type { KitDial } from './schema'

/** Whether a dial can follow an expected swing. Lengths in mm. */
export interface DialFit {
  fits: boolean
  /** Share of its travel that the swing uses. */
  share: number
  /** How far to push its plunger in at the top, so that the swing lies in the middle of the travel. */
  depthAtTop: number
  /** Graduations in the swing: below about five a finer dial would tell more. */
  graduations: number
}

/** A swing may use this share of the travel and still leave room at both ends. */
const usable = 0.8

/**
 * How a dial suits an expected swing.
 *
 * @param swing most less least over a whole turn, mm
 * @param topAboveMiddle reading at the top less the middle of the swing, mm; 0 where unknown
 * @returns undefined where the dial's travel or graduation is not given
 */
export function dialFit(
  dial: Pick<KitDial, 'travel' | 'graduation'>,
  swing: number,
  topAboveMiddle = 0,
): DialFit | undefined {
  const travel = quantityMm(dial.travel)
  const graduation = positiveMm(dial.graduation)
  if (!travel || !graduation) return undefined
  return {
    fits: swing <= usable * travel,
    share: swing / travel,
    depthAtTop: travel / 2 + topAboveMiddle,
    graduations: swing / graduation,
  }
}

/** What a dial of the kit repeats to, as told or half a graduation: standard deviation of one reading, mm. Undefined where it has neither. */
export function dialSd({ sd, graduation }: { sd: Quantity; graduation: Quantity }): number | undefined {
  const lines = positiveMm(graduation)
  return positiveMm(sd) ?? (lines === undefined ? undefined : lines / 2)
}

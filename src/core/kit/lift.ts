import { quantityMm } from '../quantity/quantity'
import type { KitLift } from './schema'

/** What a known lift showed of a way of reading: found change over what was put in, foot by foot. */
export interface Lifted {
  /** Feet with both numbers, and their ratio; 1 where the method tells the truth. */
  feet: { id: string; name: string; ratio: number }[]
  /** Deviation of one ratio; undefined while nothing was put in. */
  sd: number | undefined
  /**
   * `open`: something is missing. `true`: all are 1 within their doubt. `alike`: all off by the same share. `turned`: all near
   * −1. `differ`: they are off, each by a share of its own. `unsure`: the lift is too small for what the method can tell.
   */
  state: 'open' | 'true' | 'alike' | 'turned' | 'differ' | 'unsure'
  /** Mean of the ratios; undefined where there is none. */
  mean: number | undefined
}

/** Of a foot's place where nobody says more, mm. */
const usualSd = 0.01
/** A ratio known no better than this tells nothing. */
const tooCoarse = 0.15

/**
 * All feet of one machine lifted by the same known shim `L`: `gᵢ = (after − before)/L`. One within its doubt: the method tells the
 * truth. All less by the same share: the coupling is engaged or the bracket weak. Differing: the slope is wrong, so a dimension is.
 */
export function lifted({ lift, sd, stations }: Pick<KitLift, 'lift' | 'sd' | 'stations'>): Lifted {
  const by = quantityMm(lift)
  const one = quantityMm(sd)
  const known = by !== undefined && by > 0
  const feet = stations.flatMap(({ id, name, before, after }) => {
    const [was, now] = [quantityMm(before), quantityMm(after)]
    return known && was !== undefined && now !== undefined ? [{ id, name, ratio: (now - was) / by }] : []
  })
  if (!known || feet.length === 0) return { feet, sd: undefined, state: 'open', mean: undefined }
  // a change is the difference of two places
  const doubt = (Math.SQRT2 * (one !== undefined && one > 0 ? one : usualSd)) / by
  const ratios = feet.map(({ ratio }) => ratio)
  const mean = ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length
  const near = (to: number) => ratios.every((ratio) => Math.abs(ratio - to) <= 2 * doubt)
  const state = doubt > tooCoarse ? 'unsure' : near(1) ? 'true' : near(-1) ? 'turned' : near(mean) ? 'alike' : 'differ'
  return { feet, sd: doubt, state, mean }
}

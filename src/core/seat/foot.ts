import type { Unit } from '../quantity/units'

/** Feeler gaps at the corners of a foot, mm. Low and high: the corner with the smaller or larger x; near and far: its side. */
export interface CornerGaps {
  lowNear?: number | undefined
  lowFar?: number | undefined
  highNear?: number | undefined
  highFar?: number | undefined
}

export const corners = ['lowNear', 'lowFar', 'highNear', 'highFar'] as const
export type Corner = (typeof corners)[number]

/** What was found at one foot. Lengths in mm; seen from above, y grows toward the far side. */
export interface FootCheck {
  id: string
  x: number
  y: number
  /** How far it rose when only its bolt was loosened, the others tight. */
  rise?: number | undefined
  gaps?: CornerGaps | undefined
  /** A blade so thick went under nowhere, mm: a feeler used as go and no-go. Counts only where it is no thicker than the limit. */
  nothingOver?: number | undefined
}

/** A foot may rise by so much, mm; where one works in mil it is 2 mil. */
export const usualThreshold = 0.05

const mil = 0.0254
const inMil = (unit: Unit): boolean => unit === 'mil' || unit === 'in'

/** How much a foot may rise where nobody says, mm: 0.05 mm, or 2 mil. */
export const usualThresholdIn = (unit: Unit): number => (inMil(unit) ? 2 * mil : usualThreshold)

/** The thinnest shim of a usual stock, mm: 0.05 mm, or 2 mil. */
export const usualThinnestIn = (unit: Unit): number => (inMil(unit) ? 2 * mil : 0.05)

/** Plain shims are told in steps of so much, mm: hundredths of a millimeter, or half mils. */
export const shimStepIn = (unit: Unit): number => (inMil(unit) ? mil / 2 : 0.01)

/** What a foot's readings come to. */
export interface FootGap {
  foot: FootCheck
  /** Best estimate of the gap under the middle of the foot: the mean of rise and feeler, whichever there are. */
  size: number | undefined
  /** Mean, least and greatest feeler gap; undefined where no feeler was used. */
  feeler: { mean: number; least: number; most: number; count: number } | undefined
  /** A feeler was used, and found no gap worth the name. */
  unfelt: boolean
  /** Gap at the middle and its growth across the pad, edge to edge: toward larger x and toward the far side. */
  plane: { middle: number; alongX: number; alongY: number } | undefined
}

/** A feeler that goes no further than this finds no gap: the thinnest blade there is, mm. */
const noGap = 0.025

/** Rise and feeler gaps of a foot, brought together. */
export function gapOf(foot: FootCheck): FootGap {
  const known = corners.flatMap((corner) => {
    const gap = foot.gaps?.[corner]
    return gap === undefined ? [] : [gap]
  })
  const feeler =
    known.length === 0
      ? nothingFelt(foot)
      : {
          mean: known.reduce((sum, gap) => sum + gap, 0) / known.length,
          least: Math.min(...known),
          most: Math.max(...known),
          count: known.length,
        }
  const plane = planeOf(foot.gaps)
  const felt = known.length > 0 && feeler ? [plane?.middle ?? feeler.mean] : []
  const rise = foot.rise === undefined ? [] : [foot.rise]
  const told = [...rise, ...felt, ...(rise.length + felt.length === 0 && feeler ? [0] : [])]
  return {
    foot,
    feeler,
    unfelt: feeler !== undefined && (known.length === 0 || feeler.most <= noGap),
    plane,
    size: told.length ? told.reduce((sum, value) => sum + value, 0) / told.length : undefined,
  }
}

/** A blade that went under at no corner: from no gap to one of its thickness, felt all round. */
const nothingFelt = ({ nothingOver }: FootCheck): FootGap['feeler'] =>
  nothingOver === undefined ? undefined : { mean: 0, least: 0, most: nothingOver, count: 4 }

/** What a blade tells that went under nowhere, mm: nothing where it is thicker than a foot may rise. */
export const blade = (thickness: number | undefined, threshold: number): number | undefined =>
  thickness !== undefined && thickness <= threshold + 1e-9 ? thickness : undefined

/** The plane through three or four corner gaps; with four, the least-squares one, which is the difference of edge means. */
function planeOf(gaps: CornerGaps | undefined): FootGap['plane'] {
  if (!gaps) return undefined
  const { lowNear, lowFar, highNear, highFar } = gaps
  const given = [lowNear, lowFar, highNear, highFar]
  const missing = given.filter((gap) => gap === undefined).length
  if (missing > 1) return undefined
  // a plane over a rectangle: the sums over both diagonals are equal, which gives a missing fourth corner
  const ln = lowNear ?? (lowFar ?? 0) + (highNear ?? 0) - (highFar ?? 0)
  const lf = lowFar ?? (lowNear ?? 0) + (highFar ?? 0) - (highNear ?? 0)
  const hn = highNear ?? (lowNear ?? 0) + (highFar ?? 0) - (lowFar ?? 0)
  const hf = highFar ?? (lowFar ?? 0) + (highNear ?? 0) - (lowNear ?? 0)
  return { middle: (ln + lf + hn + hf) / 4, alongX: (hn + hf - ln - lf) / 2, alongY: (lf + hf - ln - hn) / 2 }
}

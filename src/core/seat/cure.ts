import type { SeatFinding } from './diagnose'
import { type FootCheck, gapOf } from './foot'
import { twistWeights } from './layout'

/** A strip under part of a foot: it reaches from an edge over a share of the pad. Thickness in mm. */
export interface StepShim {
  thickness: number
  /** The edge it lies along: where the gap is widest. */
  edge: 'low' | 'high' | 'near' | 'far'
  /** Share of the pad it covers, from that edge, 0 to 1. */
  cover: number
}

/** What to put under a foot. */
export type SeatCure = { foot: string; shim: number } | { foot: string; steps: StepShim[] }

export interface CureOptions {
  /** The thinnest shim in stock, mm: what step shims are cut from. */
  thinnest?: number
  /** How much the alignment wants each foot raised, mm, where that is known. */
  wanted?: ReadonlyMap<string, number>
}

/** How long a strip is cut, mm, from the pad's length across its edge; undefined where the pad was not measured. */
export function cutLength(
  step: StepShim,
  pad: { along: number | undefined; across: number | undefined },
): number | undefined {
  const side = step.edge === 'low' || step.edge === 'high' ? pad.along : pad.across
  return side === undefined ? undefined : side * step.cover
}

/** Shims are read and bought in hundredths of a millimetre. */
const toHundredths = (mm: number): number => Math.round(mm * 100) / 100

/**
 * What to put under which foot for the most likely finding. One foot of a rocking pair, never both: the one the alignment
 * wants raised, else the one with the wider gap. Nothing for strain (it is never shimmed away), for springy feet
 * (clean, at most four shims, check again) and where all is clean.
 */
export function cureFor(
  findings: readonly SeatFinding[],
  feet: readonly FootCheck[],
  options: CureOptions = {},
): SeatCure[] {
  const [first] = findings
  if (!first) return []
  const gaps = first.feet.flatMap((id) => {
    const foot = feet.find((one) => one.id === id)
    return foot ? [gapOf(foot)] : []
  })
  const [one] = gaps
  if (!one) return []
  switch (first.kind) {
    case 'short':
      return [{ foot: one.foot.id, shim: toHundredths(one.size ?? 0) }]
    case 'rocking': {
      const wanted = (id: string) => options.wanted?.get(id) ?? 0
      const [raise] = [...gaps].sort((a, b) => wanted(b.foot.id) - wanted(a.foot.id) || (b.size ?? 0) - (a.size ?? 0))
      // seated on its opposite, either foot of the pair stands off by the frame's twist: both measured the same thing
      const weights = twistWeights(feet)
      const weight = (id: string) => weights.get(id) ?? 1
      const twists = gaps.flatMap(({ foot, size }) => (size === undefined ? [] : [size * weight(foot.id)]))
      const twist = twists.reduce((sum, value) => sum + value, 0) / Math.max(1, twists.length)
      return raise ? [{ foot: raise.foot.id, shim: toHundredths(twist / weight(raise.foot.id)) }] : []
    }
    case 'angled':
      return [stepsUnder(one.foot, options.thinnest ?? 0.05)]
    default:
      return []
  }
}

/**
 * Step shims for a bent foot: a plane is laid through its corner gaps; the k-th strip of the thinnest stock covers the
 * part of the pad, from the widest edge inward, where the gap is at least k strips.
 */
function stepsUnder(foot: FootCheck, thinnest: number): SeatCure {
  const { plane, feeler } = gapOf(foot)
  if (!plane) return { foot: foot.id, shim: toHundredths(feeler?.least ?? 0) }
  const along = Math.abs(plane.alongX) >= Math.abs(plane.alongY)
  const slope = along ? plane.alongX : plane.alongY
  const edge = along ? (slope > 0 ? 'high' : 'low') : slope > 0 ? 'far' : 'near'
  const widest = plane.middle + Math.abs(slope) / 2
  const steps: StepShim[] = []
  for (let k = 1; k * thinnest <= widest + 1e-9; k++) {
    const cover = Math.min(1, (widest - k * thinnest) / Math.abs(slope))
    if (cover > 0.02) steps.push({ thickness: thinnest, edge, cover: Math.round(cover * 100) / 100 })
  }
  return { foot: foot.id, steps }
}

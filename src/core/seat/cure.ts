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
  /** Plain shims are told in steps of so much, mm: a hundredth, or half a mil. */
  step?: number
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

/** Shims are read and bought in hundredths of a millimetre, or told to half a mil. */
const toStep = (mm: number, step = 0.01): number => Number((Math.round(mm / step) * step).toFixed(6))

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
      return [{ foot: one.foot.id, shim: toStep(one.size ?? 0, options.step) }]
    case 'rocking': {
      const wanted = (id: string) => options.wanted?.get(id) ?? 0
      const [raise] = [...gaps].sort((a, b) => wanted(b.foot.id) - wanted(a.foot.id) || (b.size ?? 0) - (a.size ?? 0))
      // seated on its opposite, either foot of the pair stands off by the frame's twist: both measured the same thing
      const weights = twistWeights(feet)
      const weight = (id: string) => weights.get(id) ?? 1
      const twists = gaps.flatMap(({ foot, size }) => (size === undefined ? [] : [size * weight(foot.id)]))
      const twist = twists.reduce((sum, value) => sum + value, 0) / Math.max(1, twists.length)
      return raise ? [{ foot: raise.foot.id, shim: toStep(twist / weight(raise.foot.id), options.step) }] : []
    }
    case 'angled':
      // every bent foot that was found, whatever else is wrong: an even shim would leave its sole on an edge
      return findings
        .filter(({ kind }) => kind === 'angled')
        .flatMap(({ feet: [id] }) => feet.filter((foot) => foot.id === id))
        .map((foot) => stepsUnder(foot, options))
    default:
      return []
  }
}

/**
 * Step shims for a bent foot: a plane is laid through its corner gaps. A sole that leans one way: the k-th strip of the thinnest
 * stock covers the part of the pad, from the widest edge inward, where the gap is at least k strips. One that leans both ways
 * is two wedges on each other: strips along both wide edges, each as far as its wedge is nearer to k strips than to one less,
 * so that no point of the sole is left more than a strip off.
 */
function stepsUnder(foot: FootCheck, { thinnest = 0.05, step }: CureOptions): SeatCure {
  const { plane, feeler } = gapOf(foot)
  if (!plane) return { foot: foot.id, shim: toStep(feeler?.least ?? 0, step) }
  const { middle, alongX, alongY } = plane
  const sides = [
    { lean: Math.abs(alongX), edge: alongX > 0 ? ('high' as const) : ('low' as const) },
    { lean: Math.abs(alongY), edge: alongY > 0 ? ('far' as const) : ('near' as const) },
  ].sort((a, b) => b.lean - a.lean)
  const [major, minor] = sides
  if (!major || !minor) return { foot: foot.id, steps: [] }
  if (minor.lean <= thinnest / 10)
    return { foot: foot.id, steps: strips(middle - major.lean / 2, major.lean, major.edge, thinnest, 1) }
  const least = middle - major.lean / 2 - minor.lean / 2
  return {
    foot: foot.id,
    steps: [
      ...strips(least, major.lean, major.edge, thinnest, 0.5),
      ...strips(0, minor.lean, minor.edge, thinnest, 0.5),
    ],
  }
}

/** Nobody stacks more strips than this under a foot: a sole that wants more wants machining. */
const mostStrips = 60

/** Strips under a wedge that rises from `least` by `lean` toward its edge; the k-th lies where that is at least `k − 1 + share` strips. */
function strips(least: number, lean: number, edge: StepShim['edge'], thinnest: number, share: number): StepShim[] {
  const steps: StepShim[] = []
  if (least + lean > mostStrips * thinnest) return steps
  for (let k = share; k * thinnest <= least + lean + 1e-9; k++) {
    const cover = Math.min(1, (least + lean - k * thinnest) / lean)
    if (cover > 0.005) steps.push({ thickness: thinnest, edge, cover: Math.round(cover * 100) / 100 })
  }
  return steps
}

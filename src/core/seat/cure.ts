import type { SeatFinding } from './diagnose'
import { type FootCheck, gapOf } from './foot'

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

/** Shims are read and bought in hundredths of a millimeter, or told to half a mil. */
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
  const shim = ({ foot, by }: { foot: string; by: number }): SeatCure => ({ foot, shim: toStep(by, options.step) })
  switch (first.kind) {
    case 'short':
      return first.shims.map(shim)
    case 'rocking': {
      const wanted = (id: string) => options.wanted?.get(id) ?? 0
      const [even, other] = first.shims
      // of two that would do, the short one, whose sole then lies flat; the other where the alignment wants it up by as much
      const raise =
        even && other && wanted(other.foot) > wanted(even.foot) && wanted(other.foot) >= other.by ? other : even
      return raise ? [shim(raise)] : []
    }
    case 'angled':
      // every bent foot that was found, whatever else is wrong: an even shim would leave its sole on an edge
      return findings
        .filter(({ kind }) => kind === 'angled')
        .flatMap(({ feet: [id] }) => feet.filter((foot) => foot.id === id))
        .flatMap((foot) => stepsUnder(foot, options))
    default:
      return []
  }
}

/**
 * Step shims for a bent foot: a plane is laid through its corner gaps, and strips of the thinnest stock lie from the widest edge
 * inward as far as the gap is as high as their stack. A sole that leans both ways is two wedges on each other, with strips along
 * both wide edges. Nowhere is the stack thicker than the gap it fills; where no strip fits, none is laid.
 */
function stepsUnder(foot: FootCheck, { thinnest = 0.05, step }: CureOptions): SeatCure[] {
  const { plane, feeler } = gapOf(foot)
  if (!plane) {
    const shim = toStep(feeler?.least ?? 0, step)
    return shim > 0 ? [{ foot: foot.id, shim }] : []
  }
  const { middle, alongX, alongY } = plane
  const sides = [
    { lean: Math.abs(alongX), edge: alongX > 0 ? ('high' as const) : ('low' as const) },
    { lean: Math.abs(alongY), edge: alongY > 0 ? ('far' as const) : ('near' as const) },
  ].sort((a, b) => b.lean - a.lean)
  const [major, minor] = sides
  if (!major || !minor) return []
  const least = Math.max(0, middle - major.lean / 2 - minor.lean / 2)
  const steps = [...strips(least, major.lean, major.edge, thinnest), ...strips(0, minor.lean, minor.edge, thinnest)]
  return steps.length > 0 ? [{ foot: foot.id, steps }] : []
}

/** Nobody stacks more strips than this under a foot: a sole that wants more wants machining. */
const mostStrips = 60

/** Strips under a wedge that rises from `least` by `lean` toward its edge; the k-th lies where that is at least `k` strips. */
function strips(least: number, lean: number, edge: StepShim['edge'], thinnest: number): StepShim[] {
  const steps: StepShim[] = []
  if (least + lean > mostStrips * thinnest) return steps
  for (let k = 1; k * thinnest <= least + lean + 1e-9; k++) {
    const cover = Math.min(1, (least + lean - k * thinnest) / lean)
    if (cover >= 0.01) steps.push({ thickness: thinnest, edge, cover: Math.floor(cover * 100 + 1e-6) / 100 })
  }
  return steps
}

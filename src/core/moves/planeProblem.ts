import type { Plane } from '../frame/axis'
import type { SlipGrade } from '../verdict/slipSpeed'
import { limitsOf } from './limits'
import type { FootFacts, FootLimits } from './plan'
import { positionAt } from './positions'
import type { Solution } from './solve'
import { growthOf } from './targets'
import type { Train } from './train'

/**
 * Positions and moves in the planner are told in hundredths of a millimetre, stations from −1 to 1 along the train: numbers a
 * solver likes.
 */
export const unit = 0.01

/** The ways a foot can be stopped. */
export type Way = keyof FootLimits

/** A foot in one plane, or several that can only be moved alike: one station, one growth. In units. */
export interface PlannedStation {
  feet: readonly string[]
  machine: number
  /** Along the train, −1 to 1. */
  u: number
  /** Where the running axis above it would be were nothing moved. */
  present: number
  /** How far it can go down or near (≤ 0) and up or far (≥ 0), and which foot of the station says so. */
  low: Stop
  high: Stop
}

export interface Stop {
  at: number
  foot: string
  way: Way
}

/** What the planner has to settle in one plane: all machines that were reached by readings, running. In units. */
export interface PlaneProblem {
  plane: Plane
  stations: readonly PlannedStation[]
  machines: readonly {
    machine: number
    /** Its running axis as it stands: at u = 0 and its rise over one u. */
    axis: readonly [offset: number, slope: number]
    /** Stations of feet it has: without two nothing can turn it, without one nothing can lift it. */
    stations: number
  }[]
  /** What must stay small between two machines: `|(right − left)(u) · factor| ≤ most`; a slope takes the rise only. */
  demands: readonly { left: number; right: number; u: number | 'slope'; most: number }[]
  /** mm along the train for one u, and the station of u = 0. */
  halfSpan: number
  middle: number
}

/**
 * One plane of a train as a problem for the planner.
 *
 * @param share of the tolerance that may stay at every coupling in this plane; 0 for in line exactly
 */
export function planeProblem(
  train: Train,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  plane: Plane,
  share: number,
  grade: SlipGrade = 'standard',
): PlaneProblem {
  const places = [...train.machines.flatMap(({ feet }) => feet.map(({ x }) => x)), ...train.couplings.map(({ x }) => x)]
  const [from, to] = [Math.min(...places), Math.max(...places)]
  const middle = (from + to) / 2
  const halfSpan = Math.max(1, (to - from) / 2)
  const toU = (x: number) => (x - middle) / halfSpan
  const reached = train.machines.flatMap((machine, m) => {
    const links = solution.chains[plane][m]
    return links ? [{ machine, m, links }] : []
  })
  const stations = reached.flatMap(({ machine, m, links }) => {
    const grouped = new Map<string, PlannedStation>()
    for (const foot of machine.feet) {
      const growth = growthOf(foot, plane)
      const key = `${foot.x}/${growth}`
      const { low, high } = stopsOf(foot.id, facts.get(foot.id), plane)
      const known = grouped.get(key)
      grouped.set(key, {
        feet: [...(known?.feet ?? []), foot.id],
        machine: m,
        u: toU(foot.x),
        present: (positionAt(links, foot.x).value + growth) / unit,
        low: known && known.low.at > low.at ? known.low : low,
        high: known && known.high.at < high.at ? known.high : high,
      })
    }
    return [...grouped.values()]
  })
  const machines = reached.map(({ machine, m, links }) => {
    const { value, slope } = positionAt(links, middle)
    const own = stations.filter(({ machine: of }) => of === m)
    const lift = own.length === 1 ? growthOf(machine.feet[0] ?? { id: '', x: 0 }, plane) : 0
    return {
      machine: m,
      axis: [(value + lift) / unit, (slope * halfSpan) / unit] as const,
      stations: new Set(own.map(({ u }) => u)).size,
    }
  })
  const demands = train.couplings.flatMap((coupling) => {
    const [left, right] = [coupling.left, coupling.left + 1]
    if (![left, right].every((m) => reached.some((one) => one.m === m))) return []
    const limits = share > 0 ? limitsOf(train, coupling, grade) : undefined
    const at = (u: number | 'slope', most: number) => ({ left, right, u, most })
    if (!limits) return [at(toU(coupling.x), 0), at('slope', 0)]
    const part = Math.min(share, largestShare)
    if (!coupling.flexPlanes)
      return [at(toU(coupling.x), (part * limits.offset) / unit), at('slope', (part * limits.slope * halfSpan) / unit)]
    const [a, b] = coupling.flexPlanes
    const most = (part * limits.slope * (b - a)) / unit
    const spacer = [at(toU(a), most), at(toU(b), most)]
    return limits.judgesOffset ? [...spacer, at(toU(coupling.x), (part * limits.offset) / unit)] : spacer
  })
  return { plane, stations, machines, demands, halfSpan, middle }
}

/** Each plane by itself may use no more than this of a tolerance: the vector of both is then still within. */
const largestShare = Math.SQRT1_2

/** How far a foot can go: its limits, and no more down than lies under it. */
function stopsOf(foot: string, facts: FootFacts | undefined, plane: Plane): { low: Stop; high: Stop } {
  const limits = facts?.limits
  const stop = (way: Way, sign: 1 | -1, most = Number.POSITIVE_INFINITY): Stop => ({
    at: (sign * most) / unit,
    foot,
    way,
  })
  if (plane === 'horizontal') return { low: stop('near', -1, limits?.near), high: stop('far', 1, limits?.far) }
  const under = facts?.pack?.reduce((sum, size) => sum + size, 0) ?? Number.POSITIVE_INFINITY
  return { low: stop('down', -1, Math.min(limits?.down ?? under, under)), high: stop('up', 1, limits?.up) }
}

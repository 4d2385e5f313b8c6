import type { FootFacts } from '../../../least/facts'
import { type PlaneProblem, type PlannedStation, type Stop, unit, type Way } from '../../../least/problem'
import type { Plane } from '../../../quantity/axis'
import { limitsOf } from '../../../verdict/limits'
import type { SlipGrade } from '../../../verdict/slipSpeed'
import type { Train } from '../solve/model'
import { positionAt } from '../solve/positions'
import type { Solution } from '../solve/solve'
import { growthOf } from '../solve/targets'

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

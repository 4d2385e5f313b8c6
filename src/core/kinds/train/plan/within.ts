import type { FootFacts } from '../../../least/facts'
import { type Plane, planes } from '../../../quantity/axis'
import type { Train } from '../solve/model'
import { type Held, type Pair, type Solution, withStay } from '../solve/solve'
import { downBy } from './choices'
import { brokenLimits } from './exact'

/** Two feet held in both planes, or in one alone. */
export const feetHeld = (pair: Pair, only: Plane | undefined): Held => (only ? { [only]: pair } : pair)

/**
 * The two stations that are best held: a pair whose moves keep to every limit where there is one, then fewest feet touched,
 * then the smallest largest move. Every pair is tried.
 */
export function bestHeld(
  train: Train,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  only?: Plane,
): [string, string] | undefined {
  const stations = train.machines.flatMap(({ feet }) => feet)
  let best: { pair: [string, string]; cost: readonly number[] } | undefined
  for (const [i, one] of stations.entries())
    for (const other of stations.slice(i + 1)) {
      if (one.x === other.x) continue
      const pair: [string, string] = [one.id, other.id]
      const { feet, unreached } = withStay(train, solution, { mode: 'hold', feet: feetHeld(pair, only) })
      const blind = planes.reduce((sum, plane) => sum + unreached[plane].length, 0)
      const moves = feet.flatMap((foot) => planes.map((plane) => Math.abs(foot[plane]?.move ?? 0)))
      const broken = feet.flatMap((foot) => brokenLimits(foot, downBy(facts.get(foot.foot)))).length
      const cost = [blind, broken, moves.filter((move) => move > 1e-6).length, Math.max(...moves)]
      if (!best || lower(cost, best.cost)) best = { pair, cost }
    }
  return best?.pair
}

function lower(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((value, i) => Math.abs(value - (b[i] ?? 0)) > 1e-9)
  return at >= 0 && (a[at] ?? 0) < (b[at] ?? 0)
}

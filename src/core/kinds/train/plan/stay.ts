import type { FootFacts } from '../../../least/facts'
import type { Plane, PlaneLine } from '../../../quantity/axis'
import type { RoundPlan } from '../document/schema'
import type { JobSolution } from '../solve/round'
import type { Stay } from '../solve/solve'
import { trainEnds } from './choices'
import { bestHeld, feetHeld } from './within'

/** The stay a plan asks for; undefined for least moves, which a planner has to find. */
export function stayOf(
  plan: RoundPlan | undefined,
  solved: JobSolution,
  facts: ReadonlyMap<string, FootFacts>,
): Stay | undefined {
  const { train, solution } = solved
  if (plan?.stays === 'least') return undefined
  if (plan?.stays === 'hold') {
    const held = heldOf(plan, solved) ?? bestHeld(train, solution, facts, plan.holdIn)
    return held ? { mode: 'hold', feet: feetHeld(held, plan.holdIn) } : { mode: 'fixed' }
  }
  if (plan?.stays === 'drawn' && plan.drawn) {
    const ends = trainEnds(solved)
    const line = (plane: Plane): PlaneLine => {
      const { first, last } = plan.drawn?.[plane] ?? { first: 0, last: 0 }
      const slope = (last - first) / (ends[1] - ends[0])
      return { offset: first - slope * ends[0], slope }
    }
    return { mode: 'line', line: { vertical: line('vertical'), horizontal: line('horizontal') } }
  }
  return { mode: 'fixed' }
}

function heldOf(plan: RoundPlan, { train }: JobSolution): [string, string] | undefined {
  const stations = train.machines.flatMap(({ feet }) => feet)
  const [a, b] = (plan.hold ?? []).map((id) => stations.find((foot) => foot.id === id))
  return a && b && a.x !== b.x ? [a.id, b.id] : undefined
}

import type { FootFacts, FootLimits } from '../../../least/facts'
import type { PlaneLine } from '../../../quantity/axis'
import type { Pack } from '../../../shims/packs'
import { packUnder, ShimShelf, slack } from '../../../shims/shelf'
import { type Moves, runningAfter } from '../solve/after'
import type { Train } from '../solve/model'
import type { FootSolution, Solution } from '../solve/solve'

export interface PlannedFoot {
  machine: string
  foot: string
  /** How it is to be moved, mm; null in a plane that was not measured. */
  vertical: number | null
  horizontal: number | null
  /** The new pack under it, where a stock is given and the present pack is known. */
  pack?: Pack
}

export interface Plan {
  feasible: boolean
  /** Limits that are in the way, foot by foot. */
  blocking: { foot: string; limit: 'down' | 'up' | 'near' | 'far' }[]
  feet: PlannedFoot[]
  /** What stays at each coupling when all shafts run, mm and rad; null in a plane that was not measured. */
  left: { coupling: string; vertical: PlaneLine | null; horizontal: PlaneLine | null }[]
}

/** Shims to choose from, how many in a pack, and what a soft foot wants beside the move. Thicknesses in mm. */
export interface PackChoices {
  stock?: readonly number[]
  mostShims?: number
  softFoot?: ReadonlyMap<string, number>
}

/**
 * What can be made of the exact moves: which limits they break, the packs that come nearest to them, and what the rounding to
 * whole shims leaves at the couplings. A foot whose pack or stock is not known is taken as moved exactly.
 */
export function planMoves(
  train: Train,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  { stock = [], mostShims = 4, softFoot = new Map() }: PackChoices = {},
): Plan {
  const blocking: Plan['blocking'] = []
  const shelf = new ShimShelf(stock.map((thickness) => ({ thickness, count: Number.POSITIVE_INFINITY })))
  const feet = solution.feet.map((solved): PlannedFoot => {
    const { machine, foot, vertical, horizontal } = solved
    const known = facts.get(foot)
    const planned: PlannedFoot = {
      machine,
      foot,
      vertical: vertical?.move ?? null,
      horizontal: horizontal?.move ?? null,
    }
    blocking.push(...brokenLimits(solved, known?.limits).map((limit) => ({ foot, limit })))
    if (!known?.pack || planned.vertical === null) return planned
    const under = known.pack.reduce((sum, size) => sum + size, 0)
    const extra = softFoot.get(foot) ?? 0
    if (under + extra + planned.vertical < -slack && !blocking.some((one) => one.foot === foot && one.limit === 'down'))
      blocking.push({ foot, limit: 'down' }) // more is to come out than lies under it
    if (stock.length === 0) return planned
    const change = packUnder(shelf, {
      present: known.pack,
      move: planned.vertical,
      softFoot: extra,
      limits: known.limits,
      most: mostShims,
    })
    return change ? { ...planned, pack: change.pack } : planned
  })
  return { feasible: blocking.length === 0, blocking, feet, left: leftAt(train, solution, feet) }
}

export function brokenLimits(
  { vertical, horizontal }: Pick<FootSolution, 'vertical' | 'horizontal'>,
  limits: FootLimits | undefined,
) {
  const broken: Plan['blocking'][number]['limit'][] = []
  const beyond = (move: number | null | undefined, limit: number | undefined) =>
    typeof move === 'number' && limit !== undefined && move > limit + slack
  const [up, far] = [vertical?.move, horizontal?.move]
  if (beyond(up, limits?.up)) broken.push('up')
  if (beyond(up && -up, limits?.down)) broken.push('down')
  if (beyond(far, limits?.far)) broken.push('far')
  if (beyond(far && -far, limits?.near)) broken.push('near')
  return broken
}

/** Running misalignment that stays at each coupling, right less left, once the feet are moved as planned. */
function leftAt(train: Train, solution: Solution, feet: readonly PlannedFoot[]): Plan['left'] {
  const moves: Moves = new Map(
    feet.map(({ foot, vertical, horizontal, pack }) => [
      foot,
      { vertical: (vertical ?? 0) + (pack?.residual ?? 0), horizontal: horizontal ?? 0 },
    ]),
  )
  return train.couplings.map(({ id }, c) => ({ coupling: id, ...runningAfter(train, solution, moves, c) }))
}

import type { PlaneLine } from '../frame/axis'
import { type Moves, runningAfter } from './after'
import { choosePack, type Pack } from './packs'
import type { FootSolution, Solution } from './solve'
import type { Train } from './train'

/** How far a foot can go, mm, each zero or more; absent where nothing is in the way. */
export type FootLimits = Partial<Record<'down' | 'up' | 'near' | 'far', number>>

/** What is known of a foot beyond its place. Lengths in mm. */
export interface FootFacts {
  limits?: FootLimits | undefined
  /** Shims under it now; absent where nobody looked. */
  pack?: readonly number[] | undefined
}

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

/**
 * What can be made of the exact moves: which limits they break, the packs that come nearest to them, and what the rounding to
 * whole shims leaves at the couplings. A foot whose pack or stock is not known is taken as moved exactly.
 *
 * @param stock shim thicknesses, mm; none for exact moves
 */
export function planMoves(
  train: Train,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  stock: readonly number[] = [],
  mostShims = 4,
): Plan {
  const blocking: Plan['blocking'] = []
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
    const wanted = known.pack.reduce((sum, size) => sum + size, 0) + planned.vertical
    if (wanted < -slack && !blocking.some((one) => one.foot === foot && one.limit === 'down'))
      blocking.push({ foot, limit: 'down' }) // more is to come out than lies under it
    if (stock.length === 0 || Math.abs(planned.vertical) < slack) return planned
    const present = wanted - planned.vertical
    const range = [present - (known.limits?.down ?? present), present + (known.limits?.up ?? Infinity)] as const
    return { ...planned, pack: choosePack(stock, wanted, { most: mostShims, present: known.pack, range }) }
  })
  return { feasible: blocking.length === 0, blocking, feet, left: leftAt(train, solution, feet) }
}

/** Moves smaller than this are none, mm. */
export const slack = 1e-9

export function brokenLimits(
  { vertical, horizontal }: Pick<FootSolution, 'vertical' | 'horizontal'>,
  limits: FootLimits | undefined,
) {
  const broken: Plan['blocking'][number]['limit'][] = []
  const beyond = (move: number | undefined, limit: number | undefined) =>
    move !== undefined && limit !== undefined && move > limit + slack
  const [up, far] = [vertical?.move, horizontal?.move]
  if (beyond(up, limits?.up)) broken.push('up')
  if (beyond(up === undefined ? undefined : -up, limits?.down)) broken.push('down')
  if (beyond(far, limits?.far)) broken.push('far')
  if (beyond(far === undefined ? undefined : -far, limits?.near)) broken.push('near')
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

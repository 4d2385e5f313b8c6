import { contradicts } from './chiSquare'
import type { Fit } from './leastSquares'
import { type Leftover, leftoverOf } from './leftover'
import type { Row } from './row'
import { type Written, type WrittenSuspect, writtenSuspects } from './slips'

/** Equations that share unknowns, directly or by way of others, and contradict each other by more than chance once in a thousand times. */
export interface Contradiction<P> {
  /** The unknowns that hang on it, by place. */
  unknowns: ReadonlySet<number>
  /** χ², and how many equations are spare. */
  squares: number
  free: number
  /** Single changes of what was written that would explain it, best first. */
  suspects: readonly WrittenSuspect<P>[]
}

/** The unknowns of each equation by place, those alone that it really has. Constants count as unknowns. */
type UnknownsOf = readonly (readonly number[])[]

/**
 * What contradicts itself among equations, part by part: one wrong number says nothing against what has no unknown in common with it.
 *
 * @param solved how many of some unknowns the fit determined
 */
export function contradictionsIn<P>(
  touched: UnknownsOf,
  left: Leftover,
  solved: (unknowns: ReadonlySet<number>) => number,
  written: readonly Written<P>[],
): Contradiction<P>[] {
  return partsOf(touched).flatMap(({ rows, unknowns }) => {
    const squares = [...rows].reduce((sum, row) => sum + left.of(row) ** 2, 0)
    const free = rows.size - solved(unknowns)
    const part = { ...left, squares, free }
    if (free <= 0 || !contradicts(part)) return []
    const own = written.filter(({ row }) => rows.has(row))
    return [{ unknowns, squares, free, suspects: writtenSuspects(own, part) }]
  })
}

/** Equations in groups that have no unknown in common. */
function partsOf(touched: UnknownsOf): { rows: Set<number>; unknowns: Set<number> }[] {
  const parent = new Map<number, number>()
  const rootOf = (unknown: number): number => {
    const up = parent.get(unknown)
    if (up === undefined || up === unknown) {
      parent.set(unknown, unknown)
      return unknown
    }
    const root = rootOf(up)
    parent.set(unknown, root)
    return root
  }
  for (const [first, ...others] of touched)
    if (first !== undefined) for (const other of others) parent.set(rootOf(other), rootOf(first))
  const parts = new Map<number, { rows: Set<number>; unknowns: Set<number> }>()
  for (const [row, unknowns] of touched.entries()) {
    const [first] = unknowns
    if (first === undefined) continue
    const root = rootOf(first)
    const part = parts.get(root) ?? { rows: new Set(), unknowns: new Set() }
    parts.set(root, part)
    part.rows.add(row)
    for (const unknown of unknowns) part.unknowns.add(unknown)
  }
  return [...parts.values()]
}

/** The same for a system of named unknowns; a contradiction's own are told by name. */
export function contradictionsOf<U extends string, P>(
  unknowns: readonly U[],
  rows: readonly Row<U>[],
  fit: Fit<U>,
  written: readonly Written<P>[],
): (Omit<Contradiction<P>, 'unknowns'> & { unknowns: ReadonlySet<U> })[] {
  const constants = [...new Set(rows.flatMap((row) => row.constants.map(({ key }) => key)))]
  const touched = rows.map(({ coefficients, constants: own }) => [
    ...coefficients.flatMap((by, i) => (Math.abs(by) > nothing ? [i] : [])),
    ...own.map(({ key }) => unknowns.length + constants.indexOf(key)),
  ])
  const found = new Set([
    ...fit.solved.map((name) => unknowns.indexOf(name)),
    ...constants.map((_, i) => unknowns.length + i),
  ])
  const solved = (some: ReadonlySet<number>) => [...some].filter((one) => found.has(one)).length
  return contradictionsIn(touched, leftoverOf(unknowns, rows, fit), solved, written).map((one) => ({
    ...one,
    unknowns: new Set([...one.unknowns].flatMap((i) => unknowns[i] ?? [])),
  }))
}

/** A sine of 180° in floating point is no coefficient. */
const nothing = 1e-9

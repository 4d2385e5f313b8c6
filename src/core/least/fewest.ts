import type { PlaneProblem, PlannedStation } from './problem'
import { type SmallProgram, solveSmall } from './simplex'

/** Up to so many stations every choice of those that stay can be tried. */
export const mostTried = 12

/** The stations that stay, and how far each goes, in units. */
export interface Fewest {
  stays: ReadonlySet<PlannedStation>
  moves: readonly number[]
}

/** A place of an axis, or its slope, as a sum of what the moves make of it: `at + factors·x`. */
interface Affine {
  at: number
  factors: readonly number[]
}

/** How far a bound found in one stage is eased for the next, in units. */
const close = 1e-6

/**
 * Fewest feet touched, then the smallest largest move, then the smallest sum, by trying which stations stay: what cannot stay
 * together is not tried together again. Each choice is a linear program in the moves of what is left. Exact; equals the
 * mixed-integer programs of `least.ts`.
 *
 * @returns null where nothing fits
 */
export function fewestByTrying(problem: PlaneProblem, stations: readonly PlannedStation[]): Fewest | null {
  const layout = layoutOf(problem, stations)
  const all = (1 << stations.length) - 1
  const weights = Array.from({ length: all + 1 }, (_, stay) =>
    stations.reduce((sum, { feet }, i) => sum + (stay & (1 << i) ? 0 : feet.length), 0),
  )
  const bits = (mask: number): number => (mask === 0 ? 0 : (mask & 1) + bits(mask >> 1))
  /** Choices that cannot stay, and so none that holds one of them. */
  const barred: number[] = []
  const can = (stay: number): boolean => {
    if (barred.some((one) => (stay & one) === one)) return false
    if (layout.solve(stay, 'any')) return true
    barred.push(stay)
    return false
  }
  if (!can(0)) return null
  // what few stations bar is known first: it bars most
  const choices = weights.map((_, stay) => stay)
  for (const size of [1, 2, 3]) for (const stay of choices) if (bits(stay) === size) can(stay)
  const ordered = choices.sort((a, b) => (weights[a] as number) - (weights[b] as number))
  const first = ordered.find(can)
  if (first === undefined) return null
  const equals = ordered.filter((stay) => weights[stay] === weights[first] && can(stay))
  const largest = equals.flatMap((stay) => {
    const found = layout.solve(stay, 'largest')
    return found ? [{ stay, most: sizeOf(found) }] : []
  })
  const least = Math.min(...largest.map(({ most }) => most))
  let best: { stay: number; moves: readonly number[]; sum: number } | undefined
  for (const { stay, most } of largest) {
    if (most > least + close) continue
    const moves = layout.solve(stay, 'sum', least + close)
    if (!moves) continue
    const sum = stations.reduce((total, { feet }, i) => total + feet.length * Math.abs(moves[i] as number), 0)
    if (!best || sum < best.sum - close) best = { stay, moves, sum }
  }
  if (!best) return null
  const { stay, moves } = best
  return { stays: new Set(stations.filter((_, i) => stay & (1 << i))), moves }
}

const sizeOf = (moves: readonly number[]): number => Math.max(0, ...moves.map(Math.abs))

/** Everything of a plane as sums of the moves of two stations a machine: the others, and what stays between machines. */
function layoutOf(problem: PlaneProblem, stations: readonly PlannedStation[]) {
  const base: number[] = []
  const unknown = (at: number): Affine => {
    const k = base.push(at) - 1
    const factors: number[] = []
    factors[k] = 1
    return { at: stations[at]?.present ?? 0, factors }
  }
  const sum = (...terms: readonly (readonly [Affine, number])[]): Affine => {
    const length = Math.max(0, ...terms.map(([{ factors }]) => factors.length))
    return {
      at: terms.reduce((total, [{ at }, by]) => total + by * at, 0),
      factors: Array.from({ length }, (_, k) =>
        terms.reduce((total, [one, by]) => total + by * (one.factors[k] ?? 0), 0),
      ),
    }
  }
  const constant = (at: number): Affine => ({ at, factors: [] })
  /** Axis of each machine: its place at u = 0 and its rise over one u. */
  const axes = new Map(
    problem.machines.map(({ machine, axis: [offset, slope], stations: places }) => {
      const own = stations.flatMap((one, i) => (one.machine === machine ? [{ ...one, i }] : []))
      const [a] = own
      const b = own.find(({ u }) => a && u !== a.u)
      if (places === 0 || !a) return [machine, [constant(offset), constant(slope)] as const]
      if (places === 1 || !b)
        return [machine, [sum([unknown(a.i), 1], [constant(slope), -a.u]), constant(slope)] as const]
      const [at, to] = [unknown(a.i), unknown(b.i)]
      const rise = sum([to, 1 / (b.u - a.u)], [at, -1 / (b.u - a.u)])
      return [machine, [sum([at, 1], [rise, -a.u]), rise] as const]
    }),
  )
  const line = (machine: number, u: number | 'slope'): Affine => {
    const [offset, slope] = axes.get(machine) ?? [constant(0), constant(0)]
    return u === 'slope' ? slope : sum([offset, 1], [slope, u])
  }
  const moves = stations.map((one) => sum([line(one.machine, one.u), 1], [constant(one.present), -1]))
  const demands = problem.demands
    .filter(({ left, right }) => axes.has(left) && axes.has(right))
    .map(({ left, right, u, most }) => ({ of: sum([line(right, u), 1], [line(left, u), -1]), most }))

  /** The moves of one choice of stations that stay; null where it does not fit. */
  function solve(stay: number, aim: 'any' | 'largest' | 'sum', most = Number.POSITIVE_INFINITY): number[] | null {
    const free = base.flatMap((i, k) => (stay & (1 << i) ? [] : [{ i, k }]))
    const more = aim === 'any' ? 0 : aim === 'largest' ? 1 : stations.length
    const n = free.length
    const low = free.map(({ i }) => Math.max(stations[i]?.low.at ?? 0, -most))
    const high = free.map(({ i }) => Math.min(stations[i]?.high.at ?? 0, most))
    const cost = free.map(() => 0)
    const rows: SmallProgram['rows'][number][] = []
    const of = ({ factors }: Affine): number[] => [...free.map(({ k }) => factors[k] ?? 0), ...Array(more).fill(0)]
    let fits = true
    const between = (one: Affine, from: number, to: number) => {
      const factors = of(one)
      if (factors.some((factor) => Math.abs(factor) > 1e-12))
        rows.push({ factors, low: from - one.at, high: to - one.at })
      else if (one.at < from - 1e-7 || one.at > to + 1e-7) fits = false
    }
    for (const demand of demands) between(demand.of, -demand.most, demand.most)
    moves.forEach((move, i) => {
      if (base.includes(i)) return
      const { low: down, high: up } = stations[i] as PlannedStation
      if (stay & (1 << i)) between(move, 0, 0)
      else between(move, Math.max(down.at, -most), Math.min(up.at, most))
    })
    if (!fits) return null
    if (aim !== 'any') {
      for (let m = 0; m < more; m++) {
        low.push(0)
        high.push(Number.POSITIVE_INFINITY)
        cost.push(aim === 'largest' ? 1 : (stations[m]?.feet.length ?? 1))
      }
      // each size is no less than its move either way
      moves.forEach((move, i) => {
        if (stay & (1 << i)) return
        const factors = of(move)
        const size = n + (aim === 'largest' ? 0 : i)
        const with_ = (by: 1 | -1) => factors.map((factor, k) => (k === size ? by : factor))
        rows.push({ factors: with_(1), low: -move.at, high: Number.POSITIVE_INFINITY })
        rows.push({ factors: with_(-1), low: Number.NEGATIVE_INFINITY, high: -move.at })
      })
    }
    const found = solveSmall({ cost, low, high, rows })
    if (!found) return null
    const values = base.map(() => 0)
    free.forEach(({ k }, j) => {
      values[k] = found[j] as number
    })
    return moves.map((move, i) =>
      stay & (1 << i) ? 0 : move.factors.reduce((total, factor, k) => total + factor * (values[k] ?? 0), move.at),
    )
  }
  return { solve }
}

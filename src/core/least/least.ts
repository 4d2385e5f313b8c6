import type { Plane } from '../quantity/axis'
import { fewestByTrying, mostTried } from './fewest'
import { type PlanModel, planModel } from './planModel'
import { type PlaneProblem, type PlannedStation, type Stop, unit } from './problem'
import type { SolveProgram } from './program'

/** The least that can be done in one plane. Lengths in mm. */
export interface LeastPlane {
  feasible: boolean
  /** By foot. Where nothing fits: what would have to be done were the limits in the way not there. */
  moves: ReadonlyMap<string, number>
  /** Feet that are moved at all, the largest move, and the sum of all. */
  touched: number
  largest: number
  sum: number
  /** Where nothing fits: each limit that is in the way, how much more it would have to give, and what the best is then. */
  blocking: readonly Blocked[]
  /** All of `blocking` have to give at once; else any one of them is enough. */
  together: boolean
}

export interface Blocked {
  foot: string
  limit: Stop['way']
  /** mm beyond the limit that are needed at least. */
  short: number
  best: { touched: number; largest: number }
}

/**
 * The least that brings one plane in line: fewest feet touched, then the smallest largest move, then the smallest sum. By trying
 * which stations stay, or, for a train with too many of them, by three mixed-integer programs, each held to what the one before
 * it found; where nothing fits, once more for every limit.
 */
export function leastInPlane(problem: PlaneProblem, solve: SolveProgram): LeastPlane {
  const found = lexicographic(problem, problem.stations, solve)
  if (found) return { feasible: true, ...found, blocking: [], together: false }
  return inTheWay(problem, solve)
}

/** Both planes, each planned by itself. */
export type Least = Record<Plane, LeastPlane>

type Found = Pick<LeastPlane, 'moves' | 'touched' | 'largest' | 'sum'>

const infinity = Number.POSITIVE_INFINITY

/** Moves smaller than this are none, in units: a tenth of a micrometer. */
const none = 0.01

/** How far a bound found by one program is eased for the next, in units. */
const close = 1e-6

function lexicographic(problem: PlaneProblem, stations: readonly PlannedStation[], solve: SolveProgram): Found | null {
  if (stations.length === 0) return { moves: new Map(), touched: 0, largest: 0, sum: 0 }
  if (stations.length <= mostTried) {
    const found = fewestByTrying(problem, stations)
    return found && told(stations, found.moves, found.stays)
  }
  return byPrograms(problem, stations, solve)
}

/** By three mixed-integer programs, for trains with more stations than can be tried one by one. */
export function byPrograms(
  problem: PlaneProblem,
  stations: readonly PlannedStation[],
  solve: SolveProgram,
): Found | null {
  const first = planModel(problem, stations)
  const fewest = solve(first.builder.least(...first.touched))
  if (!fewest) return null
  const count = Math.round(total(first.touched, fewest))
  // a plan is known from here on: should a later program come to nothing, that is the solver's doing, and this one stands
  let best: { model: PlanModel; values: readonly number[] } = { model: first, values: fewest }

  // what those feet would have to be moved at most bounds all that is still looked for
  const rest = restOf(stations, first, fewest)
  const guess = planModel(problem, stations, { rest, withLargest: true })
  const guessed = solve(guess.builder.least([guess.largest, 1]))
  const bound = guessed ? (guessed[guess.largest] ?? 0) + close : infinity
  const second = planModel(problem, stations, { most: bound, withLargest: true })
  second.builder.row(-infinity, count + 0.5, ...second.touched)
  const smallest = solve(second.builder.least([second.largest, 1]))
  if (smallest) best = { model: second, values: smallest }
  const most = smallest ? (smallest[second.largest] ?? 0) + close : bound

  const cut = planModel(problem, stations, { rest: restOf(stations, best.model, best.values), most })
  const summed = solve(cut.builder.least(...cut.sizes))
  const third = planModel(problem, stations, { most })
  if (summed) third.builder.row(-infinity, total(cut.sizes, summed) + close, ...third.sizes)
  third.builder.row(-infinity, count + 0.5, ...third.touched)
  const chosen = solve(third.builder.least(...third.sizes))
  if (chosen) best = { model: third, values: chosen }

  // with the feet chosen, once more without whole numbers: what stays stays exactly
  const stays = restOf(stations, best.model, best.values)
  const last = planModel(problem, stations, { rest: stays, most })
  const exact = solve(last.builder.least(...last.sizes))
  return movesOf(stations, exact ? { model: last, values: exact } : best, stays)
}

/** The stations that a solved model leaves alone. */
const restOf = (stations: readonly PlannedStation[], { touched }: PlanModel, values: readonly number[]) =>
  new Set(stations.filter((_, i) => (values[touched[i]?.[0] ?? -1] ?? 0) < 0.5))

const total = (terms: readonly (readonly [number, number])[], values: readonly number[]): number =>
  terms.reduce((sum, [column, factor]) => sum + factor * (values[column] ?? 0), 0)

function movesOf(
  stations: readonly PlannedStation[],
  { model: { moves }, values }: { model: PlanModel; values: readonly number[] },
  rest: ReadonlySet<PlannedStation>,
): Found {
  return told(
    stations,
    stations.map((_, i) => {
      const [up, down] = moves[i] ?? [-1, -1]
      return (values[up] ?? 0) - (values[down] ?? 0)
    }),
    rest,
  )
}

/** Moves in units as they are told, foot by foot. */
function told(stations: readonly PlannedStation[], moves: readonly number[], rest: ReadonlySet<PlannedStation>): Found {
  const found = new Map<string, number>()
  let [touched, largest, sum] = [0, 0, 0]
  stations.forEach((station, i) => {
    const value = moves[i] ?? 0
    const move = rest.has(station) || Math.abs(value) < none ? 0 : value * unit
    for (const foot of station.feet) found.set(foot, move)
    if (move !== 0) touched += station.feet.length
    largest = Math.max(largest, Math.abs(move))
    sum += Math.abs(move) * station.feet.length
  })
  return { moves: found, touched, largest, sum }
}

/**
 * Nothing fits: which stops would have to give. First each by itself, as far as it alone must give; where no one alone is
 * enough, the smallest set that is.
 */
function inTheWay(problem: PlaneProblem, solve: SolveProgram): LeastPlane {
  const stops = problem.stations.flatMap(({ low, high }) => [low, high]).filter(({ at }) => Number.isFinite(at))
  const without = (given: ReadonlySet<Stop>): readonly PlannedStation[] =>
    problem.stations.map((station) => ({
      ...station,
      low: given.has(station.low) ? { ...station.low, at: -infinity } : station.low,
      high: given.has(station.high) ? { ...station.high, at: infinity } : station.high,
    }))
  const alone = stops.flatMap((stop) => {
    const elastic = planModel(problem, problem.stations, { rest: new Set(), giving: new Set([stop]) })
    const solved = solve(elastic.builder.least(...elastic.gives.map(({ column }) => [column, 1] as const)))
    const best = solved && lexicographic(problem, without(new Set([stop])), solve)
    if (!solved || !best) return []
    return [
      {
        stop,
        short: total(
          elastic.gives.map(({ column }) => [column, 1] as const),
          solved,
        ),
        best,
      },
    ]
  })
  if (alone.length > 0) {
    alone.sort((a, b) => a.short - b.short)
    const [nearest] = alone
    return {
      feasible: false,
      ...(nearest?.best ?? nothing),
      blocking: alone.map(({ stop, short, best }) => blocked(stop, short, best)),
      together: false,
    }
  }
  const short = fewestGiving(problem, stops, solve)
  if (!short) return { feasible: false, ...nothing, blocking: [], together: false }
  const best = lexicographic(problem, without(new Set(short.map(({ stop }) => stop))), solve) ?? nothing
  return {
    feasible: false,
    ...best,
    blocking: short.map((one) => blocked(one.stop, one.short, best)),
    together: true,
  }
}

/**
 * The fewest stops that have to give at once, and of those sets the one that gives least altogether; null where even all of
 * them are not enough.
 */
function fewestGiving(problem: PlaneProblem, stops: readonly Stop[], solve: SolveProgram) {
  const open = { rest: new Set<PlannedStation>(), giving: new Set(stops) }
  const giving = ({ gives }: PlanModel) => gives.map(({ column }) => [column, 1] as const)
  const loose = planModel(problem, problem.stations, open)
  const least = solve(loose.builder.least(...giving(loose)))
  if (!least) return null
  // no stop need give more than all of them together do at the least, as far as that goes
  const counted = planModel(problem, problem.stations, { ...open, counted: 50 * total(giving(loose), least) + 1 })
  const flags = counted.gives.flatMap(({ flag }) => (flag === undefined ? [] : [[flag, 1] as const]))
  const fewest = solve(counted.builder.least(...flags))
  let [model, values] = [loose, least]
  if (fewest) {
    counted.builder.row(-infinity, Math.round(total(flags, fewest)) + 0.5, ...flags)
    const found = solve(counted.builder.least(...giving(counted)))
    if (found) [model, values] = [counted, found]
  }
  return model.gives.map(({ stop, column }) => ({ stop, short: values[column] ?? 0 })).filter((one) => one.short > none)
}

const nothing: Found = { moves: new Map(), touched: 0, largest: 0, sum: 0 }

const blocked = ({ foot, way }: Stop, short: number, { touched, largest }: Found): Blocked => ({
  foot,
  limit: way,
  short: short * unit,
  best: { touched, largest },
})

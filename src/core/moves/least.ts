import { type Plane, planes } from '../frame/axis'
import type { SlipGrade } from '../verdict/slipSpeed'
import type { FootFacts } from './plan'
import { type PlaneProblem, type PlannedStation, planeProblem, type Stop, unit } from './planeProblem'
import { ProgramBuilder, type SolveProgram } from './program'
import type { Solution } from './solve'
import type { Train } from './train'

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

export type Least = Record<Plane, LeastPlane>

/** Half the tolerance: room for the doubt of the readings and the rounding of the shims. */
export const usualMargin = 0.5

export interface LeastOptions {
  /** Share of the tolerance that may stay in each plane; 0 for in line exactly. */
  margin: number
  grade?: SlipGrade
  /** Called before every program that is solved, with how many are behind and how many there will be at least. */
  onProgress?: (done: number, of: number) => void
}

/**
 * The least moves that bring a train in line, each plane by itself: fewest feet touched, then the smallest largest move, then
 * the smallest sum. Every machine may move. Three mixed-integer programs a plane, each held to what the one before it found;
 * where nothing fits, one more for every limit.
 */
export function planLeast(
  train: Train,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  solve: SolveProgram,
  { margin, grade, onProgress }: LeastOptions,
): Least {
  let done = 0
  const counted: SolveProgram = (program) => {
    onProgress?.(done++, Math.max(done, 4 * planes.length))
    return solve(program)
  }
  const inPlane = (plane: Plane) => leastInPlane(planeProblem(train, solution, facts, plane, margin, grade), counted)
  return { vertical: inPlane('vertical'), horizontal: inPlane('horizontal') }
}

/** The same moves for every foot of the solution: none where a plane was not reached. */
export function withMoves(solution: Solution, least: Least): Solution {
  return {
    ...solution,
    feet: solution.feet.map((foot) => {
      const moved = (plane: Plane) => foot[plane] && { ...foot[plane], move: least[plane].moves.get(foot.foot) ?? 0 }
      return { ...foot, vertical: moved('vertical'), horizontal: moved('horizontal') }
    }),
  }
}

export function leastInPlane(problem: PlaneProblem, solve: SolveProgram): LeastPlane {
  const found = lexicographic(problem, problem.stations, solve)
  if (found) return { feasible: true, ...found, blocking: [], together: false }
  return inTheWay(problem, solve)
}

type Found = Pick<LeastPlane, 'moves' | 'touched' | 'largest' | 'sum'>

/** Moves smaller than this are none, in units: a tenth of a micrometre. */
const none = 0.01

function lexicographic(problem: PlaneProblem, stations: readonly PlannedStation[], solve: SolveProgram): Found | null {
  if (stations.length === 0) return { moves: new Map(), touched: 0, largest: 0, sum: 0 }
  const first = model(problem, stations)
  const fewest = solve(first.builder.least(...first.touched))
  if (!fewest) return null
  const count = Math.round(total(first.touched, fewest))

  const second = model(problem, stations)
  second.builder.row(Number.NEGATIVE_INFINITY, count + 0.5, ...second.touched)
  const smallest = solve(second.builder.least([second.largest, 1]))
  if (!smallest) return null
  const largest = smallest[second.largest] ?? 0

  const third = model(problem, stations)
  third.builder.row(Number.NEGATIVE_INFINITY, count + 0.5, ...third.touched)
  third.builder.row(Number.NEGATIVE_INFINITY, largest + 1e-6, [third.largest, 1])
  const chosen = solve(third.builder.least(...third.sum))
  if (!chosen) return null

  // with the feet chosen, once more without whole numbers: what stays stays exactly
  const rest = new Set(stations.filter((_, i) => (chosen[third.touched[i]?.[0] ?? -1] ?? 0) < 0.5))
  const last = model(problem, stations, rest)
  last.builder.row(Number.NEGATIVE_INFINITY, largest + 1e-6, [last.largest, 1])
  const exact = solve(last.builder.least(...last.sum))
  return movesOf(stations, exact ? { model: last, values: exact } : { model: third, values: chosen }, rest)
}

const total = (terms: readonly (readonly [number, number])[], values: readonly number[]): number =>
  terms.reduce((sum, [column, factor]) => sum + factor * (values[column] ?? 0), 0)

function movesOf(
  stations: readonly PlannedStation[],
  { model: { moves }, values }: { model: Model; values: readonly number[] },
  rest: ReadonlySet<PlannedStation>,
): Found {
  const found = new Map<string, number>()
  let [touched, largest, sum] = [0, 0, 0]
  stations.forEach((station, i) => {
    const value = values[moves[i] ?? -1] ?? 0
    const move = rest.has(station) || Math.abs(value) < none ? 0 : value * unit
    for (const foot of station.feet) found.set(foot, move)
    if (move !== 0) touched += station.feet.length
    largest = Math.max(largest, Math.abs(move))
    sum += Math.abs(move) * station.feet.length
  })
  return { moves: found, touched, largest, sum }
}

interface Model {
  builder: ProgramBuilder
  /** Column of each station's move. */
  moves: number[]
  /** Column that is 1 where a station is touched, with the feet it has. */
  touched: (readonly [number, number])[]
  /** Column of the largest move. */
  largest: number
  /** Columns of the moves' sizes, with the feet they count for. */
  sum: (readonly [number, number])[]
  /** How much each stop gives, where that was asked for. */
  gives: { stop: Stop; column: number }[]
}

const infinity = Number.POSITIVE_INFINITY

/**
 * Columns: a running axis for every machine (at u = 0, and its rise over one u), a move for every station, whether it is
 * touched, and its size. Rows: move = axis − where the station is now; what the couplings demand.
 *
 * @param rest stations that must not move; where given, nothing has to be a whole number
 * @param giving stops that may give, each by a column of its own
 */
function model(
  problem: PlaneProblem,
  stations: readonly PlannedStation[],
  rest?: ReadonlySet<PlannedStation>,
  giving: ReadonlySet<Stop> = new Set(),
): Model {
  const builder = new ProgramBuilder()
  const axes = new Map(
    problem.machines.map(({ machine, axis: [offset, slope], stations: feet }) => [
      machine,
      [
        feet > 0 ? builder.column(-infinity, infinity) : builder.column(offset, offset),
        feet > 1 ? builder.column(-infinity, infinity) : builder.column(slope, slope),
      ] as const,
    ]),
  )
  const largest = builder.column(0, infinity)
  const reach = reachOf(problem, stations)
  const gives: Model['gives'] = []
  const moves: number[] = []
  const touched: (readonly [number, number])[] = []
  const sum: (readonly [number, number])[] = []
  for (const station of stations) {
    const stays = rest?.has(station) ?? false
    const give = (stop: Stop) => {
      if (!giving.has(stop)) return undefined
      const column = builder.column(0, infinity)
      gives.push({ stop, column })
      return column
    }
    const [down, up] = [give(station.low), give(station.high)]
    const move = builder.column(
      stays ? 0 : down === undefined ? station.low.at : -infinity,
      stays ? 0 : up === undefined ? station.high.at : infinity,
    )
    if (down !== undefined) builder.row(station.low.at, infinity, [move, 1], [down, 1])
    if (up !== undefined) builder.row(-infinity, station.high.at, [move, 1], [up, -1])
    const [offset, slope] = axes.get(station.machine) ?? [0, 0]
    builder.row(station.present, station.present, [offset, 1], [slope, station.u], [move, -1])
    const size = builder.column(0, infinity)
    builder.row(0, infinity, [size, 1], [move, -1])
    builder.row(0, infinity, [size, 1], [move, 1])
    builder.row(0, infinity, [largest, 1], [size, -1])
    const flag = builder.column(0, rest ? 0 : 1, !rest)
    if (!rest) builder.row(-infinity, 0, [size, 1], [flag, -reach(station)])
    moves.push(move)
    touched.push([flag, station.feet.length])
    sum.push([size, station.feet.length])
  }
  for (const { left, right, u, most } of problem.demands) {
    const [a, b] = [axes.get(left), axes.get(right)]
    if (!a || !b) continue
    if (u === 'slope') builder.row(-most, most, [b[1], 1], [a[1], -1])
    else builder.row(-most, most, [b[0], 1], [b[1], u], [a[0], -1], [a[1], -u])
  }
  return { builder, moves, touched, largest, sum, gives }
}

/**
 * No sensible plan moves a station further than this: its own stops, else fifty times what lies between the highest and the
 * lowest, and never less than 5 mm.
 */
function reachOf(problem: PlaneProblem, stations: readonly PlannedStation[]): (station: PlannedStation) => number {
  const present = stations.map((station) => station.present)
  const demands = Math.max(0, ...problem.demands.map(({ most }) => most))
  const most = Math.max(5 / unit, 50 * (Math.max(...present) - Math.min(...present) + demands))
  return ({ low, high }) => Math.min(most, Math.max(-low.at, high.at))
}

/**
 * Nothing fits: which stops would have to give. First each by itself, as far as it alone must give; where no one alone is
 * enough, the set that gives least altogether.
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
    const elastic = model(problem, problem.stations, new Set(), new Set([stop]))
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
  const elastic = model(problem, problem.stations, new Set(), new Set(stops))
  const gives = elastic.gives.map(({ column }) => [column, 1] as const)
  const solved = solve(elastic.builder.least(...gives))
  if (!solved) return { feasible: false, ...nothing, blocking: [], together: false }
  const short = elastic.gives
    .map(({ stop, column }) => ({ stop, short: solved[column] ?? 0 }))
    .filter((one) => one.short > none)
  const best = lexicographic(problem, without(new Set(short.map(({ stop }) => stop))), solve) ?? nothing
  return {
    feasible: false,
    ...best,
    blocking: short.map((one) => blocked(one.stop, one.short, best)),
    together: true,
  }
}

const nothing: Found = { moves: new Map(), touched: 0, largest: 0, sum: 0 }

const blocked = ({ foot, way }: Stop, short: number, { touched, largest }: Found): Blocked => ({
  foot,
  limit: way,
  short: short * unit,
  best: { touched, largest },
})

import { type PlaneProblem, type PlannedStation, type Stop, unit } from './problem'
import { ProgramBuilder } from './program'

/** One plane of a train as a mixed-integer program, and where in it everything stands. */
export interface PlanModel {
  builder: ProgramBuilder
  /** Columns of how far each station goes up (or far) and down (or near); one of the two is zero. */
  moves: (readonly [up: number, down: number])[]
  /** Column that is 1 where a station is touched, with the feet it has. */
  touched: (readonly [column: number, feet: number])[]
  /** Column of the largest move, where it was asked for. */
  largest: number
  /** Columns whose sum is all that is moved, with the feet they count for. */
  sizes: (readonly [column: number, feet: number])[]
  /** How much each stop gives, where that was asked for, and whether it gives at all, where that is counted. */
  gives: { stop: Stop; column: number; flag: number | undefined }[]
}

export interface PlanModelOptions {
  /** Stations that must not move; where given, nothing has to be a whole number. */
  rest?: ReadonlySet<PlannedStation>
  /** Stops that may give, each by a column of its own. */
  giving?: ReadonlySet<Stop>
  /** Whether a stop gives at all is counted; none gives more than this. */
  counted?: number
  /** No move is larger than this. */
  most?: number
  withLargest?: boolean
}

const infinity = Number.POSITIVE_INFINITY

/**
 * Columns: a running axis for every machine (at u = 0, and its rise over one u); for every station how far up, how far down
 * and whether it is touched at all. Rows: axis − where the station is now = up − down; nothing moves that is not touched; what
 * the couplings demand.
 */
export function planModel(
  problem: PlaneProblem,
  stations: readonly PlannedStation[],
  { rest, giving = new Set(), counted, most = infinity, withLargest = false }: PlanModelOptions = {},
): PlanModel {
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
  const largest = withLargest ? builder.column(0, most) : -1
  const reach = reachOf(problem, stations, most)
  const found: Omit<PlanModel, 'builder' | 'largest'> = { moves: [], touched: [], sizes: [], gives: [] }
  for (const station of stations) {
    const stays = rest?.has(station) ?? false
    /** How far it goes one way: no further than its stop, unless that gives. */
    const toward = (stop: Stop) => {
      const room = Math.abs(stop.at)
      if (!giving.has(stop)) return builder.column(0, stays ? 0 : Math.min(room, reach))
      const give = builder.column(0, infinity)
      const way = builder.column(0, infinity)
      builder.row(-infinity, room, [way, 1], [give, -1])
      const flag = counted === undefined ? undefined : builder.column(0, 1, true)
      if (flag !== undefined) builder.row(-infinity, 0, [give, 1], [flag, -(counted ?? 0)])
      found.gives.push({ stop, column: give, flag })
      return way
    }
    const [up, down] = [toward(station.high), toward(station.low)]
    const [offset, slope] = axes.get(station.machine) ?? [0, 0]
    builder.row(station.present, station.present, [offset, 1], [slope, station.u], [up, -1], [down, 1])
    const flag = builder.column(0, rest ? 0 : 1, !rest)
    if (!rest) {
      builder.row(-infinity, 0, [up, 1], [flag, -Math.min(reach, station.high.at)])
      builder.row(-infinity, 0, [down, 1], [flag, -Math.min(reach, -station.low.at)])
    }
    if (withLargest) builder.row(0, infinity, [largest, 1], [up, -1], [down, -1])
    const feet = station.feet.length
    found.moves.push([up, down])
    found.touched.push([flag, feet])
    found.sizes.push([up, feet], [down, feet])
  }
  for (const { left, right, u, most } of problem.demands) {
    const [a, b] = [axes.get(left), axes.get(right)]
    if (!a || !b) continue
    if (u === 'slope') builder.row(-most, most, [b[1], 1], [a[1], -1])
    else builder.row(-most, most, [b[0], 1], [b[1], u], [a[0], -1], [a[1], -u])
  }
  return { builder, largest, ...found }
}

/**
 * No sensible plan moves a station further than this: what is already known to bound it, else fifty times what lies between the
 * highest and the lowest, and never less than 5 mm.
 */
function reachOf(problem: PlaneProblem, stations: readonly PlannedStation[], bound: number): number {
  const present = stations.map((station) => station.present)
  const demands = Math.max(0, ...problem.demands.map(({ most }) => most))
  return Math.min(bound, Math.max(5 / unit, 50 * (Math.max(...present) - Math.min(...present) + demands)))
}

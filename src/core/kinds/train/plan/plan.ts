import { minutesFor } from '../../../least/effort'
import type { FootFacts } from '../../../least/facts'
import type { Least } from '../../../least/least'
import { type Plane, type PlaneLine, planes } from '../../../quantity/axis'
import { quantityMm } from '../../../quantity/quantity'
import type { PlacedFoot } from '../../../seat/state'
import { inDoubt } from '../../../shafts/doubt'
import type { Pack } from '../../../shims/packs'
import { packUnder, ShimShelf, slack } from '../../../shims/shelf'
import { stockSizes } from '../../../shims/stock'
import { limitsOf } from '../../../verdict/limits'
import { gradeOf } from '../../../verdict/typed'
import { type Verdict, verdictOf } from '../../../verdict/verdict'
import type { Job, Round, RoundPlan } from '../document/schema'
import { seatFeet, solveSeatOf } from '../document/seats'
import { axisAfter, type Moves, misalignmentOf, runningAfter } from '../solve/after'
import { type JobSolution, tapeSd } from '../solve/round'
import { heldIn, type Solution, type Stay, targetOf, withStay } from '../solve/solve'
import { machineGrowthAt, type TargetLine } from '../solve/targets'
import { downBy, factsOf, marginOf, mostShimsOf, presentPack, trainEnds } from './choices'
import { brokenLimits } from './exact'
import { withMoves } from './moved'
import { stayOf } from './stay'

/** One foot with its shims. Lengths in mm. */
export interface PlannedFoot extends PlacedFoot {
  /** Shims under it now; undefined where nobody looked. */
  present: number[] | undefined
  /** What Seat wants under it beside the move. */
  softFoot: number
  /** The new pack, and what is to be taken out and put in for it; undefined without a stock or a present pack. */
  change: { pack: Pack; out: number[]; in: number[] } | undefined
}

/** A station of feet: what it is to be moved, and how its shims come to that. Lengths in mm. */
export interface PlannedStation {
  machine: string
  foot: string
  x: number
  /** What can be done, kept to the station's limits; null in a plane that was not measured. */
  vertical: number | null
  horizontal: number | null
  /** What it would take to come to the target; more than can be done where a limit is in the way. */
  wanted: Record<Plane, number | null>
  moveSd: Record<Plane, number>
  feet: PlannedFoot[]
  /** What rounding to whole shims adds to the vertical move. */
  rounding: number
  facts: FootFacts
}

/** A limit that is in the way. */
export interface InTheWay {
  plane: Plane
  foot: string
  limit: 'down' | 'up' | 'near' | 'far'
  /** mm it would have to give. */
  short: number
  /** Nobody counted the shims under it, and so none is taken out from under the machine that stays. */
  uncounted?: true
  /** What the plan is then, where a planner found out. */
  best?: { touched: number; largest: number }
}

export interface JobPlan {
  stays: RoundPlan['stays']
  held: readonly string[]
  /** The round's solution with the planned moves in it. */
  solution: Solution
  /** The line the running shafts are brought to, at x = 0; undefined where a margin leaves each its own. */
  target: Record<Plane, PlaneLine> | undefined
  feasible: boolean
  /** Stations of feet that this plan would have to move and whose place on the line nobody gave: with one of them it is no plan. */
  unplaced: string[]
  blocking: InTheWay[]
  /** All of them have to give at once; else any one. */
  together: Record<Plane, boolean>
  stations: PlannedStation[]
  /** Whether anything is known to be moved: without readings only the fixed machine has a place, and without its feet none. */
  known: boolean
  /** As planned, rounding included. */
  moves: Moves
  /** What is left at each coupling, running, after what can be done, and whether that is within. */
  left: { coupling: string; lines: Record<Plane, PlaneLine | null>; verdict: Verdict | undefined }[]
  touched: Record<Plane, number>
  largest: number
  /** Pieces to be put in. */
  pieces: number
  minutes: number
  /** For the store room, thick ones first. */
  picks: { machine: string; thickness: number; count: number }[]
}

/**
 * The plan of a round: moves, packs, what stays at the couplings, what is in the way.
 *
 * @param least what the planner found; without it a plan of the least moves is not there yet
 */
export function planRound(
  job: Pick<Job, 'line' | 'seat'>,
  round: Round,
  solved: JobSolution,
  least?: Least,
): JobPlan | undefined {
  const { plan } = round
  const facts = factsOf(job, round)
  const stay = stayOf(plan, solved, facts)
  if (!stay && !least) return undefined
  const { train } = solved
  const solution = stay ? withStay(train, solved.solution, stay, tapeSd) : withMoves(solved.solution, least as Least)
  const stations = stationsOf(job, round, solution, facts)
  const moves: Moves = new Map(
    stations.map(({ foot, vertical, horizontal, rounding }) => [
      foot,
      { vertical: (vertical ?? 0) + rounding, horizontal: horizontal ?? 0 },
    ]),
  )
  const moved = stations.map(({ machine, vertical, horizontal }) => ({
    machine,
    vertical: Math.abs(vertical ?? 0) > slack,
    horizontal: Math.abs(horizontal ?? 0) > slack,
  }))
  const blocking = (stay ? brokenBy(stations) : leastBlocking(least as Least)).map((one): InTheWay => {
    const bare = quantityMm(plan?.limits[one.foot]?.down) === undefined && !facts.get(one.foot)?.pack
    return one.limit === 'down' && bare ? { ...one, uncounted: true } : one
  })
  const unplaced = unplacedIn(job.line, solved, stay)
  return {
    stays: plan?.stays ?? 'fixed',
    held: stay ? [...new Set(planes.flatMap((plane) => heldIn(stay, plane) ?? []))] : [],
    solution,
    target: targetLine(solved, solution, stay, marginOf(plan)),
    // without stops there can be none in the way and yet no plan: machines that nothing can move
    feasible:
      unplaced.length === 0 &&
      blocking.length === 0 &&
      (stay !== undefined || planes.every((plane) => least?.[plane].feasible)),
    unplaced,
    blocking,
    together: { vertical: least?.vertical.together ?? true, horizontal: least?.horizontal.together ?? true },
    stations,
    known: solved.solution.couplings.some(({ result }) => result.ok) && (unplaced.length === 0 || partly(solved, stay)),
    moves,
    left: leftOf(job, solved, moves),
    touched: {
      vertical: 2 * moved.filter(({ vertical }) => vertical).length,
      horizontal: 2 * moved.filter(({ horizontal }) => horizontal).length,
    },
    largest: Math.max(0, ...stations.flatMap((s) => planes.map((plane) => Math.abs(s[plane] ?? 0)))),
    pieces: stations.flatMap(({ feet }) => feet).reduce((sum, { change }) => sum + (change?.in.length ?? 0), 0),
    minutes: minutesFor(moved),
    picks: picksOf(stations),
  }
}

/**
 * Stations that a plan moves and that have no place. With one machine fixed its own feet are asked for by nobody; two feet held on
 * one machine leave that one where it is; everything else may move every machine.
 */
function unplacedIn({ machines, fixed }: Job['line'], { stations }: JobSolution, stay: Stay | undefined): string[] {
  const still = (machine: (typeof machines)[number], plane: Plane): boolean => {
    const pair = stay && heldIn(stay, plane)
    if (pair) return pair.every((id) => machine.feet.some((foot) => foot.id === id))
    return stay !== undefined && stay.mode !== 'line' && machine.id === fixed
  }
  const stays = machines.find((machine) => planes.every((plane) => still(machine, plane)))
  return machines
    .filter((machine) => machine !== stays)
    .flatMap(({ feet }) => feet.flatMap(({ id }) => (stations.x.has(id) ? [] : [id])))
}

/** With one machine fixed, what is to be done at the feet that have a place is known without the others. */
const partly = ({ train }: JobSolution, stay: Stay | undefined): boolean =>
  stay?.mode === 'fixed' && train.machines.some(({ feet }, m) => m !== train.fixed && feet.length > 0)

function stationsOf(
  job: Pick<Job, 'line' | 'seat'>,
  round: Round,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
): PlannedStation[] {
  const { plan } = round
  const most = mostShimsOf(plan)
  /** By the stock's id: two machines may take from one shelf. */
  const shelves = new Map<string, ShimShelf>()
  return job.line.machines.flatMap((machine) => {
    const chosen = plan?.stock[machine.id]
    const stock = stockSizes(chosen)
    const shelf = shelves.get(chosen?.id ?? machine.id) ?? new ShimShelf(stock)
    shelves.set(chosen?.id ?? machine.id, shelf)
    const placed = seatFeet(job.line, machine.id)
    const soft = softFootOf(job, machine.id)
    return solution.feet
      .filter((foot) => foot.machine === machine.id)
      .map((foot): PlannedStation => {
        const own = facts.get(foot.foot)
        const limits = own?.limits
        const room = downBy(own)
        const wanted = { vertical: settled(foot.vertical?.move), horizontal: settled(foot.horizontal?.move) }
        const vertical = within(wanted.vertical, room?.down, room?.up)
        const feet = placed
          .filter(({ station }) => station === foot.foot)
          .map((one): PlannedFoot => {
            const present = presentPack(job, plan, machine.id, one.id)
            const softFoot = soft.get(one.id) ?? 0
            if (!present || vertical === null || stock.length === 0)
              return { ...one, present, softFoot, change: undefined }
            return {
              ...one,
              present,
              softFoot,
              change: packUnder(shelf, { present, move: vertical, softFoot, limits, most }),
            }
          })
        const rounded = feet.flatMap(({ change }) => (change ? [change.pack.residual] : []))
        return {
          machine: machine.id,
          foot: foot.foot,
          x: foot.x,
          vertical,
          horizontal: within(wanted.horizontal, room?.near, room?.far),
          wanted,
          moveSd: { vertical: foot.vertical?.moveSd ?? 0, horizontal: foot.horizontal?.moveSd ?? 0 },
          feet,
          // the shaft stands over the middle of its two feet
          rounding: rounded.length ? rounded.reduce((sum, one) => sum + one, 0) / rounded.length : 0,
          facts: own ?? {},
        }
      })
  })
}

const settled = (move: number | null | undefined): number | null =>
  move === undefined || move === null ? null : Math.abs(move) < slack ? 0 : move

/** A move as far as it can be made. */
const within = (
  move: number | null,
  least = Number.POSITIVE_INFINITY,
  most = Number.POSITIVE_INFINITY,
): number | null => (move === null ? null : Math.min(most, Math.max(-least, move)) + 0)

/** Plain shims that Seat found missing and that nobody has put in yet, by foot. */
function softFootOf(job: Pick<Job, 'line' | 'seat'>, machine: string): Map<string, number> {
  const seat = job.seat?.[machine]
  if (!seat || Object.keys(seat.after).length > 0) return new Map()
  const { cure } = solveSeatOf(job, machine, 'before')
  return new Map(cure.flatMap((one) => ('shim' in one ? [[one.foot, one.shim] as const] : [])))
}

function brokenBy(stations: readonly PlannedStation[]): InTheWay[] {
  return stations.flatMap((station) => {
    const limits = downBy(station.facts)
    const plane = (move: number | null) => (move === null ? null : { position: 0, move, moveSd: 0 })
    const broken = brokenLimits(
      { vertical: plane(station.wanted.vertical), horizontal: plane(station.wanted.horizontal) },
      limits,
    )
    return broken.map((limit): InTheWay => {
      const of = limit === 'down' || limit === 'up' ? 'vertical' : 'horizontal'
      return { plane: of, foot: station.foot, limit, short: Math.abs(station.wanted[of] ?? 0) - (limits?.[limit] ?? 0) }
    })
  })
}

const leastBlocking = (least: Least): InTheWay[] =>
  planes.flatMap((plane) => least[plane].blocking.map((one) => ({ plane, ...one })))

/** The one line of a plan that has one: least moves within a margin leave each machine its own. */
function targetLine(
  solved: JobSolution,
  solution: Solution,
  stay: Stay | undefined,
  margin: number,
): JobPlan['target'] {
  const { train } = solved
  if (stay?.mode === 'line') return stay.line
  if (!stay && margin > 0) return undefined
  const [from, to] = trainEnds(solved)
  const exact: Moves = new Map(
    solution.feet.map((foot) => [
      foot.foot,
      { vertical: foot.vertical?.move ?? 0, horizontal: foot.horizontal?.move ?? 0 },
    ]),
  )
  const fixed = train.machines[train.fixed]
  const target: TargetLine = stay
    ? targetOf(train, solution.chains, stay)
    : (plane, x) =>
        (axisAfter(train, solution, exact, train.fixed, plane, x)?.offset ?? 0) +
        (fixed ? machineGrowthAt(fixed, plane, x) : 0)
  const line = (plane: Plane): PlaneLine => {
    const slope = (target(plane, to) - target(plane, from)) / (to - from)
    return { offset: target(plane, from) - slope * from, slope }
  }
  return { vertical: line('vertical'), horizontal: line('horizontal') }
}

/** What is left at each coupling, judged with the doubt its readings have. */
function leftOf(job: Pick<Job, 'line'>, solved: JobSolution, moves: Moves): JobPlan['left'] {
  const { train, solution } = solved
  const grade = gradeOf(job.line)
  return train.couplings.map((coupling, c) => {
    const lines = runningAfter(train, solution, moves, c)
    const { result, doubts = [] } = solution.couplings[c] ?? {}
    const limits = limitsOf(train, coupling, grade)
    const still = { vertical: { offset: 0, slope: 0 }, horizontal: { offset: 0, slope: 0 } }
    const verdict =
      result?.ok && limits
        ? inDoubt(verdictOf({ ...result.fit, misalignment: misalignmentOf(lines) }, coupling, limits, still), doubts)
        : undefined
    return { coupling: coupling.id, lines, verdict }
  })
}

function picksOf(stations: readonly PlannedStation[]): JobPlan['picks'] {
  const picks = new Map<string, JobPlan['picks'][number]>()
  for (const { machine, feet } of stations)
    for (const thickness of feet.flatMap(({ change }) => change?.in ?? [])) {
      const key = `${machine}/${thickness.toFixed(6)}`
      const found = picks.get(key)
      picks.set(key, { machine, thickness, count: (found?.count ?? 0) + 1 })
    }
  return [...picks.values()].sort((a, b) => a.machine.localeCompare(b.machine) || b.thickness - a.thickness)
}

import { type Plane, type PlaneLine, planes } from '../frame/axis'
import { parseNumber } from '../frame/number'
import { quantityFrom, quantityMm } from '../frame/quantity'
import { axisAfter, type Moves, misalignmentOf, runningAfter } from '../moves/after'
import { minutesFor } from '../moves/effort'
import { bestHeld, downBy } from '../moves/held'
import { type Least, usualMargin, withMoves } from '../moves/least'
import type { Pack } from '../moves/packs'
import { brokenLimits, type FootFacts, slack } from '../moves/plan'
import { limitsOf, type Solution, type Stay, targetOf, withStay } from '../moves/solve'
import { machineGrowthAt, type TargetLine } from '../moves/targets'
import { type Verdict, verdictOf } from '../verdict/verdict'
import type { Job, Round, RoundPlan } from './schema'
import { type PlacedFoot, seatFeet, solveSeat } from './seat'
import { packMm, ShimShelf, stockSizes } from './shims'
import { type JobSolution, tapeSd } from './solve'
import { gradeOf } from './train'

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
  vertical: number | null
  horizontal: number | null
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
  blocking: InTheWay[]
  /** All of them have to give at once; else any one. */
  together: Record<Plane, boolean>
  stations: PlannedStation[]
  /** Whether anything is known to be moved: without readings only the fixed machine has a place. */
  known: boolean
  /** As planned, rounding included. */
  moves: Moves
  /** What stays at each coupling, running, and whether that is within. */
  left: { coupling: string; lines: Record<Plane, PlaneLine | null>; verdict: Verdict | undefined }[]
  touched: Record<Plane, number>
  largest: number
  /** Pieces to be put in. */
  pieces: number
  minutes: number
  /** For the store room, thick ones first. */
  picks: { machine: string; thickness: number; count: number }[]
}

export const emptyPlan = (): RoundPlan => ({ stays: 'fixed', limits: {}, packs: {}, stock: {} })

/** The share of the tolerance that least moves may leave. */
export function marginOf(plan: RoundPlan | undefined): number {
  const typed = parseNumber((plan?.margin ?? '').replace('%', ''))
  return typed.ok ? Math.min(1, Math.max(0, typed.value / 100)) : usualMargin
}

export function mostShimsOf(plan: RoundPlan | undefined): number {
  const typed = parseNumber(plan?.mostShims ?? '')
  return typed.ok && typed.value >= 1 ? Math.min(8, Math.floor(typed.value)) : 4
}

/** Shims under a foot: as typed here, else as Seat found them last. */
function presentPack(job: Pick<Job, 'seat'>, plan: RoundPlan | undefined, machine: string, foot: string) {
  const typed = packMm(plan?.packs[foot])
  if (typed) return typed
  const seat = job.seat?.[machine]
  for (const pass of ['after', 'before', 'loose'] as const) {
    const found = seat?.[pass][foot]
    const pack = found && packMm({ text: found.pack, unit: found.rise.unit })
    if (pack) return pack
  }
  return undefined
}

/** What is known of every station beyond its place: typed limits, and the thinner of its two packs. */
export function factsOf(job: Pick<Job, 'line' | 'seat'>, round: Round): Map<string, FootFacts> {
  const { plan } = round
  return new Map(
    job.line.machines.flatMap((machine) =>
      machine.feet.map((foot): [string, FootFacts] => {
        const typed = plan?.limits[foot.id]
        const limits = Object.fromEntries(
          (['down', 'up', 'near', 'far'] as const).flatMap((way) => {
            const mm = quantityMm(typed?.[way])
            return mm === undefined ? [] : [[way, Math.max(0, mm)]]
          }),
        )
        const packs = (['near', 'far'] as const).flatMap((side) => {
          const pack = presentPack(job, plan, machine.id, `${foot.id}.${side}`)
          return pack ? [pack] : []
        })
        const total = (pack: readonly number[]) => pack.reduce((sum, size) => sum + size, 0)
        const thinner = packs.sort((a, b) => total(a) - total(b))[0]
        return [foot.id, { limits, ...(thinner ? { pack: thinner } : {}) }]
      }),
    ),
  )
}

/** The stay a plan asks for; undefined for least moves, which a planner has to find. */
export function stayOf(
  plan: RoundPlan | undefined,
  solved: JobSolution,
  facts: ReadonlyMap<string, FootFacts>,
): Stay | undefined {
  const { train, solution } = solved
  if (plan?.stays === 'least') return undefined
  if (plan?.stays === 'hold') {
    const held = heldOf(plan, solved) ?? bestHeld(train, solution, facts)
    return held ? { mode: 'hold', feet: held } : { mode: 'fixed' }
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

/** Stations of the first and the last foot of the train: where a drawn line is held by its ends. */
export function trainEnds({ train }: Pick<JobSolution, 'train'>): [number, number] {
  const places = train.machines.flatMap(({ feet }) => feet.map(({ x }) => x))
  const [from, to] = [Math.min(...places), Math.max(...places)]
  return to > from ? [from, to] : [from, from + 1]
}

function heldOf(plan: RoundPlan, { train }: JobSolution): [string, string] | undefined {
  const stations = train.machines.flatMap(({ feet }) => feet)
  const [a, b] = (plan.hold ?? []).map((id) => stations.find((foot) => foot.id === id))
  return a && b && a.x !== b.x ? [a.id, b.id] : undefined
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
  const blocking = stay ? brokenBy(stations) : leastBlocking(least as Least)
  return {
    stays: plan?.stays ?? 'fixed',
    held: stay?.mode === 'hold' ? stay.feet : [],
    solution,
    target: targetLine(solved, solution, stay, marginOf(plan)),
    feasible: blocking.length === 0,
    blocking,
    together: { vertical: least?.vertical.together ?? true, horizontal: least?.horizontal.together ?? true },
    stations,
    known: solved.solution.couplings.some(({ result }) => result.ok),
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

function stationsOf(
  job: Pick<Job, 'line' | 'seat'>,
  round: Round,
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
): PlannedStation[] {
  const { plan } = round
  const most = mostShimsOf(plan)
  return job.line.machines.flatMap((machine) => {
    const stock = stockSizes(plan?.stock[machine.id])
    const shelf = new ShimShelf(stock)
    const placed = seatFeet(job.line, machine.id)
    const soft = softFootOf(job, machine.id)
    return solution.feet
      .filter((foot) => foot.machine === machine.id)
      .map((foot): PlannedStation => {
        const vertical = settled(foot.vertical?.move)
        const limits = facts.get(foot.foot)?.limits
        const feet = placed
          .filter(({ station }) => station === foot.foot)
          .map((one): PlannedFoot => {
            const present = presentPack(job, plan, machine.id, one.id)
            const softFoot = soft.get(one.id) ?? 0
            const still = Math.abs(vertical ?? 0) < slack && softFoot === 0
            if (!present || vertical === null || stock.length === 0 || still)
              return { ...one, present, softFoot, change: undefined }
            const under = present.reduce((sum, size) => sum + size, 0)
            const range = [
              under + softFoot - (limits?.down ?? under),
              under + softFoot + (limits?.up ?? Number.POSITIVE_INFINITY),
            ] as const
            return {
              ...one,
              present,
              softFoot,
              change: shelf.take(under + vertical + softFoot, { present, most, range }),
            }
          })
        const rounded = feet.flatMap(({ change }) => (change ? [change.pack.residual] : []))
        return {
          machine: machine.id,
          foot: foot.foot,
          x: foot.x,
          vertical,
          horizontal: settled(foot.horizontal?.move),
          moveSd: { vertical: foot.vertical?.moveSd ?? 0, horizontal: foot.horizontal?.moveSd ?? 0 },
          feet,
          // the shaft stands over the middle of its two feet
          rounding: rounded.length ? rounded.reduce((sum, one) => sum + one, 0) / rounded.length : 0,
          facts: facts.get(foot.foot) ?? {},
        }
      })
  })
}

const settled = (move: number | undefined): number | null =>
  move === undefined ? null : Math.abs(move) < slack ? 0 : move

/** Plain shims that Seat found missing and that nobody has put in yet, by foot. */
function softFootOf(job: Pick<Job, 'line' | 'seat'>, machine: string): Map<string, number> {
  const seat = job.seat?.[machine]
  if (!seat || Object.keys(seat.after).length > 0) return new Map()
  const { cure } = solveSeat(job, machine, 'before')
  return new Map(cure.flatMap((one) => ('shim' in one ? [[one.foot, one.shim] as const] : [])))
}

function brokenBy(stations: readonly PlannedStation[]): InTheWay[] {
  return stations.flatMap((station) => {
    const limits = downBy(station.facts)
    const plane = (move: number | null) => (move === null ? null : { position: 0, move, moveSd: 0 })
    const broken = brokenLimits({ vertical: plane(station.vertical), horizontal: plane(station.horizontal) }, limits)
    return broken.map((limit): InTheWay => {
      const of = limit === 'down' || limit === 'up' ? 'vertical' : 'horizontal'
      return { plane: of, foot: station.foot, limit, short: Math.abs(station[of] ?? 0) - (limits?.[limit] ?? 0) }
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

/** What stays at each coupling, judged with the doubt its readings have. */
function leftOf(job: Pick<Job, 'line'>, solved: JobSolution, moves: Moves): JobPlan['left'] {
  const { train, solution } = solved
  const grade = gradeOf(job.line)
  return train.couplings.map((coupling, c) => {
    const lines = runningAfter(train, solution, moves, c)
    const result = solution.couplings[c]?.result
    const limits = limitsOf(train, coupling, grade)
    const still = { vertical: { offset: 0, slope: 0 }, horizontal: { offset: 0, slope: 0 } }
    const verdict =
      result?.ok && limits
        ? verdictOf({ ...result.fit, misalignment: misalignmentOf(lines) }, coupling, limits, still)
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

/** The round with what was planned written down as done: to the dial's own step and finer, as typed numbers. */
export function withDone(round: Round, { moves }: JobPlan, unit: 'mm' | 'mil'): Round {
  const typed = (mm: number | undefined) => quantityFrom(mm ?? 0, unit, unit === 'mil' ? 1 : 3)
  const done = Object.fromEntries(
    [...moves].map(([foot, { vertical, horizontal }]) => [
      foot,
      { vertical: typed(vertical), horizontal: typed(horizontal) },
    ]),
  )
  return { ...round, plan: { ...(round.plan ?? emptyPlan()), done } }
}

/** The choices of a plan for the round after it: the packs that now lie under the feet, and limits as far as they were used up. */
export function nextPlan({ plan: old }: Round, { stations, moves }: JobPlan, unit: 'mm' | 'mil'): RoundPlan {
  const { done: _, drawn: __, ...kept } = old ?? emptyPlan()
  const decimals = unit === 'mil' ? 1 : 2
  const packs = stations.flatMap(({ feet }) =>
    feet.flatMap(({ id, present, change }) => {
      const shims = change?.pack.shims ?? present
      return shims ? [[id, { text: shims.map((size) => typedSize(size, unit)).join(' + ') || '0', unit }] as const] : []
    }),
  )
  const used = { down: 'vertical', up: 'vertical', near: 'horizontal', far: 'horizontal' } as const
  const limits = Object.entries(kept.limits).map(([foot, typed]) => [
    foot,
    Object.fromEntries(
      (['down', 'up', 'near', 'far'] as const).flatMap((way) => {
        const mm = quantityMm(typed[way])
        const move = moves.get(foot)?.[used[way]] ?? 0
        const left = (mm ?? 0) + (way === 'down' || way === 'near' ? move : -move)
        return mm === undefined ? [] : [[way, quantityFrom(Math.max(0, left), unit, decimals)]]
      }),
    ),
  ])
  return {
    ...kept,
    stays: kept.stays === 'drawn' ? 'fixed' : kept.stays,
    packs: Object.fromEntries(packs),
    limits: Object.fromEntries(limits),
  }
}

const typedSize = (mm: number, unit: 'mm' | 'mil'): string => quantityFrom(mm, unit, unit === 'mil' ? 1 : 3).text

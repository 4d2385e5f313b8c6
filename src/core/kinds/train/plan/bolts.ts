import { probeKinds } from '../../../probes'
import { separationAt } from '../../../probes/probe'
import { direction } from '../../../quantity/angles'
import type { Plane, PlaneLine } from '../../../quantity/axis'
import { quantityMm } from '../../../quantity/quantity'
import type { ProbeState } from '../../../shafts/state'
import { graduationMm, sdMm } from '../../../shafts/typed'
import { couplingAfter, type Moves } from '../solve/after'
import type { JobSolution } from '../solve/round'
import { crownWithin, type OrderSchool, offTheCrown } from './order'
import type { JobPlan } from './plan'
import {
  type Creep,
  creep,
  type ParallelStop,
  type Pushed,
  parallelStop,
  type Stop,
  shows,
  stops,
  toGoDoubt,
  type Watch,
} from './stop'

/** The side from which sideways work is watched: where there is room to read a dial. */
export type WatchSide = 'near' | 'far'

/** Where the probes stand while a machine is moved: at one side for sideways, on top for shims. Degrees. */
const watchedAt = (plane: Plane, side: WatchSide): number => (plane === 'vertical' ? 0 : side === 'far' ? 90 : 270)

/** The work at one machine's jack bolts (or under its feet) in one plane. Lengths in mm. */
export interface BoltWork {
  machine: string
  coupling: string
  plane: Plane
  /** Where the probes stand meanwhile, degrees. */
  at: number
  pushed: Pushed
  /** What its two outermost stations need. */
  by: readonly [number, number]
  /** Misalignment at the coupling now, once the machines before it are moved, and in the end. */
  now: PlaneLine
  goal: PlaneLine
  watches: (Watch & { state: ProbeState; now: number; goal: number })[]
  steps: Stop[]
  creep: Creep | undefined
  /** Where one foot alone makes the machine parallel to its line; none where it is so already. */
  parallel: ParallelStop | undefined
  /** How well each foot is known from the probes while it is moved. */
  doubt: readonly [number, number]
}

/**
 * The work at a machine, or undefined where nothing has to be moved there, or nothing tells.
 *
 * @param how.before machines that are moved already when this one is begun
 * @param how.first which of the two stations is moved first
 * @param how.side from where sideways work is watched; the goals change sign with it
 */
export function boltWork(
  solved: JobSolution,
  plan: JobPlan,
  machine: string,
  plane: Plane,
  {
    before = [],
    first = 0,
    side: watchSide = 'far',
  }: { before?: readonly string[]; first?: 0 | 1; side?: WatchSide } = {},
): BoltWork | undefined {
  const { train, solution } = solved
  const m = train.machines.findIndex(({ id }) => id === machine)
  const c = couplingToward(solved, m)
  const coupling = train.couplings[c]
  const result = solution.couplings[c]?.result
  const feet = [...(train.machines[m]?.feet ?? [])].sort((a, b) => a.x - b.x)
  const [low, high] = [feet[0], feet.at(-1)]
  if (!coupling || !result?.ok || !low || !high || low.x === high.x) return undefined
  const move = (foot: string) => plan.moves.get(foot)?.[plane] ?? 0
  const by = [move(low.id), move(high.id)] as const
  const some = (machines: readonly string[]): Moves =>
    new Map(
      [...plan.moves].filter(([foot]) =>
        train.machines.some(({ id, feet: own }) => machines.includes(id) && own.some((one) => one.id === foot)),
      ),
    )
  const now = couplingAfter(train, solution, some(before), c)[plane]
  const goal = couplingAfter(train, solution, some([...before, machine]), c)[plane]
  if (!now || !goal) return undefined
  const side = coupling.left === m ? -1 : 1
  const at = watchedAt(plane, watchSide)
  const pushed: Pushed = {
    side,
    couplingX: coupling.x,
    bolts: [
      { foot: low.id, x: low.x },
      { foot: high.id, x: high.x },
    ],
  }
  const watches = solved.dials.flatMap((state) => {
    if (state.set.coupling !== coupling.id) return []
    const watch = watchOf(state, plane, at)
    return watch ? [{ ...watch, state, now: shows(watch, now), goal: shows(watch, goal) }] : []
  })
  return {
    machine,
    coupling: coupling.id,
    plane,
    at,
    pushed,
    by,
    now,
    goal,
    watches,
    steps: stops(pushed, now, by, watches, first),
    doubt: toGoDoubt(
      pushed,
      watches,
      watches.map(({ state }) => Math.max(sdMm(state.dial), state.step / 2)),
    ),
    creep: creep(pushed, by, watches, solved.resolution / 2),
    parallel: parallelStop(pushed, now, by, watches, first === 0 ? 1 : 0, solved.resolution / 2),
  }
}

/** The coupling by which a machine is aligned: the one toward the fixed machine, or its first. */
function couplingToward({ train }: JobSolution, m: number): number {
  const toward = m > train.fixed ? m - 1 : m < train.fixed ? m : m > 0 ? m - 1 : m
  return train.couplings.findIndex(({ left }) => left === toward)
}

/** A probe as it is watched: its weights at the angle where it stands; undefined where it feels nothing of that plane. */
function watchOf(state: ProbeState, plane: Plane, at: number): Watch | undefined {
  const { feels } = state
  if (!feels || state.dial.floats) return undefined
  const [sin, cos] = direction(at + feels.lead)
  const e = plane === 'horizontal' ? sin : cos
  if (Math.abs(e) < 0.5) return undefined
  return { id: state.id, weight: [feels.weight[0] * e, feels.weight[1] * e] }
}

/** Which order the numbers speak for, and why. Lengths in mm. */
export interface OrderAdvice {
  school: OrderSchool
  /** The dial that reads falsest for standing off the crown, by how much, and how far off it stands; and how near is near enough to lift. */
  crown: { state: ProbeState; low: number; sideways: number; radius: number; enough: number } | undefined
}

/**
 * Vertical first, as lifting disturbs the sideways place; sideways first where it stands so far off that a dial reads low on
 * top and at the bottom by more than its own graduation; both in one loosening where nothing has to be lifted by much.
 */
export function orderAdvice(solved: JobSolution): OrderAdvice {
  let crown: OrderAdvice['crown']
  for (const state of solved.dials) {
    if (probeKinds[state.dial.type].radius !== 'refines' || state.channel) continue
    const c = solved.train.couplings.findIndex(({ id }) => id === state.set.coupling)
    const coupling = solved.train.couplings[c]
    const result = solved.solution.couplings[c]?.result
    const x = solved.stations.x.get(state.dial.id)
    const radius = quantityMm(state.dial.radius) ?? (coupling?.diameter ?? 0) / 2
    if (!coupling || !result?.ok || x === undefined || radius <= 0) continue
    const [sideways] = separationAt(result.fit.misalignment, x - coupling.x)
    const low = offTheCrown(sideways, radius)
    if (low > graduationMm(state.dial) && low > (crown?.low ?? 0))
      crown = { state, low, sideways, radius, enough: crownWithin(graduationMm(state.dial), radius) }
  }
  return { school: crown ? 'sideways-first' : 'vertical-first', crown }
}

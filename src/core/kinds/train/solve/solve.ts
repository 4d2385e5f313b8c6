import { lineAt, type Plane, type PlaneLine, straight } from '../../../frame/axis'
import { type CouplingFit, type CouplingResult, fitCoupling } from '../../../shafts/coupling'
import { type Doubt, doubtsOf, inDoubt } from '../../../shafts/doubt'
import { tapeCovariance } from '../../../shafts/tape'
import { only, purposeOf, togetherOf } from '../../../shafts/together'
import { limitsOf } from '../../../verdict/limits'
import type { SlipGrade } from '../../../verdict/slipSpeed'
import { type Verdict, verdictOf } from '../../../verdict/verdict'
import type { Coupling, Train } from './model'
import { sdOfPlaces } from './moveSd'
import { type Chains, chainsFrom, planes, positionAt } from './positions'
import { fixedTarget, growthOf, heldTarget, machineGrowthAt, type TargetLine } from './targets'

/** A foot in one plane, mm. Position: where the axis above it is now, cold; move: what brings it to its target. */
export interface FootPlane {
  position: number
  /** Null where there is no line to move to: a held foot that the readings do not reach. */
  move: number | null
  /** Standard deviation of the move against the line it is measured from: 0 for a foot that is held. */
  moveSd: number
}

export interface FootSolution {
  machine: string
  foot: string
  x: number
  /** Null where the readings do not reach: that plane or a coupling on the way was not measured. */
  vertical: FootPlane | null
  horizontal: FootPlane | null
}

/** A set read with the coupling closed or running, solved and judged by itself. */
export interface CoupledCheck {
  /** Index into the coupling's sets. */
  set: number
  purpose: 'closed' | 'running'
  result: CouplingResult
  doubts: readonly Doubt[]
  verdict?: Verdict
}

export interface CouplingSolution {
  id: string
  /** What the readings say, or why they say nothing. */
  result: CouplingResult
  /** Why it is not to be trusted, whatever the numbers say; the verdict then is "can't tell". */
  doubts: readonly Doubt[]
  /** Absent where no limit is known or nothing was measured. */
  verdict?: Verdict
  /** What was read coupled up: beside the rest, never in it. */
  asCoupled: readonly CoupledCheck[]
}

export interface Solution {
  couplings: CouplingSolution[]
  /** Every foot of every machine, in the order of the train. */
  feet: FootSolution[]
  /** Position of each machine's axis at a station; for drawing. */
  chains: Chains
  /** Held feet that the readings do not reach, by plane: there is no line through them. */
  unreached: Record<Plane, readonly string[]>
}

/**
 * What stays: the fixed machine's axis; two feet (ids) in both planes; or nothing but a line, stated at x = 0 relative to the
 * fixed machine's cold axis, that all shafts shall lie on when they run.
 */
export type Stay =
  | { mode: 'fixed' }
  | { mode: 'hold'; feet: readonly [string, string] }
  | { mode: 'line'; line: Record<Plane, PlaneLine> }

/**
 * The whole job of arithmetic: readings in, misalignment, positions, moves, doubt and verdict out. A pure function of the
 * train; well under a millisecond for a job's worth of readings.
 *
 * @param tape standard deviation of a taped dimension, mm: what it adds to the doubt; 0 tells the readings' own doubt alone
 */
export function solveTrain(
  train: Train,
  stay: Stay = { mode: 'fixed' },
  grade: SlipGrade = 'standard',
  tape = 0,
): Solution {
  const couplings = train.couplings.map((coupling) => solveCoupling(train, coupling, grade, tape))
  const fits = new Map<string, CouplingFit>()
  for (const { id, result } of couplings) if (result.ok) fits.set(id, result.fit)
  const chains = chainsFrom(train, fits)
  return { couplings, chains, ...feetToward(train, chains, stay, tape) }
}

function solveCoupling(train: Train, coupling: Coupling, grade: SlipGrade, tape: number): CouplingSolution {
  const { id, sets, x } = coupling
  const { together, apart, engaged } = togetherOf(sets)
  const limits = limitsOf(train, coupling, grade)
  const judge = (fit: CouplingFit, growth: Record<Plane, PlaneLine>, doubts: readonly Doubt[]) =>
    limits ? { verdict: inDoubt(verdictOf(fit, coupling, limits, growth), doubts) } : {}
  const solve = (kept: readonly number[]) => {
    const own = only(sets, kept)
    const result = withTape(fitCoupling(own, x), tape)
    return { result, doubts: result.ok ? doubtsOf(result.fit, own) : [] }
  }
  const cold = growthAcross(train, coupling)
  const asCoupled = apart.map((set): CoupledCheck => {
    const read = sets[set]
    const purpose = read && purposeOf(read) === 'running' ? 'running' : 'closed'
    const { result, doubts } = solve([set])
    // what was read running has grown already
    const verdict = result.ok ? judge(result.fit, purpose === 'running' ? noGrowth : cold, doubts) : {}
    return { set, purpose, result, doubts, ...verdict }
  })
  const solved = solve(together)
  const doubts: readonly Doubt[] = [...solved.doubts, ...(engaged ? (['engaged'] as const) : [])]
  if (solved.result.ok) return { id, ...solved, doubts, ...judge(solved.result.fit, cold, doubts), asCoupled }
  const looked = together.length === 0 ? asCoupled.find(({ verdict }) => verdict)?.verdict : undefined
  if (together.length > 0 || asCoupled.length === 0) return { id, ...solved, asCoupled }
  return {
    id,
    result: {
      ok: false,
      message: 'Read with the coupling closed only: that plans no move. Release it and read again.',
    },
    doubts: ['engaged'],
    ...(looked ? { verdict: { ...inDoubt(looked, ['engaged']), byPlane: {} } } : {}),
    asCoupled,
  }
}

const noGrowth: Record<Plane, PlaneLine> = { vertical: straight, horizontal: straight }

/** The same solution with other feet, or a line, staying where it is. */
export const withStay = (train: Train, solution: Solution, stay: Stay, tape = 0): Solution => ({
  ...solution,
  ...feetToward(train, solution.chains, stay, tape),
})

function feetToward(train: Train, chains: Chains, stay: Stay, tape: number): Pick<Solution, 'feet' | 'unreached'> {
  const held = stay.mode === 'hold' ? heldPlaces(train, stay.feet) : undefined
  const unreached = (plane: Plane): string[] =>
    held?.flatMap(({ id, machine }) => (chains[plane][machine] ? [] : [id])) ?? []
  const open = { vertical: unreached('vertical'), horizontal: unreached('horizontal') }
  const target = targetOf(train, chains, stay)
  const feet = train.machines.flatMap((machine, m) =>
    machine.feet.map((foot): FootSolution => {
      const inPlane = (plane: Plane): FootPlane | null => {
        const links = chains[plane][m]
        if (!links) return null
        const { value, sd: known, slope } = positionAt(links, foot.x)
        if (stay.mode === 'fixed' && m === train.fixed) return { position: value, move: 0, moveSd: 0 }
        if (!held)
          return {
            position: value,
            move: target(plane, foot.x) - growthOf(foot, plane) - value,
            moveSd: Math.hypot(known, slope * tape),
          }
        if (open[plane].length > 0) return { position: value, move: null, moveSd: known }
        if (held.some(({ id }) => id === foot.id)) return { position: value, move: 0, moveSd: 0 }
        return {
          position: value,
          move: target(plane, foot.x) - growthOf(foot, plane) - value,
          moveSd: heldMoveSd(chains, plane, held, { machine: m, x: foot.x }, tape),
        }
      }
      return {
        machine: machine.id,
        foot: foot.id,
        x: foot.x,
        vertical: inPlane('vertical'),
        horizontal: inPlane('horizontal'),
      }
    }),
  )
  return { feet, unreached: open }
}

interface HeldPlace {
  id: string
  machine: number
  x: number
}

const heldPlaces = (train: Train, feet: readonly string[]): HeldPlace[] =>
  train.machines.flatMap((machine, m) =>
    machine.feet.filter(({ id }) => feet.includes(id)).map(({ id, x }) => ({ id, machine: m, x })),
  )

/**
 * Deviation of a move against the line through two held feet: `w_a·p_a + w_b·p_b − p`, with `w_b = (x − x_a)/(x_b − x_a)` and
 * `w_a = 1 − w_b`. The tape adds what each of the three stations, δ out, changes: `δ·w·(slope there − slope of the line)`.
 */
function heldMoveSd(
  chains: Chains,
  plane: Plane,
  [a, b]: readonly HeldPlace[],
  foot: { machine: number; x: number },
  tape: number,
): number {
  if (!a || !b || a.x === b.x) return 0
  const second = (foot.x - a.x) / (b.x - a.x)
  const places = [
    { ...a, weight: 1 - second },
    { ...b, weight: second },
    { ...foot, weight: -1 },
  ]
  const known = sdOfPlaces(chains, plane, places)
  if (tape === 0) return known
  const at = ({ machine, x }: { machine: number; x: number }) => positionAt(chains[plane][machine] ?? [], x)
  const along = (at(b).value - at(a).value) / (b.x - a.x)
  return Math.hypot(known, ...places.map((place) => tape * place.weight * (at(place).slope - along)))
}

/** The line all shafts shall lie on when they run, mm from the fixed machine's cold axis. */
export function targetOf(train: Train, chains: Chains, stay: Stay): TargetLine {
  const fixed = train.machines[train.fixed]
  if (stay.mode === 'line') return (plane, x) => lineAt(stay.line[plane], x)
  if (stay.mode === 'fixed') return fixed ? fixedTarget(fixed) : () => 0
  const held = train.machines.flatMap((machine, m) =>
    machine.feet
      .filter((foot) => stay.feet.includes(foot.id))
      .map((foot) => {
        const running = (plane: Plane) => positionAt(chains[plane][m] ?? [], foot.x).value + growthOf(foot, plane)
        return { x: foot.x, running: { vertical: running('vertical'), horizontal: running('horizontal') } }
      }),
  )
  return heldTarget(held)
}

/** The same result with what the tape adds to its covariance. */
function withTape(result: CouplingResult, sd: number): CouplingResult {
  if (!result.ok || sd === 0) return result
  const more = tapeCovariance(result.fit, sd)
  const covariance = result.fit.covariance.map((line, i) => line.map((value, j) => value + (more[i]?.[j] ?? 0)))
  return { ok: true, fit: { ...result.fit, covariance } }
}

/** Relative growth right − left at a coupling: what running adds to the cold misalignment. */
function growthAcross(train: Train, coupling: Coupling): Record<Plane, { offset: number; slope: number }> {
  const [left, right] = [train.machines[coupling.left], train.machines[coupling.left + 1]]
  const at = (plane: Plane, x: number) =>
    left && right ? machineGrowthAt(right, plane, x) - machineGrowthAt(left, plane, x) : 0
  const line = (plane: Plane) => {
    const offset = at(plane, coupling.x)
    return { offset, slope: at(plane, coupling.x + 1) - offset }
  }
  return { vertical: line('vertical'), horizontal: line('horizontal') }
}

export { planes }

import { type CouplingFit, type CouplingResult, fitCoupling } from '../fit/coupling'
import { tapeCovariance } from '../fit/tape'
import { lineAt, type Plane, type PlaneLine } from '../frame/axis'
import { type SlipGrade, slipSpeedLimits } from '../verdict/slipSpeed'
import { type Limits, type Verdict, verdictOf } from '../verdict/verdict'
import { type Chains, chainsFrom, planes, positionAt } from './positions'
import { fixedTarget, growthOf, heldTarget, machineGrowthAt, type TargetLine } from './targets'
import type { Coupling, Train } from './train'

/** A foot in one plane, mm. Position: where the axis above it is now, cold; move: what brings it to its target. */
export interface FootPlane {
  position: number
  move: number
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

export interface CouplingSolution {
  id: string
  /** What the readings say, or why they say nothing. */
  result: CouplingResult
  /** Absent where no limit is known or nothing was measured. */
  verdict?: Verdict
}

export interface Solution {
  couplings: CouplingSolution[]
  /** Every foot of every machine, in the order of the train. */
  feet: FootSolution[]
  /** Position of each machine's axis at a station; for drawing. */
  chains: Chains
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
  const results = train.couplings.map((coupling) => withTape(fitCoupling(coupling.sets, coupling.x), tape))
  const fits = new Map<string, CouplingFit>()
  train.couplings.forEach((coupling, i) => {
    const result = results[i]
    if (result?.ok) fits.set(coupling.id, result.fit)
  })
  const chains = chainsFrom(train, fits)
  const couplings = train.couplings.map((coupling, i): CouplingSolution => {
    const result = results[i] ?? { ok: false, message: 'Nothing has been read yet.' }
    const limits = limitsOf(train, coupling, grade)
    if (!result.ok || !limits) return { id: coupling.id, result }
    return { id: coupling.id, result, verdict: verdictOf(result.fit, coupling, limits, growthAcross(train, coupling)) }
  })
  return { couplings, feet: feetToward(train, chains, stay, tape), chains }
}

/** The same solution with other feet, or a line, staying where it is. */
export const withStay = (train: Train, solution: Solution, stay: Stay, tape = 0): Solution => ({
  ...solution,
  feet: feetToward(train, solution.chains, stay, tape),
})

function feetToward(train: Train, chains: Chains, stay: Stay, tape: number): FootSolution[] {
  const target = targetOf(train, chains, stay)
  return train.machines.flatMap((machine, m) =>
    machine.feet.map((foot): FootSolution => {
      const inPlane = (plane: Plane): FootPlane | null => {
        const links = chains[plane][m]
        if (!links) return null
        const { value, sd: known, slope } = positionAt(links, foot.x)
        const sd = Math.hypot(known, slope * tape)
        const stays = stay.mode === 'fixed' && m === train.fixed
        const move = stays ? 0 : target(plane, foot.x) - growthOf(foot, plane) - value
        return { position: value, move, moveSd: sd }
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

/** The limits that hold at a coupling: the maker's or site's figures first, else slip speed, else none known. */
export function limitsOf(train: Train, coupling: Coupling, grade: SlipGrade): Limits | undefined {
  if (train.tolerance) return { ...train.tolerance, source: 'figures' }
  if (train.rpm && coupling.diameter)
    return { ...limitsBySlip(train.rpm, coupling, coupling.diameter / 2, grade), source: 'slip-speed' }
  return undefined
}

/** A spacer takes an offset by leaning: what it allows is the allowed angle over the distance between its flex planes. */
function limitsBySlip(rpm: number, { flexPlanes }: Coupling, radius: number, grade: SlipGrade) {
  const limits = slipSpeedLimits(rpm, radius, grade)
  return flexPlanes ? { ...limits, offset: limits.slope * (flexPlanes[1] - flexPlanes[0]) } : limits
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

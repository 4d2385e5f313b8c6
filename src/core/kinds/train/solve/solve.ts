import { lineAt, type Plane, type PlaneLine } from '../../../quantity/axis'
import type { CouplingFit } from '../../../shafts/coupling'
import { type CouplingSolution, solveCoupling } from '../../../shafts/judged'
import { limitsOf } from '../../../verdict/limits'
import type { SlipGrade } from '../../../verdict/slipSpeed'
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
export type Pair = readonly [string, string]

/** Two feet that stay, in both planes or in each its own; a plane left out is told from the fixed machine. */
export type Held = Pair | Readonly<Partial<Record<Plane, Pair>>>

const isPair = (held: Held): held is Pair => Array.isArray(held)

/** The feet that a plan holds in a plane; undefined where it holds none there. */
export const heldIn = (stay: Stay, plane: Plane): Pair | undefined =>
  stay.mode === 'hold' ? (isPair(stay.feet) ? stay.feet : stay.feet[plane]) : undefined

export type Stay = { mode: 'fixed' } | { mode: 'hold'; feet: Held } | { mode: 'line'; line: Record<Plane, PlaneLine> }

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
  const couplings = train.couplings.map((coupling) =>
    solveCoupling(coupling, { limits: limitsOf(train, coupling, grade), growth: growthAcross(train, coupling), tape }),
  )
  const fits = new Map<string, CouplingFit>()
  for (const { id, result } of couplings) if (result.ok) fits.set(id, result.fit)
  const chains = chainsFrom(train, fits)
  return { couplings, chains, ...feetToward(train, chains, stay, tape) }
}

/** The same solution with other feet, or a line, staying where it is. */
export const withStay = (train: Train, solution: Solution, stay: Stay, tape = 0): Solution => ({
  ...solution,
  ...feetToward(train, solution.chains, stay, tape),
})

function feetToward(train: Train, chains: Chains, stay: Stay, tape: number): Pick<Solution, 'feet' | 'unreached'> {
  const places = (plane: Plane) => {
    const feet = heldIn(stay, plane)
    return feet && heldPlaces(train, feet)
  }
  const heldBy = { vertical: places('vertical'), horizontal: places('horizontal') }
  const unreached = (plane: Plane): string[] =>
    heldBy[plane]?.flatMap(({ id, machine }) => (chains[plane][machine] ? [] : [id])) ?? []
  const open = { vertical: unreached('vertical'), horizontal: unreached('horizontal') }
  const target = targetOf(train, chains, stay)
  const feet = train.machines.flatMap((machine, m) =>
    machine.feet.map((foot): FootSolution => {
      const inPlane = (plane: Plane): FootPlane | null => {
        const links = chains[plane][m]
        if (!links) return null
        const { value, sd: known, slope } = positionAt(links, foot.x)
        const held = heldBy[plane]
        if (stay.mode !== 'line' && !held && m === train.fixed) return { position: value, move: 0, moveSd: 0 }
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
  const through = (plane: Plane): TargetLine => {
    const pair = heldIn(stay, plane)
    if (!pair) return fixed ? fixedTarget(fixed) : () => 0
    const held = train.machines.flatMap((machine, m) =>
      machine.feet
        .filter((foot) => pair.includes(foot.id))
        .map((foot) => {
          const running = (own: Plane) => positionAt(chains[own][m] ?? [], foot.x).value + growthOf(foot, own)
          return { x: foot.x, running: { vertical: running('vertical'), horizontal: running('horizontal') } }
        }),
    )
    return heldTarget(held)
  }
  const lines = { vertical: through('vertical'), horizontal: through('horizontal') }
  return (plane, x) => lines[plane](plane, x)
}

/** Relative growth right − left at a coupling: what running adds to the cold misalignment. */
export function growthAcross(train: Train, coupling: Coupling): Record<Plane, { offset: number; slope: number }> {
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

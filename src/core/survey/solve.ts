import { contradicts } from '../fit/chiSquare'
import type { CouplingFit } from '../fit/coupling'
import { type Suspect, suspectsOf } from '../fit/suspects'
import { arcCovered } from '../frame/angles'
import { type Plane, type PlaneLine, planes } from '../frame/axis'
import { fromMm, toMm } from '../frame/units'
import { type Least, planLeast, usualMargin, withMoves } from '../moves/least'
import { type FootFacts, planMoves } from '../moves/plan'
import { planeOf } from '../moves/positions'
import type { SolveProgram } from '../moves/program'
import { type CouplingSolution, type FootPlane, type FootSolution, type Solution, solveTrain } from '../moves/solve'
import type { Coupling } from '../moves/train'
import { type Checked, refuse } from './fault'
import { type ReadSurvey, readSurvey } from './read'
import type { Result, ResultWarning } from './result'
import type { SurveyMeasurement } from './schema'
import { seatResult } from './seat'

/**
 * Survey document in, result document out; the one function behind the command line and `POST /api/solve`.
 * Bad input comes back as a fault with the path of the field and what was expected there.
 *
 * @param program solves mixed-integer programs; only a plan of the least moves asks for it
 */
export function solveSurvey(document: unknown, program?: SolveProgram): Checked<Result> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { survey, train, stay, measurementOf } = read.value
  const seat = survey.seat ? { seat: seatResult(survey) } : {}
  if (survey.measurements.length === 0) return { ok: true, value: { ...emptyResult(survey.units), ...seat } }
  const solution = solveTrain(train, stay)
  for (const { id, result } of solution.couplings) {
    const first = measurementOf.get(id)?.[0]
    if (!result.ok && first !== undefined) return refuse(`measurements.${first}`, result.message)
  }
  const shown = (mm: number) => fromMm(mm, survey.units.reading)
  const footPlane = (plane: FootPlane | null) =>
    plane && { position: shown(plane.position), move: shown(plane.move), moveSd: shown(plane.moveSd) }
  const found = suspectsIn(read.value, solution.couplings)
  const fixed = (survey.plan?.mode ?? 'fixed') === 'fixed'
  const listed = solution.feet.filter((foot) => !fixed || foot.machine !== survey.train.fixed)
  return {
    ok: true,
    value: {
      ...emptyResult(survey.units),
      ...seat,
      suspects: readingSuspects(found, shown),
      couplings: solution.couplings.map((coupling, c) => couplingResult(coupling, train.couplings[c], shown)),
      feet: listed.map(({ machine, foot, vertical, horizontal }) => ({
        machine,
        foot,
        vertical: footPlane(vertical),
        horizontal: footPlane(horizontal),
      })),
      probes: solution.couplings
        .flatMap(({ id, result }) =>
          result.ok
            ? result.fit.probes.map((probe) => ({
                measurement: measurementOf.get(id)?.[probe.set] ?? 0,
                probe: probe.probe,
                residuals: Array.from(probe.residuals, shown),
                closure: probe.closure === null ? null : shown(probe.closure),
              }))
            : [],
        )
        .sort((a, b) => a.measurement - b.measurement || a.probe - b.probe),
      ...(survey.plan ? { plan: planResult(read.value, solution, listed, shown, program) } : {}),
      warnings: [...warningsFor(read.value, solution.couplings), ...sagWarnings(found)],
    },
  }
}

function leastOf(
  { plan }: ReadSurvey['survey'],
  train: ReadSurvey['train'],
  solution: Solution,
  facts: ReadonlyMap<string, FootFacts>,
  program: SolveProgram | undefined,
): Least | undefined {
  if (plan?.mode !== 'least') return undefined
  if (!program) throw new Error('a plan of the least moves needs a solver of programs')
  return planLeast(train, solution, facts, program, { margin: plan.margin ?? usualMargin })
}

/** The plan of a survey: fixed machine, held feet or least moves; reading units in, reading units out. */
function planResult(
  { survey, train }: ReadSurvey,
  solution: Solution,
  listed: readonly FootSolution[],
  shown: (mm: number) => number,
  program: SolveProgram | undefined,
): NonNullable<Result['plan']> {
  const mm = (value: number) => toMm(value, survey.units.reading)
  const facts = new Map(
    survey.train.machines.flatMap((machine) =>
      machine.feet.map(({ id, limits, pack }): [string, FootFacts] => [
        id,
        {
          pack: pack?.map(mm),
          limits:
            limits &&
            Object.fromEntries(
              Object.entries(limits).flatMap(([way, far]) => (far === undefined ? [] : [[way, mm(far)]])),
            ),
        },
      ]),
    ),
  )
  const least = leastOf(survey, train, solution, facts, program)
  const planned = least ? withMoves(solution, least) : solution
  const plan = planMoves(train, planned, facts, (survey.plan?.stock ?? []).map(mm), survey.plan?.maxShims ?? 4)
  const blocking = least ? planes.flatMap((plane) => least[plane].blocking) : plan.blocking
  const line = (left: PlaneLine | null) => left && { offset: shown(left.offset), slope: left.slope }
  const told = (move: number | null) => (move === null ? null : shown(move))
  return {
    feasible: least ? planes.every((plane) => least[plane].feasible) : plan.feasible,
    ...(blocking.length ? { blocking: blocking.map(({ foot, limit }) => ({ foot, limit })) } : {}),
    feet: plan.feet
      .filter(({ foot }) => listed.some((one) => one.foot === foot))
      .map(({ foot, vertical, horizontal, pack }) => ({
        foot,
        vertical: told(vertical),
        horizontal: told(horizontal),
        ...(pack ? { pack: pack.shims.map((size) => tidy(shown(size))), residual: shown(pack.residual) } : {}),
      })),
    left: Object.fromEntries(
      plan.left.map(({ coupling, vertical, horizontal }) => [
        coupling,
        { vertical: line(vertical), horizontal: line(horizontal) },
      ]),
    ),
  }
}

/** A shim's thickness as it stands in the stock list, without what changing units leaves behind. */
const tidy = (value: number): number => Number(value.toPrecision(12))

const emptyResult = (units: Result['units']): Result => ({
  format: 'vane-peg.result',
  version: 1,
  units,
  couplings: [],
  feet: [],
  probes: [],
  suspects: [],
  warnings: [],
})

function couplingResult(
  { id, result, verdict }: CouplingSolution,
  coupling: Coupling | undefined,
  shown: (mm: number) => number,
): Result['couplings'][number] {
  const inPlane = (plane: Plane, fit: CouplingFit) => {
    const found = coupling && planeOf(fit, plane, coupling.x)
    if (!found) return null
    const [[offset], [, slope]] = found.covariance
    return {
      offset: shown(found.line.offset),
      offsetSd: shown(Math.sqrt(offset)),
      slope: found.line.slope,
      slopeSd: Math.sqrt(slope),
    }
  }
  if (!result.ok) return { id, vertical: null, horizontal: null }
  return {
    id,
    vertical: inPlane('vertical', result.fit),
    horizontal: inPlane('horizontal', result.fit),
    ...(verdict
      ? {
          verdict: {
            state: verdict.state,
            probability: verdict.probability,
            offsetLimit: shown(verdict.limits.offset),
            slopeLimit: verdict.limits.slope,
          },
        }
      : {}),
  }
}

/** Two graduations of the probe's dial, mm: how far a dial may fail to close before it is said. */
function closureLimit(probe: SurveyMeasurement['probes'][number], unit: Parameters<typeof toMm>[1]): number {
  const graduation = probe.graduation ?? (probe.sd ? 2 * probe.sd : undefined)
  return 2 * (graduation === undefined ? 0.01 : toMm(graduation, unit))
}

/** Single slips that would explain readings which do not fit, best first within each coupling. */
function suspectsIn({ survey, measurementOf, train }: ReadSurvey, solved: readonly CouplingSolution[]): Found[] {
  const { reading } = survey.units
  return solved.flatMap(({ id, result }, c) => {
    const sets = train.couplings[c]?.sets ?? []
    const source = (set: number, probe: number) =>
      survey.measurements[measurementOf.get(id)?.[set] ?? -1]?.probes[probe]
    return suspectsOf(
      sets,
      (set, probe) => {
        const found = source(set, probe)
        const turn = found && 'turn' in found && found.turn ? toMm(found.turn, reading) : undefined
        return { limit: found ? closureLimit(found, reading) : 0.02, turn }
      },
      result.ok ? result.fit : undefined,
    ).map((suspect) => ({ measurement: measurementOf.get(id)?.[suspect.set] ?? 0, suspect }))
  })
}

interface Found {
  measurement: number
  suspect: Suspect
}

/** The slips of single readings; those of a whole probe's sag are told as warnings. */
const readingSuspects = (found: readonly Found[], shown: (mm: number) => number): Result['suspects'] =>
  found.flatMap(({ measurement, suspect: { probe, reading, fault, would, closure } }) =>
    fault === 'sag-sign' || fault === 'sag-missing'
      ? []
      : [
          {
            measurement,
            probe,
            reading,
            fault,
            would: shown(would),
            closure: closure === null ? null : shown(closure),
          },
        ],
  )

function warningsFor(
  { survey, train, measurementOf }: ReadSurvey,
  solved: readonly CouplingSolution[],
): ResultWarning[] {
  const warnings: ResultWarning[] = []
  survey.measurements.forEach((measurement, m) => {
    if (measurement.state === 'engaged')
      warnings.push({
        code: 'engaged',
        message: `measurements.${m}: the coupling was engaged, so the shafts bend toward each other; not fit for planning a move`,
      })
    const arc = arcCovered(measurement.probes.flatMap((probe) => probe.readings.map(([angle]) => angle)))
    if (arc < 180)
      warnings.push({
        code: 'short-arc',
        message: `measurements.${m}: the readings cover only ${Math.round(arc)}° of the turn; the moves are less sure than over half a turn`,
      })
  })
  for (const { id, result } of solved) {
    if (!result.ok) {
      warnings.push({ code: 'not-measured', message: `coupling ${id}: nothing was read here` })
      continue
    }
    const { squares, free } = result.fit.left
    const closes = result.fit.probes.every(({ set, probe, closure }) => {
      const source = survey.measurements[measurementOf.get(id)?.[set] ?? -1]?.probes[probe]
      return closure === null || !source || Math.abs(closure) <= closureLimit(source, survey.units.reading) + 1e-9
    })
    if (closes && contradicts({ squares, free }))
      warnings.push({
        code: 'not-fitting',
        message: `coupling ${id}: the readings contradict each other by more than their standard deviations allow (χ² ${squares.toFixed(0)} with ${free} free)`,
      })
    for (const plane of planes)
      if (!result.fit.measured.includes(plane))
        warnings.push({ code: 'one-plane', message: `coupling ${id}: the ${plane} plane was not measured` })
    for (const { set, probe, closure } of result.fit.probes) {
      const m = measurementOf.get(id)?.[set] ?? 0
      const source = survey.measurements[m]?.probes[probe]
      if (closure === null || !source) continue
      const limit = closureLimit(source, survey.units.reading)
      if (Math.abs(closure) > limit + 1e-9)
        warnings.push({
          code: 'not-closed',
          message: `measurements.${m}.probes.${probe}: top + bottom differs from far + near by ${fromMm(closure, survey.units.reading).toPrecision(3)} ${survey.units.reading}; two graduations are allowed`,
        })
    }
  }
  if (train.rpm === undefined && !train.tolerance)
    warnings.push({ code: 'no-limit', message: 'no speed and no tolerance given: no verdict' })
  return warnings
}

const sagWarnings = (found: readonly Found[]): ResultWarning[] =>
  found.flatMap(({ measurement, suspect: { fault, probe } }) =>
    fault === 'sag-sign' || fault === 'sag-missing'
      ? [
          {
            code: 'sag',
            message: `measurements.${measurement}.probes.${probe}.sag: ${fault === 'sag-sign' ? 'its sign turned over' : 'a sag left out'} would explain the contradiction`,
          },
        ]
      : [],
  )

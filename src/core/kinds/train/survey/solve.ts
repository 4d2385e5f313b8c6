import { arcCovered } from '../../../frame/angles'
import { type Plane, type PlaneLine, planes } from '../../../frame/axis'
import { type Checked, refuse } from '../../../frame/fault'
import { fromMm, toMm } from '../../../frame/units'
import type { FootFacts } from '../../../least/facts'
import type { SolveProgram } from '../../../least/program'
import { seatResult, seatWarnings, softFeet } from '../../../seat/survey'
import { closureLimitOf } from '../../../shafts/closure'
import { type Suspect, suspectsOf } from '../../../shafts/suspects'
import { only, togetherOf } from '../../../shafts/together'
import { type LimitMissing, limitsMissing } from '../../../verdict/limits'
import type { Verdict } from '../../../verdict/verdict'
import { planMoves } from '../plan/exact'
import { type Least, planLeast, usualMargin, withMoves } from '../plan/least'
import type { Coupling } from '../solve/model'
import { planeOf } from '../solve/positions'
import { type CouplingSolution, type FootPlane, type FootSolution, type Solution, solveTrain } from '../solve/solve'
import { type ReadSurvey, readSurvey } from './read'
import type { Result, ResultVerdict, ResultWarning } from './result'

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
  const solution = solveTrain(train, stay)
  const seats = survey.seat ? seatResult(survey, solution) : undefined
  const seat = seats ? { seat: seats } : {}
  if (survey.measurements.length === 0)
    return { ok: true, value: { ...emptyResult(survey.units), ...seat, warnings: seatWarnings(survey, seats) } }
  const refused = solution.couplings.flatMap((coupling, c) => unsolvable(read.value, coupling, c))[0]
  if (refused) return refused
  const shown = (mm: number) => fromMm(mm, survey.units.reading)
  const footPlane = (plane: FootPlane | null) =>
    plane && {
      position: shown(plane.position),
      move: plane.move === null ? null : shown(plane.move),
      moveSd: plane.move === null ? null : shown(plane.moveSd),
    }
  const found = suspectsIn(read.value, solution.couplings)
  const fixed = (survey.plan?.mode ?? 'fixed') === 'fixed'
  const listed = solution.feet.filter((foot) => !fixed || foot.machine !== survey.train.fixed)
  return {
    ok: true,
    value: {
      ...emptyResult(survey.units),
      ...seat,
      suspects: readingSuspects(found, shown),
      couplings: solution.couplings.map((coupling, c) =>
        couplingResult(coupling, train.couplings[c], shown, measurementOf.get(coupling.id) ?? []),
      ),
      feet: listed.map(({ machine, foot, vertical, horizontal }) => ({
        machine,
        foot,
        vertical: footPlane(vertical),
        horizontal: footPlane(horizontal),
      })),
      probes: solution.couplings
        .flatMap(({ id, result, asCoupled }) =>
          [result, ...asCoupled.map((check) => check.result)].flatMap((one) =>
            one.ok
              ? one.fit.probes.map((probe) => ({
                  measurement: measurementOf.get(id)?.[probe.set] ?? 0,
                  probe: probe.probe,
                  residuals: Array.from(probe.residuals, shown),
                  closure: probe.closure === null ? null : shown(probe.closure),
                }))
              : [],
          ),
        )
        .sort((a, b) => a.measurement - b.measurement || a.probe - b.probe),
      ...(survey.plan ? { plan: planResult(read.value, solution, listed, shown, program, seats) } : {}),
      warnings: [
        ...warningsFor(read.value, solution.couplings),
        ...heldWarnings(solution),
        ...sagWarnings(found),
        ...seatWarnings(survey, seats),
      ],
    },
  }
}

/** A measurement that says nothing, by its path. */
function unsolvable(
  { measurementOf, train }: ReadSurvey,
  { id, result, asCoupled }: CouplingSolution,
  c: number,
): ReturnType<typeof refuse>[] {
  const measurements = measurementOf.get(id) ?? []
  const { together } = togetherOf(train.couplings[c]?.sets ?? [])
  const first = together[0] === undefined ? undefined : measurements[together[0]]
  const failed = !result.ok && first !== undefined ? [refuse(`measurements.${first}`, result.message)] : []
  const apart = asCoupled.flatMap((check) =>
    check.result.ok ? [] : [refuse(`measurements.${measurements[check.set]}`, check.result.message)],
  )
  return [...failed, ...apart]
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
  seats: Result['seat'],
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
  const plan = planMoves(train, planned, facts, {
    stock: (survey.plan?.stock ?? []).map(mm),
    mostShims: survey.plan?.maxShims ?? 4,
    softFoot: new Map([...softFeet(survey, seats).under].map(([foot, shim]) => [foot, mm(shim)])),
  })
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
  { id, result, verdict, asCoupled }: CouplingSolution,
  coupling: Coupling | undefined,
  shown: (mm: number) => number,
  measurements: readonly number[],
): Result['couplings'][number] {
  const inPlane = (plane: Plane, solved: CouplingSolution['result']) => {
    const found = coupling && solved.ok && planeOf(solved.fit, plane, coupling.x)
    if (!found) return null
    const [[offset], [, slope]] = found.covariance
    return {
      offset: shown(found.line.offset),
      offsetSd: shown(Math.sqrt(offset)),
      slope: found.line.slope,
      slopeSd: Math.sqrt(slope),
    }
  }
  const told = (one: Verdict | undefined): { verdict?: ResultVerdict } =>
    one
      ? {
          verdict: {
            state: one.state,
            probability: one.probability,
            offsetLimit: shown(one.limits.offset),
            slopeLimit: one.limits.slope,
          },
        }
      : {}
  return {
    id,
    vertical: inPlane('vertical', result),
    horizontal: inPlane('horizontal', result),
    ...told(verdict),
    ...(asCoupled.length
      ? {
          asCoupled: asCoupled.map((check) => ({
            measurement: measurements[check.set] ?? 0,
            purpose: check.purpose,
            vertical: inPlane('vertical', check.result),
            horizontal: inPlane('horizontal', check.result),
            ...told(check.verdict),
          })),
        }
      : {}),
  }
}

/** Single slips that would explain readings which do not fit, best first within each coupling. */
function suspectsIn({ survey, measurementOf, train }: ReadSurvey, solved: readonly CouplingSolution[]): Found[] {
  const { reading } = survey.units
  return solved.flatMap(({ id, result, asCoupled }, c) => {
    const sets = train.couplings[c]?.sets ?? []
    const { together } = togetherOf(sets)
    const source = (set: number, probe: number) =>
      survey.measurements[measurementOf.get(id)?.[set] ?? -1]?.probes[probe]
    const among = (kept: readonly number[], of: CouplingSolution['result']) =>
      suspectsOf(
        only(sets, kept),
        (set, probe) => {
          const found = source(set, probe)
          const turn = found && 'turn' in found && found.turn ? toMm(found.turn, reading) : undefined
          const read = sets[set]?.probes[probe]
          return { limit: read ? closureLimitOf(read) : 0.02, turn }
        },
        of.ok ? of.fit : undefined,
      ).map((suspect) => ({ measurement: measurementOf.get(id)?.[suspect.set] ?? 0, suspect }))
    return [...among(together, result), ...asCoupled.flatMap((check) => among([check.set], check.result))]
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
  const { reading } = survey.units
  survey.measurements.forEach((measurement, m) => {
    const coupled = measurement.state === 'engaged' || ['closed', 'running'].includes(measurement.purpose ?? '')
    if (coupled)
      warnings.push({
        code: 'engaged',
        message: `measurements.${m}: the coupling was engaged, so the shafts bend toward each other; ${measurement.purpose === 'plan' || measurement.purpose === 'repeat' ? 'moves are planned from it as the document asks, the verdict cannot be told' : 'judged by itself as coupled, not fit for planning a move'}`,
      })
    const arc = arcCovered(measurement.probes.flatMap((probe) => probe.readings.map(([angle]) => angle)))
    if (arc < 180 && measurement.zeroed !== 'halved')
      warnings.push({
        code: 'short-arc',
        message: `measurements.${m}: the readings cover only ${Math.round(arc)}° of the turn; the moves are less sure than over half a turn`,
      })
  })
  solved.forEach(({ id, result, doubts, asCoupled }, c) => {
    const coupling = train.couplings[c]
    const missing = coupling ? limitsMissing(train, coupling) : []
    if (missing.length > 0)
      warnings.push({
        code: 'no-limit',
        message: `coupling ${id}: no verdict, as ${missingWords(missing)} is not given`,
      })
    const measurements = measurementOf.get(id) ?? []
    const checks = [{ result, doubts }, ...asCoupled].filter((check) => check.result.ok || check.doubts.length > 0)
    if (checks.length === 0) {
      warnings.push({ code: 'not-measured', message: `coupling ${id}: nothing was read here` })
      return
    }
    for (const check of checks) {
      if (!check.result.ok) continue
      const { fit } = check.result
      if (check.doubts.includes('contradiction') && !check.doubts.includes('not-closed'))
        warnings.push({
          code: 'not-fitting',
          message: `coupling ${id}: the readings contradict each other by more than their standard deviations allow (χ² ${fit.left.squares.toFixed(0)} with ${fit.left.free} free)`,
        })
      for (const plane of planes)
        if (!fit.measured.includes(plane))
          warnings.push({ code: 'one-plane', message: `coupling ${id}: the ${plane} plane was not measured` })
      for (const { set, probe, closure } of fit.probes) {
        const read = coupling?.sets[set]?.probes[probe]
        if (closure === null || !read || Math.abs(closure) <= closureLimitOf(read) + 1e-9) continue
        warnings.push({
          code: 'not-closed',
          message: `measurements.${measurements[set] ?? 0}.probes.${probe}: top + bottom differs from far + near by ${fromMm(closure, reading).toPrecision(3)} ${reading}; two graduations are allowed`,
        })
      }
    }
  })
  return warnings
}

const missingWords = (missing: readonly LimitMissing[]): string =>
  missing
    .map((one) => (one === 'speed' ? 'the speed' : one === 'diameter' ? 'its diameter' : 'a figure for its offset'))
    .join(' or ')

/** Held feet that no reading reaches: nothing is moved toward a place nobody measured. */
const heldWarnings = ({ unreached }: Solution): ResultWarning[] =>
  planes.flatMap((plane) =>
    unreached[plane].map(
      (foot): ResultWarning => ({
        code: 'held-not-reached',
        message: `foot ${foot} is held, but no reading reaches it in the ${plane} plane: no line, so no moves there`,
      }),
    ),
  )

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

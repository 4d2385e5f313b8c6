import { anglesTold, goesRound, type Probe } from '../../probes'
import { arcCovered } from '../../quantity/angles'
import { type Plane, planes } from '../../quantity/axis'
import { refuse } from '../../quantity/fault'
import type { Units } from '../../quantity/openFormat'
import type { Lack } from '../../quantity/trouble'
import { fromMm, toMm } from '../../quantity/units'
import type { LimitMissing } from '../../verdict/limits'
import type { Verdict } from '../../verdict/verdict'
import { closureLimitOf } from '../closure'
import type { CouplingSolution } from '../judged'
import { planeOf } from '../plane'
import { type Suspect, suspectsOf } from '../suspects'
import type { ReadingSet } from '../together'
import { only, togetherOf } from '../together'
import type { ResultCoupling, ResultProbe, ResultSuspect, ResultVerdict, ResultWarning } from './result'
import type { SurveyMeasurement } from './schema'

/** A coupling of a document, read and solved. */
export interface SolvedCoupling {
  id: string
  x: number
  sets: readonly ReadingSet[]
  solution: CouplingSolution
  /** What would have to be given for a verdict. */
  missing: readonly LimitMissing[]
  /** Where each of its sets stands in the document's `measurements`. */
  measurements: readonly number[]
}

/** A document with couplings: what was measured, and what came of it. */
export interface SolvedSurvey {
  units: Units
  measurements: readonly SurveyMeasurement[]
  couplings: readonly SolvedCoupling[]
}

/** What a result document says of its couplings, probes and readings, with warnings; reading units. */
export function shaftsResult(solved: SolvedSurvey): {
  couplings: ResultCoupling[]
  probes: ResultProbe[]
  suspects: ResultSuspect[]
  warnings: ResultWarning[]
} {
  const shown = (mm: number) => fromMm(mm, solved.units.reading)
  const found = solved.couplings.flatMap((coupling) => suspectsIn(solved, coupling))
  return {
    couplings: solved.couplings.map((coupling) => couplingResult(coupling, shown)),
    probes: solved.couplings
      .flatMap(({ sets, measurements, solution: { result, asCoupled } }) =>
        [result, ...asCoupled.map((check) => check.result)].flatMap((one) =>
          one.ok
            ? one.fit.probes.map((probe) => ({
                measurement: measurements[probe.set] ?? 0,
                probe: probe.probe,
                residuals: Array.from(probe.residuals, (mm, i) =>
                  shownOf(sets[probe.set]?.probes[probe.probe], mm, i, shown),
                ),
                closure: probe.closure === null ? null : shown(probe.closure),
              }))
            : [],
        ),
      )
      .sort((a, b) => a.measurement - b.measurement || a.probe - b.probe),
    suspects: readingSuspects(solved, found, shown),
    warnings: [...warningsFor(solved), ...sagWarnings(found)],
  }
}

/** A measurement that says nothing, by its path. */
export function unsolvable({
  sets,
  measurements,
  solution: { result, asCoupled },
}: SolvedCoupling): ReturnType<typeof refuse>[] {
  const { together } = togetherOf(sets)
  const first = together[0] === undefined ? undefined : measurements[together[0]]
  const failed = !result.ok && first !== undefined ? [refuse(`measurements.${first}`, lackTexts[result.lack])] : []
  const apart = asCoupled.flatMap((check) =>
    check.result.ok ? [] : [refuse(`measurements.${measurements[check.set]}`, lackTexts[check.result.lack])],
  )
  return [...failed, ...apart]
}

function couplingResult(
  { id, x, measurements, solution: { result, verdict, asCoupled } }: SolvedCoupling,
  shown: (mm: number) => number,
): ResultCoupling {
  const inPlane = (plane: Plane, solved: CouplingSolution['result']) => {
    const found = solved.ok && planeOf(solved.fit, plane, x)
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
function suspectsIn(
  { units, measurements: told }: SolvedSurvey,
  { sets, measurements, solution: { result, asCoupled } }: SolvedCoupling,
): Found[] {
  const { together } = togetherOf(sets)
  const among = (kept: readonly number[], of: CouplingSolution['result']) =>
    suspectsOf(
      only(sets, kept),
      (set, probe) => {
        const found = told[measurements[set] ?? -1]?.probes[probe]
        const turn = found && 'turn' in found && found.turn ? toMm(found.turn, units.reading) : undefined
        const read = sets[set]?.probes[probe]
        return { limit: read ? closureLimitOf(read) : 0.02, turn }
      },
      of.ok ? of.fit : undefined,
    ).map((suspect) => ({ measurement: measurements[suspect.set] ?? 0, suspect }))
  return [...among(together, result), ...asCoupled.flatMap((check) => among([check.set], check.result))]
}

interface Found {
  measurement: number
  suspect: Suspect
}

/** A number of a probe in the document's own units: the gap of an instrument's own result as the slope it stands for. */
const shownOf = (probe: Probe | undefined, mm: number, at: number, shown: (mm: number) => number): number =>
  probe?.type === 'result' && at % 2 === 1 ? mm / probe.diameter : shown(mm)

/** The slips of single readings; those of a whole probe's sag are told as warnings. */
const readingSuspects = (
  { couplings }: SolvedSurvey,
  found: readonly Found[],
  shown: (mm: number) => number,
): ResultSuspect[] =>
  found.flatMap(({ measurement, suspect: { probe, reading, channel, fault, would, closure } }) => {
    const of = couplings.flatMap(
      ({ sets, measurements }) => sets[measurements.indexOf(measurement)]?.probes[probe] ?? [],
    )[0]
    return fault === 'sag-sign' || fault === 'sag-missing'
      ? []
      : [
          {
            measurement,
            probe,
            reading,
            fault,
            ...(of?.type === 'result' ? { number: channel === 0 ? ('offset' as const) : ('slope' as const) } : {}),
            would: shownOf(of, would, channel, shown),
            closure: closure === null ? null : shown(closure),
          },
        ]
  })

function warningsFor({ units, measurements: told, couplings }: SolvedSurvey): ResultWarning[] {
  const warnings: ResultWarning[] = []
  const { reading } = units
  told.forEach((measurement, m) => {
    const coupled = measurement.state === 'engaged' || ['closed', 'running'].includes(measurement.purpose ?? '')
    if (coupled)
      warnings.push({
        code: 'engaged',
        message: `measurements.${m}: the coupling was engaged, so the shafts bend toward each other; ${measurement.purpose === 'plan' || measurement.purpose === 'repeat' ? 'moves are planned from it as requested; no verdict' : 'judged separately; not used to plan moves'}`,
      })
    const round = measurement.probes.filter(goesRound)
    const arc = arcCovered(round.flatMap(anglesTold))
    if (round.length > 0 && arc < 180 && measurement.zeroed !== 'halved')
      warnings.push({
        code: 'short-arc',
        message: `measurements.${m}: the readings cover only ${Math.round(arc)}° of the turn, so the moves are less sure than over half a turn`,
      })
  })
  couplings.forEach(({ id, sets, missing, measurements, solution: { result, doubts, asCoupled } }) => {
    if (missing.length > 0)
      warnings.push({
        code: 'no-limit',
        message: `coupling ${id}: no verdict: ${missingWords(missing)} missing`,
      })
    const checks = [{ result, doubts }, ...asCoupled].filter((check) => check.result.ok || check.doubts.length > 0)
    if (checks.length === 0) {
      warnings.push({ code: 'not-measured', message: `coupling ${id}: no readings` })
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
        const read = sets[set]?.probes[probe]
        if (check.doubts.includes('no-sag') && read?.sagUnknown)
          warnings.push({
            code: 'no-sag',
            message: `measurements.${measurements[set] ?? 0}.probes.${probe}.sag: not entered and solved as zero, so heights and vertical moves that depend on it are uncertain`,
          })
        if (closure === null || !read || Math.abs(closure) <= closureLimitOf(read) + 1e-9) continue
        warnings.push({
          code: 'not-closed',
          message: `measurements.${measurements[set] ?? 0}.probes.${probe}: top + bottom differs from far + near by ${fromMm(closure, reading).toPrecision(3)} ${reading}; ${fromMm(closureLimitOf(read), reading).toPrecision(2)} is allowed`,
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

const sagWarnings = (found: readonly Found[]): ResultWarning[] =>
  found.flatMap(({ measurement, suspect: { fault, probe } }) =>
    fault === 'sag-sign' || fault === 'sag-missing'
      ? [
          {
            code: 'sag',
            message: `measurements.${measurement}.probes.${probe}.sag: ${fault === 'sag-sign' ? 'its sign reversed' : 'a sag left out'} would explain the contradiction`,
          },
        ]
      : [],
  )

/** The format's own sentences: what a document says is wrong with it, always in English. */
const lackTexts: Readonly<Record<Lack, string>> = {
  'nothing-read': 'expected at least one reading',
  'faces-alone':
    'expected a rim dial or a beam at a known station as well as the face dials, which do not give the offset',
  'one-angle': 'expected readings at three angles or more, or at top and bottom, found one angle',
  'two-angles': 'expected readings at three angles or more, or at top and bottom, found two angles',
  'one-station': 'expected a second station or a face dial: one station gives the offset there but not the slope',
  'too-few-angles': 'expected each probe to be read at three angles or more, or at the top and the bottom',
  'out-of-proportion': 'a dimension or reading is far out of range',
  'connected-only': 'expected readings with the coupling disconnected: connected readings can’t plan a move',
}

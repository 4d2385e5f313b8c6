import { anglesTold } from '../../../probes'
import { type Plane, type PlaneLine, planes } from '../../../quantity/axis'
import { type Checked, refuse } from '../../../quantity/fault'
import { checkSurvey, tidyShim, type Units } from '../../../quantity/openFormat'
import { fromMm, toMm } from '../../../quantity/units'
import { solveCoupling } from '../../../shafts/judged'
import { betweenPlanes, setOfSurvey } from '../../../shafts/survey/read'
import type { ResultCoupling, ResultProbe, ResultSuspect, ResultWarning } from '../../../shafts/survey/result'
import { shaftsResult, unsolvable } from '../../../shafts/survey/solve'
import { limitsMissing, limitsOf } from '../../../verdict/limits'
import { type Flange, flangeWork } from '../solve/flange'
import { surveySchema, type UprightSurvey } from './schema'

/** The open result document of an upright pair, version 1; docs/format.md explains every field. */
export interface UprightResult {
  format: 'vane-peg.result'
  version: 1
  kind: 'upright'
  units: Units
  couplings: ResultCoupling[]
  feet: []
  probes: ResultProbe[]
  suspects: ResultSuspect[]
  flange: {
    /** Null in a bolt's numbers where a plane was not measured. */
    bolts: { bolt: number; lift: number | null; shim: number | null; pack?: number[] }[]
    rise: number | null
    push: { y: number | null; z: number | null; size: number | null; angle: number | null }
    fits: boolean | null
    left?: Record<Plane, PlaneLine>
  }
  warnings: ResultWarning[]
}

/** Reads a document: schema first, then what a schema cannot say, each fault by its path. */
export function readSurvey(document: unknown): Checked<UprightSurvey> {
  const checked = checkSurvey(surveySchema, document)
  if (!checked.ok) return checked
  const { train, measurements, flange } = checked.value
  const [lower, upper] = train.machines
  const [coupling] = train.couplings
  if (lower.id === upper.id) return refuse('train.machines.1.id', 'expected a unique id')
  if (train.fixed !== lower.id) return refuse('train.fixed', `expected ${lower.id}, the lower machine`)
  if (coupling.left !== lower.id) return refuse('train.couplings.0.left', `expected ${lower.id}, the lower machine`)
  if (coupling.right !== upper.id) return refuse('train.couplings.0.right', `expected ${upper.id}, the upper machine`)
  if (flange.on !== upper.id) return refuse('flange.on', `expected ${upper.id}, the upper machine`)
  const between = betweenPlanes(measurements)
  if (between) return between
  for (const [m, measurement] of measurements.entries()) {
    if (measurement.coupling !== coupling.id) return refuse(`measurements.${m}.coupling`, `expected ${coupling.id}`)
    for (const [p, probe] of measurement.probes.entries()) {
      const at = `measurements.${m}.probes.${p}`
      if ('on' in probe && probe.on !== lower.id && probe.on !== upper.id)
        return refuse(`${at}.on`, `expected ${lower.id} or ${upper.id}, the machines at coupling ${coupling.id}`)
      if ('sag' in probe && probe.sag)
        return refuse(`${at}.sag`, 'expected no sag: nothing sags across a vertical shaft')
      if (anglesTold(probe).length === 0) return refuse(`${at}.readings`, 'expected at least one reading')
    }
  }
  return checked
}

/** Survey document of an upright pair in, result document out. Bad input comes back as a fault with the path of the field. */
export function solveSurvey(document: unknown): Checked<UprightResult> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { units, train, measurements, flange: told, plan } = read.value
  const length = (value: number) => toMm(value, units.length)
  const reading = (value: number) => toMm(value, units.reading)
  const shown = (mm: number) => fromMm(mm, units.reading)
  const shownOrNull = (mm: number | null) => (mm === null ? null : shown(mm))
  const [, upper] = train.machines
  const [{ id, x, diameter, flexPlanes }] = train.couplings
  const joint = {
    id,
    x: length(x),
    diameter: diameter === undefined ? undefined : length(diameter),
    flexPlanes: flexPlanes && ([length(flexPlanes[0]), length(flexPlanes[1])] as const),
    sets: measurements.map((one) => setOfSurvey(one, (on) => (on === upper.id ? 'right' : 'left'), units, length(x))),
  }
  const tolerance = train.tolerance && {
    slope: train.tolerance.slope,
    offset: train.tolerance.offset === undefined ? undefined : reading(train.tolerance.offset),
  }
  const allowed = { rpm: train.rpm, tolerance }
  const solution = solveCoupling(joint, { limits: limitsOf(allowed, joint, 'standard') })
  const coupling = {
    ...joint,
    solution,
    missing: limitsMissing(allowed, joint),
    measurements: measurements.map((_, m) => m),
  }
  const [refused] = unsolvable(coupling)
  if (refused) return refused
  const { warnings, ...said } = shaftsResult({ units, measurements, couplings: [coupling] })
  const flange: Flange = {
    height: length(told.x),
    circle: length(told.circle),
    bolts: told.bolts,
    spigot: told.spigot && {
      clearance: reading(told.spigot.clearance),
      offset: [reading(told.spigot.offset?.[0] ?? 0), reading(told.spigot.offset?.[1] ?? 0)],
    },
    stock: plan?.stock?.map(reading),
    mostShims: plan?.maxShims,
  }
  const { result } = solution
  const work = result.ok ? flangeWork(result.fit, joint.x, flange) : undefined
  const open = planes.filter((plane) => !result.ok || !result.fit.measured.includes(plane))
  const nothing = Array.from({ length: told.bolts }, (_, i) => ({ bolt: i + 1, lift: null, shim: null }))
  const left = (line: PlaneLine): PlaneLine => ({ offset: shown(line.offset), slope: line.slope })
  return {
    ok: true,
    value: {
      format: 'vane-peg.result',
      version: 1,
      kind: 'upright',
      units,
      ...said,
      feet: [],
      flange: {
        bolts:
          work?.bolts?.map(({ bolt, lift, shim, pack }) => ({
            bolt,
            lift: shown(lift),
            shim: shown(shim),
            ...(pack ? { pack: pack.map((size) => tidyShim(shown(size))) } : {}),
          })) ?? nothing,
        rise: shownOrNull(work?.rise ?? null),
        push: {
          y: shownOrNull(work?.push.y ?? null),
          z: shownOrNull(work?.push.z ?? null),
          size: shownOrNull(work?.push.size ?? null),
          angle: work?.push.angle ?? null,
        },
        fits: work?.fits ?? null,
        ...(work?.left ? { left: { vertical: left(work.left.vertical), horizontal: left(work.left.horizontal) } } : {}),
      },
      warnings: [
        ...warnings,
        ...(open.length > 0
          ? [
              {
                code: 'open' as const,
                message: `flange: ${open.join(' and ')} plane not measured, so no shims calculated`,
              },
            ]
          : []),
      ],
    },
  }
}

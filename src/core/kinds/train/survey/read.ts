import { anglesTold } from '../../../probes'
import { planes } from '../../../quantity/axis'
import { type Checked, refuse } from '../../../quantity/fault'
import { checkSurvey } from '../../../quantity/openFormat'
import { toMm } from '../../../quantity/units'
import { betweenPlanes, setOfSurvey } from '../../../shafts/survey/read'
import type { Coupling, Train } from '../solve/model'
import type { Pair, Stay } from '../solve/solve'
import { type Survey, surveySchema } from './schema'

/** A survey that can be solved: the document as given, and the train it describes in mm. */
export interface ReadSurvey {
  survey: Survey
  train: Train
  stay: Stay
  /** Where each set of a coupling stands in the document's `measurements`. */
  measurementOf: ReadonlyMap<string, readonly number[]>
}

/** Reads a document: schema first, then what a schema cannot say (ids, order, who touches whom), each fault by its path. */
export function readSurvey(document: unknown): Checked<ReadSurvey> {
  const checked = checkSurvey(surveySchema, document)
  if (!checked.ok) return checked
  const survey = checked.value
  const fault = faultInIds(survey) ?? faultInTrain(survey) ?? faultInMeasurements(survey) ?? faultInPlan(survey)
  if (fault) return fault
  return { ok: true, value: toTrain(survey) }
}

type Refusal = ReturnType<typeof refuse>

function firstRepeated(ids: readonly string[]): number {
  return ids.findIndex((id, i) => ids.indexOf(id) !== i)
}

function faultInIds({ train, seat }: Survey): Refusal | undefined {
  const machine = firstRepeated(train.machines.map((m) => m.id))
  if (machine >= 0) return refuse(`train.machines.${machine}.id`, 'expected a unique id')
  const coupling = firstRepeated(train.couplings.map((c) => c.id))
  if (coupling >= 0) return refuse(`train.couplings.${coupling}.id`, 'expected a unique id')
  const seen = new Set<string>()
  for (const [m, { feet }] of train.machines.entries())
    for (const [f, { id }] of feet.entries()) {
      if (seen.has(id)) return refuse(`train.machines.${m}.feet.${f}.id`, 'expected a unique id')
      seen.add(id)
    }
  for (const [s, entry] of (seat ?? []).entries()) {
    const repeated = firstRepeated(entry.feet.map((f) => f.id))
    if (repeated >= 0) return refuse(`seat.${s}.feet.${repeated}.id`, 'expected a unique id')
  }
  const twice = firstRepeated((seat ?? []).map((s) => s.machine))
  return twice >= 0 ? refuse(`seat.${twice}.machine`, 'expected one entry per machine') : undefined
}

function faultInTrain({ train, seat }: Survey): Refusal | undefined {
  const ids = train.machines.map((m) => m.id)
  const known = `one of the machines: ${ids.join(', ')}`
  if (!ids.includes(train.fixed)) return refuse('train.fixed', `expected ${known}`)
  for (const [c, coupling] of train.couplings.entries()) {
    const at = `train.couplings.${c}`
    const left = ids.indexOf(coupling.left)
    if (left < 0) return refuse(`${at}.left`, `expected ${known}`)
    const right = ids.indexOf(coupling.right)
    if (right < 0) return refuse(`${at}.right`, `expected ${known}`)
    if (right !== left + 1) return refuse(`${at}.right`, 'expected the next machine to the right of the left one')
    const earlier = train.couplings.findIndex((other) => other.left === coupling.left)
    if (earlier < c) return refuse(at, 'expected one coupling between two machines')
  }
  for (const [s, { machine }] of (seat ?? []).entries())
    if (!ids.includes(machine)) return refuse(`seat.${s}.machine`, `expected ${known}`)
  return undefined
}

function faultInMeasurements({ train, measurements, seat }: Survey): Refusal | undefined {
  if (measurements.length === 0 && !seat?.length)
    return refuse('measurements', 'expected at least one measurement, or a seat')
  const between = betweenPlanes(measurements)
  if (between) return between
  for (const [m, measurement] of measurements.entries()) {
    const coupling = train.couplings.find((c) => c.id === measurement.coupling)
    if (!coupling)
      return refuse(
        `measurements.${m}.coupling`,
        `expected one of the couplings: ${train.couplings.map((c) => c.id).join(', ')}`,
      )
    for (const [p, probe] of measurement.probes.entries()) {
      if ('on' in probe && probe.on !== coupling.left && probe.on !== coupling.right)
        return refuse(
          `measurements.${m}.probes.${p}.on`,
          `expected ${coupling.left} or ${coupling.right}, the machines at coupling ${coupling.id}`,
        )
      if (anglesTold(probe).length === 0)
        return refuse(`measurements.${m}.probes.${p}.readings`, 'expected at least one reading')
    }
  }
  return undefined
}

/** What a planner of least moves takes on: more would keep it busy for longer than anybody waits. */
const [mostMachines, mostFeet] = [8, 12]

function faultInPlan({ train, plan }: Survey): Refusal | undefined {
  if (plan?.mode === 'least') {
    if (train.machines.length > mostMachines)
      return refuse('train.machines', `expected at most ${mostMachines} machines for a plan of fewest moves`)
    const crowded = train.machines.findIndex((machine) => machine.feet.length > mostFeet)
    if (crowded >= 0)
      return refuse(`train.machines.${crowded}.feet`, `expected at most ${mostFeet} feet for a plan of fewest moves`)
  }
  if (plan?.mode !== 'hold') return undefined
  const feet = train.machines.flatMap((machine) => machine.feet)
  const faultIn = (ids: readonly string[] | undefined, at: string): Refusal | undefined => {
    if (ids?.length !== 2) return refuse(at, 'expected two foot ids, the feet held')
    const held = ids.map((id) => feet.find((foot) => foot.id === id))
    const unknown = held.findIndex((foot) => !foot)
    if (unknown >= 0) return refuse(`${at}.${unknown}`, 'expected the id of a foot')
    return held[0]?.x === held[1]?.x ? refuse(at, 'expected two feet at different stations') : undefined
  }
  const { hold } = plan
  if (!hold || Array.isArray(hold)) return faultIn(hold, 'plan.hold')
  const asked = planes.filter((plane) => hold[plane])
  if (asked.length === 0) return refuse('plan.hold', 'expected two foot ids for at least one plane')
  return asked.map((plane) => faultIn(hold[plane], `plan.hold.${plane}`)).find((fault) => fault !== undefined)
}

/** What a plan holds, as it is solved. */
function stayOf(plan: Survey['plan']): Stay {
  if (plan?.mode !== 'hold' || !plan.hold) return { mode: 'fixed' }
  const pair = ([a = '', b = '']: readonly string[]): Pair => [a, b]
  const { hold } = plan
  if (Array.isArray(hold)) return { mode: 'hold', feet: pair(hold) }
  const feet = planes.flatMap((plane) => (hold[plane] ? [[plane, pair(hold[plane])] as const] : []))
  return { mode: 'hold', feet: Object.fromEntries(feet) }
}

function toTrain(survey: Survey): ReadSurvey {
  const { units, train, plan } = survey
  const length = (value: number) => toMm(value, units.length)
  const reading = (value: number) => toMm(value, units.reading)
  const measurementOf = new Map<string, number[]>()
  const couplings = train.couplings.map((coupling): Coupling => {
    const sets = survey.measurements.flatMap((measurement, m) => {
      if (measurement.coupling !== coupling.id) return []
      measurementOf.set(coupling.id, [...(measurementOf.get(coupling.id) ?? []), m])
      return [setOfSurvey(measurement, (on) => (on === coupling.right ? 'right' : 'left'), units, length(coupling.x))]
    })
    return {
      id: coupling.id,
      left: train.machines.findIndex((machine) => machine.id === coupling.left),
      x: length(coupling.x),
      diameter: coupling.diameter === undefined ? undefined : length(coupling.diameter),
      flexPlanes: coupling.flexPlanes && [length(coupling.flexPlanes[0]), length(coupling.flexPlanes[1])],
      sets,
    }
  })
  return {
    survey,
    measurementOf,
    stay: stayOf(plan),
    train: {
      machines: train.machines.map((machine) => ({
        id: machine.id,
        feet: machine.feet.map((foot) => ({
          id: foot.id,
          x: length(foot.x),
          growth: foot.growth && {
            vertical: reading(foot.growth.vertical ?? 0),
            horizontal: reading(foot.growth.horizontal ?? 0),
          },
        })),
      })),
      couplings,
      fixed: train.machines.findIndex((machine) => machine.id === train.fixed),
      rpm: train.rpm,
      tolerance: train.tolerance && {
        offset: train.tolerance.offset === undefined ? undefined : reading(train.tolerance.offset),
        slope: train.tolerance.slope,
      },
    },
  }
}

import { type Checked, refuse } from '../../../frame/fault'
import { type Quantity, quantityFrom } from '../../../frame/quantity'
import type { Unit } from '../../../frame/units'
import { type ProbeType, probeKinds, type SurveyProbe } from '../../../probes'
import type { Method, ProbeSetUp, ReadSet } from '../../../shafts/schema'
import type { SurveyMeasurement } from '../../../shafts/survey/schema'
import { readingKey } from '../../../shafts/typed'
import { anglesOf, makeJob, makeLine, makeProbe } from '../document/make'
import type { Growth, Job, Line, LineFoot, RoundPlan } from '../document/schema'
import { emptyPlan } from '../plan/choices'
import { readSurvey } from './read'
import type { Survey } from './schema'

/**
 * A survey document as a job: its train as a line of its own, its measurements as the sets of the first round. Up to 48
 * angles of a set become cells; a probe with more becomes a sweep.
 */
export function jobOfSurvey(document: unknown, name: string, takenAt: string): Checked<Job> {
  const read = readSurvey(document)
  if (!read.ok) return read
  const { survey } = read.value
  const { machines, couplings } = survey.train
  if (machines.length < 2 || couplings.length !== machines.length - 1)
    return refuse('train.couplings', 'expected a coupling between every two machines, to make a line of it')
  if (machines.length > 8) return refuse('train.machines', 'expected at most eight machines')
  const line = lineOf(survey, survey.train.name?.slice(0, 80) || name)
  const unit: 'mm' | 'mil' = survey.units.length === 'in' ? 'mil' : 'mm'
  const job = makeJob(line, 'Brought in', takenAt, unit)
  const [round] = job.rounds
  const sets: ReadSet[] = []
  for (const [m, measurement] of survey.measurements.entries()) {
    if (measurement.probes.length > 6) return refuse(`measurements.${m}.probes`, 'expected at most six probes a set')
    sets.push(setOf(survey, line, m, unit))
  }
  const bare = (round?.sets ?? []).filter(({ coupling }) => !sets.some((set) => set.coupling === coupling))
  return {
    ok: true,
    value: { ...job, rounds: round ? [{ ...round, sets: [...sets, ...bare], ...planOf(survey) }] : job.rounds },
  }
}

/** A number of the document as a person would have typed it. */
const typed = (value: number, unit: Unit): Quantity => {
  const text = String(Number(value.toFixed(6)))
  return { text: text.includes('e') ? value.toFixed(6) : text, unit }
}

function lineOf(survey: Survey, name: string): Line {
  const { train, units } = survey
  const length = units.length
  const made = makeLine(name, 'other', 'other', length === 'in' ? 'mil' : 'mm')
  const origin = train.couplings[0]?.x ?? 0
  const from = train.couplings[0]?.id ?? ''
  return {
    ...made,
    speed: train.rpm ? String(train.rpm) : '',
    machines: train.machines.map(({ id, name: called, feet }) => ({
      id,
      name: (called ?? id).slice(0, 60),
      kind: 'other',
      feet: distinct(feet).map(
        (foot): LineFoot => ({
          id: foot.id,
          name: (foot.name ?? foot.id).slice(0, 40),
          station: { from, toward: 'right', distance: typed(foot.x - origin, length) },
          ...(foot.growth ? { growth: growthOf(foot.growth, units.reading) } : {}),
        }),
      ),
    })),
    couplings: train.couplings.map(({ id, name: called, x, diameter, flexPlanes }, i) => ({
      id,
      name: called?.slice(0, 60) || (train.couplings.length > 1 ? `Coupling ${i + 1}` : 'Coupling'),
      kind: flexPlanes ? 'spacer' : 'short',
      ...(i > 0 ? { station: { from, toward: 'right' as const, distance: typed(x - origin, length) } } : {}),
      diameter: diameter ? typed(diameter, length) : { text: '', unit: length },
      span: flexPlanes ? typed(flexPlanes[1] - flexPlanes[0], length) : { text: '', unit: length },
    })),
    fixed: train.fixed,
    fixedBecause: '',
    tolerance: train.tolerance
      ? {
          policy: 'figures',
          offset: train.tolerance.offset
            ? typed(train.tolerance.offset, units.reading)
            : { text: '', unit: units.reading },
          slope: { text: String(Number((train.tolerance.slope * 100).toFixed(6))), unit: 'mm/100 mm' },
          source: 'Brought in with the survey',
        }
      : made.tolerance,
  }
}

const growthOf = (
  { vertical = 0, horizontal = 0 }: { vertical?: number | undefined; horizontal?: number | undefined },
  unit: Unit,
): Growth => ({
  told: 'entered',
  vertical: typed(vertical, unit),
  horizontal: typed(horizontal, unit),
  source: 'Brought in with the survey',
})

/** Limits, packs, shims and what stays, as the survey has them; nothing where it says nothing of a move. */
function planOf({ train, plan, units }: Survey): { plan?: RoundPlan } {
  const feet = train.machines.flatMap((machine) => distinct(machine.feet))
  if (!plan && feet.every(({ limits, pack }) => !limits && !pack)) return {}
  const of = (value: number) => typed(value, units.reading)
  const shelf = plan?.stock && {
    id: 'survey',
    name: 'Shims of the survey',
    slot: { text: '', unit: units.length },
    sizes: plan.stock.slice(0, 60).map((size) => ({ thickness: of(size), count: '' })),
  }
  return {
    plan: {
      ...emptyPlan(),
      stays: plan?.mode ?? 'fixed',
      ...(plan?.hold ? { hold: plan.hold.slice(0, 2) } : {}),
      ...(plan?.margin === undefined ? {} : { margin: String(Number((100 * plan.margin).toFixed(3))) }),
      ...(plan?.maxShims ? { mostShims: String(Math.min(8, plan.maxShims)) } : {}),
      limits: Object.fromEntries(
        feet.flatMap(({ id, limits }) =>
          limits
            ? [
                [
                  id,
                  Object.fromEntries(
                    Object.entries(limits).flatMap(([way, far]) => (far === undefined ? [] : [[way, of(far)]])),
                  ),
                ],
              ]
            : [],
        ),
      ),
      packs: Object.fromEntries(
        feet.flatMap(({ id, pack }) => {
          const text = pack?.map((size) => of(size).text).join(' + ') || '0'
          return pack ? (['near', 'far'] as const).map((side) => [`${id}.${side}`, { text, unit: units.reading }]) : []
        }),
      ),
      stock: shelf ? Object.fromEntries(train.machines.map(({ id }) => [id, shelf])) : {},
    },
  }
}

/** Feet at the same station are one place on the line. */
function distinct<F extends { x: number }>(feet: readonly F[]): F[] {
  return feet.filter((foot, i) => feet.findIndex(({ x }) => x === foot.x) === i).slice(0, 12)
}

function setOf(survey: Survey, line: Line, m: number, unit: 'mm' | 'mil'): ReadSet {
  const measurement = survey.measurements[m]
  const coupling = survey.train.couplings.find(({ id }) => id === measurement?.coupling)
  const probes = measurement?.probes ?? []
  const degrees = [...new Set(probes.flatMap((probe) => probe.readings.map(([angle]) => angle)))].sort((a, b) => a - b)
  const few = degrees.length <= 48 && degrees.every((angle) => angle >= -360 && angle <= 720)
  const id = `r1-s${m + 1}`
  return {
    id,
    coupling: coupling?.id ?? '',
    method: methodOf(probes),
    ...howOf(measurement),
    angles: few ? anglesOf(degrees) : [],
    probes: probes.map((probe, p) =>
      probeOf(survey, line, probe, `${id}-probe${p + 1}`, { x: coupling?.x ?? 0, id: coupling?.id ?? '', unit, few }),
    ),
  }
}

/** What a measurement is for, and how its dials were zeroed. */
function howOf(
  measurement: SurveyMeasurement | undefined,
): Pick<ReadSet, 'state' | 'purpose' | 'zeroed' | 'engagedAccepted'> {
  const { state = 'released', purpose, zeroed } = measurement ?? {}
  const coupled = state === 'engaged' || purpose === 'closed' || purpose === 'running'
  const confirmed = coupled && (purpose === 'plan' || purpose === 'repeat')
  return {
    state: coupled ? 'engaged' : 'released',
    purpose: confirmed ? 'closed' : (purpose ?? (coupled ? 'closed' : 'plan')),
    ...(confirmed ? { engagedAccepted: 'the survey it came from' } : {}),
    ...(zeroed && zeroed !== 'any' ? { zeroed } : {}),
  }
}

function methodOf(probes: readonly SurveyProbe[]): Method {
  const kinds = probes.map(({ type }) => type)
  const count = (type: ProbeType) => kinds.filter((kind) => kind === type).length
  if (count('beam2') === kinds.length) return 'two-plane-head'
  if (count('beam') === kinds.length) return 'twin-heads'
  if (count('bore') === kinds.length) return 'bore-dials'
  if (count('rim') > 0 && count('face') === 1) return 'rim-face'
  if (count('rim') > 0 && count('face') > 1) return 'rim-two-faces'
  return count('rim') === kinds.length ? 'reverse-dial' : 'own'
}

function probeOf(
  { units }: Survey,
  line: Line,
  probe: SurveyProbe,
  id: string,
  { x, id: coupling, unit, few }: { x: number; id: string; unit: 'mm' | 'mil'; few: boolean },
): ProbeSetUp {
  const made = makeProbe(line, coupling, probe.type, probe.on, id, unit)
  const at = (from: string, distance: number) => ({
    from,
    toward: 'right' as const,
    distance: typed(distance, units.length),
  })
  const sd = probe.sd ?? (probe.graduation ? undefined : fivethousandths(units.reading))
  const { channels, stations } = probeKinds[probe.type]
  const numbers = probe.readings.map(([angle, ...values]) => ({ angle, values }))
  return {
    ...made,
    ...(stations === 0 ? {} : { station: at(coupling, ('planes' in probe ? probe.planes[0] : (probe.x ?? x)) - x) }),
    ...('planes' in probe ? { plane2: at(id, probe.planes[1] - probe.planes[0]) } : {}),
    ...('radius' in probe && probe.radius ? { radius: typed(probe.radius, units.length) } : {}),
    ...('sag' in probe
      ? { sag: typed(probe.sag ?? 0, units.reading) }
      : 'turn' in probe
        ? { sag: typed(0, units.reading) }
        : {}),
    ...(probe.graduation ? { graduation: typed(probe.graduation, units.reading) } : {}),
    ...('turn' in probe && probe.turn ? { turn: typed(probe.turn, units.reading) } : {}),
    ...(sd ? { sd: typed(sd, units.reading) } : {}),
    ...(probe.type === 'face'
      ? { side: probe.side ?? 'front', lead: probe.lead ?? 0, floats: probe.float === 'shared' }
      : {}),
    readings: few
      ? Object.fromEntries(
          numbers.flatMap(({ angle, values }) =>
            channels.map((channel, k) => [
              readingKey(`a${angle}`, channel),
              { value: typed(values[k] ?? 0, units.reading), turns: 0 },
            ]),
          ),
        )
      : {},
    ...(few
      ? {}
      : {
          sweep: {
            unit: units.reading,
            degrees: numbers.map(({ angle }) => angle),
            values: channels.map((_, k) => numbers.map(({ values }) => values[k] ?? 0)),
          },
        }),
  }
}

/** The document's usual deviation where it gives none: 0.005 mm. */
const fivethousandths = (unit: Unit): number => Number(quantityFrom(0.005, unit, 6).text)

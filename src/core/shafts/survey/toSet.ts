import type { Units } from '../../frame/openFormat'
import { emptyQuantity, type Quantity, quantityFrom } from '../../frame/quantity'
import type { Unit } from '../../frame/units'
import { type ProbeType, probeKinds, type SurveyProbe } from '../../probes'
import { anglesOf, makeProbe } from '../make'
import type { Method, ProbeSetUp, ReadSet } from '../schema'
import { readingKey } from '../typed'
import type { SurveyMeasurement } from './schema'

/** A number of the document as a person would have typed it. */
export const typed = (value: number, unit: Unit): Quantity => {
  const text = String(Number(value.toFixed(6)))
  return { text: text.includes('e') ? value.toFixed(6) : text, unit }
}

/** What a measurement of a document becomes a typed set by. */
export interface SetFrom {
  id: string
  /** Station of the coupling, in the document's units: probes are measured from there. */
  couplingX: number
  /** Toward which end of the line a probe on a machine stands from the coupling. */
  toward: (machine: string) => 'left' | 'right'
  units: Units
}

/** A measurement of a document as a person would have typed it: up to 48 angles are cells; a probe with more is a sweep. */
export function setTyped(measurement: SurveyMeasurement, from: SetFrom): ReadSet {
  const { probes, coupling } = measurement
  const degrees = [...new Set(probes.flatMap((probe) => probe.readings.map(([angle]) => angle)))].sort((a, b) => a - b)
  const few = degrees.length <= 48 && degrees.every((angle) => angle >= -360 && angle <= 720)
  return {
    id: from.id,
    coupling,
    method: methodOf(probes),
    ...howOf(measurement),
    angles: few ? anglesOf(degrees) : [],
    probes: probes.map((probe, p) => probeOf(probe, `${from.id}-probe${p + 1}`, { ...from, coupling, few })),
  }
}

/** What a measurement is for, and how its dials were zeroed. */
function howOf({
  state = 'released',
  purpose,
  zeroed,
}: SurveyMeasurement): Pick<ReadSet, 'state' | 'purpose' | 'zeroed' | 'engagedAccepted'> {
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
  if (count('prism') === kinds.length) return 'prism-head'
  if (count('beam') === kinds.length) return 'twin-heads'
  if (count('bore') === kinds.length) return 'bore-dials'
  if (count('rim') > 0 && count('face') === 1) return 'rim-face'
  if (count('rim') > 0 && count('face') > 1) return 'rim-two-faces'
  return count('rim') === kinds.length ? 'reverse-dial' : 'own'
}

function probeOf(
  probe: SurveyProbe,
  id: string,
  { units, couplingX: x, toward, coupling, few }: SetFrom & { coupling: string; few: boolean },
): ProbeSetUp {
  const unit = units.length === 'in' ? 'mil' : 'mm'
  const made = makeProbe({ type: probe.type, on: probe.on, coupling, toward: toward(probe.on), id, unit })
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
      ? { sag: probe.sag === null ? emptyQuantity(units.reading) : typed(probe.sag ?? 0, units.reading) }
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

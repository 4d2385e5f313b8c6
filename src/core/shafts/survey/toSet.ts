import { anglesTold, goesRound, type ProbeType, probeKinds, type SurveyProbe } from '../../probes'
import { resultAngles } from '../../probes/result'
import { planes } from '../../quantity/axis'
import type { Units } from '../../quantity/openFormat'
import { emptyQuantity, type Quantity, quantityFrom } from '../../quantity/quantity'
import type { Unit } from '../../quantity/units'
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
  /** The machine on the right of the coupling, or above it. */
  right: string
  /** Toward which end of the line a probe on a machine stands from the coupling. */
  toward: (machine: string) => 'left' | 'right'
  units: Units
}

/** A measurement of a document as a person would have typed it: up to 48 angles are cells; a probe with more is a sweep. */
export function setTyped(measurement: SurveyMeasurement, from: SetFrom): ReadSet {
  const { probes, coupling } = measurement
  const degrees = [...new Set(probes.flatMap(anglesTold))].sort((a, b) => a - b)
  const few = degrees.length <= 48 && degrees.every((angle) => angle >= -360 && angle <= 720)
  return {
    id: from.id,
    coupling,
    method: methodOf(probes),
    ...howOf(measurement),
    ...(probes.some(goesRound) ? {} : { angleAs: 'planes' as const }),
    angles: few ? anglesOf(degrees) : [],
    probes: probes.map((probe, p) => {
      const id = `${from.id}-probe${p + 1}`
      return probe.type === 'result'
        ? resultOf(probe, id, { ...from, coupling })
        : probeOf(probe, id, { ...from, coupling, few })
    }),
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
  if (count('result') === kinds.length) return 'result'
  if (count('beam') === kinds.length) return 'twin-heads'
  if (count('bore') === kinds.length) return 'bore-dials'
  if (count('rim') > 0 && count('face') === 1) return 'rim-face'
  if (count('rim') > 0 && count('face') > 1) return 'rim-two-faces'
  return count('rim') === kinds.length ? 'reverse-dial' : 'own'
}

/** An instrument's own result, its signs those of the document: of the machine on the right, its angle as the gap over 100 mm. */
function resultOf(
  probe: Extract<SurveyProbe, { type: 'result' }>,
  id: string,
  { units, couplingX: x, right, coupling }: SetFrom & { coupling: string },
): ProbeSetUp {
  const unit = units.length === 'in' ? 'mil' : 'mm'
  const made = makeProbe({ type: 'result', on: right, coupling, toward: 'right', id, unit })
  const diameter = 100
  const gap = (slope: number) => typed(slope * diameter, 'mm')
  const { offset, slope } = probe.sd ?? {}
  return {
    ...made,
    station: { from: coupling, toward: 'right', distance: typed((probe.x ?? x) - x, units.length) },
    diameter: typed(diameter, 'mm'),
    plus: { vertical: { offset: 'up', gap: 'bottom' }, horizontal: { offset: 'far', gap: 'near' } },
    sd: offset === undefined ? typed(0.005, 'mm') : typed(offset, units.reading),
    gapSd: slope === undefined ? typed(0.005, 'mm') : gap(slope),
    readings: Object.fromEntries(
      planes.flatMap((plane) => {
        const told = probe[plane]
        const at = `a${resultAngles[plane]}`
        return told
          ? [
              [readingKey(at, 'offset'), { value: typed(told.offset, units.reading), turns: 0 }],
              [readingKey(at, 'gap'), { value: gap(told.slope), turns: 0 }],
            ]
          : []
      }),
    ),
  }
}

function probeOf(
  probe: Exclude<SurveyProbe, { type: 'result' }>,
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

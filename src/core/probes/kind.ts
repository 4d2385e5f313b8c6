import * as v from 'valibot'
import { finite, list, positive, tidy } from '../quantity/openFormat'
import { perPlane } from './perPlane'
import type { Channel, ProbeBase, ProbeContext, Side, SingleReadings } from './probe'

/** The numbers a two-plane detector gives at a position: outward and sideways at the first plane and at the second. */
export const channelNames = ['r1', 't1', 'r2', 't2'] as const
export type ChannelName = (typeof channelNames)[number] | 'offset' | 'gap'

/** What a person typed of a probe, in mm and degrees: what its own file makes the probe of. */
export interface TypedProbe {
  on: Side
  /** Standard deviation of one reading, and one graduation. */
  sd: number
  graduation: number
  /** Of an instrument's own result: the standard deviation of its gap. */
  gapSd?: number | undefined
  /** Its stations, as many of them as are known: none, one or two. */
  stations: readonly number[]
  radius: number | undefined
  sag: number
  sagUnknown?: true | undefined
  twiceZeroed?: true | undefined
  zero: { value: number; sd: number } | undefined
  side: 'front' | 'back'
  lead: number
  floats: boolean
  /** Positions at which every one of its numbers was read. */
  readings: readonly { angle: number; values: readonly number[] }[]
}

/** A probe of the open survey document, in mm: the numbers turned over from the document's own units. */
export interface SurveyUnits {
  on: Side
  /** Station of the coupling, mm. */
  couplingX: number
  /** Document → mm. */
  length(value: number): number
  reading(value: number): number
  /** How the dials of its measurement were zeroed. */
  zeroed: 'any' | 'halved' | 'sag' | 'planes'
}

/** What is measured of a probe before it is read: where it stands, what it travels on, and how its bracket sags. */
export type Dimension = 'station' | 'radius' | 'sag'

/** How a probe is drawn: pointing at the shaft, along it, or a box on it. */
export type ProbeMark = 'across' | 'along' | 'box'

/**
 * Everything the rest of the program has to know of one kind of probe. A further kind of probe is one file that fulfils this,
 * a line in `index.ts`, and its words in `src/words`.
 *
 * @typeParam P the probe as it is solved, @typeParam D the probe as the open survey document has it
 */
export interface ProbeKind<P extends ProbeBase, D> {
  /** A dial has turns and hangs on a bracket; a head is clamped to its own shaft; a result is what an instrument worked out by itself. */
  instrument: 'dial' | 'head' | 'result'
  /** The numbers it gives at a position: one without a name, or several that have one. */
  channels: readonly (ChannelName | undefined)[]
  /** How many stations place it along the shaft; a face dial is placed by none and sees no offset. */
  stations: 0 | 1 | 2
  /** Where its second station lies from the first: beyond it on its own shaft, or across the coupling. */
  second?: 'beyond' | 'across'
  /** A rim's radius makes the reading exact; a face dial is nothing without the radius it travels on. */
  radius: 'refines' | 'needed' | 'none'
  /** What the sag of its bracket normally reads at the bottom; a bar inside a bore droops toward the wall it feels. */
  sag: 'negative' | 'positive' | 'none'
  /** It touches its machine from inside, so that it may stand behind the front feet. */
  inside: boolean
  /** Slips of the hand worth trying where readings do not fit. */
  slips: 'any' | 'signs alone'
  mark: ProbeMark
  /** The simulated instrument that can read it, and so whether a device can. */
  standIn: 'dials' | 'heads' | 'two-plane' | undefined
  /** Degrees by which one of its numbers looks ahead of the angle given. */
  lead(typed: { lead?: number | undefined }, channel: ChannelName | undefined): number
  /** What it adds to its coupling's system. */
  rows(probe: P, context: ProbeContext): Channel[]
  /** Stations at which it reads the offset, mm. */
  stationsMm(probe: P): readonly number[]
  /** Whether top + bottom − far − near must come to nothing. */
  closes(probe: P): boolean
  /** What was measured of it by tape or on a bar, each with the probe as it would be with that much more, mm. */
  dimensions(probe: P): readonly { what: Dimension; more(by: number): P }[]
  /** The probe from what was typed; undefined where something it cannot do without is missing. */
  of(typed: TypedProbe): P | undefined
  /** From the open survey document, and into it. */
  ofSurvey(told: D, units: SurveyUnits): P
  toSurvey(probe: P, told: SurveyBase): D
}

/** What every probe of a survey document starts with, in mm. */
export interface SurveyBase {
  on: string
  sd: number
  graduation: number
  /** One turn of a dial, where it is known. */
  turn: number | undefined
}

const reading = v.strictTuple([finite, finite], 'a pair: angle in degrees, reading')

/** Fields of a survey's probes that several of them have. */
export const surveyFields = {
  on: v.pipe(
    v.string('a name (text)'),
    v.nonEmpty('a name that is not empty'),
    v.maxLength(100, 'a name of at most 100 characters'),
  ),
  x: finite,
  /** Left out it is none, since who writes a survey knows; null where nobody gave it. */
  sag: v.optional(v.nullable(finite)),
  sd: v.optional(positive),
  graduation: v.optional(positive),
  turn: v.optional(positive),
  readings: list(reading, 20_000, 'a list of readings'),
}

/** Standard deviation of one reading, mm, where a document gives neither it nor a graduation. */
const defaultSd = 0.005

/** Side, deviation and graduation of a survey's probe, mm. */
export function surveyBase(
  told: { sd?: number | undefined; graduation?: number | undefined },
  { on, reading: mm }: SurveyUnits,
): Pick<ProbeBase, 'on' | 'sd' | 'graduation'> {
  return {
    on,
    sd: told.sd ? mm(told.sd) : told.graduation ? mm(told.graduation) / 2 : defaultSd,
    graduation: told.graduation === undefined ? undefined : mm(told.graduation),
  }
}

/** The readings of a survey's probe that gives one number an angle, mm. */
export const singleOf = (
  told: readonly (readonly [number, number])[],
  { reading: mm }: SurveyUnits,
): SingleReadings['readings'] => told.map(([angle, value]) => ({ angle, value: mm(value) }))

/** The same of a dial, with its sag: set back by half at the sides it has half the sag in its zero; set to its sag on top it read that there. */
export function dialOf(
  told: {
    sag?: number | null | undefined
    sd?: number | undefined
    graduation?: number | undefined
    readings: readonly (readonly [number, number])[]
  },
  units: SurveyUnits,
) {
  const base = surveyBase(told, units)
  const sag = units.reading(told.sag ?? 0)
  const read = singleOf(told.readings, units)
  const topRead = read.some(({ angle }) => angle % 360 === 0)
  return {
    ...base,
    sag,
    ...(told.sag === null ? { sagUnknown: true as const } : {}),
    zero: units.zeroed === 'halved' ? { value: -sag / 2, sd: base.sd } : undefined,
    ...(units.zeroed === 'planes' ? { twiceZeroed: true as const } : {}),
    readings:
      units.zeroed === 'planes'
        ? perPlane(read)
        : units.zeroed === 'sag' && !topRead
          ? [{ angle: 0, value: -sag }, ...read]
          : read,
  }
}

/** One number an angle, out of what was typed. */
export const singleTyped = ({ readings }: TypedProbe): SingleReadings['readings'] =>
  readings.map(({ angle, values }) => ({ angle, value: values[0] ?? 0 }))

/** Into the document: pairs of angle and reading. */
export const pairs = (readings: SingleReadings['readings']): [number, number][] =>
  readings.map(({ angle, value }) => [angle, tidy(value)])

/** Into the document: what every dial has. */
export const dialTold = (
  { sag, sagUnknown, readings }: SingleReadings & { sag: number; sagUnknown?: true | undefined },
  { turn, on, sd, graduation }: SurveyBase,
) => ({
  on,
  sd,
  graduation,
  ...(turn && turn > 0 ? { turn: tidy(turn) } : {}),
  sag: sagUnknown ? null : tidy(sag),
  readings: pairs(readings),
})

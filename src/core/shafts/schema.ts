import * as v from 'valibot'
import { probeTypes } from '../probes'
import { id, measured, quantitySchema, text } from '../quantity/schema'
import { purposes } from './together'

/** Where something stands: so far from something else, toward the left or the right end of the train. */
export const stationSchema = v.strictObject({
  /** Id of a coupling, a foot or a probe. */
  from: id,
  distance: quantitySchema,
  toward: v.picklist(['left', 'right']),
})

export const readingSchema = v.strictObject({
  value: quantitySchema,
  /** Whole turns of the dial to add to what the needle shows. */
  turns: v.pipe(v.number(), v.integer(), v.minValue(-20), v.maxValue(20)),
})

/** A sweep as a device handed it over: the angle of each point in degrees, and its number or numbers. */
export const sweepSchema = v.pipe(
  v.strictObject({
    unit: v.picklist(['mm', 'um', 'in', 'mil']),
    degrees: v.pipe(v.array(measured), v.maxLength(100_000, 'at most 100,000 points')),
    /** One list a channel, as long as `degrees`. */
    values: v.pipe(v.array(v.array(measured)), v.minLength(1), v.maxLength(4)),
  }),
  v.check(
    ({ degrees, values }) => values.every((list) => list.length === degrees.length),
    'as many readings as angles in every channel of a sweep',
  ),
)

/** What of the kit was used, by id, and what was known of it then. */
const fromKit = v.strictObject({
  dial: v.optional(v.strictObject({ id, name: text(60) })),
  bracket: v.optional(
    v.strictObject({
      id,
      name: text(60),
      /** Between clamp and plunger when its sag was taken, with which dial, and on which day. */
      span: quantitySchema,
      dial: text(60),
      takenOn: text(10),
    }),
  ),
})

/** What plus means on an instrument: the machine stands up or toward the far side; the coupling is open there. */
export const plusSchema = v.strictObject({
  vertical: v.strictObject({
    offset: v.optional(v.picklist(['up', 'down'])),
    gap: v.optional(v.picklist(['top', 'bottom'])),
  }),
  horizontal: v.strictObject({
    offset: v.optional(v.picklist(['far', 'near'])),
    gap: v.optional(v.picklist(['far', 'near'])),
  }),
})

export type Plus = v.InferOutput<typeof plusSchema>

export const probeSchema = v.strictObject({
  id,
  type: v.picklist(probeTypes),
  /** Id of the machine it touches, or that carries the detector. */
  on: id,
  /** Where it stands; not asked of a face dial. The first plane of a two-plane detector. */
  station: stationSchema,
  /** The second plane of a two-plane detector. */
  plane2: v.optional(stationSchema),
  /** Radius of the rim, empty where nobody measured it; of the circle a face dial travels on. */
  radius: quantitySchema,
  graduation: quantitySchema,
  /** One turn of the dial. */
  turn: quantitySchema,
  /** How far its plunger can travel. */
  travel: v.optional(quantitySchema),
  /** The bracket's sag: what it reads at the bottom of a straight bar, zeroed on top. */
  sag: quantitySchema,
  /** Between the bracket's clamp and the plunger, here. */
  span: v.optional(quantitySchema),
  /** Standard deviation of one reading, where that is known; else half a graduation. */
  sd: v.optional(quantitySchema),
  /** Of a face dial: on the face that looks at the other machine, or on its back. */
  side: v.optional(v.picklist(['front', 'back'])),
  /** Degrees by which it stands ahead of the angle given: 180 for the second of two face dials. */
  lead: v.optional(v.pipe(v.number(), v.minValue(-360), v.maxValue(360))),
  /** Shares its shaft's axial float with the other face dials of the set. */
  floats: v.optional(v.boolean()),
  /** Of a dial that does not show what is there: by how it stands, or by a step of known height. */
  correction: v.optional(
    v.variant('kind', [
      /** It does not stand square: degrees, and for a lever those its tip was made for. */
      v.strictObject({
        kind: v.picklist(['lever', 'plunger', 'nulling']),
        angle: text(8),
        madeFor: text(8),
        /** Of a lever with another tip than it was made for: both lengths. */
        tip: v.optional(v.strictObject({ made: quantitySchema, used: quantitySchema })),
      }),
      /** A block or a feeler slid under its tip: how thick it is, and what the dial showed. */
      v.strictObject({ kind: v.literal('step'), step: quantitySchema, shown: quantitySchema }),
    ]),
  ),
  /** Of a head whose numbers fall where ours rise: mounted upside down, or made to count so. */
  counts: v.optional(v.literal('other')),
  /** Of an instrument's own result: what its plus means, as it was asked in words. A plane counts once both are told. */
  plus: v.optional(plusSchema),
  /** Of an instrument's own result: the diameter over which its gap is told, and the gap's standard deviation. */
  diameter: v.optional(quantitySchema),
  gapSd: v.optional(quantitySchema),
  /** Run-out of the surface it touches, for a shaft that does not turn: the whole swing, and where its high spot stands. */
  runout: v.optional(v.strictObject({ swing: quantitySchema, at: text(8) })),
  /** Its own angle in degrees where that differs from the set's, by the id of the angle. */
  own: v.optional(v.record(id, measured)),
  kit: v.optional(fromKit),
  /** By the id of the angle; for a two-plane detector by that, a colon and the channel. */
  readings: v.record(id, readingSchema),
  sweep: v.optional(sweepSchema),
})

export const methods = [
  'reverse-dial',
  'rim-face',
  'rim-two-faces',
  'twin-heads',
  'two-plane-head',
  'bore-dials',
  'prism-head',
  'result',
  'own',
] as const

export const setSchema = v.strictObject({
  id,
  coupling: id,
  method: v.picklist(methods),
  state: v.picklist(['released', 'engaged']),
  /** What the set is for; absent in older jobs, where the state says it. */
  purpose: v.optional(v.picklist(purposes)),
  /** Who says that moves may be planned from readings taken with the coupling engaged. */
  engagedAccepted: v.optional(text(40)),
  /** Both shafts turned together, or only the one that carries the bracket. */
  turned: v.optional(v.picklist(['both', 'one'])),
  /** Which way the shafts were turned, seen from the top: so that backlash stays on one side. */
  direction: v.optional(v.picklist(['far', 'near'])),
  /** Any zero; zero at a side and set back by half; set to the sag on top; zeroed on top and once more at a side. */
  zeroed: v.optional(v.picklist(['any', 'halved', 'sag', 'planes'])),
  /** How angles are told: by quarters and degrees, degrees, or a clock seen from one end of the train. */
  angleAs: v.optional(v.picklist(['quarters', 'degrees', 'clock-left', 'clock-right', 'planes'])),
  /** Degrees from the top toward the far side, in the order the shaft turns; 360 is the return to the start. */
  angles: v.pipe(
    v.array(v.strictObject({ id, degrees: v.pipe(v.number(), v.minValue(-360), v.maxValue(720)) })),
    v.maxLength(48),
  ),
  probes: v.pipe(v.array(probeSchema), v.maxLength(6)),
})

export type Station = v.InferOutput<typeof stationSchema>

export type ProbeSetUp = v.InferOutput<typeof probeSchema>

export type Method = (typeof methods)[number]

export type Sweep = v.InferOutput<typeof sweepSchema>

export type ReadSet = v.InferOutput<typeof setSchema>

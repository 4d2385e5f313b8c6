import * as v from 'valibot'
import { shape } from '../job/shape'
import { quantitySchema } from '../quantity/schema'
import { plusSchema } from '../shafts/schema'
import { limitRowsSchema } from '../verdict/table'

/** What hangs in the tool crib, as people typed it. */

const text = (most: number) => v.pipe(v.string(), v.maxLength(most, `at most ${most} characters`))
const name = text(60)
/** A day as YYYY-MM-DD; empty where unknown. */
const day = v.pipe(v.string(), v.regex(/^(\d{4}-\d{2}-\d{2})?$/, 'a day as YYYY-MM-DD'))

/** How a dial counts: on and on all round, up from nought both ways, or one way with a switch for the other. */
export const dialHabits = ['all-round', 'both-ways', 'one-way'] as const
export type DialHabit = (typeof dialHabits)[number]

export const kitDialSchema = v.strictObject({
  shape,
  kind: v.literal('dial'),
  name,
  type: v.picklist(['plunger', 'lever']),
  travel: quantitySchema,
  graduation: quantitySchema,
  turn: quantitySchema,
  /** Standard deviation of one reading; empty for half a graduation. */
  sd: quantitySchema,
  habit: v.optional(v.picklist(dialHabits)),
  /** Of a lever: the tip it was made for, and the one that is in it. Lengths to the ball's middle. */
  tipMade: v.optional(quantitySchema),
  tipUsed: v.optional(quantitySchema),
  calibrationDue: day,
  note: text(300),
})

export const kitBracketSchema = v.strictObject({
  shape,
  kind: v.literal('bracket'),
  name,
  /** Between clamp and plunger, at which the sag was taken. */
  span: quantitySchema,
  /** What it reads at the bottom of a straight bar, zeroed on top. */
  sag: quantitySchema,
  takenOn: day,
  /** Name of the dial that hung on it then. */
  dial: name,
  /** The sag bench: what was read on the bar. */
  bar: v.strictObject({ top: quantitySchema, far: quantitySchema, bottom: quantitySchema, near: quantitySchema }),
  /** Span and dial on the bench: kept with the sag when it is taken over. */
  barSpan: quantitySchema,
  barDial: name,
  note: text(300),
})

export const kitHeadSchema = v.strictObject({
  shape,
  kind: v.literal('head'),
  name,
  type: v.picklist(['beam', 'beam2', 'result']),
  /** Its numbers fall where ours rise. */
  counts: v.optional(v.literal('other')),
  /** Of one that works out its result by itself: what its plus means, the diameter of its gap, and the gap's deviation. */
  plus: v.optional(plusSchema),
  diameter: v.optional(quantitySchema),
  gapSd: v.optional(quantitySchema),
  step: quantitySchema,
  sd: quantitySchema,
  /** Between the planes of a two-plane detector. */
  between: quantitySchema,
  calibrationDue: day,
  note: text(300),
})

export const kitGaugeSchema = v.strictObject({
  shape,
  kind: v.literal('gauge'),
  name,
  /** Each reading is of another part, or another step: judged one by one, not by their mean. */
  each: v.optional(v.boolean()),
  nominal: quantitySchema,
  /** How far over and under the nominal is allowed. */
  over: quantitySchema,
  under: quantitySchema,
  /** What the instrument showed each time it was lifted and set down again. */
  readings: v.pipe(v.array(v.strictObject({ id: text(40), value: quantitySchema })), v.maxLength(30)),
  takenOn: day,
  dial: name,
  note: text(300),
})

/** Pre-cut shims for bolts of one slot: which thicknesses, and how many of each where somebody counts them. */
export const kitShimsSchema = v.strictObject({
  shape,
  kind: v.literal('shims'),
  name,
  /** Width of the slot that goes round the bolt. */
  slot: quantitySchema,
  material: text(60),
  sizes: v.pipe(v.array(v.strictObject({ id: text(40), thickness: quantitySchema, count: text(6) })), v.maxLength(60)),
  note: text(300),
})

/** What a site allows its couplings, by speed and kind of coupling. */
export const kitLimitsSchema = v.strictObject({
  shape,
  kind: v.literal('limits'),
  name,
  /** Where the figures come from: a standard of the site, a page. */
  source: text(120),
  rows: limitRowsSchema,
  note: text(300),
})

/** A way of reading tried on a real machine: all its feet lifted by the same known shim, read before and after. */
export const kitLiftSchema = v.strictObject({
  shape,
  kind: v.literal('lift'),
  name,
  /** The machine that was lifted, and how it was read. */
  machine: name,
  method: name,
  /** The shim put under every foot. */
  lift: quantitySchema,
  /** Standard deviation of a foot's place as the method tells it; empty for 0.01 mm. */
  sd: quantitySchema,
  /** How high each foot was told, before and after. */
  stations: v.pipe(
    v.array(v.strictObject({ id: text(40), name, before: quantitySchema, after: quantitySchema })),
    v.maxLength(12),
  ),
  takenOn: day,
  note: text(300),
})

export const kitItemSchema = v.variant('kind', [
  kitDialSchema,
  kitBracketSchema,
  kitHeadSchema,
  kitGaugeSchema,
  kitShimsSchema,
  kitLimitsSchema,
  kitLiftSchema,
])

export type KitDial = v.InferOutput<typeof kitDialSchema>
export type KitBracket = v.InferOutput<typeof kitBracketSchema>
export type KitHead = v.InferOutput<typeof kitHeadSchema>
export type KitGauge = v.InferOutput<typeof kitGaugeSchema>
export type KitShims = v.InferOutput<typeof kitShimsSchema>
export type KitLimits = v.InferOutput<typeof kitLimitsSchema>
export type KitLift = v.InferOutput<typeof kitLiftSchema>
export type KitItem = v.InferOutput<typeof kitItemSchema>
export type KitKind = KitItem['kind']

import * as v from 'valibot'
import { lineFrame, roundFrame } from '../../../job/document'
import { doneSchema } from '../../../job/done'
import { id, quantitySchema, text } from '../../../quantity/schema'

/**
 * What is stored of a row of bores. Sections stand along x, each read round its bore from a carrier that runs through all of them;
 * sections of one pocket bear its name.
 */
const sectionSchema = v.strictObject({
  id,
  name: text(60),
  /** The bore it lies in; two sections of one pocket tell which way it points. */
  pocket: text(60),
  x: quantitySchema,
  diameter: quantitySchema,
  /** How far its bore can go; empty for no limit. */
  limits: v.optional(
    v.strictObject({ down: quantitySchema, up: quantitySchema, near: quantitySchema, far: quantitySchema }),
  ),
  /** How far its center goes from cold to running: up, and to the far side. */
  running: v.optional(v.strictObject({ up: quantitySchema, far: quantitySchema })),
})

/** What the row is told from. */
export const referenceWays = ['held', 'least-squares', 'least-largest', 'within-limits'] as const
export type ReferenceWay = (typeof referenceWays)[number]

/** What runs through the bores. */
export const carrierKinds = ['stiff', 'wire', 'bar'] as const
export type CarrierKind = (typeof carrierKinds)[number]

/** How a bore is brought where it belongs. */
export const corrections = ['shims', 'sleeve', 'boring'] as const
export type Correction = (typeof corrections)[number]

export const lineSchema = v.strictObject({
  ...lineFrame,
  kind: v.literal('bore'),
  sides: v.strictObject({ near: text(40), far: text(40) }),
  sections: v.pipe(v.array(sectionSchema), v.minLength(2), v.maxLength(40)),
  reference: v.strictObject({
    way: v.picklist(referenceWays),
    /** Two sections, where the way is held; the first and the last where nobody says. */
    held: v.strictTuple([v.union([v.literal(''), id]), v.union([v.literal(''), id])]),
  }),
  carrier: v.strictObject({
    kind: v.picklist(carrierKinds),
    /** x of its first support, and from there to the second. */
    from: quantitySchema,
    length: quantitySchema,
    /** As typed: N/mm; N; N·mm². */
    weight: text(16),
    tension: text(16),
    stiffness: text(16),
  }),
  /** How far a section may stand from the line; empty for 0.05 mm. */
  limit: quantitySchema,
  correct: v.picklist(corrections),
})

const setSchema = v.strictObject({
  id,
  section: id,
  purpose: v.picklist(['plan', 'repeat']),
  /** Evenly spaced from the top: eight or more tell whether the bore is round. */
  places: v.picklist([4, 8, 12]),
  /** What reads: a tip on the carrier that the wall pushes in, or a head on the wall that looks at the carrier. */
  sense: v.picklist(['out', 'in']),
  /** Of the dial's own bracket at this reach: bottom against top. */
  sag: quantitySchema,
  /** Repeatability (one standard deviation) of a reading, as given; absent for the usual one. */
  sd: v.optional(quantitySchema),
  /** What a head showed more when it was pushed toward the carrier by a tenth of a millimeter: tells its sign. */
  pushed: quantitySchema,
  /** By place: `a0`, `a90`. */
  values: v.record(id, quantitySchema),
})

export const roundSchema = v.strictObject({
  ...roundFrame,
  done: doneSchema,
  sets: v.pipe(v.array(setSchema), v.maxLength(160)),
})

export type BoreLine = v.InferOutput<typeof lineSchema>
export type BoreRound = v.InferOutput<typeof roundSchema>
export type BoreSection = BoreLine['sections'][number]
export type BoreSet = BoreRound['sets'][number]

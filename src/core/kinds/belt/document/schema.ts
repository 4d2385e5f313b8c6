import * as v from 'valibot'
import { lineFrame, roundFrame } from '../../../job/document'
import { doneSchema } from '../../../job/done'
import { id, quantitySchema, text } from '../../../quantity/schema'
import { beltTypes } from '../belts'

/**
 * What is stored of a belt drive. The sheave that stays comes first; places are told from its shaft: to the far side, and up. Feet
 * are told by how far they stand behind the measured face of their sheave.
 */
/** How far it can go: raised by shims, toward either side; empty for no limit. */
const limitsSchema = v.strictObject({
  up: quantitySchema,
  near: quantitySchema,
  far: quantitySchema,
  /** How far it can be let down; only documents of others have it, since shims under belts are only put in. */
  down: v.optional(quantitySchema),
})

const footSchema = v.strictObject({
  id,
  name: text(60),
  behind: quantitySchema,
  limits: v.optional(limitsSchema),
  /** Shims that lie under it already, as a list of thicknesses. */
  pack: v.optional(quantitySchema),
})

const sheaveSchema = v.strictObject({
  id,
  name: text(60),
  /** Where its shaft lies from the one that stays; not used of that one. */
  across: quantitySchema,
  up: quantitySchema,
  diameter: quantitySchema,
  /** Width of the measured face to the other one; the grooves lie in the middle unless their distance is given. */
  width: quantitySchema,
  groove: quantitySchema,
  /** Height of the plane its feet stand on, from the shaft that stays. */
  base: quantitySchema,
  feet: v.pipe(v.array(footSchema), v.maxLength(4)),
  /** The bolt it is swung about: a station of feet, and how far to the far side of the sheave's center. */
  pivot: v.strictObject({ foot: v.union([v.literal(''), id]), beside: quantitySchema }),
})

export const lineSchema = v.strictObject({
  ...lineFrame,
  kind: v.literal('belt'),
  sides: v.strictObject({ near: text(40), far: text(40) }),
  /** Which way the measured faces look. */
  faces: v.picklist(['right', 'left']),
  belt: v.picklist(beltTypes),
  /** The maker's limit in degrees or as a slope (mm/m); empty for the usual one. */
  limit: text(12),
  /** What the maker lets the grooves stand off, beside what the belt feels; empty for no limit of its own. */
  offsetLimit: v.optional(quantitySchema),
  /** Turns a minute of the sheave that stays, as typed. */
  speed: v.optional(text(12)),
  sheaves: v.pipe(v.array(sheaveSchema), v.minLength(2), v.maxLength(6)),
  /** Shims to choose from; empty where they are cut to measure. */
  shims: quantitySchema,
})

/** How a sheave is read. */
export const beltMethods = ['face', 'edge', 'angles'] as const
export type BeltMethod = (typeof beltMethods)[number]

const setSchema = v.strictObject({
  id,
  on: id,
  method: v.picklist(beltMethods),
  purpose: v.picklist(['plan', 'repeat']),
  /** Of the points that are read on the face, from its center. */
  radius: quantitySchema,
  /** Read a second time with the sheave turned half round: its wobble is taken out. */
  twice: v.boolean(),
  /** The sheave that stays is turned half round with it: its own wobble, magnified by the span, is taken out too. */
  both: v.optional(v.boolean()),
  /** What the target reads on the face that stays: 0 where it was zeroed there. */
  constant: quantitySchema,
  /** Repeatability (one standard deviation) of a reading, as given; absent for the usual one. Of angles in mm/m, as typed. */
  sd: v.optional(quantitySchema),
  angleSd: v.optional(text(12)),
  /** Over which a lean was read, by level or plumb. */
  over: quantitySchema,
  /** By name: `a90` at 90° of the face, `a90t` with the sheave turned; `inner`, `outer` gaps; `leanMoved`, `leanStays`; `offset`. */
  values: v.record(id, quantitySchema),
  /** Angles that an instrument tells, degrees as typed. */
  angles: v.strictObject({ toe: text(12), tilt: text(12) }),
  /** Angles that the instrument counts the other way. */
  counts: v.optional(v.strictObject({ toe: v.optional(v.literal('other')), tilt: v.optional(v.literal('other')) })),
})

export const roundSchema = v.strictObject({
  ...roundFrame,
  done: doneSchema,
  sets: v.pipe(v.array(setSchema), v.maxLength(24)),
  /** Belts under tension when it was read. */
  tensioned: v.boolean(),
  /** The tension that was set, in words and numbers, and when it is to be checked again. */
  tension: v.strictObject({
    set: text(120),
    again: text(20),
    /** Of a plucked belt: its mass, kg/m, and its frequency, Hz, as typed. */
    mass: v.optional(text(12)),
    frequency: v.optional(text(12)),
  }),
  /** Which angle is taken out first; absent for the tilt. */
  order: v.optional(v.picklist(['tilt', 'toe'])),
})

export type BeltLine = v.InferOutput<typeof lineSchema>
export type BeltRound = v.InferOutput<typeof roundSchema>
export type BeltSheave = BeltLine['sheaves'][number]
export type BeltSet = BeltRound['sets'][number]

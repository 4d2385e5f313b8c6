import * as v from 'valibot'
import { lineFrame, roundFrame } from '../../../job/document'
import { doneSchema } from '../../../job/done'
import { id, quantitySchema, text } from '../../../quantity/schema'
import { setSchema } from '../../../shafts/schema'
import { toleranceSchema } from '../../../verdict/typed'

/**
 * What is stored of an upright pair: a machine that stands on the flange of another. x grows upward from the coupling, 0° is
 * bolt 1, and angles grow the way the bolts are counted.
 */
const machineSchema = v.strictObject({ id, name: text(60) })

export const lineSchema = v.strictObject({
  ...lineFrame,
  kind: v.literal('upright'),
  /** The lower machine, which stays, and the upper one on its flange. */
  machines: v.strictTuple([machineSchema, machineSchema]),
  coupling: v.strictObject({ id, name: text(60), diameter: quantitySchema }),
  flange: v.strictObject({
    /** Height of the joint above the coupling's center; below zero under it. */
    height: quantitySchema,
    /** Diameter of the bolt circle, and how many bolts there are. */
    circle: quantitySchema,
    bolts: v.pipe(v.number(), v.integer(), v.minValue(3), v.maxValue(24)),
    /** Which way the bolts are counted, seen from above: it turns the drawing and nothing else. */
    counted: v.picklist(['clockwise', 'other']),
    /** Clearance of the spigot, of its diameter; empty where there is none. */
    spigot: quantitySchema,
    /** Shims to choose from, "0.05 0.1 0.2"; empty where they are cut to measure. */
    shims: quantitySchema,
    /** Clearance of the bolts in their holes, of the diameter; absent or empty where nobody measured it. */
    boltClearance: v.optional(quantitySchema),
    /** How far the upper shaft may rise before the hubs, or what hangs on it, run out of room. */
    room: v.optional(quantitySchema),
    /** Where bolt 1 lies as the person stands, seen from above: degrees on from toward the person, clockwise. It turns the drawing. */
    stands: v.optional(v.picklist([0, 90, 180, 270])),
  }),
  /** Turns a minute, as typed. */
  speed: text(12),
  tolerance: toleranceSchema,
})

export const roundSchema = v.strictObject({
  ...roundFrame,
  done: doneSchema,
  sets: v.pipe(v.array(setSchema), v.maxLength(24)),
  /** How it was left after the lift: room between the hubs, and the impeller's or the thrust bearing's setting in words. */
  left: v.optional(v.strictObject({ hubs: quantitySchema, hanging: text(120) })),
  /** By how many bolt places the upper machine was turned on its flange, the way the bolts are counted. */
  seated: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(23))),
})

export type UprightLine = v.InferOutput<typeof lineSchema>
export type UprightRound = v.InferOutput<typeof roundSchema>

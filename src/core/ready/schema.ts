import * as v from 'valibot'
import { done, id, quantitySchema, text } from '../quantity/schema'

export const readySchema = v.strictObject({
  occasion: v.picklist(['new-set', 'after-overhaul', 'vibration', 'periodic']),
  permit: text(60),
  /** By the caution's id: who and when. */
  cautions: v.record(id, done),
  checks: v.record(
    id,
    v.strictObject({
      outcome: v.picklist(['', 'good', 'bad', 'skipped']),
      value: quantitySchema,
      /** The maker's figure, and how far off it one may be where it is not a most. */
      maker: v.optional(quantitySchema),
      plusMinus: v.optional(quantitySchema),
      /** What was seen; for a skipped check, why. */
      note: text(200),
      by: text(12),
      at: text(40),
    }),
  ),
  /** Gaps of the rough alignment, by "rim.top" and the like; of a further coupling by "c2/rim.top". */
  rough: v.record(id, quantitySchema),
  /** By coupling: the hub that carried the straightedge or the strip. */
  roughCarrier: v.optional(v.record(id, v.picklist(['left', 'right']))),
})

export type Ready = v.InferOutput<typeof readySchema>

import * as v from 'valibot'
import { id, quantitySchema, text } from '../quantity/schema'

/** Thicknesses of shim, how many there are of each (empty: as many as needed), and the slot they are cut for. */
export const shimStockSchema = v.strictObject({
  id,
  name: text(60),
  slot: quantitySchema,
  sizes: v.pipe(v.array(v.strictObject({ thickness: quantitySchema, count: text(6) })), v.maxLength(60)),
})

export type ShimStock = v.InferOutput<typeof shimStockSchema>

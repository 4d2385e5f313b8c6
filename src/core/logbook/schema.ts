import * as v from 'valibot'
import { id, text } from '../quantity/schema'

/** What people decided in the logbook of a line. */
export const logbookSchema = v.strictObject({
  /** Jobs that do not compare by themselves, and that somebody put back. */
  putBack: v.pipe(v.array(id), v.maxLength(200)),
  /** The chance of being within below which it is looked at again, per cent as typed; empty for 70. */
  below: text(6),
})

export type Logbook = v.InferOutput<typeof logbookSchema>

export const emptyLogbook: Logbook = { putBack: [], below: '' }

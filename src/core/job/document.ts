import * as v from 'valibot'
import { logbookSchema } from '../logbook/schema'
import { proofSchema } from '../prove/schema'
import { id, text } from '../quantity/schema'
import { readySchema } from '../ready/schema'
import { seatSchema } from '../seat/schema'
import { photographsSchema } from './photographs'
import { shape } from './shape'

/**
 * The frame of every line and every job, whatever its kind: what people typed, as they typed it. Everything else can be worked
 * out again.
 */

/** What every line has. Its kind adds its own to it. */
export const lineFrame = {
  shape,
  name: text(80),
  area: text(80),
  /** Checks of this line's own, proposed in Ready on every job. */
  checks: v.optional(v.pipe(v.array(v.strictObject({ id, text: text(120) })), v.maxLength(20))),
  /** What people decided in its logbook. */
  logbook: v.optional(logbookSchema),
}

/** What every round of readings has. */
export const roundFrame = {
  id,
  /** ISO date and time the round was begun. */
  takenAt: text(40),
  by: text(40),
}

const keptOwnSchema = v.strictObject({
  path: v.pipe(v.array(text(60)), v.maxLength(12)),
  own: text(20_000),
  line: text(20_000),
})

/** What every job has beside its line and its rounds. */
const jobFrame = {
  shape,
  title: text(80),
  note: text(2000),
  /** Minutes spent at the machine, as typed. */
  minutes: text(12),
  /** Initials of who did the job, for the printed page. */
  doneBy: text(40),
  /** Before the first reading; absent until something is entered. */
  ready: v.optional(readySchema),
  /** Soft foot, by machine. */
  seat: v.optional(v.record(id, seatSchema)),
  /** Pictures taken on the way; absent until there is one. */
  photographs: v.optional(photographsSchema),
  /** What was ticked and declared when it was proved. */
  proof: v.optional(proofSchema),
  /** Where this job keeps its own, and its line has something else: the place, and what both have there, as JSON. */
  keptOwn: v.optional(v.pipe(v.array(keptOwnSchema), v.maxLength(200))),
}

/** The schema of a job of one kind, from those of its line (as it was on this visit) and of a round. */
export const jobSchemaOf = <L extends v.GenericSchema, R extends v.GenericSchema>(line: L, round: R) =>
  v.strictObject({ ...jobFrame, line, rounds: v.pipe(v.array(round), v.minLength(1), v.maxLength(30)) })

export interface LineFrame extends v.InferOutput<v.StrictObjectSchema<typeof lineFrame, undefined>> {
  kind: string
}
export type RoundFrame = v.InferOutput<v.StrictObjectSchema<typeof roundFrame, undefined>>

/** A job of lines and rounds of one kind. */
export type JobOf<L extends LineFrame, R extends RoundFrame> = v.InferOutput<
  v.StrictObjectSchema<typeof jobFrame, undefined>
> & { line: L; rounds: R[] }

/** What on a line has a name, for the sentences that tell of it. */
export interface NamedLine {
  sides: { near: string; far: string }
  machines: readonly { id: string; name: string; feet: readonly { id: string; name: string }[] }[]
  couplings: readonly { id: string; name: string }[]
  marks?: readonly { id: string; name: string }[] | undefined
}

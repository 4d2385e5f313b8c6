import * as v from 'valibot'
import { type Job, jobSchema, type Line, lineSchema } from '../kinds/train/document/schema'
import { type KitItem, kitItemSchema } from '../kit/schema'
import { documentShape } from './shape'

/**
 * Documents as they were stored, by whatever version of this program, brought up to today's shape. A new shape comes with
 * a migration of the database, even an empty one, so that an older program does not open it.
 */

type Loose = Readonly<Record<string, unknown>>
type Step = (document: Loose) => Loose

const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value)
const each = (list: unknown, change: Step): unknown =>
  Array.isArray(list) ? list.map((one) => (isLoose(one) ? change(one) : one)) : list

/** To shape 2: what a set was read for stood in its state alone. */
const withPurposes: Step = (job) => ({
  ...job,
  rounds: each(job.rounds, (round) => ({
    ...round,
    sets: each(round.sets, (set) => ({
      ...set,
      purpose: set.purpose ?? (set.state === 'engaged' ? 'closed' : 'plan'),
    })),
  })),
})

const same: Step = (document) => document

/** What leads from each shape to the next, the first from shape 1. */
const steps: Readonly<Record<'job' | 'line' | 'kit', readonly Step[]>> = {
  job: [withPurposes],
  line: [same],
  kit: [same],
}

function upToDate(kind: keyof typeof steps, stored: unknown): unknown {
  if (!isLoose(stored)) return stored
  const from = typeof stored.shape === 'number' ? stored.shape : 1
  // a newer shape is left as it is: the schema says that it is not known
  if (from > documentShape) return stored
  return { ...steps[kind].slice(from - 1).reduce((document, step) => step(document), stored), shape: documentShape }
}

/** A job of any shape as today's; what is no job at all is left as it is. */
export const jobToday = (stored: unknown) => upToDate('job', stored) as Job
export const lineToday = (stored: unknown) => upToDate('line', stored) as Line
export const kitToday = (stored: unknown) => upToDate('kit', stored) as KitItem

/** Documents of any shape, as they come from a page, a file or an older copy. */
export const anyJobSchema = v.pipe(v.unknown(), v.transform(jobToday), jobSchema)
export const anyLineSchema = v.pipe(v.unknown(), v.transform(lineToday), lineSchema)
export const anyKitSchema = v.pipe(v.unknown(), v.transform(kitToday), kitItemSchema)

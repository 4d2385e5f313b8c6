import * as v from 'valibot'
import { type AnyJob, type AnyLine, anyJob, anyLine, kindNamed, kindOf } from '../kinds'
import type { Migration } from '../kinds/kind'
import { type KitItem, kitItemSchema } from '../kit/schema'
import { documentShape } from './shape'

/**
 * Documents as they were stored, by whatever version of this program, brought up to today's shape. A new shape comes with
 * a migration of the database, even an empty one, so that an older program does not open it.
 */

type Loose = Readonly<Record<string, unknown>>

const isLoose = (value: unknown): value is Loose => typeof value === 'object' && value !== null && !Array.isArray(value)

/** What leads a piece of kit from each shape to the next, the first from shape 1. */
const kitSteps: readonly Migration[] = [(document) => document]

function upToDate(steps: readonly Migration[], stored: unknown): unknown {
  if (!isLoose(stored)) return stored
  const from = typeof stored.shape === 'number' ? stored.shape : 1
  // a newer shape is left as it is: the schema says that it is not known
  if (from > documentShape) return stored
  return { ...steps.slice(from - 1).reduce((document, step) => step(document), stored), shape: documentShape }
}

/** A job of any shape as today's; what is no job at all is left as it is. */
export const jobToday = (stored: unknown) =>
  upToDate(kindOf({ kind: kindNamed(stored) }).migrations.job, stored) as AnyJob
export const lineToday = (stored: unknown) =>
  upToDate(kindOf({ kind: kindNamed(stored) }).migrations.line, stored) as AnyLine
export const kitToday = (stored: unknown) => upToDate(kitSteps, stored) as KitItem

/** Documents of any shape, as they come from a page, a file or an older copy. */
export const anyJobSchema = v.pipe(v.unknown(), v.transform(jobToday), anyJob)
export const anyLineSchema = v.pipe(v.unknown(), v.transform(lineToday), anyLine)
export const anyKitSchema = v.pipe(v.unknown(), v.transform(kitToday), kitItemSchema)

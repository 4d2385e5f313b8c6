import type { Context } from 'hono'
import * as v from 'valibot'
import { hasEdit } from '../db/edit'
import { refusal } from './answers'

/** The id that the sender gives to something new, so that sending it again does not make a second one. */
export const newIdOf = v.optional(
  v.pipe(v.string(), v.regex(/^[\w-]{6,40}$/, 'an id of 6 to 40 letters and digits')),
  () => crypto.randomUUID(),
)

/** The body of an edit: the version it was made from, the document, and an id that is the same when it is sent again. */
export const editBody = <S extends v.GenericSchema>(document: S) =>
  v.strictObject({
    version: v.pipe(v.number(), v.integer()),
    edit: v.optional(v.pipe(v.string(), v.regex(/^[\w-]{6,40}$/, 'an id of 6 to 40 letters and digits'))),
    document,
  })

/**
 * What is answered when an edit was not stored because the document is at another version. An edit that came before and
 * whose answer was lost is stored already; where others went on from it, that is said, so that nobody is asked to choose
 * between two things of their own.
 */
export function notStored<S extends { version: number; edits: string }>(
  c: Context,
  current: S,
  { version, edit }: { version: number; edit?: string | undefined },
) {
  const known = hasEdit(current, edit)
  if (known && current.version === version + 1) return c.json(current, 200)
  return c.json({ ...refusal('version', 'Changed meanwhile by someone else.'), current, known }, 409)
}

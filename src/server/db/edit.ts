import { type SQL, sql } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'

/** An edit of a document, made from a version of it. */
export interface Edit<T> {
  version: number
  document: T
  /** Made up by who sends it: the same when it is sent again. */
  edit: string | undefined
  at: string
}

/** How much of the ids of earlier edits is kept, characters. */
const remembered = 1200

/** The next version, and the edit's id among those that were stored. */
export const stepped = (table: { edits: SQLiteColumn }, version: number, edit: string | undefined) => ({
  version: version + 1,
  ...(edit === undefined
    ? {}
    : { edits: sql`substr(${table.edits} || ' ' || ${edit}, ${-remembered})` as SQL<string> }),
})

/** Whether a stored document has this edit in it. */
export const hasEdit = (stored: { edits: string }, edit: string | undefined): boolean =>
  edit !== undefined && stored.edits.split(' ').includes(edit)

import { sql } from 'drizzle-orm'
import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { JobSummary } from '../../core/advice/summary'
import type { Job, Line } from '../../core/job/schema'
import type { KitItem } from '../../core/kit/schema'

/** A line as it is known today. Jobs keep their own copy. */
export const lines = sqliteTable('lines', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  area: text('area').notNull(),
  document: text('document', { mode: 'json' }).$type<Line>().notNull(),
  /** Grows by one with every edit; an edit names the version it was made from. */
  version: integer('version').notNull().default(1),
  updatedAt: text('updated_at').notNull(),
  /** When it was put away; nothing that a record hangs on is ever deleted. */
  archivedAt: text('archived_at'),
})

/** A piece of kit: dial, bracket, head, or a comparison against a gauge block. */
export const kit = sqliteTable('kit', {
  id: text('id').primaryKey(),
  kind: text('kind').$type<KitItem['kind']>().notNull(),
  name: text('name').notNull(),
  document: text('document', { mode: 'json' }).$type<KitItem>().notNull(),
  /** Grows by one with every edit; an edit names the version it was made from. */
  version: integer('version').notNull().default(1),
  updatedAt: text('updated_at').notNull(),
  /** When it was put away; nothing that a record hangs on is ever deleted. */
  archivedAt: text('archived_at'),
})

export const jobStates = ['due', 'in-hand', 'signed'] as const

/** One visit to one line. The document is what was typed; the other columns are for lists and can be made again. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    number: integer('number').notNull().unique(),
    lineId: text('line_id')
      .notNull()
      .references(() => lines.id),
    state: text('state', { enum: jobStates }).notNull(),
    dueOn: text('due_on'),
    signedBy: text('signed_by'),
    signedAt: text('signed_at'),
    document: text('document', { mode: 'json' }).$type<Job>().notNull(),
    version: integer('version').notNull().default(1),
    title: text('title').notNull(),
    lineName: text('line_name').notNull(),
    area: text('area').notNull(),
    summary: text('summary', { mode: 'json' }).$type<JobSummary>().notNull(),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
    /** Everyone whose initials stand in it, blanks between: for the search. */
    people: text('people').notNull().default(''),
    /** When it was put away; nothing is ever deleted. */
    archivedAt: text('archived_at'),
  },
  (table) => [
    index('jobs_by_state').on(table.state, table.updatedAt),
    index('jobs_by_line').on(table.lineId),
    index('jobs_by_time').on(sql`${table.updatedAt} desc`),
  ],
)

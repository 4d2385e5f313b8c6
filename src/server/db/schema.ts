import { sql } from 'drizzle-orm'
import { customType, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core'
import type { Sources } from '../../core/job/learned'
import { jobToday, kitToday, lineToday } from '../../core/job/migrate'
import type { Photograph } from '../../core/job/photographs'
import { type JobSummary, summaryToday } from '../../core/job/summary'
import type { KitItem } from '../../core/kit/schema'
import type { Book } from '../../core/logbook/book'
import type { KeptVisit } from '../../core/logbook/visit'
import type { Role } from '../../core/people/roles'
import type { SiteSettings } from '../../core/site/schema'

/** A document as JSON: read in whatever shape it was stored, written in today's. */
const documentAs = <T>(today: (stored: unknown) => T) =>
  customType<{ data: T; driverData: string }>({
    dataType: () => 'text',
    fromDriver: (stored) => today(JSON.parse(stored)),
    toDriver: (document) => JSON.stringify(today(document)),
  })

/** What a list shows of a job, as JSON; one of an older core stands in until it is made again. */
const summary = customType<{ data: JobSummary; driverData: string }>({
  dataType: () => 'text',
  fromDriver: (stored) => summaryToday(JSON.parse(stored)),
  toDriver: (made) => JSON.stringify(made),
})

/**
 * Ids of the latest edits that were stored, blanks between: an edit whose answer was lost on the way is known again when it
 * comes a second time.
 */
const edits = () => text('edits').notNull().default('')

/** What it is found by beside its name; nothing where that was not gathered yet. */
const words = () => text('words')

/** A line as it is known today. Jobs have a copy of their own, and what they learn is the line's. */
export const lines = sqliteTable('lines', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  area: text('area').notNull(),
  document: documentAs(lineToday)('document').notNull(),
  /** Grows by one with every edit; an edit names the version it was made from. */
  version: integer('version').notNull().default(1),
  updatedAt: text('updated_at').notNull(),
  edits: edits(),
  words: words(),
  /** Which job what stands in it came from, place by place. */
  sources: text('sources', { mode: 'json' }).$type<Sources>(),
  /** Its logbook at a glance; nothing where a visit changed since. */
  book: text('book', { mode: 'json' }).$type<Book>(),
  /** When it was put away; nothing that a record hangs on is ever deleted. */
  archivedAt: text('archived_at'),
})

/** A piece of kit: dial, bracket, head, or a comparison against a gauge block. */
export const kit = sqliteTable('kit', {
  id: text('id').primaryKey(),
  kind: text('kind').$type<KitItem['kind']>().notNull(),
  name: text('name').notNull(),
  document: documentAs(kitToday)('document').notNull(),
  /** Grows by one with every edit; an edit names the version it was made from. */
  version: integer('version').notNull().default(1),
  updatedAt: text('updated_at').notNull(),
  edits: edits(),
  words: words(),
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
    /** Whose it is; and, once its day was changed, who changed it and why. */
    assignedTo: text('assigned_to').notNull().default(''),
    dueBy: text('due_by'),
    dueBecause: text('due_because'),
    signedBy: text('signed_by'),
    signedAt: text('signed_at'),
    document: documentAs(jobToday)('document').notNull(),
    version: integer('version').notNull().default(1),
    title: text('title').notNull(),
    lineName: text('line_name').notNull(),
    area: text('area').notNull(),
    summary: summary('summary').notNull(),
    /** What it is in its line's logbook; nothing where no round is complete, or it was not worked out yet. */
    visit: text('visit', { mode: 'json' }).$type<KeptVisit>(),
    createdAt: text('created_at').notNull(),
    updatedAt: text('updated_at').notNull(),
    edits: edits(),
    words: words(),
    /** Everyone whose initials stand in it, blanks between: for the search. */
    people: text('people').notNull().default(''),
    /** When it was put away; nothing is ever deleted. */
    archivedAt: text('archived_at'),
  },
  (table) => [
    index('jobs_by_state').on(table.state, table.updatedAt),
    index('jobs_by_line').on(table.lineId, sql`${table.updatedAt} desc`),
    index('jobs_by_time').on(sql`${table.updatedAt} desc`),
    // the Floor counts and turns its pages without looking into a row
    index('jobs_on_floor').on(table.archivedAt, sql`${table.updatedAt} desc`),
    index('jobs_on_floor_by_state').on(table.archivedAt, table.state, sql`${table.updatedAt} desc`),
    index('jobs_found').on(table.id, table.archivedAt, table.state, table.area, table.updatedAt),
    index('jobs_of_lines').on(table.lineId, table.archivedAt, table.state, table.dueOn),
  ],
)

/** Bytes. */
const bytes = customType<{ data: Uint8Array; driverData: ArrayBuffer | Uint8Array }>({
  dataType: () => 'blob',
  fromDriver: (stored) => new Uint8Array(stored),
  toDriver: (data) => data,
})

/** A signed revision of a job, which nothing changes any more but that it was opened again. */
export const revisions = sqliteTable(
  'revisions',
  {
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    /** From 1, within its job. */
    number: integer('number').notNull(),
    /** The sealed revision as canonical JSON, letter for letter as it was signed. */
    content: text('content').notNull(),
    sha256: text('sha256').notNull(),
    /** Its printed record; made when first asked for where it is not there. */
    pdf: bytes('pdf'),
    doneBy: text('done_by').notNull(),
    checkedBy: text('checked_by').notNull(),
    signedAt: text('signed_at').notNull(),
    reopenedBy: text('reopened_by'),
    reopenedBecause: text('reopened_because'),
    reopenedAt: text('reopened_at'),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.number] })],
)

/** A picture, by the SHA-256 of its bytes: documents name it, and nothing that they name is ever deleted. */
export const photographs = sqliteTable('photographs', {
  id: text('id').primaryKey(),
  type: text('type').$type<Photograph['type']>().notNull(),
  bytes: bytes('bytes').notNull(),
  storedAt: text('stored_at').notNull(),
})

/** What is the site's own: one row of JSON. */
export const site = sqliteTable('site', {
  id: integer('id').primaryKey(),
  document: text('document', { mode: 'json' }).$type<SiteSettings>().notNull(),
})

/** A moment, as the door's library keeps it: seconds. */
const moment = (name: string) => integer(name, { mode: 'timestamp' })

/** Somebody with an account. Never deleted: the trail and signed records name them. */
export const people = sqliteTable('people', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** What is typed to sign in, as the address of a mailbox that is never used. */
  email: text('email').notNull().unique(),
  emailVerified: integer('email_verified', { mode: 'boolean' }).notNull().default(false),
  image: text('image'),
  createdAt: moment('created_at').notNull(),
  updatedAt: moment('updated_at').notNull(),
  role: text('role').$type<Role>().notNull().default('reader'),
  initials: text('initials').notNull().default(''),
  /** The initials as they are compared; nothing where somebody has none. One person each. */
  initialsKey: text('initials_key').unique(),
  /** The hash of the PIN that signs acts on a shared tablet. */
  pin: text('pin'),
  /** May not sign in any more since then. */
  putAwayAt: text('put_away_at'),
})

export const sessions = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    expiresAt: moment('expires_at').notNull(),
    token: text('token').notNull().unique(),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    userId: text('user_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
  },
  (table) => [index('sessions_of').on(table.userId)],
)

/** How somebody signs in: here always by a password, kept as its hash. */
export const credentials = sqliteTable(
  'credentials',
  {
    id: text('id').primaryKey(),
    accountId: text('account_id').notNull(),
    providerId: text('provider_id').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: moment('access_token_expires_at'),
    refreshTokenExpiresAt: moment('refresh_token_expires_at'),
    scope: text('scope'),
    password: text('password'),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
  },
  (table) => [index('credentials_of').on(table.userId)],
)

/** One-time codes that are out, by their hashes. */
export const codes = sqliteTable(
  'codes',
  {
    id: text('id').primaryKey(),
    identifier: text('identifier').notNull(),
    value: text('value').notNull(),
    expiresAt: moment('expires_at').notNull(),
    createdAt: moment('created_at').notNull(),
    updatedAt: moment('updated_at').notNull(),
  },
  (table) => [index('codes_by_identifier').on(table.identifier)],
)

/**
 * Who changed what, in order. Rows are only ever added, in the same transaction as what they tell; the chain of hashes is
 * laid over them right after. The database itself refuses to change or remove one.
 */
export const trail = sqliteTable(
  'trail',
  {
    number: integer('number').primaryKey({ autoIncrement: true }),
    at: text('at').notNull(),
    /** The account, and its name at that time; nothing where there was no door. */
    person: text('person'),
    name: text('name').notNull(),
    act: text('act').notNull(),
    /** What it was done to. */
    kind: text('kind').notNull(),
    of: text('of').notNull(),
    /** More about it, as JSON. */
    more: text('more').notNull().default('{}'),
    /** SHA-256 over the row and the hash of the row before it. */
    hash: text('hash'),
  },
  (table) => [index('trail_of').on(table.kind, table.of, table.number), index('trail_open').on(table.hash)],
)

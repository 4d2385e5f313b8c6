import { and, asc, count, desc, eq, inArray, isNotNull, isNull, ne, or, type SQL, sql } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import { wordsOfJob } from '../../core/find/words'
import { learned, sourcesAfter } from '../../core/job/learned'
import { lineToday } from '../../core/job/migrate'
import { coreVersion, type JobSummary } from '../../core/job/summary'
import type { JobIndex } from '../../core/job/worked'
import type { AnyJob } from '../../core/kinds'
import type { Visit } from '../../core/logbook/visit'
import { type Edit, stepped } from './edit'
import { jobsFound, queryOf } from './finds'
import { derivedLine } from './lines'
import type { Database } from './open'
import { type jobStates, jobs, lines } from './schema'
import { trailed, withTrail } from './trail'

export type JobState = (typeof jobStates)[number]

export interface JobQuery {
  search?: string | undefined
  state?: JobState | undefined
  area?: string | undefined
  /** Only what was put away; else only what was not. */
  archived?: boolean | undefined
  page: number
}

export const jobsAPage = 40

/** Columns of a row in a list; the document stays behind. */
const listed = {
  id: jobs.id,
  number: jobs.number,
  state: jobs.state,
  dueOn: jobs.dueOn,
  assignedTo: jobs.assignedTo,
  signedBy: jobs.signedBy,
  signedAt: jobs.signedAt,
  title: jobs.title,
  lineName: jobs.lineName,
  area: jobs.area,
  summary: jobs.summary,
  updatedAt: jobs.updatedAt,
  archivedAt: jobs.archivedAt,
}

/** Whether a column holds a word, letter for letter: `%` and `_` are letters like any other. */
const holds = (column: SQLiteColumn, word: string): SQL =>
  sql`${column} like ${`%${word.replace(/[\\%_]/g, '\\$&')}%`} escape '\\'`

/** A word that an index of words takes as it is. */
const plain = /^[\p{L}\p{N}]+$/u

/**
 * What a search means: every word begins one in the line's name, the area, the title, the people, the machines or the note;
 * "job 14" is that number and no other. What is no plain word is looked for letter for letter.
 */
export function whereOf({ search, state, area, archived }: Omit<JobQuery, 'page'>): SQL | undefined {
  const numbers: number[] = []
  const rest = (search ?? '').replace(/\bjob\s+#?(\d{1,9})\b/gi, (_, number) => {
    numbers.push(Number(number))
    return ' '
  })
  const words = rest.trim().split(/\s+/).filter(Boolean).slice(0, 8)
  const query = queryOf(words.filter((word) => plain.test(word)).join(' '))
  return and(
    archived ? isNotNull(jobs.archivedAt) : isNull(jobs.archivedAt),
    state ? eq(jobs.state, state) : undefined,
    area ? eq(jobs.area, area) : undefined,
    ...numbers.map((number) => eq(jobs.number, number)),
    query ? jobsFound(query) : undefined,
    ...words
      .filter((word) => !plain.test(word))
      .map((word) =>
        or(
          ...[jobs.lineName, jobs.area, jobs.title, jobs.people, jobs.signedBy].map((column) => holds(column, word)),
          /^#\d{1,9}$/.test(word) ? eq(jobs.number, Number(word.slice(1))) : undefined,
        ),
      ),
  )
}

/** One page of jobs, latest first, with how many there are in all. */
export async function listJobs(db: Database, query: JobQuery) {
  const where = whereOf(query)
  // what is due by the day it is due, all else by when it was last worked on
  const order = query.state === 'due' ? [asc(jobs.dueOn), asc(jobs.number)] : [desc(jobs.updatedAt)]
  // of what a search found the page is chosen from an index alone, and only its rows are read
  const page = db
    .select({ id: jobs.id })
    .from(jobs)
    .where(where)
    .orderBy(...order)
    .limit(jobsAPage)
    .offset(jobsAPage * query.page)
  const [rows, [total]] = await db.batch([
    db
      .select(listed)
      .from(jobs)
      .where(query.search ? inArray(jobs.id, page) : where)
      .orderBy(...order)
      .limit(jobsAPage)
      .offset(query.search ? 0 : jobsAPage * query.page),
    db.select({ jobs: count() }).from(jobs).where(where),
  ])
  return {
    rows,
    total: total?.jobs ?? 0,
    page: query.page,
    pages: Math.max(1, Math.ceil((total?.jobs ?? 0) / jobsAPage)),
  }
}

/** The visits to the line of a job, the latest first: enough to choose one by. */
export async function visitsOfLine(db: Database, lineId: string) {
  const rows = await db
    .select({ id: jobs.id, number: jobs.number, title: jobs.title, summary: jobs.summary, updatedAt: jobs.updatedAt })
    .from(jobs)
    .where(eq(jobs.lineId, lineId))
    .orderBy(desc(jobs.updatedAt))
    .limit(50)
  return rows.map(({ summary, ...row }) => ({ ...row, rounds: summary.rounds }))
}

const visitRows = (db: Database, lineId: string) =>
  db
    .select({ job: jobs.id, number: jobs.number, state: jobs.state, visit: sql<string>`${jobs.visit}`.as('visit') })
    .from(jobs)
    .where(and(eq(jobs.lineId, lineId), isNull(jobs.archivedAt), isNotNull(jobs.visit)))
    .orderBy(desc(jobs.updatedAt))
    .limit(60)

/**
 * The latest visits to a line as JSON, those put away left out: put together as they are stored, and not read. Undefined
 * where there is no such line.
 */
export async function visitsJson(db: Database, lineId: string): Promise<string | undefined> {
  const [there, rows] = await db.batch([
    db.select({ id: lines.id }).from(lines).where(eq(lines.id, lineId)),
    visitRows(db, lineId),
  ])
  if (there.length === 0) return undefined
  const told = rows.map(({ job, number, state, visit }) => {
    const about = JSON.stringify({ job, number, signed: state === 'signed' })
    return `${about.slice(0, -1)},${visit.slice(1)}`
  })
  return `[${told.join(',')}]`
}

/** The latest visits to a line, those put away left out: for its logbook. */
export const visitsTo = async (db: Database, lineId: string): Promise<Visit[]> =>
  JSON.parse((await visitsJson(db, lineId)) ?? '[]')

/** Jobs of a line that are due or in hand, and the last that was signed: what a tablet takes along. */
export async function jobsAlong(db: Database, lineId: string) {
  const here = and(eq(jobs.lineId, lineId), isNull(jobs.archivedAt))
  const [open, signed] = await db.batch([
    db
      .select()
      .from(jobs)
      .where(and(here, ne(jobs.state, 'signed')))
      .orderBy(desc(jobs.updatedAt))
      .limit(30),
    db
      .select()
      .from(jobs)
      .where(and(here, eq(jobs.state, 'signed')))
      .orderBy(desc(jobs.signedAt))
      .limit(1),
  ])
  return [...open, ...signed]
}

/** How many jobs are in each state, and the areas there are. */
export async function overview(db: Database) {
  const [states, areas, [away]] = await db.batch([
    db.select({ state: jobs.state, jobs: count() }).from(jobs).where(isNull(jobs.archivedAt)).groupBy(jobs.state),
    db.selectDistinct({ area: jobs.area }).from(jobs).where(isNull(jobs.archivedAt)).orderBy(jobs.area),
    db.select({ jobs: count() }).from(jobs).where(isNotNull(jobs.archivedAt)),
  ])
  return {
    states: Object.fromEntries(states.map(({ state, jobs: n }) => [state, n])) as Partial<Record<JobState, number>>,
    areas: areas.map(({ area }) => area).filter(Boolean),
    archived: away?.jobs ?? 0,
  }
}

export const findJob = (db: Database, id: string) => db.query.jobs.findFirst({ where: eq(jobs.id, id) })

/** What is kept of a job beside its document, without what has to be worked out. */
const told = (document: AnyJob) => ({
  document,
  title: document.title,
  lineName: document.line.name,
  area: document.line.area,
  words: wordsOfJob(document),
  people: [...new Set([document.doneBy, ...document.rounds.map(({ by }) => by)].filter(Boolean))].join(' '),
})

const derived = (document: AnyJob, { summary, visit }: JobIndex) => ({ ...told(document), summary, visit })

/** The summary of before, marked as one to be made again: so it is, should this server end first. */
const asBefore = { summary: sql<JobSummary>`json_set(${jobs.summary}, '$.core', 0)` }

export interface NewJob {
  id: string
  lineId: string
  document: AnyJob
  worked: JobIndex
  state?: JobState
  dueOn?: string
  signedBy?: string
  signedAt?: string
  at: string
}

/** Puts a job away, or brings it back; its document and version stay as they are. */
export async function archiveJob(db: Database, id: string, archivedAt: string | null) {
  const [job] = await withTrail(db, db.update(jobs).set({ archivedAt }).where(eq(jobs.id, id)).returning(), {
    act: archivedAt ? 'put away' : 'brought back',
    kind: 'job',
    of: id,
  })
  return job
}

/** Stores a job of another site under its own number, or under the next free one where that is taken here. */
export async function insertedJob(
  db: Database,
  job: Omit<typeof jobs.$inferInsert, 'title' | 'lineName' | 'area' | 'people' | 'words' | 'summary' | 'visit'>,
  worked: JobIndex,
) {
  const number = sql<number>`case when exists (select 1 from jobs where number = ${job.number})
    then (select max(number) + 1 from jobs) else ${job.number} end`
  const [made] = await withTrail(
    db,
    db
      .insert(jobs)
      .values({ ...job, ...derived(job.document, worked), number })
      .returning({ id: jobs.id, number: jobs.number }),
    { act: 'brought in', kind: 'job', of: job.id },
  )
  if (!made) throw new Error('The job was not saved.')
  return made
}

/** Changes the day a job is due, or whose it is, with the reason. Undefined where it is not due any more. */
export async function changeDue(
  db: Database,
  id: string,
  change: { dueOn: string; assignedTo: string; dueBy: string; dueBecause: string },
) {
  const [changed] = await withTrail(
    db,
    db
      .update(jobs)
      .set(change)
      .where(and(eq(jobs.id, id), eq(jobs.state, 'due')))
      .returning(),
    { act: 'due changed', kind: 'job', of: id, more: change },
  )
  return changed
}

/** Every job that is due, by its day. */
export const dueJobs = (db: Database) =>
  db
    .select({
      id: jobs.id,
      number: jobs.number,
      lineName: jobs.lineName,
      area: jobs.area,
      title: jobs.title,
      dueOn: jobs.dueOn,
      assignedTo: jobs.assignedTo,
    })
    .from(jobs)
    .where(and(eq(jobs.state, 'due'), isNull(jobs.archivedAt)))
    .orderBy(asc(jobs.dueOn))

/** Stores a new job under the next free number; undefined where there is one of this id. */
export async function insertJob(db: Database, { id, lineId, document, worked, at, ...rest }: NewJob) {
  const [made] = await withTrail(
    db,
    db
      .insert(jobs)
      .values({
        id,
        lineId,
        state: 'in-hand',
        ...rest,
        ...derived(document, worked),
        number: sql`(select coalesce(max(number), 0) + 1 from jobs)`,
        createdAt: at,
        updatedAt: at,
      })
      .onConflictDoNothing({ target: jobs.id })
      .returning(),
    { act: 'made', kind: 'job', of: id },
  )
  return made
}

/** So often an edit is tried again because its line was changed at the same moment: of all that are under way one succeeds each time. */
const mostTries = 100

/**
 * Stores an edit made from `version`, and what it teaches about the job's line with it. Undefined when the job is by now at another
 * version or signed: nothing is written. One transaction, so it is committed whole or not at all. A due job that is worked on is
 * in hand.
 *
 * @param worked undefined where it is not worked out yet: what lists show stays as it was until `storeSummary`
 */
export async function updateJob(
  db: Database,
  id: string,
  { version, document, edit = crypto.randomUUID(), at }: Edit<AnyJob>,
  worked: JobIndex | undefined,
) {
  for (let tries = 0; tries < mostTries; tries++) {
    const before = await lineBefore(db, id, version)
    if (!before) return undefined
    const { line, number } = before
    const taught = learned(before.own, document, line.document)
    const job = db
      .update(jobs)
      .set({
        ...(worked ? derived(document, worked) : { ...told(document), ...asBefore }),
        ...stepped(jobs, version, edit),
        updatedAt: at,
        state: 'in-hand',
      })
      .where(
        and(
          eq(jobs.id, id),
          eq(jobs.version, version),
          sql`${jobs.state} <> 'signed'`,
          taught ? sql`exists (select 1 from lines where id = ${line.id} and version = ${line.version})` : undefined,
        ),
      )
      .returning()
    const act = { act: 'edited', kind: 'job', of: id, more: { from: version } } as const
    if (!taught) {
      const [updated] = await withTrail(db, job, act)
      return updated && { job: updated, line: undefined }
    }
    const [[updated], , [changed]] = await db.batch([
      job,
      trailed(db, act),
      db
        .update(lines)
        .set({
          ...derivedLine(taught),
          ...stepped(lines, line.version, edit),
          sources: sourcesAfter(line.sources, number, line.document, taught),
          updatedAt: at,
        })
        // only with the job's edit
        .where(
          and(
            eq(lines.id, line.id),
            eq(lines.version, line.version),
            sql`exists (select 1 from jobs where id = ${id} and version = ${version + 1} and instr(${jobs.edits}, ${edit}) > 0)`,
          ),
        )
        .returning({ id: lines.id, version: lines.version }),
      trailed(db, { act: 'edited', kind: 'line', of: line.id, more: { from: line.version, job: number } }),
    ])
    if (updated) return { job: updated, line: changed }
  }
  return undefined
}

/** A job's own copy of its line, as it is stored, beside the line; undefined where the job is at another version. */
async function lineBefore(db: Database, id: string, version: number) {
  const [found] = await db
    .select({ number: jobs.number, own: sql<string>`json_extract(${jobs.document}, '$.line')`, line: lines })
    .from(jobs)
    .innerJoin(lines, eq(lines.id, jobs.lineId))
    .where(and(eq(jobs.id, id), eq(jobs.version, version)))
  return found && { ...found, own: lineToday(JSON.parse(found.own)) }
}

/** Some jobs whose summary an older core made, or whose words were not gathered, with what is needed to make it again. */
export const summedBefore = (db: Database, most: number) =>
  db
    .select({ id: jobs.id, version: jobs.version, document: jobs.document })
    .from(jobs)
    .where(or(isNull(jobs.words), sql`json_extract(${jobs.summary}, '$.core') is not ${coreVersion}`))
    .limit(most)

/** Puts a summary made again in its place, unless the job has changed meanwhile: signing it changes nothing in it. */
export const storeSummary = (
  db: Database,
  { id, version, document }: { id: string; version: number; document: AnyJob },
  { summary, visit }: JobIndex,
) =>
  db
    .update(jobs)
    .set({ summary, visit, words: wordsOfJob(document) })
    .where(
      and(eq(jobs.id, id), or(eq(jobs.version, version), and(eq(jobs.version, version + 1), eq(jobs.state, 'signed')))),
    )

import { and, asc, count, eq, isNotNull, isNull, sql } from 'drizzle-orm'
import { wordsOfLine } from '../../core/find/words'
import { lineToday } from '../../core/job/migrate'
import type { AnyLine } from '../../core/kinds'
import type { Book } from '../../core/logbook/book'
import { type Edit, stepped } from './edit'
import type { Database } from './open'
import { jobs, lines } from './schema'
import { withTrail } from './trail'

/** The lines there are, or those that were put away, each with how many jobs it has. */
export async function listLines(db: Database, archived = false) {
  const rows = await db
    .select({ line: lines, jobs: count(jobs.id) })
    .from(lines)
    .leftJoin(jobs, eq(jobs.lineId, lines.id))
    .where(archived ? isNotNull(lines.archivedAt) : isNull(lines.archivedAt))
    .groupBy(lines.id)
    .orderBy(asc(lines.area), asc(lines.name))
  return rows.map(({ line, jobs: n }) => ({ ...line, jobs: n }))
}

/** Puts a line away, or brings it back; its jobs stay. */
export async function archiveLine(db: Database, id: string, archivedAt: string | null) {
  const [line] = await withTrail(db, db.update(lines).set({ archivedAt }).where(eq(lines.id, id)).returning(), {
    act: archivedAt ? 'put away' : 'brought back',
    kind: 'line',
    of: id,
  })
  return line
}

export const findLine = (db: Database, id: string) => db.query.lines.findFirst({ where: eq(lines.id, id) })

/** What is kept of a line beside its document. */
export const derivedLine = (document: AnyLine) => ({
  document,
  name: document.name,
  area: document.area,
  words: wordsOfLine(document),
  // its logbook's choices are in it
  book: null,
})

/** Stores a new line; undefined where there is one of this id. */
export async function insertLine(db: Database, id: string, document: AnyLine, at: string) {
  const [made] = await withTrail(
    db,
    db
      .insert(lines)
      .values({ id, ...derivedLine(document), updatedAt: at })
      .onConflictDoNothing({ target: lines.id })
      .returning(),
    { act: 'made', kind: 'line', of: id },
  )
  return made
}

/** Stores many new lines, all or none; those whose ids are there already are left as they are. */
export async function insertLines(db: Database, list: readonly { id: string; document: AnyLine }[], at: string) {
  const values = list.map(({ id, document }) => ({ id, ...derivedLine(document), updatedAt: at }))
  return withTrail(
    db,
    db
      .insert(lines)
      .values(values)
      .onConflictDoNothing({ target: lines.id })
      .returning({ id: lines.id, version: lines.version }),
    { act: 'brought in', kind: 'line', of: list.map(({ id }) => id).join(' ') },
  )
}

/** Stores an edit made from `version`; undefined when the line is by now at another version. */
export async function updateLine(db: Database, id: string, { version, document, edit, at }: Edit<AnyLine>) {
  const [updated] = await withTrail(
    db,
    db
      .update(lines)
      .set({ ...derivedLine(document), ...stepped(lines, version, edit), updatedAt: at })
      .where(and(eq(lines.id, id), eq(lines.version, version)))
      .returning(),
    { act: 'edited', kind: 'line', of: id, more: { from: version } },
  )
  return updated
}

/** Another one whenever a job of a line was stored, signed or put away. */
const stamp = sql<string>`(select count(*) || ' ' || coalesce(sum(j.version), 0) || ' ' || count(j.archived_at) || ' ' || count(j.signed_at)
  from jobs j where j.line_id = lines.id)`

/** Lines whose book has to be made again, with what people decided in their logbooks. */
export const linesUnbooked = (db: Database, most: number) =>
  db
    .select({ id: lines.id, document: lines.document, stamp: stamp.as('stamp') })
    .from(lines)
    .where(and(isNull(lines.book), isNull(lines.archivedAt)))
    .limit(most)

/** Keeps a book, unless a job of its line has changed since the stamp was read. */
export const keepBook = (db: Database, id: string, book: Book, read: string) =>
  db
    .update(lines)
    .set({ book })
    .where(and(eq(lines.id, id), sql`${stamp} = ${read}`))

/** Every line in use at a glance, with how its jobs stand. */
export async function linesAtAGlance(db: Database) {
  const rows = await db
    .select({
      id: lines.id,
      name: lines.name,
      area: lines.area,
      /** Only where there is a drift to be told: it names the places. */
      document: sql<
        string | null
      >`case when json_extract(${lines.book}, '$.drift') is not null then ${lines.document} end`,
      book: lines.book,
      open: sql<number>`count(case when ${jobs.state} = 'in-hand' then 1 end)`,
      dueOn: sql<string | null>`min(case when ${jobs.state} = 'due' then ${jobs.dueOn} end)`,
    })
    .from(lines)
    .leftJoin(jobs, and(eq(jobs.lineId, lines.id), isNull(jobs.archivedAt)))
    .where(isNull(lines.archivedAt))
    .groupBy(lines.id)
    .orderBy(asc(lines.area), asc(lines.name))
  return rows.map(({ document, ...row }) => ({
    ...row,
    document: document === null ? null : lineToday(JSON.parse(document)),
  }))
}

import { and, asc, count, eq, isNotNull, isNull } from 'drizzle-orm'
import { wordsOfLine } from '../../core/find/words'
import type { AnyLine } from '../../core/kinds'
import { type Edit, stepped } from './edit'
import type { Database } from './open'
import { jobs, lines } from './schema'

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
  const [line] = await db.update(lines).set({ archivedAt }).where(eq(lines.id, id)).returning()
  return line
}

export const findLine = (db: Database, id: string) => db.query.lines.findFirst({ where: eq(lines.id, id) })

/** What is kept of a line beside its document. */
export const derivedLine = (document: AnyLine) => ({
  document,
  name: document.name,
  area: document.area,
  words: wordsOfLine(document),
})

/** Stores a new line; undefined where there is one of this id. */
export async function insertLine(db: Database, id: string, document: AnyLine, at: string) {
  const [made] = await db
    .insert(lines)
    .values({ id, ...derivedLine(document), updatedAt: at })
    .onConflictDoNothing({ target: lines.id })
    .returning()
  return made
}

/** Stores many new lines, all or none; those whose ids are there already are left as they are. */
export async function insertLines(db: Database, list: readonly { id: string; document: AnyLine }[], at: string) {
  const values = list.map(({ id, document }) => ({ id, ...derivedLine(document), updatedAt: at }))
  return db
    .insert(lines)
    .values(values)
    .onConflictDoNothing({ target: lines.id })
    .returning({ id: lines.id, version: lines.version })
}

/** Stores an edit made from `version`; undefined when the line is by now at another version. */
export async function updateLine(db: Database, id: string, { version, document, edit, at }: Edit<AnyLine>) {
  const [updated] = await db
    .update(lines)
    .set({ ...derivedLine(document), ...stepped(lines, version, edit), updatedAt: at })
    .where(and(eq(lines.id, id), eq(lines.version, version)))
    .returning()
  return updated
}

import { and, asc, eq } from 'drizzle-orm'
import type { Line } from '../../core/job/schema'
import type { Database } from './open'
import { lines } from './schema'

export const listLines = (db: Database) => db.select().from(lines).orderBy(asc(lines.area), asc(lines.name))

export const findLine = (db: Database, id: string) => db.query.lines.findFirst({ where: eq(lines.id, id) })

export async function insertLine(db: Database, id: string, document: Line, at: string) {
  const [made] = await db
    .insert(lines)
    .values({ id, name: document.name, area: document.area, document, updatedAt: at })
    .returning()
  if (!made) throw new Error('A line was not stored.')
  return made
}

/** Stores an edit made from `version`; undefined when the line is by now at another version. */
export async function updateLine(db: Database, id: string, version: number, document: Line, at: string) {
  const [updated] = await db
    .update(lines)
    .set({ name: document.name, area: document.area, document, version: version + 1, updatedAt: at })
    .where(and(eq(lines.id, id), eq(lines.version, version)))
    .returning()
  return updated
}

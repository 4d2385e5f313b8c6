import { eq, isNull, sql } from 'drizzle-orm'
import { wordsOfKit, wordsOfLine } from '../../core/find/words'
import type { Database } from './open'
import { kit, lines } from './schema'

/** Something found: what it is, its name and place, and what of it was meant, `[` and `]` round each word. */
export interface Find {
  kind: 'line' | 'job' | 'kit'
  id: string
  name: string
  place: string
  said: string
  /** Of a job. */
  number: number | null
  state: string | null
  title: string | null
}

/** A search as the index takes it: every word, each as a beginning; undefined where there is none. */
export function queryOf(text: string): string | undefined {
  const words = text.match(/[\p{L}\p{N}]+/gu)?.slice(0, 8) ?? []
  return words.length > 0 ? words.map((word) => `"${word}"*`).join(' ') : undefined
}

const most = 20

/** What fits every word of a text, the best first: a name counts most, then a place. Nothing put away. */
export async function findAll(db: Database, text: string): Promise<Find[]> {
  const query = queryOf(text)
  if (!query) return []
  return db.all<Find>(sql`
    select f.kind, f.ref as id, f.name, f.place, j.number, j.state, j.title,
      snippet(finds_text, 2, '[', ']', ' … ', 10) as said
    from finds_text
    join finds f on f.id = finds_text.rowid
    left join jobs j on f.kind = 'job' and j.id = f.ref
    where finds_text match ${query} and not f.archived
    order by bm25(finds_text, 8.0, 3.0, 1.0), f.kind = 'line' desc, f.id desc
    limit ${most}`)
}

const atOnce = 100

/** Gathers the words of lines and kit that an older program stored; jobs have theirs with their summaries. */
export async function gatherWords(db: Database): Promise<void> {
  for (;;) {
    const [oldLines, oldKit] = await Promise.all([
      db.select({ id: lines.id, document: lines.document }).from(lines).where(isNull(lines.words)).limit(atOnce),
      db.select({ id: kit.id, document: kit.document }).from(kit).where(isNull(kit.words)).limit(atOnce),
    ])
    if (oldLines.length + oldKit.length === 0) return
    for (const { id, document } of oldLines)
      await db
        .update(lines)
        .set({ words: wordsOfLine(document) })
        .where(eq(lines.id, id))
    for (const { id, document } of oldKit)
      await db
        .update(kit)
        .set({ words: wordsOfKit(document) })
        .where(eq(kit.id, id))
  }
}

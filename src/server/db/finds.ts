import { eq, isNull, type SQL, sql } from 'drizzle-orm'
import { wordsOfKit, wordsOfLine } from '../../core/find/words'
import type { Database } from './open'
import { jobs, kit, lines } from './schema'

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

/**
 * A search as the index takes it: every word, each as a beginning, a single letter or digit as it is; undefined where there
 * is none.
 */
export function queryOf(text: string): string | undefined {
  const words = text.match(/[\p{L}\p{N}]+/gu)?.slice(0, 8) ?? []
  return words.length > 0 ? words.map((word) => (word.length > 1 ? `"${word}"*` : `"${word}"`)).join(' ') : undefined
}

const most = 20

/** A word without what stands on its letters, as the index has it. */
const bare = (word: string) => word.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/** Words round the first one that was meant, `[` and `]` round each of those that were. */
export function highlightMatches(said: string, query: string): string {
  const wanted = [...query.matchAll(/"([^"]+)"(\*?)/g)].map(([, word = '', prefix]) => ({ word: bare(word), prefix }))
  const hit = (part: string) => {
    const word = bare(part)
    return wanted.some((one) => (one.prefix ? word.startsWith(one.word) : word === one.word))
  }
  const parts = said.split(/([\p{L}\p{N}]+)/u)
  const first = parts.findIndex((part, i) => i % 2 === 1 && hit(part))
  if (first < 0) return ''
  const from = Math.max(0, first - 8)
  const shown = parts.slice(from, from + 20).map((part, i) => ((from + i) % 2 === 1 && hit(part) ? `[${part}]` : part))
  return `${from > 0 ? '… ' : ''}${shown.join('').trim()}${from + 20 < parts.length ? ' …' : ''}`
}

/** What fits every word of a text, the best first: a name counts most, then a place. Nothing put away. */
export async function findAll(db: Database, text: string): Promise<Find[]> {
  const query = queryOf(text)
  if (!query) return []
  const found = await db.all<Find>(sql`
    with best as materialized (
      select rowid as id, rank as place from finds_text where finds_text match ${query} order by rank limit ${3 * most}
    )
    select f.kind, f.ref as id, f.name, f.place, f.words as said, j.number, j.state, j.title
    from best
    cross join finds f on f.id = best.id
    left join jobs j on f.kind = 'job' and j.id = f.ref
    where not f.archived
    order by best.place, f.kind = 'line' desc, f.id desc
    limit ${most}`)
  return found.map(({ said, ...one }) => ({ ...one, said: highlightMatches(said, query) }))
}

/**
 * Jobs that fit every word, as a condition on a list of them. A cross join is taken in the order in which it stands: the index of
 * words first and once, whatever the database knows of its own size. Left to itself, without statistics, it looked through the
 * index for each job anew: 16 s for 10,000 of them.
 */
export const jobsFound = (query: string): SQL =>
  sql`${jobs.id} in (select f.ref from finds_text cross join finds f on f.id = finds_text.rowid and f.kind = 'job' where finds_text match ${query})`

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

import { AsyncLocalStorage } from 'node:async_hooks'
import { and, asc, desc, eq, getTableColumns, gt, isNull, lt, type SQL, sql } from 'drizzle-orm'
import type { BatchItem } from 'drizzle-orm/batch'
import { canonical } from '../../record/revision'
import { sha256 } from '../sha256'
import type { Database } from './open'
import { jobs, kit, lines, people, trail } from './schema'

/** Who does something: an account, or whoever sits at a machine that has no door. */
export interface Acting {
  id: string | null
  name: string
}

const acting = new AsyncLocalStorage<Acting>()

/** Does something in somebody's name: what it stores is told in the trail as theirs. */
export const inTheNameOf = <R>(who: Acting, work: () => R): R => acting.run(who, work)

const nobody: Acting = { id: null, name: '' }

export interface Act {
  act:
    | 'made'
    | 'edited'
    | 'put away'
    | 'brought back'
    | 'due changed'
    | 'signed'
    | 'opened again'
    | 'brought in'
    | 'invited'
    | 'given a code'
    | 'changed'
    | 'signed in'
    | 'not let in'
    | 'signed out'
    | 'signed out everywhere'
    | 'code used'
    | 'PIN set'
    | 'wrong PIN'
    | 'copied'
  kind: 'job' | 'line' | 'kit' | 'site' | 'photograph' | 'archive' | 'person' | 'data'
  of: string
  more?: object
}

/** Edits of one thing by one person within this time of the first are one entry, ms: every save would bury the rest. */
const together = 10 * 60_000

/** Counts the acts on people's accounts and sessions in a database, as far as this process did them. */
const accountActs = new WeakMap<Database, number>()
export const accountsChanged = (db: Database): number => accountActs.get(db) ?? 0

/** The row that tells what the statement before it changed; none where that changed nothing. */
function entry(db: Database, { act, kind, of, more = {} }: Act, condition: SQL) {
  if (kind === 'person') accountActs.set(db, accountsChanged(db) + 1)
  const { id, name } = acting.getStore() ?? nobody
  const at = new Date()
  const begun =
    act === 'edited'
      ? sql` and not exists (select 1 from trail where number = (select max(number) from trail where kind = ${kind} and "of" = ${of})
          and act = 'edited' and person is ${id} and at > ${new Date(at.getTime() - together).toISOString()})`
      : sql``
  return db.run(
    sql`insert into trail (at, person, name, act, kind, "of", more)
      select ${at.toISOString()}, ${id}, ${name}, ${act}, ${kind}, ${of}, ${JSON.stringify(more)} where ${condition}${begun}`,
  )
}

/** To stand in a batch right after the statement whose change it tells. */
export const trailed = (db: Database, act: Act) => entry(db, act, sql`changes() > 0`)

/** Something that changes no row of its own. */
export const noted = (db: Database, act: Act) => entry(db, act, sql`true`)

/** A statement, and in the same transaction the row that tells it. */
export async function withTrail<S extends BatchItem<'sqlite'>>(db: Database, statement: S, act: Act) {
  const [rows] = await db.batch([statement, trailed(db, act)])
  // whoever was looked up meanwhile was looked up before it
  if (act.kind === 'person') accountActs.set(db, accountsChanged(db) + 1)
  return rows
}

type Row = typeof trail.$inferSelect

/** The hash of the chain at a row: SHA-256 of its canonical JSON with the hash of the row before it. */
export const hashOf = ({ hash: _, ...row }: Row, before: string): string => sha256(canonical({ ...row, before }))

/** Before the first row. */
export const beginning = ''

/** Lays the chain over the rows that have no hash yet. Whoever does it comes to the same hashes. */
export async function sealTrail(db: Database): Promise<void> {
  for (;;) {
    const open = await db.select().from(trail).where(isNull(trail.hash)).orderBy(asc(trail.number)).limit(200)
    const [first] = open
    if (!first) return
    const [last] = await db
      .select()
      .from(trail)
      .where(lt(trail.number, first.number))
      .orderBy(desc(trail.number))
      .limit(1)
    let before = last?.hash ?? beginning
    const sealed = open.map((row) => {
      before = hashOf(row, before)
      return db.update(trail).set({ hash: before }).where(sql`${trail.number} = ${row.number} and hash is null`)
    })
    const [one, ...rest] = sealed
    if (one) await db.batch([one, ...rest])
  }
}

/** The trail in order, some rows at a time. */
export async function* trailRows(db: Database, atOnce = 1000): AsyncGenerator<Row> {
  for (let from = 0; ; ) {
    const rows = await db.select().from(trail).where(gt(trail.number, from)).orderBy(asc(trail.number)).limit(atOnce)
    yield* rows
    const last = rows.at(-1)
    if (!last) return
    from = last.number
  }
}

/**
 * Follows the chain from its beginning.
 *
 * @returns how many rows it holds together, its last hash, and the first row that does not fit, if any
 */
export async function checkTrail(
  rows: AsyncIterable<Row>,
): Promise<{ rows: number; head: string; brokenAt: number | undefined }> {
  let [count, before] = [0, beginning]
  for await (const row of rows) {
    if (row.number !== count + 1 || row.hash !== hashOf(row, before))
      return { rows: count, head: before, brokenAt: row.number }
    before = row.hash
    count++
  }
  return { rows: count, head: before, brokenAt: undefined }
}

/** A page of the trail, the latest first, with what each thing is called by now. */
export const latestOfTrail = (db: Database, { before, most }: { before?: number | undefined; most: number }) =>
  db
    .select({
      ...getTableColumns(trail),
      called: sql<string | null>`coalesce(${jobs.lineName}, ${lines.name}, ${kit.name}, ${people.name})`,
      jobNumber: jobs.number,
    })
    .from(trail)
    .leftJoin(jobs, and(eq(trail.kind, 'job'), eq(jobs.id, trail.of)))
    .leftJoin(lines, and(eq(trail.kind, 'line'), eq(lines.id, trail.of)))
    .leftJoin(kit, and(eq(trail.kind, 'kit'), eq(kit.id, trail.of)))
    .leftJoin(people, and(eq(trail.kind, 'person'), eq(people.id, trail.of)))
    .where(before === undefined ? undefined : lt(trail.number, before))
    .orderBy(desc(trail.number))
    .limit(most)

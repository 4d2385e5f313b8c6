import { gte, sql } from 'drizzle-orm'
import type { WebSocket } from 'ws'
import type { Database } from './db/open'
import { jobs, kit, lines } from './db/schema'
import { type Room, sendTo } from './sockets'

/** What changed, for everybody who has it open or in a list. */
export interface Change {
  kind: 'job' | 'line' | 'kit'
  id: string
  version: number
}

/** Tells whoever listens what was stored. */
export class Changes {
  private readonly listeners = new Set<(change: Change) => void>()

  tell(change: Change): void {
    for (const listener of this.listeners) listener(change)
  }

  listen(listener: (change: Change) => void): () => void {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
}

/** How far the clocks of several servers may be apart, ms: what was stored since then is looked at again. */
const apart = 30_000

/**
 * What other servers store in the same database, told here as well: looked for every so often among what was last stored.
 *
 * @returns stops looking
 */
export function followOthers(db: Database, changes: Changes, every = 1000): () => void {
  /** What was told, by kind and id, and the latest version of it. */
  const told = new Map<string, number>()
  const know = ({ kind, id, version }: Change) => told.set(`${kind} ${id}`, version)
  const leave = changes.listen(know)
  let begun = false
  let timer: ReturnType<typeof setTimeout> | undefined
  let stopped = false
  const look = async () => {
    const since = new Date(Date.now() - apart).toISOString()
    const of = (kind: Change['kind'], table: typeof jobs | typeof lines | typeof kit) =>
      db
        .select({ kind: sql<Change['kind']>`${kind}`, id: table.id, version: table.version })
        .from(table)
        .where(gte(table.updatedAt, since))
    const found = await db.batch([of('job', jobs), of('line', lines), of('kit', kit)])
    for (const change of found.flat()) {
      if (told.get(`${change.kind} ${change.id}`) === change.version) continue
      // what there was at the start is nobody's news
      if (begun) changes.tell(change)
      else know(change)
    }
    begun = true
    if (told.size > 10_000) told.clear()
  }
  const again = () => {
    timer = setTimeout(async () => {
      // a database that is away is looked at again
      await look().catch(() => undefined)
      if (!stopped) again()
    }, every)
    timer.unref?.()
  }
  again()
  return () => {
    stopped = true
    clearTimeout(timer)
    leave()
  }
}

/** What is stored within this time is told together, ms: two hundred tablets that type would each be told of every key. */
const together = 100

/** `/api/changes/live`: what is stored, told to every page that is open, a line of JSON each, several lines at once. */
export function changesRoom(changes: Changes): Room {
  const clients = new Set<WebSocket>()
  /** By kind and id: of one that was stored again meanwhile only the last. */
  const waiting = new Map<string, Change>()
  let timer: ReturnType<typeof setTimeout> | undefined
  const tell = () => {
    timer = undefined
    const lines = [...waiting.values()].map((one) => `${JSON.stringify(one)}\n`).join('')
    waiting.clear()
    for (const client of clients) sendTo(client, lines)
  }
  changes.listen((change) => {
    if (clients.size === 0) return
    waiting.set(`${change.kind} ${change.id}`, change)
    if (timer === undefined) timer = setTimeout(tell, together)
  })
  return {
    address: /^\/api\/changes\/live$/,
    most: 1000,
    enter: () => (client) => {
      clients.add(client)
      return () => clients.delete(client)
    },
  }
}

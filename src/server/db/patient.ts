import type { Client } from '@libsql/client'
import { causes } from '../faultOf'

/** How long a request waits for another process that holds the file, ms. */
const patience = 5000
const pause = 50

/** The file was held by another process for longer than a request may wait; nothing was written. */
export class StoreBusy extends Error {
  constructor(message = 'Another program has locked the data. Not saved. Try again in a moment.') {
    super(message)
  }
}

/** The disk takes nothing more: full, read-only, or failing. Nothing was written. */
export class StoreFull extends Error {
  constructor() {
    super('The server disk is full or read-only. Not saved. Tell your administrator.')
  }
}

/** The database is on another server, and that is not reached. An edit that is sent again is stored once, whatever came of it. */
export class StoreAway extends StoreBusy {
  constructor() {
    super('Can’t reach the database server. Try again in a moment.')
  }
}

/**
 * A client that waits while another process holds the file, without standing in the way of other requests. Once a
 * connection has met a held file it is given up for a new one: what is written on it afterwards would be acknowledged
 * and never committed.
 *
 * @param open what each new connection is told first
 */
export function patient(client: Client, open: readonly string[]): Client {
  const waiting = async <R>(work: () => Promise<R>): Promise<R> => {
    const until = Date.now() + patience
    for (;;) {
      try {
        return await work()
      } catch (error) {
        if (isAway(error)) throw new StoreAway()
        if (isFull(error)) throw new StoreFull()
        const held = isBusy(error)
        // another request's new connection may take this one's away before it has begun
        if (!held && (client.closed || codeOf(error) !== 'CLIENT_CLOSED')) throw error
        if (held) {
          await client.reconnect()
          for (const statement of open) await client.execute(statement)
        }
        if (Date.now() > until) throw new StoreBusy()
        await new Promise((go) => setTimeout(go, pause))
      }
    }
  }
  const kept = new Set<keyof Client>(['execute', 'batch', 'executeMultiple', 'migrate'])
  return new Proxy(client, {
    get(target, name: keyof Client) {
      const value: unknown = target[name]
      if (typeof value !== 'function') return value
      if (!kept.has(name)) return value.bind(target)
      return (...args: unknown[]) => waiting(() => Promise.resolve(value.apply(target, args)))
    },
  })
}

const codeOf = (error: unknown) => (error instanceof Error && 'code' in error ? String(error.code) : '')

/** What SQLite says where a disk is full, read-only or broken. */
const isFull = (error: unknown): boolean =>
  [...causes(error)].some((at) => /^SQLITE_(FULL|READONLY|IOERR)/.test(codeOf(at) || at.message))

/** No answer came over the network, or one of a server that cannot answer now. */
function isAway(error: unknown): boolean {
  return [...causes(error)].some(
    (at) => (at instanceof TypeError && at.message === 'fetch failed') || codeOf(at) === 'SERVER_ERROR',
  )
}

function isBusy(error: unknown): boolean {
  return [...causes(error)].some((at) => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(at) || at.message))
}

import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Draft } from './draft'

/** Where work outlives a page. Every act can fail: the store may be full, or forbidden. */
export interface DraftStore {
  keep(kept: Draft): Promise<void>
  /** Everything kept of a document. */
  of(key: string): Promise<Draft[]>
  /** Everything with something in it that was not stored. */
  unsent(): Promise<Draft[]>
  drop(key: string, page: string): Promise<void>
}

interface Shape extends DBSchema {
  kept: { key: [string, string]; value: Draft; indexes: { key: string } }
}

/** How long what is stored and can only be taken back is kept, ms. */
const aWeek = 7 * 24 * 60 * 60_000

/** The browser's own database. Copies share what they have in common: a long sweep is written once. */
export function browserDrawer(name = 'vane-peg'): DraftStore {
  let opened: Promise<IDBPDatabase<Shape>> | undefined
  const database = () => {
    opened ??= openDB<Shape>(name, 1, {
      upgrade(db) {
        db.createObjectStore('kept', { keyPath: ['key', 'page'] }).createIndex('key', 'key')
      },
      terminated: () => {
        opened = undefined
      },
    })
    // a store that could not be opened may open later
    opened.catch(() => {
      opened = undefined
    })
    return opened
  }
  return {
    keep: async (kept) => {
      const done = (await database()).transaction('kept', 'readwrite', { durability: 'relaxed' })
      const put = done.store.put(kept)
      // at once, not when the page has heard of it: it may be on its way out
      done.commit()
      await Promise.all([put, done.done])
    },
    of: async (key) => (await database()).getAllFromIndex('kept', 'key', key),
    unsent: async () => {
      const db = await database()
      const all = await db.getAll('kept')
      const old = all.filter(({ unsent, at }) => !unsent && Date.now() - at > aWeek)
      await Promise.all(old.map(({ key, page }) => db.delete('kept', [key, page])))
      return all.filter(({ unsent }) => unsent)
    },
    drop: async (key, page) => (await database()).delete('kept', [key, page]),
  }
}

import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Photograph } from '../../core/job/photographs'
import type { StoredJob, StoredKit, StoredLine } from '../api/client'

/** Documents as the server has them, by kind. */
export interface Documents {
  job: StoredJob
  line: StoredLine
  kit: StoredKit
}

export type Kind = keyof Documents

/** The server's copy of a document, as it was last heard of. */
export interface Copy<K extends Kind = Kind> {
  /** `job:14`. */
  key: string
  kind: K
  /** The line it belongs to; that of a line is itself. Nothing for kit, which every job may need. */
  line: string
  stored: Documents[K]
  /** When it was last opened or taken along, ms. */
  at: number
}

/** Something new that the server does not have yet: sent once, under an id of its own. */
export interface Made<K extends Kind = Kind> {
  key: string
  kind: K
  json: { id: string; document: Documents[K]['document']; lineId?: string; dueOn?: string }
  at: number
}

/** A picture that is not sent yet. */
export interface Picture {
  id: string
  type: Photograph['type']
  blob: Blob
  at: number
}

interface Shape extends DBSchema {
  copies: { key: string; value: Copy; indexes: { line: string } }
  /** Lines that are taken along. */
  taken: { key: string; value: { line: string; at: number } }
  made: { key: string; value: Made }
  pictures: { key: string; value: Picture }
  /** What else was fetched: lists and logbooks. */
  answers: { key: string; value: string }
}

let opened: Promise<IDBPDatabase<Shape>> | undefined

/** What is on this tablet beside drafts; fails where the browser keeps nothing. */
export function tablet(): Promise<IDBPDatabase<Shape>> {
  opened ??= openDB<Shape>('vane-peg-tablet', 1, {
    upgrade(db) {
      db.createObjectStore('copies', { keyPath: 'key' }).createIndex('line', 'line')
      db.createObjectStore('taken', { keyPath: 'line' })
      db.createObjectStore('made', { keyPath: 'key' })
      db.createObjectStore('pictures', { keyPath: 'id' })
      db.createObjectStore('answers')
    },
    // a newer page of this browser needs another shape: it goes first
    blocking: (_now, _next, event) => {
      opened = undefined
      ;(event.target as IDBDatabase).close()
    },
    terminated: () => {
      opened = undefined
    },
  })
  opened.catch(() => {
    opened = undefined
  })
  return opened
}

let fault: string | undefined
const listeners = new Set<() => void>()

/** Why the last writing failed, in the browser's words; undefined where it succeeded. */
export const writeFault = (): string | undefined => fault

export function onWrite(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** Something on this tablet changed: whoever shows it looks again. */
export function changed(failed?: unknown): void {
  fault = failed === undefined ? undefined : failed instanceof Error ? failed.message : String(failed)
  for (const listener of listeners) listener()
}

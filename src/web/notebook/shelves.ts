import * as v from 'valibot'
import { type AnyJob, type AnyLine, kindNamed } from '../../core/kinds'
import type { KitItem } from '../../core/kit/schema'
import { type Json, type Order, sameDocument } from '../../core/merge/merge'
import { api, type StoredJob, type StoredKit, type StoredLine, sentenceOf } from '../api/client'
import { isUnreached } from '../api/reach'
import { loadKind } from '../kinds/load'
import { fetchOrCopy, keepCopy } from '../tablet/copies'
import { isOnlyHere, onMade, sendMade, unmade } from '../tablet/made'
import type { Draft } from './draft'
import { browserDrawer } from './draftStore'
import { DocumentSession, type Outcome, type Sent, type Stored } from './notebook'
import { Outbox } from './outbox'
import { openPages, thisPage } from './pages'

/** How one kind of document is fetched, sent, named and brought up to date. */
export interface Shelf<T, S extends Stored<T> = Stored<T>> {
  kind: 'job' | 'line' | 'kit'
  fetch(id: string): Promise<S>
  send(id: string, sent: Sent<T>, signal: AbortSignal): Promise<Response>
  title(document: T): string
  /** A document that an older page of this program kept. */
  today(kept: unknown): Promise<T>
  order?: Order
}

/** What brings an old document up to date, with what its kind of line knows of it. */
async function today(kept: unknown) {
  const [migrate] = await Promise.all([import('../../core/job/migrate'), loadKind(kindNamed(kept))])
  return migrate
}

/** The server can store nothing: it is tried again, and said. */
const noRoom = 507

/** A request that has not come back by then is sent again, ms; the server knows it again. */
const patience = 15_000

/** The angles of a set stand in the order of their degrees, whoever added them. */
const anglesInOrder: Order = (path, items) =>
  path.at(-1) === 'angles'
    ? [...items].sort(
        (a, b) => Number((a as Record<string, Json>).degrees) - Number((b as Record<string, Json>).degrees),
      )
    : items

export const jobShelf: Shelf<AnyJob, StoredJob> = {
  kind: 'job',
  fetch: (id) => fetchOrCopy('job', id, (signal) => api.jobs[':id'].$get({ param: { id } }, { init: { signal } })),
  send: (id, sent, signal) =>
    api.jobs[':id'].$put({ param: { id }, json: sent }, { init: { signal } }) as Promise<Response>,
  title: ({ line, title }) => [line.name, title].filter(Boolean).join(', '),
  today: async (kept) => (await today(kept)).jobToday(kept),
  order: anglesInOrder,
}

export const lineShelf: Shelf<AnyLine, StoredLine> = {
  kind: 'line',
  fetch: (id) => fetchOrCopy('line', id, (signal) => api.lines[':id'].$get({ param: { id } }, { init: { signal } })),
  send: (id, sent, signal) =>
    api.lines[':id'].$put({ param: { id }, json: sent }, { init: { signal } }) as Promise<Response>,
  title: ({ name }) => name,
  today: async (kept) => (await today(kept)).lineToday(kept),
}

export const kitShelf: Shelf<KitItem, StoredKit> = {
  kind: 'kit',
  fetch: (id) => fetchOrCopy('kit', id, (signal) => api.kit[':id'].$get({ param: { id } }, { init: { signal } })),
  send: (id, sent, signal) =>
    api.kit[':id'].$put({ param: { id }, json: sent }, { init: { signal } }) as Promise<Response>,
  title: ({ name }) => name,
  today: async (kept) => (await import('../../core/job/migrate')).kitToday(kept),
}

/** An answer that has a stored document in it. */
const storedSchema = v.looseObject({
  version: v.pipe(v.number(), v.safeInteger()),
  document: v.looseObject({}),
  edits: v.string(),
})

/**
 * What came of sending an edit. An answer that breaks off, or does not say that it has this edit, is no answer: the edit is sent
 * again, and is known again if it was stored.
 *
 * @param keep is given what the server has by now
 */
export async function outcomeOf<T>(
  request: Promise<Response>,
  edit: string,
  keep: (stored: Stored<T>) => void = () => undefined,
): Promise<Outcome<T>> {
  try {
    const response = await request
    if (response.ok || response.status === 409) {
      const body: unknown = await response.json()
      const told = response.ok ? body : (body as { current?: unknown } | null)?.current
      if (!v.is(storedSchema, told)) return { kind: 'unreached' }
      const stored = told as unknown as Stored<T>
      if (!response.ok) return { kind: 'conflict', stored }
      if (!stored.edits.split(' ').includes(edit)) return { kind: 'unreached' }
      keep(stored)
      return { kind: 'saved', version: stored.version }
    }
    if (response.status === noRoom) return { kind: 'unreached', why: await sentenceOf(response) }
    if (response.status >= 500 || [401, 408, 425, 429].includes(response.status)) return { kind: 'unreached' }
    return { kind: 'refused', message: await sentenceOf(response) }
  } catch {
    return { kind: 'unreached' }
  }
}

export const draftStore = browserDrawer()
export const outbox = new Outbox()

interface Open<T> {
  book: Promise<DocumentSession<T>>
  /** Screens that show it. */
  screens: number
}

/** The notebooks of this page: those that a screen shows, and those that still have something to send. */
const books = new Map<string, Open<unknown>>()

const keyOf = (shelf: { kind: string }, id: string) => `${shelf.kind}:${id}`
const openAs = <T>(key: string) => books.get(key) as Open<T> | undefined

/** The notebook of a document that was just fetched; work that was left unsent by a page that is gone is taken up. */
export function openBook<T>(shelf: Shelf<T>, id: string, stored: Stored<T>): Promise<DocumentSession<T>> {
  const key = keyOf(shelf, id)
  const there = openAs<T>(key)
  if (there) {
    there.screens++
    void there.book.then((book) => book.refresh(stored))
    return there.book
  }
  const opened: Open<T> = { book: makeBook(shelf, id, stored), screens: 1 }
  books.set(key, opened as unknown as Open<unknown>)
  return opened.book
}

async function makeBook<T>(shelf: Shelf<T>, id: string, stored: Stored<T>): Promise<DocumentSession<T>> {
  const key = keyOf(shelf, id)
  const book = new DocumentSession<T>({
    key,
    page: thisPage,
    title: shelf.title,
    stored,
    send: async (sent) => {
      try {
        await sendMade(key)
      } catch (error) {
        if (isUnreached(error)) return { kind: 'unreached' }
        return { kind: 'refused', message: error instanceof Error ? error.message : String(error) }
      }
      const request = shelf.send(id, sent, AbortSignal.timeout(patience))
      return outcomeOf<T>(request, sent.edit, (stored) => void keepCopy(shelf.kind, stored as never))
    },
    draftStore,
    outbox,
    ...(shelf.order ? { order: shelf.order } : {}),
  })
  if (await isOnlyHere(key)) {
    book.onlyHere(true)
    const stop = onMade(() => {
      void isOnlyHere(key).then((still) => {
        if (still) return
        book.onlyHere(false)
        stop()
      })
    })
  }
  const left = await leftOf(shelf, key)
  if (left.length > 0) book.resumeDrafts(left)
  return book
}

/** What pages that are gone, and this one, left of a document; nothing where the store cannot be read. */
async function leftOf<T>(shelf: Shelf<T>, key: string): Promise<Draft<T>[]> {
  try {
    const all = await draftStore.of(key)
    if (all.length === 0) return []
    const open = all.every(({ page }) => page === thisPage) ? new Set<string>() : await openPages()
    const left = all.filter(({ page }) => page === thisPage || !open.has(page))
    return await Promise.all(left.map((kept) => upToDate(shelf, kept)))
  } catch {
    return []
  }
}

/** What a page of an earlier version kept, in today's shape; its steps back are let go. */
async function upToDate<T>(shelf: Shelf<T>, kept: Draft): Promise<Draft<T>> {
  const [base, document] = [await shelf.today(kept.base), await shelf.today(kept.document)]
  const current = sameDocument<unknown>(document, kept.document)
  return {
    ...kept,
    base,
    document: kept.document === kept.base ? base : document,
    sent: kept.sent && { ...kept.sent, document: await shelf.today(kept.sent.document) },
    past: current ? (kept.past as Draft<T>['past']) : [],
    future: current ? (kept.future as Draft<T>['future']) : [],
  }
}

/** A screen has let go of a notebook: it stays until all of it is stored. */
export async function closeBook(shelf: { kind: string }, id: string): Promise<void> {
  const open = books.get(keyOf(shelf, id))
  if (!open) return
  open.screens--
  const book = await open.book
  await book.flush()
  if (open.screens === 0 && !book.unsent) books.delete(keyOf(shelf, id))
}

/** Whether this page has a document open at this version or a later one. */
export async function has(kind: string, id: string, version: number): Promise<boolean> {
  const book = await books.get(`${kind}:${id}`)?.book
  return book !== undefined && book.storedVersion >= version
}

const shelves = { job: jobShelf, line: lineShelf, kit: kitShelf } as const

/**
 * Sends what earlier pages of this browser left unsent, and tells what of it could not be sent yet: the server is not
 * reached, will not have it, or somebody has to choose.
 */
export async function sendLeft(): Promise<Draft[]> {
  const left = await draftStore.unsent()
  if (left.length === 0) return []
  const open = await openPages()
  for (const { key, page } of left) {
    if (page !== thisPage && open.has(page)) continue
    const [kind = '', id = ''] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)]
    const shelf = shelves[kind as keyof typeof shelves] as unknown as Shelf<unknown> | undefined
    if (!shelf) continue
    if (books.has(key)) {
      void outbox.wake()
      continue
    }
    try {
      await openBook(shelf, id, await shelf.fetch(id))
      await closeBook(shelf, id)
    } catch {
      // not reached, or gone: it stays where it is
    }
  }
  return (await draftStore.unsent()).filter(({ page }) => page === thisPage || !open.has(page))
}

/** Throws away what is kept here of a document and was never stored. */
export async function throwAway({ key, page }: Pick<Draft, 'key' | 'page'>): Promise<void> {
  const book = await books.get(key)?.book
  book?.dropUnsaved()
  await draftStore.drop(key, page)
}

/** Keeps on this device, and sends if it can, all that was typed in this page: before it makes way for another. */
export async function flushAll(): Promise<void> {
  await Promise.all([...books.values()].map(async ({ book }) => (await book).flush()))
}

/** Documents with something in them that the server does not have. */
export async function unsentKeys(): Promise<Set<string>> {
  const [drafts, made] = await Promise.all([draftStore.unsent().catch(() => []), unmade()])
  return new Set([...drafts, ...made].map(({ key }) => key))
}

// what waits is tried at once when there is reason to think that the server is there
if (typeof window !== 'undefined') {
  window.addEventListener('online', () => void outbox.wake())
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') void outbox.wake()
  })
}

import type { Photograph } from '../../core/job/photographs'
import { pictureType, withoutMetadata } from '../../core/job/pictures'
import { photographWords } from '../../words/page/photographs'
import { answered, ask } from '../api/client'
import { isUnreached } from '../api/reach'
import { changed, tablet } from './store'

/** Where the browser keeps pictures under their address; the page's worker answers from it. */
export const pictureStore = 'photographs'

export type Sent = Pick<Photograph, 'id' | 'type'>

const addressOf = (id: string) => `/api/photographs/${id}`

const post = async (body: Blob): Promise<Sent> =>
  (await answered(ask('/api/photographs', { method: 'POST', body }))) as Sent

const hex = (bytes: ArrayBuffer) => [...new Uint8Array(bytes)].map((one) => one.toString(16).padStart(2, '0')).join('')

/**
 * Keeps a picture here under the name that the server will give it, and sends it as soon as the server is reached.
 *
 * @throws Error where it is no picture, or it can be kept neither here nor there
 */
export async function keepPicture(small: Blob): Promise<Sent> {
  const bytes = new Uint8Array(await small.arrayBuffer())
  const type = pictureType(bytes)
  const bare = type && withoutMetadata(bytes, type)
  if (!type || !bare) throw new Error(photographWords.notAPicture)
  // without a secure address the browser keeps nothing: it is sent at once, or not at all
  if (typeof caches === 'undefined' || !crypto.subtle) return post(small)
  const blob = new Blob([bare as Uint8Array<ArrayBuffer>], { type })
  const id = hex(await crypto.subtle.digest('SHA-256', bare as Uint8Array<ArrayBuffer>))
  try {
    await (await tablet()).put('pictures', { id, type, blob, at: Date.now() })
    await (await caches.open(pictureStore)).put(
      addressOf(id),
      new Response(blob, { headers: { 'Content-Type': type } }),
    )
  } catch {
    return post(small)
  }
  void sendPictures().catch(() => undefined)
  return { id, type }
}

/** How many pictures wait to be sent; none where nothing can be read. */
export async function picturesWaiting(): Promise<number> {
  try {
    return await (await tablet()).count('pictures')
  } catch {
    return 0
  }
}

/** Sends the pictures that wait, the oldest first; each is let go of once it was answered. */
export async function sendPictures(): Promise<void> {
  const db = await tablet()
  const waiting = (await db.getAll('pictures')).sort((a, b) => a.at - b.at)
  for (const { id, blob } of waiting) {
    try {
      await post(blob)
    } catch (error) {
      if (isUnreached(error)) break
      throw error
    }
    await db.delete('pictures', id)
  }
  changed()
}

/** Keeps the pictures of documents that are taken along. */
export async function takePictures(ids: readonly string[]): Promise<void> {
  if (typeof caches === 'undefined') return
  const store = await caches.open(pictureStore)
  for (const id of ids) if (!(await store.match(addressOf(id)))) await store.add(addressOf(id)).catch(() => undefined)
}

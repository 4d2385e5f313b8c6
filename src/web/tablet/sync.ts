import type { QueryClient } from '@tanstack/react-query'
import { isReached, onReach } from '../api/reach'
import { sendLeft } from '../notebook/shelves'
import { onMade, sendMade } from './made'
import { sendPictures } from './pictures'
import { concerns, linesTaken, takeAgain } from './take'

/** Lines taken along are looked at again no sooner than this, ms; a change on the server is taken in at once. */
const pause = 10 * 60_000
/** Several changes at once are one look, ms. */
const together = 3000

let running: Promise<void> | undefined
let taken = 0
/** Changes heard of and not looked at yet. */
let heardOf: { kind: string; id: string }[] = []

/**
 * Sends what waits on this tablet, what is new before what was changed in it, and brings the lines taken along up to date.
 * What cannot be sent stays for the next time.
 */
export function sync(client: QueryClient): Promise<void> {
  running ??= work(client).finally(() => {
    running = undefined
  })
  return running
}

async function work(client: QueryClient): Promise<void> {
  await sendMade().catch(() => undefined)
  await sendPictures().catch(() => undefined)
  await sendLeft().catch(() => undefined)
  if (Date.now() - taken < pause || (await linesTaken()).length === 0) return
  taken = Date.now()
  await takeAgain(client).catch(() => {
    taken = 0
  })
}

/** Takes in that somebody changed a document, where it is of a line taken along. */
export function keepUp(client: QueryClient, kind: string, id: string): void {
  heardOf.push({ kind, id })
  if (heardOf.length > 1) return
  setTimeout(async () => {
    const all = heardOf
    heardOf = []
    if (!isReached()) return
    const ours = await Promise.all(all.map((one) => concerns(one.kind, one.id)))
    if (ours.includes(true)) await takeAgain(client).catch(() => undefined)
  }, together)
}

/** Syncs now and whenever the server is there again; the way back ends it. */
export function keepSynced(client: QueryClient): () => void {
  if (isReached() !== false) void sync(client)
  const offReach = onReach(() => {
    if (isReached()) void sync(client)
  })
  const offMade = onMade(() => void client.invalidateQueries())
  return () => {
    offReach()
    offMade()
  }
}

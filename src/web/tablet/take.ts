import type { QueryClient } from '@tanstack/react-query'
import { tabletWords } from '../../words/page/tablet'
import { answered, api, type StoredJob, type StoredKit, type StoredLine } from '../api/client'
import { logbookQuery } from '../api/logbook'
import { siteQuery } from '../api/signing'
import { keepCopy, keyOf, tidyCopies } from './copies'
import { takePictures } from './pictures'
import { changed, tablet, writeFault } from './store'

/** Lines that are taken along; none where nothing can be read. */
export async function linesTaken(): Promise<string[]> {
  try {
    return await (await tablet()).getAllKeys('taken')
  } catch {
    return []
  }
}

/**
 * Puts a line on this tablet with what a person needs at the machine: its jobs that are due or in hand and the last one
 * signed, pictures, logbook and the whole kit.
 *
 * @throws Unreached where the server is not; Error where the browser keeps nothing
 */
export async function takeAlong(line: string, client: QueryClient): Promise<void> {
  const along = await answered(api.lines[':id'].along.$get({ param: { id: line } }))
  const kit = (await answered(api.kit.$get({ query: { archived: 'no' } }))) as unknown as StoredKit[]
  const jobs = along.jobs as unknown as StoredJob[]
  await (await tablet()).put('taken', { line, at: Date.now() })
  const kept = await Promise.all([
    keepCopy('line', along.line as unknown as StoredLine),
    ...jobs.map((job) => keepCopy('job', job)),
    ...kit.map((item) => keepCopy('kit', item)),
  ])
  await Promise.all([client.prefetchQuery(logbookQuery(line)), client.prefetchQuery(siteQuery)])
  client.setQueryData(['kits', false], kit)
  await takePictures(jobs.flatMap(({ document }) => (document.photographs ?? []).map(({ id }) => id)))
  // asked for once there is something to lose; the browser may say no
  await globalThis.navigator?.storage?.persist?.().catch(() => false)
  if (kept.includes(false)) throw new Error(tabletWords.failed(writeFault() ?? ''))
  changed()
}

/** Lets a line go; what is not sent of its jobs stays until it is. */
export async function leaveBehind(line: string, held: ReadonlySet<string>): Promise<void> {
  await (await tablet()).delete('taken', line)
  await tidyCopies(held)
  changed()
}

/** Brings every line taken along up to date. */
export async function takeAgain(client: QueryClient): Promise<void> {
  for (const line of await linesTaken()) await takeAlong(line, client)
}

/** Whether a change concerns a line taken along. */
export async function concerns(kind: string, id: string): Promise<boolean> {
  try {
    const db = await tablet()
    if (kind === 'line') return (await db.getKey('taken', id)) !== undefined
    const copy = await db.get('copies', keyOf(kind as 'job', id))
    return copy !== undefined && (await db.getKey('taken', copy.line)) !== undefined
  } catch {
    return false
  }
}

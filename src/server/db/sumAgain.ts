import type { Logger } from 'pino'
import type { Site } from '../site'
import { gatherWords } from './finds'
import { storeSummary, summedBefore } from './jobs'

const atOnce = 20

/**
 * Makes the summaries and words again that an older core made, a few at a time beside the server's other work.
 *
 * @returns how many were made again
 */
export async function rebuildSummaries({ store, heavy, changes }: Site, log: Logger): Promise<number> {
  await gatherWords(store.db)
  let made = 0
  const tried = new Set<string>()
  for (;;) {
    const before = (await summedBefore(store.db, atOnce + tried.size)).filter(({ id }) => !tried.has(id))
    if (before.length === 0) break
    for (const job of before) {
      const { id, version } = job
      tried.add(id)
      const stored = await storeSummary(store.db, job, await heavy.worked(job.document))
      // changed meanwhile: it was summed up then
      if (stored.rowsAffected > 0) {
        made++
        changes.tell({ kind: 'job', id, version })
        tried.delete(id)
      }
    }
    log.info({ made }, 'summaries rebuilt')
  }
  return made
}

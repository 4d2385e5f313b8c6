import { learned } from '../../core/job/learned'
import type { AnyJob, AnyLine } from '../../core/kinds'
import { copyOf } from '../tablet/copies'
import { draftStore } from './shelves'

/**
 * A line with what jobs on this device have typed of it and the server has not heard yet: the next job begins from it, as it would
 * where the server is reached.
 */
export async function lineKnownHere(id: string, line: AnyLine): Promise<AnyLine> {
  const drafts = await draftStore.unsent().catch(() => [])
  let known = line
  for (const { key, base, document } of drafts.sort((a, b) => a.at - b.at)) {
    if (!key.startsWith('job:')) continue
    const job = await copyOf('job', key.slice('job:'.length))
    if (job?.lineId !== id) continue
    known = learned((base as AnyJob).line, document as AnyJob, known) ?? known
  }
  return known
}

import type { AnyJob } from '../../core/kinds'
import type { JobRow, JobState, StoredJob } from '../api/client'
import { isUnreached } from '../api/reach'
import { loadKinds } from '../kinds/load'
import { draftStore } from '../notebook/shelves'
import { copiesOf, keyOf } from './copies'

export interface JobQuery {
  search?: string
  state?: JobState
  area?: string
  archived?: 'yes'
  page: string
}

interface JobList {
  rows: JobRow[]
  total: number
  page: number
  pages: number
}

/** The list from the server; where it is not reached, of the jobs that are on this tablet. */
export async function listOrHere(query: JobQuery, list: () => Promise<JobList>): Promise<JobList & { here: boolean }> {
  try {
    return { ...(await list()), here: false }
  } catch (error) {
    if (!isUnreached(error)) throw error
    const rows = (await jobsHere()).filter((row) => fits(row, query)).sort(order(query))
    return { rows, total: rows.length, page: 0, pages: 1, here: true }
  }
}

/** Jobs on this tablet with what was typed in them here, as a list shows them. */
async function jobsHere(): Promise<JobRow[]> {
  const [copies, drafts] = await Promise.all([copiesOf('job'), draftStore.unsent().catch(() => [])])
  const [{ summaryOf }] = await Promise.all([import('../../core/job/summary'), loadKinds()])
  return copies.map((stored: StoredJob) => {
    const draft = drafts.filter(({ key }) => key === keyOf('job', stored.id)).sort((a, b) => b.at - a.at)[0]
    if (!draft) return stored
    const document = draft.document as AnyJob
    return {
      ...stored,
      title: document.title,
      lineName: document.line.name,
      area: document.line.area,
      summary: summaryOf(document) as StoredJob['summary'],
      state: stored.state === 'due' ? 'in-hand' : stored.state,
      updatedAt: new Date(draft.at).toISOString(),
    }
  })
}

/** Whether a job is one that a list asks for: every word in its line, area, title, signer or number. */
export function fits(row: JobRow, { search = '', state, area, archived }: JobQuery): boolean {
  const text = [row.lineName, row.area, row.title, row.signedBy ?? '', `job ${row.number}`].join(' ').toLowerCase()
  return (
    (row.archivedAt !== null) === (archived === 'yes') &&
    (!state || row.state === state) &&
    (!area || row.area === area) &&
    search
      .toLowerCase()
      .split(/\s+/)
      .every((word) => text.includes(word))
  )
}

const order =
  ({ state }: JobQuery) =>
  (a: JobRow, b: JobRow): number =>
    state === 'due' ? (a.dueOn ?? '').localeCompare(b.dueOn ?? '') : b.updatedAt.localeCompare(a.updatedAt)

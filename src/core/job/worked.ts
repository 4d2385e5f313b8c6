import type { AnyJob } from '../kinds'
import { type KeptVisit, visitKept } from '../logbook/visit'
import { emptySummary, type JobSummary, summaryOf } from './summary'

/** What is worked out of a job and stored beside it; it can be made again at any time. */
export interface JobIndex {
  summary: JobSummary
  /** Null where no round is complete. */
  visit: KeptVisit | null
}

/**
 * What is worked out of a job. A document that its schema takes is never refused for want of it.
 *
 * @param onFault hears what failed
 */
export function buildJobIndex(job: AnyJob, onFault: (error: unknown) => void = () => undefined): JobIndex {
  const summary = summaryOf(job, onFault)
  try {
    return { summary, visit: visitKept(job) ?? null }
  } catch (error) {
    onFault(error)
    return { summary, visit: null }
  }
}

/** What stands in for a job that could not be worked out. */
export const emptyJobIndex = (job: AnyJob): JobIndex => ({ summary: emptySummary(job), visit: null })

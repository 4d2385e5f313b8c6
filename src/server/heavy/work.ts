import { type JobSummary, summaryOf } from '../../core/advice/summary'
import type { Job } from '../../core/job/schema'
import type { Checked } from '../../core/survey/fault'
import type { Result } from '../../core/survey/result'
import { solveDocument } from '../../planner/solveDocument'
import type { StoredJob } from '../report/pdf'

type Unit = 'mm' | 'mil'

/** What takes long enough to stand in the way of everybody else: done apart from the server's own thread. */
export interface Heavy {
  solve(document: unknown): Promise<Checked<Result>>
  summary(job: Job): Promise<JobSummary>
  /** A PDF of a round. */
  report(job: StoredJob, unit: Unit, round: string | undefined): Promise<Uint8Array>
  /** A PDF for the machine; null where there is nothing to move by. */
  moveSheet(job: StoredJob, unit: Unit, round: string | undefined): Promise<Uint8Array | null>
}

/** The work itself, done where it is called. */
export const here: Heavy = {
  solve: (document) => solveDocument(document),
  summary: async (job) =>
    summaryOf(job, (error) => process.emitWarning(error instanceof Error ? error : String(error))),
  // the printer's packages are large: they are read when first asked for
  report: async (job, unit, round) => {
    const { reportPdf } = await import('../report/pdf')
    return new Uint8Array(await reportPdf(job, unit, round))
  },
  moveSheet: async (job, unit, round) => {
    const { moveSheetPdf } = await import('../report/moveSheet')
    const pdf = await moveSheetPdf(job, unit, round)
    return pdf ? new Uint8Array(pdf) : null
  },
}

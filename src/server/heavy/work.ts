import type { Checked } from '../../core/frame/fault'
import { type JobSummary, summaryOf } from '../../core/job/summary'
import type { AnyJob } from '../../core/kinds'
import { solveDocument } from '../../planner/solveDocument'
import type { StoredJob } from '../report/kind'

type Unit = 'mm' | 'mil'

/** What takes long enough to stand in the way of everybody else: done apart from the server's own thread. */
export interface Heavy {
  solve(document: unknown): Promise<Checked<object>>
  summary(job: AnyJob): Promise<JobSummary>
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
  report: async (job, unit, round) => {
    const { reportPdf } = await import('../report')
    return new Uint8Array(await reportPdf(job, unit, round))
  },
  moveSheet: async (job, unit, round) => {
    const { moveSheetPdf } = await import('../report')
    const pdf = await moveSheetPdf(job, unit, round)
    return pdf ? new Uint8Array(pdf) : null
  },
}

import type { Checked } from '../../core/frame/fault'
import { type JobSummary, summaryOf } from '../../core/job/summary'
import type { AnyJob } from '../../core/kinds'
import { type Visit, type VisitJob, visitOf } from '../../core/logbook/visit'
import { solveDocument } from '../../planner/solveDocument'
import type { StoredJob } from '../report/kind'
import type { Pictures, SignAsk, SignOutcome, ToSign } from '../report/sign'

type Unit = 'mm' | 'mil'

/** What takes long enough to stand in the way of everybody else: done apart from the server's own thread. */
export interface Heavy {
  solve(document: unknown): Promise<Checked<object>>
  summary(job: AnyJob): Promise<JobSummary>
  /** A PDF of a round. */
  report(job: StoredJob, unit: Unit, round: string | undefined): Promise<Uint8Array>
  /** Signs a job, or says what is in the way. */
  sign(job: ToSign, ask: SignAsk): Promise<SignOutcome>
  /** The printed record of a revision, from its canonical JSON; and of a job that is not signed. */
  record(content: string, pictures: Pictures): Promise<Uint8Array>
  draft(
    job: Pick<ToSign, 'number' | 'document' | 'site' | 'kit' | 'pictures' | 'line'>,
    unit: Unit,
  ): Promise<Uint8Array>
  /** An empty sheet for pencil and paper. */
  sheet(job: Pick<ToSign, 'number' | 'document' | 'site'>, round: string | undefined, unit: Unit): Promise<Uint8Array>
  /** Jobs of one line as its logbook keeps them; one without a complete round is left out. */
  logbook(jobs: readonly (VisitJob & { document: AnyJob })[]): Promise<Visit[]>
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
  sign: async (job, ask) => (await import('../report/sign')).signed(job, ask),
  record: async (content, pictures) => (await import('../report/sign')).revisionPdf(JSON.parse(content), pictures),
  draft: async (job, unit) => (await import('../report/sign')).draftPdf(job, unit),
  sheet: async (job, round, unit) => (await import('../report/sign')).readingSheetPdf(job, round, unit),
  logbook: async (jobs) => jobs.flatMap(({ document, ...job }) => visitOf(document, job) ?? []),
  moveSheet: async (job, unit, round) => {
    const { moveSheetPdf } = await import('../report')
    const pdf = await moveSheetPdf(job, unit, round)
    return pdf ? new Uint8Array(pdf) : null
  },
}

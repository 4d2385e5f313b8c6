import { buildJobIndex, type JobIndex } from '../../core/job/worked'
import type { AnyJob } from '../../core/kinds'
import { type Book, bookOf } from '../../core/logbook/book'
import type { Known } from '../../core/logbook/counted'
import type { Checked } from '../../core/quantity/fault'
import { solveDocument } from '../../planner/solveDocument'
import type { DraftJob, Pictures } from '../../print/draft'
import type { PrintedJob } from '../../print/kind'
import { archiveOf } from '../archive/out'
import type { Store } from '../db/open'
import type { SignAsk, SignOutcome, ToSign } from '../report/sign'
import type { Tagged } from '../report/tags'

type Unit = 'mm' | 'mil'

/** Too much at once, or one thing that takes too long: a clear 503, and the thread is free again. */
export class OverloadedError extends Error {}

/** What takes long enough to stand in the way of everybody else: done apart from the server's own thread. */
export interface Heavy {
  solve(document: unknown): Promise<Checked<object>>
  /** What is stored beside a job. */
  worked(job: AnyJob): Promise<JobIndex>
  /** A PDF of a round. */
  report(job: PrintedJob, unit: Unit, round: string | undefined): Promise<Uint8Array>
  /** Signs a job, or says what is in the way. */
  sign(job: ToSign, ask: SignAsk): Promise<SignOutcome>
  /** The printed record of a revision, from its canonical JSON; and of a job that is not signed. */
  record(content: string, pictures: Pictures): Promise<Uint8Array>
  draft(job: DraftJob, unit: Unit): Promise<Uint8Array>
  /** An empty sheet for pencil and paper. */
  sheet(job: Pick<DraftJob, 'number' | 'document' | 'site'>, round: string | undefined, unit: Unit): Promise<Uint8Array>
  /** Lines at a glance, from their visits. */
  books(lines: readonly Known[]): Promise<Book[]>
  /** A page of tags, each with a code that opens a logbook. */
  tags(lines: readonly Tagged[]): Promise<Uint8Array>
  /** The whole site in one file, from the database at an address. */
  archive(store: Pick<Store, 'db' | 'url'>, at: string): ReadableStream<Uint8Array>
  /** A PDF for the machine; null where there is nothing to move by. */
  moveSheet(job: PrintedJob, unit: Unit, round: string | undefined): Promise<Uint8Array | null>
}

/** The printer, with the server's fonts; its packages are large and are read when it is first needed. */
const printing = async () => {
  await import('../report/paper')
  return import('../../print')
}

const signing = async () => {
  await import('../report/paper')
  return import('../report/sign')
}

/** The work itself, done where it is called. */
export const here: Heavy = {
  solve: (document) => solveDocument(document),
  worked: async (job) =>
    buildJobIndex(job, (error) => process.emitWarning(error instanceof Error ? error : String(error))),
  report: async (job, unit, round) => {
    const { reportPdf } = await printing()
    return reportPdf(job, unit, round)
  },
  sign: async (job, ask) => (await signing()).signed(job, ask),
  record: async (content, pictures) => (await signing()).revisionPdf(JSON.parse(content), pictures),
  draft: async (job, unit) => (await printing()).draftPdf(job, unit),
  sheet: async (job, round, unit) => (await printing()).readingSheetPdf(job, round, unit),
  books: async (lines) => lines.map(bookOf),
  tags: async (lines) => (await import('../report/tags')).tagsPdf(lines),
  archive: ({ db }, at) => archiveOf(db, at),
  moveSheet: async (job, unit, round) => {
    const { moveSheetPdf } = await printing()
    return (await moveSheetPdf(job, unit, round)) ?? null
  },
}

import type { AnyJob, KindName } from '../../core/kinds'
import type { findJob } from '../db/jobs'

/** A job as it is stored, of one kind of line. */
export type StoredJob<K extends KindName = KindName> = Omit<
  NonNullable<Awaited<ReturnType<typeof findJob>>>,
  'document'
> & {
  document: AnyJob<K>
}

/** What can be printed of a job of one kind. */
export interface KindReport<K extends KindName> {
  /** A round on one page, or more: drawing, readings, what they come to, what to do. PDF with its fonts inside. */
  report(job: StoredJob<K>, unit: 'mm' | 'mil', round: string | undefined): Promise<Buffer>
  /** What to take to the machine; undefined where there is nothing to move by. */
  moveSheet(job: StoredJob<K>, unit: 'mm' | 'mil', round: string | undefined): Promise<Buffer | undefined>
}

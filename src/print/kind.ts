import type { AnyJob, KindName } from '../core/kinds'

/** What is printed of a job: its number, and what was typed. */
export interface PrintedJob<K extends KindName = KindName> {
  number: number
  signedAt?: string | null
  document: AnyJob<K>
}

/** What can be printed of a job of one kind. */
export interface KindReport<K extends KindName> {
  /** A round on one page, or more: drawing, readings, what they come to, what to do. PDF with its fonts inside. */
  report(job: PrintedJob<K>, unit: 'mm' | 'mil', round: string | undefined): Promise<Uint8Array>
  /** What to take to the machine; undefined where there is nothing to move by. */
  moveSheet(job: PrintedJob<K>, unit: 'mm' | 'mil', round: string | undefined): Promise<Uint8Array | undefined>
}

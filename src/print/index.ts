import type { KindName } from '../core/kinds'
import type { KindReport, PrintedJob } from './kind'

/** What each kind of line prints. The printer's packages are large: they are read when first asked for. */
const reports: { readonly [K in KindName]: () => Promise<KindReport<K>> } = {
  train: async () => (await import('./train')).trainReport,
  rolls: async () => (await import('./rolls')).rollsReport,
  bore: async () => (await import('./bore')).boreReport,
  belt: async () => (await import('./belt')).beltReport,
  upright: async () => (await import('./upright')).uprightReport,
}

const reportOf = <K extends KindName>(kind: K): Promise<KindReport<K>> => reports[kind]()

export async function reportPdf<K extends KindName>(job: PrintedJob<K>, unit: 'mm' | 'mil', round: string | undefined) {
  return (await reportOf(job.document.line.kind as K)).report(job, unit, round)
}

export async function moveSheetPdf<K extends KindName>(
  job: PrintedJob<K>,
  unit: 'mm' | 'mil',
  round: string | undefined,
) {
  return (await reportOf(job.document.line.kind as K)).moveSheet(job, unit, round)
}

export { draftPdf, readingSheetPdf } from './draft'

import type { AnyJob } from '../core/kinds'
import type { KitItem } from '../core/kit/schema'
import type { Known } from '../core/logbook/counted'
import type { SiteSettings } from '../core/site/schema'
import { nextTold } from '../record/next'
import { readingSheetOf } from '../record/readingSheet'
import { kitIn, recordOf } from '../record/record'
import { sheetPdf } from './tagged'

export type Pictures = ReadonlyMap<string, Uint8Array>

/** What a record is printed from before it is signed. */
export interface DraftJob {
  number: number
  document: AnyJob
  site: SiteSettings
  kit: readonly { id: string; document: KitItem }[]
  /** What is known of its line, this visit among the others. */
  line: Known
  /** The job's pictures, by id. */
  pictures: Pictures
}

/** The instruments that a job was read with, and when each is to be looked at again. */
export const instrumentsIn = (document: AnyJob, kit: DraftJob['kit']) =>
  [...kitIn(document)].flatMap(([id, name]) => {
    const found = kit.find((one) => one.id === id)?.document
    return found ? [{ id, name, due: 'calibrationDue' in found ? found.calibrationDue : '' }] : []
  })

/** The record of a job that nobody has signed yet. */
export async function draftPdf(job: DraftJob, unit: 'mm' | 'mil'): Promise<Uint8Array> {
  const instruments = new Map(instrumentsIn(job.document, job.kit).map(({ id, name, due }) => [id, { name, due }]))
  const sheet = recordOf(
    { number: job.number, document: job.document },
    {
      unit,
      site: job.site,
      instruments,
      next: nextTold(job.document.line, job.line, unit),
    },
  )
  return sheetPdf(sheet, new Date(), job.pictures)
}

/** An empty sheet for pencil and paper, for the set-up of a round. */
export async function readingSheetPdf(
  { number, document, site }: Pick<DraftJob, 'number' | 'document' | 'site'>,
  round: string | undefined,
  unit: 'mm' | 'mil',
): Promise<Uint8Array> {
  return sheetPdf(readingSheetOf({ number, document }, round, { unit, site }), new Date())
}

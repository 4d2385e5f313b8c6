import { labels, t } from '../language'

/** What is said where the whole site is taken out and brought in. */
export const siteArchiveWords = labels({
  whole: 'Site archive',
  holds: 'All lines, jobs, signed revisions (with PDFs), kit and photographs in one file, in open formats.',
  take: 'Export archive',
  bring: 'Import archive',
  sending: (percent: number) => t`Sending, ${percent} % …`,
  bringing: 'Importing …',
  never: 'Import never changes existing data. Differences are listed.',
  added: (lines: number, jobs: number, revisions: number, kit: number, pictures: number) =>
    t`Added: ${lines} lines, ${jobs} jobs, ${revisions} revisions, ${kit} pieces of kit, ${pictures} photographs.`,
  same: (count: number) => t`${count} already here and identical.`,
  clashed: (count: number) => t`${count} already here but different, kept as they are:`,
  renumbered: (was: number, now: number) => t`Job ${was} became job ${now}: the number was in use.`,
})

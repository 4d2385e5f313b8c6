import { labels, t } from '../language'

/** What is said where the whole site is taken out and brought in. */
export const siteArchiveWords = labels({
  whole: 'The whole site',
  holds: 'Lines, jobs, signed revisions with their PDFs, kit and photographs in one file, in open formats.',
  take: 'Take an archive',
  bring: 'Bring in an archive',
  sending: (percent: number) => t`Sending, ${percent} % …`,
  bringing: 'Bringing it in …',
  never: 'Nothing that is here is changed: what differs is told.',
  added: (lines: number, jobs: number, revisions: number, kit: number, pictures: number) =>
    t`Added: ${lines} lines, ${jobs} jobs, ${revisions} revisions, ${kit} pieces of kit, ${pictures} photographs.`,
  same: (count: number) => t`${count} were here already, the same.`,
  clashed: (count: number) => t`${count} are here already and differ; they were left as they are here:`,
  renumbered: (was: number, now: number) => t`Job ${was} is job ${now} here: the number was taken.`,
})

import { labels, plural, t } from '../language'

/** What is said of what is on this tablet. */
export const tabletWords = labels({
  onThisTablet: 'On this tablet',
  lines: (count: number) => plural(count, { one: t`1 line saved offline`, other: t`${count} lines saved offline` }),
  jobs: (count: number) =>
    plural(count, { one: t`1 job available offline`, other: t`${count} jobs available offline` }),
  noneTaken: 'No lines saved offline.',
  nothingWaits: 'Everything is sent.',
  waits: (count: number) => plural(count, { one: t`1 change not sent yet.`, other: t`${count} changes not sent yet.` }),
  pictures: (count: number) =>
    plural(count, { one: t`1 photograph not sent yet.`, other: t`${count} photographs not sent yet.` }),
  made: (count: number) =>
    plural(count, { one: t`1 new job or line not sent yet.`, other: t`${count} new jobs or lines not sent yet.` }),
  why: 'Save a line offline to work without a network: open jobs, last signed job, logbook, photographs and kit are stored on this tablet.',
  take: 'Save offline',
  takeNamed: (line: string) => t`Save ${line} offline`,
  taking: 'Saving offline …',
  leave: 'Remove',
  leaveNamed: (line: string) => t`Remove ${line} from this tablet`,
  taken: 'on this tablet',
  space: (used: string, quota: string) => t`${used} used of ${quota} available in this browser.`,
  kept: 'Kept until you clear it.',
  notKept: 'The browser may clear it if space runs low.',
  failed: (why: string) =>
    t`Could not save on this tablet (${why}). Free some space or remove a line. Entries are still sent while online.`,
  insecure: 'This address is not https, so the app works only online. Ask your administrator for the https address.',
  notInstalled: 'Saving the app on this tablet …',
  installed: 'The app works offline.',
  offlineList: 'Can’t reach the server. Showing jobs on this tablet.',
  noneHere: 'Can’t reach the server. No matching job on this tablet.',
  gb: (gigabytes: string) => t`${gigabytes} GB`,
  mb: (megabytes: string) => t`${megabytes} MB`,
  signNeedsServer: 'Signing needs the server, which seals the record. Everything else works offline.',
})

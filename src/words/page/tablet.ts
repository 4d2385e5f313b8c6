import { labels, plural, t } from '../language'

/** What is said of what is on this tablet. */
export const tabletWords = labels({
  onThisTablet: 'On this tablet',
  lines: (count: number) => plural(count, { one: t`1 line taken along`, other: t`${count} lines taken along` }),
  jobs: (count: number) =>
    plural(count, { one: t`1 job opens without the server`, other: t`${count} jobs open without the server` }),
  noneTaken: 'No line is taken along.',
  nothingWaits: 'Nothing waits to be sent.',
  waits: (count: number) =>
    plural(count, { one: t`1 change waits to be sent.`, other: t`${count} changes wait to be sent.` }),
  pictures: (count: number) => plural(count, { one: t`1 photograph waits.`, other: t`${count} photographs wait.` }),
  made: (count: number) =>
    plural(count, { one: t`1 new job or line waits.`, other: t`${count} new jobs or lines wait.` }),
  why: 'Work on a line taken along goes on where there is no network: its open jobs, the last signed one, its logbook, photographs and the kit are kept here.',
  take: 'Take along',
  takeNamed: (line: string) => t`Take ${line} along`,
  taking: 'Taking …',
  leave: 'Leave here',
  leaveNamed: (line: string) => t`Take ${line} off this tablet`,
  taken: 'on this tablet',
  space: (used: string, quota: string) => t`${used} of ${quota} that this browser allows.`,
  kept: 'The browser keeps it until you clear it.',
  notKept: 'The browser may clear it when the tablet runs short of space.',
  failed: (why: string) =>
    t`This browser could not keep it here (${why}). Free some space, or leave a line behind. What you type is still sent while the server is there.`,
  insecure:
    'This address is not secure (https), so the browser opens this page only while the server is there. Ask whoever runs the server for its https address.',
  notInstalled: 'One moment: the page is being stored on this tablet.',
  installed: 'This page opens without the server.',
  offlineList: 'The server cannot be reached. These are the jobs on this tablet.',
  noneHere: 'The server cannot be reached, and no such job is on this tablet.',
  gb: (gigabytes: string) => t`${gigabytes} GB`,
  mb: (megabytes: string) => t`${megabytes} MB`,
  signNeedsServer: 'Signing needs the server: the record is sealed there. Everything else goes on here.',
})

import { labels } from '../language'

/** What is said on these screens. */
export const lineWords = labels({
  logbook: 'Logbook',
  newJobOnThisLine: 'New job on this line',
  duplicateThisLine: 'Duplicate this line',
  restore: 'Restore',
  theLine: 'The line',
  lines: 'Machine lines',
  line: 'Line',
  copyOrArchive: 'Copy or archive',
  archiveThisLine: 'Archive this line',
  thisTakesTheLineOff:
    'Removes the line from the lists. Its jobs stay. Restore it any time from “Archived” in Machine lines.',
})

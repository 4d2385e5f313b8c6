import { labels, t } from '../language'
import { ended } from '../terms'

/** What is said of a job that is due. */
export const dueWords = labels({
  due: (day: string, whose: string) => ended(whose ? t`Due ${day}, ${whose}` : t`Due ${day}`),
  changed: (by: string, because: string) => t`Changed by ${by}: ${because}`,
  change: 'Change',
  day: 'Due on',
  whose: 'Assigned to',
  by: 'Your initials',
  because: 'Reason for the change',
  put: 'Save due date',
  cancel: 'Cancel',
  calendar: 'Calendar',
  calendarOf: 'Calendar of due jobs: download or subscribe',
  tags: 'Print machine tags',
})

import { labels, t } from '../language'
import { ended } from '../terms'

/** What is said of a job that is due. */
export const dueWords = labels({
  due: (day: string, whose: string) => ended(whose ? t`Due ${day}, ${whose}` : t`Due ${day}`),
  changed: (by: string, because: string) => t`Changed by ${by}: ${because}`,
  change: 'Change',
  day: 'Due on',
  whose: 'Whose it is',
  by: 'Your initials',
  because: 'Why it is changed',
  put: 'Put it there',
  cancel: 'Cancel',
  calendar: 'Calendar',
  calendarOf: 'Calendar of what is due: a file, or an address to subscribe to',
  tags: 'Tags to print',
})

import { labels, t } from '../language'

/** What is said on these screens. */
export const partsWords = labels({
  widerThanThePage: 'Wider than the page: scrolls sideways',
  within: 'within',
  explain: (what: string) => t`Help: ${what}`,
  isArchived: (name: string | number) => t`${name} is archived.`,
  restore: 'Restore',
  cantTellYet: 'can’t tell yet',
  needsAttention: 'needs attention',
  nothingYet: 'nothing yet',
  cancel: 'Cancel',
  whatItMeans: 'What it means',
  whatItMeansAndWhat: 'Result and next step',
  less: 'Less',
  more: (length: string | number) => t`${length} more`,
  hide: { working: 'Hide working', detail: 'Hide details' },
  show: { working: 'Show working', detail: 'Details' },
})

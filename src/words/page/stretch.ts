import { labels, t } from '../language'

/** What is said over a list that is shown in stretches. */
export const partWords = labels({
  shown: 'Shown',
  fromTo: (from: string, to: string) => t`${from} to ${to}`,
})

import { labels, t } from '../language'

/** What is said of pages that are printed on the tablet. */
export const printWords = labels({
  nothingToPrint: 'There is nothing to print yet: not enough was read.',
  failed: (why: string) => t`This could not be printed here: ${why}`,
})

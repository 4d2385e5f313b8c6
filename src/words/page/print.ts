import { labels, t } from '../language'

/** What is said of pages that are printed on the tablet. */
export const printWords = labels({
  nothingToPrint: 'Nothing to print yet: not enough readings.',
  failed: (why: string) => t`Printing failed: ${why}`,
})

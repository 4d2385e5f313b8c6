import { labels, t } from '../../language'

/** What is said on these screens. */
export const seatWords = labels({
  acrossThe: (name: string | number) => t`Across the ${name}`,
  notMeasuredTaken: (dimension: string | number) => t`Blank: ${dimension}`,
})

import { labels } from '../../language'

/** What is said on these screens. */
export const frameWords = labels({
  theLineDrawnInBoth: 'The line, drawn in both planes',
  squaredPaper: 'Graph paper, half readings as points',
})

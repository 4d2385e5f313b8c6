import { labels } from '../language'

/** What is said of the moves that were made. */
export const doneWords = labels({
  whatWasDone: 'What was done before this round',
  asPlanned: 'As planned. Correct what was done differently: the record prints it.',
})

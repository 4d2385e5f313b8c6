import { labels } from '../language'

/** What is said of the moves that were made. */
export const doneWords = labels({
  whatWasDone: 'Moves made before this round',
  asPlanned: 'Filled in as planned. Correct any move that was different. The record prints it.',
})

import { labels, t } from './language'
import type { Message } from './said'

/** What is said on the step of the moves, of every kind of line, once all is within. */
export const withinWords = labels({
  noMoves: 'Within tolerance: no moves needed.',
  stillToGain: 'What could still be gained',
})

export const sayNoMove = (): Message => ({
  title: withinWords.noMoves,
  detail: t`Leave it alone. A move smaller than the readings can resolve does more harm than good.`,
})

import type { KindName, Kinds } from '../core/kinds'
import { beltWords } from './belt'
import { boreWords } from './bore'
import type { KindWords } from './kind'
import { rollsWords } from './rolls'
import { trainWords } from './train'
import { uprightWords } from './upright'

/** What each kind of line has to say. */
export const words: { readonly [K in KindName]: KindWords<Kinds[K]> } = {
  train: trainWords,
  upright: uprightWords,
  belt: beltWords,
  bore: boreWords,
  rolls: rollsWords,
}

export const wordsOf = <K extends KindName>(line: { kind: K }): KindWords<Kinds[K]> => words[line.kind]

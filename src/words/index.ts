import type { JobSummary } from '../core/job/summary'
import type { KindName, Kinds } from '../core/kinds'
import { beltWords } from './belt'
import type { KindWords } from './kind'
import { t } from './language'
import { trainWords } from './train'
import { uprightWords } from './upright'

/** What each kind of line has to say. */
export const words: { readonly [K in KindName]: KindWords<Kinds[K]> } = {
  train: trainWords,
  upright: uprightWords,
  belt: beltWords,
}

export const wordsOf = <K extends KindName>(line: { kind: K }): KindWords<Kinds[K]> => words[line.kind]

/** The next act of a job in a list: short, and the same thing its own first sentence says. */
export function sayNext<K extends KindName>({ first, kind, listed }: NextOf<K>): string {
  if (first?.kind === 'caution') return t`Sign the cautions: ${first.open} open`
  if (first?.kind === 'seat') return t`Check soft foot on the ${first.machine.toLowerCase()}`
  return words[kind].sayNext(listed)
}

type NextOf<K extends KindName> = Pick<JobSummary, 'first'> & { kind: K; listed: Kinds[K]['listed'] }

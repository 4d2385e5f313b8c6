import type { KindName, Kinds } from '../core/kinds'
import type { KindWords } from './kind'

/** What each kind of line has to say, as far as it was added: see `core/kinds/index.ts`. */
const added: { [K in KindName]?: KindWords<Kinds[K]> } = {}

export function addWords<K extends KindName>(name: K, words: KindWords<Kinds[K]>): void {
  const table: { [P in K]?: KindWords<Kinds[P]> } = added
  table[name] = words
}

export function wordsOf<K extends KindName>({ kind: name }: { kind: K }): KindWords<Kinds[K]> {
  const words: KindWords<Kinds[K]> | undefined = added[name]
  if (!words) throw new Error(`No texts are registered for “${name}”.`)
  return words
}

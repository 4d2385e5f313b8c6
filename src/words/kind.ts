import type { NamedLine } from '../core/job/document'
import type { KindTypes } from '../core/kinds/kind'

/** A place in a round, in words; `whole` where nothing is left to be said of it. */
export interface PlaceInRound {
  words: readonly string[]
  whole: boolean
}

/** What is asked when a line of a kind is drawn: a choice, with what is usual. */
export interface NewPart {
  label: string
  options: readonly { value: string; text: string }[]
  usual: string
}

/** What one kind of line has to say outside its own screens. */
export interface KindWords<T extends KindTypes> {
  /** What it is called where the kinds stand beside each other. */
  name: string
  /** What is asked when one is drawn. */
  newParts: readonly NewPart[]
  /** What a line is called that nobody gave a name. */
  usualName(parts: readonly string[]): string
  /** The next act in a list. */
  sayNext(listed: T['listed']): string
  placeInRound(round: T['round'], path: readonly string[], line: NamedLine): PlaceInRound
}

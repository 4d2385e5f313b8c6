import type { Bench } from './bench'

/** Something that is asked: a number in mm, or one of the four quarters. */
export interface Ask {
  id: string
  answer: 'number' | 'quarter'
  /** Where the dial stands that it asks of, degrees; the bottom where it is not said. */
  at?: number
  /** The bracket's sag is to be taken off. */
  sagOff?: boolean
}

/** What a lesson is, as data: what hangs where, what is asked, and what is right. */
export interface Lesson {
  on: 'coupling' | 'pipe'
  /** The coupling is bolted up when one comes, and can be opened. */
  coupled?: boolean
  asks: readonly Ask[]
  /** mm, or degrees of a quarter. */
  right(bench: Bench, seed: number): Readonly<Record<string, number>>
}

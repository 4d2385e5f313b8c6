import type { BenchHas, DialRig } from './dialRig'

/** Something that is asked: a number in mm, a factor, one of the four quarters, or what is wrong with the dial. */
export interface Ask {
  id: string
  answer: 'number' | 'factor' | 'quarter' | 'fault'
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
  /** What else the bench has. */
  has?: BenchHas
  asks: readonly Ask[]
  /** mm, degrees of a quarter, or a fault by its place among them. */
  right(bench: DialRig, seed: number): Readonly<Record<string, number>>
  /** How near an answer has to come where that is more than a dial's line: mm, or a factor. */
  near?(bench: DialRig): Readonly<Record<string, number>>
}

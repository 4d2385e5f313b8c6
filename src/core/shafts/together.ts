import type { Probe } from '../probes'

/** What a set of readings is for. */
export const purposes = ['plan', 'repeat', 'closed', 'running'] as const
export type Purpose = (typeof purposes)[number]

/** What a set was read for: as it says, else to plan a move when the coupling was released, to look at it closed when not. */
export const purposeOf = ({ purpose, state }: Pick<ReadingSet, 'purpose' | 'state'>): Purpose =>
  purpose ?? (state === 'engaged' ? 'closed' : 'plan')

/** Which sets of a coupling are solved together, and which each by itself: indices into its sets. */
export interface Together {
  together: readonly number[]
  /** Each is judged by itself, as coupled; none of them plans a move. */
  apart: readonly number[]
  /** What is solved together was read coupled up, and a person has said that it may plan a move. */
  engaged: boolean
}

/**
 * Sets read in different states are never averaged. Those read released to plan a move, or to repeat it, are solved together.
 * Where none was, those read coupled up that a person has confirmed for planning (`purpose` plan with the coupling engaged)
 * take their place. All others stand apart.
 */
export function togetherOf(sets: readonly ReadingSet[]): Together {
  const read = sets.flatMap((set, index) => (set.probes.length > 0 ? [{ set, index }] : []))
  const planning = read.filter(({ set }) => ['plan', 'repeat'].includes(purposeOf(set)))
  const released = planning.filter(({ set }) => set.state === 'released')
  const chosen = released.length > 0 ? released : planning
  return {
    together: chosen.map(({ index }) => index),
    apart: read.filter((one) => !chosen.includes(one)).map(({ index }) => index),
    engaged: chosen.length > 0 && released.length === 0,
  }
}

/** The sets with all but some of them left unread: what is told of one keeps its place in the list. */
export const only = (sets: readonly ReadingSet[], kept: readonly number[]): ReadingSet[] =>
  sets.map((set, i) => (kept.includes(i) ? set : { ...set, probes: [] }))

/** One set of readings at a coupling: the probes that were turned together. */
export interface ReadingSet {
  state: 'released' | 'engaged'
  /** What it was read for; absent for what its state suggests (see `purposeOf`). */
  purpose?: Purpose | undefined
  probes: readonly Probe[]
}

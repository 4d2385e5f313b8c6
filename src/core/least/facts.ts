/** How far a foot can go, mm, each zero or more; absent where nothing is in the way. */
export type FootLimits = Partial<Record<'down' | 'up' | 'near' | 'far', number>>

/** What is known of a foot beyond its place. Lengths in mm. */
export interface FootFacts {
  limits?: FootLimits | undefined
  /** Shims under it now; absent where nobody looked. */
  pack?: readonly number[] | undefined
}

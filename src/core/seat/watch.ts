import { type FootState, footStates } from '../device/protocol'

/** What a dial on top of a foot showed, mm, as far as it was taken. */
export type Watched = Partial<Record<FootState, number>>

/** The one that is taken next; undefined once all are. */
export const nextOf = (watched: Watched): FootState | undefined => footStates.find((one) => watched[one] === undefined)

/** A foot that doesn't come back to within this of where it was tells that something slipped, mm. */
export const comesBackWithin = 0.02

/** What a foot rose by, and by how much it did not come back; undefined until it was loosened, or tightened again. mm */
export function riseOf({ rest, loosened, tightened }: Watched): { rise: number | undefined; back: number | undefined } {
  const from = rest ?? Number.NaN
  const known = (mm: number | undefined) => (mm === undefined || Number.isNaN(from) ? undefined : mm - from)
  return { rise: known(loosened), back: known(tightened) }
}

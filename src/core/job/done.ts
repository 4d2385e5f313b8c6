import * as v from 'valibot'
import type { ProofRound } from '../prove/proof'
import type { Plane } from '../quantity/axis'
import { type Quantity, quantityFrom, quantityMm } from '../quantity/quantity'
import { quantitySchema, text } from '../quantity/schema'

/** What was done after a round, as it was written down: of kinds whose moves are no stations of feet. */

/**
 * One thing that is to be done at one place, mm. Its key says where, and behind the last point what: "m2-back.shim". A way of
 * `vertical` goes up and of `horizontal` toward the far side, as everywhere.
 */
export interface Act {
  key: string
  mm: number
}

/** By the key of an act. */
export const doneSchema = v.optional(v.record(text(60), quantitySchema))

type Done = Readonly<Record<string, Quantity>>

/** Where an act is, and what it is. */
export function splitAct(key: string): readonly [place: string, way: string] {
  const end = key.lastIndexOf('.')
  return [key.slice(0, end), key.slice(end + 1)]
}

/** What was planned, written down as done: a thousandth of a millimeter or a tenth of a mil, as typed numbers. */
export const actsDone = (acts: readonly Act[], unit: 'mm' | 'mil'): Done =>
  Object.fromEntries(acts.map(({ key, mm }) => [key, quantityFrom(mm, unit, unit === 'mil' ? 1 : 3)]))

const planeOf = (way: string): Plane => (way === 'vertical' || way === 'shim' ? 'vertical' : 'horizontal')

/**
 * What was written down, as a proof counts it. `toPlaces`: the acts of this kind move just the places that it proves; of others
 * what an act does to a place is not told.
 */
export function moveOf(done: Done | undefined, { toPlaces = false } = {}): ProofRound['move'] {
  if (!done) return undefined
  const moves = new Map<string, Partial<Record<Plane, number>>>()
  for (const [key, quantity] of Object.entries(done)) {
    const [place, way] = splitAct(key)
    const at = toPlaces ? place : key
    moves.set(at, { ...moves.get(at), [planeOf(way)]: quantityMm(quantity) ?? 0 })
  }
  return { done: moves, expected: new Map() }
}

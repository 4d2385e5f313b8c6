import type { Plane } from '../../../quantity/axis'
import type { ReadingSet } from '../../../shafts/together'
import type { Allowed, Joint } from '../../../verdict/verdict'

/** A foot, or a pair of feet at one station. Lengths in mm. */
export interface Foot {
  id: string
  x: number
  /** How much the axis above it rises (and goes toward the far side) from cold to running. */
  growth?: Partial<Record<Plane, number>> | undefined
}

export interface Machine {
  id: string
  feet: readonly Foot[]
}

/** The machines from left to right, and what joins each to the next. Lengths in mm. */
export interface Coupling extends Joint {
  id: string
  /** Index of its left machine in the train; its right one is the next. */
  left: number
  /** Every set of readings taken at it. */
  sets: readonly ReadingSet[]
}

export interface Train extends Allowed {
  machines: readonly Machine[]
  couplings: readonly Coupling[]
  /** Index of the machine that stays. */
  fixed: number
}

import type { Plane, PlaneLine } from '../../../frame/axis'
import type { ReadingSet } from '../../../shafts/together'

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
export interface Coupling {
  id: string
  /** Index of its left machine in the train; its right one is the next. */
  left: number
  x: number
  /** Diameter at which the halves slide on each other. */
  diameter?: number | undefined
  /** Stations of the flex planes of a spacer coupling. */
  flexPlanes?: readonly [number, number] | undefined
  /** Every set of readings taken at it. */
  sets: readonly ReadingSet[]
}

export interface Train {
  machines: readonly Machine[]
  couplings: readonly Coupling[]
  /** Index of the machine that stays. */
  fixed: number
  rpm?: number | undefined
  /**
   * The maker's or the site's figures: offset in mm, slope in rad (of a spacer: the angle at each flex plane). They win over
   * every policy of ours. A spacer needs no figure for its offset.
   */
  tolerance?: { offset?: number | undefined; slope: number } | undefined
}

/** A line in one plane with the covariance of (offset, slope), stated at `x`. */
export interface DoubtfulLine {
  line: PlaneLine
  x: number
  covariance: readonly [readonly [number, number], readonly [number, number]]
}

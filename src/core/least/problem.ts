import type { Plane } from '../quantity/axis'
import type { FootLimits } from './facts'

/**
 * Positions and moves in the planner are told in hundredths of a millimeter, stations from −1 to 1 along the train: numbers a
 * solver likes.
 */
export const unit = 0.01

/** The ways a foot can be stopped. */
export type Way = keyof FootLimits

/** A foot in one plane, or several that can only be moved alike: one station, one growth. In units. */
export interface PlannedStation {
  feet: readonly string[]
  machine: number
  /** Along the train, −1 to 1. */
  u: number
  /** Where the running axis above it would be were nothing moved. */
  present: number
  /** How far it can go down or near (≤ 0) and up or far (≥ 0), and which foot of the station says so. */
  low: Stop
  high: Stop
}

export interface Stop {
  at: number
  foot: string
  way: Way
}

/** What the planner has to settle in one plane: all machines that were reached by readings, running. In units. */
export interface PlaneProblem {
  plane: Plane
  stations: readonly PlannedStation[]
  machines: readonly {
    machine: number
    /** Its running axis as it stands: at u = 0 and its rise over one u. */
    axis: readonly [offset: number, slope: number]
    /** Stations of feet it has: without two nothing can turn it, without one nothing can lift it. */
    stations: number
  }[]
  /** What must stay small between two machines: `|(right − left)(u) · factor| ≤ most`; a slope takes the rise only. */
  demands: readonly { left: number; right: number; u: number | 'slope'; most: number }[]
  /** mm along the train for one u, and the station of u = 0. */
  halfSpan: number
  middle: number
}

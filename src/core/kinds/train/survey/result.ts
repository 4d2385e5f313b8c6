import type { ResultSeat } from '../../../seat/survey'
import type { ResultCoupling, ResultProbe, ResultSuspect, ResultWarning } from '../../../shafts/survey/result'
import type { Survey } from './schema'

/** One plane of a foot, in reading units. */
export interface ResultFootPlane {
  position: number
  /** Null, and its deviation with it, where a held foot that the readings do not reach leaves no line to move to. */
  move: number | null
  moveSd: number | null
}

/** The open result document, version 1; docs/format.md explains every field. */
export interface Result {
  format: 'vane-peg.result'
  version: 1
  /** Repeated where the survey says it. */
  kind?: 'train'
  units: Survey['units']
  couplings: ResultCoupling[]
  feet: { machine: string; foot: string; vertical: ResultFootPlane | null; horizontal: ResultFootPlane | null }[]
  probes: ResultProbe[]
  suspects: ResultSuspect[]
  warnings: ResultWarning[]
  /** What can be made of the moves, where the survey asks for a plan. */
  plan?: {
    feasible: boolean
    blocking?: { foot: string; limit: 'down' | 'up' | 'near' | 'far' }[]
    feet: {
      foot: string
      vertical: number | null
      horizontal: number | null
      pack?: number[]
      /** The pack's thickness less what was wanted. */
      residual?: number
    }[]
    left: Record<
      string,
      { vertical: { offset: number; slope: number } | null; horizontal: { offset: number; slope: number } | null }
    >
  }
  seat?: ResultSeat[]
}

import type { StepShim } from '../../../seat/cure'
import type { SeatKind } from '../../../seat/diagnose'
import type { Survey } from './schema'

/** One plane of the misalignment at a coupling: offset in reading units, slope in rad, each with its standard deviation. */
export interface ResultPlane {
  offset: number
  offsetSd: number
  slope: number
  slopeSd: number
}

/** One plane of a foot, in reading units. */
export interface ResultFootPlane {
  position: number
  /** Null, and its deviation with it, where a held foot that the readings do not reach leaves no line to move to. */
  move: number | null
  moveSd: number | null
}

/** A verdict: by confidence, and "unsure" wherever the readings are in doubt. */
export interface ResultVerdict {
  state: 'within' | 'outside' | 'unsure'
  /** That of the numbers alone. */
  probability: number
  offsetLimit: number
  slopeLimit: number
}

export interface ResultWarning {
  code:
    | 'engaged'
    | 'not-closed'
    | 'short-arc'
    | 'one-plane'
    | 'not-measured'
    | 'no-limit'
    | 'not-fitting'
    | 'sag'
    | 'held-not-reached'
    | 'seat-not-measured'
    | 'soft-foot'
  message: string
}

/** The open result document, version 1; docs/format.md explains every field. */
export interface Result {
  format: 'vane-peg.result'
  version: 1
  units: Survey['units']
  couplings: {
    id: string
    vertical: ResultPlane | null
    horizontal: ResultPlane | null
    verdict?: ResultVerdict
    /** Sets read with the coupling closed or running, each by itself. */
    asCoupled?: {
      measurement: number
      purpose: 'closed' | 'running'
      vertical: ResultPlane | null
      horizontal: ResultPlane | null
      verdict?: ResultVerdict
    }[]
  }[]
  feet: { machine: string; foot: string; vertical: ResultFootPlane | null; horizontal: ResultFootPlane | null }[]
  probes: { measurement: number; probe: number; residuals: number[]; closure: number | null }[]
  suspects: {
    measurement: number
    probe: number
    reading: number
    fault: 'sign' | 'swap' | 'turn' | 'decimal' | 'unit'
    would: number
    /** Null where the dial lacks a quarter: then the other readings tell. */
    closure: number | null
  }[]
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
  seat?: {
    machine: string
    /** Null where nothing, or not every foot, was measured. */
    ok: boolean | null
    findings: { kind: SeatKind; feet: string[]; because: string }[]
    cure: ({ foot: string; shim: number } | { foot: string; steps: StepShim[] })[]
  }[]
}

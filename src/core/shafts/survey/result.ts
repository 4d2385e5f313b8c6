/** What a result document says of couplings and probes, for every kind of line that has them. */

/** One plane of the misalignment at a coupling: offset in reading units, slope in rad, each with its standard deviation. */
export interface ResultPlane {
  offset: number
  offsetSd: number
  slope: number
  slopeSd: number
}

/** A verdict: by confidence, and "unsure" wherever the readings are in doubt. */
export interface ResultVerdict {
  state: 'within' | 'outside' | 'unsure'
  /** That of the numbers alone. */
  probability: number
  offsetLimit: number
  slopeLimit: number
}

export interface ResultCoupling {
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
}

export interface ResultProbe {
  measurement: number
  probe: number
  /** Reading units; of an instrument's own result offset and slope by turns, the slope in rad. */
  residuals: number[]
  closure: number | null
}

export interface ResultSuspect {
  measurement: number
  probe: number
  reading: number
  fault: 'sign' | 'swap' | 'turn' | 'decimal' | 'unit'
  /** Of an instrument's own result: which of its numbers, of the plane `reading`: 0 height, 1 sideways. */
  number?: 'offset' | 'slope'
  would: number
  /** Null where the dial lacks a quarter: then the other readings tell. */
  closure: number | null
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
    | 'no-sag'
    | 'held-not-reached'
    | 'seat-not-measured'
    | 'soft-foot'
    | 'open'
  message: string
}

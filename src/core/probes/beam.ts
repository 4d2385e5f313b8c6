import {
  type Channel,
  measured,
  type ProbeBase,
  type ProbeContext,
  type SingleReadings,
  towardRight,
  weightAt,
} from './probe'

/** A detector that sees the beam of the other machine's head. Positive: the spot lies farther out. Lengths in mm. */
export interface Beam extends ProbeBase, SingleReadings {
  type: 'beam'
  /** Station of the detector. */
  x: number
}

/** Beam on a detector: `c − g·d(x)·e(θ)`. A cant of the beam or of its seat turns with the shaft and is part of `c`. */
export function beamChannel(beam: Beam, { couplingX, key }: ProbeContext): Channel {
  return {
    key,
    sd: beam.sd,
    zero: beam.zero,
    weight: weightAt(-towardRight(beam.on), beam.x - couplingX),
    ...measured(beam.readings, 0, 0),
  }
}

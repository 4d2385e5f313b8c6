import {
  type ProbeBase,
  type ProbeContext,
  type Row,
  type SingleReadings,
  separationCoefficients,
  towardRight,
} from './probe'

/** A detector that sees the beam of the other machine's head. Positive: the spot lies farther out. Lengths in mm. */
export interface Beam extends ProbeBase, SingleReadings {
  type: 'beam'
  /** Station of the detector. */
  x: number
}

/** Beam on a detector: `c − g·d(x)·e(θ)`. A cant of the beam or of its seat turns with the shaft and is part of `c`. */
export function beamRows(beam: Beam, { couplingX, key }: ProbeContext): Row[] {
  return beam.readings.map(({ angle, value }, reading) => ({
    reading,
    channel: 0,
    observed: value,
    sd: beam.sd,
    misalignment: separationCoefficients(-towardRight(beam.on), angle, beam.x - couplingX),
    constants: [{ key, coefficient: 1 }],
  }))
}

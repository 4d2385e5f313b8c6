import {
  type ProbeBase,
  type ProbeContext,
  type Row,
  type SingleReadings,
  sagAt,
  separationCoefficients,
  towardRight,
} from './probe'

/** A dial that feels the wall of a bore from inside. The wall coming closer reads positive. Lengths in mm. */
export interface BoreDial extends ProbeBase, SingleReadings {
  type: 'bore'
  x: number
  sag: number
}

/** Dial inside a bore: `c − g·d(x)·e(θ) + sag·(1 − cos θ)/2`. */
export function boreRows(dial: BoreDial, { couplingX, key }: ProbeContext): Row[] {
  return dial.readings.map(({ angle, value }, reading) => ({
    reading,
    channel: 0,
    observed: value - sagAt(dial.sag, angle),
    sd: dial.sd,
    misalignment: separationCoefficients(-towardRight(dial.on), angle, dial.x - couplingX),
    constants: [{ key, coefficient: 1 }],
  }))
}

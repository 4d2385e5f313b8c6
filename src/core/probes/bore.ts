import {
  type Channel,
  measured,
  type ProbeBase,
  type ProbeContext,
  type SingleReadings,
  towardRight,
  weightAt,
} from './probe'

/** A dial that feels the wall of a bore from inside. The wall coming closer reads positive. Lengths in mm. */
export interface BoreDial extends ProbeBase, SingleReadings {
  type: 'bore'
  x: number
  sag: number
}

/** Dial inside a bore: `c − g·d(x)·e(θ) + sag·(1 − cos θ)/2`. */
export function boreChannel(dial: BoreDial, { couplingX, key }: ProbeContext): Channel {
  return {
    key,
    sd: dial.sd,
    zero: dial.zero,
    weight: weightAt(-towardRight(dial.on), dial.x - couplingX),
    ...measured(dial.readings, 0, dial.sag),
  }
}

import * as v from 'valibot'
import { tidy } from '../quantity/openFormat'
import { dialOf, dialTold, type ProbeKind, singleTyped, surveyFields } from './kind'
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

const { on, x, sag, sd, graduation, turn, readings } = surveyFields

/** A bore dial in the open survey document. */
export const boreSurvey = v.strictObject({ type: v.literal('bore'), on, x, sag, sd, graduation, turn, readings })

export const bore: ProbeKind<BoreDial, v.InferOutput<typeof boreSurvey>> = {
  instrument: 'dial',
  channels: [undefined],
  stations: 1,
  radius: 'none',
  sag: 'positive',
  inside: true,
  slips: 'any',
  mark: 'across',
  standIn: undefined,
  lead: () => 0,
  rows: (probe, context) => [boreChannel(probe, context)],
  stationsMm: (probe) => [probe.x],
  closes: ({ twiceZeroed }) => !twiceZeroed,
  dimensions: (probe) => [
    { what: 'station', more: (by) => ({ ...probe, x: probe.x + by }) },
    { what: 'sag', more: (by) => ({ ...probe, sag: probe.sag + by }) },
  ],
  of(typed) {
    const [at] = typed.stations
    if (at === undefined) return undefined
    const { on, sd, graduation, sag, sagUnknown, twiceZeroed, zero } = typed
    return { type: 'bore', on, sd, graduation, x: at, sag, sagUnknown, twiceZeroed, zero, readings: singleTyped(typed) }
  },
  ofSurvey: (told, units) => ({ type: 'bore', ...dialOf(told, units), x: units.length(told.x) }),
  toSurvey: (probe, base) => ({ type: 'bore', ...dialTold(probe, base), x: tidy(probe.x) }),
}

import * as v from 'valibot'
import { tidy } from '../quantity/openFormat'
import { type ProbeKind, pairs, singleOf, singleTyped, surveyBase, surveyFields } from './kind'
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

const { on, x, sd, graduation, readings } = surveyFields

/** A head that sees the other's beam, in the open survey document. */
export const beamSurvey = v.strictObject({ type: v.literal('beam'), on, x, sd, graduation, readings })

export const beam: ProbeKind<Beam, v.InferOutput<typeof beamSurvey>> = {
  instrument: 'head',
  channels: [undefined],
  stations: 1,
  radius: 'none',
  sag: 'none',
  inside: false,
  slips: 'any',
  mark: 'box',
  standIn: 'heads',
  lead: () => 0,
  rows: (probe, context) => [beamChannel(probe, context)],
  stationsMm: (probe) => [probe.x],
  // heads have no closure that a person reads off
  closes: () => false,
  dimensions: (probe) => [{ what: 'station', more: (by) => ({ ...probe, x: probe.x + by }) }],
  of(typed) {
    const [at] = typed.stations
    if (at === undefined) return undefined
    const { on, sd, graduation } = typed
    return { type: 'beam', on, sd, graduation, x: at, readings: singleTyped(typed) }
  },
  ofSurvey: (told, units) => ({
    type: 'beam',
    ...surveyBase(told, units),
    x: units.length(told.x),
    readings: singleOf(told.readings, units),
  }),
  toSurvey: (probe, { on, sd, graduation }) => ({
    type: 'beam',
    on,
    sd,
    graduation,
    x: tidy(probe.x),
    readings: pairs(probe.readings),
  }),
}

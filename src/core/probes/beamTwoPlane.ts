import * as v from 'valibot'
import { finite, list, tidy } from '../quantity/openFormat'
import { channelNames, type ProbeKind, surveyBase, surveyFields } from './kind'
import { type Channel, measured, type ProbeBase, type ProbeContext, towardRight, weightAt } from './probe'

/** One beam on a detector with two planes; four numbers a position. Lengths in mm. */
export interface BeamTwoPlane extends ProbeBase {
  type: 'beam2'
  /** Stations of the two planes. */
  planes: readonly [number, number]
  readings: readonly { angle: number; values: readonly [r1: number, t1: number, r2: number, t2: number] }[]
}

/** At each plane: radial `c_r − g·d·e(θ)` and tangential `c_t − g·d·e(θ + 90°)`, each with its own constant. */
export function beamTwoPlaneChannels(beam: BeamTwoPlane, { couplingX, key }: ProbeContext): Channel[] {
  return ([0, 1, 2, 3] as const).map((channel) => ({
    key: `${key}:${channel}`,
    sd: beam.sd,
    weight: weightAt(-towardRight(beam.on), beam.planes[channel < 2 ? 0 : 1] - couplingX),
    ...measured(
      beam.readings.map(({ angle, values }) => ({ angle, value: values[channel] })),
      (channel % 2) * 90,
      0,
    ),
  }))
}

const { on, x, sd, graduation } = surveyFields

/** A head with two planes, in the open survey document. */
export const beamTwoPlaneSurvey = v.strictObject({
  type: v.literal('beam2'),
  on,
  planes: v.strictTuple([x, x], 'two stations'),
  sd,
  graduation,
  readings: list(
    v.strictTuple([finite, finite, finite, finite, finite], 'five numbers: angle, r1, t1, r2, t2'),
    20_000,
    'a list of readings',
  ),
})

export const beamTwoPlane: ProbeKind<BeamTwoPlane, v.InferOutput<typeof beamTwoPlaneSurvey>> = {
  instrument: 'head',
  channels: channelNames,
  stations: 2,
  radius: 'none',
  sag: 'none',
  inside: false,
  slips: 'signs alone',
  mark: 'box',
  standIn: 'two-plane',
  lead: (_, channel) => (channel?.startsWith('t') ? 90 : 0),
  rows: beamTwoPlaneChannels,
  stationsMm: (probe) => probe.planes,
  closes: () => false,
  dimensions: (probe) => {
    const [first, second] = probe.planes
    return [
      { what: 'station', more: (by) => ({ ...probe, planes: [first + by, second] }) },
      { what: 'station', more: (by) => ({ ...probe, planes: [first, second + by] }) },
    ]
  },
  of({ on, sd, graduation, stations: [first, second], readings }) {
    if (first === undefined || second === undefined || first === second) return undefined
    return {
      type: 'beam2',
      on,
      sd,
      graduation,
      planes: [first, second],
      readings: readings.map(({ angle, values: [r1 = 0, t1 = 0, r2 = 0, t2 = 0] }) => ({
        angle,
        values: [r1, t1, r2, t2],
      })),
    }
  },
  ofSurvey: (told, units) => ({
    type: 'beam2',
    ...surveyBase(told, units),
    planes: [units.length(told.planes[0]), units.length(told.planes[1])],
    readings: told.readings.map(([angle, r1, t1, r2, t2]) => ({
      angle,
      values: [units.reading(r1), units.reading(t1), units.reading(r2), units.reading(t2)],
    })),
  }),
  toSurvey: (probe, { on, sd, graduation }) => ({
    type: 'beam2',
    on,
    sd,
    graduation,
    planes: [tidy(probe.planes[0]), tidy(probe.planes[1])],
    readings: probe.readings.map(({ angle, values: [r1, t1, r2, t2] }) => [
      angle,
      tidy(r1),
      tidy(t1),
      tidy(r2),
      tidy(t2),
    ]),
  }),
}

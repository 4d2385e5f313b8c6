import * as v from 'valibot'
import { finite, list, tidy } from '../quantity/openFormat'
import { type ProbeKind, surveyBase, surveyFields } from './kind'
import { type Channel, measured, type ProbeBase, type ProbeContext, towardRight, weightAt } from './probe'

/** One head that sends and sees its own beam, folded back by a prism on the other shaft; two numbers a position. Lengths in mm. */
export interface PrismHead extends ProbeBase {
  type: 'prism'
  /** Stations of the head and of the prism's edge. */
  planes: readonly [head: number, prism: number]
  readings: readonly { angle: number; values: readonly [r: number, t: number] }[]
}

/**
 * A roof prism with its edge across the radius sends the beam back parallel: radially it shifts by twice what the shafts are apart at the
 * edge, whatever the prism leans; across, where it is a mirror, by twice the slope over the way back. Radial `c_r − 2g·d(x_p)·e(θ)`,
 * tangential `c_t − 2L·β·e(θ + 90°)`, L from prism to head. Both channels are doubled.
 */
export function prismChannels(head: PrismHead, { couplingX, key }: ProbeContext): Channel[] {
  const [own, edge] = head.planes
  const of = (channel: 0 | 1) => head.readings.map(({ angle, values }) => ({ angle, value: values[channel] }))
  return [
    {
      key: `${key}:0`,
      sd: head.sd,
      weight: weightAt(-2 * towardRight(head.on), edge - couplingX),
      ...measured(of(0), 0, 0),
    },
    { key: `${key}:1`, sd: head.sd, weight: [0, -2 * Math.abs(edge - own)], ...measured(of(1), 90, 0) },
  ]
}

const { on, x, sd, graduation } = surveyFields

/** A head with a prism, in the open survey document. */
export const prismSurvey = v.strictObject({
  type: v.literal('prism'),
  on,
  planes: v.strictTuple([x, x], 'two stations: the head, and the prism’s edge'),
  sd,
  graduation,
  readings: list(v.strictTuple([finite, finite, finite], 'three numbers: angle, r, t'), 20_000, 'a list of readings'),
})

export const prism: ProbeKind<PrismHead, v.InferOutput<typeof prismSurvey>> = {
  instrument: 'head',
  channels: ['r1', 't1'],
  stations: 2,
  second: 'across',
  radius: 'none',
  sag: 'none',
  inside: false,
  slips: 'signs alone',
  mark: 'box',
  standIn: undefined,
  lead: (_, channel) => (channel?.startsWith('t') ? 90 : 0),
  rows: prismChannels,
  stationsMm: ({ planes }) => [planes[1]],
  closes: () => false,
  dimensions: (probe) => {
    const [own, edge] = probe.planes
    return [
      { what: 'station', more: (by) => ({ ...probe, planes: [own + by, edge] }) },
      { what: 'station', more: (by) => ({ ...probe, planes: [own, edge + by] }) },
    ]
  },
  of({ on, sd, graduation, stations: [own, edge], readings }) {
    if (own === undefined || edge === undefined || own === edge) return undefined
    return {
      type: 'prism',
      on,
      sd,
      graduation,
      planes: [own, edge],
      readings: readings.map(({ angle, values: [r = 0, t = 0] }) => ({ angle, values: [r, t] })),
    }
  },
  ofSurvey: (told, units) => ({
    type: 'prism',
    ...surveyBase(told, units),
    planes: [units.length(told.planes[0]), units.length(told.planes[1])],
    readings: told.readings.map(([angle, r, t]) => ({ angle, values: [units.reading(r), units.reading(t)] })),
  }),
  toSurvey: (probe, { on, sd, graduation }) => ({
    type: 'prism',
    on,
    sd,
    graduation,
    planes: [tidy(probe.planes[0]), tidy(probe.planes[1])],
    readings: probe.readings.map(({ angle, values: [r, t] }) => [angle, tidy(r), tidy(t)]),
  }),
}

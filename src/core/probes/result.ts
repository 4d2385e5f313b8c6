import * as v from 'valibot'
import { finite, positive, tidy } from '../quantity/openFormat'
import type { ProbeKind } from './kind'
import { type Channel, measured, type ProbeBase, type ProbeContext, towardRight, weightAt } from './probe'

/** The numbers of a result: the offset, and the gap at a diameter that the angle comes to. */
export const resultChannels = ['offset', 'gap'] as const

/** Degrees at which a result's planes are kept: up and toward the far side, as a dial at the top and at the far side looks. */
export const resultAngles = { vertical: 0, horizontal: 90 } as const

/**
 * What an instrument worked out by itself: the place of one machine's axis against the other's, plane by plane. Lengths in mm.
 * The angle is the gap it opens over a diameter: open at the bottom is plus in height, open on the near side plus sideways.
 */
export interface InstrumentResult extends ProbeBase {
  type: 'result'
  /** Station at which the offset is told. */
  x: number
  diameter: number
  /** Standard deviation of the gap; that of the offset is `sd`. */
  gapSd: number
  /** At `resultAngles`: the offset of the machine it is told of against the other, and the gap. */
  readings: readonly { angle: number; values: readonly [offset: number, gap: number] }[]
}

/** `g·(offset + slope·d)` and `slope·D`, with no constant: the instrument took its own zero out. */
function resultRows(probe: InstrumentResult, { couplingX, key }: ProbeContext): Channel[] {
  return resultChannels.map((_, k) => ({
    key: `${key}:${k}`,
    absolute: true,
    sd: k === 0 ? probe.sd : probe.gapSd,
    weight: k === 0 ? weightAt(towardRight(probe.on), probe.x - couplingX) : ([0, probe.diameter] as const),
    ...measured(
      probe.readings.map(({ angle, values }) => ({ angle, value: values[k] ?? 0 })),
      0,
      0,
    ),
  }))
}

/** A slope's deviation may be smaller than anything that has a length. */
const smallPositive = v.pipe(
  finite,
  v.gtValue(0, 'a number greater than zero'),
  v.minValue(1e-9, 'a number of at least 0.000000001'),
)
const line = v.strictObject({ offset: finite, slope: finite })

/** The instrument's own result, in the open survey document: offset in reading units at `x`, slope in radians, right minus left. */
export const resultSurvey = v.pipe(
  v.strictObject({
    type: v.literal('result'),
    x: v.optional(finite),
    vertical: v.optional(line),
    horizontal: v.optional(line),
    sd: v.optional(v.strictObject({ offset: v.optional(positive), slope: v.optional(smallPositive) })),
  }),
  v.check(
    ({ vertical, horizontal }) => vertical !== undefined || horizontal !== undefined,
    'a result in at least one plane: "vertical", "horizontal" or both',
  ),
)

/** A slope of the open document is solved as the gap over so much, mm. */
const surveyDiameter = 100

/** Standard deviations where a document gives none: 0.005 mm, and as much over 100 mm. */
const defaultSd = 0.005

export const result: ProbeKind<InstrumentResult, v.InferOutput<typeof resultSurvey>> = {
  instrument: 'result',
  channels: resultChannels,
  stations: 1,
  radius: 'needed',
  sag: 'none',
  inside: false,
  slips: 'signs alone',
  mark: 'box',
  standIn: undefined,
  lead: () => 0,
  rows: resultRows,
  stationsMm: (probe) => [probe.x],
  closes: () => false,
  dimensions: (probe) => [{ what: 'station', more: (by) => ({ ...probe, x: probe.x + by }) }],
  of({ on, sd, gapSd, graduation, stations: [x], radius, readings }) {
    if (x === undefined || !radius || !(radius > 0)) return undefined
    return {
      type: 'result',
      on,
      sd,
      gapSd: gapSd ?? sd,
      graduation,
      x,
      diameter: 2 * radius,
      readings: readings.map(({ angle, values: [offset = 0, gap = 0] }) => ({ angle, values: [offset, gap] })),
    }
  },
  ofSurvey: (told, { on, couplingX, length, reading }) => ({
    type: 'result',
    on,
    sd: told.sd?.offset ? reading(told.sd.offset) : defaultSd,
    gapSd: told.sd?.slope ? told.sd.slope * surveyDiameter : defaultSd,
    x: told.x === undefined ? couplingX : length(told.x),
    diameter: surveyDiameter,
    readings: (['vertical', 'horizontal'] as const).flatMap((plane) => {
      const one = told[plane]
      return one
        ? [{ angle: resultAngles[plane], values: [reading(one.offset), one.slope * surveyDiameter] as const }]
        : []
    }),
  }),
  toSurvey: (probe, { sd }) => ({
    type: 'result',
    x: tidy(probe.x),
    sd: { offset: sd, slope: tidy(probe.gapSd / probe.diameter) },
    ...Object.fromEntries(
      (['vertical', 'horizontal'] as const).flatMap((plane) => {
        const at = probe.readings.find(({ angle }) => angle === resultAngles[plane])
        return at
          ? [
              [
                plane,
                { offset: tidy(towardRight(probe.on) * at.values[0]), slope: tidy(at.values[1] / probe.diameter) },
              ],
            ]
          : []
      }),
    ),
  }),
}

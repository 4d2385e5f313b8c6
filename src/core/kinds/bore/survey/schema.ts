import * as v from 'valibot'
import { finite, id, list, notNegative, positive, text, unitsSchema } from '../../../quantity/openFormat'
import { referenceWays } from '../document/schema'

/** Weights, tensions and stiffnesses are of any size. */
const anySize = v.pipe(v.number('a number'), v.finite('a finite number'), v.gtValue(0, 'a number greater than zero'))

const section = v.strictObject({
  id,
  name: v.optional(text),
  x: finite,
  diameter: v.optional(positive),
  sense: v.optional(v.picklist(['out', 'in'], '"out" or "in"')),
  /** Left out it is none; null where nobody gave it. */
  sag: v.optional(v.nullable(finite)),
  sd: v.optional(positive),
  readings: list(v.strictTuple([finite, finite], 'an angle and a reading'), 4000, 'a list of readings'),
  limits: v.optional(
    v.strictObject({
      down: v.optional(notNegative),
      up: v.optional(notNegative),
      near: v.optional(notNegative),
      far: v.optional(notNegative),
    }),
  ),
})

const carrier = v.variant(
  'kind',
  [
    v.strictObject({
      kind: v.literal('wire', '"wire"'),
      from: finite,
      length: positive,
      weight: anySize,
      tension: anySize,
    }),
    v.strictObject({
      kind: v.literal('bar', '"bar"'),
      from: finite,
      length: positive,
      weight: anySize,
      stiffness: anySize,
    }),
  ],
  '"wire" or "bar"',
)

const [, ...lines] = referenceWays

/** The open survey document of a row of bores, version 1. */
export const surveySchema = v.strictObject({
  format: v.literal('vane-peg.survey', '"vane-peg.survey"'),
  version: v.literal(1, '1'),
  kind: v.literal('bore', '"bore"'),
  units: unitsSchema,
  bores: v.strictObject({
    name: v.optional(text),
    sections: v.pipe(list(section, 200, 'a list of sections'), v.minLength(2, 'at least two sections')),
    reference: v.union(
      [
        v.strictObject({ held: v.strictTuple([id, id], 'two sections by their ids') }),
        v.picklist(lines, '"least-squares", "least-largest" or "within-limits"'),
      ],
      '{ "held": [id, id] }, "least-squares", "least-largest" or "within-limits"',
    ),
    carrier: v.optional(carrier),
    limit: v.optional(positive),
  }),
})

export type BoreSurvey = v.InferOutput<typeof surveySchema>

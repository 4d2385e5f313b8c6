import * as v from 'valibot'
import { finite, id, list, positive, shimsAsked, text, unitsSchema } from '../../../quantity/openFormat'
import { couplingSurvey, measurementSchema, toleranceSurvey } from '../../../shafts/survey/schema'

const machine = v.strictObject({
  id,
  name: v.optional(text),
  feet: v.pipe(v.array(v.never('no feet'), 'no feet'), v.maxLength(0, 'no feet')),
})

/** The open survey document of an upright pair, version 1: lower machine first, x upward, 0° at bolt 1. */
export const surveySchema = v.strictObject({
  format: v.literal('vane-peg.survey', '"vane-peg.survey"'),
  version: v.literal(1, '1'),
  kind: v.literal('upright', '"upright"'),
  units: unitsSchema,
  train: v.strictObject({
    name: v.optional(text),
    machines: v.strictTuple([machine, machine], 'two machines, the lower one first'),
    couplings: v.strictTuple([couplingSurvey], 'one coupling'),
    fixed: id,
    rpm: v.optional(positive),
    tolerance: v.optional(toleranceSurvey),
  }),
  measurements: v.pipe(list(measurementSchema, 60, 'a list of measurements'), v.nonEmpty('at least one measurement')),
  flange: v.strictObject({
    on: id,
    x: finite,
    circle: positive,
    bolts: v.pipe(finite, v.integer('a whole number'), v.minValue(3, 'at least 3'), v.maxValue(200, 'at most 200')),
    spigot: v.optional(
      v.strictObject({
        clearance: positive,
        offset: v.optional(v.strictTuple([finite, finite], 'two numbers: y, z')),
      }),
    ),
  }),
  plan: v.optional(v.strictObject(shimsAsked)),
})

export type UprightSurvey = v.InferOutput<typeof surveySchema>

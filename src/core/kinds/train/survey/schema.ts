import * as v from 'valibot'
import { finite, id, list, notNegative, positive, shimsAsked, text, unitsSchema } from '../../../quantity/openFormat'
import { seatSurvey } from '../../../seat/survey'
import { couplingSurvey, measurementSchema, toleranceSurvey } from '../../../shafts/survey/schema'

const foot = v.strictObject({
  id,
  name: v.optional(text),
  x: finite,
  growth: v.optional(v.strictObject({ vertical: v.optional(finite), horizontal: v.optional(finite) })),
  limits: v.optional(
    v.strictObject({
      down: v.optional(notNegative),
      up: v.optional(notNegative),
      near: v.optional(notNegative),
      far: v.optional(notNegative),
    }),
  ),
  pack: v.optional(list(positive, 60, 'a list of shim thicknesses')),
})

const machine = v.strictObject({ id, name: v.optional(text), feet: list(foot, 24, 'a list of feet') })

/** The open survey document of a train, version 1. Every field is explained in docs/format.md. */
export const surveySchema = v.strictObject({
  format: v.literal('vane-peg.survey', '"vane-peg.survey"'),
  version: v.literal(1, '1'),
  kind: v.optional(v.literal('train', 'a known kind of line')),
  units: unitsSchema,
  train: v.strictObject({
    name: v.optional(text),
    machines: v.pipe(list(machine, 20, 'a list of machines'), v.nonEmpty('at least one machine')),
    couplings: list(couplingSurvey, 20, 'a list of couplings'),
    fixed: id,
    rpm: v.optional(positive),
    tolerance: v.optional(toleranceSurvey),
  }),
  measurements: list(measurementSchema, 60, 'a list of measurements'),
  plan: v.optional(
    v.strictObject({
      mode: v.optional(v.picklist(['fixed', 'hold', 'least'], '"fixed", "hold" or "least"')),
      /** Two feet that stay, in both planes or plane by plane; a plane left out is planned as `fixed`. */
      hold: v.optional(
        v.union(
          [
            list(id, 24, 'a list of foot ids'),
            v.strictObject({
              vertical: v.optional(list(id, 24, 'a list of foot ids')),
              horizontal: v.optional(list(id, 24, 'a list of foot ids')),
            }),
          ],
          'two foot ids, or two per plane',
        ),
      ),
      margin: v.optional(v.pipe(notNegative, v.maxValue(1, 'at most 1'))),
      ...shimsAsked,
    }),
  ),
  seat: v.optional(list(seatSurvey, 20, 'a list of machines')),
})

export type Survey = v.InferOutput<typeof surveySchema>

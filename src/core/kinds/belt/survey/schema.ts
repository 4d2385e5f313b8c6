import * as v from 'valibot'
import { finite, id, list, notNegative, positive, shimsAsked, text, unitsSchema } from '../../../quantity/openFormat'
import { beltTypes } from '../belts'

const foot = v.strictObject({
  id,
  x: finite,
  limits: v.optional(
    v.strictObject({
      down: v.optional(notNegative),
      up: v.optional(notNegative),
      near: v.optional(notNegative),
      far: v.optional(notNegative),
    }),
  ),
  pack: v.optional(list(positive, 20, 'a list of shim thicknesses')),
})

const sheave = v.strictObject({
  id,
  name: v.optional(text),
  stays: v.optional(v.boolean('true or false')),
  centre: v.strictTuple([finite, finite, finite], 'three numbers: x, y, z'),
  toGroove: finite,
  diameter: positive,
  base: v.optional(finite),
  pivot: v.optional(v.strictObject({ foot: id, y: v.optional(finite) })),
  feet: v.optional(list(foot, 12, 'a list of feet')),
})

const face = v.strictObject({
  type: v.literal('face', '"face"'),
  on: id,
  angle: finite,
  radius: positive,
  value: finite,
  target: v.optional(id),
  turned: v.optional(finite),
  sd: v.optional(positive),
})

const direct = v.strictObject({
  type: v.literal('direct', '"direct"'),
  on: id,
  toe: v.optional(finite),
  tilt: v.optional(finite),
  offset: v.optional(finite),
  sd: v.optional(v.strictObject({ angle: v.optional(positive), offset: v.optional(positive) })),
})

/** The open survey document of a belt drive, version 1. */
export const surveySchema = v.strictObject({
  format: v.literal('vane-peg.survey', '"vane-peg.survey"'),
  version: v.literal(1, '1'),
  kind: v.literal('belt', '"belt"'),
  units: unitsSchema,
  belt: v.strictObject({
    name: v.optional(text),
    type: v.picklist(beltTypes, '"v", "ribbed", "toothed", "flat" or "other"'),
    limit: v.optional(v.pipe(positive, v.maxValue(45, 'at most 45 degrees'))),
    offsetLimit: v.optional(positive),
    rpm: v.optional(positive),
    faces: v.picklist(['right', 'left'], '"right" or "left"'),
    sheaves: v.pipe(list(sheave, 12, 'a list of sheaves'), v.minLength(2, 'at least two sheaves')),
    readings: v.pipe(
      list(v.variant('type', [face, direct], '"face" or "direct"'), 4000, 'a list of readings'),
      v.nonEmpty('at least one reading'),
    ),
  }),
  plan: v.optional(v.strictObject(shimsAsked)),
})

export type BeltSurvey = v.InferOutput<typeof surveySchema>

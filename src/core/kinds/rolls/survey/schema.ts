import * as v from 'valibot'
import { finite, id, list, positive, text, unitsSchema } from '../../../quantity/openFormat'

const range = v.pipe(
  v.strictTuple([finite, finite], 'two numbers, the smaller first'),
  v.check(([low, high]) => low <= high, 'two numbers, the smaller first'),
)
const housingLimits = v.strictObject({ slide: v.optional(range), shim: v.optional(range) })

/** An angle, rad. */
const angle = v.pipe(
  v.number('a number'),
  v.finite('a finite number'),
  v.gtValue(0, 'a number greater than zero'),
  v.maxValue(1, 'at most 1 rad'),
)

const roll = v.strictObject({
  id,
  name: v.optional(text),
  x: finite,
  z: finite,
  width: positive,
  diameter: positive,
  housings: v.pipe(
    v.strictTuple([finite, finite], 'two numbers: y of the near and of the far housing'),
    v.check(([near, far]) => near < far, 'the near housing before the far one'),
  ),
  movable: v.optional(v.boolean('true or false')),
  incline: v.optional(
    v.pipe(finite, v.minValue(-90, 'from -90 to 90 degrees'), v.maxValue(90, 'from -90 to 90 degrees')),
  ),
  limit: v.optional(angle),
  limits: v.optional(v.strictObject({ near: v.optional(housingLimits), far: v.optional(housingLimits) })),
})

const between = v.strictTuple([id, id], 'two rolls by their ids')
const sd = v.optional(positive)

const reading = v.variant(
  'type',
  [
    v.strictObject({
      type: v.literal('level'),
      on: id,
      divisions: finite,
      sensitivity: positive,
      turned: v.optional(v.boolean('true or false')),
      instrument: v.optional(id),
      sd,
    }),
    v.strictObject({
      type: v.literal('scale'),
      on: id,
      near: finite,
      far: finite,
      over: positive,
      stand: v.optional(id),
      sd,
    }),
    v.strictObject({ type: v.literal('plane'), stand: id, mark: id, x: finite, value: finite, sd }),
    v.strictObject({ type: v.literal('tape'), between, near: finite, far: finite, over: positive, sd }),
    v.strictObject({ type: v.literal('loop'), between, near: finite, far: finite, over: positive, sd }),
    v.strictObject({ type: v.literal('centre'), on: id, value: finite, sd }),
    v.strictObject({ type: v.literal('diagonals'), between, nearFar: positive, farNear: positive, sd }),
    v.strictObject({
      type: v.literal('direct'),
      on: id,
      square: v.optional(finite),
      level: v.optional(finite),
      sd: v.optional(angle),
    }),
  ],
  '"level", "scale", "plane", "tape", "loop", "centre", "diagonals" or "direct"',
)

/** The open survey document of a section of rolls, version 1. */
export const surveySchema = v.strictObject({
  format: v.literal('vane-peg.survey', '"vane-peg.survey"'),
  version: v.literal(1, '1'),
  kind: v.literal('rolls', '"rolls"'),
  units: unitsSchema,
  rolls: v.strictObject({
    name: v.optional(text),
    rolls: v.pipe(list(roll, 200, 'a list of rolls'), v.nonEmpty('at least one roll')),
    web: v.optional(
      v.strictObject({
        path: v.optional(list(id, 400, 'a list of rolls by their ids')),
        side: v.optional(v.record(v.string(), v.picklist(['over', 'under'], '"over" or "under"'))),
      }),
    ),
    reference: v.optional(id),
    baseline: v.optional(v.strictObject({ offset: finite })),
    readings: v.pipe(list(reading, 4000, 'a list of readings'), v.nonEmpty('at least one reading')),
  }),
})

export type RollsSurvey = v.InferOutput<typeof surveySchema>

import * as v from 'valibot'
import { purposes } from '../fit/together'

/** The open survey document, version 1. Every field is explained in docs/format.md. */

const finite = v.pipe(v.number('a number'), v.finite('a finite number'))
const positive = v.pipe(finite, v.gtValue(0, 'a number above zero'))
const notNegative = v.pipe(finite, v.minValue(0, 'zero or more'))
const id = v.pipe(v.string('a name (text)'), v.nonEmpty('a name that is not empty'))
const machineSide = id

const reading = v.strictTuple([finite, finite], 'a pair: angle in degrees, reading')
const readings = v.array(reading, 'a list of readings')

const rim = v.strictObject({
  type: v.literal('rim'),
  on: machineSide,
  x: finite,
  radius: v.optional(positive),
  sag: v.optional(finite),
  sd: v.optional(positive),
  graduation: v.optional(positive),
  turn: v.optional(positive),
  readings,
})
const face = v.strictObject({
  type: v.literal('face'),
  on: machineSide,
  x: v.optional(finite),
  radius: positive,
  side: v.optional(v.picklist(['front', 'back'], '"front" or "back"')),
  sag: v.optional(finite),
  lead: v.optional(finite),
  float: v.optional(v.literal('shared', '"shared"')),
  sd: v.optional(positive),
  graduation: v.optional(positive),
  turn: v.optional(positive),
  readings,
})
const beam = v.strictObject({
  type: v.literal('beam'),
  on: machineSide,
  x: finite,
  sd: v.optional(positive),
  graduation: v.optional(positive),
  readings,
})
const beam2 = v.strictObject({
  type: v.literal('beam2'),
  on: machineSide,
  planes: v.strictTuple([finite, finite], 'two stations'),
  sd: v.optional(positive),
  graduation: v.optional(positive),
  readings: v.array(
    v.strictTuple([finite, finite, finite, finite, finite], 'five numbers: angle, r1, t1, r2, t2'),
    'a list of readings',
  ),
})
const bore = v.strictObject({
  type: v.literal('bore'),
  on: machineSide,
  x: finite,
  sag: v.optional(finite),
  sd: v.optional(positive),
  graduation: v.optional(positive),
  turn: v.optional(positive),
  readings,
})

const foot = v.strictObject({
  id,
  name: v.optional(v.string('text')),
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
  pack: v.optional(v.array(positive, 'a list of shim thicknesses')),
})

const machine = v.strictObject({ id, name: v.optional(v.string('text')), feet: v.array(foot, 'a list of feet') })

const coupling = v.strictObject({
  id,
  name: v.optional(v.string('text')),
  left: id,
  right: id,
  x: finite,
  diameter: v.optional(positive),
  flexPlanes: v.optional(
    v.pipe(
      v.strictTuple([finite, finite], 'two stations'),
      v.check(([a, b]) => a < b, 'two stations, the left one first'),
    ),
  ),
})

const cornerGaps = v.strictObject({
  lowNear: v.optional(notNegative),
  lowFar: v.optional(notNegative),
  highNear: v.optional(notNegative),
  highFar: v.optional(notNegative),
})

const seat = v.strictObject({
  machine: id,
  threshold: v.optional(positive),
  feet: v.array(
    v.strictObject({
      id,
      x: finite,
      y: finite,
      rise: v.optional(finite),
      corners: v.optional(cornerGaps),
    }),
    'a list of feet',
  ),
})

export const surveySchema = v.strictObject({
  format: v.literal('vane-peg.survey', '"vane-peg.survey"'),
  version: v.literal(1, '1'),
  units: v.strictObject({
    length: v.picklist(['mm', 'in'], '"mm" or "in"'),
    reading: v.picklist(['mm', 'um', 'in', 'mil'], '"mm", "um", "in" or "mil"'),
  }),
  train: v.strictObject({
    name: v.optional(v.string('text')),
    machines: v.pipe(v.array(machine, 'a list of machines'), v.nonEmpty('at least one machine')),
    couplings: v.array(coupling, 'a list of couplings'),
    fixed: id,
    rpm: v.optional(positive),
    tolerance: v.optional(v.strictObject({ offset: v.optional(positive), slope: positive })),
  }),
  measurements: v.array(
    v.strictObject({
      coupling: id,
      state: v.optional(v.picklist(['released', 'engaged'], '"released" or "engaged"')),
      purpose: v.optional(v.picklist(purposes, '"plan", "repeat", "closed" or "running"')),
      zeroed: v.optional(v.picklist(['any', 'halved', 'sag'], '"any", "halved" or "sag"')),
      probes: v.pipe(
        v.array(
          v.variant('type', [rim, face, beam, beam2, bore], 'a probe of type "rim", "face", "beam", "beam2" or "bore"'),
          'a list of probes',
        ),
        v.nonEmpty('at least one probe'),
      ),
    }),
    'a list of measurements',
  ),
  plan: v.optional(
    v.strictObject({
      mode: v.optional(v.picklist(['fixed', 'hold', 'least'], '"fixed", "hold" or "least"')),
      hold: v.optional(v.array(id, 'a list of foot ids')),
      margin: v.optional(v.pipe(notNegative, v.maxValue(1, 'at most 1'))),
      stock: v.optional(v.array(positive, 'a list of shim thicknesses')),
      maxShims: v.optional(v.pipe(finite, v.integer('a whole number'), v.minValue(1, 'at least 1'))),
    }),
  ),
  seat: v.optional(v.array(seat, 'a list of machines')),
})

export type Survey = v.InferOutput<typeof surveySchema>
export type SurveyMeasurement = Survey['measurements'][number]
export type SurveyProbe = SurveyMeasurement['probes'][number]

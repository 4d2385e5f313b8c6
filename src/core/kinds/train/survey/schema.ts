import * as v from 'valibot'
import { purposes } from '../../../shafts/together'

/** The open survey document, version 1. Every field is explained in docs/format.md. */

/** No length, reading, angle or speed of a machine is greater; beyond it the arithmetic itself gives out. */
const most = 1e6
/** Nor is anything that has a size smaller. */
const least = 1e-6

const finite = v.pipe(
  v.number('a number'),
  v.finite('a finite number'),
  v.minValue(-most, 'a number from -1,000,000 to 1,000,000'),
  v.maxValue(most, 'a number from -1,000,000 to 1,000,000'),
)
const positive = v.pipe(
  finite,
  v.gtValue(0, 'a number above zero'),
  v.minValue(least, 'a number of a millionth or more'),
)
const notNegative = v.pipe(finite, v.minValue(0, 'zero or more'))
const text = v.pipe(v.string('text'), v.maxLength(200, 'at most 200 characters'))
const id = v.pipe(
  v.string('a name (text)'),
  v.nonEmpty('a name that is not empty'),
  v.maxLength(100, 'a name of at most 100 characters'),
)
/** A list with a limit: what one request may ask is what a server can work out while others wait. */
const list = <S extends v.GenericSchema>(of: S, length: number, what: string) =>
  v.pipe(v.array(of, what), v.maxLength(length, `${what}, at most ${length.toLocaleString('en')}`))
const machineSide = id

const reading = v.strictTuple([finite, finite], 'a pair: angle in degrees, reading')
const readings = list(reading, 20_000, 'a list of readings')

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
  readings: list(
    v.strictTuple([finite, finite, finite, finite, finite], 'five numbers: angle, r1, t1, r2, t2'),
    20_000,
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

const coupling = v.strictObject({
  id,
  name: v.optional(text),
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
  feet: list(
    v.strictObject({
      id,
      x: finite,
      y: finite,
      rise: v.optional(finite),
      corners: v.optional(cornerGaps),
    }),
    24,
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
    name: v.optional(text),
    machines: v.pipe(list(machine, 20, 'a list of machines'), v.nonEmpty('at least one machine')),
    couplings: list(coupling, 20, 'a list of couplings'),
    fixed: id,
    rpm: v.optional(positive),
    tolerance: v.optional(v.strictObject({ offset: v.optional(positive), slope: positive })),
  }),
  measurements: list(
    v.strictObject({
      coupling: id,
      state: v.optional(v.picklist(['released', 'engaged'], '"released" or "engaged"')),
      purpose: v.optional(v.picklist(purposes, '"plan", "repeat", "closed" or "running"')),
      zeroed: v.optional(v.picklist(['any', 'halved', 'sag'], '"any", "halved" or "sag"')),
      probes: v.pipe(
        list(
          v.variant('type', [rim, face, beam, beam2, bore], 'a probe of type "rim", "face", "beam", "beam2" or "bore"'),
          12,
          'a list of probes',
        ),
        v.nonEmpty('at least one probe'),
      ),
    }),
    60,
    'a list of measurements',
  ),
  plan: v.optional(
    v.strictObject({
      mode: v.optional(v.picklist(['fixed', 'hold', 'least'], '"fixed", "hold" or "least"')),
      hold: v.optional(list(id, 24, 'a list of foot ids')),
      margin: v.optional(v.pipe(notNegative, v.maxValue(1, 'at most 1'))),
      stock: v.optional(list(positive, 60, 'a list of shim thicknesses')),
      maxShims: v.optional(
        v.pipe(finite, v.integer('a whole number'), v.minValue(1, 'at least 1'), v.maxValue(8, 'at most 8')),
      ),
    }),
  ),
  seat: v.optional(list(seat, 20, 'a list of machines')),
})

export type Survey = v.InferOutput<typeof surveySchema>
export type SurveyMeasurement = Survey['measurements'][number]
export type SurveyProbe = SurveyMeasurement['probes'][number]

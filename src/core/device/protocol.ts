import * as v from 'valibot'
import { probeKinds, probeTypes } from '../probes'

/**
 * The open device protocol, version 1: JSON messages, one a line, over a WebSocket. docs/devices.md explains every field.
 * A real instrument needs only a bridge that speaks these lines; what belongs to a simulated rig alone is marked so.
 */

const finite = v.pipe(v.number(), v.finite())
const id = v.pipe(v.string(), v.nonEmpty(), v.maxLength(40))

/** `number`: an indicator with one number and no angle of its own; whoever holds it says where its tip stands. */
export const probeTypesOnline = [
  ...probeTypes.filter((type) => probeKinds[type].standIn !== undefined),
  'number' as const,
]

/** Where a probe of a simulated rig hangs: mm from the coupling outward, the hub's radius, the bracket's sag. */
const hungSchema = v.strictObject({
  id,
  distance: finite,
  distance2: v.optional(finite),
  radius: v.optional(v.pipe(finite, v.gtValue(0))),
  sag: v.optional(finite),
})

export const helloSchema = v.strictObject({
  type: v.literal('hello'),
  format: v.literal('vane-peg.device'),
  version: v.literal(1),
  device: v.strictObject({ id, name: v.pipe(v.string(), v.maxLength(60)), simulated: v.boolean() }),
  probes: v.array(
    v.strictObject({
      id,
      type: v.picklist(probeTypesOnline),
      /** The machine it touches, or that carries the detector, seen from the coupling. */
      on: v.picklist(['left', 'right']),
      unit: v.picklist(['mm', 'um', 'in', 'mil']),
      graduation: v.pipe(finite, v.gtValue(0)),
      /** Of a head: how far from its middle a beam may fall and still be seen, in its unit. */
      range: v.optional(v.pipe(finite, v.gtValue(0))),
    }),
  ),
  hung: v.optional(v.array(hungSchema)),
})

export const deviceReadingSchema = v.strictObject({
  type: v.literal('reading'),
  /** Grows by one with every reading sent; a gap means messages were lost. */
  seq: v.pipe(v.number(), v.integer(), v.minValue(0)),
  /** Milliseconds since the device began. */
  at: v.pipe(finite, v.minValue(0)),
  probes: v.array(
    v.strictObject({
      id,
      /** Degrees from the top toward the far side; may run on past 360. */
      angle: finite,
      /** One number, or r1, t1, r2, t2; null where there is none. */
      values: v.nullable(v.pipe(v.array(finite), v.minLength(1), v.maxLength(4))),
      fault: v.optional(v.picklist(['out-of-range', 'no-beam'])),
    }),
  ),
})

export const deviceStatusSchema = v.strictObject({
  type: v.literal('status'),
  /** 0 empty, 1 full. */
  battery: v.pipe(finite, v.minValue(0), v.maxValue(1)),
})

/** What a device says. */
export const deviceMessageSchema = v.variant('type', [helloSchema, deviceReadingSchema, deviceStatusSchema])

/** So far a simulated machine may stand off, mm and rad; and the stations of its two outermost feet, mm from the coupling. */
const within = (most: number) => v.pipe(finite, v.minValue(-most), v.maxValue(most))
const far = within(50_000)

const round = within(3600)

/** A foot while its own bolt is tight, loosened, and tight again. */
export const footStates = ['rest', 'loosened', 'tightened'] as const
export type FootState = (typeof footStates)[number]

/**
 * Where the tip of an indicator is put: on top of a foot, on a face (of a sheave, square to x), on the wall of a bore from a carrier
 * through it, on the rim of the hub that one of two shafts carries, turned to an angle together, or on one end of a roll, from a
 * plane square to the line or to the next roll.
 */
const aimSchema = v.variant('touch', [
  v.strictObject({
    type: v.literal('aim'),
    touch: v.literal('face'),
    of: id,
    angle: round,
    radius: v.pipe(within(5000), v.gtValue(0)),
    turned: v.optional(round),
  }),
  v.strictObject({
    type: v.literal('aim'),
    touch: v.literal('bore'),
    of: id,
    angle: round,
    radius: v.optional(v.pipe(within(5000), v.gtValue(0))),
  }),
  v.strictObject({
    type: v.literal('aim'),
    touch: v.literal('rim'),
    on: v.picklist(['left', 'right']),
    angle: round,
    /** mm from the coupling outward, and the hub's radius. */
    distance: far,
    radius: v.optional(v.pipe(within(5000), v.gtValue(0))),
  }),
  v.strictObject({
    type: v.literal('aim'),
    touch: v.literal('foot'),
    of: id,
    bolt: v.picklist(footStates),
  }),
  v.strictObject({
    type: v.literal('aim'),
    touch: v.literal('roll'),
    of: id,
    end: v.picklist(['near', 'far']),
    /** Both ends lie so far apart along y, mm. */
    over: v.pipe(within(20_000), v.gtValue(0)),
    /** The other roll and how far it stands from this one, mm; from a plane square to the line where there is none. */
    to: v.optional(v.strictObject({ of: id, x: within(200_000), z: within(200_000) })),
  }),
])

/**
 * What may be said to a simulated rig: turn its shafts, hang its probes elsewhere, stand as a job says, have a foot pushed or
 * lifted, have its bolts tightened, or get into trouble; where the tip of an indicator is put, and how a face that it touches
 * stands.
 */
export const rigCommandSchema = v.variant('type', [
  v.strictObject({
    type: v.literal('set'),
    offsetY: within(20),
    slopeY: within(0.05),
    offsetZ: within(20),
    slopeZ: within(0.05),
    /** The machine that is moved, seen from the coupling, and its feet: mm from the coupling outward. */
    moves: v.picklist(['left', 'right']),
    feet: v.pipe(
      v.strictTuple([v.strictObject({ id, distance: far }), v.strictObject({ id, distance: far })]),
      v.check(([one, other]) => Math.abs(one.distance - other.distance) >= 1, 'two feet at least 1 mm apart'),
    ),
  }),
  v.strictObject({
    type: v.literal('push'),
    foot: id,
    plane: v.picklist(['vertical', 'horizontal']),
    /** mm up or toward the far side; the machine turns about its other feet. */
    by: within(5),
  }),
  /** The bolts are tightened: everything shifts a little, as it does. */
  v.strictObject({ type: v.literal('tighten') }),
  v.strictObject({ type: v.literal('turn'), to: v.pipe(finite, v.minValue(-3600), v.maxValue(3600)) }),
  v.strictObject({ type: v.literal('hang'), probes: v.pipe(v.array(hungSchema), v.maxLength(4)) }),
  aimSchema,
  v.strictObject({
    type: v.literal('face'),
    of: id,
    toe: within(0.2),
    tilt: within(0.2),
    offset: within(200),
  }),
  v.strictObject({
    type: v.literal('trouble'),
    kind: v.picklist(['disconnect', 'out-of-range', 'slack', 'flat-battery', 'none']),
  }),
])

export type Hello = v.InferOutput<typeof helloSchema>
export type DeviceReading = v.InferOutput<typeof deviceReadingSchema>
export type DeviceStatus = v.InferOutput<typeof deviceStatusSchema>
export type DeviceMessage = v.InferOutput<typeof deviceMessageSchema>
export type RigCommand = v.InferOutput<typeof rigCommandSchema>
export type Hung = v.InferOutput<typeof hungSchema>

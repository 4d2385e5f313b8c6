import * as v from 'valibot'
import { finite, positive, tidy } from '../quantity/openFormat'
import { dialOf, dialTold, type ProbeKind, singleTyped, surveyFields } from './kind'
import { type Channel, measured, type ProbeBase, type ProbeContext, type SingleReadings } from './probe'

/** A dial on a coupling face, along the shaft. Plunger pushed in reads positive. Lengths in mm. */
export interface FaceDial extends ProbeBase, SingleReadings {
  type: 'face'
  /** Radius of the circle it travels on. */
  radius: number
  /** The face that looks at the other machine is the front; its other side the back. */
  side: 'front' | 'back'
  sag: number
  /** Degrees by which this dial stands ahead of the angle given: 180 for the second of two face dials. */
  lead: number
  /** Axial float unknown at each angle and shared with the other face dials on the same machine in the set. */
  sharedFloat: boolean
}

/**
 * Face dial: `c + b·ρ·β·e(θ) + sag·(1 − cos θ)/2 − b·float(θ)`, `b = +1` on the front, −1 on the back; the same formula
 * whichever machine carries the bracket. Exactly linear: a flat face stays flat. Says nothing about offset.
 */
export function faceChannel(dial: FaceDial, { key, setKey }: ProbeContext): Channel {
  const b = dial.side === 'front' ? 1 : -1
  return {
    key,
    sd: dial.sd,
    // a shaft that floats takes its zero along
    zero: dial.sharedFloat ? undefined : dial.zero,
    weight: [0, b * dial.radius],
    ...measured(dial.readings, dial.lead, dial.sag),
    ...(dial.sharedFloat
      ? { float: { group: `${setKey}:${dial.on}`, sign: b, positions: positionsOf(dial.readings) } }
      : {}),
  }
}

/** Farther apart than any two angles are. */
const again = 1e7

/** A number for each position: the angle, and how often it came before, since the shaft floats anew each time it comes by. */
function positionsOf(readings: readonly { angle: number }[]): Float64Array {
  const found = new Float64Array(readings.length)
  let rising = true
  let before = Number.NEGATIVE_INFINITY
  for (let i = 0; i < found.length; i++) {
    const { angle } = readings[i] as { angle: number }
    rising &&= angle > before
    found[i] = angle
    before = angle
  }
  // a sweep that only ever goes on comes by nowhere twice
  if (rising) return found
  const seen = new Map<number, number>()
  return found.map((angle) => {
    const times = seen.get(angle) ?? 0
    seen.set(angle, times + 1)
    return angle + again * times
  })
}

const { on, x, sag, sd, graduation, turn, readings } = surveyFields

/** A face dial in the open survey document. */
export const faceSurvey = v.strictObject({
  type: v.literal('face'),
  on,
  x: v.optional(x),
  radius: positive,
  side: v.optional(v.picklist(['front', 'back'], '"front" or "back"')),
  sag,
  lead: v.optional(finite),
  float: v.optional(v.literal('shared', '"shared"')),
  sd,
  graduation,
  turn,
  readings,
})

export const face: ProbeKind<FaceDial, v.InferOutput<typeof faceSurvey>> = {
  instrument: 'dial',
  channels: [undefined],
  stations: 0,
  radius: 'needed',
  sag: 'negative',
  inside: false,
  slips: 'any',
  mark: 'along',
  standIn: undefined,
  lead: ({ lead }) => lead ?? 0,
  rows: (probe, context) => [faceChannel(probe, context)],
  stationsMm: () => [],
  // one whose shaft floats closes only together with its fellow
  closes: ({ sharedFloat, twiceZeroed }) => !sharedFloat && !twiceZeroed,
  dimensions: (probe) => [
    { what: 'radius', more: (by) => ({ ...probe, radius: probe.radius + by }) },
    { what: 'sag', more: (by) => ({ ...probe, sag: probe.sag + by }) },
  ],
  of(typed) {
    const { on, sd, graduation, radius, sag, sagUnknown, twiceZeroed, zero, side, lead, floats } = typed
    if (!radius) return undefined
    const readings = singleTyped(typed)
    return {
      type: 'face',
      on,
      sd,
      graduation,
      radius,
      sag,
      sagUnknown,
      twiceZeroed,
      zero,
      side,
      lead,
      sharedFloat: floats,
      readings,
    }
  },
  ofSurvey: (told, units) => ({
    type: 'face',
    ...dialOf(told, units),
    radius: units.length(told.radius),
    side: told.side ?? 'front',
    lead: told.lead ?? 0,
    sharedFloat: told.float === 'shared',
  }),
  toSurvey: (probe, base) => ({
    type: 'face',
    ...dialTold(probe, base),
    radius: tidy(probe.radius),
    side: probe.side,
    ...(probe.lead ? { lead: probe.lead } : {}),
    ...(probe.sharedFloat ? { float: 'shared' as const } : {}),
  }),
}

import * as v from 'valibot'
import { positive, tidy } from '../quantity/openFormat'
import { dialOf, dialTold, type ProbeKind, singleTyped, surveyFields } from './kind'
import {
  type Channel,
  type Misalignment,
  measured,
  type ProbeBase,
  type ProbeContext,
  type SingleReadings,
  separationAt,
  towardRight,
  weightAt,
} from './probe'

/** A dial whose plunger stands on a rim, square to the shaft. Plunger pushed in reads positive. Lengths in mm. */
export interface RimDial extends ProbeBase, SingleReadings {
  type: 'rim'
  /** Station of the dial. */
  x: number
  /** Radius of the rim it stands on. With it the rim's curvature is in the model; without it the reading is linear. */
  radius?: number | undefined
  /** Bracket sag by the bottom reading on a straight bar, zeroed on top: normally negative. */
  sag: number
}

/**
 * Rim dial: `c + g·d(x)·e(θ) + sag·(1 − cos θ)/2`, with `d = right − left`, `g = +1` on the right machine, −1 on the left.
 * The rim is round, so the exact reading falls short by about `d_across²/2R`; see `rimBeyondLinear`.
 */
export function rimChannel(dial: RimDial, { couplingX, key }: ProbeContext): Channel {
  const gain = towardRight(dial.on)
  const distance = dial.x - couplingX
  const { radius } = dial
  return {
    key,
    sd: dial.sd,
    zero: dial.zero,
    weight: weightAt(gain, distance),
    ...measured(dial.readings, 0, dial.sag),
    ...(radius ? { beyondLinear: (m: Misalignment) => rimBeyondLinear(m, gain, distance, radius) } : {}),
  }
}

/**
 * Exact reading of a rim less its linear form, mm, as a function of the direction.
 *
 * The dial moves along a ray from the bracket's axis in direction `e`, square to that axis, until it meets a cylinder of
 * radius R whose axis stands `d` away and leans by `β`. With `k = 1/(1 + β²)` the ray meets it at the greater root `s` of
 * `s²(1 − k(e·β)²) − 2s(e·d − k(d·β)(e·β)) + d² − k(d·β)² − R² = 0`. For parallel axes this is
 * `d·e + √(R² − d_across²)`, the form in docs/domain.md.
 */
function rimBeyondLinear(m: Misalignment, gain: number, distance: number, radius: number) {
  const [y, z] = separationAt(m, distance)
  const dy = gain * y
  const dz = gain * z
  const by = gain * m.slopeY
  const bz = gain * m.slopeZ
  const k = 1 / (1 + by * by + bz * bz)
  const db = dy * by + dz * bz
  const c = dy * dy + dz * dz - k * db * db - radius * radius
  return (ey: number, ez: number): number => {
    const along = ey * dy + ez * dz
    const eb = ey * by + ez * bz
    const a = 1 - k * eb * eb
    const b = along - k * db * eb
    const inside = b * b - a * c
    if (inside < 0) return 0 // the ray misses the rim: no such shaft; leave the linear form to show a large residual
    return (b + Math.sqrt(inside)) / a - radius - along
  }
}

const { on, x, sag, sd, graduation, turn, readings } = surveyFields

/** A rim dial in the open survey document. */
export const rimSurvey = v.strictObject({
  type: v.literal('rim'),
  on,
  x,
  radius: v.optional(positive),
  sag,
  sd,
  graduation,
  turn,
  readings,
})

export const rim: ProbeKind<RimDial, v.InferOutput<typeof rimSurvey>> = {
  instrument: 'dial',
  channels: [undefined],
  stations: 1,
  radius: 'refines',
  sag: 'negative',
  inside: false,
  slips: 'any',
  mark: 'across',
  standIn: 'dials',
  lead: () => 0,
  rows: (probe, context) => [rimChannel(probe, context)],
  stationsMm: (probe) => [probe.x],
  closes: ({ twiceZeroed }) => !twiceZeroed,
  dimensions: (probe) => [
    { what: 'station', more: (by) => ({ ...probe, x: probe.x + by }) },
    { what: 'sag', more: (by) => ({ ...probe, sag: probe.sag + by }) },
  ],
  of(typed) {
    const [at] = typed.stations
    if (at === undefined) return undefined
    const { on, sd, graduation, sag, sagUnknown, twiceZeroed, radius, zero } = typed
    return {
      type: 'rim',
      on,
      sd,
      graduation,
      x: at,
      sag,
      sagUnknown,
      twiceZeroed,
      radius,
      zero,
      readings: singleTyped(typed),
    }
  },
  ofSurvey: (told, units) => ({
    type: 'rim',
    ...dialOf(told, units),
    x: units.length(told.x),
    radius: told.radius === undefined ? undefined : units.length(told.radius),
  }),
  toSurvey: (probe, base) => ({
    type: 'rim',
    ...dialTold(probe, base),
    x: tidy(probe.x),
    ...(probe.radius ? { radius: tidy(probe.radius) } : {}),
  }),
}

import { direction as directionOf } from '../quantity/angles'

/** The relative position of the two axes at a coupling: right minus left. Offsets in mm at the coupling's x, slopes in rad. */
export interface Misalignment {
  offsetY: number
  slopeY: number
  offsetZ: number
  slopeZ: number
}

export const aligned: Misalignment = { offsetY: 0, slopeY: 0, offsetZ: 0, slopeZ: 0 }

/** The machine a probe touches (or whose detector it is), seen from its coupling. */
export type Side = 'left' | 'right'

/** `g` of the domain notes: +1 for a probe on the right machine, −1 on the left. */
export const towardRight = (on: Side): 1 | -1 => (on === 'right' ? 1 : -1)

/** What every probe has. Lengths in mm, angles in degrees from the top toward the far side. */
export interface ProbeBase {
  on: Side
  /** Standard deviation of one reading, mm. */
  sd: number
  /** One graduation, mm, where it is known; else the deviation is taken as half of one. */
  graduation?: number | undefined
  /** Nobody gave the sag of its bracket: it is solved as zero, and what hangs on it is not sure. */
  sagUnknown?: true | undefined
  /** Zeroed on top for height and once more at a side: its readings are centered plane by plane, and it has no closure. */
  twiceZeroed?: true | undefined
  /** Where the probe was set to a known value instead of any zero: what it would show on aligned, unsagging shafts, mm. */
  zero?: { value: number; sd: number } | undefined
}

/** A probe that gives one number an angle. */
export interface SingleReadings {
  readings: readonly { angle: number; value: number }[]
}

/** What a probe may ask of the set it is part of. */
export interface ProbeContext {
  /** The coupling's x, mm. */
  couplingX: number
  /** Unique prefix for this probe's constants. */
  key: string
  /** Unique prefix for what the probes of this set share. */
  setKey: string
}

/**
 * One number read at each of many angles, and what it says:
 * `observed = c + (w₀·offset + w₁·slope)·e(θ) + what the exact geometry adds − sign·float`. Lengths in mm.
 */
export interface Channel {
  /** Key of its constant `c`. */
  key: string
  /** It has no constant: what it tells is what is there. */
  absolute?: true
  /** Standard deviation of one reading, > 0. */
  sd: number
  /** Weights of the offset and of the slope at the coupling. */
  weight: readonly [offset: number, slope: number]
  /** `e(θ)` of each reading. */
  sin: Float64Array
  cos: Float64Array
  /** Each reading less its sag. */
  observed: Float64Array
  sums: ChannelSums
  /** What the exact geometry reads beyond the linear form; absent where that is exact. */
  beyondLinear?: (m: Misalignment) => (sin: number, cos: number) => number
  /** An axial float, unknown at each position and shared by every channel of that group. */
  float?: { group: string; sign: 1 | -1; positions: Float64Array }
  zero?: { value: number; sd: number } | undefined
}

/** Bracket sag seen at an angle whose cosine is given, mm: nothing at the top, all of it at the bottom, half at the sides. */
export const sagSeen = (sag: number, cos: number): number => (sag * (1 - cos)) / 2

/** Bracket sag seen at an angle in degrees, mm. */
export const sagAt = (sag: number, degrees: number): number => sagSeen(sag, directionOf(degrees)[1])

/** The relative place of the axes at `distance` from the coupling, along y and z, mm. */
export const separationAt = (m: Misalignment, distance: number): readonly [y: number, z: number] => [
  m.offsetY + m.slopeY * distance,
  m.offsetZ + m.slopeZ * distance,
]

/** Sums over a channel's readings: of `e(θ)` and of twice the angle, and of the readings against (1, sin θ, cos θ). */
export interface ChannelSums {
  sin1: number
  cos1: number
  sin2: number
  cos2: number
  observed: number
  bySin: number
  byCos: number
}

/**
 * Directions, sag-free readings and their sums, in one pass: a sweep may have a hundred thousand.
 *
 * @param lead degrees by which the probe stands ahead of the angle given
 */
export function measured(
  readings: SingleReadings['readings'],
  lead: number,
  sag: number,
): Pick<Channel, 'sin' | 'cos' | 'observed' | 'sums'> {
  if (readings.length < long) return sums(readings, lead, sag)
  const known = measurements.get(readings)
  if (known?.lead === lead && known.sag === sag) return known.found
  const found = sums(readings, lead, sag)
  measurements.set(readings, { lead, sag, found })
  return found
}

/** Of a sweep what was measured is kept: it stays while other readings of its job are typed. */
const measurements = new WeakMap<
  SingleReadings['readings'],
  { lead: number; sag: number; found: ReturnType<typeof measured> }
>()
const long = 1000

function sums(
  readings: SingleReadings['readings'],
  lead: number,
  sag: number,
): Pick<Channel, 'sin' | 'cos' | 'observed' | 'sums'> {
  const n = readings.length
  const sin = new Float64Array(n)
  const cos = new Float64Array(n)
  const observed = new Float64Array(n)
  let sin1 = 0
  let cos1 = 0
  let sin2 = 0
  let cos2 = 0
  let sum = 0
  let bySin = 0
  let byCos = 0
  for (let i = 0; i < n; i++) {
    const reading = readings[i] as { angle: number; value: number }
    const degrees = reading.angle + lead
    const radians = degrees * degree
    let s = Math.sin(radians)
    let c = Math.cos(radians)
    // the quarters are exact, so that top and bottom alone leave no trace in the other plane
    if (s * s < quarterly || c * c < quarterly) {
      const exact = directionOf(degrees) // not destructured: that costs as much as the sine
      s = exact[0]
      c = exact[1]
    }
    const y = reading.value - 0.5 * sag * (1 - c)
    sin[i] = s
    cos[i] = c
    observed[i] = y
    sin1 += s
    cos1 += c
    sin2 += s * c
    cos2 += c * c - s * s
    sum += y
    bySin += s * y
    byCos += c * y
  }
  return { sin, cos, observed, sums: { sin1, cos1, sin2: 2 * sin2, cos2, observed: sum, bySin, byCos } }
}

/** Square of a sine below which an angle may be a quarter. */
const quarterly = 1e-20

const degree = Math.PI / 180

/** Weights of a station `distance` from the coupling: `gain · d(x)`. */
export const weightAt = (gain: number, distance: number): Channel['weight'] => [gain, gain * distance]

/** The linear part of a channel at a direction, constant aside, mm. */
export const linearOf = ({ weight: [a, b] }: Pick<Channel, 'weight'>, m: Misalignment, sin: number, cos: number) =>
  (a * m.offsetY + b * m.slopeY) * sin + (a * m.offsetZ + b * m.slopeZ) * cos

import { direction as directionOf } from '../frame/angles'

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
  /** Standard deviation of one reading, > 0. */
  sd: number
  /** Weights of the offset and of the slope at the coupling. */
  weight: readonly [offset: number, slope: number]
  /** `e(θ)` of each reading. */
  sin: Float64Array
  cos: Float64Array
  /** Each reading less its sag. */
  observed: Float64Array
  /** What the exact geometry reads beyond the linear form; absent where that is exact. */
  beyondLinear?: (m: Misalignment) => (sin: number, cos: number) => number
  /** An axial float, unknown at each position and shared by every channel of that group. */
  float?: { group: string; sign: 1 | -1; positions: readonly string[] }
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

/**
 * Directions and sag-free readings of a list of readings, in one pass: a sweep may have a hundred thousand.
 *
 * @param lead degrees by which the probe stands ahead of the angle given
 */
export function measured(
  readings: readonly { angle: number }[],
  valueAt: (index: number) => number,
  lead: number,
  sag: number,
): Pick<Channel, 'sin' | 'cos' | 'observed'> {
  const n = readings.length
  const sin = new Float64Array(n)
  const cos = new Float64Array(n)
  const observed = new Float64Array(n)
  for (let i = 0; i < n; i++) {
    const degrees = (readings[i]?.angle ?? 0) + lead
    const quarter = degrees / 90
    let s: number
    let c: number
    if (quarter === Math.floor(quarter)) [s, c] = directionOf(degrees)
    else {
      const radians = degrees * degree
      s = Math.sin(radians)
      c = Math.cos(radians)
    }
    sin[i] = s
    cos[i] = c
    observed[i] = valueAt(i) - sagSeen(sag, c)
  }
  return { sin, cos, observed }
}

const degree = Math.PI / 180

/** Weights of a station `distance` from the coupling: `gain · d(x)`. */
export const weightAt = (gain: number, distance: number): Channel['weight'] => [gain, gain * distance]

/** The linear part of a channel at a direction, constant aside, mm. */
export const linearOf = ({ weight: [a, b] }: Pick<Channel, 'weight'>, m: Misalignment, sin: number, cos: number) =>
  (a * m.offsetY + b * m.slopeY) * sin + (a * m.offsetZ + b * m.slopeZ) * cos

import { direction } from '../frame/angles'

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

/** Coefficients of one reading in (offsetY, slopeY, offsetZ, slopeZ). */
export type Coefficients = readonly [number, number, number, number]

/** One equation of the linear system: what was read, and what it says of the misalignment. Lengths in mm. */
export interface Row {
  /** Which reading of the probe this is, and which of its channels (only two-plane detectors have more than one). */
  reading: number
  channel: number
  /** The reading less its sag. */
  observed: number
  /** Standard deviation of the reading, > 0. */
  sd: number
  misalignment: Coefficients
  /** Unknown constants that this reading shares with others, by key: the probe's zero, an axial float. */
  constants: readonly { key: string; coefficient: number }[]
  /** What the exact geometry reads beyond the linear form, mm; absent where the linear form is exact. */
  beyondLinear?: (m: Misalignment) => number
}

/** What every probe has. Lengths in mm, angles in degrees from the top toward the far side. */
export interface ProbeBase {
  on: Side
  /** Standard deviation of one reading, mm. */
  sd: number
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

/** Bracket sag seen at an angle, mm: nothing at the top, all of it at the bottom, half at the sides. */
export function sagAt(sag: number, degrees: number): number {
  return (sag * (1 - direction(degrees)[1])) / 2
}

/** The relative place of the axes at `distance` from the coupling, along y and z, mm. */
export const separationAt = (m: Misalignment, distance: number): readonly [y: number, z: number] => [
  m.offsetY + m.slopeY * distance,
  m.offsetZ + m.slopeZ * distance,
]

/** Row coefficients of `gain · d(x)·e(θ)` for a station `distance` from the coupling. */
export function separationCoefficients(gain: number, degrees: number, distance: number): Coefficients {
  const [y, z] = direction(degrees)
  return [gain * y, gain * y * distance, gain * z, gain * z * distance]
}

export const dot = (c: Coefficients, m: Misalignment): number =>
  c[0] * m.offsetY + c[1] * m.slopeY + c[2] * m.offsetZ + c[3] * m.slopeZ

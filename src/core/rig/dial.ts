import type { Side } from '../probes/probe'
import { exactRimReading, type ShaftPair } from './geometry'
import type { Chance } from './random'

/** A real rim dial on the rig: it sags, it trembles, and it is read in graduations. Lengths in mm. */
export interface RiggedRimDial {
  on: Side
  x: number
  radius: number
  sag: number
  /** Standard deviation of the tremble before rounding. */
  noise: number
  /** Zero leaves the reading unrounded. */
  graduation: number
}

/** What a person would read at each angle, the dial zeroed at the first. */
export function readRimDial(
  pair: ShaftPair,
  dial: RiggedRimDial,
  degrees: readonly number[],
  source?: Chance,
): { angle: number; value: number }[] {
  const exact = degrees.map((angle) => exactRimReading(pair, dial, angle))
  const zero = exact[0] ?? 0
  return exact.map((value, i) => {
    const shaken = value - zero + (source && i > 0 ? dial.noise * source.normal() : 0)
    return {
      angle: degrees[i] ?? 0,
      value: dial.graduation > 0 ? Math.round(shaken / dial.graduation) * dial.graduation : shaken,
    }
  })
}

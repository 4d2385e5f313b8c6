import type { Misalignment } from '../../probes/probe'
import { exactRimReading, shaftPair } from '../../rig/geometry'
import { boltAngle } from './document/make'

/** One dial on a simulated upright pair. Lengths in mm, x from the coupling upward. */
export interface RiggedDial {
  on: 'left' | 'right'
  x: number
  radius: number
}

/**
 * What a dial reads at the bolts of an upright pair, zeroed at bolt 1: exact geometry, no gravity across the shaft and so no
 * sag.
 */
export function readAtBolts(truth: Misalignment, dial: RiggedDial, bolts: number): [degrees: number, mm: number][] {
  const pair = shaftPair(truth, 0)
  const at = (degrees: number) => exactRimReading(pair, { ...dial, sag: 0 }, degrees)
  return Array.from({ length: bolts }, (_, i) => {
    const degrees = boltAngle(i + 1, bolts)
    return [degrees, at(degrees) - at(0)]
  })
}

import { direction, radians } from '../../quantity/angles'
import type { Chance } from '../../rig/random'

/** A bore in space, cut square to x: an ellipse about its center. Lengths in mm. */
export interface Bore {
  x: number
  y: number
  z: number
  radius: number
  /** Half of largest less smallest radius; it is narrowest at `at` degrees from the top toward the far side. */
  oval?: { by: number; at: number }
}

/** Where the carrier's axis stands at an x: (y, z). */
export type CarrierAt = (x: number) => readonly [y: number, z: number]

/**
 * How far from the carrier's axis the wall stands in a direction: a ray against an ellipse, solved as a quadratic. Knows nothing of
 * the linear formulas.
 */
export function wallAt({ x, y, z, radius, oval }: Bore, carrier: CarrierAt, degrees: number): number {
  const [cy, cz] = carrier(x)
  const [dy, dz] = direction(degrees)
  const { by, at } = oval ?? { by: 0, at: 0 }
  // along the narrow axis and across it
  const [ny, nz] = [Math.sin(radians(at)), Math.cos(radians(at))]
  const along = (a: number, b: number) => (a * ny + b * nz) / (radius - by)
  const across = (a: number, b: number) => (-a * nz + b * ny) / (radius + by)
  const [p, q] = [along(cy - y, cz - z), across(cy - y, cz - z)]
  const [u, v] = [along(dy, dz), across(dy, dz)]
  const [a, b, c] = [u * u + v * v, p * u + q * v, p * p + q * q - 1]
  return (-b + Math.sqrt(b * b - a * c)) / a
}

/** What a dial on the carrier shows whose plunger the wall pushes in, less what it shows at the top. */
export const readWall = (
  bore: Bore,
  carrier: CarrierAt,
  degrees: number,
  { sd, source }: { sd: number; source: Chance },
): number => wallAt(bore, carrier, 0) - wallAt(bore, carrier, degrees) + sd * source.normal()

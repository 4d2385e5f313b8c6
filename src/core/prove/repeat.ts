import { chiSquareQuantile999 } from '../fit/chiSquare'
import { type Plane, planes } from '../quantity/axis'
import type { Misaligned } from '../shafts/coupling'
import { difference, type ShaftUnknown, squareOver } from './between'

/** How well what was read twice agrees. */
export interface Repeat {
  /** `(m₁ − m₂)ᵀ(C₁ + C₂)⁻¹(m₁ − m₂)`: χ² with `free` degrees of freedom where nothing changed between them. */
  q: number
  free: number
  repeats: boolean
  /** Largest difference of the axis at the stations asked about, mm, and where. */
  worst: { station: string; plane: Plane; by: number } | undefined
}

/**
 * Whether two readings of one state agree: not where they differ by more than chance would once in a thousand times.
 *
 * @param a, b by the readings' own deviation: what the tape adds is the same in both
 * @param couplingX station where offsets are stated, mm
 * @returns undefined where they have no plane in common
 */
export function repeatOf(
  a: Misaligned,
  b: Misaligned,
  couplingX: number,
  stations: readonly { id: string; x: number }[],
): Repeat | undefined {
  const found = difference(a, b)
  if (!found) return undefined
  const { values, covariance, names, change } = found
  const q = squareOver(values, covariance)
  const apart = stations.flatMap(({ id, x }) =>
    planes.flatMap((plane) => {
      const [offset, slope]: ShaftUnknown[] = plane === 'vertical' ? ['offsetZ', 'slopeZ'] : ['offsetY', 'slopeY']
      if (!offset || !slope || !names.includes(offset)) return []
      return [{ station: id, plane, by: Math.abs(change[offset] + change[slope] * (x - couplingX)) }]
    }),
  )
  const [first, ...others] = apart
  return {
    q,
    free: names.length,
    repeats: q <= chiSquareQuantile999(names.length),
    worst: first && others.reduce((most, one) => (one.by > most.by ? one : most), first),
  }
}

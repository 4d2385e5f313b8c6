import { Matrix, solve } from 'ml-matrix'
import type { Misalignment } from '../probes/probe'
import type { Misaligned } from '../shafts/coupling'

export type ShaftUnknown = keyof Misalignment
const all: readonly ShaftUnknown[] = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ']

/** How two readings of a coupling differ, in the planes that both measured. */
export interface Difference {
  names: readonly ShaftUnknown[]
  /** first − second, in the order of `names`, and the covariance of that. */
  values: number[]
  covariance: number[][]
  /** The same in all four; 0 in a plane that is not common. */
  change: Misalignment
  /** All four by four, zero in a plane that is not common. */
  whole: number[][]
}

/** first − second; undefined where no plane was measured by both. The readings are independent: covariances add. */
export function difference(first: Misaligned, second: Misaligned): Difference | undefined {
  const common = (name: ShaftUnknown) => {
    const plane = name.endsWith('Z') ? 'vertical' : 'horizontal'
    return first.measured.includes(plane) && second.measured.includes(plane)
  }
  const names = all.filter(common)
  if (names.length === 0) return undefined
  const sum = (a: ShaftUnknown, b: ShaftUnknown) => {
    const [i, j] = [all.indexOf(a), all.indexOf(b)]
    return (first.covariance[i]?.[j] ?? 0) + (second.covariance[i]?.[j] ?? 0)
  }
  const by = (name: ShaftUnknown) => (names.includes(name) ? first.misalignment[name] - second.misalignment[name] : 0)
  return {
    names,
    values: names.map(by),
    covariance: names.map((a) => names.map((b) => sum(a, b))),
    change: { offsetY: by('offsetY'), slopeY: by('slopeY'), offsetZ: by('offsetZ'), slopeZ: by('slopeZ') },
    whole: all.map((a) => all.map((b) => (names.includes(a) && names.includes(b) ? sum(a, b) : 0))),
  }
}

/** `vᵀC⁻¹v` of a positive definite C; infinite where C says that something known exactly differs. */
export function squareOver(values: readonly number[], covariance: readonly (readonly number[])[]): number {
  // offsets and slopes are of very different size: each is told in its own deviation first
  const sd = covariance.map((row, i) => Math.sqrt(row[i] ?? 0))
  if (sd.some((one) => !(one > 0))) return values.some((value) => value !== 0) ? Number.POSITIVE_INFINITY : 0
  const scaled = Matrix.columnVector(values.map((value, i) => value / (sd[i] ?? 1)))
  const correlation = new Matrix(covariance.map((row, i) => row.map((c, j) => c / ((sd[i] ?? 1) * (sd[j] ?? 1)))))
  return scaled.dot(solve(correlation, scaled))
}

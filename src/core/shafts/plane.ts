import type { Plane, PlaneLine } from '../quantity/axis'
import type { Misaligned } from './coupling'

/** A line in one plane with the covariance of (offset, slope), stated at `x`. */
export interface DoubtfulLine {
  line: PlaneLine
  x: number
  covariance: readonly [readonly [number, number], readonly [number, number]]
}

/** The misalignment of one plane as a line stated at the coupling, or undefined where that plane was not measured. */
export function planeOf(fit: Misaligned, plane: Plane, x: number): DoubtfulLine | undefined {
  if (!fit.measured.includes(plane)) return undefined
  const { misalignment: m, covariance: c } = fit
  const at = plane === 'horizontal' ? 0 : 2
  return {
    line: plane === 'horizontal' ? { offset: m.offsetY, slope: m.slopeY } : { offset: m.offsetZ, slope: m.slopeZ },
    x,
    covariance: [
      [c[at]?.[at] ?? 0, c[at]?.[at + 1] ?? 0],
      [c[at + 1]?.[at] ?? 0, c[at + 1]?.[at + 1] ?? 0],
    ],
  }
}

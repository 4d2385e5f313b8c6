import { Matrix, pseudoInverse, SingularValueDecomposition } from 'ml-matrix'
import type { Joint, Limits } from '../verdict/verdict'
import { judgedBy, type Weight } from './used'

/**
 * How far every needle may stand from where it would with the shafts in line, so that all limits are kept whatever the
 * combination: `m = min over k of L_k / Σᵢ |(J·A⁺)_ki|`. A: what the probes show, a row each of the weights of offset and slope;
 * A⁺ its inverse, or pseudo-inverse where there are more than two; J and L: what the coupling is judged by, and its limits.
 *
 * A dial set by half has its marks at `aligned ± m`. One zeroed on top has them at the bottom at `sag ± 2m`, and its two sides
 * may differ by `± 2m`.
 *
 * @param probes weights, one of each: a reading in mm is `w₀·offset + w₁·slope`
 * @returns mm: for one plane alone, and where the vector of both planes counts (over √2); undefined where the probes do not tell
 *   offset and slope apart
 */
export function markOf(
  probes: readonly Weight[],
  coupling: Joint,
  limits: Limits,
): { plane: number; vector: number } | undefined {
  if (probes.length < 2) return undefined
  // a slope is told by what it comes to over the probes' reach, so that both columns are of one size
  const reach = Math.max(1, ...probes.map(([, slope]) => Math.abs(slope)))
  const shown = new Matrix(probes.map(([offset, slope]) => [offset, slope / reach]))
  if (new SingularValueDecomposition(shown).rank < 2) return undefined
  const inverse = pseudoInverse(shown)
  const plane = Math.min(
    ...judgedBy(coupling, limits).map(({ weight: [offset, slope], most }) => {
      const row = new Matrix([[offset, slope / reach]]).mmul(inverse).getRow(0)
      return most / row.reduce((total, value) => total + Math.abs(value), 0)
    }),
  )
  return { plane, vector: plane / Math.SQRT2 }
}

import { inverseNormalMatrix } from '../fit/leastSquares'
import { type CouplingFit, sourceOf } from './coupling'
import type { ShaftRow } from './rows'
import { type Unknown, unknowns } from './rows'

/**
 * What the tape adds to the doubt: the covariance of the four unknowns when every probe's station is known to `sd` (mm).
 * A probe that stands δ farther out reads `w₀·δ·slope·e(θ)` more; the fit's answer to that is worked out for each probe in
 * turn, `Δ = (AᵀWA)⁻¹AᵀW·δread`, and the answers' squares are added: the stations are taped one by one.
 */
export function tapeCovariance(fit: CouplingFit, sd: number): number[][] {
  const { keys, triangle, rows } = fit.system
  const { slopeY, slopeZ } = fit.misalignment
  const covariance = inverseNormalMatrix(triangle)
  const first = keys.length - fit.solved.length
  const sum = unknowns.map(() => unknowns.map(() => 0))
  const probes = new Set(rows.flatMap(({ of }) => (of ? [sourceOf(of)] : [])))
  for (const probe of probes) {
    const right = new Array<number>(keys.length).fill(0)
    for (const row of rows) {
      if (!row.of || sourceOf(row.of) !== probe) continue
      const more = (row.coefficients[0] ?? 0) * slopeY + (row.coefficients[2] ?? 0) * slopeZ
      coefficientsOf(row, keys, fit.solved).forEach((coefficient, i) => {
        right[i] = (right[i] ?? 0) + (coefficient * more) / row.sd ** 2
      })
    }
    const answer = unknowns.map((name) => {
      const at = fit.solved.indexOf(name)
      return at < 0 ? 0 : right.reduce((total, value, i) => total + covariance.get(first + at, i) * value, 0)
    })
    unknowns.forEach((_, i) => {
      unknowns.forEach((__, j) => {
        const line = sum[i]
        if (line) line[j] = (line[j] ?? 0) + sd * sd * (answer[i] ?? 0) * (answer[j] ?? 0)
      })
    })
  }
  return sum
}

/** Coefficients of an equation in the order of a system's keys. */
export function coefficientsOf(
  row: Pick<ShaftRow, 'constants' | 'coefficients'>,
  keys: readonly string[],
  solved: readonly Unknown[],
): number[] {
  const line = new Array<number>(keys.length).fill(0)
  for (const { key, coefficient } of row.constants) {
    const at = keys.indexOf(key)
    if (at >= 0) line[at] = coefficient
  }
  solved.forEach((name, i) => {
    line[keys.length - solved.length + i] = row.coefficients[unknowns.indexOf(name)] ?? 0
  })
  return line
}

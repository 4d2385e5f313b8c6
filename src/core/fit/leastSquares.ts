import { Matrix, QrDecomposition, SingularValueDecomposition } from 'ml-matrix'
import { aligned, type Misalignment } from '../probes/probe'
import type { Coefficients, Row } from './rows'

/** Unknowns of the misalignment, in the order of `Coefficients`. */
export const unknowns = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const
export type Unknown = (typeof unknowns)[number]

/** A solved system. Lengths in mm, slopes in rad. */
export interface Fit {
  misalignment: Misalignment
  /** 4 × 4, in the order of `unknowns`; rows and columns of what was not solved for are zero. */
  covariance: number[][]
  /** The unknowns that were solved for. */
  solved: readonly Unknown[]
  /** Value of each constant, by key, mm. */
  constants: ReadonlyMap<string, number>
  /** Names of all that was solved for, constants first; the scaled system's upper triangle in that order; its equations. */
  system: { keys: readonly string[]; triangle: Matrix; rows: readonly Row[] }
}

/**
 * Weighted linear least squares by QR, with the constants eliminated first (their columns stand in front), then at most
 * 30 rounds in which only what the exact geometry reads beyond the linear form is put on the other side: the
 * factorisation is made once. Converges by about |d|/R a round.
 *
 * Covariance of the misalignment = (R₂₂ᵀR₂₂)⁻¹ with R₂₂ the trailing block of the triangle (Golub & Van Loan, Matrix
 * Computations, ch. 5), the rows being scaled to unit variance.
 *
 * @param rows at least one; the chosen unknowns must be determined (see `determined`)
 * @returns undefined where the numbers are so far apart in size that the system is singular to a computer's precision
 */
export function leastSquares(rows: readonly Row[], solved: readonly Unknown[]): Fit | undefined {
  const { matrix, keys } = systemOf(rows, solved)
  if (rows.length < matrix.columns) return undefined
  const qr = new QrDecomposition(matrix)
  if (!qr.isFullRank()) return undefined
  const first = keys.length
  const whole = qr.upperTriangularMatrix
  const triangle = whole.subMatrix(first, first + solved.length - 1, first, first + solved.length - 1)

  let misalignment = aligned
  let solution = new Matrix(matrix.columns, 1)
  const curved = rows.some((row) => row.beyondLinear)
  for (let round = 0; round < 30; round++) {
    const right = Matrix.columnVector(
      rows.map((row) => (row.observed - (row.beyondLinear?.(misalignment) ?? 0)) / row.sd),
    )
    solution = qr.solve(right)
    const next = { ...aligned }
    solved.forEach((name, i) => {
      next[name] = solution.get(first + i, 0)
    })
    const step = Math.max(...unknowns.map((name) => Math.abs(next[name] - misalignment[name])))
    misalignment = next
    if (!curved || step < 1e-12) break
    if (!Number.isFinite(step)) return undefined
  }

  const constants = new Map(keys.map((key, i) => [key, solution.get(i, 0)]))
  const covariance = covarianceOf(triangle, solved)
  if (![...unknowns.map((name) => misalignment[name]), ...covariance.flat()].every(Number.isFinite)) return undefined
  return {
    misalignment,
    covariance,
    solved,
    constants,
    system: { keys: [...keys, ...solved], triangle: whole, rows },
  }
}

/** (RᵀR)⁻¹ of an upper triangle, spread over the four unknowns. */
function covarianceOf(triangle: Matrix, solved: readonly Unknown[]): number[][] {
  const covariance = inverseOfSquare(triangle)
  const at = unknowns.map((name) => solved.indexOf(name))
  return at.map((i) => at.map((j) => (i < 0 || j < 0 ? 0 : covariance.get(i, j))))
}

/** (RᵀR)⁻¹ of an upper triangle. */
export function inverseOfSquare(triangle: Matrix): Matrix {
  const n = triangle.columns
  const inverse = Matrix.zeros(n, n)
  for (let column = 0; column < n; column++)
    for (let row = column; row >= 0; row--) {
      let sum = row === column ? 1 : 0
      for (let k = row + 1; k <= column; k++) sum -= triangle.get(row, k) * inverse.get(k, column)
      inverse.set(row, column, sum / triangle.get(row, row))
    }
  return inverse.mmul(inverse.transpose())
}

/** What the linear part of an equation makes of a misalignment, constants aside. */
export const dot = (c: Coefficients, m: Misalignment): number =>
  c[0] * m.offsetY + c[1] * m.slopeY + c[2] * m.offsetZ + c[3] * m.slopeZ

/** The scaled matrix: constants' columns first, the chosen unknowns' last. */
function systemOf(rows: readonly Row[], chosen: readonly Unknown[]): { matrix: Matrix; keys: string[] } {
  const index = new Map<string, number>()
  for (const row of rows) for (const { key } of row.constants) if (!index.has(key)) index.set(key, index.size)
  const matrix = Matrix.zeros(rows.length, index.size + chosen.length)
  const at = chosen.map((name) => unknowns.indexOf(name))
  rows.forEach((row, r) => {
    for (const { key, coefficient } of row.constants) matrix.set(r, index.get(key) ?? 0, coefficient / row.sd)
    at.forEach((unknown, i) => {
      matrix.set(r, index.size + i, (row.misalignment[unknown] ?? 0) / row.sd)
    })
  })
  return { matrix, keys: [...index.keys()] }
}

/** Which unknowns the rows determine, and which they leave open. */
export interface Determined {
  /** These follow from the rows, whatever the readings. */
  solvable: readonly Unknown[]
  /** These do not. */
  open: readonly Unknown[]
  /** All of `solvable`, and as many of `open` as it takes to explain all that the rows can see: solve for these. */
  spanning: readonly Unknown[]
}

/**
 * Which of the four unknowns follow from the rows: the constants are projected out and the null space of what remains is
 * looked at. An unknown is open when some combination that no reading sees contains it. Slopes are weighed by the span of
 * the stations, so that "small" means the same for a slope as for an offset.
 */
export function determined(rows: readonly Row[]): Determined {
  if (rows.length === 0) return { solvable: [], open: unknowns, spanning: [] }
  const span = Math.max(1, ...rows.flatMap((row) => [Math.abs(row.misalignment[1]), Math.abs(row.misalignment[3])]))
  const scaled = rows.map((row): Row => {
    const [offsetY, slopeY, offsetZ, slopeZ] = row.misalignment
    return { ...row, sd: 1, misalignment: [offsetY, slopeY / span, offsetZ, slopeZ / span] }
  })
  const { matrix, keys } = systemOf(scaled, unknowns)
  const columns = Array.from({ length: matrix.columns }, (_, c) => matrix.getColumn(c))
  const nothing = 1e-6 * Math.sqrt(rows.length)
  const basis = orthonormal(columns.slice(0, keys.length), [], nothing)
  const reduced = columns.slice(keys.length).map((column) => withoutBasis(column, basis))

  const { diagonal, rightSingularVectors } = new SingularValueDecomposition(tall(reduced))
  const open = unknowns.filter((_, i) =>
    reduced.some((_, k) => (diagonal[k] ?? 0) < nothing && Math.abs(rightSingularVectors.get(i, k)) > 1e-6),
  )
  const solvable = unknowns.filter((name) => !open.includes(name))
  const kept: number[][] = []
  const spanning = [...solvable, ...open].filter((name) => {
    const added = orthonormal([reduced[unknowns.indexOf(name)] ?? []], kept, nothing)
    kept.push(...added)
    return added.length > 0
  })
  return { solvable, open, spanning: unknowns.filter((name) => spanning.includes(name)) }
}

/** What is new in the columns beyond a basis, as orthonormal columns (modified Gram–Schmidt). */
function orthonormal(columns: readonly number[][], basis: readonly number[][], nothing: number): number[][] {
  const found: number[][] = []
  for (const column of columns) {
    const rest = withoutBasis(column, [...basis, ...found])
    const length = Math.hypot(...rest)
    if (length > nothing) found.push(rest.map((value) => value / length))
  }
  return found
}

function withoutBasis(column: readonly number[], basis: readonly number[][]): number[] {
  return basis.reduce<number[]>(
    (rest, base) => {
      const along = base.reduce((sum, value, i) => sum + value * (rest[i] ?? 0), 0)
      return rest.map((value, i) => value - along * (base[i] ?? 0))
    },
    [...column],
  )
}

/** The columns as a matrix with at least as many rows as columns. */
function tall(columns: readonly number[][]): Matrix {
  const rows = Math.max(columns.length, columns[0]?.length ?? 0)
  return new Matrix(Array.from({ length: rows }, (_, r) => columns.map((column) => column[r] ?? 0)))
}

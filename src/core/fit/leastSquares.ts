import { Matrix, QrDecomposition, SingularValueDecomposition } from 'ml-matrix'
import type { Row, Values } from './row'

/** A solved system of named unknowns. */
export interface Fit<U extends string> {
  /** Value of each unknown; zero for those that were not solved for. */
  values: Values<U>
  /** Square, in the order of the unknowns; rows and columns of what was not solved for are zero. */
  covariance: number[][]
  /** The unknowns that were solved for. */
  solved: readonly U[]
  /** Value of each constant, by key. */
  constants: ReadonlyMap<string, number>
  /** Names of all that was solved for, constants first; the scaled system's upper triangle in that order; its equations. */
  system: { keys: readonly string[]; triangle: Matrix; rows: readonly Row<U>[] }
}

/**
 * Weighted linear least squares by QR, with the constants eliminated first (their columns stand in front), then at most
 * 30 rounds in which only what the exact geometry reads beyond the linear form is put on the other side: the
 * factorisation is made once. Converges by about |d|/R a round.
 *
 * Covariance of the unknowns = (R₂₂ᵀR₂₂)⁻¹ with R₂₂ the trailing block of the triangle (Golub & Van Loan, Matrix
 * Computations, ch. 5), the rows being scaled to unit variance.
 *
 * @param unknowns names, in the order of the rows' coefficients
 * @param rows at least one; the chosen unknowns must be determined (see `determined`)
 * @param solved the chosen ones
 * @returns undefined where nothing is to be solved for, or the numbers are so far apart in size that the system is singular to a computer's precision
 */
export function leastSquares<U extends string>(
  unknowns: readonly U[],
  rows: readonly Row<U>[],
  solved: readonly U[],
): Fit<U> | undefined {
  if (solved.length === 0) return undefined
  const { matrix, keys } = systemOf(unknowns, rows, solved)
  if (rows.length < matrix.columns) return undefined
  const qr = new QrDecomposition(matrix)
  if (!qr.isFullRank()) return undefined
  const first = keys.length
  const whole = qr.upperTriangularMatrix
  const triangle = whole.subMatrix(first, first + solved.length - 1, first, first + solved.length - 1)

  const nothing = Object.fromEntries(unknowns.map((name) => [name, 0])) as Record<U, number>
  let values = nothing
  let solution = new Matrix(matrix.columns, 1)
  const curved = rows.some((row) => row.beyondLinear)
  for (let round = 0; round < 30; round++) {
    const right = Matrix.columnVector(rows.map((row) => (row.observed - (row.beyondLinear?.(values) ?? 0)) / row.sd))
    solution = qr.solve(right)
    const next = { ...nothing }
    solved.forEach((name, i) => {
      next[name] = solution.get(first + i, 0)
    })
    const step = Math.max(...unknowns.map((name) => Math.abs(next[name] - values[name])))
    values = next
    if (!curved || step < 1e-12) break
    if (!Number.isFinite(step)) return undefined
  }

  const constants = new Map(keys.map((key, i) => [key, solution.get(i, 0)]))
  const covariance = covarianceOf(triangle, unknowns, solved)
  if (![...unknowns.map((name) => values[name]), ...covariance.flat()].every(Number.isFinite)) return undefined
  return {
    values,
    covariance,
    solved,
    constants,
    system: { keys: [...keys, ...solved], triangle: whole, rows },
  }
}

/** (RᵀR)⁻¹ of an upper triangle, spread over all unknowns. */
function covarianceOf<U extends string>(triangle: Matrix, unknowns: readonly U[], solved: readonly U[]): number[][] {
  const covariance = inverseNormalMatrix(triangle)
  const at = unknowns.map((name) => solved.indexOf(name))
  return at.map((i) => at.map((j) => (i < 0 || j < 0 ? 0 : covariance.get(i, j))))
}

/** (RᵀR)⁻¹ of an upper triangle. */
export function inverseNormalMatrix(triangle: Matrix): Matrix {
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

/** The scaled matrix: constants' columns first, the chosen unknowns' last. */
function systemOf<U extends string>(
  unknowns: readonly U[],
  rows: readonly Row<U>[],
  chosen: readonly U[],
): { matrix: Matrix; keys: string[] } {
  const index = new Map<string, number>()
  for (const row of rows) for (const { key } of row.constants) if (!index.has(key)) index.set(key, index.size)
  const matrix = Matrix.zeros(rows.length, index.size + chosen.length)
  const at = chosen.map((name) => unknowns.indexOf(name))
  rows.forEach((row, r) => {
    for (const { key, coefficient } of row.constants) matrix.set(r, index.get(key) ?? 0, coefficient / row.sd)
    at.forEach((unknown, i) => {
      matrix.set(r, index.size + i, (row.coefficients[unknown] ?? 0) / row.sd)
    })
  })
  return { matrix, keys: [...index.keys()] }
}

/** Which unknowns the rows determine, and which they leave open. */
export interface Determined<U extends string> {
  /** These follow from the rows, whatever the readings. */
  solvable: readonly U[]
  /** These do not. */
  open: readonly U[]
  /** All of `solvable`, and as many of `open` as it takes to explain all that the rows can see: solve for these. */
  spanning: readonly U[]
  /** Whether a combination of unknowns (a factor each, in their order) follows from the rows, though each of them may be open. */
  follows(combination: readonly number[]): boolean
}

/**
 * Which of the unknowns follow from the rows: the constants are projected out and the null space of what remains is
 * looked at. An unknown is open when some combination that no reading sees contains it. Each unknown is weighed by its own
 * scale, so that "small" means the same for all: a slope by the span of the stations it is seen over.
 *
 * @param scales size of a unit of each unknown, in the order of the rows' coefficients: 1 for an offset
 */
export function determined<U extends string>(
  unknowns: readonly U[],
  rows: readonly Row<U>[],
  scales: readonly number[],
): Determined<U> {
  if (rows.length === 0) return { solvable: [], open: unknowns, spanning: [], follows: () => false }
  const scaled = rows.map(
    (row): Row<U> => ({ ...row, sd: 1, coefficients: row.coefficients.map((value, i) => value / (scales[i] ?? 1)) }),
  )
  const { matrix, keys } = systemOf(unknowns, scaled, unknowns)
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
  const unseen = reduced.flatMap((_, k) =>
    (diagonal[k] ?? 0) < nothing ? [unknowns.map((__, i) => rightSingularVectors.get(i, k))] : [],
  )
  return {
    solvable,
    open,
    spanning: unknowns.filter((name) => spanning.includes(name)),
    // what no reading sees must leave it as it is
    follows(combination) {
      const sized = combination.map((factor, i) => factor / (scales[i] ?? 1))
      const size = Math.hypot(...sized)
      return (
        size > 0 &&
        unseen.every((way) => Math.abs(way.reduce((sum, v, i) => sum + v * (sized[i] ?? 0), 0)) <= 1e-6 * size)
      )
    },
  }
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

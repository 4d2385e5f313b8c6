import type { Leftover } from '../../../fit/leftover'

/** One equation in few of many unknowns: `observed = Σ coefficient·unknown + noise(sd)`. */
export interface SparseRow {
  observed: number
  sd: number
  /** Unknowns by their places, each once, and their coefficients. */
  at: readonly number[]
  by: readonly number[]
}

/** A solved system of many unknowns. */
export interface SparseFit {
  /** Nought where an unknown is open. */
  values: Float64Array
  /** Value and deviation of a combination; undefined where it does not follow from the rows. */
  told(at: readonly number[], by: readonly number[]): { value: number; sd: number } | undefined
  /** Sum of squares of what is left of the rows, in deviations; and how many more rows there are than it takes. */
  misfit: { square: number; over: number }
  /** How many of some unknowns the rows determine. */
  determined(unknowns: ReadonlySet<number>): number
}

/**
 * What a fit leaves of its rows: the variance of what a row is fitted to is a diagonal of H, that of two rows together tells what they
 * share.
 */
export function sparseLeftover(rows: readonly SparseRow[], fit: SparseFit): Leftover {
  const row = (k: number): SparseRow => rows[k] ?? { observed: 0, sd: 1, at: [], by: [] }
  const variance = (at: readonly number[], by: readonly number[]) => (fit.told(at, by)?.sd ?? 0) ** 2
  const own = ({ at, by }: SparseRow) => variance(at, by)
  const together = (a: SparseRow, b: SparseRow): number => {
    const by = new Map<number, number>()
    for (const one of [a, b]) for (const [i, k] of one.at.entries()) by.set(k, (by.get(k) ?? 0) + (one.by[i] ?? 0))
    return variance([...by.keys()], [...by.values()])
  }
  return {
    squares: fit.misfit.square,
    free: fit.misfit.over,
    of(k) {
      const { observed, sd, at, by } = row(k)
      return (observed - at.reduce((sum, unknown, i) => sum + (by[i] ?? 0) * (fit.values[unknown] ?? 0), 0)) / sd
    },
    shared(k, other) {
      const [a, b] = [row(k), row(other)]
      if (k === other) return 1 - own(a) / a.sd ** 2
      return -(together(a, b) - own(a) - own(b)) / (2 * a.sd * b.sd)
    },
  }
}

/** A pivot this small beside its own diagonal is nought: the unknown follows from no row. */
const nought = 1e-9
/** Two numbers that should cancel do, to this. */
const cancels = 1e-7

/**
 * Weighted linear least squares of many unknowns with few in each row, by an envelope Cholesky factor (LDLᵀ) of the normal
 * equations: unknowns that belong together stand beside each other, those shared by many at the end (George & Liu, Computer
 * Solution of Large Sparse Positive Definite Systems, ch. 4). An unknown whose pivot vanishes is open; with it goes a vector that
 * the rows do not see, and a combination is told only where it is square to all of these.
 *
 * @param n how many unknowns
 * @param fixed unknowns that are nought by agreement
 */
export function solveSparse(n: number, rows: readonly SparseRow[], fixed: ReadonlySet<number> = new Set()): SparseFit {
  // rows are scaled to unit variance, unknowns to unit diagonal
  const size = new Float64Array(n)
  for (const { at, by, sd } of rows)
    at.forEach((k, i) => {
      size[k] = (size[k] ?? 0) + ((by[i] ?? 0) / sd) ** 2
    })
  for (const k of fixed) size[k] = 0
  const scale = size.map((square) => (square > 0 ? 1 / Math.sqrt(square) : 0))
  const first = new Int32Array(n).map((_, k) => k)
  for (const { at } of rows) {
    const own = at.filter((k) => (scale[k] ?? 0) > 0)
    const low = Math.min(...own)
    for (const k of own) if (low < (first[k] ?? k)) first[k] = low
  }
  const lower = Array.from({ length: n }, (_, k) => new Float64Array(k - (first[k] ?? k) + 1))
  const right = new Float64Array(n)
  for (const { at, by, sd, observed } of rows)
    for (let i = 0; i < at.length; i++) {
      const k = at[i] ?? 0
      const a = ((by[i] ?? 0) * (scale[k] ?? 0)) / sd
      if (a === 0) continue
      right[k] = (right[k] ?? 0) + (a * observed) / sd
      for (let j = 0; j < at.length; j++) {
        const m = at[j] ?? 0
        if (m > k) continue
        const b = ((by[j] ?? 0) * (scale[m] ?? 0)) / sd
        const row = lower[k]
        if (row && b !== 0) row[m - (first[k] ?? 0)] = (row[m - (first[k] ?? 0)] ?? 0) + a * b
      }
    }
  const diagonal = new Float64Array(n)
  const open: number[] = []
  /** Columns as they are met in a row: multiplied by their pivots. */
  for (let k = 0; k < n; k++) {
    const row = lower[k]
    const from = first[k] ?? k
    if (!row) continue
    const own = row[k - from] ?? 0
    let pivot = own
    for (let j = from; j < k; j++) {
      const other = lower[j]
      const start = Math.max(from, first[j] ?? j)
      let sum = row[j - from] ?? 0
      if (other) for (let i = start; i < j; i++) sum -= (row[i - from] ?? 0) * (other[i - (first[j] ?? j)] ?? 0)
      row[j - from] = sum
    }
    for (let j = from; j < k; j++) {
      const d = diagonal[j] ?? 0
      const value = row[j - from] ?? 0
      const l = d > 0 ? value / d : 0
      pivot -= l * value
      row[j - from] = l
    }
    if (own <= 0 || pivot <= nought * own) {
      diagonal[k] = 0
      if (own > 0) open.push(k)
    } else diagonal[k] = pivot
  }
  /** L·x = b, D, Lᵀ: the solution with the open unknowns at nought. */
  const forward = (b: Float64Array): Float64Array => {
    const x = b.slice()
    for (let k = 0; k < n; k++) {
      const row = lower[k]
      const from = first[k] ?? k
      let sum = x[k] ?? 0
      if (row) for (let j = from; j < k; j++) sum -= (row[j - from] ?? 0) * (x[j] ?? 0)
      x[k] = (diagonal[k] ?? 0) > 0 ? sum : 0
    }
    return x
  }
  const backward = (x: Float64Array): Float64Array => {
    for (let k = n - 1; k >= 0; k--) {
      const row = lower[k]
      const from = first[k] ?? k
      const value = x[k] ?? 0
      if (row && value !== 0) for (let j = from; j < k; j++) x[j] = (x[j] ?? 0) - (row[j - from] ?? 0) * value
    }
    return x
  }
  const divided = (x: Float64Array): Float64Array =>
    x.map((value, k) => ((diagonal[k] ?? 0) > 0 ? value / (diagonal[k] ?? 1) : 0))
  const scaled = backward(divided(forward(right)))
  const values = scaled.map((value, k) => value * (scale[k] ?? 0))
  // what the rows do not see: an open unknown moved by one, and all before it that goes along
  const unseen = open.map((k) => {
    const x = new Float64Array(n)
    x[k] = 1
    const all = backward(x)
    for (const other of open) if (other !== k) all[other] = 0
    return all.map((value, i) => value * (scale[i] ?? 0))
  })
  const half = new Float64Array(n)
  /** Variance of a combination: `|D^-½ L⁻¹ b|²`, from its first unknown on. */
  const varianceOf = (at: readonly number[], by: readonly number[]): number => {
    const from = Math.min(...at)
    half.fill(0, from)
    at.forEach((k, i) => {
      half[k] = (half[k] ?? 0) + (by[i] ?? 0) * (scale[k] ?? 0)
    })
    let variance = 0
    for (let k = from; k < n; k++) {
      const row = lower[k]
      const low = first[k] ?? k
      let sum = half[k] ?? 0
      // the innermost loop of all: its places are there by how the envelope was made
      if (row) for (let j = Math.max(low, from); j < k; j++) sum -= (row[j - low] as number) * (half[j] as number)
      const pivot = diagonal[k] ?? 0
      half[k] = pivot > 0 ? sum : 0
      if (pivot > 0) variance += (sum * sum) / pivot
    }
    return variance
  }
  /**
   * The inverse where the factor has places, and nowhere else: each of its columns from those after it (Takahashi, Fagan & Chen,
   * Formation of a sparse bus impedance matrix, 1973). What an envelope holds is closed under it.
   */
  const inverseOf = (): Float64Array[] => {
    const inverse = lower.map((row) => new Float64Array(row.length))
    const below: number[][] = Array.from({ length: n }, () => [])
    for (let k = 0; k < n; k++) for (let j = first[k] ?? k; j < k; j++) below[j]?.push(k)
    // innermost of all: every place asked for is there by how an envelope is made
    const at = (k: number, j: number) =>
      k > j
        ? ((inverse[k] as Float64Array)[j - (first[k] as number)] as number)
        : ((inverse[j] as Float64Array)[k - (first[j] as number)] as number)
    for (let i = n - 1; i >= 0; i--) {
      const d = diagonal[i] ?? 0
      if (d <= 0) continue
      const own = below[i] ?? []
      const factors = own.map((k) => lower[k]?.[i - (first[k] ?? 0)] ?? 0)
      let square = 1 / d
      own.forEach((j, m) => {
        let sum = 0
        for (let q = 0; q < own.length; q++) sum -= (factors[q] as number) * at(own[q] as number, j)
        const row = inverse[j]
        if (row) row[i - (first[j] ?? 0)] = sum
        square -= (factors[m] ?? 0) * sum
      })
      const row = inverse[i]
      if (row) row[i - (first[i] ?? 0)] = square
    }
    return inverse
  }
  let inverse: Float64Array[] | undefined
  /** The same variance from the inverse's own places; undefined where a pair of them is not among these. */
  const varianceAt = (at: readonly number[], by: readonly number[]): number | undefined => {
    for (const k of at) for (const j of at) if (k > j && j < (first[k] ?? k)) return undefined
    inverse ??= inverseOf()
    let variance = 0
    for (const [a, k] of at.entries())
      for (const [b, j] of at.entries()) {
        const [high, low] = k > j ? [k, j] : [j, k]
        const share = inverse[high]?.[low - (first[high] ?? 0)] ?? 0
        variance += (by[a] ?? 0) * (scale[k] ?? 0) * (by[b] ?? 0) * (scale[j] ?? 0) * share
      }
    return Math.max(0, variance)
  }
  const told: SparseFit['told'] = (at, by) => {
    const tiny = 1e-12 * Math.max(...by.map(Math.abs))
    const counts = at.map((k, i) => !fixed.has(k) && Math.abs(by[i] ?? 0) > tiny)
    const own = at.filter((_, i) => counts[i])
    const factors = by.filter((_, i) => counts[i])
    if (own.some((k) => (scale[k] ?? 0) === 0)) return undefined
    if (own.length === 0) return { value: 0, sd: 0 }
    const largest = Math.max(...own.map((k, i) => Math.abs((factors[i] ?? 0) * (scale[k] ?? 0))))
    for (const vector of unseen) {
      const seen = own.reduce((sum, k, i) => sum + (factors[i] ?? 0) * (vector[k] ?? 0), 0)
      if (Math.abs(seen) > cancels * largest) return undefined
    }
    return {
      value: own.reduce((sum, k, i) => sum + (factors[i] ?? 0) * (values[k] ?? 0), 0),
      sd: Math.sqrt(varianceAt(own, factors) ?? varianceOf(own, factors)),
    }
  }
  let square = 0
  for (const { at, by, sd, observed } of rows) {
    let fitted = 0
    for (let i = 0; i < at.length; i++) fitted += (by[i] ?? 0) * (values[at[i] ?? 0] ?? 0)
    square += ((observed - fitted) / sd) ** 2
  }
  const solved = diagonal.reduce((sum, pivot) => sum + (pivot > 0 ? 1 : 0), 0)
  const determined = (unknowns: ReadonlySet<number>) =>
    [...unknowns].reduce((sum, k) => sum + ((diagonal[k] ?? 0) > 0 ? 1 : 0), 0)
  return { values, told, misfit: { square, over: rows.length - solved }, determined }
}

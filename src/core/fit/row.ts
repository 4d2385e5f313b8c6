import { Matrix, QrDecomposition } from 'ml-matrix'

/** Values of a system's unknowns, by their names. */
export type Values<U extends string> = Readonly<Record<U, number>>

/**
 * One equation of a linear system: `observed = Σ coefficient·unknown + Σ coefficient·constant + what is beyond the linear form
 * + noise(sd)`. The unknowns have names (`U`), the same for all equations of a system, and stand in their order; constants are
 * named by keys, as many as the equations bring along. Lengths in mm.
 */
export interface Row<U extends string> {
  observed: number
  /** Standard deviation, > 0. */
  sd: number
  /** In the order of the system's unknowns. */
  coefficients: readonly number[]
  /** Key of the channel it comes from; absent where it is made of several. */
  of?: string
  /** Unknown constants that this equation shares with others, by key. */
  constants: readonly { key: string; coefficient: number }[]
  /** What the exact geometry reads beyond the linear form, mm; absent where the linear form is exact. */
  beyondLinear?: (at: Values<U>) => number
}

/** All but the first of the reflected equations, each of unit deviation. */
export function reflected<U extends string>(equations: readonly { row: Row<U>; coefficient: number }[]): Row<U>[] {
  const a = equations.map(({ coefficient }) => coefficient)
  const length = Math.hypot(...a)
  const v = [...a]
  v[0] = (v[0] ?? 0) + Math.sign(v[0] ?? 1) * length
  const square = v.reduce((sum, value) => sum + value * value, 0)
  return equations.slice(1).map((_, k) =>
    combination(
      equations.map(({ row }, j) => ({
        row,
        by: ((j === k + 1 ? 1 : 0) - (2 * (v[k + 1] ?? 0) * (v[j] ?? 0)) / square) / row.sd,
      })),
    ),
  )
}

function combination<U extends string>(parts: readonly { row: Row<U>; by: number }[]): Row<U> {
  const constants = new Map<string, number>()
  const coefficients = (parts[0]?.row.coefficients ?? []).map(() => 0)
  let observed = 0
  for (const { row, by } of parts) {
    observed += by * row.observed
    row.coefficients.forEach((coefficient, i) => {
      coefficients[i] = (coefficients[i] ?? 0) + by * coefficient
    })
    for (const { key, coefficient } of row.constants) constants.set(key, (constants.get(key) ?? 0) + by * coefficient)
  }
  return {
    observed,
    sd: 1,
    coefficients,
    constants: [...constants].map(([key, coefficient]) => ({ key, coefficient })),
  }
}

/** Many equations as the few of their triangle, taken block by block. */
export function triangleOf<U extends string>(rows: readonly Row<U>[]): Row<U>[] {
  const unknowns = rows[0]?.coefficients.length ?? 0
  const keys = [...new Set(rows.flatMap((row) => row.constants.map(({ key }) => key)))]
  const place = new Map(keys.map((key, i) => [key, i]))
  const width = keys.length + unknowns + 1
  let kept: number[][] = []
  for (let from = 0; from < rows.length; from += 400) {
    const block = rows.slice(from, from + 400).map((row) => {
      const line = new Array<number>(width).fill(0)
      for (const { key, coefficient } of row.constants) line[place.get(key) ?? 0] = coefficient / row.sd
      row.coefficients.forEach((coefficient, i) => {
        line[keys.length + i] = coefficient / row.sd
      })
      line[width - 1] = row.observed / row.sd
      return line
    })
    const all = [...kept, ...block]
    while (all.length < width) all.push(new Array<number>(width).fill(0))
    kept = new QrDecomposition(new Matrix(all)).upperTriangularMatrix.to2DArray().slice(0, width)
  }
  return kept
    .filter((line) => line.slice(0, -1).some((value) => Math.abs(value) > 1e-12))
    .map((line) => ({
      observed: line[width - 1] ?? 0,
      sd: 1,
      coefficients: line.slice(keys.length, -1),
      constants: keys.map((key, i) => ({ key, coefficient: line[i] ?? 0 })),
    }))
}

import type { Fit } from './leastSquares'
import type { Row } from './row'

/** What a fit leaves of its equations, and what it would leave if some of their numbers had been other. All over their deviations. */
export interface Leftover {
  /** χ²: sum of squares. */
  squares: number
  /** Equations beyond the unknowns they determine. */
  free: number
  /** What is left of an equation. */
  of(row: number): number
  /** How much of a change of one equation is left over in another: an entry of M = I − H. */
  shared(row: number, other: number): number
}

/**
 * With A the scaled equations and R the triangle of their factorisation, H = A(RᵀR)⁻¹Aᵀ is what the fit follows and M = I − H
 * what it leaves (Golub & Van Loan, Matrix Computations, ch. 5): each entry is a product of two columns of R⁻ᵀAᵀ.
 *
 * @param unknowns names, in the order of the rows' coefficients
 */
export function leftoverOf<U extends string>(
  unknowns: readonly U[],
  rows: readonly Row<U>[],
  fit: Pick<Fit<U>, 'values' | 'constants' | 'solved' | 'system'>,
): Leftover {
  const { values, constants, solved, system } = fit
  const { keys, triangle } = system
  const scaled = rows.map(({ observed, coefficients, constants: own, sd }) => {
    const fitted = own.reduce((sum, { key, coefficient }) => sum + coefficient * (constants.get(key) ?? 0), 0)
    return (observed - unknowns.reduce((sum, name, i) => sum + (coefficients[i] ?? 0) * values[name], fitted)) / sd
  })
  const places = solved.map((name) => unknowns.indexOf(name))
  const columns = new Map<number, Float64Array>()
  const column = (k: number): Float64Array => {
    const known = columns.get(k)
    if (known) return known
    const row = rows[k]
    const right = Float64Array.from(keys, (key, j) => {
      const unknown = places[j - (keys.length - solved.length)]
      const by =
        unknown === undefined
          ? (row?.constants.find((one) => one.key === key)?.coefficient ?? 0)
          : (row?.coefficients[unknown] ?? 0)
      return by / (row?.sd ?? 1)
    })
    // Rᵀ·x = a, from the top
    for (let i = 0; i < right.length; i++) {
      let sum = right[i] ?? 0
      for (let j = 0; j < i; j++) sum -= triangle.get(j, i) * (right[j] ?? 0)
      right[i] = sum / triangle.get(i, i)
    }
    columns.set(k, right)
    return right
  }
  return {
    squares: scaled.reduce((sum, one) => sum + one * one, 0),
    free: rows.length - keys.length,
    of: (row) => scaled[row] ?? 0,
    shared(row, other) {
      const [a, b] = [column(row), column(other)]
      return (row === other ? 1 : 0) - a.reduce((sum, value, i) => sum + value * (b[i] ?? 0), 0)
    },
  }
}

import { determined } from './leastSquares'
import type { Row } from './row'

/**
 * Whether a combination of unknowns follows from the rows, though each of them may be open: the unknowns are told anew with the
 * combination in place of one of them, and that one is looked at.
 *
 * @param combination a factor for each unknown, in the order of the rows' coefficients; not all nought
 * @param scales size of a unit of each unknown
 */
export function follows<U extends string>(
  unknowns: readonly U[],
  rows: readonly Row<U>[],
  scales: readonly number[],
  combination: readonly number[],
): boolean {
  const sized = combination.map((factor, i) => factor / (scales[i] ?? 1))
  const largest = Math.max(...sized.map(Math.abs))
  const p = sized.findIndex((factor) => Math.abs(factor) === largest)
  const name = unknowns[p]
  const pivot = combination[p]
  if (name === undefined || !pivot) return false
  const told = rows.map((row): Row<U> => {
    const by = (row.coefficients[p] ?? 0) / pivot
    return {
      ...row,
      coefficients: row.coefficients.map((value, i) => (i === p ? by : value - by * (combination[i] ?? 0))),
    }
  })
  // a unit of the combination is as large as the sum of its parts
  const size = Math.hypot(...combination.map((factor, i) => factor / (scales[i] ?? 1)))
  const sizes = scales.map((scale, i) => (i === p ? 1 / size : scale))
  return determined(unknowns, told, sizes).solvable.includes(name)
}

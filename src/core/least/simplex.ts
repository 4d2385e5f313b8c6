import type { Program } from './program'

/** A linear program with few unknowns: the least of `cost·x` with every unknown and every row between two bounds. */
export interface SmallProgram {
  cost: readonly number[]
  /** Of the unknowns; infinite where there is none. */
  low: readonly number[]
  high: readonly number[]
  rows: readonly { factors: readonly number[]; low: number; high: number }[]
}

/** What may be called nought: of a bound, of a rate of change, and of a pivot. */
const TOLERANCE = { bound: 1e-8, rate: 1e-9, pivot: 1e-10 }
/** After so many steps by the steepest way, by the first that helps: that never goes round in a circle (Bland's rule). */
const BLAND_AFTER = 60
const MAX_STEPS = 2000

/**
 * The simplex method with bounds on unknowns and rows, on a full table; where it starts outside a bound, what it is outside by is
 * made less first (Dantzig, Linear Programming and Extensions, 1963, ch. 18). For programs of a dozen unknowns.
 *
 * @returns the unknowns; null where nothing keeps within all bounds
 * @throws RangeError where there is no least, or no end
 */
export function solveSmall({ cost, low, high, rows }: SmallProgram): number[] | null {
  const n = cost.length
  const lower = [...low, ...rows.map((row) => row.low)]
  const upper = [...high, ...rows.map((row) => row.high)]
  const price = (k: number) => (k < n ? (cost[k] as number) : 0)
  /** Each basic unknown as a sum of those that stand at a bound. */
  const table = rows.map(({ factors }) => [...factors])
  const basic = rows.map((_, i) => n + i)
  const nonbasic = cost.map((_, k) => k)
  const at = cost.map((_, k) => startOf(low[k] as number, high[k] as number))
  const values = rows.map(() => 0)
  for (let step = 0; step < MAX_STEPS; step++) {
    // afresh each time: nothing drifts
    table.forEach((row, i) => {
      let sum = 0
      for (let j = 0; j < n; j++) sum += (row[j] as number) * (at[j] as number)
      values[i] = sum
    })
    const outside = basic.map((k, i) => {
      const [value, from, to] = [values[i] as number, lower[k] as number, upper[k] as number]
      return value < from - TOLERANCE.bound ? -1 : value > to + TOLERANCE.bound ? 1 : 0
    })
    const phaseOne = outside.some((way) => way !== 0)
    const rates = nonbasic.map((k, j) => {
      let rate = phaseOne ? 0 : price(k)
      for (let i = 0; i < basic.length; i++)
        rate += (phaseOne ? (outside[i] as number) : price(basic[i] as number)) * (table[i]?.[j] as number)
      return rate
    })
    const enters = entering(rates, nonbasic, at, lower, upper, step > BLAND_AFTER)
    if (!enters) {
      if (phaseOne) return null
      const found = cost.map(() => 0)
      nonbasic.forEach((k, j) => {
        if (k < n) found[k] = at[j] as number
      })
      basic.forEach((k, i) => {
        if (k < n) found[k] = values[i] as number
      })
      return found
    }
    const { j, way } = enters
    const own = nonbasic[j] as number
    // how far it may go: to its own other bound, or until a basic one meets one of its
    let far = (upper[own] as number) - (lower[own] as number)
    let stops = -1
    for (let i = 0; i < basic.length; i++) {
      const rate = way * (table[i]?.[j] as number)
      if (Math.abs(rate) < TOLERANCE.pivot) continue
      const k = basic[i] as number
      const side = outside[i] as number
      // one outside goes back to the bound it is beyond, and is not held when it goes farther out
      if (side !== 0 && side * rate > 0) continue
      const bound = side !== 0 ? (side < 0 ? lower[k] : upper[k]) : rate > 0 ? upper[k] : lower[k]
      const room = Math.max(0, ((bound as number) - (values[i] as number)) / rate)
      const better =
        room < far - 1e-12 ||
        (room < far + 1e-12 && stops >= 0 && Math.abs(rate) > Math.abs(way * (table[stops]?.[j] as number)))
      if (better) {
        far = room
        stops = i
      }
    }
    if (!Number.isFinite(far)) throw new RangeError('The linear program is unbounded.')
    if (stops < 0) {
      at[j] = way > 0 ? (upper[own] as number) : (lower[own] as number)
      continue
    }
    const leaves = basic[stops] as number
    const side = outside[stops] as number
    const rate = way * (table[stops]?.[j] as number)
    const bound = side !== 0 ? (side < 0 ? lower[leaves] : upper[leaves]) : rate > 0 ? upper[leaves] : lower[leaves]
    pivot(table, stops, j)
    basic[stops] = own
    nonbasic[j] = leaves
    at[j] = bound as number
  }
  throw new RangeError('The simplex method did not end.')
}

const startOf = (low: number, high: number): number => (Number.isFinite(low) ? low : Number.isFinite(high) ? high : 0)

/** Which unknown that rests is moved, and which way. */
function entering(
  rates: readonly number[],
  nonbasic: readonly number[],
  at: readonly number[],
  lower: readonly number[],
  upper: readonly number[],
  first: boolean,
): { j: number; way: 1 | -1 } | undefined {
  let best: { j: number; way: 1 | -1; size: number; k: number } | undefined
  for (let j = 0; j < nonbasic.length; j++) {
    const k = nonbasic[j] as number
    const rate = rates[j] as number
    if (Math.abs(rate) <= TOLERANCE.rate) continue
    const way = rate < 0 ? 1 : -1
    const room = way > 0 ? (upper[k] as number) - (at[j] as number) : (at[j] as number) - (lower[k] as number)
    if (!(room > 0)) continue
    if (!best || (first ? k < best.k : Math.abs(rate) > best.size)) best = { j, way, size: Math.abs(rate), k }
  }
  return best
}

/** Column j and row i change places: the table tells the one that rested by the one that was basic. */
function pivot(table: number[][], i: number, j: number): void {
  const row = table[i] as number[]
  const factor = row[j] as number
  for (let k = 0; k < row.length; k++) row[k] = k === j ? 1 / factor : -(row[k] as number) / factor
  for (let r = 0; r < table.length; r++) {
    if (r === i) continue
    const other = table[r] as number[]
    const share = other[j] as number
    if (share === 0) continue
    for (let k = 0; k < other.length; k++)
      other[k] = k === j ? share * (row[k] as number) : (other[k] as number) + share * (row[k] as number)
  }
}

/** A program asks for whole numbers, which is not this method's. */
export class NotLinear extends Error {}

/**
 * A program without whole numbers, by the simplex method.
 *
 * @throws NotLinear where an unknown has to be whole
 */
export function solveLinear({ columns, rows }: Program): readonly number[] | null {
  if (columns.some(({ whole, low, high }) => whole && high > low)) throw new NotLinear()
  return solveSmall({
    cost: columns.map(({ cost }) => cost),
    low: columns.map(({ low }) => low),
    high: columns.map(({ high }) => high),
    rows: rows.map(({ low, high, terms }) => {
      const factors = columns.map(() => 0)
      for (const [column, factor] of terms) factors[column] = (factors[column] ?? 0) + factor
      return { factors, low, high }
    }),
  })
}

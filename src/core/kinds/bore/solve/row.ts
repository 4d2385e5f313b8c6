import type { Plane, PlaneLine } from '../../../frame/axis'
import type { ReferenceWay } from '../document/schema'
import type { SectionSolved, Told } from './section'

/** A section as it stands in the row: its place along x, and where its bore was found from the carrier, droop taken out. mm */
export interface Placed {
  id: string
  x: number
  solved: SectionSolved
}

/** What the row is told from. */
export interface Reference {
  way: ReferenceWay
  held: readonly [string, string]
}

/** A section against the line: null in a plane that is open. */
export interface Standing {
  id: string
  vertical: Told | null
  horizontal: Told | null
  /** Of both planes. */
  covariance: number
}

export interface RowSolved {
  sections: Standing[]
  line: Record<Plane, PlaneLine | null>
}

/** A line through places along x as shares of what was found at each of them: at x = 0, and its slope. */
interface Shares {
  at0: number[]
  slope: number[]
}

/** The line through two of them. */
function through(xs: readonly number[], i: number, j: number): Shares {
  const [a = 0, b = 0] = [xs[i], xs[j]]
  const at0 = xs.map(() => 0)
  const slope = xs.map(() => 0)
  at0[i] = b / (b - a)
  at0[j] = -a / (b - a)
  slope[i] = -1 / (b - a)
  slope[j] = 1 / (b - a)
  return { at0, slope }
}

/** Least squares, every bore once. */
function leastSquaresLine(xs: readonly number[]): Shares | undefined {
  const n = xs.length
  const middle = xs.reduce((sum, x) => sum + x, 0) / n
  const spread = xs.reduce((sum, x) => sum + (x - middle) ** 2, 0)
  if (!(spread > 1e-9)) return undefined
  const slope = xs.map((x) => (x - middle) / spread)
  return { slope, at0: slope.map((share) => 1 / n - share * middle) }
}

/**
 * The line whose largest deviation is least: it runs along one edge of the places' convex hull, half way to the place farthest
 * from that edge (Chebyshev's line; the optimum of the linear program with one slope, one height and one deviation). Every
 * edge is tried: rows are short.
 */
function leastLargestLine(xs: readonly number[], values: readonly number[]): Shares | undefined {
  let best: { width: number; shares: Shares } | undefined
  for (let i = 0; i < xs.length; i++)
    for (let j = i + 1; j < xs.length; j++) {
      const [a = 0, b = 0, va = 0, vb = 0] = [xs[i], xs[j], values[i], values[j]]
      if (Math.abs(b - a) < 1e-9) continue
      const rise = (vb - va) / (b - a)
      const off = values.map((value, k) => value - va - rise * ((xs[k] ?? 0) - a))
      const [low, high] = [Math.min(...off), Math.max(...off)]
      // an edge has all others on one side of it
      const tiny = 1e-9 * Math.max(1, high - low)
      if (low < -tiny && high > tiny) continue
      const width = high - low
      if (best && width >= best.width) continue
      const k = off.indexOf(high > -low ? high : low)
      const { at0, slope } = through(xs, i, j)
      // half of the farthest one's deviation from the edge is added to its height
      const share = xs.map((_, m) => ((m === k ? 1 : 0) - (at0[m] ?? 0) - (slope[m] ?? 0) * (xs[k] ?? 0)) / 2)
      best = { width, shares: { slope, at0: at0.map((value, m) => value + (share[m] ?? 0)) } }
    }
  return best?.shares
}

/** The line's shares of one plane; undefined where too little was found for one. */
function sharesOf(
  reference: Reference,
  placed: readonly Placed[],
  found: readonly number[],
  values: readonly number[],
): Shares | undefined {
  const xs = found.map((k) => placed[k]?.x ?? 0)
  if (reference.way === 'held') {
    const [i, j] = reference.held.map((id) => found.findIndex((k) => placed[k]?.id === id))
    if (i === undefined || j === undefined || i < 0 || j < 0 || Math.abs((xs[i] ?? 0) - (xs[j] ?? 0)) < 1e-9)
      return undefined
    return through(xs, i, j)
  }
  if (found.length < 2) return undefined
  return reference.way === 'least-squares' ? leastSquaresLine(xs) : leastLargestLine(xs, values)
}

/** Every section against the line that the row is told from, with the doubt of both. */
export function solveRow(placed: readonly Placed[], reference: Reference): RowSolved {
  const planes = (['vertical', 'horizontal'] as const).map((plane) => {
    const found = placed.flatMap(({ solved }, k) => (solved[plane] ? [k] : []))
    const values = found.map((k) => placed[k]?.solved[plane]?.value ?? 0)
    const shares = sharesOf(reference, placed, found, values)
    const dot = (a: readonly number[]) => a.reduce((sum, share, i) => sum + share * (values[i] ?? 0), 0)
    const line = shares && { offset: dot(shares.at0), slope: dot(shares.slope) }
    /** Shares that a section's own place has of what was found at each. */
    const own = (k: number): number[] | undefined => {
      if (!shares || !found.includes(k)) return undefined
      const x = placed[k]?.x ?? 0
      return found.map((one, i) => (one === k ? 1 : 0) - (shares.at0[i] ?? 0) - (shares.slope[i] ?? 0) * x)
    }
    return { plane, found, values, line, own }
  })
  const sdAt = (plane: Plane, k: number) => placed[k]?.solved[plane]?.sd ?? 0
  const sections = placed.map(({ id }, k): Standing => {
    const told = planes.map(({ plane, found, values, own }): Told | null => {
      const shares = own(k)
      if (!shares) return null
      const value = shares.reduce((sum, share, i) => sum + share * (values[i] ?? 0), 0)
      const variance = shares.reduce((sum, share, i) => sum + (share * sdAt(plane, found[i] ?? 0)) ** 2, 0)
      // a bore that is held stands on the line by definition
      const held = shares.every((share) => Math.abs(share) < 1e-12)
      return held ? { value: 0, sd: 0 } : { value, sd: Math.sqrt(variance) }
    })
    const [vertical = null, horizontal = null] = told
    const [up, side] = planes
    const covariance = (up?.found ?? []).reduce((sum, one, i) => {
      const j = side?.found.indexOf(one) ?? -1
      const [a, b] = [up?.own(k)?.[i] ?? 0, j < 0 ? 0 : (side?.own(k)?.[j] ?? 0)]
      return sum + a * b * (placed[one]?.solved.covariance ?? 0)
    }, 0)
    return { id, vertical, horizontal, covariance: vertical && horizontal ? covariance : 0 }
  })
  const [up, side] = planes
  return { sections, line: { vertical: up?.line ?? null, horizontal: side?.line ?? null } }
}

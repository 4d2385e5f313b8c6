import type { Plane, PlaneLine } from '../../../quantity/axis'
import type { ReferenceWay } from '../document/schema'
import type { Estimate, SectionSolved } from './section'

/** A section as it stands in the row: its place along x, and where its bore was found from the carrier, droop taken out. mm */
export interface Placed {
  id: string
  x: number
  solved: SectionSolved
  /** How far its bore can go: down, up, toward the near and the far side, each absent where nothing holds it. mm */
  limits?: Partial<Record<'down' | 'up' | 'near' | 'far', number>> | undefined
}

/** What the row is told from. */
export interface Reference {
  way: ReferenceWay
  held: readonly [string, string]
}

/** A section against the line: null in a plane that is open. */
export interface Standing {
  id: string
  vertical: Estimate | null
  horizontal: Estimate | null
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
  /** What is added to both whatever was found: a line that runs past a bore by what that can go. mm, rad */
  plus?: { at0: number; slope: number }
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

/** How far each can go one way and the other, mm. */
type Reach = readonly [back: number, forth: number]

/**
 * The line that all can be brought to within what they can go, with the least way in all: a linear program with a height and a
 * slope, whose optimum is a line through two of the places or ends of their ways (a vertex). Every pair is tried: rows are short.
 *
 * @returns undefined where no line is within reach of all
 */
function withinReachLine(
  xs: readonly number[],
  values: readonly number[],
  reaches: readonly Reach[],
): Shares | undefined {
  const points = xs.flatMap((x, k) => {
    const [value = 0, [back, forth] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY]] = [values[k], reaches[k]]
    return [0, -back, forth].flatMap((by) => (Number.isFinite(by) ? [{ k, x, at: value + by, by }] : []))
  })
  const tiny = 1e-9
  const n = xs.length
  const [low, high] = [0, 1].map((end) =>
    Float64Array.from(reaches, ([back, forth]) => (end === 0 ? -back - tiny : forth + tiny)),
  ) as [Float64Array, Float64Array]
  /** The way of all to a line, or infinite where one cannot go it or it is no less than the least so far. */
  const wayTo = (from: number, at: number, slope: number, least: number): number => {
    let way = 0
    for (let k = 0; k < n; k++) {
      const own = at + slope * ((xs[k] as number) - from) - (values[k] as number)
      if (own < (low[k] as number) || own > (high[k] as number)) return Number.POSITIVE_INFINITY
      way += Math.abs(own)
      if (way >= least) return Number.POSITIVE_INFINITY
    }
    return way
  }
  let best: { way: number; a: (typeof points)[number]; b: (typeof points)[number] } | undefined
  for (let i = 0; i < points.length; i++)
    for (let j = i + 1; j < points.length; j++) {
      const [a, b] = [points[i], points[j]]
      if (!a || !b || Math.abs(b.x - a.x) < tiny) continue
      const way = wayTo(a.x, a.at, (b.at - a.at) / (b.x - a.x), (best?.way ?? Number.POSITIVE_INFINITY) - tiny)
      if (Number.isFinite(way)) best = { way, a, b }
    }
  if (!best) return undefined
  const { a, b } = best
  const rise = (b.by - a.by) / (b.x - a.x)
  return { ...through(xs, a.k, b.k), plus: { at0: a.by - rise * a.x, slope: rise } }
}

/** The line's shares of one plane; undefined where too little was found for one. */
function sharesOf(
  reference: Reference,
  plane: Plane,
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
  if (reference.way === 'least-squares') return leastSquaresLine(xs)
  const reach = ({ limits = {} }: Placed): Reach => {
    const [back, forth] = plane === 'vertical' ? [limits.down, limits.up] : [limits.near, limits.far]
    return [back ?? Number.POSITIVE_INFINITY, forth ?? Number.POSITIVE_INFINITY]
  }
  const within =
    reference.way === 'within-limits'
      ? withinReachLine(
          xs,
          values,
          found.map((k) => (placed[k] ? reach(placed[k]) : [0, 0])),
        )
      : undefined
  // where no line is within reach of all, what is too far is as little as it can be
  return within ?? leastLargestLine(xs, values)
}

/** Every section against the line that the row is told from, with the doubt of both. */
export function solveRow(placed: readonly Placed[], reference: Reference): RowSolved {
  const planes = (['vertical', 'horizontal'] as const).map((plane) => {
    const found = placed.flatMap(({ solved }, k) => (solved[plane] ? [k] : []))
    const values = found.map((k) => placed[k]?.solved[plane]?.value ?? 0)
    const shares = sharesOf(reference, plane, placed, found, values)
    const dot = (a: readonly number[]) => a.reduce((sum, share, i) => sum + share * (values[i] ?? 0), 0)
    const { at0, slope } = shares?.plus ?? { at0: 0, slope: 0 }
    const line = shares && { offset: dot(shares.at0) + at0, slope: dot(shares.slope) + slope }
    /** Shares that a section's own place has of what was found at each. */
    const own = (k: number): number[] | undefined => {
      if (!shares || !found.includes(k)) return undefined
      const x = placed[k]?.x ?? 0
      return found.map((one, i) => (one === k ? 1 : 0) - (shares.at0[i] ?? 0) - (shares.slope[i] ?? 0) * x)
    }
    const past = (x: number) => at0 + slope * x
    return { plane, found, values, line, own, past }
  })
  const sdAt = (plane: Plane, k: number) => placed[k]?.solved[plane]?.sd ?? 0
  const sideAt = new Map(planes[1]?.found.map((one, j) => [one, j]))
  const sections = placed.map(({ id }, k): Standing => {
    const told = planes.map(({ plane, found, values, own, past }): Estimate | null => {
      const shares = own(k)
      if (!shares) return null
      const off = past(placed[k]?.x ?? 0)
      const value = shares.reduce((sum, share, i) => sum + share * (values[i] ?? 0), 0 - off)
      const variance = shares.reduce((sum, share, i) => sum + (share * sdAt(plane, found[i] ?? 0)) ** 2, 0)
      // a bore that is held stands on the line by definition
      const held = shares.every((share) => Math.abs(share) < 1e-12)
      return held ? { value: Math.abs(off) < 1e-12 ? 0 : 0 - off, sd: 0 } : { value, sd: Math.sqrt(variance) }
    })
    const [vertical = null, horizontal = null] = told
    const [up, side] = planes
    const [upShares, sideShares] = [up?.own(k), side?.own(k)]
    const covariance = (up?.found ?? []).reduce((sum, one, i) => {
      const j = sideAt.get(one)
      const [a, b] = [upShares?.[i] ?? 0, j === undefined ? 0 : (sideShares?.[j] ?? 0)]
      return sum + a * b * (placed[one]?.solved.covariance ?? 0)
    }, 0)
    return { id, vertical, horizontal, covariance: vertical && horizontal ? covariance : 0 }
  })
  const [up, side] = planes
  return { sections, line: { vertical: up?.line ?? null, horizontal: side?.line ?? null } }
}

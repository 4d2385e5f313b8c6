import { Matrix, solve } from 'ml-matrix'
import { planeThrough } from '../quantity/plane'
import type { FootGap } from './foot'
import { soles } from './lean'

/** Feet that are short and by how much: shims of that thickness under them bring all feet into one plane. Lengths in mm. */
export interface ShortFeet {
  short: readonly { gap: FootGap; by: number }[]
  /** How far the frame follows the feet that are drawn down: 1 as one piece, 0 where each foot bends by itself. */
  stiffness: number
  /** What the rises miss of those expected, root mean square. */
  off: number
  /** How the frame leans at a foot that is loosened, mm per mm toward larger x and toward the far side. */
  leanAt: (foot: FootGap) => { x: number; y: number }
}

/** Frames are somewhere between rigid and limber. */
const stiffnesses = Array.from({ length: 11 }, (_, i) => 1 - i / 10)

/** What a few feet may miss of the greatest rise to explain it, mm: well, or for want of anything better. */
const well = (most: number): number => 0.012 + 0.03 * most
const atAll = (most: number): number => 0.016 + 0.1 * most

/**
 * The fewest feet that explain every rise by being short; undefined where no three do.
 *
 * A foot that is loosened rises by its own shortness, less what the plane of the others, which are drawn down onto their pads,
 * takes it along: `rise_i = max(0, s_i − κ Σ_j H_ij s_j)`, `H_ij` the height at `i` of the plane that best fits all feet but `i`, of
 * which `j` stands 1 high; `κ` the frame's stiffness.
 *
 * @param among feet that may be short
 * @param riseOf how far a foot rose, mm
 */
export function shortFeet(
  gaps: readonly FootGap[],
  among: readonly FootGap[],
  riseOf: (gap: FootGap) => number,
): ShortFeet | undefined {
  const rises = gaps.map(riseOf)
  const taken = gaps.map((one, i) =>
    gaps.map((_, j) => (i === j ? 0 : planeWithout(gaps, i, j)(one.foot.x, one.foot.y))),
  )
  const places = among.map((gap) => gaps.indexOf(gap)).filter((i) => i >= 0)
  const most = Math.max(...rises)
  const found = [1, 2, 3]
    .filter((few) => few <= Math.max(1, gaps.length - 4))
    .flatMap((few) => bestOf(choices(places, few), gaps, rises, taken) ?? [])
  return found.find(({ off }) => off <= well(most)) ?? found.find(({ off }) => off <= atAll(most))
}

/** Of choices of as many feet the one that misses least. */
function bestOf(
  all: readonly number[][],
  gaps: readonly FootGap[],
  rises: readonly number[],
  taken: readonly (readonly number[])[],
): ShortFeet | undefined {
  let best: ShortFeet | undefined
  for (const at of all)
    for (const stiffness of stiffnesses) {
      const by = solved(at, rises, taken, stiffness)
      if (!by?.every((mm) => mm > stays)) continue
      const expected = rises.map((_, i) => {
        const own = by[at.indexOf(i)] ?? 0
        return Math.max(0, own - stiffness * at.reduce((sum, j, k) => sum + (taken[i]?.[j] ?? 0) * (by[k] ?? 0), 0))
      })
      const leanAt = leanOf(gaps, at, by, stiffness)
      const square =
        expected.reduce((sum, rise, i) => sum + (rise - (rises[i] ?? 0)) ** 2, 0) + cornersMiss(gaps, leanAt)
      const off = Math.sqrt(square / Math.max(1, gaps.length - at.length))
      if (best && off >= best.off - 1e-9) continue
      const short = at.flatMap((i, k) => {
        const gap = gaps[i]
        return gap ? [{ gap, by: by[k] ?? 0 }] : []
      })
      best = { short, stiffness, off, leanAt }
    }
  return best
}

/**
 * What the corners of the feet that stand free miss of the frame's lean, squares summed, mm²: the soles of one machine are alike,
 * and of whatever length explains them best.
 */
function cornersMiss(gaps: readonly FootGap[], leanAt: ShortFeet['leanAt']): number {
  const free = gaps.flatMap((gap) =>
    gap.plane && (gap.feeler?.least ?? 0) > 0 ? [{ plane: gap.plane, lean: leanAt(gap) }] : [],
  )
  const missed = (pairs: readonly (readonly [grows: number, lean: number])[]): number => {
    const square = pairs.reduce((sum, [, lean]) => sum + lean * lean, 0)
    const best = square > 0 ? pairs.reduce((sum, [grows, lean]) => sum + grows * lean, 0) / square : 0
    const sole = Math.max(soles.least, Math.min(soles.most, best))
    return pairs.reduce((sum, [grows, lean]) => sum + (grows - lean * sole) ** 2, 0)
  }
  return (
    missed(free.map(({ plane, lean }) => [plane.alongX, lean.x])) +
    missed(free.map(({ plane, lean }) => [plane.alongY, lean.y]))
  )
}

/** The plane through all feet but `without`, of which `high` stands 1 high. */
function planeWithout(gaps: readonly FootGap[], without: number, high: number) {
  const points = gaps.map(({ foot }, i) => ({ x: foot.x, y: foot.y, z: i === high ? 1 : 0 }))
  return planeThrough(points.filter((_, i) => i !== without))
}

/**
 * How short these feet are by the feet that rise, least squares; undefined where those do not tell. A foot that stays down says only
 * that it is drawn down by the others: a short foot between shorter ones shows itself at the far end of the frame alone.
 */
function solved(
  at: readonly number[],
  rises: readonly number[],
  taken: readonly (readonly number[])[],
  stiffness: number,
): number[] | undefined {
  const told = rises.flatMap((rise, i) => (rise > stays ? [i] : []))
  if (told.length < at.length) return undefined
  const rows = told.map((i) => at.map((j) => (i === j ? 1 : -stiffness * (taken[i]?.[j] ?? 0))))
  try {
    return solve(new Matrix(rows), Matrix.columnVector(told.map((i) => rises[i] ?? 0))).to1DArray()
  } catch {
    return undefined // these feet together are a plane of their own: nothing tells them apart
  }
}

/** A foot that rises by no more than this stays down, mm: a feeler's own. */
const stays = 0.015

/** The lean of the plane that the other feet set, drawn down by what they are short. */
function leanOf(
  gaps: readonly FootGap[],
  at: readonly number[],
  by: readonly number[],
  stiffness: number,
): ShortFeet['leanAt'] {
  return (gap) => {
    const others = gaps.flatMap((one, i) =>
      one === gap ? [] : [{ x: one.foot.x, y: one.foot.y, z: -(by[at.indexOf(i)] ?? 0) }],
    )
    const plane = planeThrough(others)
    const { x, y } = gap.foot
    return { x: stiffness * (plane(x + 1, y) - plane(x, y)), y: stiffness * (plane(x, y + 1) - plane(x, y)) }
  }
}

/** Every choice of so many places. */
function choices(places: readonly number[], few: number): number[][] {
  if (few === 0) return [[]]
  return places.flatMap((place, i) => choices(places.slice(i + 1), few - 1).map((rest) => [place, ...rest]))
}

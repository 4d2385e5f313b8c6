import { type FootGap, usualThreshold } from './foot'

/** Pads of feet are about so long and so wide, mm: what a leaning frame opens at a pad's corners follows from that. */
const pads = { least: 15, most: 160 }

/** How far the gaps at a foot's corners differ, mm: its sole leans by so much over the pad; 0 where no plane was felt. */
export const rangeOf = ({ plane, feeler }: FootGap): number =>
  plane ? Math.abs(plane.alongX) + Math.abs(plane.alongY) : feeler ? feeler.most - feeler.least : 0

/** Where the two feet beside a foot stand: the line a rigid frame tips about. */
export type Beside = readonly [{ x: number; y: number }, { x: number; y: number }]

/**
 * The pad that would explain a foot's lean by the frame alone, mm along and across; undefined where the frame cannot.
 *
 * A rigid frame that is drawn down at the foot opposite tips about the line through the two feet beside it. At a foot that stands
 * `D` from that line and rises by `h` it leans by `h/D` outward, square to the line: over a pad of `P` the gap grows by
 * `h·n·P/D` from edge to edge, `n` being the line's normal along each side of the pad.
 */
export function padOfLean(gap: FootGap, [a, b]: Beside): { x: number; y: number } | undefined {
  const { plane, size, foot } = gap
  if (!plane || !size || size <= 0) return undefined
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  if (length === 0) return undefined
  let [nx, ny] = [(a.y - b.y) / length, (b.x - a.x) / length]
  const offLine = (foot.x - a.x) * nx + (foot.y - a.y) * ny
  if (offLine < 0) [nx, ny] = [-nx, -ny]
  const distance = Math.abs(offLine)
  const padFor = (tilt: number, n: number): number | undefined => {
    // along a side that hardly leans at all a hundredth or two is the feeler's own
    if (Math.abs(n) < 0.25) return Math.abs(tilt) <= 0.025 ? 0 : undefined
    const pad = (tilt * distance) / (size * n)
    const slack = (0.02 * distance) / (size * Math.abs(n))
    return pad > pads.least - slack && pad < pads.most + slack ? pad : undefined
  }
  const [x, y] = [padFor(plane.alongX, nx), padFor(plane.alongY, ny)]
  return x === undefined || y === undefined ? undefined : { x, y }
}

/**
 * Whether a foot of a rocking pair is bent as well: its corner gaps differ by more than the limit, and not as its frame would
 * make them differ. Between them the two feet of a pair show one pad's worth of lean; where both show more, the one that
 * leans more is bent.
 */
export function bentInPair(gap: FootGap, opposite: FootGap, beside: Beside, threshold = usualThreshold): boolean {
  if (rangeOf(gap) <= threshold + 1e-9) return false
  const own = padOfLean(gap, beside)
  if (!own) return true
  const other = padOfLean(opposite, beside)
  if (!other || rangeOf(opposite) <= threshold / 2) return false
  const both = Math.max(own.x + other.x, own.y + other.y)
  return both > pads.most && rangeOf(gap) >= rangeOf(opposite)
}

import { type FootGap, usualThreshold } from './foot'

/** Soles of feet are about so long and so wide, mm: what a leaning frame opens at a sole's corners follows from that. */
export const soles = { least: 15, most: 220 }

/** A feeler read in hundredths: gaps this near to each other are alike, mm. */
const feelerStep = 0.02

/** A sole, mm along the shaft and across, where it was measured. */
export interface Sole {
  along: number | undefined
  across: number | undefined
}

/** How far the gaps at a foot's corners differ, mm: its sole leans by so much over the pad; 0 where no plane was felt. */
export const rangeOf = ({ plane, feeler }: FootGap): number =>
  plane ? Math.abs(plane.alongX) + Math.abs(plane.alongY) : feeler ? feeler.most - feeler.least : 0

/** The foot whose corners are alike before the one whose are not: the short foot of a rocking pair. */
export function evenFirst(a: FootGap, b: FootGap): number {
  if (!a.plane || !b.plane) return 0
  const [one, other] = [rangeOf(a), rangeOf(b)]
  return Math.abs(one - other) > feelerStep ? one - other : 0
}

/** Where the two feet beside a foot stand: the line a rigid frame tips about. */
export type Beside = readonly [{ x: number; y: number }, { x: number; y: number }]

/**
 * Whether a foot of a rocking pair is bent as well: its corner gaps differ by more than the limit, and not as its frame would
 * make them differ.
 *
 * A rigid frame that is drawn down at the foot opposite tips about the line through the two feet beside it. At a foot that stands
 * `D` from that line and rises by `h` it leans by `h/D` outward, square to the line: over a sole of `P` the gap grows by
 * `h·n·P/D` from edge to edge, `n` being the line's normal along each side of the sole. A bent foot rests on its edge, so that no
 * gap is left there; a sole that leans with its frame keeps one.
 */
export function bentInPair(gap: FootGap, opposite: FootGap, [a, b]: Beside, threshold: number, sole: Sole): boolean {
  const { size, foot } = gap
  if (rangeOf(gap) <= threshold + 1e-9) return false
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  if (!size || length === 0) return true
  let [nx, ny] = [(a.y - b.y) / length, (b.x - a.x) / length]
  const offLine = (foot.x - a.x) * nx + (foot.y - a.y) * ny
  if (offLine < 0) [nx, ny] = [-nx, -ny]
  const lean = { x: (size / Math.abs(offLine)) * nx, y: (size / Math.abs(offLine)) * ny }
  if (!leansBy(gap, lean, sole, feelerStep)) return true
  const rests = (gap.feeler?.least ?? 0) < 0.1 * size
  // between them two feet of a pair show one sole's worth of lean; where both show a whole one, the one resting on its edge is bent
  return rests && rangeOf(gap) >= rangeOf(opposite)
}

/**
 * Whether a foot of a machine on more than four feet is bent: its corner gaps differ by more than the limit, and by more than
 * the frame leans there, as far as that is known.
 *
 * @param lean mm per mm toward larger x and toward the far side
 */
export function bentOfMany(
  gap: FootGap,
  lean: { x: number; y: number } | undefined,
  sole: Sole,
  threshold = usualThreshold,
): boolean {
  if (rangeOf(gap) <= threshold + 1e-9) return false
  if (lean) return !leansBy(gap, lean, sole, threshold)
  return (gap.feeler?.least ?? 0) < 0.1 * (gap.size ?? 0)
}

/** Whether a lean of the frame explains how the gap grows under a sole: of the size it was measured, or of any there are. */
function leansBy({ plane }: FootGap, lean: { x: number; y: number }, sole: Sole, within: number): boolean {
  if (!plane) return true
  const explains = (grows: number, slope: number, length: number | undefined): boolean => {
    const [least, most] = length === undefined ? [soles.least, soles.most] : [length, length]
    const [low, high] = [Math.min(slope * least, slope * most), Math.max(slope * least, slope * most)]
    return grows >= low - within && grows <= high + within
  }
  return explains(plane.alongX, lean.x, sole.along) && explains(plane.alongY, lean.y, sole.across)
}

import type { FootGap } from './foot'

/** Heights as a plane over the feet: value at (x, y). */
type Plane = (x: number, y: number) => number

/** The plane through points by least squares; level through their mean where they lie on one line. */
export function planeThrough(points: readonly { x: number; y: number; z: number }[]): Plane {
  const n = Math.max(1, points.length)
  const mean = (of: (p: { x: number; y: number; z: number }) => number) => points.reduce((sum, p) => sum + of(p), 0) / n
  const [mx, my, mz] = [mean((p) => p.x), mean((p) => p.y), mean((p) => p.z)]
  let [xx, xy, yy, xz, yz] = [0, 0, 0, 0, 0]
  for (const { x, y, z } of points) {
    xx += (x - mx) ** 2
    xy += (x - mx) * (y - my)
    yy += (y - my) ** 2
    xz += (x - mx) * (z - mz)
    yz += (y - my) * (z - mz)
  }
  const det = xx * yy - xy * xy
  if (det <= 1e-9 * xx * yy || det === 0) return () => mz
  const [a, b] = [(xz * yy - yz * xy) / det, (yz * xx - xz * xy) / det]
  return (x, y) => mz + a * (x - mx) + b * (y - my)
}

/**
 * Of a machine with more than four feet: the one foot that alone explains every rise, with how well (1 exactly). A frame that
 * bears on many feet lies as the plane that best fits those that are tight; one short foot, drawn down, tips that plane, so that
 * other feet rise when they are loosened. Loosened itself it shows its whole shortness.
 *
 * @param sizeOf how far a foot rose, mm
 */
export function shortOfMany(
  gaps: readonly FootGap[],
  over: readonly FootGap[],
  sizeOf: (gap: FootGap) => number,
): { gap: FootGap; fit: number } | undefined {
  const measured = gaps.map(sizeOf)
  let best: { gap: FootGap; off: number } | undefined
  for (const gap of over) {
    const short = sizeOf(gap)
    const drawn = gaps.map((one) => ({ x: one.foot.x, y: one.foot.y, z: one === gap ? -short : 0 }))
    const stiff = gaps.map((one, i) =>
      one === gap ? short : Math.max(0, planeThrough(drawn.filter((_, k) => k !== i))(one.foot.x, one.foot.y)),
    )
    const limber = gaps.map((one) => (one === gap ? short : 0))
    for (const expected of [stiff, limber]) {
      const off = Math.sqrt(
        expected.reduce((sum, rise, i) => sum + (rise - (measured[i] ?? 0)) ** 2, 0) / Math.max(1, gaps.length - 1),
      )
      if (!best || off < best.off) best = { gap, off }
    }
  }
  if (!best) return undefined
  const share = best.off / (0.2 * sizeOf(best.gap) + 0.015)
  return share <= 1 ? { gap: best.gap, fit: 1 - 0.1 * share } : undefined
}

/** Heights as a plane over a drawing from above: value at (x, y). */
export type Plane = (x: number, y: number) => number

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

/** Points of the low-discrepancy sequence; the probability is good to about half a per cent. */
const points = 2048
let normalPoints: Float64Array | undefined

/**
 * A fixed set of 4-dimensional standard normal points: the additive recurrence on powers of the root of x⁵ = x + 1
 * (Roberts' R₄ sequence), turned into normals by the Box–Muller transform. The same points every time, so the same
 * readings always give the same probability.
 */
function standardNormals(): Float64Array {
  if (normalPoints) return normalPoints
  const root = 1.1673039782614187
  const steps = [1, 2, 3, 4].map((power) => root ** -power)
  const made = new Float64Array(points * 4)
  for (let i = 0; i < points; i++) {
    const [a = 0, b = 0, c = 0, d = 0] = steps.map((step) => (0.5 + step * (i + 1)) % 1)
    const first = Math.sqrt(-2 * Math.log(1 - a))
    const second = Math.sqrt(-2 * Math.log(1 - c))
    made.set(
      [
        first * Math.cos(2 * Math.PI * b),
        first * Math.sin(2 * Math.PI * b),
        second * Math.cos(2 * Math.PI * d),
        second * Math.sin(2 * Math.PI * d),
      ],
      i * 4,
    )
  }
  normalPoints = made
  return made
}

/** Lower triangle L with LLᵀ = a symmetric, positive semidefinite 4 × 4 matrix; zero columns where it is singular. */
export function cholesky(matrix: readonly (readonly number[])[]): number[][] {
  const lower = Array.from({ length: 4 }, () => [0, 0, 0, 0])
  for (let i = 0; i < 4; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i]?.[j] ?? 0
      for (let k = 0; k < j; k++) sum -= (lower[i]?.[k] ?? 0) * (lower[j]?.[k] ?? 0)
      const pivot = lower[j]?.[j] ?? 0
      const row = lower[i]
      if (row) row[j] = i === j ? Math.sqrt(Math.max(0, sum)) : pivot > 1e-15 ? sum / pivot : 0
    }
  return lower
}

/**
 * Probability that a four-dimensional normal variable satisfies `accept`.
 *
 * @param mean four numbers; @param covariance 4 × 4, positive semidefinite
 */
export function probabilityOf(
  accept: (a: number, b: number, c: number, d: number) => boolean,
  mean: readonly [number, number, number, number],
  covariance: readonly (readonly number[])[],
): number {
  const normals = standardNormals()
  const [[aa = 0] = [], [ba = 0, bb = 0] = [], [ca = 0, cb = 0, cc = 0] = [], [da = 0, db = 0, dc = 0, dd = 0] = []] =
    cholesky(covariance)
  let accepted = 0
  for (let i = 0; i < normals.length; i += 4) {
    // the points are spread evenly from the first: where an eighth of them all agree, so will the rest
    if (i === normals.length / 8 && (accepted === 0 || accepted === points / 8)) return accepted === 0 ? 0 : 1
    const p = normals[i] ?? 0
    const q = normals[i + 1] ?? 0
    const r = normals[i + 2] ?? 0
    const s = normals[i + 3] ?? 0
    if (
      accept(
        mean[0] + aa * p,
        mean[1] + ba * p + bb * q,
        mean[2] + ca * p + cb * q + cc * r,
        mean[3] + da * p + db * q + dc * r + dd * s,
      )
    )
      accepted++
  }
  return accepted / points
}

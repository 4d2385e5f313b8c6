import type { Channel } from '../probes/probe'

/** Sums of a column against (1, sin θ, cos θ) over all readings. */
export type Sums = readonly [sum: number, bySin: number, byCos: number]

/**
 * The highest harmonic kept of what the exact geometry adds. Its k-th harmonic shrinks with the k-th power of offset over
 * radius: a millimetre on a 40 mm hub leaves 10⁻⁸ mm beyond the fourth.
 */
export const highest = 4

/** Σ cos kθ and Σ sin kθ over a channel's readings, and its readings' sums. */
export interface HarmonicSums {
  cos(k: number): number
  sin(k: number): number
  observed: Sums
}

/** One pass over a channel: Σ cos kθ and Σ sin kθ up to `most` by the recurrence cos kθ = 2 cos θ cos (k−1)θ − cos (k−2)θ. */
export function harmonicSums({ sin, cos, observed }: Channel, most: number): HarmonicSums {
  const n = observed.length
  let [c1, s1, c2, s2, c3, s3, c4, s4, c5, s5] = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0]
  let [sum, bySin, byCos] = [0, 0, 0]
  for (let i = 0; i < n; i++) {
    const s = sin[i] ?? 0
    const c = cos[i] ?? 0
    const y = observed[i] ?? 0
    s1 += s
    c1 += c
    s2 += 2 * s * c
    c2 += c * c - s * s
    sum += y
    bySin += s * y
    byCos += c * y
  }
  if (most > 2)
    for (let i = 0; i < n; i++) {
      const s = sin[i] ?? 0
      const c = cos[i] ?? 0
      const ss = 2 * s * c
      const cc = c * c - s * s
      const sss = ss * c + cc * s
      const ccc = cc * c - ss * s
      s3 += sss
      c3 += ccc
      s4 += 2 * ss * cc
      c4 += cc * cc - ss * ss
      s5 += sss * cc + ccc * ss
      c5 += ccc * cc - sss * ss
    }
  const cosines = [n, c1, c2, c3, c4, c5]
  const sines = [0, s1, s2, s3, s4, s5]
  return { cos: (k) => cosines[k] ?? 0, sin: (k) => sines[k] ?? 0, observed: [sum, bySin, byCos] }
}

/** A function of the direction as `Σ aₖ cos kθ + bₖ sin kθ`. */
export type Harmonics = readonly (readonly [cos: number, sin: number])[]

const samples = 16
const directions = Array.from({ length: samples }, (_, i) => (2 * Math.PI * i) / samples)

/** The first harmonics of a function of the direction, from sixteen equally spaced values. */
export function harmonicsOf(of: (sin: number, cos: number) => number): Harmonics {
  const values = directions.map((t) => of(Math.sin(t), Math.cos(t)))
  return Array.from({ length: highest + 1 }, (_, k) => {
    const scale = k === 0 ? 1 / samples : 2 / samples
    let a = 0
    let b = 0
    for (let i = 0; i < samples; i++) {
      a += (values[i] ?? 0) * Math.cos(k * (directions[i] ?? 0))
      b += (values[i] ?? 0) * Math.sin(k * (directions[i] ?? 0))
    }
    return [scale * a, scale * b] as const
  })
}

/** Sums of harmonics against (1, sin θ, cos θ), by the product-to-sum rules, from the sums of the angles alone. */
export function sumsOfHarmonics(harmonics: Harmonics, sums: HarmonicSums): Sums {
  let sum = 0
  let bySin = 0
  let byCos = 0
  harmonics.forEach(([a, b], k) => {
    sum += a * sums.cos(k) + b * sums.sin(k)
    if (k === 0) {
      bySin += a * sums.sin(1)
      byCos += a * sums.cos(1)
      return
    }
    byCos += (a * (sums.cos(k + 1) + sums.cos(k - 1)) + b * (sums.sin(k + 1) + sums.sin(k - 1))) / 2
    bySin += (a * (sums.sin(k + 1) - sums.sin(k - 1)) + b * (sums.cos(k - 1) - sums.cos(k + 1))) / 2
  })
  return [sum, bySin, byCos]
}

import type { Channel } from '../probes/probe'

/** Sums of a column against (1, sin θ, cos θ) over all readings. */
export type Sums = readonly [sum: number, bySin: number, byCos: number]

/**
 * The highest harmonic kept of what the exact geometry adds. Its k-th harmonic shrinks with the k-th power of offset over
 * radius: half a millimeter on a 40 mm hub leaves 10⁻⁷ mm beyond the third.
 */
export const highest = 3

/** Σ cos kθ and Σ sin kθ over a channel's readings, and its readings' sums. */
export interface HarmonicSums {
  cos(k: number): number
  sin(k: number): number
  observed: Sums
}

/** The sums of a channel, with those of the third and fourth harmonic where `most` asks for them (one more pass). */
export function harmonicSums({ sin, cos, sums }: Channel, most: number): HarmonicSums {
  const n = sin.length
  let c3 = 0
  let s3 = 0
  let c4 = 0
  let s4 = 0
  if (most > 2)
    for (let i = 0; i < n; i++) {
      const s = sin[i] as number
      const c = cos[i] as number
      const ss = 2 * s * c
      const cc = c * c - s * s
      s3 += ss * c + cc * s
      c3 += cc * c - ss * s
      s4 += ss * cc
      c4 += cc * cc - ss * ss
    }
  const cosines = [n, sums.cos1, sums.cos2, c3, c4]
  const sines = [0, sums.sin1, sums.sin2, s3, 2 * s4]
  return {
    cos: (k) => cosines[k] ?? 0,
    sin: (k) => sines[k] ?? 0,
    observed: [sums.observed, sums.bySin, sums.byCos],
  }
}

/** A function of the direction as `Σ aₖ cos kθ + bₖ sin kθ`. */
export type Harmonics = readonly [Pair, Pair, Pair, Pair]

type Pair = readonly [cos: number, sin: number]

const samples = 16
const directions = Array.from({ length: samples }, (_, i) => (2 * Math.PI * i) / samples)

/** The first harmonics of a function of the direction, from sixteen equally spaced values. */
export function harmonicsOf(of: (sin: number, cos: number) => number): Harmonics {
  const values = directions.map((t) => of(Math.sin(t), Math.cos(t)))
  const harmonic = (k: number): Pair => {
    const scale = k === 0 ? 1 / samples : 2 / samples
    let a = 0
    let b = 0
    for (let i = 0; i < samples; i++) {
      a += (values[i] ?? 0) * Math.cos(k * (directions[i] ?? 0))
      b += (values[i] ?? 0) * Math.sin(k * (directions[i] ?? 0))
    }
    return [scale * a, scale * b]
  }
  return [harmonic(0), harmonic(1), harmonic(2), harmonic(3)]
}

/**
 * What is left of a channel's readings, mm: less a constant, a sine, a cosine and the harmonics of what the exact geometry
 * adds; the powers of two angles are written out.
 */
export function withoutHarmonics(
  { observed, sin, cos }: Pick<Channel, 'observed' | 'sin' | 'cos'>,
  constant: number,
  bySin: number,
  byCos: number,
  [[a0], [a1, b1], [a2, b2], [a3, b3]]: Harmonics,
): Float64Array {
  const n = observed.length
  const left = new Float64Array(n)
  const c0 = constant + a0
  const s1 = bySin + b1
  const c1 = byCos + a1
  for (let i = 0; i < n; i++) {
    const s = sin[i] as number
    const c = cos[i] as number
    const ss = 2 * s * c
    const cc = c * c - s * s
    left[i] =
      (observed[i] as number) - c0 - c * (c1 + a3 * cc + b3 * ss) - s * (s1 - a3 * ss + b3 * cc) - a2 * cc - b2 * ss
  }
  return left
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

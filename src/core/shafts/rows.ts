import type { Row } from '../fit/row'
import type { Channel, Misalignment } from '../probes/probe'
import { type Floated, type FloatGroup, floatGroups, takeFloats, withoutFloat } from './floats'
import { harmonicSums, harmonicsOf, highest, type Sums, sumsOfHarmonics, withoutHarmonics } from './harmonics'

/** The unknowns at a coupling, in the order of an equation's coefficients: the misalignment right minus left. */
export const unknowns = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const satisfies readonly (keyof Misalignment)[]
export type Unknown = (typeof unknowns)[number]

/** An equation in the misalignment at a coupling. */
export type ShaftRow = Row<Unknown>

/** A channel with more readings than this is condensed: its equations are replaced by three that say the same. */
const long = 24

/**
 * The equations of all channels. A long sweep is condensed first, and axial floats are taken out where they stand, so that
 * the system stays a few dozen rows whatever was read.
 */
export function rowsOf(
  channels: readonly Channel[],
  groups: readonly FloatGroup[] = floatGroups(channels),
): ShaftRow[] {
  const rows: ShaftRow[] = []
  for (const channel of channels) {
    if (channel.zero)
      rows.push({
        observed: channel.zero.value,
        sd: channel.zero.sd,
        coefficients: [0, 0, 0, 0],
        constants: [{ key: channel.key, coefficient: 1 }],
      })
    if (channel.float) continue
    if (channel.observed.length > long && !channel.absolute) rows.push(...condensed(channel))
    else for (let i = 0; i < channel.observed.length; i++) rows.push(rowOf(channel, i))
  }
  for (const group of groups) rows.push(...withoutFloat(group, channels, rowOf, long))
  return rows
}

function rowOf(channel: Channel, i: number): ShaftRow {
  const [a, b] = channel.weight
  const sin = channel.sin[i] ?? 0
  const cos = channel.cos[i] ?? 0
  const { beyondLinear } = channel
  return {
    of: channel.key,
    observed: channel.observed[i] ?? 0,
    sd: channel.sd,
    coefficients: [a * sin, b * sin, a * cos, b * cos],
    constants: channel.absolute ? [] : [{ key: channel.key, coefficient: 1 }],
    ...(beyondLinear ? { beyondLinear: (m: Misalignment) => beyondLinear(m)(sin, cos) } : {}),
  }
}

/**
 * Three equations with the same least-squares solution and the same covariance as all the channel's own: the triangle of
 * its columns (1, sin θ, cos θ), from their sums about the means (Cholesky of the centered moments; Björck, Numerical Methods
 * for Least Squares Problems, §2.2). Two where the angles lie on one line through the center, one where all are the same.
 */
function condensed(channel: Channel): ShaftRow[] {
  const { observed, weight, sd, key, beyondLinear } = channel
  const n = observed.length
  const sums = harmonicSums(channel, beyondLinear ? highest + 1 : 2)
  const meanSin = sums.sin(1) / n
  const meanCos = sums.cos(1) / n
  // sin² = (1 − cos 2θ)/2, sin·cos = sin 2θ / 2, cos² = (1 + cos 2θ)/2
  const uu = (n - sums.cos(2)) / 2 - n * meanSin * meanSin
  const uv = sums.sin(2) / 2 - n * meanSin * meanCos
  const vv = (n + sums.cos(2)) / 2 - n * meanCos * meanCos
  const nothing = 1e-13 * n
  const root = Math.sqrt(n)
  const r11 = uu > nothing ? Math.sqrt(uu) : 0
  const r12 = r11 ? uv / r11 : 0
  const rest = vv - r12 * r12
  const r22 = rest > nothing ? Math.sqrt(rest) : 0

  /** Rᵀ⁻¹Aᵀy for a column y whose sums against (1, sin, cos) are given. */
  const against = ([sum, bySin, byCos]: Sums): Sums => {
    const z1 = r11 ? (bySin - meanSin * sum) / r11 : 0
    return [sum / root, z1, r22 ? (byCos - meanCos * sum - r12 * z1) / r22 : 0]
  }
  const right = against(sums.observed)
  let at: Misalignment | undefined
  let beyond: Sums = [0, 0, 0]
  const beyondAt = (m: Misalignment, row: 0 | 1 | 2): number => {
    if (m !== at && beyondLinear) {
      beyond = against(sumsOfHarmonics(harmonicsOf(beyondLinear(m)), sums))
      at = m
    }
    return beyond[row]
  }
  const [a, b] = weight
  const row = (which: 0 | 1 | 2, constant: number, s: number, c: number): ShaftRow => ({
    of: key,
    observed: right[which],
    sd,
    coefficients: [a * s, b * s, a * c, b * c],
    constants: constant ? [{ key, coefficient: constant }] : [],
    ...(beyondLinear ? { beyondLinear: (m: Misalignment) => beyondAt(m, which) } : {}),
  })
  return [
    row(0, root, root * meanSin, root * meanCos),
    ...(r11 ? [row(1, 0, r11, r12)] : []),
    ...(r22 ? [row(2, 0, 0, r22)] : []),
  ]
}

/**
 * What is left over of every reading of a channel, mm: observed − fitted. A float is taken as what the readings at its
 * position say it was.
 */
export function residualsOf(
  channels: readonly Channel[],
  misalignment: Misalignment,
  constants: ReadonlyMap<string, number>,
  groups: readonly FloatGroup[] = floatGroups(channels),
): { residuals: Float64Array[]; floats: Floated[] } {
  const residuals = channels.map((channel) => {
    const { sin, cos, observed } = channel
    const [a, b] = channel.weight
    const y = a * misalignment.offsetY + b * misalignment.slopeY
    const z = a * misalignment.offsetZ + b * misalignment.slopeZ
    const constant = constants.get(channel.key) ?? 0
    const exact = channel.beyondLinear?.(misalignment)
    const n = observed.length
    if (exact && n > long) return withoutHarmonics(channel, constant, y, z, harmonicsOf(exact))
    const left = new Float64Array(n)
    for (let i = 0; i < n; i++)
      left[i] = (observed[i] as number) - constant - y * (sin[i] as number) - z * (cos[i] as number)
    if (exact) for (let i = 0; i < n; i++) left[i] = (left[i] ?? 0) - exact(sin[i] ?? 0, cos[i] ?? 0)
    return left
  })
  const floats = takeFloats(groups, channels, residuals)
  return { residuals, floats }
}

import { type Row, reflected, triangleOf } from '../fit/row'
import type { Channel } from '../probes/probe'

/** Channels that float together, and at which of their positions each reading was taken. */
export interface FloatGroup {
  group: string
  /** Places in the list of all channels. */
  members: readonly number[]
  /** Of each member, reading by reading: its position's place among `positions`. */
  slots: readonly Int32Array[]
  /** Names of the positions, as the channels have them. */
  positions: Float64Array
}

/** What a group of channels floated by, position by position, mm, from where the first was read. */
export interface Floated {
  group: string
  positions: Float64Array
  values: Float64Array
}

/** The groups of channels that share a float. */
export function floatGroups(channels: readonly Channel[]): FloatGroup[] {
  const groups = new Map<string, number[]>()
  for (const [k, { float }] of channels.entries())
    if (float) groups.set(float.group, [...(groups.get(float.group) ?? []), k])
  return [...groups].map(([group, members]) => {
    const lists = members.map((k) => channels[k]?.float?.positions ?? new Float64Array())
    const [first = new Float64Array()] = lists
    // dials on one disc are read together: their positions are the same, one after the other
    if (lists.every((list) => alike(list, first))) {
      const slots = new Int32Array(first.length)
      for (let i = 0; i < slots.length; i++) slots[i] = i
      return { group, members, slots: lists.map(() => slots), positions: first }
    }
    const known = new Map<number, number>()
    const slots = lists.map((list) =>
      Int32Array.from(list, (position) => {
        const found = known.get(position) ?? known.size
        if (found === known.size) known.set(position, found)
        return found
      }),
    )
    return { group, members, slots, positions: Float64Array.from(known.keys()) }
  })
}

function alike(a: Float64Array, b: Float64Array): boolean {
  if (a.length !== b.length) return false
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false
  return true
}

/**
 * The equations of channels that share an axial float, with the float taken out: at each position the k equations are
 * turned (a Householder reflection) so that the float stands in one of them alone, which then says nothing else. The first
 * position keeps its equations as they are: a float common to all positions is part of the constants.
 *
 * @param rowOf the equation of one reading of a channel
 * @param long with more positions than this they are condensed
 */
export function withoutFloat<U extends string>(
  { members, slots, positions }: FloatGroup,
  channels: readonly Channel[],
  rowOf: (channel: Channel, i: number) => Row<U>,
  long: number,
): Row<U>[] {
  const own = members.flatMap((k) => channels[k] ?? [])
  const [one, other] = own
  if (one && other && own.length === 2 && slots[0] === slots[1] && positions.length > long)
    return [rowOf(one, 0), rowOf(other, 0), ...pairCondensed(one, other)]
  const at: { row: Row<U>; coefficient: number }[][] = Array.from(positions, () => [])
  own.forEach((channel, m) => {
    slots[m]?.forEach((slot, i) => {
      at[slot]?.push({ row: rowOf(channel, i), coefficient: -(channel.float?.sign ?? 1) / channel.sd })
    })
  })
  const [first, ...others] = at
  const left = [...(first ?? []).map(({ row }) => row), ...others.flatMap(reflected)]
  return left.length > 2 * long ? triangleOf(left) : left
}

/** Columns that an equation of two channels is made of: 1, sin and cos of the first, sin and cos of the second, what was read. */
const columns = 6

/**
 * All but the first position of two channels that float together, as the few equations of their triangle. What the float does
 * not touch is `(a₂·r₁ − a₁·r₂)/|a|`, a₁ and a₂ the float's factors; its columns are summed about their means in one pass, and
 * the triangle is the root of these sums (Cholesky), a column that follows from those before it left out.
 */
function pairCondensed<U extends string>(one: Channel, other: Channel): Row<U>[] {
  const [a1, a2] = [-(one.float?.sign ?? 1) / one.sd, -(other.float?.sign ?? 1) / other.sd]
  const size = Math.hypot(a1, a2)
  const [by1, by2] = [a2 / (size * one.sd), -a1 / (size * other.sd)]
  const n = one.observed.length - 1
  const mean = new Float64Array(columns - 1)
  const { sin: s1, cos: c1, observed: y1 } = one
  const { sin: s2, cos: c2, observed: y2 } = other
  for (let i = 1; i <= n; i++) {
    mean[0] = (mean[0] as number) + (s1[i] as number)
    mean[1] = (mean[1] as number) + (c1[i] as number)
    mean[2] = (mean[2] as number) + (s2[i] as number)
    mean[3] = (mean[3] as number) + (c2[i] as number)
    mean[4] = (mean[4] as number) + by1 * (y1[i] as number) + by2 * (y2[i] as number)
  }
  const [ms1 = 0, mc1 = 0, ms2 = 0, mc2 = 0, my = 0] = mean.map((sum) => sum / n)
  let [ss, sc, su, sv, sy, cc, cu, cv, cy, uu, uv, uy, vv, vy] = [0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]
  for (let i = 1; i <= n; i++) {
    const s = (s1[i] as number) - ms1
    const c = (c1[i] as number) - mc1
    const u = (s2[i] as number) - ms2
    const v = (c2[i] as number) - mc2
    const y = by1 * (y1[i] as number) + by2 * (y2[i] as number) - my
    ss += s * s
    sc += s * c
    su += s * u
    sv += s * v
    sy += s * y
    cc += c * c
    cu += c * u
    cv += c * v
    cy += c * y
    uu += u * u
    uv += u * v
    uy += u * y
    vv += v * v
    vy += v * y
  }
  const moments = [
    [ss, sc, su, sv, sy],
    [sc, cc, cu, cv, cy],
    [su, cu, uu, uv, uy],
    [sv, cv, uv, vv, vy],
  ]
  const root = Math.sqrt(n)
  const rows = [[root, root * ms1, root * mc1, root * ms2, root * mc2, root * my], ...rootOf(moments, 1e-13 * n)]
  const [o1, p1] = one.weight
  const [o2, p2] = other.weight
  return rows.map(([constant = 0, sa = 0, ca = 0, sb = 0, cb = 0, observed = 0]) => ({
    observed,
    sd: 1,
    coefficients: [
      by1 * o1 * sa + by2 * o2 * sb,
      by1 * p1 * sa + by2 * p2 * sb,
      by1 * o1 * ca + by2 * o2 * cb,
      by1 * p1 * ca + by2 * p2 * cb,
    ],
    constants: constant
      ? [
          { key: one.key, coefficient: by1 * constant },
          { key: other.key, coefficient: by2 * constant },
        ]
      : [],
  }))
}

/** The rows of the triangle of which these are the sums of products, the last column what was read; a nought before each for the constant. */
function rootOf(moments: readonly (readonly number[])[], nothing: number): number[][] {
  const left = moments.map((row) => [...row])
  const rows: number[][] = []
  for (let k = 0; k < left.length; k++) {
    const pivot = left[k]?.[k] ?? 0
    if (pivot <= nothing) continue
    const length = Math.sqrt(pivot)
    const row = (left[k] ?? []).map((value, j) => (j < k ? 0 : value / length))
    rows.push([0, ...row])
    for (let i = k + 1; i < left.length; i++)
      for (let j = i; j < row.length; j++) {
        const rest = (left[i]?.[j] ?? 0) - (row[i] ?? 0) * (row[j] ?? 0)
        const own = left[i]
        if (own) own[j] = rest
        const mirror = left[j]
        if (mirror && j < left.length) mirror[i] = rest
      }
  }
  return rows
}

/**
 * What each group floated by, as the readings at its positions say, and that taken out of what is left of them.
 *
 * @param residuals of all channels, mm; those of the groups are changed
 */
export function takeFloats(
  groups: readonly FloatGroup[],
  channels: readonly Channel[],
  residuals: readonly Float64Array[],
): Floated[] {
  return groups.map(({ group, members, slots, positions }) => {
    const sums = new Float64Array(positions.length)
    const weights = new Float64Array(positions.length)
    const each = (visit: (left: Float64Array, at: Int32Array, channel: Channel) => void) =>
      members.forEach((k, m) => {
        const [left, at, channel] = [residuals[k], slots[m], channels[k]]
        if (left && at && channel) visit(left, at, channel)
      })
    each((left, at, { sd, float }) => {
      const weight = 1 / (sd * sd)
      const signed = weight * (float?.sign ?? 1)
      for (let i = 0; i < left.length; i++) {
        const slot = at[i] as number
        sums[slot] = (sums[slot] as number) - signed * (left[i] as number)
        weights[slot] = (weights[slot] as number) + weight
      }
    })
    const values = sums
    for (let slot = 0; slot < values.length; slot++) values[slot] = (values[slot] as number) / (weights[slot] as number)
    each((left, at, { float }) => {
      const sign = float?.sign ?? 1
      for (let i = 0; i < left.length; i++) left[i] = (left[i] as number) + sign * (values[at[i] as number] as number)
    })
    return { group, positions, values }
  })
}

import type { CouplingFit } from './coupling'
import { unknowns } from './rows'

/** Answers "what would be left over if these readings had been other?" without solving again. */
export interface Projector {
  /** Sum of squared scaled residuals when some readings of a probe are changed by so many mm. */
  squaresAfter(set: number, probe: number, change: readonly { reading: number; channel: number; by: number }[]): number
  /** For one probe: how much of a pattern (one value a reading) the readings ask for; undefined where they cannot tell. */
  forProbe(set: number, probe: number): (pattern: readonly number[]) => number | undefined
}

/**
 * With A the scaled equations of every reading and Q an orthonormal basis of its columns, M = I − QQᵀ takes readings to
 * what is left over, and a change δ of the readings turns Σr² into `Σr² + 2δᵀr + δᵀMδ` (M is symmetric and idempotent).
 */
export function projectorOf(fit: CouplingFit): Projector {
  const channels = fit.probes.flatMap(({ set, probe, channels }) =>
    channels.map((channel, k) => ({ set, probe, k, channel })),
  )
  const starts = new Map<string, number>()
  let n = 0
  for (const { set, probe, k, channel } of channels) {
    starts.set(`${set}.${probe}.${k}`, n)
    n += channel.observed.length
  }
  const basis = orthonormalColumns(fit, channels, n)
  const scaled = new Float64Array(n)
  const sds = new Float64Array(n)
  for (const { set, probe, residuals, channels: own } of fit.probes)
    own.forEach((channel, k) => {
      const from = starts.get(`${set}.${probe}.${k}`) ?? 0
      for (let i = 0; i < channel.observed.length; i++) {
        scaled[from + i] = (residuals[i * own.length + k] ?? 0) / channel.sd
        sds[from + i] = channel.sd
      }
    })

  /** δᵀMδ of a sparse change. */
  const through = (at: readonly number[], by: readonly number[]): number => {
    let sum = by.reduce((total, value) => total + value * value, 0)
    for (const column of basis) {
      let along = 0
      for (let i = 0; i < at.length; i++) along += (column[at[i] ?? 0] ?? 0) * (by[i] ?? 0)
      sum -= along * along
    }
    return sum
  }
  const place = (set: number, probe: number, channel: number, reading: number) =>
    (starts.get(`${set}.${probe}.${channel}`) ?? 0) + reading
  const against = (at: readonly number[], by: readonly number[]) =>
    at.reduce((sum, index, i) => sum + (scaled[index] ?? 0) * (by[i] ?? 0), 0)

  return {
    squaresAfter(set, probe, change) {
      const at = change.map(({ reading, channel }) => place(set, probe, channel, reading))
      const by = change.map((one, i) => one.by / (sds[at[i] ?? 0] ?? 1))
      return Math.max(0, fit.left.squares + 2 * against(at, by) + through(at, by))
    },
    forProbe: (set, probe) => (pattern) => {
      const at = pattern.map((_, reading) => place(set, probe, 0, reading))
      const by = pattern.map((value, i) => value / (sds[at[i] ?? 0] ?? 1))
      const seen = through(at, by)
      const whole = by.reduce((total, value) => total + value * value, 0)
      return seen < 1e-6 * whole ? undefined : -against(at, by) / seen
    },
  }
}

/** Columns of constants, floats and the solved unknowns, made orthonormal (modified Gram–Schmidt, twice for safety). */
function orthonormalColumns(
  fit: CouplingFit,
  channels: readonly { channel: CouplingFit['probes'][number]['channels'][number] }[],
  n: number,
): Float64Array[] {
  const columns = new Map<string, Float64Array>()
  const column = (key: string): Float64Array => {
    const found = columns.get(key) ?? new Float64Array(n)
    columns.set(key, found)
    return found
  }
  const anchored = new Map<string, number>()
  let at = 0
  for (const { channel } of channels) {
    const { sin, cos, weight, sd, key, float } = channel
    for (let i = 0; i < channel.observed.length; i++, at++) {
      column(key)[at] = 1 / sd
      const position = float?.positions[i]
      if (float && position !== undefined) {
        const anchor = anchored.get(float.group) ?? position
        anchored.set(float.group, anchor)
        if (position !== anchor) column(`${float.group}:${position}`)[at] = -float.sign / sd
      }
      const coefficients = [
        weight[0] * (sin[i] ?? 0),
        weight[1] * (sin[i] ?? 0),
        weight[0] * (cos[i] ?? 0),
        weight[1] * (cos[i] ?? 0),
      ]
      for (const name of fit.solved) column(name)[at] = (coefficients[unknowns.indexOf(name)] ?? 0) / sd
    }
  }
  const basis: Float64Array[] = []
  for (const values of columns.values()) {
    const before = lengthOf(values)
    for (let turn = 0; turn < 2; turn++)
      for (const base of basis) {
        let along = 0
        for (let i = 0; i < n; i++) along += (values[i] ?? 0) * (base[i] ?? 0)
        for (let i = 0; i < n; i++) values[i] = (values[i] ?? 0) - along * (base[i] ?? 0)
      }
    const length = lengthOf(values)
    if (length < 1e-9 * before || length === 0) continue
    for (let i = 0; i < n; i++) values[i] = (values[i] ?? 0) / length
    basis.push(values)
  }
  return basis
}

const lengthOf = (values: Float64Array): number => Math.sqrt(values.reduce((sum, value) => sum + value * value, 0))

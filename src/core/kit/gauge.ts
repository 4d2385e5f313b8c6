import { quantityMm } from '../frame/quantity'
import type { KitGauge } from './schema'

/** A comparison against a gauge block. Lengths in mm. */
export interface Compared {
  readings: number
  mean: number | undefined
  /** Standard deviation of one setting down: repeatability; undefined with fewer than two readings. */
  repeat: number | undefined
  /** Mean less nominal. */
  off: number | undefined
  low: number | undefined
  high: number | undefined
  /** Within or outside only where two deviations of the mean do not reach the limit; else can't tell. */
  state: 'within' | 'outside' | 'unsure' | undefined
}

/** An instrument set on a gauge block again and again, lifted in between: what it shows, how well it repeats, whether within. */
export function compare(gauge: Pick<KitGauge, 'nominal' | 'over' | 'under' | 'readings'>): Compared {
  const values = gauge.readings.flatMap(({ value }) => quantityMm(value) ?? [])
  const nominal = quantityMm(gauge.nominal)
  const n = values.length
  const mean = n ? values.reduce((sum, value) => sum + value, 0) / n : undefined
  const repeat =
    n > 1 && mean !== undefined
      ? Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (n - 1))
      : undefined
  const over = quantityMm(gauge.over)
  const under = quantityMm(gauge.under)
  const high = nominal === undefined || over === undefined ? undefined : nominal + over
  const low = nominal === undefined || under === undefined ? undefined : nominal - Math.abs(under)
  const off = mean === undefined || nominal === undefined ? undefined : mean - nominal
  return { readings: n, mean, repeat, off, low, high, state: stateOf(mean, repeat, n, low, high) }
}

function stateOf(
  mean: number | undefined,
  repeat: number | undefined,
  n: number,
  low: number | undefined,
  high: number | undefined,
): Compared['state'] {
  if (mean === undefined || low === undefined || high === undefined) return undefined
  if (repeat === undefined) return 'unsure'
  const doubt = (2 * repeat) / Math.sqrt(n)
  if (mean - doubt >= low - 1e-9 && mean + doubt <= high + 1e-9) return 'within'
  if (mean + doubt < low || mean - doubt > high) return 'outside'
  return 'unsure'
}

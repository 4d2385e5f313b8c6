import { quantityMm } from '../quantity/quantity'
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

/**
 * An instrument set on a gauge block again and again, lifted in between: what it shows, how well it repeats, whether within. One reading alone
 * is judged by what the dial is known to repeat to, where that is known.
 *
 * @param known standard deviation of one reading of this dial, mm
 */
export function compare(gauge: Measured, known?: number): Compared {
  const values = gauge.readings.flatMap(({ value }) => quantityMm(value) ?? [])
  const nominal = quantityMm(gauge.nominal)
  const n = values.length
  const mean = n ? values.reduce((sum, value) => sum + value, 0) / n : undefined
  const repeat =
    n > 1 && mean !== undefined
      ? Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (n - 1))
      : undefined
  const { low, high } = limitsOf(gauge)
  const off = mean === undefined || nominal === undefined ? undefined : mean - nominal
  return { readings: n, mean, repeat, off, low, high, state: stateOf(mean, repeat ?? known, n, low, high) }
}

type Measured = Pick<KitGauge, 'nominal' | 'over' | 'under' | 'readings'>

function limitsOf(gauge: Measured): { low: number | undefined; high: number | undefined } {
  const [nominal, over, under] = [quantityMm(gauge.nominal), quantityMm(gauge.over), quantityMm(gauge.under)]
  return {
    high: nominal === undefined || over === undefined ? undefined : nominal + over,
    low: nominal === undefined || under === undefined ? undefined : nominal - Math.abs(under),
  }
}

/** A part of a series: how far off nominal it is, and whether within, mm. */
export interface Part {
  id: string
  off: number | undefined
  state: Compared['state']
}

/** One part after another against nominal, each by itself; those not read, or without limits, are not judged. */
export function compareEach(gauge: Measured, known?: number): Part[] {
  const nominal = quantityMm(gauge.nominal)
  const { low, high } = limitsOf(gauge)
  return gauge.readings.map(({ id, value }) => {
    const mm = quantityMm(value)
    return {
      id,
      off: mm === undefined || nominal === undefined ? undefined : mm - nominal,
      state: stateOf(mm, known, 1, low, high),
    }
  })
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

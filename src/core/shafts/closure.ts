import { closes, isSingle, type Probe } from '../probes'
import { type Quarter, quarterAt, quarters } from '../quantity/angles'

/**
 * Closure of a dial: `top + bottom − far − near`, mm. Zero for every rim, face and bore dial that was read right, sag or
 * not, aligned or not. Null unless all four quarters were read; a quarter read twice counts by its mean.
 */
export function closure(readings: readonly { angle: number; value: number }[]): number | null {
  const means = quarterMeans(readings)
  const [top, far, bottom, near] = quarters.map((quarter) => means[quarter])
  if (top === undefined || far === undefined || bottom === undefined || near === undefined) return null
  return top + bottom - far - near
}

/** Beyond this many readings a probe was swept: it has no four cells to compare. */
const byHand = 240

/**
 * Closure of a probe, where it has one: heads have none that a person reads off, and a face dial whose shaft floats closes
 * only together with its fellow.
 */
export function closureOf(probe: Probe): number | null {
  if (probe.readings.length > byHand) return null
  return closes(probe) && isSingle(probe) ? closure(probe.readings) : null
}

/** How far a probe may fail to close, mm: three deviations of the sum of its four readings, and two of its graduations at least. */
export const closureLimitOf = ({ graduation, sd }: Pick<Probe, 'graduation' | 'sd'>): number =>
  Math.max(2 * (graduation ?? 2 * sd), 3 * 2 * sd)

/** Mean reading at each quarter that was read. */
export function quarterMeans(readings: readonly { angle: number; value: number }[]): Partial<Record<Quarter, number>> {
  const sums = new Map<Quarter, { sum: number; count: number }>()
  for (const { angle, value } of readings) {
    if (angle / 90 !== Math.floor(angle / 90)) continue // most of a sweep
    const quarter = quarterAt(angle)
    if (!quarter) continue
    const found = sums.get(quarter) ?? { sum: 0, count: 0 }
    sums.set(quarter, { sum: found.sum + value, count: found.count + 1 })
  }
  return Object.fromEntries([...sums].map(([quarter, { sum, count }]) => [quarter, sum / count]))
}

/** What a dial shows after a full turn less what it showed before it, mm; undefined unless the start was read twice. */
export function returnToZero(readings: readonly { angle: number; value: number }[]): number | undefined {
  const first = readings[0]
  const last = readings.findLast((r) => first && Math.abs(r.angle - first.angle) === 360)
  return first && last ? last.value - first.value : undefined
}

import { type Quarter, quarterAt } from '../quantity/angles'
import type { SingleReadings } from './probe'

/** The two quarters that a dial zeroed once for height and once more for sideways is read at from each zero. */
const pairs: readonly (readonly [Quarter, Quarter])[] = [
  ['top', 'bottom'],
  ['far', 'near'],
]

/**
 * The constant of each plane of a dial that was zeroed once for height and once more for sideways: the middle of its two readings, mm.
 *
 * @returns by angle (degrees): undefined where the other side of that plane was not read, and between the quarters
 */
export function middlesOf(readings: SingleReadings['readings']): (angle: number) => number | undefined {
  const mean = (quarter: Quarter): number | undefined => {
    const own = readings.filter(({ angle }) => quarterAt(angle) === quarter)
    return own.length > 0 ? own.reduce((sum, { value }) => sum + value, 0) / own.length : undefined
  }
  const middles = new Map(
    pairs.flatMap((pair): [Quarter, number][] => {
      const [a, b] = pair.map(mean)
      return a === undefined || b === undefined ? [] : pair.map((quarter) => [quarter, (a + b) / 2])
    }),
  )
  return (angle) => {
    const quarter = quarterAt(angle)
    return quarter && middles.get(quarter)
  }
}

/**
 * Readings of a dial that was zeroed on top for height and once more at a side for sideways, from one zero: each plane less the middle
 * of its two readings, which is its own constant (top + bottom, and far + near, are then alike, as a dial's with one zero are). A plane
 * of which one side alone was read says nothing, nor does a reading between the quarters.
 *
 * @param readings mm; sag left in, since both planes have half of it in their middle
 */
export function perPlane(readings: SingleReadings['readings']): SingleReadings['readings'] {
  const middle = middlesOf(readings)
  return readings.flatMap(({ angle, value }) => {
    const own = middle(angle)
    return own === undefined ? [] : [{ angle, value: value - own }]
  })
}

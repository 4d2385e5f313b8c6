import { quarterAt } from '../frame/angles'
import { closure } from './closure'

/** A single slip that would explain why a dial does not close. Lengths in mm. */
export interface Suspect {
  /** Index of the reading. */
  reading: number
  fault: 'sign' | 'turn' | 'decimal' | 'unit'
  /** What the reading would have been. */
  would: number
  /** The closure the dial would then have. */
  closure: number
}

/**
 * Single faults that explain a dial which does not close: one sign turned over (the closure error is twice that reading),
 * one turn of the dial missed, the decimal point a place off, mil typed for hundredths of a millimetre or the reverse.
 * Best first; candidates that explain it equally well are all listed. Empty where the dial closes or cannot tell.
 *
 * @param limit two graduations, mm
 * @param turn one turn of the dial, mm; undefined where it is not known
 */
export function suspects(
  readings: readonly { angle: number; value: number }[],
  limit: number,
  turn: number | undefined,
): Suspect[] {
  const as = closure(readings)
  if (as === null || Math.abs(as) <= limit + 1e-9) return []
  const found: Suspect[] = []
  readings.forEach(({ angle, value }, reading) => {
    if (!quarterAt(angle)) return
    const tryOne = (fault: Suspect['fault'], would: number) => {
      if (Math.abs(would - value) < limit) return
      const then = closure(readings.map((r, i) => (i === reading ? { angle, value: would } : r)))
      if (then !== null && Math.abs(then) <= limit + 1e-9) found.push({ reading, fault, would, closure: then })
    }
    tryOne('sign', -value)
    if (turn) for (const turns of [-1, 1]) tryOne('turn', value + turns * turn)
    for (const factor of [10, 0.1]) tryOne('decimal', value * factor)
    for (const factor of [25.4 / 10, 10 / 25.4]) tryOne('unit', value * factor)
  })
  return found.sort(
    (a, b) => Math.abs(a.closure) - Math.abs(b.closure) || order.indexOf(a.fault) - order.indexOf(b.fault),
  )
}

const order: readonly Suspect['fault'][] = ['sign', 'turn', 'decimal', 'unit']

import type { Plane, PlaneLine } from '../quantity/axis'
import type { Misaligned } from '../shafts/coupling'
import { limitsOf } from '../verdict/limits'
import type { SlipGrade } from '../verdict/slipSpeed'
import { type Allowed, type Joint, type Verdict, verdictOf } from '../verdict/verdict'
import { running, type Used, usedOf } from './used'

/** The fastest speed asked about, rpm. */
const fastest = 100_000

/** What a coupling is judged by, at whatever speed. */
export interface AtSpeed {
  coupling: Joint
  allowed: Allowed
  grade: SlipGrade
  growth: Record<Plane, PlaneLine>
}

/** The verdict at a speed; undefined where nothing is allowed that depends on it or is known. */
export function verdictAt(
  fit: Misaligned,
  { coupling, allowed, grade, growth }: AtSpeed,
  rpm: number,
): Verdict | undefined {
  const limits = limitsOf({ ...allowed, rpm }, coupling, grade)
  return limits && verdictOf(fit, coupling, limits, growth)
}

/** How fast a line may turn and still be within, rpm. */
export interface SpeedInHand {
  /** By the numbers as they are: `60·v/(2π·|o|)` and `60·v/(2π·2R·|β|)`, the smaller. Infinite where nothing is off. */
  rpm: number
  /** Up to which it is within by 95 %; undefined where it is at no speed. */
  sure: number | undefined
  /** Which of the two is used up first. */
  decides: Used['by']
}

/**
 * Up to which speed a coupling stays within. What is allowed falls as one over the speed, so the share used at one speed tells
 * the speed at which it is all of it; of a spacer just the same. With confidence: the speed is halved in until P(within) is
 * 95 %.
 *
 * @returns undefined where the limits do not depend on the speed, or a diameter is missing
 */
export function speedInHand(fit: Misaligned, at: AtSpeed): SpeedInHand | undefined {
  if (at.allowed.tolerance) return undefined
  const unit = 1000
  const limits = limitsOf({ ...at.allowed, rpm: unit }, at.coupling, at.grade)
  if (limits?.source !== 'slip-speed') return undefined
  const used = usedOf(running(fit.misalignment, at.growth), at.coupling, limits)
  return {
    rpm: used.share > 0 ? unit / used.share : Number.POSITIVE_INFINITY,
    sure: fastestSure(fit, at),
    decides: used.by,
  }
}

function fastestSure(fit: Misaligned, at: AtSpeed): number | undefined {
  const sure = (rpm: number) => verdictAt(fit, at, rpm)?.state === 'within'
  let [low, high] = [1, fastest]
  if (!sure(low)) return undefined
  if (sure(high)) return high
  // to a part in a thousand
  while (high / low > 1.001) {
    const middle = Math.sqrt(low * high)
    if (sure(middle)) low = middle
    else high = middle
  }
  return low
}

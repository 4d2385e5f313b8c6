import { verdictOf } from '../verdict/verdict'
import { intervalsOf, jointRates, type Rate } from './drift'
import type { Visit } from './visit'

/** When to look again, and why. */
export interface NextCheck {
  /** From the last visit as left. */
  days: number
  /** ISO date. */
  on: string
  because:
    | { kind: 'rate'; joint: string; chance: number; intervals: number }
    | { kind: 'holds'; intervals: number }
    | { kind: 'new-set' | 'after-work' | 'not-within' | 'once' }
}

/** No check sooner or later than this, days. */
export const soonest = 30
export const latest = 730

/** Below this chance of being within it is looked at again, unless the site says otherwise. */
export const usualChance = 0.7

const names = ['offsetY', 'slopeY', 'offsetZ', 'slopeZ'] as const

/**
 * When the chance of every coupling being within falls below a bound, starting from the last visit as left and walking at the
 * rate that was seen: mean `m + rT`, variance `C + (sd·T)² + w²T`, the rate's own deviation with the walk in it. Without an interval, what is usual after the kind of work.
 *
 * @param visits that compare, oldest first
 * @returns undefined without a visit
 */
export function nextCheck(visits: readonly Visit[], below = usualChance): NextCheck | undefined {
  const last = visits.at(-1)
  if (!last) return undefined
  const at = (days: number) => {
    const on = new Date(Date.parse(last.left.at))
    on.setUTCDate(on.getUTCDate() + Math.round(days))
    return on.toISOString().slice(0, 10)
  }
  const usual = (days: number, kind: 'new-set' | 'after-work' | 'not-within' | 'once'): NextCheck => ({
    days,
    on: at(days),
    because: { kind },
  })
  if (last.state === 'outside' || last.state === 'unsure') return usual(90, 'not-within')
  const intervals = intervalsOf(visits)
  if (intervals.length === 0) {
    if (last.occasion === 'new-set') return usual(365, 'new-set')
    return last.occasion === 'after-overhaul' ? usual(180, 'after-work') : usual(365, 'once')
  }
  const found = last.joints.flatMap(({ id }) => {
    const chance = chanceAt(last, id, jointRates(intervals, id))
    if (!chance) return []
    const days = firstBelow(chance, below)
    return [{ id, days, chance: chance(days) }]
  })
  if (found.length === 0) return usual(365, 'once')
  const first = found.reduce((a, b) => (b.days < a.days ? b : a))
  const because =
    first.days >= latest
      ? { kind: 'holds' as const, intervals: intervals.length }
      : { kind: 'rate' as const, joint: first.id, chance: first.chance, intervals: intervals.length }
  return { days: first.days, on: at(first.days), because }
}

/** Of a chance that falls for months, so many days at a time are looked at first. */
const stride = 16

/** The first day on which a chance is below a bound, between the soonest and the latest: strides first, then day by day. */
function firstBelow(chance: (days: number) => number, below: number): number {
  if (chance(soonest) < below) return soonest
  let kept = soonest
  while (kept < latest && chance(Math.min(kept + stride, latest)) >= below) kept = Math.min(kept + stride, latest)
  let day = Math.min(kept + 1, latest)
  while (day < latest && chance(day) >= below) day++
  return day
}

/** The chance of a coupling being within after so many days; undefined where no limit is known. */
function chanceAt(
  { left, joints }: Visit,
  id: string,
  rates: Partial<Record<(typeof names)[number], Rate>>,
): ((days: number) => number) | undefined {
  const judged = joints.find((one) => one.id === id)
  const start = left.joints.find((one) => one.id === id)
  const { limits } = judged ?? {}
  if (!judged || !start || !limits) return undefined
  return (days) => {
    const rate = (name: (typeof names)[number]) => rates[name]
    const misalignment = {
      offsetY: start.misalignment.offsetY + (rate('offsetY')?.perDay ?? 0) * days,
      slopeY: start.misalignment.slopeY + (rate('slopeY')?.perDay ?? 0) * days,
      offsetZ: start.misalignment.offsetZ + (rate('offsetZ')?.perDay ?? 0) * days,
      slopeZ: start.misalignment.slopeZ + (rate('slopeZ')?.perDay ?? 0) * days,
    }
    const covariance = start.covariance.map((row, i) =>
      row.map((value, j) => {
        const own = i === j ? rates[names[i] ?? 'offsetY'] : undefined
        return own ? value + (own.sd ** 2 + own.walked ** 2) * days ** 2 + own.walk * days : value
      }),
    )
    const fit = { misalignment, covariance, measured: ['vertical', 'horizontal'] as const }
    return verdictOf(fit, judged.joint, limits, judged.growth).probability
  }
}

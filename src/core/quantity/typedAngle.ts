import { radians } from './angles'
import { parseNumber } from './number'
import type { Trouble } from './trouble'

/**
 * An angle as a person types it: in degrees with or without the sign ("0.35", "-0,2", "0.4°"), or as a slope, which is the same in
 * mm per meter and in mil per inch ("4 mm/m", "4 mil/in").
 */
const slope = /\s*(mm\s*\/\s*m|mil\s*\/\s*in)\s*$/i
const bare = (text: string): string => text.replace(slope, '').replace(/\s*(°|deg)\s*$/i, '')

/** A typed angle, rad; undefined where none is typed or it can't be read. */
export const typedAngle = (text: string): number | undefined => {
  const typed = parseNumber(bare(text))
  if (!typed.ok || typed.unit) return undefined
  if (slope.test(text)) return Math.atan(typed.value / 1000)
  return Math.abs(typed.value) <= 360 ? radians(typed.value) : undefined
}

/** What is wrong with a typed angle; an empty one has nothing wrong with it. */
export function angleFault(text: string): Trouble | undefined {
  if (text.trim() === '') return undefined
  const typed = parseNumber(bare(text))
  // no unit of length belongs here
  if (typed.ok ? typed.unit : typed.trouble.kind === 'no-unit') return { kind: 'not-a-number', text: text.trim() }
  if (!typed.ok) return typed.trouble
  return !slope.test(text) && Math.abs(typed.value) > 360 ? { kind: 'too-large' } : undefined
}

/** The most a limit of an angle may be, rad. */
const mostLimit = radians(45)

/** A typed limit of an angle, rad, above zero and no more than 45°; undefined where there is none. */
export function typedAngleLimit(text: string): number | undefined {
  const rad = typedAngle(text)
  return rad !== undefined && rad > 0 && rad <= mostLimit ? rad : undefined
}

export function angleLimitFault(text: string): Trouble | undefined {
  const rad = typedAngle(text)
  if (rad === undefined) return angleFault(text)
  return rad <= 0 ? { kind: 'not-above-zero' } : rad > mostLimit ? { kind: 'too-large' } : undefined
}

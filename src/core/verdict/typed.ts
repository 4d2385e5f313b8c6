import * as v from 'valibot'
import { parseNumber } from '../frame/number'
import { quantityMm } from '../frame/quantity'
import { quantitySchema, text } from '../frame/schema'
import type { SlipGrade } from './slipSpeed'
import type { Allowed } from './verdict'

/** What is typed of what a coupling may do, the same on every kind of line that has one. */
export const toleranceSchema = v.variant('policy', [
  v.strictObject({ policy: v.literal('slip-speed'), grade: v.picklist(['fine', 'standard', 'coarse']) }),
  v.strictObject({
    policy: v.literal('figures'),
    offset: quantitySchema,
    /** mm over 100 mm of length, or mil over an inch: the unit of the text says which. */
    slope: v.strictObject({ text: text(40), unit: v.picklist(['mm/100 mm', 'mil/in']) }),
    source: text(120),
  }),
])

/** What of a line its couplings are judged by. */
export interface Judged {
  /** Turns a minute, as typed. */
  speed: string
  tolerance: v.InferOutput<typeof toleranceSchema>
}

/** Slope in rad from what was typed. */
export function slopeRad(slope: { text: string; unit: 'mm/100 mm' | 'mil/in' }): number | undefined {
  const typed = parseNumber(slope.text)
  const rad = typed.ok ? typed.value / (slope.unit === 'mil/in' ? 1000 : 100) : undefined
  return rad !== undefined && Math.abs(rad) < 1 ? rad : undefined
}

export const gradeOf = (line: Judged): SlipGrade =>
  line.tolerance.policy === 'slip-speed' ? line.tolerance.grade : 'standard'

/** Turns a minute, or undefined where not typed or no number above zero. */
export function speedOf(line: Pick<Judged, 'speed'>): number | undefined {
  const typed = parseNumber(line.speed)
  return typed.ok && typed.value > 0 ? typed.value : undefined
}

/** The maker's or the site's figures as typed; undefined where there are none or they cannot be read. */
export function figuresOf({ tolerance }: Judged): Allowed['tolerance'] {
  if (tolerance.policy !== 'figures') return undefined
  const offset = quantityMm(tolerance.offset)
  const slope = slopeRad(tolerance.slope)
  if (!slope || slope <= 0) return undefined
  return { slope, offset: offset && offset > 0 ? offset : undefined }
}

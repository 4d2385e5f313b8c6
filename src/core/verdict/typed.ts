import * as v from 'valibot'
import { parseNumber } from '../quantity/number'
import { quantityMm } from '../quantity/quantity'
import { quantitySchema, text } from '../quantity/schema'
import type { SlipGrade } from './slipSpeed'
import { slopeRad } from './slope'
import { limitRowsSchema, readRows } from './table'
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
  v.strictObject({
    policy: v.literal('table'),
    /** Of the kit, and what it was called then; the rows are a copy, so that an old job keeps what it was judged by. */
    table: v.strictObject({ id: text(40), name: text(60), source: text(120) }),
    rows: limitRowsSchema,
  }),
])

/** What of a line its couplings are judged by. */
export interface Judged {
  /** Turns a minute, as typed. */
  speed: string
  tolerance: v.InferOutput<typeof toleranceSchema>
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

/** All that a line says of what its couplings may do. */
export function allowedOf(line: Judged): Allowed {
  const { tolerance } = line
  return {
    rpm: speedOf(line),
    tolerance: figuresOf(line),
    ...(tolerance.policy === 'table' ? { table: readRows(tolerance.rows) } : {}),
  }
}

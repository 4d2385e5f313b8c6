import * as v from 'valibot'
import { type Checked, check, refuse } from './fault'
import { fromMm } from './units'

/** What numbers, names and lists may be in the open documents, whatever kind of line they tell of. */

/** No number of a document is greater in whatever unit: a kilometer in micrometers. See `checkSurvey` for what each document's own units allow. */
const most = 1e9
/** No length or reading of a machine is longer, mm; beyond it the arithmetic itself gives out. */
const longest = 1e6
/** Nor is anything that has a size smaller. */
const least = 1e-6

export const finite = v.pipe(
  v.number('a number'),
  v.finite('a finite number'),
  v.minValue(-most, 'a number from -1,000,000,000 to 1,000,000,000'),
  v.maxValue(most, 'a number from -1,000,000,000 to 1,000,000,000'),
)
export const positive = v.pipe(
  finite,
  v.gtValue(0, 'a number greater than zero'),
  v.minValue(least, 'a number of at least 0.000001'),
)
export const notNegative = v.pipe(finite, v.minValue(0, 'zero or more'))
export const text = v.pipe(v.string('text'), v.maxLength(200, 'at most 200 characters'))
export const id = v.pipe(
  v.string('a name (text)'),
  v.nonEmpty('a name that is not empty'),
  v.maxLength(100, 'a name of at most 100 characters'),
)
/** A list with a limit: what one request may ask is what a server can work out while others wait. */
export const list = <S extends v.GenericSchema>(of: S, length: number, what: string) =>
  v.pipe(v.array(of, what), v.maxLength(length, `${what}, at most ${length.toLocaleString('en')}`))

/** The units of a document: of its lengths, and of its readings. */
export const unitsSchema = v.strictObject({
  length: v.picklist(['mm', 'in'], '"mm" or "in"'),
  reading: v.picklist(['mm', 'um', 'in', 'mil'], '"mm", "um", "in" or "mil"'),
})
export type Units = v.InferOutput<typeof unitsSchema>

/** Where a shim can go, and how thick it may be: what a plan of any kind may ask for. */
export const shimsAsked = {
  stock: v.optional(list(positive, 60, 'a list of shim thicknesses')),
  maxShims: v.optional(
    v.pipe(finite, v.integer('a whole number'), v.minValue(1, 'at least 1'), v.maxValue(8, 'at most 8')),
  ),
}

/** Ten decimals: what adding inches leaves behind is not written out. */
export const tidy = (mm: number): number => Number(mm.toFixed(10))

/** A shim's thickness as it stands in the stock list, without what changing units leaves behind. */
export const tidyShim = (value: number): number => Number(value.toPrecision(12))

/**
 * Checks a survey document: by its schema, and that no number of it is more than a kilometer in the smaller of its units. A tape of
 * 1.8 m is 1,800,000 in a document whose readings are in micrometers.
 */
export function checkSurvey<T extends v.GenericSchema<unknown, { units: Units }>>(
  schema: T,
  document: unknown,
): Checked<v.InferOutput<T>> {
  const checked = check(schema, document)
  if (!checked.ok) return checked
  const { length, reading } = checked.value.units
  const limit = Math.round(Math.max(fromMm(longest, length), fromMm(longest, reading)))
  const far = beyond(checked.value, limit, '')
  return far === undefined
    ? checked
    : refuse(far, `expected a number from -${limit.toLocaleString('en')} to ${limit.toLocaleString('en')}`)
}

/** Numbers that are no lengths and have limits of their own: a bar's bending stiffness is some 10¹⁰ N·mm². */
const noLengths = new Set(['weight', 'tension', 'stiffness', 'rpm'])

/** The path of the first length or reading beyond a limit. */
function beyond(value: unknown, limit: number, path: string): string | undefined {
  if (typeof value === 'number') return Math.abs(value) > limit ? path : undefined
  if (typeof value !== 'object' || value === null) return undefined
  for (const [key, own] of Object.entries(value)) {
    const found = noLengths.has(key) ? undefined : beyond(own, limit, path ? `${path}.${key}` : key)
    if (found !== undefined) return found
  }
  return undefined
}

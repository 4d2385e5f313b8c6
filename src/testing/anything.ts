import fc from 'fast-check'
import type * as v from 'valibot'

/** What people leave in a field: nothing, a beginning, a sign alone, nought, far too much, words. */
export const oddTexts: readonly string[] = [
  '',
  ' ',
  '0',
  '0.',
  '0.0',
  '.',
  ',',
  '-',
  '−',
  '+',
  '-5',
  '0.02',
  '-0.412',
  '1,500',
  '1-1/2',
  '1/0',
  '3 1/8',
  '12 mm',
  '5 thou',
  '5 furlongs',
  'one',
  '∞',
  '1e9',
  '9'.repeat(39),
  `-${'9'.repeat(38)}`,
  `0.${'0'.repeat(36)}1`,
  '4000',
  '0.000001',
  '²',
]

type AnySchema = v.GenericSchema & {
  type: string
  entries?: Record<string, AnySchema>
  item?: AnySchema
  value?: AnySchema
  wrapped?: AnySchema
  options?: readonly unknown[]
  literal?: unknown
  pipe?: readonly { type: string; requirement?: unknown }[]
}

const requirement = (schema: AnySchema, type: string): number | undefined => {
  const found = schema.pipe?.find((one) => one.type === type)?.requirement
  return typeof found === 'number' ? found : undefined
}

/** Anything a field of this schema may hold; undefined where the value is left as it is. */
function leaf(schema: AnySchema): fc.Arbitrary<unknown> | undefined {
  switch (schema.type) {
    case 'string': {
      const most = requirement(schema, 'max_length') ?? 40
      const least = schema.pipe?.some(({ type }) => type === 'non_empty') ? 1 : 0
      if (least > 0) return undefined // an id is made, never typed
      const fits = oddTexts.filter((text) => text.length >= least && text.length <= most)
      return fc.constantFrom(...fits)
    }
    case 'number': {
      const [low, high] = [requirement(schema, 'min_value') ?? -1e6, requirement(schema, 'max_value') ?? 1e6]
      const whole = schema.pipe?.some(({ type }) => type === 'integer')
      return whole ? fc.integer({ min: low, max: high }) : fc.constantFrom(low, high, 0, 0.5, 1e-9, 90, 180)
    }
    case 'boolean':
      return fc.boolean()
    case 'picklist':
      return fc.constantFrom(...(schema.options ?? []))
    default:
      return undefined
  }
}

/**
 * A document like `like` with some of what is in it replaced by anything its schema allows: fields emptied, half typed or
 * out of all proportion, choices changed, lists cut short, optional parts gone.
 *
 * @param rate how many of a hundred places are changed
 */
export function anythingLike<T>(schema: v.GenericSchema<unknown, T>, like: T, rate: number): fc.Arbitrary<T> {
  const vary = (s: AnySchema, value: unknown): fc.Arbitrary<unknown> => {
    if (s.type === 'optional')
      return value === undefined
        ? fc.constant(undefined)
        : fc.nat(99).chain((n) => (n < rate / 4 ? fc.constant(undefined) : vary(s.wrapped as AnySchema, value)))
    if (s.type === 'variant') {
      const options = (s.options ?? []) as readonly AnySchema[]
      const own = options.find((option) =>
        Object.entries(option.entries ?? {}).some(
          ([key, entry]) => entry.type === 'literal' && entry.literal === (value as Record<string, unknown>)?.[key],
        ),
      )
      return own ? vary(own, value) : fc.constant(value)
    }
    if (s.entries && typeof value === 'object' && value !== null) {
      const keys = Object.keys(s.entries).filter((key) => (value as Record<string, unknown>)[key] !== undefined)
      return fc
        .tuple(...keys.map((key) => vary(s.entries?.[key] as AnySchema, (value as Record<string, unknown>)[key])))
        .map((values) =>
          Object.fromEntries(keys.flatMap((key, i) => (values[i] === undefined ? [] : [[key, values[i]]]))),
        )
    }
    if (s.item && Array.isArray(value)) {
      const least = requirement(s, 'min_length') ?? 0
      return fc
        .tuple(fc.nat(99), fc.nat(value.length), ...value.map((one) => vary(s.item as AnySchema, one)))
        .map(([n, kept, ...items]) => (n < rate / 4 ? items.slice(0, Math.max(least, kept)) : items))
    }
    if (s.type === 'record' && s.value && typeof value === 'object' && value !== null) {
      const keys = Object.keys(value)
      return fc
        .tuple(...keys.map((key) => vary(s.value as AnySchema, (value as Record<string, unknown>)[key])))
        .map((values) => Object.fromEntries(keys.map((key, i) => [key, values[i]])))
    }
    const odd = leaf(s)
    return odd ? fc.nat(99).chain((n) => (n < rate ? odd : fc.constant(value))) : fc.constant(value)
  }
  return vary(schema as unknown as AnySchema, like) as fc.Arbitrary<T>
}

/** How many of what is counted: a few in every run, all of them in the long one. */
export const runs = (usual: number, long: number): number => (process.env.LONG ? long : usual)

/** How often a property is tried, and from which seed: many times and a fresh seed in the long run. Fast-check tells the seed of a failure. */
export const tries = (usual: number, long = 5000): { numRuns: number; seed?: number } =>
  process.env.LONG ? { numRuns: long } : { numRuns: usual, seed: 20261125 }

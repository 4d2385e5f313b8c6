import * as v from 'valibot'

/**
 * What is stored of a line and of a job: what people typed, as they typed it. Everything else can be worked out again.
 * Machines stand from left to right as the train is drawn.
 */

export const text = (most: number) =>
  v.pipe(
    v.string(),
    v.maxLength(most, `at most ${most} characters`),
    // nobody types it, and a database ends a text where it stands
    v.check((value) => !value.includes('\u0000'), 'text without the character NUL'),
  )

/** Ids are keys of records as well: none may be one that every object has. */
export const id = v.pipe(
  v.string(),
  v.nonEmpty('a name'),
  v.maxLength(40, 'at most 40 characters'),
  v.check((value) => !(value in Object.prototype), 'another name'),
)

/** A number that is measured, in any unit: beyond this the arithmetic itself gives out. */
export const measured = v.pipe(v.number(), v.finite(), v.minValue(-1e6), v.maxValue(1e6))

export const unit = v.picklist(['mm', 'um', 'in', 'mil'])

export const quantitySchema = v.strictObject({
  text: text(40),
  unit,
  was: v.optional(v.strictObject({ text: text(40), unit })),
})

export const mmSize = v.pipe(measured, v.minValue(0))

export const done = v.strictObject({ by: text(12), at: text(40) })

import * as v from 'valibot'
import { text } from '../quantity/schema'

/** Kinds of picture that are taken, by what the web calls them. */
export const photographTypes = ['image/jpeg', 'image/png'] as const

/** A picture is named by the SHA-256 of its bytes. */
export const pictureId = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/, 'the SHA-256 of a picture'))

/** A photograph of a job: the picture itself is kept outside the document, by the SHA-256 of its bytes. */
export const photographSchema = v.strictObject({
  id: pictureId,
  type: v.picklist(photographTypes),
  /** What is seen. */
  label: text(200),
  /** Where it belongs: a step, and there a check, a machine or a set; "report" for the record as a whole. */
  at: text(80),
  by: text(40),
  takenAt: text(40),
})

export const photographsSchema = v.pipe(v.array(photographSchema), v.maxLength(60, 'at most 60 photographs'))

export type Photograph = v.InferOutput<typeof photographSchema>

/** The largest picture that is taken, bytes: the page makes them smaller first. */
export const largestPhotograph = 3 * 1024 * 1024

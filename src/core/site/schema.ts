import * as v from 'valibot'
import { pictureId } from '../job/photographs'
import { text } from '../quantity/schema'

/** What a site says of itself, for the head of its printed pages and the rules of signing. */
export const siteSchema = v.strictObject({
  name: text(80),
  /** Its own mark, a picture by the SHA-256 of its bytes; empty where it has none. */
  mark: v.union([v.literal(''), pictureId]),
  /** Who checks must be somebody else than who did the job. */
  checkedByAnother: v.boolean(),
  /** What the site works in; absent where each device says for itself. */
  unit: v.optional(v.picklist(['mm', 'mil'])),
})

export type SiteSettings = v.InferOutput<typeof siteSchema>

export const usualSite: SiteSettings = { name: '', mark: '', checkedByAnother: false }

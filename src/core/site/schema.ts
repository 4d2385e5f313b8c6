import * as v from 'valibot'
import { text } from '../frame/schema'

/** What a site says of itself, for the head of its printed pages and the rules of signing. */
export const siteSchema = v.strictObject({
  name: text(80),
  /** Who checks must be somebody else than who did the job. */
  checkedByAnother: v.boolean(),
})

export type SiteSettings = v.InferOutput<typeof siteSchema>

export const usualSite: SiteSettings = { name: '', checkedByAnother: false }

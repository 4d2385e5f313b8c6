import * as v from 'valibot'

/** The last file of an archive: what is in it, so that one that was cut short or changed is known. */
export const manifestName = 'manifest.json'

export const manifestSchema = v.object({
  format: v.literal('vane-peg.manifest'),
  /** Every other file, with its size and the SHA-256 of its bytes. */
  files: v.array(
    v.object({
      name: v.string(),
      bytes: v.pipe(v.number(), v.safeInteger()),
      sha256: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
    }),
  ),
})
export type Manifest = v.InferOutput<typeof manifestSchema>

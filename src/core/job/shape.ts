import * as v from 'valibot'

/**
 * The shape of today's documents; `stored.ts` brings earlier ones up to it. 1: before documents said their shape. 2: every
 * set says what it was read for.
 */
export const documentShape = 2

/** Written when a document is stored. */
export const shape = v.optional(v.literal(documentShape))

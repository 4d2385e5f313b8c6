import type { Context } from 'hono'
import { validator } from 'hono-openapi'
import * as v from 'valibot'

/** The one shape of every error: where, and a sentence. */
export const refusalSchema = v.object({ error: v.object({ path: v.string(), message: v.string() }) })
export type Refusal = v.InferOutput<typeof refusalSchema>

export const refusal = (path: string, message: string): Refusal => ({ error: { path, message } })

/** Validates a part of the request; a fault is a 400 that names its path. */
export const valid = <S extends v.GenericSchema, T extends 'json' | 'query' | 'param'>(target: T, schema: S) =>
  validator(target, schema, (result, c: Context) => {
    if (result.success) return undefined
    const [issue] = result.error as [v.BaseIssue<unknown>]
    return c.json(
      refusal(v.getDotPath(issue) ?? '', `${issue.message} (expected ${issue.expected ?? 'something else'})`),
      400,
    )
  })

export const idParam = v.strictObject({ id: v.pipe(v.string(), v.maxLength(60)) })

/** Whether something is to be put away or brought back. */
export const archivedBody = v.strictObject({ archived: v.boolean() })

/** A list of what was put away instead of what was not. */
export const archivedQuery = v.object({ archived: v.optional(v.picklist(['yes', 'no']), 'no') })

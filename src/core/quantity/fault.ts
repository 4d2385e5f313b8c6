import * as v from 'valibot'

/** What is wrong with a document: where, and what was expected there. */
export interface Fault {
  /** Dotted path from the top of the document, "" for the whole: `measurements.0.probes.1.radius`. */
  path: string
  message: string
}

export type Checked<T> = { ok: true; value: T } | { ok: false; fault: Fault }

export const refuse = (path: string, message: string): { ok: false; fault: Fault } => ({
  ok: false,
  fault: { path, message },
})

/** Checks a value against a schema and tells the first fault by its path. */
export function check<T extends v.GenericSchema>(schema: T, value: unknown): Checked<v.InferOutput<T>> {
  const result = v.safeParse(schema, value, { abortEarly: true })
  if (result.success) return { ok: true, value: result.output }
  const issue = result.issues[0]
  const path = v.getDotPath(issue) ?? ''
  return refuse(path, sentenceFor(issue))
}

function sentenceFor(issue: v.BaseIssue<unknown>): string {
  if (issue.type === 'strict_object' && issue.expected === 'never') return 'unknown key'
  if (issue.type === 'strict_object' && issue.received === 'undefined') return 'missing'
  if (issue.received === 'undefined') return `missing, expected ${expectation(issue)}`
  return `expected ${expectation(issue)}, found ${issue.received}`
}

/** Our own schemas' messages say what was expected; the library's own are replaced by its `expected`. */
function expectation(issue: v.BaseIssue<unknown>): string {
  const own = issue.message
  if (!/^Invalid /.test(own)) return own
  return issue.expected === 'Object' ? 'an object' : (issue.expected ?? 'something else')
}

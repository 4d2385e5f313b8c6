import type { MiddlewareHandler } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import * as v from 'valibot'
import { refusal } from './routes/answers'

/** Validation stops at the first fault: a body of a million wrong things is refused as quickly as one with a single one. */
v.setGlobalConfig({ abortEarly: true })

const kB = 1024
const MB = 1024 * kB

/**
 * What a body may be, by the address it is sent to; the first that fits. Measured: the largest job of the made-up plant has 0.3 MB,
 * and a sweep of 100,000 points with four channels, the most that a job takes, 3.5 MB in 500,000 numbers.
 */
const most: readonly { at: RegExp; bytes: number; things: number }[] = [
  // before anybody is signed in, names, passwords and codes
  { at: /^\/api\/door\//, bytes: 8 * kB, things: 50 },
  { at: /^\/api\/(solve$|jobs(\/[^/]+)?$)/, bytes: 4 * MB, things: 600_000 },
  { at: /^\/api\/lines\/many$/, bytes: 4 * MB, things: 200_000 },
  { at: /^\/api\/lines/, bytes: MB / 2, things: 20_000 },
  { at: /^\/api\/kit/, bytes: MB / 2, things: 20_000 },
  { at: /^\//, bytes: 64 * kB, things: 2000 },
]

/** Deeper than any document of this program. */
const deepest = 40

/** Bodies that are no JSON, and have limits of their own. */
const others = new Set(['/api/archive', '/api/photographs'])

/** What is too much in a JSON text, before anything is made of it; undefined where nothing is. */
export function tooMuchIn(text: string, things: number): string | undefined {
  let depth = 0
  let count = 0
  let quoted = false
  for (let i = 0; i < text.length; i++) {
    const at = text.charCodeAt(i)
    if (quoted) {
      if (at === backslash) i++
      else if (at === quote) quoted = false
    } else if (at === quote) quoted = true
    else if (at === comma) count++
    else if (at === openBracket || at === openBrace) {
      count++
      depth++
      if (depth > deepest) return `Nested deeper than ${deepest} levels.`
    } else if (at === closeBracket || at === closeBrace) depth--
    if (count > things) return `More than ${things} values.`
  }
  return undefined
}

const [quote, backslash, comma, openBracket, closeBracket, openBrace, closeBrace] = [...'"\\,[]{}'].map((one) =>
  one.charCodeAt(0),
)

const told = (bytes: number): string => (bytes < MB ? `${bytes / kB} kB` : `${bytes / MB} MB`)

/** Looks at how large, how deep and how full a JSON body is before it is taken apart. */
export const bodiesMeasured = (): MiddlewareHandler => {
  const limits = most.map((one) => ({
    ...one,
    limit: bodyLimit({
      maxSize: one.bytes,
      onError: (c) => c.json(refusal('', `Larger than ${told(one.bytes)}.`), 413),
    }),
  }))
  return async (c, next) => {
    const { method, path } = c.req
    if (method === 'GET' || method === 'HEAD' || others.has(path)) return next()
    const found = limits.find(({ at }) => at.test(path))
    if (!found) return next()
    return found.limit(c, async () => {
      const fault = tooMuchIn(await c.req.text(), found.things)
      if (fault) c.res = c.json(refusal('', fault), 400)
      else await next()
    })
  }
}

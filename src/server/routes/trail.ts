import { Hono } from 'hono'
import * as v from 'valibot'
import { checkTrail, latestOfTrail, sealTrail, trailRows } from '../db/trail'
import { told } from '../openapi'
import type { Site } from '../site'
import { valid } from './answers'

const pageQuery = v.object({
  before: v.optional(v.pipe(v.string(), v.regex(/^\d{1,12}$/, 'expected the number of a row'), v.transform(Number))),
})

/** Rows a page. */
const most = 40

/** Who changed what, in order. */
export const trailRoutes = ({ store: { db } }: Site) =>
  new Hono()
    .get(
      '/',
      told('Who changed what, the latest first, a page at a time.', { 200: 'The rows.' }, [400]),
      valid('query', pageQuery),
      async (c) => {
        await sealTrail(db)
        return c.json(await latestOfTrail(db, { before: c.req.valid('query').before, most }), 200)
      },
    )
    .get(
      '/check',
      told('Follows the chain of hashes from its beginning.', {
        200: 'How many rows hold together, the last hash, and the first that does not fit.',
      }),
      async (c) => {
        await sealTrail(db)
        const { brokenAt, ...checked } = await checkTrail(trailRows(db))
        return c.json({ ...checked, brokenAt: brokenAt ?? null }, 200)
      },
    )
    .get(
      '/whole.jsonl',
      told('The whole trail, a line of JSON each, the first first.', {
        200: { says: 'The rows.', type: 'application/x-ndjson' },
      }),
      async (c) => {
        await sealTrail(db)
        const rows = trailRows(db)
        const text = new ReadableStream<Uint8Array>({
          pull: async (controller) => {
            const { done, value } = await rows.next()
            if (done) controller.close()
            else controller.enqueue(new TextEncoder().encode(`${JSON.stringify(value)}\n`))
          },
          cancel: async () => void (await rows.return(undefined)),
        })
        return c.body(text, 200, {
          'Content-Type': 'application/x-ndjson',
          'Content-Disposition': 'attachment; filename="vane-peg-trail.jsonl"',
        })
      },
    )

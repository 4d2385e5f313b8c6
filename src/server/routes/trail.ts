import { Hono } from 'hono'
import * as v from 'valibot'
import { checkTrail, latestOfTrail, sealTrail, trailRows } from '../db/trail'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { valid } from './answers'

const pageQuery = v.object({
  before: v.optional(v.pipe(v.string(), v.regex(/^\d{1,12}$/, 'expected an entry number'), v.transform(Number))),
})

/** Rows a page. */
const most = 40

/** Who changed what, in order. */
export const trailRoutes = ({ store: { db } }: Site) =>
  new Hono()
    .get(
      '/',
      describeOperation('Gets the audit trail, latest first, by page.', { 200: 'The rows.' }, [400]),
      valid('query', pageQuery),
      async (c) => {
        await sealTrail(db)
        return c.json(await latestOfTrail(db, { before: c.req.valid('query').before, most }), 200)
      },
    )
    .get(
      '/check',
      describeOperation('Verifies the chain of hashes of the audit trail.', {
        200: 'The number of valid entries, the last hash, and the first entry that does not fit.',
      }),
      async (c) => {
        await sealTrail(db)
        const { brokenAt, ...checked } = await checkTrail(trailRows(db))
        return c.json({ ...checked, brokenAt: brokenAt ?? null }, 200)
      },
    )
    .get(
      '/whole.jsonl',
      describeOperation('Exports the whole audit trail as JSON lines, oldest first.', {
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

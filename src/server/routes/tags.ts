import { Hono } from 'hono'
import { listLines } from '../db/lines'
import { describeOperation } from '../openapi'
import type { Site } from '../site'

/** A page of tags: each line's name and a code that opens its logbook. */
export const tagRoutes = ({ store: { db }, heavy }: Site) =>
  new Hono().get(
    '/lines.pdf',
    describeOperation('Prints machine tags whose codes open the logbooks.', {
      200: { says: 'The pages.', type: 'application/pdf' },
    }),
    async (c) => {
      const lines = (await listLines(db)).map(({ id, name, area }) => ({
        name,
        area,
        address: new URL(`/lines/${id}/logbook`, c.req.url).href,
      }))
      return c.body(new Uint8Array(await heavy.tags(lines)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': 'inline; filename="tags.pdf"',
      })
    },
  )

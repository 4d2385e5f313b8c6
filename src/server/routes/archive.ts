import { Hono } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { BadFile, bringIn, NoArchive } from '../archive/in'
import { bodyOf, describeOperation } from '../openapi'
import type { Site } from '../site'
import { refusal } from './answers'

/** The largest archive that is taken, bytes. */
const largest = 1024 * 1024 * 1024

/** The whole site in one file, out and in. */
export const archiveRoutes = ({ store, store: { db }, heavy }: Site) =>
  new Hono()
    .get(
      '/',
      describeOperation('Exports the whole site as one file in open formats.', {
        200: { says: 'The archive.', type: 'application/zip' },
      }),
      (c) => {
        const at = new Date().toISOString()
        return c.body(heavy.archive(store, at), 200, {
          'Content-Type': 'application/zip',
          'Content-Disposition': `attachment; filename="vane-peg-${at.slice(0, 10)}.zip"`,
        })
      },
    )
    .post(
      '/',
      describeOperation(
        'Imports an archive, all or nothing. Existing data is never changed.',
        { 200: 'What was added, what was identical and what differs.' },
        [400, 413, 415],
      ),
      bodyOf('application/zip'),
      bodyLimit({ maxSize: largest, onError: (c) => c.json(refusal('', 'Larger than 1 GB.'), 413) }),
      async (c) => {
        const { body } = c.req.raw
        if (!body) return c.json(refusal('', 'Send an archive.'), 400)
        try {
          const chunks = body as unknown as AsyncIterable<Uint8Array>
          return c.json(await bringIn(db, chunks, (job) => heavy.worked(job)), 200)
        } catch (error) {
          if (error instanceof NoArchive) return c.json(refusal('', error.message), 415)
          if (error instanceof BadFile) return c.json(refusal(error.file, error.message), 400)
          throw error
        }
      },
    )

import { Hono } from 'hono'
import * as v from 'valibot'
import { lineSchema } from '../../core/job/schema'
import { archiveLine, findLine, insertLine, listLines, updateLine } from '../db/lines'
import type { Store } from '../db/open'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'

const now = () => new Date().toISOString()

export const lineRoutes = ({ db }: Store) =>
  new Hono()
    .get('/', valid('query', archivedQuery), async (c) =>
      c.json(await listLines(db, c.req.valid('query').archived === 'yes')),
    )
    .post('/', valid('json', v.strictObject({ document: lineSchema })), async (c) =>
      c.json(await insertLine(db, crypto.randomUUID(), c.req.valid('json').document, now()), 201),
    )
    .get('/:id', valid('param', idParam), async (c) => {
      const line = await findLine(db, c.req.valid('param').id)
      return line ? c.json(line, 200) : c.json(refusal('id', 'There is no such line.'), 404)
    })
    .put(
      '/:id',
      valid('param', idParam),
      valid('json', v.strictObject({ version: v.pipe(v.number(), v.integer()), document: lineSchema })),
      async (c) => {
        const { id } = c.req.valid('param')
        const { version, document } = c.req.valid('json')
        const updated = await updateLine(db, id, version, document, now())
        if (updated) return c.json(updated, 200)
        const current = await findLine(db, id)
        if (!current) return c.json(refusal('id', 'There is no such line.'), 404)
        return c.json({ ...refusal('version', 'Somebody else changed this line meanwhile.'), current }, 409)
      },
    )
    .put('/:id/archived', valid('param', idParam), valid('json', archivedBody), async (c) => {
      const at = c.req.valid('json').archived ? now() : null
      const found = await archiveLine(db, c.req.valid('param').id, at)
      return found ? c.json(found, 200) : c.json(refusal('id', 'There is no such line.'), 404)
    })

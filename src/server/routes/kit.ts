import { Hono } from 'hono'
import * as v from 'valibot'
import { kitItemSchema } from '../../core/kit/schema'
import { archiveKit, findKit, insertKit, listKit, updateKit } from '../db/kit'
import type { Store } from '../db/open'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'

const now = () => new Date().toISOString()
const missing = refusal('id', 'There is no such piece of kit.')

export const kitRoutes = ({ db }: Store) =>
  new Hono()
    .get('/', valid('query', archivedQuery), async (c) =>
      c.json(await listKit(db, c.req.valid('query').archived === 'yes')),
    )
    .post('/', valid('json', v.strictObject({ document: kitItemSchema })), async (c) =>
      c.json(await insertKit(db, crypto.randomUUID(), c.req.valid('json').document, now()), 201),
    )
    .get('/:id', valid('param', idParam), async (c) => {
      const found = await findKit(db, c.req.valid('param').id)
      return found ? c.json(found, 200) : c.json(missing, 404)
    })
    .put(
      '/:id',
      valid('param', idParam),
      valid('json', v.strictObject({ version: v.pipe(v.number(), v.integer()), document: kitItemSchema })),
      async (c) => {
        const { id } = c.req.valid('param')
        const { version, document } = c.req.valid('json')
        const updated = await updateKit(db, id, version, document, now())
        if (updated) return c.json(updated, 200)
        const current = await findKit(db, id)
        if (!current) return c.json(missing, 404)
        return c.json({ ...refusal('version', 'Somebody else changed this meanwhile.'), current }, 409)
      },
    )
    .put('/:id/archived', valid('param', idParam), valid('json', archivedBody), async (c) => {
      const at = c.req.valid('json').archived ? now() : null
      const found = await archiveKit(db, c.req.valid('param').id, at)
      return found ? c.json(found, 200) : c.json(missing, 404)
    })

import { Hono } from 'hono'
import * as v from 'valibot'
import { anyKitSchema } from '../../core/job/migrate'
import { archiveKit, findKit, insertKit, listKit, updateKit } from '../db/kit'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'
import { editBody, newIdOf, notStored } from './edits'
import { storedKit } from './stored'

const now = () => new Date().toISOString()
const missing = refusal('id', 'Kit item not found.')

export const kitRoutes = ({ store: { db }, changes }: Site) =>
  new Hono()
    .get(
      '/',
      describeOperation(
        'Lists dials, brackets, heads, shims and limits.',
        { 200: { says: 'The pieces.', schema: v.array(storedKit) } },
        [400],
      ),
      valid('query', archivedQuery),
      async (c) => c.json(await listKit(db, c.req.valid('query').archived === 'yes')),
    )
    .post(
      '/',
      describeOperation(
        'Creates a kit item. Idempotent by id.',
        { 201: { says: 'The piece.', schema: storedKit } },
        [400],
      ),
      valid('json', v.strictObject({ id: newIdOf, document: anyKitSchema })),
      async (c) => {
        const { id, document } = c.req.valid('json')
        const made = await insertKit(db, id, document, now())
        if (made) changes.tell({ kind: 'kit', id, version: made.version })
        const found = made ?? (await findKit(db, id))
        if (!found) throw new Error('The item was not saved.')
        return c.json(found, 201)
      },
    )
    .get(
      '/:id',
      describeOperation('Gets a kit item.', { 200: { says: 'The kit item.', schema: storedKit } }, [404]),
      valid('param', idParam),
      async (c) => {
        const found = await findKit(db, c.req.valid('param').id)
        return found ? c.json(found, 200) : c.json(missing, 404)
      },
    )
    .put(
      '/:id',
      describeOperation(
        'Stores an edit of a kit item, made from a version.',
        { 200: { says: 'The kit item as stored.', schema: storedKit } },
        [400, 404, 409],
      ),
      valid('param', idParam),
      valid('json', editBody(anyKitSchema)),
      async (c) => {
        const { id } = c.req.valid('param')
        const sent = c.req.valid('json')
        const updated = await updateKit(db, id, { edit: undefined, ...sent, at: now() })
        if (updated) {
          changes.tell({ kind: 'kit', id, version: updated.version })
          return c.json(updated, 200)
        }
        const current = await findKit(db, id)
        return current ? notStored(c, current, sent) : c.json(missing, 404)
      },
    )
    .put(
      '/:id/archived',
      describeOperation(
        'Archives or restores a kit item.',
        { 200: { says: 'The kit item.', schema: storedKit } },
        [404],
      ),
      valid('param', idParam),
      valid('json', archivedBody),
      async (c) => {
        const at = c.req.valid('json').archived ? now() : null
        const found = await archiveKit(db, c.req.valid('param').id, at)
        if (found) changes.tell({ kind: 'kit', id: found.id, version: found.version })
        return found ? c.json(found, 200) : c.json(missing, 404)
      },
    )

import { Hono } from 'hono'
import * as v from 'valibot'
import { anyLineSchema } from '../../core/job/migrate'
import { jobsAlong, visitsJson } from '../db/jobs'
import { archiveLine, findLine, insertLine, insertLines, listLines, updateLine } from '../db/lines'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'
import { editBody, newIdOf, notStored } from './edits'
import { storedLine } from './stored'

const manyBody = v.strictObject({
  lines: v.pipe(
    v.array(v.strictObject({ id: newIdOf, document: anyLineSchema })),
    v.minLength(1),
    v.maxLength(500, 'at most 500 lines at once'),
  ),
})

const now = () => new Date().toISOString()

export const lineRoutes = ({ store: { db }, changes }: Site) =>
  new Hono()
    .get(
      '/',
      describeOperation(
        'Lists the lines by area and name, with their number of jobs.',
        { 200: { says: 'The lines.', schema: v.array(storedLine) } },
        [400],
      ),
      valid('query', archivedQuery),
      async (c) => c.json(await listLines(db, c.req.valid('query').archived === 'yes')),
    )
    .post(
      '/',
      describeOperation('Creates a line. Idempotent by id.', { 201: { says: 'The line.', schema: storedLine } }, [400]),
      valid('json', v.strictObject({ id: newIdOf, document: anyLineSchema })),
      async (c) => {
        const { id, document } = c.req.valid('json')
        const made = await insertLine(db, id, document, now())
        if (made) changes.tell({ kind: 'line', id, version: made.version })
        const found = made ?? (await findLine(db, id))
        if (!found) throw new Error('The line was not saved.')
        return c.json(found, 201)
      },
    )
    .post(
      '/many',
      describeOperation('Creates up to 500 lines, all or none.', { 201: 'How many were stored.' }, [400]),
      valid('json', manyBody),
      async (c) => {
        const made = await insertLines(db, c.req.valid('json').lines, now())
        for (const { id, version } of made) changes.tell({ kind: 'line', id, version })
        return c.json({ stored: made.length }, 201)
      },
    )
    .get(
      '/:id',
      describeOperation('Gets a line with its document.', { 200: { says: 'The line.', schema: storedLine } }, [404]),
      valid('param', idParam),
      async (c) => {
        const line = await findLine(db, c.req.valid('param').id)
        return line ? c.json(line, 200) : c.json(refusal('id', 'Line not found.'), 404)
      },
    )
    .get(
      '/:id/along',
      describeOperation(
        'Gets what a tablet saves offline of a line: its open jobs and the last one signed.',
        { 200: 'The line and the jobs.' },
        [404],
      ),
      valid('param', idParam),
      async (c) => {
        const { id } = c.req.valid('param')
        const line = await findLine(db, id)
        if (!line) return c.json(refusal('id', 'Line not found.'), 404)
        return c.json({ line, jobs: await jobsAlong(db, id) }, 200)
      },
    )
    .get(
      '/:id/logbook',
      describeOperation('Gets the logbook of a line.', { 200: 'Each visit, as found and as left.' }, [404]),
      valid('param', idParam),
      async (c) => {
        const { id } = c.req.valid('param')
        const visits = await visitsJson(db, id)
        if (visits === undefined) return c.json(refusal('id', 'Line not found.'), 404)
        return c.body(visits, 200, { 'Content-Type': 'application/json' })
      },
    )
    .put(
      '/:id',
      describeOperation(
        'Stores an edit of a line, made from a version.',
        { 200: { says: 'The line as stored.', schema: storedLine } },
        [400, 404, 409],
      ),
      valid('param', idParam),
      valid('json', editBody(anyLineSchema)),
      async (c) => {
        const { id } = c.req.valid('param')
        const sent = c.req.valid('json')
        const updated = await updateLine(db, id, { edit: undefined, ...sent, at: now() })
        if (updated) {
          changes.tell({ kind: 'line', id, version: updated.version })
          return c.json(updated, 200)
        }
        const current = await findLine(db, id)
        return current ? notStored(c, current, sent) : c.json(refusal('id', 'Line not found.'), 404)
      },
    )
    .put(
      '/:id/archived',
      describeOperation('Archives or restores a line.', { 200: { says: 'The line.', schema: storedLine } }, [404]),
      valid('param', idParam),
      valid('json', archivedBody),
      async (c) => {
        const at = c.req.valid('json').archived ? now() : null
        const found = await archiveLine(db, c.req.valid('param').id, at)
        if (found) changes.tell({ kind: 'line', id: found.id, version: found.version })
        return found ? c.json(found, 200) : c.json(refusal('id', 'Line not found.'), 404)
      },
    )

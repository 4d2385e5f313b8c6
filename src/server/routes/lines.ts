import { Hono } from 'hono'
import * as v from 'valibot'
import { anyLineSchema } from '../../core/job/migrate'
import { jobsAlong, jobsOfLine } from '../db/jobs'
import { archiveLine, findLine, insertLine, insertLines, listLines, updateLine } from '../db/lines'
import type { Site } from '../site'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'
import { editBody, newIdOf, notStored } from './edits'

const manyBody = v.strictObject({
  lines: v.pipe(
    v.array(v.strictObject({ id: newIdOf, document: anyLineSchema })),
    v.minLength(1),
    v.maxLength(500, 'at most 500 lines at once'),
  ),
})

const now = () => new Date().toISOString()

export const lineRoutes = ({ store: { db }, heavy, changes }: Site) =>
  new Hono()
    .get('/', valid('query', archivedQuery), async (c) =>
      c.json(await listLines(db, c.req.valid('query').archived === 'yes')),
    )
    .post('/', valid('json', v.strictObject({ id: newIdOf, document: anyLineSchema })), async (c) => {
      const { id, document } = c.req.valid('json')
      const made = await insertLine(db, id, document, now())
      if (made) changes.tell({ kind: 'line', id, version: made.version })
      const found = made ?? (await findLine(db, id))
      if (!found) throw new Error('Something new was not stored.')
      return c.json(found, 201)
    })
    .post('/many', valid('json', manyBody), async (c) => {
      const made = await insertLines(db, c.req.valid('json').lines, now())
      for (const { id, version } of made) changes.tell({ kind: 'line', id, version })
      return c.json({ stored: made.length }, 201)
    })
    .get('/:id', valid('param', idParam), async (c) => {
      const line = await findLine(db, c.req.valid('param').id)
      return line ? c.json(line, 200) : c.json(refusal('id', 'There is no such line.'), 404)
    })
    .get('/:id/along', valid('param', idParam), async (c) => {
      const { id } = c.req.valid('param')
      const line = await findLine(db, id)
      if (!line) return c.json(refusal('id', 'There is no such line.'), 404)
      return c.json({ line, jobs: await jobsAlong(db, id) }, 200)
    })
    .get('/:id/logbook', valid('param', idParam), async (c) => {
      const { id } = c.req.valid('param')
      if (!(await findLine(db, id))) return c.json(refusal('id', 'There is no such line.'), 404)
      const jobs = await jobsOfLine(db, id)
      const visits = await heavy.logbook(jobs.map(({ state, ...job }) => ({ ...job, signed: state === 'signed' })))
      return c.json(visits, 200)
    })
    .put('/:id', valid('param', idParam), valid('json', editBody(anyLineSchema)), async (c) => {
      const { id } = c.req.valid('param')
      const sent = c.req.valid('json')
      const updated = await updateLine(db, id, { edit: undefined, ...sent, at: now() })
      if (updated) {
        changes.tell({ kind: 'line', id, version: updated.version })
        return c.json(updated, 200)
      }
      const current = await findLine(db, id)
      return current ? notStored(c, current, sent) : c.json(refusal('id', 'There is no such line.'), 404)
    })
    .put('/:id/archived', valid('param', idParam), valid('json', archivedBody), async (c) => {
      const at = c.req.valid('json').archived ? now() : null
      const found = await archiveLine(db, c.req.valid('param').id, at)
      if (found) changes.tell({ kind: 'line', id: found.id, version: found.version })
      return found ? c.json(found, 200) : c.json(refusal('id', 'There is no such line.'), 404)
    })

import { Hono } from 'hono'
import * as v from 'valibot'
import { anyJobSchema } from '../../core/job/migrate'
import { archiveJob, findJob, insertJob, listJobs, overview, updateJob, visitsOfLine } from '../db/jobs'
import { findLine } from '../db/lines'
import { jobStates } from '../db/schema'
import type { Site } from '../site'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'
import { editBody, newIdOf, notStored } from './edits'

const now = () => new Date().toISOString()

const listQuery = v.object({
  search: v.optional(v.pipe(v.string(), v.maxLength(80))),
  state: v.optional(v.picklist(jobStates)),
  area: v.optional(v.pipe(v.string(), v.maxLength(80))),
  ...archivedQuery.entries,
  page: v.optional(v.pipe(v.string(), v.regex(/^\d{1,5}$/, 'expected a page number'), v.transform(Number)), '0'),
})

const newJob = v.strictObject({
  id: newIdOf,
  lineId: v.pipe(v.string(), v.maxLength(60)),
  document: anyJobSchema,
  dueOn: v.optional(v.pipe(v.string(), v.isoDate())),
})

const reportQuery = v.object({ unit: v.optional(v.picklist(['mm', 'mil']), 'mm'), round: v.optional(v.string()) })

export const jobRoutes = ({ store: { db }, heavy, changes }: Site) =>
  new Hono()
    .get('/', valid('query', listQuery), async (c) => {
      const { archived, ...query } = c.req.valid('query')
      return c.json(await listJobs(db, { ...query, archived: archived === 'yes' }))
    })
    .get('/overview', async (c) => c.json(await overview(db)))
    .post('/', valid('json', newJob), async (c) => {
      const { id, lineId, document, dueOn } = c.req.valid('json')
      if (!(await findLine(db, lineId))) return c.json(refusal('lineId', 'There is no such line.'), 404)
      const state = dueOn ? { state: 'due' as const, dueOn } : {}
      const summary = await heavy.summary(document)
      const made = await insertJob(db, { id, lineId, document, summary, at: now(), ...state })
      if (made) changes.tell({ kind: 'job', id, version: made.version })
      const job = made ?? (await findJob(db, id))
      if (!job) throw new Error('A job was not stored.')
      return c.json(job, 201)
    })
    .get('/:id', valid('param', idParam), async (c) => {
      const job = await findJob(db, c.req.valid('param').id)
      return job ? c.json(job, 200) : c.json(refusal('id', 'There is no such job.'), 404)
    })
    .put('/:id', valid('param', idParam), valid('json', editBody(anyJobSchema)), async (c) => {
      const { id } = c.req.valid('param')
      const sent = c.req.valid('json')
      const summary = await heavy.summary(sent.document)
      const updated = await updateJob(db, id, { edit: undefined, ...sent, at: now() }, summary)
      if (updated) {
        changes.tell({ kind: 'job', id, version: updated.version })
        return c.json(updated, 200)
      }
      const current = await findJob(db, id)
      if (!current) return c.json(refusal('id', 'There is no such job.'), 404)
      if (current.state === 'signed')
        return c.json(refusal('', 'This job is signed; nothing in it can be changed.'), 403)
      return notStored(c, current, sent)
    })
    .put('/:id/archived', valid('param', idParam), valid('json', archivedBody), async (c) => {
      const at = c.req.valid('json').archived ? now() : null
      const found = await archiveJob(db, c.req.valid('param').id, at)
      if (found) changes.tell({ kind: 'job', id: found.id, version: found.version })
      return found ? c.json(found, 200) : c.json(refusal('id', 'There is no such job.'), 404)
    })
    .get('/:id/visits', valid('param', idParam), async (c) => {
      const job = await findJob(db, c.req.valid('param').id)
      if (!job) return c.json(refusal('id', 'There is no such job.'), 404)
      return c.json(await visitsOfLine(db, job.lineId), 200)
    })
    .get('/:id/report.pdf', valid('param', idParam), valid('query', reportQuery), async (c) => {
      const job = await findJob(db, c.req.valid('param').id)
      if (!job) return c.json(refusal('id', 'There is no such job.'), 404)
      const { unit, round } = c.req.valid('query')
      return c.body(plain(await heavy.report(job, unit, round)), 200, pdfHeaders(job, ''))
    })
    .get('/:id/move.pdf', valid('param', idParam), valid('query', reportQuery), async (c) => {
      const job = await findJob(db, c.req.valid('param').id)
      if (!job) return c.json(refusal('id', 'There is no such job.'), 404)
      const { unit, round } = c.req.valid('query')
      const pdf = await heavy.moveSheet(job, unit, round)
      if (!pdf) return c.json(refusal('', 'There are no moves yet: not enough was read.'), 409)
      return c.body(plain(pdf), 200, pdfHeaders(job, ' moves'))
    })

/** The bytes of a page, whatever memory they came in. */
const plain = (bytes: Uint8Array) => new Uint8Array(bytes)

/** The file's name in plain letters for old programs, and as it is written for all others. */
function pdfHeaders({ lineName, number }: { lineName: string; number: number }, what: string) {
  const name = (text: string) =>
    `${text
      .replace(/[^\p{L}\p{N}_ ]+/gu, '')
      .trim()
      .replace(/ +/g, '-')}.pdf`
  const whole = name(`${lineName} job ${number}${what}`)
  const plain = name(`${lineName} job ${number}${what}`.normalize('NFD').replace(/[^\x20-\x7E]+/g, ''))
  return {
    'Content-Type': 'application/pdf',
    'Content-Disposition': `inline; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(whole)}`,
  }
}

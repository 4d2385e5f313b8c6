import { Hono } from 'hono'
import * as v from 'valibot'
import { anyJobSchema } from '../../core/job/migrate'
import type { AnyJob } from '../../core/kinds'
import {
  archiveJob,
  changeDue,
  findJob,
  insertJob,
  listJobs,
  overview,
  storeSummary,
  updateJob,
  visitsOfLine,
  visitsTo,
} from '../db/jobs'
import { listKit } from '../db/kit'
import { findLine } from '../db/lines'
import { picturesOf } from '../db/photographs'
import { findRevision, keepPdf, reopenJob, revisionsOf, signJob, siteSettings } from '../db/revisions'
import { jobStates } from '../db/schema'
import { describeOperation } from '../openapi'
import type { Site } from '../site'
import { archivedBody, archivedQuery, idParam, refusal, valid } from './answers'
import { editBody, newIdOf, notStored } from './edits'
import { signersOf } from './signers'
import { storedJob } from './stored'

const now = () => new Date().toISOString()

/** What is typed is stored without waiting longer than this for what a list shows of it, ms. */
const soon = 30

const inTime = <R>(work: Promise<R>): Promise<R | undefined> =>
  Promise.race([work, new Promise<undefined>((late) => setTimeout(() => late(undefined), soon))])

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

/** Somebody's name or initials. */
const who = v.pipe(v.string(), v.maxLength(40))
const because = v.pipe(v.string(), v.maxLength(300))

/** What signs somebody's act where the site has a door. */
const pin = v.optional(v.pipe(v.string(), v.maxLength(12)), '')

const signBody = v.strictObject({
  version: v.pipe(v.number(), v.integer()),
  doneBy: who,
  donePin: pin,
  checkedBy: who,
  checkedPin: pin,
  unit: v.picklist(['mm', 'mil']),
  accepted: v.pipe(v.array(v.strictObject({ key: v.pipe(v.string(), v.maxLength(120)), because })), v.maxLength(100)),
})

const dueBody = v.strictObject({
  dueOn: v.pipe(v.string(), v.isoDate('expected a day as YYYY-MM-DD')),
  assignedTo: who,
  by: v.pipe(who, v.trim(), v.nonEmpty('Enter your initials.')),
  because: v.pipe(because, v.trim(), v.nonEmpty('Enter the reason for the change.')),
})

const reopenBody = v.strictObject({
  by: v.pipe(who, v.trim(), v.nonEmpty('Enter who is reopening it.')),
  because: v.pipe(because, v.trim(), v.nonEmpty('Enter the reason for reopening.')),
  pin,
})

const revisionParam = v.strictObject({
  ...idParam.entries,
  number: v.pipe(v.string(), v.regex(/^\d{1,5}$/, 'expected a revision'), v.transform(Number)),
})

const noRevision = refusal('number', 'Revision not found.')
const changedMeanwhile = refusal('version', 'This job has changed. Review it, then sign.')

export const jobRoutes = ({ store: { db }, heavy, changes, door }: Site) => {
  /** What is known of a job's line over the years. */
  const lineOf = async ({ lineId }: { lineId: string }) => {
    const [line, visits] = await Promise.all([findLine(db, lineId), visitsTo(db, lineId)])
    return { logbook: line?.document.logbook, visits }
  }
  const wholeKit = async () => [...(await listKit(db)), ...(await listKit(db, true))]
  return new Hono()
    .get(
      '/',
      describeOperation(
        'Lists jobs, latest first, by page: filtered by words, state and area.',
        { 200: 'The rows, their number and the number of pages.' },
        [400],
      ),
      valid('query', listQuery),
      async (c) => {
        const { archived, ...query } = c.req.valid('query')
        return c.json(await listJobs(db, { ...query, archived: archived === 'yes' }))
      },
    )
    .get(
      '/overview',
      describeOperation('Counts jobs by state and lists the areas.', { 200: 'Counts and areas.' }),
      async (c) => c.json(await overview(db)),
    )
    .post(
      '/',
      describeOperation(
        'Creates a job on a line. Idempotent by id.',
        { 201: { says: 'The job.', schema: storedJob } },
        [400, 404],
      ),
      valid('json', newJob),
      async (c) => {
        const { id, lineId, document, dueOn } = c.req.valid('json')
        if (!(await findLine(db, lineId))) return c.json(refusal('lineId', 'Line not found.'), 404)
        const state = dueOn ? { state: 'due' as const, dueOn } : {}
        const worked = await heavy.worked(document)
        const made = await insertJob(db, { id, lineId, document, worked, at: now(), ...state })
        if (made) changes.tell({ kind: 'job', id, version: made.version })
        const job = made ?? (await findJob(db, id))
        if (!job) throw new Error('The job was not saved.')
        return c.json(job, 201)
      },
    )
    .get(
      '/:id',
      describeOperation('Gets a job with its document.', { 200: { says: 'The job.', schema: storedJob } }, [404]),
      valid('param', idParam),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        return job ? c.json(job, 200) : c.json(refusal('id', 'Job not found.'), 404)
      },
    )
    .put(
      '/:id',
      describeOperation(
        'Stores an edit of a job, made from a version.',
        { 200: { says: 'The job as stored.', schema: storedJob } },
        [400, 403, 404, 409],
      ),
      valid('param', idParam),
      valid('json', editBody(anyJobSchema)),
      async (c) => {
        const { id } = c.req.valid('param')
        const sent = c.req.valid('json')
        const working = heavy.worked(sent.document)
        const worked = await inTime(working)
        const stored = await updateJob(db, id, { edit: undefined, ...sent, at: now() }, worked)
        if (stored) {
          const { job: updated, line } = stored
          const { version } = updated
          changes.tell({ kind: 'job', id, version })
          if (line) changes.tell({ kind: 'line', ...line })
          // what lists show of it follows, and is told when it is there
          if (!worked)
            void working
              .then((late) => storeSummary(db, { id, version, document: sent.document }, late))
              .then(() => changes.tell({ kind: 'job', id, version }))
              .catch(() => undefined)
          return c.json(updated, 200)
        }
        const current = await findJob(db, id)
        if (!current) return c.json(refusal('id', 'Job not found.'), 404)
        if (current.state === 'signed') return c.json(refusal('', 'This job is signed and locked.'), 403)
        return notStored(c, current, sent)
      },
    )
    .put(
      '/:id/archived',
      describeOperation('Archives or restores a job.', { 200: { says: 'The job.', schema: storedJob } }, [404]),
      valid('param', idParam),
      valid('json', archivedBody),
      async (c) => {
        const at = c.req.valid('json').archived ? now() : null
        const found = await archiveJob(db, c.req.valid('param').id, at)
        if (found) changes.tell({ kind: 'job', id: found.id, version: found.version })
        return found ? c.json(found, 200) : c.json(refusal('id', 'Job not found.'), 404)
      },
    )
    .get(
      '/:id/visits',
      describeOperation(
        'Lists the jobs on the same line, latest first.',
        { 200: 'The jobs, without their documents.' },
        [404],
      ),
      valid('param', idParam),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        return c.json(await visitsOfLine(db, job.lineId), 200)
      },
    )
    .get(
      '/:id/report.pdf',
      describeOperation('Prints a round.', { 200: { says: 'The page.', type: 'application/pdf' } }, [404]),
      valid('param', idParam),
      valid('query', reportQuery),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        const { unit, round } = c.req.valid('query')
        return c.body(plain(await heavy.report(job, unit, round)), 200, pdfHeaders(job, ''))
      },
    )
    .get(
      '/:id/record.pdf',
      describeOperation(
        'Prints the current record, unsigned.',
        { 200: { says: 'The page.', type: 'application/pdf' } },
        [404],
      ),
      valid('param', idParam),
      valid('query', reportQuery),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        const { number, document } = job
        const site = await siteSettings(db)
        const pictures = await picturesOf(db, picturesIn(document, site))
        const draft = { number, document, site, kit: await wholeKit(), pictures, line: await lineOf(job) }
        return c.body(plain(await heavy.draft(draft, c.req.valid('query').unit)), 200, pdfHeaders(job, ' record'))
      },
    )
    .get(
      '/:id/sheet.pdf',
      describeOperation(
        'Prints an empty reading sheet.',
        { 200: { says: 'The page.', type: 'application/pdf' } },
        [404],
      ),
      valid('param', idParam),
      valid('query', reportQuery),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        const { unit, round } = c.req.valid('query')
        const { number, document } = job
        const pdf = await heavy.sheet({ number, document, site: await siteSettings(db) }, round, unit)
        return c.body(plain(pdf), 200, pdfHeaders(job, ' reading sheet'))
      },
    )
    .get(
      '/:id/revisions',
      describeOperation(
        'Lists signed revisions, latest first.',
        { 200: 'The revisions, without their content.' },
        [404],
      ),
      valid('param', idParam),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        return c.json(await revisionsOf(db, job.id), 200)
      },
    )
    .get(
      '/:id/revisions/:number',
      describeOperation('Gets a signed revision, byte for byte.', { 200: 'The sealed revision.' }, [404]),
      valid('param', revisionParam),
      async (c) => {
        const { id, number } = c.req.valid('param')
        const found = await findRevision(db, id, number)
        if (!found) return c.json(noRevision, 404)
        return c.body(`${found.content}\n`, 200, { 'Content-Type': 'application/json' })
      },
    )
    .get(
      '/:id/revisions/:number/record.pdf',
      describeOperation(
        'Gets the printed record of a revision.',
        { 200: { says: 'The page.', type: 'application/pdf' } },
        [404],
      ),
      valid('param', revisionParam),
      async (c) => {
        const { id, number } = c.req.valid('param')
        const [job, found] = await Promise.all([findJob(db, id), findRevision(db, id, number)])
        if (!job || !found) return c.json(noRevision, 404)
        const made = async () => {
          const { document, site } = JSON.parse(found.content)
          return heavy.record(found.content, await picturesOf(db, picturesIn(document, site)))
        }
        const pdf = found.pdf ?? (await made())
        if (!found.pdf) await keepPdf(db, id, number, pdf)
        return c.body(plain(pdf), 200, pdfHeaders(job, ` record ${number}`))
      },
    )
    .put(
      '/:id/due',
      describeOperation(
        'Changes the due date or assignee of a job, with the reason.',
        { 200: { says: 'The job.', schema: storedJob } },
        [400, 409],
      ),
      valid('param', idParam),
      valid('json', dueBody),
      async (c) => {
        const { id } = c.req.valid('param')
        const { by, because, ...change } = c.req.valid('json')
        const changed = await changeDue(db, id, { ...change, dueBy: by, dueBecause: because })
        if (!changed) return c.json(refusal('', 'This job is not due: already started, or not found.'), 409)
        changes.tell({ kind: 'job', id, version: changed.version })
        return c.json(changed, 200)
      },
    )
    .post(
      '/:id/sign',
      describeOperation(
        'Signs and locks a job.',
        { 200: { says: 'The job.', schema: storedJob } },
        [400, 403, 404, 409, 422, 429],
      ),
      valid('param', idParam),
      valid('json', signBody),
      async (c) => {
        const { id } = c.req.valid('param')
        const { version, donePin, checkedPin, ...ask } = c.req.valid('json')
        const job = await findJob(db, id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        if (job.state === 'signed') return c.json(refusal('', 'This job is signed already.'), 409)
        if (job.version !== version) return c.json(changedMeanwhile, 409)
        const [last] = await revisionsOf(db, id)
        const revision = (last?.number ?? 0) + 1
        const at = now()
        const { number, document } = job
        const site = await siteSettings(db)
        const stands = await signersOf(
          c,
          door,
          [
            { path: 'donePin', initials: ask.doneBy, pin: donePin },
            ...(ask.checkedBy.trim() ? [{ path: 'checkedPin', initials: ask.checkedBy, pin: checkedPin }] : []),
          ],
          'millwright',
        )
        if (stands instanceof Response) return stands
        const [done, checked] = stands
        const accounts = done && { doneBy: done.name, ...(checked ? { checkedBy: checked.name } : {}) }
        const outcome = await heavy.sign(
          {
            id,
            number,
            revision,
            at,
            document,
            site,
            kit: await wholeKit(),
            pictures: await picturesOf(db, picturesIn(document, site)),
            line: await lineOf(job),
          },
          accounts ? { ...ask, accounts } : ask,
        )
        if (!outcome.ok) return c.json(refusal(outcome.path, outcome.message), 422)
        const { content, sha256, pdf } = outcome
        const who = { doneBy: ask.doneBy.trim(), checkedBy: ask.checkedBy.trim(), signedAt: at }
        const signed = await signJob(db, { jobId: id, version, number: revision, content, sha256, pdf, ...who })
        if (!signed) return c.json(changedMeanwhile, 409)
        changes.tell({ kind: 'job', id, version: signed.version })
        return c.json(signed, 200)
      },
    )
    .post(
      '/:id/reopen',
      describeOperation(
        'Reopens a signed job, with the reason.',
        { 200: { says: 'The job.', schema: storedJob } },
        [400, 403, 409, 429],
      ),
      valid('param', idParam),
      valid('json', reopenBody),
      async (c) => {
        const { id } = c.req.valid('param')
        const { pin: typed, ...asked } = c.req.valid('json')
        const stands = await signersOf(c, door, [{ path: 'pin', initials: asked.by, pin: typed }], 'planner')
        if (stands instanceof Response) return stands
        const opened = await reopenJob(db, { jobId: id, ...asked, at: now() })
        if (!opened) return c.json(refusal('', 'This job is not signed.'), 409)
        changes.tell({ kind: 'job', id, version: opened.version })
        return c.json(opened, 200)
      },
    )
    .get(
      '/:id/move.pdf',
      describeOperation('Prints the move sheet.', { 200: { says: 'The page.', type: 'application/pdf' } }, [404, 409]),
      valid('param', idParam),
      valid('query', reportQuery),
      async (c) => {
        const job = await findJob(db, c.req.valid('param').id)
        if (!job) return c.json(refusal('id', 'Job not found.'), 404)
        const { unit, round } = c.req.valid('query')
        const pdf = await heavy.moveSheet(job, unit, round)
        if (!pdf) return c.json(refusal('', 'No moves yet: not enough readings.'), 409)
        return c.body(plain(pdf), 200, pdfHeaders(job, ' moves'))
      },
    )
}

/** The pictures that are printed with a job: its own, and the site's mark. */
const picturesIn = (document: Pick<AnyJob, 'photographs'>, { mark }: { mark?: string }): string[] => [
  ...(document.photographs ?? []).map(({ id }) => id),
  ...(mark ? [mark] : []),
]

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

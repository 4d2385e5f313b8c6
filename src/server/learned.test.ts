import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { jobFrom } from '../core/job/make'
import { type AnyJob, type AnyLine, type KindName, kindNames, kindOf } from '../core/kinds'
import { differences, withValue } from '../core/merge/merge'
import { migrations } from '../testing/plant'
import { makeApp } from './app'
import { openStore, type Store } from './db/open'
import { siteOf } from './site'

let folder: string
let store: Store
let app: ReturnType<typeof makeApp>

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  store = await openStore(join(folder, 'site.db'), migrations)
  app = makeApp(siteOf(store), { pageFolder: folder, log: pino({ level: 'silent' }) })
})
afterEach(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const ask = async (path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST') => {
  const response = await app.request(`/api${path}`, {
    method,
    ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
  })
  return { status: response.status, body: await response.json() }
}

/** The first typed number of a line, wherever its kind has it. */
function numberIn(value: unknown, path: readonly string[] = []): readonly string[] | undefined {
  if (Array.isArray(value))
    return value.map((one) => numberIn(one, [...path, one?.id ?? ''])).find((found) => found !== undefined)
  if (typeof value !== 'object' || value === null) return undefined
  if ('text' in value && 'unit' in value) return path
  return Object.entries(value)
    .map(([key, inside]) => numberIn(inside, [...path, key]))
    .find((found) => found !== undefined)
}

/** What each kind's own form asks of a new line. */
const parts: Readonly<Record<KindName, readonly string[]>> = {
  train: ['motor', 'pump'],
  upright: ['Pump', 'Motor'],
  belt: ['Fan', 'Motor'],
  bore: ['3'],
  rolls: ['4'],
}

/** A line of a kind with nothing on it, and two jobs begun on it. */
async function begun(kind: KindName) {
  const of = kindOf({ kind })
  const line = { ...of.makeLine('', 'mm', parts[kind]), name: '' } as AnyLine
  const { body } = await ask('/lines', { id: 'line-one', document: line })
  for (const id of ['job-one', 'job-two']) await ask('/jobs', { id, lineId: body.id, document: begin(line) })
  return {
    line: async (): Promise<AnyLine> => (await ask('/lines/line-one')).body.document,
    sources: async () => (await ask('/lines/line-one')).body.sources,
    job: async (id = 'job-one') => (await ask(`/jobs/${id}`)).body as { version: number; document: AnyJob },
    edit: async (change: (job: AnyJob) => AnyJob, id = 'job-one') => {
      const { body: now } = await ask(`/jobs/${id}`)
      return ask(
        `/jobs/${id}`,
        { version: now.version, document: change(now.document), edit: `edit-${Math.random()}`.replace('.', '') },
        'PUT',
      )
    },
  }
}

const begin = (line: AnyLine): AnyJob =>
  jobFrom(line, kindOf(line).makeRound(line, '2026-12-01T08:00:00.000Z', 'mm'), 'Alignment') as AnyJob

/** A line as its own document has it; a job's copy does not say its shape. */
const whole = (line: AnyLine): AnyLine => ({ ...line, shape: 2 })

const typed = (text: string) => ({ text, unit: 'mm' })

describe.each(kindNames)('what a job learns about its line: %s', (kind) => {
  it('is the line’s at once: its name, a dimension; other jobs and lists have it, and taking it back takes it back', async () => {
    const { line, job, edit, sources } = await begun(kind)
    const place = numberIn(await line())
    if (!place) throw new Error('This kind has no dimension.')
    const set = (text: string) => (now: AnyJob) => ({ ...now, line: withValue(now.line, place, typed(text)) })
    expect((await edit((now) => ({ ...now, line: { ...now.line, name: 'Rinse pump 9' } }))).status).toBe(200)
    expect((await edit(set('440'))).status).toBe(200)
    const { document: first } = await job()
    expect(differences(whole(first.line), await line())).toEqual([])
    expect((await line()).name).toBe('Rinse pump 9')
    expect((await ask('/lines')).body[0]).toMatchObject({ name: 'Rinse pump 9' })
    expect((await sources())[JSON.stringify(place)]).toMatchObject({ job: 1, value: typed('440') })
    // the other open job has what it was begun with: it is asked in the page
    const { document: other } = await job('job-two')
    expect(differences(whole(other.line), await line()).map(({ path }) => path)).toEqual(
      expect.arrayContaining([['name'], place]),
    )
    // a change there of something else leaves this one alone, and the other way round
    await edit((now) => ({ ...now, line: { ...now.line, area: 'Wash plant' } }), 'job-two')
    expect(await line()).toMatchObject({ name: 'Rinse pump 9', area: 'Wash plant' })
    await edit(set(''))
    expect(numberIn(await line())).toEqual(place)
    expect(differences(await line(), whole(first.line)).map(({ path }) => path)).toEqual(
      expect.arrayContaining([['area'], place]),
    )
  })

  it('an edit of anything else leaves the line as it is', async () => {
    const { edit } = await begun(kind)
    const { version } = (await ask('/lines/line-one')).body
    await edit((now) => ({ ...now, title: 'Alignment' }))
    await edit((now) => now)
    expect((await ask('/lines/line-one')).body.version).toBe(version)
  })

  it('an edit that is refused teaches nothing, and one that is sent twice teaches once', async () => {
    const { line, job, edit } = await begun(kind)
    const before = await job()
    await edit((now) => ({ ...now, title: 'Alignment' }))
    const renamed = { ...before.document, line: { ...before.document.line, name: 'Late' } }
    const late = { version: before.version, document: renamed, edit: 'edit-late' }
    expect((await ask('/jobs/job-one', late, 'PUT')).status).toBe(409)
    expect((await line()).name).toBe('')
    const now = await job()
    const sent = { ...late, version: now.version, document: { ...now.document, line: renamed.line } }
    expect((await ask('/jobs/job-one', sent, 'PUT')).status).toBe(200)
    const { version } = (await ask('/lines/line-one')).body
    expect((await ask('/jobs/job-one', sent, 'PUT')).status).toBe(200)
    expect((await ask('/lines/line-one')).body).toMatchObject({ name: 'Late', version })
  })
})

it('ten jobs that change ten places of one line at the same moment lose none of them', async () => {
  const { line, edit, job } = await begun('train')
  const checks = Array.from({ length: 10 }, (_, i) => ({ id: `check-${i}`, text: `Check ${i}` }))
  const model = begin(await line())
  for (const { id } of checks) await ask('/jobs', { id: `job-${id}`, lineId: 'line-one', document: model })
  expect((await job()).document.line.checks).toBeUndefined()
  await Promise.all(
    checks.map((check) => edit((job) => ({ ...job, line: { ...job.line, checks: [check] } }), `job-${check.id}`)),
  )
  expect((await line()).checks?.map(({ id }) => id).sort()).toEqual(checks.map(({ id }) => id))
})

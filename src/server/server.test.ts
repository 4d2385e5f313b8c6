import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createClient } from '@libsql/client'
import fc from 'fast-check'
import { pino } from 'pino'
import * as v from 'valibot'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { coreVersion } from '../core/job/summary'
import { jobSchema } from '../core/kinds/train/document/schema'
import { anythingLike, tries } from '../testing/anything'
import { migrations, openPlant } from '../testing/plant'
import { makeApp } from './app'
import { openStore, type Store } from './db/open'
import { keepAlive, listen, stopListening } from './listen'
import { siteOf } from './site'
import { type Heavy, here } from './workers/work'

let folder: string
let store: Store
let app: ReturnType<typeof makeApp>

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  store = await openPlant(join(folder, 'site', 'test.db'))
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

describe('whatever is left in the fields of a job', () => {
  it('is stored, summed up and printed', async () => {
    const demo = (await store.db.query.jobs.findMany()).filter(({ state }) => state !== 'signed')
    const any = fc
      .nat(demo.length - 1)
      .chain((i) => fc.tuple(fc.constant(demo[i]!.id), anythingLike(jobSchema, demo[i]!.document, 20)))
    let n = 0
    await fc.assert(
      fc.asyncProperty(any, async ([id, document]) => {
        fc.pre(v.safeParse(jobSchema, document).success)
        const { body: now } = await ask(`/jobs/${id}`)
        expect(await ask(`/jobs/${id}`, { version: now.version, document }, 'PUT')).toMatchObject({ status: 200 })
        if (n++ % 4) return
        for (const page of ['report.pdf', 'move.pdf', 'record.pdf'])
          expect((await app.request(`/api/jobs/${id}/${page}`)).status).toBeLessThan(500)
      }),
      tries(8, 400),
    )
    expect((await ask('/jobs')).status).toBe(200)
  })
})

describe('jobs', () => {
  it('are listed latest first, searched by words and filtered', async () => {
    const all = await ask('/jobs')
    expect(all.body.total).toBe(46)
    expect(all.body.rows[0]).toMatchObject({
      lineName: 'Rinse pump 3',
      summary: { listed: { next: { kind: 'not-closed' } } },
    })
    expect(all.body.rows[0].document).toBeUndefined()
    expect((await ask('/jobs?search=walrus')).body.total).toBe(0)
    expect((await ask('/jobs?search=pump%20wash&state=signed')).body.total).toBe(10)
    expect((await ask('/jobs?search=100%25')).body.total).toBe(0)
    expect((await ask('/jobs?search=_')).body.total).toBe(0)
    expect((await ask('/jobs?search=job%2014')).body.rows.map(({ number }: { number: number }) => number)).toEqual([14])
    expect((await ask('/jobs?search=14')).body.total).toBeGreaterThanOrEqual(1)
    expect((await ask('/jobs/overview')).body).toMatchObject({ states: { due: 2, 'in-hand': 21, signed: 23 } })
  })
  it('are found by the initials of whoever worked on them, and % and _ are letters', async () => {
    const { body: job } = await ask('/jobs/job-6')
    const { rounds } = job.document
    const document = { ...job.document, title: 'At 100 %_ load', doneBy: 'QZ', rounds: [{ ...rounds[0], by: 'XJ' }] }
    await ask('/jobs/job-6', { version: job.version, document }, 'PUT')
    for (const search of ['qz', 'XJ', '%25_', '100 %25'])
      expect((await ask(`/jobs?search=${search}`)).body.rows.map(({ id }: { id: string }) => id)).toEqual(['job-6'])
    expect((await ask('/jobs?search=%25%25')).body.total).toBe(0)
  })
  it('are put away and brought back, and nothing of them is lost', async () => {
    const { body: before } = await ask('/jobs/job-6')
    const { total } = (await ask('/jobs')).body
    expect((await ask('/jobs/job-6/archived', { archived: true }, 'PUT')).status).toBe(200)
    expect((await ask('/jobs')).body.total).toBe(total - 1)
    expect((await ask('/jobs/overview')).body.archived).toBe(1)
    expect((await ask('/jobs?archived=yes')).body.rows.map(({ id }: { id: string }) => id)).toEqual(['job-6'])
    expect((await ask('/jobs/job-6')).body).toEqual({ ...before, archivedAt: expect.any(String) })
    await ask('/jobs/job-6/archived', { archived: false }, 'PUT')
    expect((await ask('/jobs/job-6')).body).toEqual(before)
    expect((await ask('/jobs/none/archived', { archived: true }, 'PUT')).status).toBe(404)
    expect((await ask('/jobs/job-6/archived', { archived: 'x' }, 'PUT')).body.error.path).toBe('archived')
  })
  it('take an edit from the version it was made from, and only from that', async () => {
    const { body: job } = await ask('/jobs/job-6')
    const edited = { ...job.document, note: 'seen' }
    const first = await ask('/jobs/job-6', { version: job.version, document: edited }, 'PUT')
    expect(first).toMatchObject({ status: 200, body: { version: job.version + 1 } })
    const late = await ask('/jobs/job-6', { version: job.version, document: job.document }, 'PUT')
    expect(late).toMatchObject({
      status: 409,
      body: { current: { version: job.version + 1, document: { note: 'seen' } } },
    })
  })
  it('are in hand once worked on, and frozen once signed', async () => {
    const { body: due } = await ask('/jobs/job-7')
    expect((await ask('/jobs/job-7', { version: due.version, document: due.document }, 'PUT')).body.state).toBe(
      'in-hand',
    )
    const { body: signed } = await ask('/jobs/job-1')
    const refused = await ask('/jobs/job-1', { version: signed.version, document: signed.document }, 'PUT')
    expect(refused).toMatchObject({ status: 403, body: { error: { message: expect.stringContaining('signed') } } })
  })
  it('keep their own copy of the line', async () => {
    const { body: line } = await ask('/lines/line-1')
    await ask('/lines/line-1', { version: line.version, document: { ...line.document, name: 'Renamed' } }, 'PUT')
    expect((await ask('/jobs/job-2')).body.document.line.name).toBe('Rinse pump 3')
    const { body: made } = await ask('/jobs', { lineId: 'line-1', document: (await ask('/jobs/job-7')).body.document })
    expect(made).toMatchObject({ number: 47, state: 'in-hand', version: 1 })
  })
  it('print', async () => {
    const pdf = await app.request('/api/jobs/job-3/report.pdf?unit=mil')
    expect(pdf.headers.get('content-type')).toBe('application/pdf')
    expect(
      Buffer.from(await pdf.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-')
  })
  it.each(['job-18', 'job-19'])('print what is to be moved, by the planner where that is asked for: %s', async (id) => {
    const pdf = await app.request(`/api/jobs/${id}/move.pdf?unit=mm`)
    expect(pdf.headers.get('content-type')).toBe('application/pdf')
    expect(pdf.headers.get('content-disposition')).toContain('-moves.pdf')
    const bytes = Buffer.from(await pdf.arrayBuffer())
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-')
    expect(bytes.includes('/Helvetica')).toBe(false)
  })
  it('print no moves where nothing was read', async () => {
    expect(await ask('/jobs/job-7/move.pdf')).toMatchObject({
      status: 409,
      body: { error: { message: expect.stringContaining('not enough readings') } },
    })
    expect((await ask('/jobs/none/move.pdf')).status).toBe(404)
  })
  it('name the visits of their line, the latest first', async () => {
    const { body } = await ask('/jobs/job-6/visits')
    expect(body.map(({ id }: { id: string }) => id)).toContain('job-2')
    expect(body[0]).toMatchObject({ title: expect.any(String), number: expect.any(Number), rounds: expect.any(Number) })
    expect((await ask('/jobs/none/visits')).status).toBe(404)
  })
})

describe('lines', () => {
  it('are drawn, listed and edited from the version they were read at', async () => {
    const { body: known } = await ask('/lines/line-2')
    const made = await ask('/lines', { document: { ...known.document, name: 'Spare train' } })
    expect(made).toMatchObject({ status: 201, body: { name: 'Spare train', version: 1 } })
    expect((await ask('/lines')).body.map((line: { name: string }) => line.name)).toContain('Spare train')
    const path = `/lines/${made.body.id}`
    const edited = { version: 1, document: { ...made.body.document, area: 'Store' } }
    expect(await ask(path, edited, 'PUT')).toMatchObject({ status: 200, body: { version: 2, area: 'Store' } })
    expect(await ask(path, edited, 'PUT')).toMatchObject({ status: 409, body: { current: { version: 2 } } })
    await ask('/lines/line-1/archived', { archived: true }, 'PUT')
    expect((await ask('/lines')).body.map(({ id }: { id: string }) => id)).not.toContain('line-1')
    expect((await ask('/lines?archived=yes')).body).toMatchObject([{ id: 'line-1', jobs: expect.any(Number) }])
    expect((await ask('/jobs/job-2')).status).toBe(200)
    expect((await ask('/lines/none/archived', { archived: true }, 'PUT')).status).toBe(404)
    const broken = { version: 2, document: { ...made.body.document, machines: [] } }
    expect(await ask(path, broken, 'PUT')).toMatchObject({
      status: 400,
      body: { error: { path: 'document.machines' } },
    })
  })
})

describe('bad requests', () => {
  it('are told by path, in one shape', async () => {
    const { body: job } = await ask('/jobs/job-6')
    const broken = structuredClone(job.document)
    broken.rounds[0].sets[0].probes[1].readings.a90.turns = 0.5
    const refused = await ask('/jobs/job-6', { version: job.version, document: broken }, 'PUT')
    expect(refused).toMatchObject({
      status: 400,
      body: { error: { path: 'document.rounds.0.sets.0.probes.1.readings.a90.turns' } },
    })
    expect(await ask('/jobs/none')).toMatchObject({ status: 404, body: { error: { path: 'id' } } })
    expect(await ask('/lines/none')).toMatchObject({ status: 404 })
    expect(await ask('/nowhere')).toMatchObject({ status: 404, body: { error: { message: expect.any(String) } } })
    expect(await ask('/jobs?page=x')).toMatchObject({ status: 400, body: { error: { path: 'page' } } })
    expect(await ask('/jobs', { lineId: 'none', document: job.document })).toMatchObject({ status: 404 })
  })
  it('of the solver name the field', async () => {
    expect(await ask('/solve', { format: 'vane-peg.survey', version: 2 })).toMatchObject({
      status: 400,
      body: { error: { path: 'version' } },
    })
    expect((await app.request('/api/solve', { method: 'POST', body: '{' })).status).toBe(415)
    const headers = { 'Content-Type': 'application/json' }
    const response = await app.request('/api/solve', { headers, method: 'POST', body: '{' })
    expect(response.status).toBe(400)
  })
})

describe('the page', () => {
  beforeEach(() => {
    mkdirSync(join(folder, 'assets'))
    writeFileSync(join(folder, 'assets', 'screen-1.js'), 'export {}')
    writeFileSync(join(folder, 'assets', 'worker-1.js'), 'export {}')
    writeFileSync(join(folder, 'index.html'), '<meta nonce="%NONCE%"><title>Vane Peg</title>')
  })
  it('is served at every address of a screen', async () => {
    const page = await app.request('/jobs/job-2/moves')
    const [, nonce] = /style-src 'self' 'nonce-([^']+)'/.exec(page.headers.get('content-security-policy') ?? '') ?? []
    expect([page.status, await page.text()]).toEqual([200, `<meta nonce="${nonce}"><title>Vane Peg</title>`])
    expect(page.headers.get('content-security-policy')).not.toContain('unsafe-inline')
    // another answer, another nonce
    expect(await (await app.request('/')).text()).not.toContain(nonce)
  })
  it('has an id with every answer, the one of a proxy in front where there is one, and in what went wrong', async () => {
    const given = await app.request('/api/health', { headers: { 'X-Request-Id': 'from-the-proxy' } })
    expect(given.headers.get('x-request-id')).toBe('from-the-proxy')
    expect((await app.request('/api/health')).headers.get('x-request-id')).toMatch(/^[\w-]{20,}$/)
  })
  it('counts what it was asked by kind of address, and nothing of what was asked', async () => {
    await app.request('/api/jobs/secret-id')
    await app.request('/api/nothing/here')
    await app.request('/assets/screen-1.js')
    for (const at of ['/metrics', '/api/metrics']) {
      const told = await app.request(at)
      expect(told.headers.get('content-type')).toContain('text/plain')
      const text = await told.text()
      expect(text).toContain('vane_peg_request_seconds_count{method="GET",route="/api/jobs/:id",status="404"} 1')
      expect(text).toContain('route="none",status="404"} 1')
      expect(text).toContain('route="asset",status="200"} 1')
      expect(text).toContain('vane_peg_process_resident_memory_bytes')
      expect(text).not.toContain('secret-id')
    }
  })
  it('is ready while its data can be reached', async () => {
    expect((await app.request('/api/ready')).status).toBe(200)
    const lost = {
      ...store,
      client: { execute: () => Promise.reject(new Error('gone')) } as never,
      db: undefined as never,
    }
    const cut = makeApp(siteOf(lost), { pageFolder: folder, log: pino({ level: 'silent' }) })
    const not = await cut.request('/api/ready')
    expect([not.status, not.headers.get('retry-after')]).toEqual([503, '5'])
    const wrong = await cut.request('/api/jobs')
    expect(wrong.status).toBe(500)
    const id = wrong.headers.get('x-request-id') ?? ''
    expect((await wrong.json()).error.message).toContain(`(request ${id})`)
  })
  it('keeps its chunks for a year, and never in place of one that is gone', async () => {
    const there = await app.request('/assets/screen-1.js')
    expect([there.status, there.headers.get('cache-control')]).toEqual([200, expect.stringContaining('immutable')])
    // what a page may do is said by the page and by its workers, not again with every chunk
    expect(there.headers.get('x-content-type-options')).toBe('nosniff')
    expect(there.headers.get('content-security-policy')).toBeNull()
    const worker = await app.request('/assets/worker-1.js')
    expect(worker.headers.get('content-security-policy')).toContain("'wasm-unsafe-eval'")
    const gone = await app.request('/assets/screen-0.js')
    expect([gone.status, gone.headers.get('cache-control')]).toEqual([404, 'no-store'])
    expect(await gone.text()).not.toContain('<title>')
  })
  it('answers what it was asked before it stops, and takes nothing more', async () => {
    let asked = () => {}
    const begun = new Promise<void>((go) => {
      asked = go
    })
    const slow = {
      fetch: async () => {
        asked()
        await new Promise((go) => setTimeout(go, 200))
        return new Response('stored')
      },
    }
    const { server, port } = await listen(slow as never, { port: 0, host: '127.0.0.1' })
    const answer = fetch(`http://127.0.0.1:${port}/`).then((response) => response.text())
    await begun
    await stopListening(server)
    expect(await answer).toBe('stored')
    await expect(fetch(`http://127.0.0.1:${port}/`)).rejects.toThrow()
  })
  it('hangs up on whoever is never done', async () => {
    const stuck = { fetch: () => new Promise<Response>(() => {}) }
    const { server, port } = await listen(stuck as never, { port: 0, host: '127.0.0.1' })
    const answer = fetch(`http://127.0.0.1:${port}/`).then(
      () => 'answered',
      () => 'hung up',
    )
    await new Promise((go) => setTimeout(go, 100))
    await stopListening(server, 100)
    expect(await answer).toBe('hung up')
  })
  it('is listened for on connections that outlive the browser’s use of them', async () => {
    const { server, port } = await listen(app as never, { port: 0, host: '127.0.0.1' })
    expect(server).toMatchObject({ keepAliveTimeout: keepAlive })
    expect(keepAlive).toBeGreaterThan(5 * 60_000)
    const response = await fetch(`http://127.0.0.1:${port}/api/health`)
    expect(response.headers.get('keep-alive')).toBe(`timeout=${keepAlive / 1000}`)
    await new Promise((closed) => {
      server.close(closed)
      ;(server as import('node:http').Server).closeAllConnections()
    })
  })
})

describe('the kit', () => {
  it('is listed, added to, changed by version and taken out of', async () => {
    const all = await ask('/kit')
    expect(all.body).toHaveLength(14)
    const dial = all.body.find((item: { name: string }) => item.name === 'Dial K1')
    const renamed = { version: dial.version, document: { ...dial.document, name: 'Dial K9' } }
    const put = await ask(`/kit/${dial.id}`, renamed, 'PUT')
    expect(put).toMatchObject({ status: 200, body: { name: 'Dial K9', version: dial.version + 1 } })
    const late = await ask(`/kit/${dial.id}`, renamed, 'PUT')
    expect(late).toMatchObject({ status: 409, body: { current: { name: 'Dial K9' } } })
    const bad = await ask('/kit', { document: { kind: 'hammer' } })
    expect(bad).toMatchObject({ status: 400, body: { error: { path: 'document.kind' } } })
    const made = await ask('/kit', { document: dial.document })
    expect(made.status).toBe(201)
    expect((await ask(`/kit/${made.body.id}/archived`, { archived: true }, 'PUT')).status).toBe(200)
    expect((await ask('/kit')).body).toHaveLength(14)
    expect((await ask('/kit?archived=yes')).body.map(({ id }: { id: string }) => id)).toEqual([made.body.id])
    expect((await ask(`/kit/${made.body.id}/archived`, { archived: false }, 'PUT')).status).toBe(200)
    expect((await ask('/kit')).body).toHaveLength(15)
    expect((await ask('/kit/none/archived', { archived: true }, 'PUT')).status).toBe(404)
  })
})

describe('the database', () => {
  it('is in WAL mode with foreign keys, and a job needs its line', async () => {
    const mode = await store.client.execute('PRAGMA journal_mode')
    expect(mode.rows[0]?.journal_mode).toBe('wal')
    await expect(store.client.execute("delete from lines where id = 'line-1'")).rejects.toThrow(/FOREIGN KEY/)
  })
  it('is copied before it changes shape, and only then', async () => {
    const file = join(folder, 'old', 'old.db')
    const made = await openStore(`file:${file}`, migrations)
    await made.client.execute('delete from __drizzle_migrations')
    for (const table of [
      'revisions',
      'photographs',
      'site',
      'jobs',
      'lines',
      'kit',
      'finds_text',
      'finds',
      'credentials',
      'sessions',
      'people',
      'codes',
      'trail',
    ])
      await made.client.execute(`drop table ${table}`)
    await made.client.execute('create table keepsake (text text)')
    await made.close()
    const again = await openStore(`file:${file}`, migrations)
    await again.close()
    const copies = () => readdirSync(join(folder, 'old')).filter((name) => name.includes('.before-'))
    expect(copies()).toHaveLength(1)
    const copy = createClient({ url: `file:${join(folder, 'old', copies()[0]!)}` })
    expect((await copy.execute('select count(*) as n from keepsake')).rows).toHaveLength(1)
    copy.close()
    const third = await openStore(`file:${file}`, migrations)
    await third.close()
    expect(copies()).toHaveLength(1)
    expect(existsSync(file)).toBe(true)
  })
})

describe('what is due', () => {
  it('is put off or handed over with a reason, and only while it is due', async () => {
    const { body: job } = await ask('/jobs/job-7')
    const change = { dueOn: '2027-02-01', assignedTo: 'K. O.', by: 'R. T.', because: 'Outage moved.' }
    const put = (body: object, id = 'job-7') => ask(`/jobs/${id}/due`, body, 'PUT')
    expect((await put({ ...change, because: ' ' })).body.error.path).toBe('because')
    expect((await put({ ...change, dueOn: 'soon' })).body.error.path).toBe('dueOn')
    expect((await put(change, 'job-6')).status).toBe(409)
    expect(await put(change)).toMatchObject({
      status: 200,
      body: {
        dueOn: '2027-02-01',
        assignedTo: 'K. O.',
        dueBy: 'R. T.',
        dueBecause: 'Outage moved.',
        version: job.version,
      },
    })
    const { body: due } = await ask('/jobs?state=due')
    expect(due.rows.map(({ dueOn }: { dueOn: string }) => dueOn)).toEqual(
      [...due.rows.map(({ dueOn }: { dueOn: string }) => dueOn)].sort(),
    )
  })
  it('is a calendar, the same file for the same list', async () => {
    const get = async () => (await app.request('http://localhost/api/calendar/due.ics')).text()
    const calendar = await get()
    expect(calendar).toMatch(/^BEGIN:VCALENDAR\r\n/)
    expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(2)
    expect(calendar).toMatch(/SUMMARY:Rinse pump 3: Periodic check/)
    expect(calendar).toContain('http://localhost/jobs/job-7/pre-checks')
    expect(await get()).toBe(calendar)
  })
})

describe('the logbook of a line', () => {
  it('has every visit with a complete round, and none of another line', async () => {
    const { body: visits } = await ask('/lines/line-1/logbook')
    expect(visits.map(({ number }: { number: number }) => number).sort((a: number, b: number) => a - b)).toEqual([
      2, 6, 23, 24, 26, 27,
    ])
    expect(visits.find(({ number }: { number: number }) => number === 6)).toMatchObject({
      signed: false,
      flags: ['doubtful'],
    })
    expect((await ask('/lines/none/logbook')).status).toBe(404)
  })
  it('opens from the tag of its line', async () => {
    const pdf = await app.request('http://localhost/api/tags/lines.pdf')
    expect(pdf.headers.get('content-type')).toBe('application/pdf')
    const bytes = Buffer.from(await pdf.arrayBuffer()).toString('latin1')
    expect(bytes.slice(0, 5)).toBe('%PDF-')
    expect(bytes.match(/\/S \/Figure/g)?.length).toBe((await ask('/lines')).body.length)
  })
})

describe('a disk that takes nothing more', () => {
  it('is said in a sentence, and nothing is acknowledged that is not there', async () => {
    const file = join(folder, 'full', 'full.db')
    const small = await openPlant(file)
    const there = makeApp(siteOf(small), { pageFolder: 'src/web', log: pino({ level: 'silent' }) })
    const put = async () => {
      const { version, document } = await (await there.request('/api/jobs/job-15')).json()
      const note = { ...document, title: `Stored at version ${version}` }
      const response = await there.request('/api/jobs/job-15', {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ version, document: note }),
      })
      return { status: response.status, title: note.title, body: await response.json() }
    }
    const title = async () => (await (await there.request('/api/jobs/job-15')).json()).document.title
    const stored = await put()
    expect([stored.status, await title()]).toEqual([200, stored.title])
    await small.client.execute('PRAGMA query_only = ON')
    const refused = await put()
    expect([refused.status, refused.body.error.message]).toEqual([
      507,
      expect.stringMatching(/disk is full or read-only/),
    ])
    expect(await title()).toBe(stored.title)
    await small.client.execute('PRAGMA query_only = OFF')
    // no page may be added any more: photographs find no room
    const { rows } = await small.client.execute('PRAGMA page_count')
    await small.client.execute(`PRAGMA max_page_count = ${Number(rows[0]?.page_count)}`)
    const statuses: number[] = []
    for (let i = 0; i < 40 && !statuses.includes(507); i++) {
      const { document } = await (await there.request('/api/jobs/job-15')).json()
      const made = await there.request('/api/jobs', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ id: `full-${i}`, lineId: 'line-1', document }),
      })
      statuses.push(made.status)
      const kept = await there.request(`/api/jobs/full-${i}`)
      expect(kept.status).toBe(made.status === 201 ? 200 : 404)
    }
    expect(statuses.at(-1)).toBe(507)
    await small.close()
  })
})

describe('a summary that takes long', () => {
  it('does not hold up what is typed, follows it, and follows it into a job signed meanwhile', async () => {
    const own = await openPlant(join(folder, 'late', 'late.db'))
    let go: () => void = () => undefined
    const held = new Promise<void>((open) => {
      go = open
    })
    const slow: Heavy = { ...here, worked: async (job) => held.then(() => here.worked(job)) }
    const there = makeApp(siteOf(own, slow), { pageFolder: 'src/web', log: pino({ level: 'silent' }) })
    const kept = async (id: string) => {
      const { rows } = await own.client.execute({
        sql: `select version, json_extract(summary, '$.core') as core, json_extract(summary, '$.rounds') as rounds from jobs where id = ?`,
        args: [id],
      })
      return rows[0]
    }
    for (const id of ['job-6', 'job-5']) {
      const { version, document } = await (await there.request(`/api/jobs/${id}`)).json()
      const before = await kept(id)
      const more = { ...document, rounds: [...document.rounds, { ...document.rounds[0], id: 'one-more' }] }
      const response = await there.request(`/api/jobs/${id}`, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ version, document: more }),
      })
      expect(response.status).toBe(200)
      // stored, with the list's old words marked as to be made again
      expect(await kept(id)).toMatchObject({ version: version + 1, core: 0, rounds: before?.rounds })
      if (id === 'job-5')
        await own.client.execute(`update jobs set state = 'signed', version = version + 1 where id = 'job-5'`)
    }
    go()
    for (const id of ['job-6', 'job-5'])
      await expect.poll(() => kept(id)).toMatchObject({ core: coreVersion, rounds: expect.any(Number) })
    const { document } = await (await there.request('/api/jobs/job-5')).json()
    expect(Number((await kept('job-5'))?.rounds)).toBe(document.rounds.length)
    await own.close()
  })
})

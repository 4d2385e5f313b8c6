import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { libsqlStandIn } from '../../testing/hrana'
import { makeApp } from '../app'
import { secretFor } from '../auth/accounts'
import { type Change, followOthers } from '../changes'
import { makeDemo } from '../demo/make'
import { siteOf } from '../site'
import { openStore, type Store } from './open'
import { checkTrail, sealTrail, trailRows } from './trail'

const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
const migrations = 'src/server/db/migrations'
let database: Awaited<ReturnType<typeof libsqlStandIn>>
let stores: [Store, Store]
let sites: { site: ReturnType<typeof siteOf>; ask: ReturnType<typeof asker> }[]

const asker =
  (app: ReturnType<typeof makeApp>) =>
  async (path: string, method = 'GET', body?: object) => {
    const response = await app.request(`/api${path}`, {
      method,
      ...(body ? { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } } : {}),
    })
    return { status: response.status, body: await response.json() }
  }

beforeAll(async () => {
  vi.stubEnv('DATABASE_TOKEN', 'a-token')
  database = await libsqlStandIn(join(folder, 'remote.db'), 'a-token')
  // both at once, on a database that holds nothing yet
  stores = await Promise.all([openStore(database.url, migrations), openStore(database.url, migrations)])
  await makeDemo(stores[0].db)
  sites = stores.map((store) => {
    const site = siteOf(store)
    return { site, ask: asker(makeApp(site, { pageFolder: 'src/web', log: pino({ level: 'silent' }) })) }
  })
})
afterAll(async () => {
  vi.unstubAllEnvs()
  await Promise.all(stores.map((store) => store.close()))
  await database.stop()
  rmSync(folder, { recursive: true, force: true })
})

const both = () => {
  const [a, b] = sites
  if (!a || !b) throw new Error('There are not two servers.')
  return [a, b] as const
}

describe('two servers on one libSQL server', () => {
  it('bring it up to date once, and hold nothing that is a file’s', async () => {
    const { rows } = await stores[1].client.execute('select count(*) as n from __drizzle_migrations')
    const entries = (await import('node:fs')).readdirSync(migrations).filter((name) => name.endsWith('.sql'))
    expect(Number(rows[0]?.n)).toBe(entries.length)
    expect(stores.map(({ shared, copyNow, copies }) => [shared, copyNow, copies()])).toEqual([
      [true, undefined, []],
      [true, undefined, []],
    ])
    const [a] = both()
    expect((await a.ask('/copies', 'POST', {})).status).toBe(409)
    expect(() => secretFor(database.url, {})).toThrow(/DOOR_SECRET/)
  })
  it('show the same, find the same, and print what the other stored', async () => {
    const [a, b] = both()
    for (const path of [
      '/jobs',
      '/jobs/overview',
      '/lines',
      '/kit',
      '/site',
      '/site/view',
      '/search?q=pump',
      '/jobs?search=kelp',
    ]) {
      const [one, two] = [await a.ask(path), await b.ask(path)]
      expect(one.status, path).toBe(200)
      expect(two, path).toEqual(one)
    }
    const found = await a.ask('/jobs/job-4')
    found.body.document.title = 'Told by the other server'
    const { version, document } = found.body
    expect((await a.ask('/jobs/job-4', 'PUT', { version, document })).status).toBe(200)
    expect((await b.ask('/jobs/job-4')).body.document.title).toBe('Told by the other server')
    expect((await b.ask('/search?q=told')).body.length).toBeGreaterThan(0)
  })
  it('number new jobs apart, and let one of two edits win', async () => {
    const [a, b] = both()
    const { document } = (await a.ask('/jobs/job-5')).body
    const made = await Promise.all(
      Array.from({ length: 24 }, (_, i) =>
        (i % 2 ? a : b).ask('/jobs', 'POST', { id: `job-remote-${i}`, lineId: 'line-1', document }),
      ),
    )
    expect(made.map(({ status }) => status)).toEqual(made.map(() => 201))
    expect(new Set(made.map(({ body }) => body.number)).size).toBe(24)

    for (let version = 1; version <= 5; version++) {
      const edit = (side: 'a' | 'b') =>
        (side === 'a' ? a : b).ask('/jobs/job-remote-0', 'PUT', { version, edit: `edit-${side}-${version}`, document })
      const statuses = (await Promise.all([edit('a'), edit('b')])).map(({ status }) => status)
      expect([...statuses].sort()).toEqual([200, 409])
    }
  })
  it('tell each other’s pages what was stored, once, and nothing of before', async () => {
    const [a, b] = both()
    const heard: Change[] = []
    const leave = b.site.changes.listen((change) => heard.push(change))
    const stop = followOthers(stores[1].db, b.site.changes, 20)
    await new Promise((go) => setTimeout(go, 200))
    expect(heard).toEqual([])
    const { version, document } = (await a.ask('/jobs/job-remote-2')).body
    await a.ask('/jobs/job-remote-2', 'PUT', { version, document })
    await expect.poll(() => heard).toEqual([{ kind: 'job', id: 'job-remote-2', version: version + 1 }])
    // its own are told by itself, and not a second time
    const own = (await b.ask('/jobs/job-remote-3')).body
    await b.ask('/jobs/job-remote-3', 'PUT', { version: own.version, document: own.document })
    await new Promise((go) => setTimeout(go, 200))
    expect(heard.filter(({ id }) => id === 'job-remote-3')).toHaveLength(1)
    expect(heard).toHaveLength(2)
    stop()
    leave()
  })
  it('write one trail, and come to the same chain', async () => {
    await Promise.all(stores.map(({ db }) => sealTrail(db)))
    const [one, two] = await Promise.all(stores.map(({ db }) => checkTrail(trailRows(db))))
    expect(one?.brokenAt).toBeUndefined()
    expect(two).toEqual(one)
    expect(one?.rows).toBeGreaterThan(100)
  })
  it('say that the database is away, and go on when it is back', async () => {
    const [a] = both()
    await database.stop()
    const { status, body } = await a.ask('/jobs')
    expect([status, body.error.message]).toEqual([503, 'Can’t reach the database server. Try again in a moment.'])
    expect((await a.ask('/ready')).status).toBe(503)
    await database.again()
    expect((await a.ask('/jobs')).status).toBe(200)
  })
  it('are refused without the token, in one sentence', async () => {
    vi.stubEnv('DATABASE_TOKEN', 'another')
    await expect(openStore(database.url, migrations)).rejects.toThrow(
      /^Can’t use the database at 127\.0\.0\.1:\d+: .*no token/,
    )
    vi.stubEnv('DATABASE_TOKEN', 'a-token')
  })
})

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { openPlant } from '../../testing/plant'
import { findAll, gatherWords, jobsFound, queryOf } from './finds'
import { archiveJob, findJob, updateJob } from './jobs'
import { findLine, updateLine } from './lines'
import type { Store } from './open'

const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
let store: Store
beforeAll(async () => {
  store = await openPlant(join(folder, 'test.db'))
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const names = async (text: string) => (await findAll(store.db, text)).map(({ kind, id }) => `${kind} ${id}`)
const at = '2026-03-02T08:00:00.000Z'

describe('the search of everything', () => {
  it('finds by the beginnings of words, in any order, whatever stands on the letters', async () => {
    const found = await findAll(store.db, 'PUMP rin')
    expect(found.length).toBeGreaterThan(2)
    expect(found.every(({ name }) => name === 'Rinse pump 3')).toBe(true)
    expect(await names('pump rinse')).toEqual(await names('rinse pump'))
    expect(await names('rinse zebra')).toEqual([])
  })
  it('finds a job by its number, its people and its title, and says where it was meant', async () => {
    expect(await names('job 14')).toContain('job job-14')
    const [found] = await findAll(store.db, 'seal replaced')
    expect(found).toMatchObject({ kind: 'job', id: 'job-5', number: 5 })
    expect(found?.said).toContain('[Seal]')
  })
  it('of jobs looks through the index of words once, and not for each job, whatever the database knows of its size', async () => {
    const query = jobsFound(queryOf('pump 3') ?? '')
    await store.client.execute('drop table if exists sqlite_stat1').catch(() => undefined)
    const plan = await store.db.all<{ detail: string }>(sql`explain query plan select id from jobs where ${query}`)
    const at = (what: RegExp) => plan.findIndex(({ detail }) => what.test(detail))
    expect(at(/finds_text VIRTUAL TABLE/)).toBeGreaterThanOrEqual(0)
    expect(at(/finds_text VIRTUAL TABLE/)).toBeLessThan(at(/SEARCH f USING/))
    expect(plan.some(({ detail }) => /CORRELATED/.test(detail))).toBe(false)
  })
  it('finds kit', async () => {
    expect((await names('dial')).some((name) => name.startsWith('kit '))).toBe(true)
  })
  it('follows every change, and leaves out what was put away', async () => {
    const job = (await findJob(store.db, 'job-5'))!
    const changed = { ...job.document, title: 'Seal replaced', note: 'The zanzibar gasket was renewed.' }
    const worked = { summary: job.summary, visit: job.visit }
    await updateJob(store.db, 'job-5', { version: job.version, document: changed, edit: undefined, at }, worked)
    expect(await names('zanzi')).toEqual(['job job-5'])
    await archiveJob(store.db, 'job-5', at)
    expect(await names('zanzi')).toEqual([])
    await archiveJob(store.db, 'job-5', null)
    expect(await names('zanzi')).toEqual(['job job-5'])
    const line = (await findLine(store.db, 'line-1'))!
    const renamed = { ...line.document, name: 'Ümlaut fan' }
    await updateLine(store.db, 'line-1', { version: line.version, document: renamed, edit: undefined, at })
    expect(await names('umlaut')).toEqual(['line line-1'])
  })
  it('gathers what an older program did not', async () => {
    await store.client.execute("update lines set words = null where id = 'line-2'")
    const { document } = (await findLine(store.db, 'line-2'))!
    await gatherWords(store.db)
    const machine = 'machines' in document ? document.machines[0]!.name : ''
    expect(await names(`${document.name} ${machine}`)).toContain('line line-2')
  })
  it('takes whatever is typed', async () => {
    await fc.assert(
      fc.asyncProperty(fc.string({ unit: 'grapheme', maxLength: 40 }), async (text) => {
        expect(Array.isArray(await findAll(store.db, text))).toBe(true)
      }),
      tries(200),
    )
    for (const text of ['"', '*', 'AND OR NOT', 'a-b', "x' --", 'near(', ':', '^']) await findAll(store.db, text)
    expect(queryOf(' ·—! ')).toBeUndefined()
  })
})

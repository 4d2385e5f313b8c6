import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync, zipSync } from 'fflate'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { migrations, openPlant } from '../../testing/plant'
import { makeApp } from '../app'
import { openStore, type Store } from '../db/open'
import { siteOf } from '../site'

let folder: string
const stores: Store[] = []

async function siteWith(name: string, demo: boolean) {
  const file = join(folder, name, 'site.db')
  const store = await (demo ? openPlant(file) : openStore(`file:${file}`, migrations))
  stores.push(store)
  const app = makeApp(siteOf(store), { pageFolder: folder, log: pino({ level: 'silent' }) })
  const get = async (path: string) => (await app.request(`/api${path}`)).json()
  const bring = async (bytes: Uint8Array) => {
    const answer = await app.request('/api/archive', {
      method: 'POST',
      body: new Uint8Array(bytes),
      headers: { 'Content-Type': 'application/zip' },
    })
    return { status: answer.status, body: await answer.json() }
  }
  const take = async () => new Uint8Array(await (await app.request('/api/archive')).arrayBuffer())
  return { app, store, get, bring, take }
}
type Site = Awaited<ReturnType<typeof siteWith>>

const png = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

let plant: Site
let archive: Uint8Array
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  plant = await siteWith('plant', true)
  await plant.app.request('/api/photographs', { method: 'POST', body: png, headers: { 'Content-Type': 'image/png' } })
  await plant.app.request('/api/jobs/job-2/revisions/1/record.pdf')
  archive = await plant.take()
})
afterAll(async () => {
  for (const store of stores) await store.close()
  rmSync(folder, { recursive: true, force: true })
})

describe('the archive of a site', () => {
  it('is a zip of open formats: JSON, CSV, pictures, PDFs', () => {
    const files = unzipSync(archive)
    const names = Object.keys(files)
    expect(JSON.parse(Buffer.from(files['vane-peg.json']!).toString())).toMatchObject({
      format: 'vane-peg.archive',
      version: 1,
    })
    expect(names.filter((name) => /^jobs\/.*\.json$/.test(name))).toHaveLength(46)
    expect(names).toContain('revisions/job-3/2.json')
    expect(Buffer.from(files['revisions/job-2/1.pdf']!).subarray(0, 5).toString()).toBe('%PDF-')
    expect(names.filter((name) => name.startsWith('photographs/'))).toHaveLength(1)
    expect(Buffer.from(files['jobs.csv']!).toString()).toMatch(/^id,number,lineName,area,title,state,updatedAt\r\n/)
  })
  it('comes into an empty site as it was, and a second time as the same', async () => {
    const other = await siteWith('empty', false)
    const first = await other.bring(archive)
    expect(first).toMatchObject({
      status: 200,
      body: { added: { jobs: 46, kit: 14, photographs: 1 }, same: 0, clashed: [], refused: [], renumbered: [] },
    })
    for (const path of ['/jobs/job-2', '/jobs/job-4', '/lines/line-2', '/jobs/job-3/revisions', '/kit', '/site']) {
      const [here, there] = [await other.get(path), await plant.get(path)]
      const bare = (value: unknown) =>
        JSON.parse(JSON.stringify(value, (key, one) => (key === 'edits' ? undefined : one)))
      expect(bare(here)).toEqual(bare(there))
    }
    const again = await other.bring(archive)
    expect(again.body).toMatchObject({
      added: { lines: 0, kit: 0, jobs: 0, revisions: 0, photographs: 0 },
      clashed: [],
      refused: [],
    })
    expect(again.body.same).toBeGreaterThan(50)
    expect((await other.get('/jobs')).total).toBe(46)
  })
  it('changes nothing that is there: what differs is told, and a number that is taken is given anew', async () => {
    const other = await siteWith('filled', true)
    const { document, version } = await other.get('/jobs/job-6')
    await other.app.request('/api/jobs/job-6', {
      method: 'PUT',
      body: JSON.stringify({ version, document: { ...document, note: 'mine' } }),
      headers: { 'Content-Type': 'application/json' },
    })
    const files = unzipSync(archive)
    const job = JSON.parse(Buffer.from(files['jobs/job-5.json']!).toString())
    files['jobs/foreign.json'] = Buffer.from(JSON.stringify({ ...job, id: 'foreign' }))
    const { body } = await other.bring(zipSync(files))
    expect(body.clashed).toContainEqual({ part: 'jobs', id: 'job-6', name: 'Rinse pump 3' })
    expect((await other.get('/jobs/job-6')).document.note).toBe('mine')
    expect(body.added.jobs).toBe(1)
    expect(body.renumbered).toEqual([{ id: 'foreign', was: 5, now: 47 }])
  })
  it('leaves out what cannot be read, and says what and why', async () => {
    const other = await siteWith('broken', false)
    const files = unzipSync(archive)
    const line = JSON.parse(Buffer.from(files['lines/line-1.json']!).toString())
    files['lines/line-1.json'] = Buffer.from(JSON.stringify({ ...line, document: { ...line.document, speed: 5 } }))
    files['kit/kit-1.json'] = Buffer.from('{')
    const [picture] = Object.keys(files).filter((name) => name.startsWith('photographs/'))
    files[picture!] = Buffer.from('no picture')
    const { status, body } = await other.bring(zipSync(files))
    expect(status).toBe(200)
    const why = (file: string) => body.refused.find((one: { file: string }) => one.file === file)?.why
    expect(why('lines/line-1.json')).toMatch(/speed/)
    expect(why('kit/kit-1.json')).toMatch(/JSON/)
    expect(why(picture!)).toContain('not the picture')
    // the jobs of a line that is not there have nowhere to go
    expect(why('jobs/job-2.json')).toBeDefined()
    expect(body.added.jobs).toBeGreaterThan(10)
  })
  it('is refused where it is none, whole or in part', async () => {
    const other = await siteWith('refused', false)
    expect((await other.bring(new Uint8Array(Buffer.from('PK no')))).status).toBe(415)
    expect((await other.bring(zipSync({ 'hello.txt': Buffer.from('x') }))).status).toBe(415)
    expect((await other.bring(zipSync({ 'vane-peg.json': Buffer.from('{"format":"other"}') }))).status).toBe(415)
    const half = await other.bring(archive.slice(0, Math.floor(archive.length / 2)))
    expect(half.status).toBeLessThan(500)
    expect(
      (
        await other.app.request('/api/archive', {
          method: 'POST',
          body: 'x',
          headers: { 'Content-Type': 'text/plain' },
        })
      ).status,
    ).toBe(415)
  })
})

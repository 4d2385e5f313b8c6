import { createHash } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { unzipSync, zipSync } from 'fflate'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { tries } from '../../testing/anything'
import { migrations, openPlant } from '../../testing/plant'
import { makeApp } from '../app'
import { openStore, type Store } from '../db/open'
import { jobs, kit, lines, photographs, revisions, site } from '../db/schema'
import { siteOf } from '../site'

const tables = { lines, kit, jobs, revisions, photographs, site }

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

/** The archive with some files changed, its list of files made anew as by somebody who knows how. */
function forged(change: (files: Record<string, Uint8Array>) => void): Uint8Array {
  const { 'manifest.json': _, ...files } = unzipSync(archive)
  change(files)
  const list = Object.entries(files).map(([name, bytes]) => ({
    name,
    bytes: bytes.length,
    sha256: createHash('sha256').update(bytes).digest('hex'),
  }))
  const manifest = Buffer.from(JSON.stringify({ format: 'vane-peg.manifest', files: list }))
  return zipSync({ ...files, 'manifest.json': manifest })
}
const json = (files: Record<string, Uint8Array>, name: string) => JSON.parse(Buffer.from(files[name] ?? []).toString())
const edited = (name: string, change: (value: never) => object) => (files: Record<string, Uint8Array>) => {
  files[name] = Buffer.from(JSON.stringify(change(json(files, name) as never)))
}

describe('the archive of a site', () => {
  it('is a zip of open formats: JSON, CSV, pictures, PDFs', () => {
    const files = unzipSync(archive)
    const names = Object.keys(files)
    expect(JSON.parse(Buffer.from(files['vane-peg.json']!).toString())).toMatchObject({
      format: 'vane-peg.archive',
      version: 2,
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
      body: { added: { jobs: 46, kit: 14, photographs: 1 }, same: 0, clashed: [], renumbered: [] },
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
    const { body } = await other.bring(
      forged((files) => {
        files['jobs/foreign.json'] = Buffer.from(JSON.stringify({ ...json(files, 'jobs/job-5.json'), id: 'foreign' }))
      }),
    )
    expect(body.clashed).toContainEqual({ part: 'jobs', id: 'job-6', name: 'Rinse pump 3' })
    expect((await other.get('/jobs/job-6')).document.note).toBe('mine')
    expect(body.added.jobs).toBe(1)
    expect(body.renumbered).toEqual([{ id: 'foreign', was: 5, now: 47 }])
  })
  it('comes back equal in every field, odd documents and all, and the records print as they did', async () => {
    const odd = await siteWith('odd', true)
    const put = async (path: string, change: (document: never) => object) => {
      const { version, document } = await odd.get(path)
      const answer = await odd.app.request(`/api${path}`, {
        method: 'PUT',
        body: JSON.stringify({ version, document: change(document as never) }),
        headers: { 'Content-Type': 'application/json' },
      })
      expect(answer.status).toBe(200)
    }
    await fc.assert(
      fc.asyncProperty(fc.string({ unit: 'grapheme', maxLength: 40 }), fc.nat(4), async (text, n) => {
        const note = `"${text}\u2028\r\n,=1+1`
        await put(`/jobs/job-${[5, 6, 12, 22, 43][n]}`, (job: { line: object }) => ({
          ...job,
          note,
          line: { ...job.line, area: text },
        }))
        await put(`/lines/line-${n + 1}`, (line: object) => ({ ...line, area: note.slice(0, 80) }))
      }),
      tries(10, 100),
    )
    const other = await siteWith('emptied', false)
    expect(await other.bring(await odd.take())).toMatchObject({ status: 200, body: { clashed: [], renumbered: [] } })
    // what a job was found by, its ids of edits and its lists are made again
    const made = ['edits', 'words', 'book', 'pdf', 'storedAt']
    const bare = (rows: object[]) =>
      rows
        .map((row) => Object.fromEntries(Object.entries(row).filter(([name]) => !made.includes(name))))
        .sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)))
    for (const table of ['lines', 'kit', 'jobs', 'revisions', 'photographs', 'site'] as const) {
      const rows = async ({ store: { db } }: Site) => bare(await db.select().from(tables[table]))
      expect(await rows(other), table).toEqual(await rows(odd))
    }
    const record = async ({ app }: Site) =>
      Buffer.from(await (await app.request('/api/jobs/job-2/revisions/1/record.pdf')).arrayBuffer())
    expect((await record(other)).equals(await record(odd))).toBe(true)
  })

  it.each([
    ['a job whose number is no number', edited('jobs/job-5.json', (job: object) => ({ ...job, number: 1e300 }))],
    ['a job whose number is too great', edited('jobs/job-5.json', (job: object) => ({ ...job, number: 2 ** 53 - 1 }))],
    ['a version that is half a one', edited('jobs/job-5.json', (job: object) => ({ ...job, version: 1.5 }))],
    ['a day that is none', edited('jobs/job-5.json', (job: object) => ({ ...job, dueOn: 'soon' }))],
    ['a time that is none', edited('lines/line-1.json', (line: object) => ({ ...line, updatedAt: '1' }))],
    ['a job under another name', edited('jobs/job-5.json', (job: object) => ({ ...job, id: 'job-6x' }))],
    ['a job on a line that is not there', edited('jobs/job-5.json', (job: object) => ({ ...job, lineId: 'none' }))],
    [
      'a document with a field too many',
      edited('lines/line-1.json', (line: { document: object }) => ({
        ...line,
        document: { ...line.document, more: 1 },
      })),
    ],
    [
      'a file that is no JSON',

      (files: Record<string, Uint8Array>) => {
        files['kit/kit-1.json'] = Buffer.from('{')
      },
    ],
    [
      'a picture that is none',
      (files: Record<string, Uint8Array>) => {
        const picture = Object.keys(files).find((name) => name.startsWith('photographs/')) ?? ''
        files[picture] = Buffer.from('no picture')
      },
    ],
    [
      'a revision whose seal is broken',
      edited('revisions/job-3/1.json', (one: { content: string }) => ({
        ...one,
        content: one.content.replace('"doneBy":"', '"doneBy":"X'),
      })),
    ],
    [
      'a revision sealed anew under its old seal',
      edited('revisions/job-3/1.json', (one: object) => ({ ...one, sha256: '0'.repeat(64) })),
    ],
    ['a revision of another job', edited('revisions/job-3/1.json', (one: object) => ({ ...one, jobId: 'job-2' }))],
  ])('is refused whole, with the file named, where it holds %s', async (_, change) => {
    const other = await siteWith(`forged ${Math.random()}`, false)
    const { status, body } = await other.bring(forged(change))
    expect(status).toBe(400)
    expect(body.error.path).toMatch(/\w+\/\S+/)
    for (const table of ['lines', 'kit', 'jobs', 'revisions', 'photographs'] as const)
      expect(await other.store.db.select().from(tables[table])).toEqual([])
    // and the site goes on
    expect((await other.get('/jobs')).total).toBe(0)
  })

  it('is refused where it is none, was cut short or changed on the way, in one sentence, and nothing of it stays', async () => {
    const other = await siteWith('refused', false)
    const said = async (bytes: Uint8Array) => {
      const { status, body } = await other.bring(bytes)
      expect([400, 415]).toContain(status)
      expect(body.error.message).toMatch(/^[A-Z“][^\n]*\.$/)
      expect((await other.get('/lines')).length).toBe(0)
      return body.error.message as string
    }
    await said(new Uint8Array())
    await said(Buffer.from('PK no'))
    await said(zipSync({ 'hello.txt': Buffer.from('x') }))
    await said(zipSync({ 'vane-peg.json': Buffer.from('{"format":"other"}') }))
    await said(zipSync({ 'vane-peg.json': Buffer.from('{') }))
    for (const share of [0.1, 0.45, 0.5, 0.9, 0.999]) await said(archive.slice(0, Math.floor(archive.length * share)))
    // its end is there, what is before it is not
    const { 'manifest.json': end, ...files } = unzipSync(archive)
    expect(await said(zipSync(files))).toContain('its end is missing')
    const { 'jobs/job-7.json': _, ...less } = files
    expect(await said(zipSync({ ...less, 'manifest.json': end! }))).toContain('Missing')
    expect(
      await said(zipSync({ ...files, 'jobs/more.json': files['jobs/job-7.json']!, 'manifest.json': end! })),
    ).toMatch(/./)
    // an unknown packing, in the first file’s own head
    const packed = Uint8Array.from(archive)
    packed[8] = 12
    await said(packed)
    await fc.assert(
      fc.asyncProperty(fc.nat(archive.length - 1), fc.integer({ min: 1, max: 255 }), async (at, flip) => {
        const bent = Uint8Array.from(archive)
        bent[at] = bent[at]! ^ flip
        const { status } = await other.bring(bent)
        expect(status).toBeLessThan(500)
        // what says nothing about what is in it may be bent: days, names in the directory at the end
        if (status === 200) return
        expect((await other.store.db.query.jobs.findMany({ columns: { id: true } })).length % 46).toBe(0)
      }),
      tries(6, 300),
    )
    const plain = { method: 'POST', body: 'x', headers: { 'Content-Type': 'text/plain' } }
    expect((await other.app.request('/api/archive', plain)).status).toBe(415)
  })
})

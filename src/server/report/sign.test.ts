import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import fc from 'fast-check'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { verifyCommand } from '../../cli/verifyCommand'
import { jobFrom } from '../../core/job/make'
import { pictureType, withoutMetadata } from '../../core/job/pictures'
import { provedOf } from '../../core/job/proved'
import { kindOf } from '../../core/kinds'
import { openKey } from '../../core/prove/proof'
import { plainText, type Sheet } from '../../record/blocks'
import { kitIn, recordOf } from '../../record/record'
import { hashOf, recordOfRevision, type SealedRevision, verifyRevision } from '../../record/revision'
import { runs } from '../../testing/anything'
import { runCommand } from '../../testing/command'
import { openPlant } from '../../testing/plant'
import { makeApp } from '../app'
import type { Store } from '../db/open'
import { sha256 } from '../sha256'
import './paper'
import { sheetPdf } from '../../print/tagged'
import { siteOf } from '../site'

let folder: string
let store: Store
let app: ReturnType<typeof makeApp>

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  store = await openPlant(join(folder, 'test.db'))
  app = makeApp(siteOf(store), { pageFolder: folder, log: pino({ level: 'silent' }) })
})
afterAll(async () => {
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

const bytesOf = async (path: string) => new Uint8Array(await (await app.request(`/api${path}`)).arrayBuffer())

/** The words of a PDF in the order of its pages, and what its tags say. */
async function read(pdf: Uint8Array) {
  const document = await getDocument({ data: new Uint8Array(pdf) }).promise
  const pages = await Promise.all(Array.from({ length: document.numPages }, (_, i) => document.getPage(i + 1)))
  const texts = await Promise.all(
    pages.map(async (page) =>
      (await page.getTextContent()).items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    ),
  )
  const trees = await Promise.all(pages.map((page) => page.getStructTree()))
  const { info } = await document.getMetadata()
  return { texts, trees: JSON.stringify(trees), marked: await document.getMarkInfo(), info: info as { Title?: string } }
}

const because = 'The planner agreed.'
const acceptAll = (document: Parameters<typeof provedOf>[0]) =>
  provedOf(document).proof.open.map((open) => ({ key: openKey(open), because }))

describe('signing', () => {
  it('wants a name, another who checks where the site says so, and a reason for everything that is open', async () => {
    const { body: job } = await ask('/jobs/job-4')
    const whole = {
      version: job.version,
      doneBy: 'I. M.',
      checkedBy: 'R. T.',
      unit: 'mm',
      accepted: acceptAll(job.document),
    }
    expect(whole.accepted.length).toBeGreaterThan(2)
    const refused = async (change: object, path: string, status = 422) => {
      const answer = await ask('/jobs/job-4/sign', { ...whole, ...change })
      expect([answer.status, answer.body.error?.path]).toEqual([status, path])
    }
    await refused({ doneBy: ' ' }, 'doneBy')
    for (const checkedBy of ['i. m.', 'IM', 'I.M.', 'i m', 'I·M', '\uff29\uff2d'])
      await refused({ checkedBy }, 'checkedBy')
    for (const said of ['x', '-', 'ok', 'no no'.slice(0, 2)])
      await refused({ accepted: whole.accepted.map((one) => ({ ...one, because: said })) }, 'accepted')
    await refused({ accepted: whole.accepted.slice(1) }, 'accepted')
    await refused({ version: job.version - 1 }, 'version', 409)
    await refused({ unit: 'furlong' }, 'unit', 400)
    expect((await ask('/jobs/none/sign', whole)).status).toBe(404)
    expect((await ask('/jobs/job-4')).body.state).toBe('in-hand')
  })
  it('of a job with nothing read still asks for its cautions and its feet, and the record says what was accepted', async () => {
    const { body: line } = await ask('/lines/line-1')
    const round = { ...kindOf(line.document).makeRound(line.document, '2026-12-01T08:00:00.000Z', 'mm') }
    const { shape: _, ...own } = line.document
    await ask('/jobs', { id: 'job-unread', lineId: 'line-1', document: jobFrom(own, round, 'Nothing read') })
    const { body: job } = await ask('/jobs/job-unread')
    const accepted = acceptAll(job.document)
    expect(accepted.map(({ key }) => key)).toEqual(
      expect.arrayContaining([expect.stringContaining('not-read'), expect.stringContaining('ready')]),
    )
    const { body: signed } = await ask('/jobs/job-unread/sign', {
      version: job.version,
      doneBy: 'I. M.',
      checkedBy: 'R. T.',
      unit: 'mm',
      accepted,
    })
    expect(signed.state).toBe('signed')
    const { texts } = await read(await bytesOf('/jobs/job-unread/revisions/1/record.pdf'))
    expect(texts.join(' ')).toContain('accepted with reasons')
    expect(texts.join(' ')).not.toContain('Can’t tell yet')
  })
  it('lets no reading through that is no number', async () => {
    const { body: job } = await ask('/jobs/job-5')
    const [set] = job.document.rounds[0].sets
    const [probe] = set.probes
    const [first] = Object.keys(probe.readings)
    probe.readings[first!].value.text = '0.1x'
    const { body: edited } = await ask('/jobs/job-5', { version: job.version, document: job.document }, 'PUT')
    const answer = await ask('/jobs/job-5/sign', {
      version: edited.version,
      doneBy: 'K. O.',
      checkedBy: 'I. M.',
      unit: 'mm',
      accepted: acceptAll(edited.document),
    })
    expect(answer).toMatchObject({ status: 422, body: { error: { message: expect.stringContaining('not a number') } } })
  })
  it('freezes the job, opens it again with who and why, and keeps both revisions', async () => {
    const { body: job } = await ask('/jobs/job-6')
    const sign = (version: number) =>
      ask('/jobs/job-6/sign', {
        version,
        doneBy: 'R. T.',
        checkedBy: 'I. M.',
        unit: 'mm',
        accepted: acceptAll(job.document),
      })
    const first = await sign(job.version)
    expect(first).toMatchObject({ status: 200, body: { state: 'signed', signedBy: 'R. T.', version: job.version + 1 } })
    expect((await sign(job.version + 1)).status).toBe(409)
    expect((await ask('/jobs/job-6', { version: job.version + 1, document: job.document }, 'PUT')).status).toBe(403)
    expect((await ask('/jobs/job-6/reopen', { by: 'I. M.', because: ' ' })).body.error.path).toBe('because')
    const opened = await ask('/jobs/job-6/reopen', { by: 'I. M.', because: 'A dial was not square.' })
    expect(opened).toMatchObject({ status: 200, body: { state: 'in-hand', signedBy: null } })
    expect((await ask('/jobs/job-6/reopen', { by: 'I. M.', because: 'again' })).status).toBe(409)
    const edited = await ask(
      '/jobs/job-6',
      { version: opened.body.version, document: { ...job.document, note: 'Squared the dial.' } },
      'PUT',
    )
    expect((await sign(edited.body.version)).status).toBe(200)
    const { body: revisions } = await ask('/jobs/job-6/revisions')
    expect(revisions).toMatchObject([
      { number: 2, reopenedBy: null },
      { number: 1, reopenedBy: 'I. M.', reopenedBecause: 'A dial was not square.' },
    ])
    const [second, old] = [await ask('/jobs/job-6/revisions/2'), await ask('/jobs/job-6/revisions/1')]
    expect([old.body.document.note, second.body.document.note]).toEqual(['', 'Squared the dial.'])
    expect((await ask('/jobs/job-6/revisions/3')).status).toBe(404)
  })
  it('makes one revision of two signatures at once, and none of a version that was never looked at', async () => {
    const { body: job } = await ask('/jobs/job-8')
    const body = {
      version: job.version,
      doneBy: 'K. O.',
      checkedBy: 'I. M.',
      unit: 'mil',
      accepted: acceptAll(job.document),
    }
    const answers = await Promise.all([
      ask('/jobs/job-8/sign', body),
      ask('/jobs/job-8/sign', body),
      ask('/jobs/job-8/sign', body),
    ])
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409])
    expect((await ask('/jobs/job-8/revisions')).body).toHaveLength(1)
    const opened = await Promise.all(
      [1, 2].map((n) => ask('/jobs/job-8/reopen', { by: `I. M. ${n}`, because: 'twice' })),
    )
    expect(opened.map(({ status }) => status).sort()).toEqual([200, 409])
  })
  it('refuses whatever else is sent, naming the place, and stores nothing', async () => {
    const { body: job } = await ask('/jobs/job-9')
    const good = { version: job.version, doneBy: 'K. O.', checkedBy: 'I. M.', unit: 'mm', accepted: [] as unknown[] }
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('version', 'doneBy', 'checkedBy', 'unit', 'accepted'),
        fc.oneof(
          fc.constant(null),
          fc.string({ minLength: 60 }),
          fc.double(),
          fc.array(fc.anything()),
          fc.dictionary(fc.string(), fc.string()),
        ),
        async (key, value) => {
          fc.pre(!(key === 'accepted' && Array.isArray(value) && value.length === 0))
          const { status, body } = await ask('/jobs/job-9/sign', { ...good, [key]: value })
          expect([400, 409, 422]).toContain(status)
          expect(body.error.message).not.toBe('')
        },
      ),
      { numRuns: 60 },
    )
    expect((await ask('/jobs/job-9/revisions')).body).toEqual([])
  })
  it('keeps what a site says of itself', async () => {
    const { body: site } = await ask('/site')
    expect(site).toEqual({ name: 'Skerry Point Kelp Works', mark: '', checkedByAnother: true })
    expect(await ask('/site', { ...site, name: 'Kelp Works' }, 'PUT')).toMatchObject({ status: 200 })
    expect((await ask('/site', { name: 1 }, 'PUT')).body.error.path).toBe('name')
    await ask('/site', site, 'PUT')
  })
})

/** A picture of one dot, with what a camera would write into it. */
const png = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const withText = Buffer.concat([
  png.subarray(0, 33),
  Buffer.from([0, 0, 0, 10]),
  Buffer.from('tEXtPlace\0here'),
  Buffer.from([0, 0, 0, 0]),
  png.subarray(33),
])
const segment = (marker: number, text: string) =>
  Buffer.concat([Buffer.from([0xff, marker, 0, text.length + 2]), Buffer.from(text)])
const jpeg = Buffer.concat([
  Buffer.from([0xff, 0xd8]),
  segment(0xe0, 'JFIF'),
  segment(0xe1, 'Exif with a place'),
  segment(0xfe, 'a comment'),
  segment(0xdb, 'table'),
  // two dots by two, of one color
  Buffer.from([0xff, 0xc0, 0, 11, 8, 0, 2, 0, 2, 1, 1, 0x11, 0]),
  Buffer.from([0xff, 0xda, 0, 2, 1, 2, 3, 0xff, 0xd9]),
])

describe('photographs', () => {
  const send = (bytes: Uint8Array, type = 'image/png') =>
    app.request('/api/photographs', { method: 'POST', body: new Uint8Array(bytes), headers: { 'Content-Type': type } })
  it('are kept by what they are, without what the camera wrote beside the picture', async () => {
    const [plain, told] = await Promise.all([send(png), send(withText)])
    expect([plain.status, told.status]).toEqual([201, 201])
    const { id } = await plain.json()
    expect((await told.json()).id).toBe(id)
    expect(Buffer.from(await bytesOf(`/photographs/${id}`)).equals(png)).toBe(true)
    const { id: other } = await (await send(jpeg, 'image/jpeg')).json()
    const kept = Buffer.from(await bytesOf(`/photographs/${other}`)).toString('latin1')
    expect(kept).toContain('JFIF')
    expect(kept).toContain('table')
    expect(kept).not.toMatch(/Exif|comment/)
  })
  it('end where they end: a second picture with its place goes, and so does a small one inside', async () => {
    const stowed = async (bytes: Uint8Array, type: string) => {
      const { id } = await (await send(bytes, type)).json()
      return Buffer.from(await bytesOf(`/photographs/${id}`)).toString('latin1')
    }
    const twice = await stowed(Buffer.concat([jpeg, jpeg, Buffer.from('with a place')]), 'image/jpeg')
    expect(twice).toBe(await stowed(jpeg, 'image/jpeg'))
    expect(await stowed(Buffer.concat([png, withText]), 'image/png')).toBe(png.toString('latin1'))
    const inside = Buffer.concat([
      jpeg.subarray(0, 2),
      segment(0xe0, 'JFIF with a small picture in it'),
      jpeg.subarray(2),
    ])
    expect(await stowed(inside, 'image/jpeg')).toBe(twice)
    // more scans, as a picture that comes sharper and sharper has, with a comment between them
    const scan = Buffer.from([0xff, 0xda, 0, 2, 7, 0xff, 0, 8, 0xff, 0xd3, 9])
    const scans = Buffer.concat([jpeg.subarray(0, -9), scan, segment(0xfe, 'a place'), scan, Buffer.from([0xff, 0xd9])])
    const kept = await stowed(scans, 'image/jpeg')
    expect(kept.split('\xff\xda')).toHaveLength(3)
    expect(kept).not.toContain('a place')
    expect((await send(scans.subarray(0, -2), 'image/jpeg')).status).toBe(415)
  })
  it('have no more dots than a page can draw, and one that cannot be read stops no record', async () => {
    const huge = Buffer.from(png)
    huge.writeUInt32BE(30_000, 16)
    huge.writeUInt32BE(30_000, 20)
    expect((await send(huge)).status).toBe(413)
    const wide = Buffer.from(jpeg)
    wide.set([0xff, 0xff, 0xff, 0xff], wide.indexOf(Buffer.from([0xff, 0xc0])) + 5)
    expect((await send(wide, 'image/jpeg')).status).toBe(413)
    // its head is well, its dots are not: kept, and told where it would stand
    const spoiled = Buffer.from(png)
    spoiled.fill(0x55, spoiled.indexOf('IDAT') + 4, spoiled.indexOf('IEND') - 8)
    const lying = Buffer.from(png)
    lying.writeUInt32BE(5000, 16)
    for (const [n, bytes] of [spoiled, lying].entries()) {
      const { id } = await (await send(bytes)).json()
      const { body: job } = await ask('/jobs/job-14')
      const taken = { id, type: 'image/png', label: `Spoiled ${n}`, at: 'report', by: 'R. T.', takenAt: '' }
      const document = { ...job.document, photographs: [taken] }
      const { body: stored } = await ask('/jobs/job-14', { version: job.version, document }, 'PUT')
      const { texts } = await read(await bytesOf('/jobs/job-14/record.pdf'))
      expect(texts.join(' ')).toContain(`Spoiled ${n}, R. T.: this picture cannot be read.`)
      if (n === 0) continue
      const signed = await ask('/jobs/job-14/sign', {
        version: stored.version,
        doneBy: 'R. T.',
        checkedBy: 'I. M.',
        unit: 'mm',
        accepted: acceptAll(document),
      })
      expect(signed.body.state).toBe('signed')
    }
  })
  it('must be pictures, whole, and not too large', async () => {
    expect((await send(Buffer.from('<svg onload="x()"/>'))).status).toBe(415)
    expect((await send(jpeg.subarray(0, 12), 'image/jpeg')).status).toBe(415)
    expect((await send(png.subarray(0, 40))).status).toBe(415)
    expect((await send(png, 'image/svg+xml')).status).toBe(415)
    expect((await send(Buffer.alloc(3 * 1024 * 1024 + 1))).status).toBe(413)
    expect((await app.request('/api/photographs/nothing')).status).toBe(400)
    expect((await app.request(`/api/photographs/${'0'.repeat(64)}`)).status).toBe(404)
  })
  it('come apart in one way only: stripped twice is stripped once, and broken bytes are refused', () => {
    const bytes = fc.uint8Array({ maxLength: 400 })
    const start = fc.constantFrom(...[jpeg, png, withText].map((one) => new Uint8Array(one)))
    fc.assert(
      fc.property(start, fc.nat(120), bytes, (whole, at, noise) => {
        const broken = Uint8Array.from([...whole.subarray(0, at), ...noise, ...whole.subarray(at)])
        const type = pictureType(broken)
        const bare = type && withoutMetadata(broken, type)
        if (!bare || !type) return
        expect(withoutMetadata(bare, type)).toEqual(bare)
        expect(bare.length).toBeLessThanOrEqual(broken.length)
      }),
      { numRuns: 2000 },
    )
  })
  it('are printed with the record, described for those who hear it', async () => {
    const { id } = await (await send(png)).json()
    const { body: job } = await ask('/jobs/job-12')
    const taken = { id, type: 'image/png', label: 'Shim pack, back feet', at: 'report', by: 'R. T.', takenAt: '' }
    const { status } = await ask(
      '/jobs/job-12',
      { version: job.version, document: { ...job.document, photographs: [taken] } },
      'PUT',
    )
    expect(status).toBe(200)
    const { trees, texts } = await read(await bytesOf('/jobs/job-12/record.pdf'))
    expect(trees).toContain('"alt":"Shim pack, back feet, R. T."')
    expect(texts.join(' ')).toContain('Photographs')
    await ask('/site', { name: 'Kelp Works', mark: id, checkedByAnother: false }, 'PUT')
    expect((await read(await bytesOf('/jobs/job-13/record.pdf'))).trees).toContain('"alt":"Kelp Works"')
    await ask('/site', { name: 'Skerry Point Kelp Works', mark: '', checkedByAnother: true }, 'PUT')
    const bad = { ...job.document, photographs: [{ ...taken, id: '../../etc' }] }
    expect((await ask('/jobs/job-12', { version: job.version + 1, document: bad }, 'PUT')).status).toBe(400)
  })
})

describe('a revision', () => {
  const revision = async (job = 'job-2', number = 1): Promise<SealedRevision> =>
    (await ask(`/jobs/${job}/revisions/${number}`)).body

  it('is found unchanged, and changed after any one byte', async () => {
    const text = await (await app.request('/api/jobs/job-2/revisions/1')).text()
    const solve = async () => JSON.parse(text).result
    const check = (changed: string) => verifyRevision(changed, { hash: sha256, solve })
    expect(await check(text)).toMatchObject({ ok: true, solvedAgain: 'same', exact: true })
    expect(await check(JSON.stringify(JSON.parse(text), null, 2))).toMatchObject({ ok: true, exact: false })
    // every letter and digit in turn would take long: one in a hundred
    const places = [...text].flatMap((letter, i) => (/[a-z0-9]/i.test(letter) && i % 101 === 0 ? [i] : []))
    expect(places.length).toBeGreaterThan(50)
    let refused = 0
    for (const i of places) {
      const other = text[i] === '1' ? '2' : text[i] === 'a' ? 'b' : /\d/.test(text[i]!) ? '1' : 'a'
      const changed = text.slice(0, i) + other + text.slice(i + 1)
      const found = await check(changed)
      // the seventeenth digit of a number may change and the number not: then it is told that the letters are others
      if (found.ok) expect([JSON.parse(changed), found.exact]).toEqual([JSON.parse(text), false])
      else refused++
    }
    expect(refused).toBeGreaterThan(0.97 * places.length)
    const other = await verifyRevision(text, { hash: sha256, solve: async () => ({}) })
    expect(other).toEqual({ ok: false, fault: 'other-result' })
  })
  it('is verified on the command line', async () => {
    const file = join(folder, 'revision.json')
    const text = await (await app.request('/api/jobs/job-3/revisions/2')).text()
    const verify = async (content: string) => {
      writeFileSync(file, content)
      return runCommand(verifyCommand, [file])
    }
    const good = await verify(text)
    expect([good.status, good.stderr]).toEqual([0, ''])
    expect(good.stdout).toMatch(
      /^Unchanged: job 3, Dryer circulation pump, revision 2, signed by K\. O\., checked by I\. M\./,
    )
    expect(good.stdout).toContain('the same result')
    const bad = await verify(text.replace('"doneBy":"K. O."', '"doneBy":"K. 0."'))
    expect([bad.status, bad.stdout]).toEqual([1, ''])
    expect(bad.stderr).toContain('changed after signing')
    expect((await verify('{')).stderr).toContain('not a JSON document')
    expect((await verify('{}')).stderr).toContain('not a signed Vane Peg revision')
    expect(await runCommand(verifyCommand, [`${folder}/none`])).toMatchObject({ status: 2, stdout: '' })
    expect(await runCommand(verifyCommand, [])).toMatchObject({ status: 2, stderr: expect.stringContaining('usage') })
    expect(await runCommand(verifyCommand, ['-'], text)).toMatchObject({ status: 0, stderr: '' })
  })
  it('prints the numbers of its sheet, with its hash on every page, tagged, and the same bytes each time', async () => {
    const sealed = await revision()
    const sheet = recordOfRevision(sealed)
    const first = await bytesOf('/jobs/job-2/revisions/1/record.pdf')
    expect(Buffer.from(await sheetPdf(sheet, new Date(sealed.signed.at))).equals(Buffer.from(first))).toBe(true)
    expect(Buffer.from(await bytesOf('/jobs/job-2/revisions/1/record.pdf')).equals(Buffer.from(first))).toBe(true)
    const { texts, trees, marked, info } = await read(first)
    // two for whoever runs the machine, then everything as it was typed
    expect(texts.length).toBeLessThanOrEqual(5)
    for (const text of texts) expect(text).toContain(sealed.sha256)
    expect(hashOf(sealed, sha256)).toBe(sealed.sha256)
    const all = texts.join(' ')
    expect(all).toContain('Within tolerance and verified.')
    expect(sealed.next?.on).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(all).toContain('Next check')
    expect(all).toContain('the chance of staying within tolerance falls to')
    for (const block of sheet.blocks)
      if (block.kind === 'table')
        for (const cell of block.rows.flat()) for (const word of cell.split(/\s+/)) expect(all).toContain(word)
    expect(marked).toMatchObject({ Marked: true })
    for (const tag of ['H1', 'Table', 'TH', 'TD', 'Figure', 'LBody']) expect(trees).toContain(`"role":"${tag}"`)
    expect(trees).toContain('"alt":"As left: both planes')
    expect(info.Title).toBe('Rinse pump 3: alignment record')
  })
  it(
    'prints jobs of every kind, read or not, in mil as well',
    async () => {
      const { body } = await ask('/jobs')
      const rows: { id: string; kind: string; state: string }[] = body.rows
      const first = new Map([...rows].reverse().map((row) => [`${row.kind} ${row.state}`, row]))
      for (const { id } of process.env.LONG ? rows : first.values()) {
        const { texts } = await read(await bytesOf(`/jobs/${id}/record.pdf?unit=mil`))
        expect(texts[0]).toContain('Not signed yet')
      }
    },
    runs(60_000, 900_000),
  )
  it('names its instruments, and marks one whose calibration has lapsed', async () => {
    const { body: job } = await ask('/jobs/job-4')
    const [id, name] = ['dial-7', 'Dial 7']
    job.document.rounds[0].sets[0].probes[0].kit = { dial: { id, name } }
    expect([...kitIn(job.document)]).toEqual([[id, name]])
    const sheet = recordOf(
      { number: 4, document: job.document },
      { unit: 'mm', instruments: new Map([[id, { name, due: '2001-01-01' }]]) },
    )
    expect(JSON.stringify(sheet.blocks)).toContain('1 Jan 2001: lapsed')
  })
  it('is told in plain text for a message, without its appendix', async () => {
    const text = plainText(recordOfRevision(await revision()))
    expect(text).toMatch(/^Rinse pump 3: alignment record\nSkerry Point Kelp Works/)
    expect(text).toContain('Motor, back feet, up')
    expect(text).not.toContain('as read')
  })
})

describe('a printed sheet', () => {
  const sheet = (blocks: Sheet['blocks']): Sheet => ({
    title: 'Sheet',
    under: ['under'],
    beside: ['beside'],
    foot: 'foot',
    blocks,
  })
  const printed = async (blocks: Sheet['blocks']) => read(await sheetPdf(sheet(blocks), new Date(0)))
  it('breaks a long table between its rows and loses none of them', async () => {
    const rows = Array.from({ length: 180 }, (_, i) => [`row ${i}`, 'x'.repeat(i % 30)])
    const { texts, trees } = await printed([{ kind: 'table', title: 'Long', head: ['a', 'b'], rows }])
    expect(texts.length).toBeGreaterThan(3)
    const all = texts.join(' ')
    for (const [name] of rows) expect(all).toContain(name)
    expect(trees.match(/"role":"TR"/g)?.length).toBeGreaterThan(150)
    texts.forEach((text, i) => {
      expect(text).toContain(`${i + 1} / ${texts.length}`)
    })
  })
  it('prints every letter of Latin, Greek and Cyrillic, and never noise for others', async () => {
    const names = 'Štěpán Øystein Żółć Ångström Ελλάδα Україна'
    const { texts } = await printed([{ kind: 'text', text: `${names} 日本 ±0.05 −1 ×2 “q”` }])
    const flat = texts.join('').replace(/\s+/g, '')
    for (const name of names.split(' ')) expect(flat).toContain(name)
    expect(flat).toContain('±0.05−1×2')
  })
  it('begins a new page where it is told to, but leaves none empty', async () => {
    const text = (words: string) => ({ kind: 'text' as const, text: words })
    const two = await printed([...Array.from({ length: 9 }, (_, i) => text(`one ${i}`)), { kind: 'page' }, text('two')])
    expect(two.texts).toHaveLength(2)
    const verdict = await printed([{ kind: 'page' }, text('first')])
    expect(verdict.texts).toHaveLength(1)
  })
  it('gives those who hear it a peg in words', async () => {
    const pdf = await sheetPdf(sheet([{ kind: 'list', items: [{ peg: 'outside', text: 'Soft foot' }] }]), new Date(0))
    expect(Buffer.from(pdf).toString('latin1')).toMatch(/ActualText/)
  })
})

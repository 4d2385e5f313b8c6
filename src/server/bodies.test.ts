import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openPlant } from '../testing/plant'
import { makeApp } from './app'
import { tooMuchIn } from './bodies'
import type { Store } from './db/open'
import { siteOf } from './site'

let folder: string
let store: Store
let app: ReturnType<typeof makeApp>
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  store = await openPlant(join(folder, 'site.db'))
  app = makeApp(siteOf(store), { pageFolder: folder, log: pino({ level: 'silent' }) })
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const send = async (path: string, body: string, method = 'POST') => {
  const answer = await app.request(`/api${path}`, { method, body, headers: { 'Content-Type': 'application/json' } })
  return { status: answer.status, body: await answer.json() }
}
const job = async () => (await app.request('/api/jobs/job-5')).json()

describe('a body is looked at before it is taken apart', () => {
  it('counts what stands outside of texts, and how deep it goes', () => {
    expect(tooMuchIn('[1,2,3]', 3)).toBeUndefined()
    expect(tooMuchIn('[1,2,3,4]', 3)).toMatch(/More than 3/)
    expect(tooMuchIn('["a,b,c,d\\\\\\",[[[["]', 3)).toBeUndefined()
    expect(tooMuchIn(`${'['.repeat(40)}${']'.repeat(40)}`, 100)).toBeUndefined()
    expect(tooMuchIn(`${'['.repeat(41)}${']'.repeat(41)}`, 100)).toMatch(/deeper than 40/)
    expect(tooMuchIn('{"a":{"b":{}}}'.repeat(3), 8)).toMatch(/More than 8/)
  })

  it.each([
    ['zeros', '/jobs', `[${'0,'.repeat(1_900_000)}0]`, 400],
    ['brackets', '/solve', '['.repeat(3_900_000), 400],
    ['objects in objects', '/solve', '{"a":'.repeat(600_000), 400],
    ['keys', '/jobs', `{${Array.from({ length: 300_000 }, (_, i) => `"k${i}":1`).join(',')}}`, 400],
    ['more than a job is', '/jobs', `"${'x'.repeat(4 * 1024 * 1024)}"`, 413],
    ['more than a line is', '/lines', `"${'x'.repeat(600_000)}"`, 413],
    ['more than a name and a password are', '/door/sign-in', `"${'x'.repeat(9000)}"`, 413],
    ['a quotation mark without its end', '/solve', '"'.padEnd(3_000_000, 'x'), 400],
  ])('%s: refused in a sentence', async (_, path, body, status) => {
    const answer = await send(path, body)
    expect(answer.status).toBe(status)
    expect(answer.body.error.message).toMatch(/^\S.{4,}$/)
  })

  it.each(['line', 'rounds', 'seat', 'ready', 'photographs'])(
    'zeros in the %s of a job stop at the first',
    async (at) => {
      const { document, version } = await job()
      const { status, body } = await send(
        '/jobs/job-5',
        JSON.stringify({ version, document: { ...document, [at]: Array(500_000).fill(0) } }),
        'PUT',
      )
      expect(status).toBe(400)
      expect(body.error.path).toMatch(new RegExp(`^document\\.${at}`))
    },
  )

  it('takes what a job may hold: a sweep of a hundred thousand points with four channels', async () => {
    const { document } = await job()
    const [round] = document.rounds
    const degrees = Array.from({ length: 100_000 }, (_, i) => Number((i * 0.0036).toFixed(3)))
    const values = Array.from({ length: 4 }, () => degrees.map((at) => Number(Math.sin(at).toFixed(4))))
    const sweep = { ...document, rounds: [{ ...round, more: { degrees, values } }] }
    const text = JSON.stringify({ version: 1, document: sweep })
    expect(text.length).toBeLessThan(4 * 1024 * 1024)
    expect(tooMuchIn(text, 600_000)).toBeUndefined()
  })
})

describe('what pages of other sites ask for', () => {
  const foreign = (path: string, more: Record<string, string> = {}) =>
    app.request(path, { headers: { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors', ...more } })
  it.each(['/api/tags/lines.pdf', '/api/archive', '/api/jobs/job-5/report.pdf', '/api/jobs'])(
    '%s is not made for them',
    async (path) => {
      expect((await foreign(path)).status).toBe(403)
      // somebody who follows a link comes from another site as well
      expect((await foreign(path, { 'sec-fetch-mode': 'navigate' })).status).toBe(200)
    },
  )
})

import 'fake-indexeddb/auto'
import { QueryClient } from '@tanstack/react-query'
import fc from 'fast-check'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { jobFrom } from '../../core/job/make'
import { type AnyJob, type AnyLine, kindNames, kindOf } from '../../core/kinds'
import { ownAnswer } from '../../core/site/answer'
import { tries } from '../../testing/anything'
import { newLineParts } from '../../testing/newLineParts'
import type { StoredJob } from '../api/client'
import { isReached, isUnreached } from '../api/reach'
import { lineKnownHere } from '../notebook/learnedHere'
import { draftStore } from '../notebook/shelves'
import { copiesOf, copyOf, fetchOrCopy, keepCopy, tidyCopies } from './copies'
import { fits } from './list'
import { make, noNumber, onMade, sendMade, unmade } from './made'
import { askAgain } from './queries'
import { tablet, writeFault } from './store'
import { keepUp } from './sync'
import { concerns, leaveBehind, linesTaken, takeAlong } from './take'

const line = kindOf({ kind: 'train' }).makeLine('Rinse pump 4', 'mm', ['motor', 'pump'])
const jobDocument = () =>
  jobFrom(line, kindOf({ kind: 'train' }).makeRound(line, '2026-03-02T08:00:00.000Z', 'mm'), 'After overhaul') as AnyJob

/** A server that keeps what it is sent, numbers jobs, and may be away or lose its answers. */
const server = { away: false, deaf: false, jobs: new Map<string, StoredJob>(), lines: new Map<string, object>() }

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json', [ownAnswer]: '1' } })

async function answer(address: string, init?: RequestInit): Promise<Response> {
  if (server.away) throw new TypeError('Failed to fetch')
  const [, kind, id, part] = /\/api\/(\w+)(?:\/([^/?]+))?(?:\/(\w+))?/.exec(address) ?? []
  const sent = init?.body ? JSON.parse(String(init.body)) : undefined
  const respond = () => {
    if (kind === 'kit') return json([])
    if (kind === 'site') return json({ name: '', mark: '', checkedByAnother: false })
    if (init?.method === 'POST' && kind === 'jobs') {
      if (!server.lines.has(sent.lineId))
        return json({ error: { path: 'lineId', message: 'There is no such line.' } }, 404)
      if (!server.jobs.has(sent.id))
        server.jobs.set(sent.id, {
          ...row(sent.id, server.jobs.size + 1),
          lineId: sent.lineId,
          document: sent.document,
        })
      return json(server.jobs.get(sent.id), 201)
    }
    if (init?.method === 'POST') {
      if (!server.lines.has(sent.id)) server.lines.set(sent.id, { ...sent, version: 1 })
      return json(server.lines.get(sent.id), 201)
    }
    if (kind === 'lines' && part === 'along')
      return json({
        line: server.lines.get(id ?? ''),
        jobs: [...server.jobs.values()].filter((job) => job.lineId === id),
      })
    if (kind === 'lines' && part === 'logbook') return json([])
    const found = kind === 'jobs' ? server.jobs.get(id ?? '') : server.lines.get(id ?? '')
    return found ? json(found) : json({ error: { path: 'id', message: 'Job not found.' } }, 404)
  }
  const response = respond()
  if (server.deaf) throw new TypeError('The answer was lost')
  return response
}

const row = (id: string, number: number): StoredJob =>
  ({
    id,
    number,
    lineId: 'line-1',
    state: 'in-hand',
    version: 1,
    title: 'After overhaul',
    lineName: 'Rinse pump 4',
    area: 'Wash hall',
    signedBy: null,
    archivedAt: null,
    dueOn: null,
    updatedAt: '2026-03-02T08:00:00.000Z',
    document: jobDocument(),
  }) as unknown as StoredJob

beforeEach(async () => {
  Object.assign(server, { away: false, deaf: false, jobs: new Map(), lines: new Map() })
  vi.stubGlobal('fetch', (address: string, init?: RequestInit) => answer(String(address), init))
  const db = await tablet()
  for (const store of ['copies', 'taken', 'made', 'pictures'] as const) await db.clear(store)
})
afterEach(() => void vi.unstubAllGlobals())

describe('what is made without the server', () => {
  it('is there at once with no number, and has one when the server has it', async () => {
    server.away = true
    expect(await make('line', { id: 'line-new', document: line })).toBe('line-new')
    expect(await make('job', { id: 'job-new', lineId: 'line-new', document: jobDocument() })).toBe('job-new')
    expect(isReached()).toBe(false)
    expect(await copyOf('job', 'job-new')).toMatchObject({ number: noNumber, lineId: 'line-new', state: 'in-hand' })
    await expect(sendMade()).rejects.toSatisfy(isUnreached)
    expect(await unmade()).toHaveLength(2)
    server.away = false
    const heard = vi.fn()
    const off = onMade(heard)
    expect(await sendMade()).toEqual(['line:line-new', 'job:job-new'])
    off()
    expect(heard).toHaveBeenCalledOnce()
    expect(await copyOf('job', 'job-new')).toMatchObject({ number: 1 })
    expect(await unmade()).toEqual([])
  })
  it('sends what a job needs before the job, when only the job is asked for', async () => {
    server.away = true
    await make('job', { id: 'job-other', lineId: 'line-1', document: jobDocument() })
    await make('line', { id: 'line-new', document: line })
    await make('job', { id: 'job-new', lineId: 'line-new', document: jobDocument() })
    server.away = false
    expect(await sendMade('job:job-new')).toEqual(['line:line-new', 'job:job-new'])
    expect((await unmade()).map(({ key }) => key)).toEqual(['job:job-other'])
  })
  it('sends a line before its job where both were made in one moment', async () => {
    const now = vi.spyOn(Date, 'now').mockReturnValue(1_700_000_000_000)
    server.away = true
    await make('line', { id: 'line-new', document: line })
    await make('job', { id: 'job-new', lineId: 'line-new', document: jobDocument() })
    server.away = false
    expect(await sendMade()).toEqual(['line:line-new', 'job:job-new'])
    now.mockRestore()
  })
  it('says why the server will not have it, and keeps it', async () => {
    server.away = true
    await make('job', { id: 'job-new', lineId: 'line-gone', document: jobDocument() })
    server.away = false
    await expect(sendMade()).rejects.toThrow('There is no such line.')
    expect(await unmade()).toHaveLength(1)
  })
  it('arrives exactly once, whatever is lost on the way', async () => {
    const act = fc.constantFrom('make', 'send', 'away', 'back', 'deaf', 'hears')
    await fc.assert(
      fc.asyncProperty(fc.array(act, { minLength: 5, maxLength: 25 }), async (acts) => {
        Object.assign(server, { away: false, deaf: false, jobs: new Map(), lines: new Map([['line-1', {}]]) })
        const begun: string[] = []
        for (const [i, one] of acts.entries()) {
          if (one === 'make') {
            await make('job', { id: `job-made-${i}`, lineId: 'line-1', document: jobDocument() })
            begun.push(`job-made-${i}`)
          } else if (one === 'send') await sendMade().catch(() => undefined)
          else if (one === 'away' || one === 'back') server.away = one === 'away'
          else server.deaf = one === 'deaf'
        }
        Object.assign(server, { away: false, deaf: false })
        await sendMade()
        expect([...server.jobs.keys()].sort()).toEqual([...begun].sort())
        expect(new Set([...server.jobs.values()].map(({ number }) => number)).size).toBe(begun.length)
        expect(await unmade()).toEqual([])
        for (const id of begun) expect((await copyOf('job', id))?.number).toBe(server.jobs.get(id)?.number)
      }),
      tries(40),
    )
  })
})

describe('copies', () => {
  it('never go back to an older version', async () => {
    await keepCopy('job', { ...row('job-1', 1), version: 4 })
    await keepCopy('job', { ...row('job-1', 1), version: 3 })
    expect((await copyOf('job', 'job-1'))?.version).toBe(4)
  })
  it('answer where the server is not reached; a refusal is a refusal, and what is not here is said', async () => {
    const { api } = await import('../api/client')
    const fetched = (id: string) => fetchOrCopy('job', id, () => api.jobs[':id'].$get({ param: { id } }))
    server.jobs.set('job-1', row('job-1', 1))
    expect((await fetched('job-1')).number).toBe(1)
    await vi.waitFor(async () => expect(await copyOf('job', 'job-1')).toBeDefined())
    server.away = true
    expect((await fetched('job-1')).number).toBe(1)
    await expect(fetched('job-2')).rejects.toThrow('not saved on this tablet')
    server.away = false
    server.jobs.clear()
    await expect(fetched('job-1')).rejects.toThrow('Job not found.')
  })
  it('that were opened long ago go, but not those of lines taken along nor what is not sent', async () => {
    const db = await tablet()
    await db.put('taken', { line: 'line-taken', at: 0 })
    for (let i = 0; i < 60; i++) {
      await keepCopy('job', { ...row(`job-${i}`, i + 1), lineId: i < 5 ? 'line-taken' : 'line-1' })
      const copy = await db.get('copies', `job:job-${i}`)
      await db.put('copies', { ...copy!, at: i })
    }
    await tidyCopies(new Set(['job:job-6']))
    const kept = (await copiesOf('job')).map(({ id }) => Number(id.slice(4))).sort((a, b) => a - b)
    expect(kept).toEqual([0, 1, 2, 3, 4, 6, ...Array.from({ length: 40 }, (_, i) => i + 20)])
  })
  it('that cannot be kept are said', async () => {
    const db = await tablet()
    const full = vi.spyOn(db, 'transaction').mockImplementation(() => {
      throw new DOMException('The quota has been exceeded.', 'QuotaExceededError')
    })
    expect(await keepCopy('job', row('job-1', 1))).toBe(false)
    expect(writeFault()).toContain('quota')
    full.mockRestore()
    expect(await keepCopy('job', row('job-1', 1))).toBe(true)
    expect(writeFault()).toBeUndefined()
  })
})

describe('a line taken along', () => {
  it('brings its open jobs, and goes again without what others need', async () => {
    server.lines.set('line-1', { id: 'line-1', version: 1, document: line })
    server.jobs.set('job-1', row('job-1', 1))
    await takeAlong('line-1', new QueryClient())
    expect(await linesTaken()).toEqual(['line-1'])
    expect((await copiesOf('job')).map(({ id }) => id)).toEqual(['job-1'])
    expect([await concerns('line', 'line-1'), await concerns('job', 'job-1'), await concerns('job', 'job-9')]).toEqual([
      true,
      true,
      false,
    ])
    await leaveBehind('line-1', new Set())
    expect(await linesTaken()).toEqual([])
    expect(await concerns('job', 'job-1')).toBe(false)
  })
  it('is brought up to date when any of several changes heard of at once is one of its own', async () => {
    const client = new QueryClient()
    server.lines.set('line-1', { id: 'line-1', version: 1, document: line })
    server.jobs.set('job-1', row('job-1', 1))
    await takeAlong('line-1', client)
    server.jobs.set('job-1', { ...row('job-1', 1), version: 2 })
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    keepUp(client, 'job', 'job-of-another-line')
    keepUp(client, 'job', 'job-1')
    await vi.advanceTimersByTimeAsync(3100)
    vi.useRealTimers()
    await vi.waitFor(async () => expect((await copyOf('job', 'job-1'))?.version).toBe(2))
  })
  it('is refused with a sentence where the server is not reached', async () => {
    server.away = true
    await expect(takeAlong('line-1', new QueryClient())).rejects.toSatisfy(isUnreached)
    expect(await linesTaken()).toEqual([])
  })
})

describe('lists kept from the page before', () => {
  it('are asked for again however young they look, but not what was signed', async () => {
    const client = new QueryClient({ defaultOptions: { queries: { staleTime: 60_000 } } })
    client.setQueryData(['jobs', {}], [])
    client.setQueryData(['revision', 'job-1', 1], {})
    const old = (key: unknown[]) => client.getQueryState(key)?.isInvalidated
    expect(old(['jobs', {}])).toBe(false)
    await askAgain(client)
    expect([old(['jobs', {}]), old(['revision', 'job-1', 1])]).toEqual([true, false])
  })
})

describe('the list without the server', () => {
  it('finds by every word, the number, the state and the area', () => {
    const one = row('job-1', 14)
    const asked = (query: Partial<Parameters<typeof fits>[1]>) => fits(one, { page: '0', ...query })
    expect(asked({})).toBe(true)
    expect(asked({ search: 'rinse WASH' })).toBe(true)
    expect(asked({ search: 'job 14' })).toBe(true)
    expect(asked({ search: 'rinse dryer' })).toBe(false)
    expect(asked({ state: 'due' })).toBe(false)
    expect(asked({ area: 'Wash hall', state: 'in-hand' })).toBe(true)
    expect(asked({ archived: 'yes' })).toBe(false)
  })
})

describe('a line that a job has taught something without the server', () => {
  it.each(kindNames)('begins the next job with it: %s', async (kind) => {
    const of = kindOf({ kind })
    const own = of.makeLine('Rinse pump 4', 'mm', newLineParts[kind]) as AnyLine
    const job = jobFrom(own, of.makeRound(own, '2026-03-02T08:00:00.000Z', 'mm'), 'After overhaul') as AnyJob
    server.away = true
    await make('line', { id: 'line-1', document: own })
    await make('job', { id: 'job-1', lineId: 'line-1', document: job })
    const typed = { ...job, line: { ...job.line, name: 'Rinse pump 4b' } } as AnyJob
    const kept = {
      page: 'p',
      title: '',
      at: 1,
      unsent: true,
      version: 1,
      sent: undefined,
      open: [],
      past: [],
      future: [],
    }
    await draftStore.keep({ ...kept, key: 'job:job-1', base: job, document: typed })
    // of another line, and of none
    await make('job', { id: 'job-2', lineId: 'line-2', document: job })
    await draftStore.keep({
      ...kept,
      key: 'job:job-2',
      base: job,
      document: { ...typed, line: { ...typed.line, name: 'x' } },
    })
    await draftStore.keep({ ...kept, key: 'line:line-1', base: own, document: own })
    expect((await lineKnownHere('line-1', own)).name).toBe('Rinse pump 4b')
    expect(await lineKnownHere('line-3', own)).toBe(own)
    for (const key of ['job:job-1', 'job:job-2', 'line:line-1']) await draftStore.drop(key, 'p')
    expect(await lineKnownHere('line-1', own)).toBe(own)
  })
})

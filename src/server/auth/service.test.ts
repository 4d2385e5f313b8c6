import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { mayAs, type Role, roles } from '../../core/people/roles'
import { openPlant } from '../../testing/plant'
import { makeApp } from '../app'
import type { Store } from '../db/open'
import { insertPerson, personByMailbox } from '../db/people'
import { checkTrail, sealTrail, trailRows } from '../db/trail'
import { siteOf } from '../site'
import { mailboxOf } from './accounts'
import { permissionFor, permissions } from './permissions'
import { AuthService } from './service'
import { Throttle } from './throttle'

const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
const origin = 'http://localhost'
const password = 'a long pass phrase'
let store: Store
let door: AuthService
let app: ReturnType<typeof makeApp>
/** The cookie of somebody signed in, by role. */
const cookies = new Map<Role, string>()
const idOf = new Map<Role, string>()

interface Ask {
  method?: string
  body?: unknown
  cookie?: string | undefined
  headers?: Record<string, string>
}
const ask = async (path: string, { method = 'GET', body, cookie, headers = { Origin: origin } }: Ask = {}) =>
  app.request(path, {
    method,
    headers: {
      ...headers,
      ...(cookie ? { Cookie: cookie } : {}),
      ...(method === 'GET' ? {} : { 'Content-Type': 'application/json' }),
    },
    ...(method === 'GET' ? {} : { body: JSON.stringify(body ?? {}) }),
  })

/** What a browser would send back of what was set. */
const cookieOf = (response: Response) =>
  response.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')

async function signedIn(signIn: string, secret = password, cookie?: string): Promise<string> {
  const response = await ask('/api/door/sign-in', { method: 'POST', body: { signIn, password: secret }, cookie })
  expect(response.status).toBe(200)
  return cookieOf(response)
}

async function newPerson(signIn: string, role: Role, initials = ''): Promise<string> {
  const made = await insertPerson(store.db, { name: signIn.toUpperCase(), initials, role, email: mailboxOf(signIn) })
  expect(await door.claim(signIn, await door.codeFor(made), password, 'here')).toBe(true)
  return made.id
}

beforeAll(async () => {
  store = await openPlant(join(folder, 'test.db'))
  door = new AuthService(store.db, {
    secret: 'x'.repeat(40),
    secure: false,
    proxied: false,
    metrics: 'monitoring-token',
  })
  app = makeApp(siteOf(store, undefined, door), { pageFolder: 'src/web', log: pino({ level: 'silent' }) })
  for (const role of roles) {
    idOf.set(role, await newPerson(role, role, `${role[0]}. ${role[1]}.`))
    cookies.set(role, await signedIn(role))
  }
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

describe('who may do what', () => {
  const routes = () =>
    app.routes.filter(({ path, method }) => path.startsWith('/api/') && method !== 'ALL' && !path.includes('*'))

  it('is said for every route there is, and for nothing else', () => {
    const there = new Set(routes().map(({ method, path }) => `${method} ${path.replace(/\/$/, '')}`))
    const said = permissions.filter(([method]) => method !== 'SOCKET').map(([method, path]) => `${method} ${path}`)
    expect(new Set(said)).toEqual(there)
    expect(new Set(said).size).toBe(said.length)
    expect(permissionFor('GET', '/api/nothing')).toBeUndefined()
    expect(permissionFor('DELETE', '/api/jobs/job-1')).toBeUndefined()
    expect(permissionFor('GET', '/api/jobs/overview')).toBe('reader')
  })

  it('is held at every route for every role, and for nobody', async () => {
    const who: (Role | undefined)[] = [undefined, ...roles]
    let asked = 0
    for (const [method, path, need] of permissions) {
      if (method === 'SOCKET' || path.startsWith('/api/door')) continue
      for (const role of who) {
        // an id that nothing has, and a body that is none: what is let through is refused for that, or answered
        const response = await ask(path.replace(/:\w+/g, 'no-such-thing'), {
          method,
          cookie: role && cookies.get(role),
        })
        const name = `${method} ${path} as ${role ?? 'nobody'}`
        if (need === 'anyone') expect([401, 403], name).not.toContain(response.status)
        else if (!role) expect(response.status, name).toBe(401)
        else if (!mayAs(role, need)) expect(response.status, name).toBe(403)
        else expect([401, 403], name).not.toContain(response.status)
        expect(response.status, name).toBeLessThan(500)
        await response.arrayBuffer()
        asked++
      }
    }
    expect(asked).toBeGreaterThan(200)
  })

  it('lets monitoring be told what the server counts by its own word, and nobody else at the root', async () => {
    expect((await ask('/api/metrics', { headers: { Authorization: 'Bearer monitoring-token' } })).status).toBe(200)
    expect((await ask('/api/metrics', { headers: { Authorization: 'Bearer another' } })).status).toBe(401)
    expect(await (await ask('/metrics')).text()).not.toContain('vane_peg_request_seconds')
  })
})

describe('a session', () => {
  it('is a cookie that no script reads and no other site sends, and another one at every sign-in', async () => {
    await newPerson('cookies', 'reader')
    const response = await ask('/api/door/sign-in', { method: 'POST', body: { signIn: 'cookies', password } })
    for (const cookie of response.headers.getSetCookie())
      expect(cookie).toMatch(/HttpOnly.*SameSite=Strict|SameSite=Strict.*HttpOnly/i)
    const first = cookieOf(response)
    // the one a browser had before ends with it: what somebody planted there is worth nothing
    const second = await signedIn('cookies', password, first)
    expect(second).not.toBe(first)
    expect((await ask('/api/jobs', { cookie: first })).status).toBe(401)
    expect((await ask('/api/jobs', { cookie: second })).status).toBe(200)
    // a cookie of one's own making is nobody's
    expect((await ask('/api/jobs', { cookie: `${second.slice(0, -6)}AAAAAA` })).status).toBe(401)
    await ask('/api/door/sign-out', { method: 'POST', cookie: second })
    expect((await ask('/api/jobs', { cookie: second })).status).toBe(401)
  })
  it('that was stolen ends with signing out everywhere, with another password, and with the account', async () => {
    const id = await newPerson('stolen', 'reader')
    const works = async (cookie: string) => (await ask('/api/jobs', { cookie })).status === 200
    const [mine, stolen] = [await signedIn('stolen'), await signedIn('stolen')]
    expect([await works(mine), await works(stolen)]).toEqual([true, true])
    await ask('/api/door/sign-out-everywhere', { method: 'POST', cookie: mine })
    expect([await works(mine), await works(stolen)]).toEqual([false, false])

    const [again, other] = [await signedIn('stolen'), await signedIn('stolen')]
    const next = 'another pass phrase'
    const wrong = await ask('/api/door/password', { method: 'PUT', cookie: again, body: { old: 'x', next } })
    expect(wrong.status).toBe(400)
    const changed = await ask('/api/door/password', { method: 'PUT', cookie: again, body: { old: password, next } })
    expect(changed.status).toBe(200)
    expect([await works(cookieOf(changed)), await works(other)]).toEqual([true, false])

    const administrator = cookies.get('administrator')
    const away = { name: 'Stolen', initials: '', role: 'reader', putAway: true }
    expect((await ask(`/api/people/${id}`, { method: 'PUT', cookie: administrator, body: away })).status).toBe(200)
    expect(await works(cookieOf(changed))).toBe(false)
    const refused = await ask('/api/door/sign-in', { method: 'POST', body: { signIn: 'stolen', password: next } })
    expect(refused.status).toBe(401)
  })
  it('is not to be guessed at: after a few tries none is looked at, right or wrong, even many at once', async () => {
    await newPerson('guessed', 'reader')
    const tries = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        ask('/api/door/sign-in', { method: 'POST', body: { signIn: 'guessed', password: `wrong ${i}` } }),
      ),
    )
    const statuses = tries.map(({ status }) => status)
    expect(statuses.filter((status) => status === 401)).toHaveLength(5)
    expect(statuses.filter((status) => status === 429)).toHaveLength(7)
    const right = await ask('/api/door/sign-in', { method: 'POST', body: { signIn: 'guessed', password } })
    expect(right.status).toBe(429)
    expect(Number(right.headers.get('Retry-After'))).toBeGreaterThan(60)
  })
  it('is refused alike for a name that nobody has and for a wrong password', async () => {
    const [nobody, wrong] = await Promise.all(
      ['nobody-at-all', 'reader'].map((signIn) =>
        ask('/api/door/sign-in', { method: 'POST', body: { signIn, password: 'not the password' } }),
      ),
    )
    expect([nobody?.status, wrong?.status]).toEqual([401, 401])
    expect(await nobody?.json()).toEqual(await wrong?.json())
  })
  it('writes only for a request that says it comes from this server’s own page', async () => {
    const cookie = cookies.get('administrator')
    const site = await (await ask('/api/site', { cookie })).json()
    const put = (headers: Record<string, string>) =>
      ask('/api/site', { method: 'PUT', cookie, body: site, headers }).then(({ status }) => status)
    expect(await put({ Origin: origin })).toBe(200)
    expect(await put({ 'Sec-Fetch-Site': 'same-origin' })).toBe(200)
    expect(await put({})).toBe(403)
    expect(await put({ Origin: 'http://elsewhere.invalid' })).toBe(403)
    expect(await put({ Origin: 'null' })).toBe(403)
  })
})

describe('a one-time code', () => {
  it('chooses a password once, for its own account only, and ends every session from before', async () => {
    const made = await insertPerson(store.db, {
      name: 'Coded',
      initials: '',
      role: 'reader',
      email: mailboxOf('coded'),
    })
    const codes = [await door.codeFor(made), await door.codeFor(made), await door.codeFor(made)]
    const claim = (signIn: string, code = '', secret = password) =>
      ask('/api/door/claim', { method: 'POST', body: { signIn, code, password: secret } }).then(({ status }) => status)
    expect(await claim('reader', codes[0])).toBe(401)
    expect(await claim('coded', codes[0], 'short')).toBe(400)
    expect(await claim('coded', codes[0])).toBe(200)
    expect(await claim('coded', codes[0])).toBe(401)
    // the others that were out hold no more
    expect(await claim('coded', codes[1])).toBe(401)
    const cookie = await signedIn('coded')
    const administrator = cookies.get('administrator')
    const given = await ask(`/api/people/${made.id}/code`, { method: 'POST', cookie: administrator })
    expect(given.status).toBe(200)
    expect(await claim('coded', (await given.json()).code, 'one more pass phrase')).toBe(200)
    expect((await ask('/api/jobs', { cookie })).status).toBe(401)
  })
})

describe('people', () => {
  const administrator = () => cookies.get('administrator')
  it('are invited by an administrator, with initials and sign-in names that are theirs alone', async () => {
    const post = (body: object) => ask('/api/people', { method: 'POST', cookie: administrator(), body })
    const asked = { name: 'I. Marsh', initials: 'I. M.', role: 'millwright', signIn: 'i.marsh' }
    const made = await post(asked)
    expect(made.status).toBe(201)
    expect((await made.json()).code).toMatch(/^\w{20,}$/)
    expect((await post({ ...asked, initials: 'X' })).status).toBe(409)
    const same = await post({ ...asked, signIn: 'other', initials: 'im' })
    expect(await same.json()).toMatchObject({ error: { path: 'initials' } })
    expect((await post({ ...asked, signIn: 'No Spaces!' })).status).toBe(400)
    const list = await (await ask('/api/people', { cookie: administrator() })).json()
    expect(list.find((one: { signIn: string }) => one.signIn === 'i.marsh')).toMatchObject({
      role: 'millwright',
      hasPassword: false,
      hasPin: false,
    })
    expect(list.find((one: { signIn: string }) => one.signIn === 'planner')).toMatchObject({
      hasPassword: true,
      signedIn: 1,
    })
    expect(JSON.stringify(list)).not.toMatch(/password"?:\s*"|invalid/)
  })
  it('keep one administrator, whatever is changed', async () => {
    const id = idOf.get('administrator')
    const change = (role: Role, putAway: boolean) =>
      ask(`/api/people/${id}`, {
        method: 'PUT',
        cookie: administrator(),
        body: { name: 'A', initials: 'a. d.', role, putAway },
      })
    expect((await change('reader', false)).status).toBe(409)
    expect((await change('administrator', true)).status).toBe(409)
    expect((await change('administrator', false)).status).toBe(200)
  })
})

describe('a signature', () => {
  it('needs initials and the PIN of the same account, whoever is signed in, and is bound to it', async () => {
    const cookie = cookies.get('millwright')
    const pin = (body: object, of: Role = 'millwright') =>
      ask('/api/door/pin', { method: 'PUT', cookie: cookies.get(of), body }).then(({ status }) => status)
    expect(await pin({ password: 'wrong', pin: '4711' })).toBe(400)
    expect(await pin({ password, pin: '47' })).toBe(400)
    expect(await pin({ password, pin: '4711' })).toBe(200)
    expect(await pin({ password, pin: '1234' }, 'reader')).toBe(200)
    expect(await pin({ password, pin: '1147' }, 'planner')).toBe(200)

    const job = await (await ask('/api/jobs/job-5', { cookie })).json()
    const told = async (change: object) => {
      const body = { version: job.version, doneBy: 'M. I.', donePin: '4711', checkedBy: '', unit: 'mm', accepted: [] }
      const response = await ask('/api/jobs/job-5/sign', { method: 'POST', cookie, body: { ...body, ...change } })
      return { status: response.status, ...(await response.json()) }
    }
    expect(await told({ donePin: '0000' })).toMatchObject({ status: 403, error: { path: 'donePin' } })
    expect(await told({ donePin: '' })).toMatchObject({ status: 403, error: { path: 'donePin' } })
    expect(await told({ doneBy: 'Q. Q.' })).toMatchObject({ status: 403 })
    // a reader signs nothing
    expect(await told({ doneBy: 'r. e.', donePin: '1234' })).toMatchObject({ status: 403 })
    expect(await told({ checkedBy: 'P. L.', checkedPin: '1' })).toMatchObject({
      status: 403,
      error: { path: 'checkedPin' },
    })
    // past the PIN: what is open on the job is said
    const open = await told({})
    expect(open.status).toBe(422)
    const accepted: { key: string; because: string }[] = []
    const { provedOf } = await import('../../core/job/proved')
    const { openKey } = await import('../../core/prove/proof')
    for (const one of provedOf(job.document).proof.open)
      accepted.push({ key: openKey(one), because: 'Left for the outage' })
    const signed = await told({ accepted, checkedBy: 'pl', checkedPin: '1147' })
    expect(signed.status).toBe(200)
    const revision = await (await ask('/api/jobs/job-5/revisions/1', { cookie })).json()
    expect(revision.signed).toMatchObject({ doneBy: 'M. I.', accounts: { doneBy: 'MILLWRIGHT', checkedBy: 'PLANNER' } })

    const reopen = (body: object) =>
      ask('/api/jobs/job-5/reopen', { method: 'POST', cookie: cookies.get('planner'), body }).then(
        ({ status }) => status,
      )
    expect(await reopen({ by: 'M. I.', pin: '4711', because: 'Read again' })).toBe(403)
    expect(await reopen({ by: 'P. L.', pin: '1147', because: 'Read again' })).toBe(200)
  })
})

describe('the trail', () => {
  it('tells who did what, in one chain that no statement changes', async () => {
    const cookie = cookies.get('millwright')
    const { version, document } = await (await ask('/api/jobs/job-6', { cookie })).json()
    for (const step of [0, 1, 2])
      await ask('/api/jobs/job-6', { method: 'PUT', cookie, body: { version: version + step, document } })
    // an edit that is not stored is not told
    await ask('/api/jobs/job-6', { method: 'PUT', cookie, body: { version, document } })
    const rows = await (await ask('/api/trail', { cookie: cookies.get('administrator') })).json()
    const [edited, ...more] = rows.filter(
      ({ kind, of, act }: Record<string, string>) => kind === 'job' && of === 'job-6' && act === 'edited',
    )
    expect(edited).toMatchObject({
      name: 'MILLWRIGHT',
      person: idOf.get('millwright'),
      more: JSON.stringify({ from: version }),
    })
    expect(more).toEqual([])
    expect(rows.some(({ act }: { act: string }) => act === 'wrong PIN')).toBe(true)

    const check = await (await ask('/api/trail/check', { cookie: cookies.get('administrator') })).json()
    expect(check).toMatchObject({ brokenAt: null, head: expect.stringMatching(/^[0-9a-f]{64}$/) })
    expect(check.rows).toBeGreaterThan(rows.length)
    const whole = await (await ask('/api/trail/whole.jsonl', { cookie: cookies.get('administrator') })).text()
    expect(whole.trim().split('\n')).toHaveLength(check.rows)

    await expect(store.client.execute(`update trail set name = 'x' where number = 1`)).rejects.toThrow(/only added to/)
    await expect(store.client.execute('delete from trail where number = 1')).rejects.toThrow(/only added to/)
    await expect(
      store.client.execute(
        `insert or replace into trail (number, at, name, act, kind, "of") values (1, '', 'x', 'made', 'job', 'x')`,
      ),
    ).rejects.toThrow(/only added to/)
    // one who owns the file can do it all the same: then the chain says where
    await store.client.execute('drop trigger trail_as_written')
    await store.client.execute(`update trail set name = 'somebody else' where number = 7`)
    await sealTrail(store.db)
    expect(await checkTrail(trailRows(store.db))).toMatchObject({ rows: 6, brokenAt: 7 })
  })
  it('has no password, PIN or code in it', async () => {
    const told: string[] = []
    for await (const { name, act, kind, more } of trailRows(store.db))
      told.push(JSON.stringify({ name, act, kind, more }))
    expect(told.length).toBeGreaterThan(50)
    expect(told.join('\n').replace(/"sha256\W+\w+/g, '')).not.toMatch(/pass phrase|4711|1147|code\W+:/)
    expect((await personByMailbox(store.db, mailboxOf('millwright')))?.pin).not.toContain('4711')
  })
})

describe('the throttle', () => {
  it('lets as many right tries through as there are', async () => {
    const throttle = new Throttle()
    for (let i = 0; i < 100; i++) expect(await throttle.one('k', 'here', async () => true)).toBe(true)
  })
  it('holds one address at whatever account', async () => {
    const throttle = new Throttle()
    const wrong = (i: number) => throttle.one(`account ${i}`, 'there', async () => undefined)
    for (let i = 0; i < 60; i++) await wrong(i)
    await expect(wrong(60)).rejects.toThrow(/Too many/)
    // another one is not held for it
    expect(await throttle.one('account 1', 'elsewhere', async () => true)).toBe(true)
  })
})

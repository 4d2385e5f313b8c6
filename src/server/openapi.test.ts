import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Ajv2020 } from 'ajv/dist/2020.js'
import formats from 'ajv-formats'
import type { OpenAPIV3_1 } from 'openapi-types'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { kindOf } from '../core/kinds'
import { surveys } from '../core/kinds/surveys'
import { openPlant } from '../testing/plant'
import { makeApp } from './app'
import { mailboxOf } from './auth/accounts'
import { AuthService } from './auth/service'
import type { Store } from './db/open'
import { insertPerson, personByMailbox, setPin } from './db/people'
import { siteOf } from './site'

const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
let store: Store
let app: ReturnType<typeof makeApp>
let document: OpenAPIV3_1.Document

const password = 'a long pass phrase'
const pin = '4711'
let door: AuthService
/** Of an administrator, who may do everything. */
let cookie = ''

/** Somebody with an account and a PIN, signed in. */
async function signedIn(signIn: string, initials: string): Promise<string> {
  const made =
    (await personByMailbox(store.db, mailboxOf(signIn))) ??
    (await insertPerson(store.db, { name: signIn, initials, role: 'administrator', email: mailboxOf(signIn) }))
  await door.claim(signIn, await door.codeFor(made), password, 'here')
  await setPin(store.db, made.id, await door.hashed(pin))
  const done = await door.signIn(signIn, password, { address: 'here', headers: new Headers() })
  return (done?.cookies ?? []).map((one) => one.split(';')[0]).join('; ')
}

const ask = async (path: string, method = 'GET', body?: BodyInit, type?: string) =>
  app.request(path, {
    method,
    ...(body === undefined ? {} : { body }),
    headers: {
      // what ends a session ends one of its own
      Cookie: path.startsWith('/api/door/') && method !== 'GET' ? await signedIn('k.odell', 'K. O.') : cookie,
      Origin: 'http://localhost',
      ...(type ? { 'Content-Type': type } : {}),
    },
  })

beforeAll(async () => {
  store = await openPlant(join(folder, 'test.db'))
  door = new AuthService(store.db, { secret: 'x'.repeat(40), secure: false, proxied: false, metrics: undefined })
  cookie = await signedIn('administrator', 'A. D.')
  app = makeApp(siteOf(store, undefined, door), { pageFolder: 'src/web', log: pino({ level: 'silent' }) })
  document = (await (await ask('/api/openapi.json')).json()) as OpenAPIV3_1.Document
})
afterAll(async () => {
  await store.close()
  rmSync(folder, { recursive: true, force: true })
})

const png = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const line = kindOf({ kind: 'train' }).makeLine('Rinse pump 9', 'mm', ['motor', 'pump'])

/** What each call that writes is given, by its operation; what reads needs no more than its description says. */
const given: Readonly<Record<string, () => Promise<object | Uint8Array>>> = {
  'post /api/solve': async () => {
    const { document } = await (await ask('/api/jobs/job-2')).json()
    return surveys.train.ofJob(document, document.rounds[0]) ?? {}
  },
  'post /api/lines': async () => ({ id: 'line-openapi', document: line }),
  'post /api/lines/many': async () => ({ lines: [{ id: 'line-openapi-2', document: line }] }),
  'put /api/lines/{id}': async () => edit('/api/lines/line-1'),
  'put /api/lines/{id}/archived': async () => ({ archived: false }),
  'post /api/jobs': async () => {
    const { document } = await (await ask('/api/jobs/job-5')).json()
    return { id: 'job-openapi', lineId: 'line-1', document }
  },
  'put /api/jobs/{id}': async () => edit('/api/jobs/job-5'),
  'put /api/jobs/{id}/archived': async () => ({ archived: false }),
  'put /api/jobs/{id}/due': async () => ({ dueOn: '2030-01-02', assignedTo: 'K. O.', by: 'I. M.', because: 'Outage' }),
  'post /api/jobs/{id}/sign': async () => ({ version: 1, doneBy: '', checkedBy: '', unit: 'mm', accepted: [] }),
  'post /api/jobs/{id}/reopen': async () => ({ by: 'A. D.', because: 'A reading was wrong', pin }),
  'post /api/kit': async () => {
    const { document } = await (await ask('/api/kit/kit-1')).json()
    return { id: 'kit-openapi', document }
  },
  'put /api/kit/{id}': async () => edit('/api/kit/kit-1'),
  'put /api/kit/{id}/archived': async () => ({ archived: false }),
  'put /api/site': async () => ({ name: 'Kelp works', mark: '', checkedByAnother: false }),
  'post /api/photographs': async () => png,
  'post /api/door/sign-in': async () => ({ signIn: 'k.odell', password }),
  'post /api/door/claim': async () => {
    const made = await insertPerson(store.db, { name: 'I. M.', initials: '', role: 'reader', email: mailboxOf('i.m') })
    return { signIn: 'i.m', code: await door.codeFor(made), password }
  },
  'post /api/door/sign-out': async () => ({}),
  'post /api/door/sign-out-everywhere': async () => ({}),
  'put /api/door/password': async () => ({ old: password, next: 'another pass phrase' }),
  'put /api/door/pin': async () => ({ password, pin }),
  'post /api/people': async () => ({ name: 'R. T.', initials: 'R. T.', role: 'millwright', signIn: 'r.t' }),
  'put /api/people/{id}': async () => ({ name: 'K. Odell', initials: 'K. O.', role: 'planner', putAway: false }),
  'post /api/people/{id}/code': async () => ({}),
  'post /api/people/{id}/sign-out': async () => ({}),
  'post /api/copies': async () => ({}),
  'post /api/archive': async () => new Uint8Array(await (await ask('/api/archive')).arrayBuffer()),
}

async function edit(path: string) {
  const { version, document } = await (await ask(path)).json()
  return { version, document }
}

/** An id that is there, by the part of the interface it stands in. */
const ids: Readonly<Record<string, string>> = { jobs: 'job-5', lines: 'line-1', kit: 'kit-1', photographs: '' }

const operations = () =>
  Object.entries(document.paths ?? {}).flatMap(([path, at]) =>
    (['get', 'post', 'put', 'delete'] as const).flatMap((method) => {
      const operation = at?.[method]
      return operation ? [{ path, method, operation }] : []
    }),
  )

describe('the description of the interface', () => {
  it('names every route that there is, each with a sentence and its answers', () => {
    const routes = app.routes
      .filter(({ path, method }) => path.startsWith('/api/') && method !== 'ALL' && !path.includes('*'))
      .map(({ path, method }) => `${method.toLowerCase()} ${path.replace(/:(\w+)/g, '{$1}').replace(/\/$/, '')}`)
    const told = operations().map(({ path, method }) => `${method} ${path.replace(/\/$/, '')}`)
    expect(new Set(told)).toEqual(new Set(routes))
    for (const { path, operation } of operations()) {
      expect(operation.summary, path).toMatch(/\.$|:/)
      expect(Object.keys(operation.responses ?? {}).length, path).toBeGreaterThan(0)
    }
  })

  it('is kept by every route: each is called from it and answers with a status and a body that it tells', async () => {
    const ajv = formats.default(new Ajv2020({ strict: false, validateFormats: false }))
    ajv.addSchema({ $id: 'api', components: document.components })
    const schemaOf = (schema: object) => JSON.parse(JSON.stringify(schema).replaceAll('"#/', '"api#/'))
    const picture = (await (await ask('/api/photographs', 'POST', png, 'image/png')).json()).id
    let called = 0
    for (const { path, method, operation } of operations()) {
      const part = path.split('/')[2] ?? ''
      const signed = /revisions|reopen/.test(path)
      const id =
        part === 'people'
          ? (await personByMailbox(store.db, mailboxOf('k.odell')))?.id
          : part === 'photographs'
            ? picture
            : signed
              ? 'job-2'
              : path.endsWith('/due')
                ? 'job-7'
                : path.endsWith('/move.pdf')
                  ? 'job-18'
                  : ids[part]
      const query = (operation.parameters ?? []).some((one) => 'in' in one && one.in === 'query' && one.name === 'q')
      const address =
        path
          .replace('{id}', id ?? '')
          .replace('{number}', '1')
          .replace(/\/$/, '') + (query ? '?q=pump' : '')
      const name = `${method} ${path.replace(/\/$/, '')}`
      const body = method === 'get' ? undefined : await given[name]?.()
      if (method !== 'get') expect(body, `nothing is given for ${name}`).toBeDefined()
      const raw = body instanceof Uint8Array
      const request = operation.requestBody as OpenAPIV3_1.RequestBodyObject | undefined
      const [type = 'application/json'] = Object.keys(request?.content ?? {}).filter((one) => one !== 'image/jpeg')
      if (body && !raw && Object.keys(body).length > 0) {
        const asked = request?.content['application/json']?.schema
        expect(asked, name).toBeDefined()
        const check = ajv.compile(schemaOf(asked as object))
        expect(check(JSON.parse(JSON.stringify(body))), `${name}: ${ajv.errorsText(check.errors)}`).toBe(true)
      }
      const response = await ask(
        address,
        method.toUpperCase(),
        raw ? Buffer.from(body) : body && JSON.stringify(body),
        body && type,
      )
      const told = operation.responses?.[String(response.status)] as OpenAPIV3_1.ResponseObject | undefined
      expect(told, `${name} answered ${response.status}`).toBeDefined()
      if (name !== 'post /api/jobs/{id}/sign') expect(response.status, name).toBeLessThan(300)
      const schema = told?.content?.['application/json']?.schema
      if (schema && response.headers.get('Content-Type')?.includes('json')) {
        const check = ajv.compile(schemaOf(schema))
        expect(check(await response.json()), `${name}: ${ajv.errorsText(check.errors)}`).toBe(true)
      }
      called++
    }
    expect(called).toBeGreaterThan(40)
  })

  it('tells a request that is at fault where', async () => {
    const response = await ask('/api/jobs?page=x')
    expect(response.status).toBe(400)
    expect(await response.json()).toMatchObject({ error: { path: 'page' } })
  })
})

import '../core/kinds/all'
import '../words/all'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { compress } from 'hono/compress'
import { HTTPException } from 'hono/http-exception'
import { requestId } from 'hono/request-id'
import { NONCE, secureHeaders } from 'hono/secure-headers'
import type { Logger } from 'pino'
import { ownAnswer } from '../core/site/answer'
import { admitted } from './auth/admitted'
import { bodiesMeasured } from './bodies'
import { StoreBusy, StoreFull } from './db/patient'
import { causes, faultOf } from './faultOf'
import { guard, type Hosts, hostsFor } from './guard'
import { Metrics } from './metrics'
import { bodyOf, describeOperation, descriptionOf } from './openapi'
import { refusal } from './routes/answers'
import { archiveRoutes } from './routes/archive'
import { calendarRoutes } from './routes/calendar'
import { copyRoutes } from './routes/copies'
import { doorRoutes } from './routes/door'
import { jobRoutes } from './routes/jobs'
import { kitRoutes } from './routes/kit'
import { lineRoutes } from './routes/lines'
import { peopleRoutes } from './routes/people'
import { photographRoutes } from './routes/photographs'
import { searchRoutes } from './routes/search'
import { siteRoutes } from './routes/site'
import { tagRoutes } from './routes/tags'
import { trailRoutes } from './routes/trail'
import type { Site } from './site'
import { OverloadedError } from './workers/work'

/** The interface under /api, typed: the page's client is made from this type alone. */
export function makeApi(site: Site, metrics: Metrics = new Metrics()) {
  const api = new Hono()
    .use(bodiesMeasured())
    .get('/health', describeOperation('Liveness check.', { 200: 'It does.' }), (c) => c.json({ ok: true }))
    .get(
      '/ready',
      describeOperation('Readiness check: the data is reachable.', { 200: 'Ready.' }, [503]),
      async (c) => {
        try {
          await site.store.client.execute('select 1')
        } catch {
          return c.json(refusal('', 'Can’t reach the data.'), 503, { 'Retry-After': '5' })
        }
        return c.json({ ok: true }, 200)
      },
    )
    .get(
      '/metrics',
      describeOperation('Server metrics for monitoring.', {
        200: { says: 'Counts and times in the open text format.', type: 'text/plain' },
      }),
      metrics.told,
    )
    .post(
      '/solve',
      describeOperation('Solves a survey document.', { 200: 'The result.' }, [400]),
      bodyOf('application/json'),
      async (c) => {
        let document: unknown
        try {
          document = await c.req.json()
        } catch {
          return c.json(refusal('', 'expected a JSON document'), 400)
        }
        const solved = await site.heavy.solve(document)
        return solved.ok ? c.json(solved.value, 200) : c.json({ error: solved.fault }, 400)
      },
    )
    .route('/lines', lineRoutes(site))
    .route('/jobs', jobRoutes(site))
    .route('/kit', kitRoutes(site))
    .route('/site', siteRoutes(site))
    .route('/calendar', calendarRoutes(site))
    .route('/archive', archiveRoutes(site))
    .route('/tags', tagRoutes(site))
    .route('/photographs', photographRoutes(site))
    .route('/search', searchRoutes(site))
    .route('/door', doorRoutes(site))
    .route('/people', peopleRoutes(site))
    .route('/trail', trailRoutes(site))
    .route('/copies', copyRoutes(site))
  let described: Promise<object> | undefined
  return api.get(
    '/openapi.json',
    describeOperation('This API description.', { 200: 'The OpenAPI description.' }),
    async (c) => {
      described ??= descriptionOf(api as unknown as Hono)
      return c.json((await described) as object, 200)
    },
  )
}

export type Api = ReturnType<typeof makeApi>

type App = Hono<{ Variables: { secureHeadersNonce?: string; requestId: string } }>

/** Headers that say what a page may do: nothing to a script, a style or a font that a page fetches. */
const ofPages = [
  'Content-Security-Policy',
  'Cross-Origin-Opener-Policy',
  'Origin-Agent-Cluster',
  'Referrer-Policy',
  'Strict-Transport-Security',
  'X-DNS-Prefetch-Control',
  'X-Download-Options',
  'X-Frame-Options',
  'X-Permitted-Cross-Domain-Policies',
  'X-XSS-Protection',
]

/** The built page, with the nonce of the answer it goes out in. */
function pageOf(file: string): (nonce: string | undefined) => string {
  let text: string | undefined
  return (nonce = '') => {
    text ??= readFileSync(file, 'utf8')
    return text.replace('%NONCE%', nonce)
  }
}

/** The whole application: the interface, and the built page for everything else. */
export function makeApp(site: Site, options: { pageFolder: string; log: Logger; hosts?: Hosts }): App {
  const app: App = new Hono()
  const page = pageOf(join(options.pageFolder, 'index.html'))
  const metrics = new Metrics()
  // one from a proxy in front is kept, so that both logs can be laid beside each other
  app.use(requestId())
  app.use(async (c, next) => {
    await next()
    c.res.headers.set(ownAnswer, '1')
  })
  app.use(metrics.counted)
  app.use(async (c, next) => {
    const begun = performance.now()
    await next()
    options.log.info({
      id: c.get('requestId'),
      method: c.req.method,
      path: c.req.path,
      status: c.res.status,
      ms: Math.round(performance.now() - begun),
    })
  })
  // what a page may do says nothing of a chunk of it, and a job is some ninety of them; a worker is a page of its own
  app.use('/assets/*', async (c, next) => {
    await next()
    if (!c.req.path.startsWith('/assets/worker-')) for (const name of ofPages) c.res.headers.delete(name)
  })
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // the page's own styles, made as it runs, carry the nonce of its answer
        styleSrc: ["'self'", NONCE],
        // a picture is made small from its own bytes before it is sent
        imgSrc: ["'self'", 'data:', 'blob:'],
        // the planner in its worker is WebAssembly
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
      },
    }),
  )
  app.use(guard(options.hosts ?? hostsFor('127.0.0.1')))
  app.use(compress())
  app.use('/api/*', admitted(site.store.db, site.door))
  app.route('/api', makeApi(site, metrics))
  // where monitoring looks for it, on a site without a door; behind one it is asked for as everything else is
  if (!site.door) app.get('/metrics', metrics.told)
  app.all('/api/*', (c) => c.json(refusal('', 'Not found.'), 404))
  app.use('/assets/*', async (c, next) => {
    await next()
    if (c.res.status === 200) c.res.headers.set('Cache-Control', 'public, max-age=31536000, immutable')
  })
  app.get('/', (c) => c.html(page(c.get('secureHeadersNonce'))))
  app.use('*', serveStatic({ root: options.pageFolder, precompressed: true }))
  // a chunk of an older build: a page in its place would be kept for a year and never run
  app.all('/assets/*', (c) => c.text('File not found.', 404, { 'Cache-Control': 'no-store' }))
  app.get('*', (c) => c.html(page(c.get('secureHeadersNonce'))))
  app.onError((error, c) => {
    if (error instanceof HTTPException && error.status < 500)
      return c.json(refusal('', error.message || 'Invalid request.'), error.status)
    const full = [...causes(error)].find((one) => one instanceof StoreFull)
    if (full) {
      options.log.error({ ...faultOf(error), id: c.get('requestId'), path: c.req.path })
      return c.json(refusal('', full.message), 507, { 'Retry-After': '60' })
    }
    const busy = [...causes(error)].find((one) => one instanceof StoreBusy || one instanceof OverloadedError)
    if (busy) return c.json(refusal('', busy.message), 503, { 'Retry-After': '5' })
    const id = c.get('requestId')
    options.log.error({ ...faultOf(error), id, path: c.req.path })
    return c.json(refusal('', `Server error (request ${id}). Your entries are saved on your device.`), 500)
  })
  return app
}

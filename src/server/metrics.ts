import type { Context, MiddlewareHandler } from 'hono'
import { matchedRoutes } from 'hono/route'
import { Counter, collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'

/** Of the process: memory, processor, how long its one thread is held. Once, however many sites it serves. */
let ofProcess: Registry | undefined

function processMetrics(): Registry {
  if (!ofProcess) {
    ofProcess = new Registry()
    collectDefaultMetrics({ register: ofProcess, prefix: 'vane_peg_' })
  }
  return ofProcess
}

/** What a site counts of itself, in the open text format that monitoring reads. No name, no id and nothing that was sent is in it. */
export class Metrics {
  private readonly registry = new Registry()
  private readonly times = new Histogram({
    name: 'vane_peg_request_seconds',
    help: 'Response time by method, route and status.',
    labelNames: ['method', 'route', 'status'] as const,
    buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [this.registry],
  })
  private readonly under = new Gauge({
    name: 'vane_peg_requests_under_way',
    help: 'Requests in progress.',
    registers: [this.registry],
  })
  private readonly faults = new Counter({
    name: 'vane_peg_faults_total',
    help: 'Requests answered with a server error.',
    registers: [this.registry],
  })

  /** Counts every request that passes. */
  readonly counted: MiddlewareHandler = async (c, next) => {
    const done = this.times.startTimer()
    this.under.inc()
    try {
      await next()
    } finally {
      this.under.dec()
      done({ method: c.req.method, route: kindOfAddress(c), status: String(c.res.status) })
      if (c.res.status >= 500 && c.res.status !== 503) this.faults.inc()
    }
  }

  /** Everything counted so far. */
  readonly told = async (c: Context): Promise<Response> => {
    const all = Registry.merge([processMetrics(), this.registry])
    return c.body(await all.metrics(), 200, { 'Content-Type': all.contentType, 'Cache-Control': 'no-store' })
  }
}

/** The address with its ids left out: as many kinds as there are routes, whatever is asked for. */
function kindOfAddress(c: Context): string {
  const route = matchedRoutes(c).findLast(({ path }) => path.startsWith('/api/') && !path.includes('*'))
  if (route) return route.path
  if (c.req.path.startsWith('/api/')) return 'none'
  return c.req.path.startsWith('/assets/') ? 'asset' : 'page'
}

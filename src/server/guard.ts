import { networkInterfaces } from 'node:os'
import type { MiddlewareHandler } from 'hono'
import { refusal } from './routes/answers'

/** Names under which this server may be asked for; any port, since a browser tells the one it used. */
export type Hosts = ReadonlySet<string>

const own = ['localhost', '127.0.0.1', '[::1]']

/**
 * Every name and address this machine answers under: itself, what it was told to listen on, and what the site calls it.
 * A page of another site that points its own name here is told by its name.
 */
export function hostsFor(listensOn: string, called: readonly string[] = []): Hosts {
  const everywhere = listensOn === '0.0.0.0' || listensOn === '::'
  const addresses = everywhere
    ? Object.values(networkInterfaces()).flatMap((all) => (all ?? []).map(({ address }) => address.split('%')[0] ?? ''))
    : [listensOn]
  return new Set([...own, ...[...addresses, ...called].map(inHeader)])
}

/** As a browser writes a name in its Host header: an IPv6 address in brackets, small letters. */
const inHeader = (name: string) =>
  name.includes(':') && !name.startsWith('[') ? `[${name}]`.toLowerCase() : name.toLowerCase()

const nameOf = (host: string) => host.toLowerCase().replace(/:\d+$/, '')

interface Headers {
  host: string | undefined
  origin: string | undefined
  /** What a browser says of where the request comes from. */
  site: string | undefined
}

/** What is wrong with where a request comes from, if anything. `acts`: it writes, or opens a socket. */
export function rejectionReason({ host, origin, site }: Headers, hosts: Hosts, acts: boolean): string | undefined {
  if (!host || !hosts.has(nameOf(host))) return 'Unknown host name for this server.'
  if (!acts) return undefined
  if (site === 'cross-site' || site === 'same-site') return 'Requests from another site are not allowed.'
  if (origin === undefined) return undefined
  try {
    if (new URL(origin).host === host.toLowerCase()) return undefined
  } catch {
    // "null", or no address at all: said below
  }
  return 'Requests from another site are not allowed.'
}

const reads = new Set(['GET', 'HEAD', 'OPTIONS'])

/** What a page of another site cannot send without being asked first: JSON, where pictures are kept a picture, an archive where one is brought in. */
const sendable = (path: string, type: string): boolean =>
  /^application\/json\s*(;|$)/i.test(type) ||
  (path === '/api/photographs' && /^image\/(jpeg|png)$/i.test(type)) ||
  (path === '/api/archive' && /^application\/zip$/i.test(type))

/**
 * Answers only what is asked under a name of this server; writes only from its own page, and only JSON or a picture.
 *
 * @param forms addresses that a form of its own page may be sent to
 */
export const guard =
  (hosts: Hosts, forms: readonly string[] = []): MiddlewareHandler =>
  async (c, next) => {
    const acts = !reads.has(c.req.method)
    const headers = {
      host: c.req.header('host') ?? new URL(c.req.url).host,
      origin: c.req.header('origin'),
      site: c.req.header('sec-fetch-site'),
    }
    const strange = rejectionReason(headers, hosts, acts)
    if (strange) return c.json(refusal('', strange), 403)
    // a page of another site may lead here, and have nothing worked out for it by pictures or frames
    const foreign = headers.site === 'cross-site' && c.req.header('sec-fetch-mode') !== 'navigate'
    if (foreign && c.req.path.startsWith('/api/'))
      return c.json(refusal('', 'Requests from another site are not allowed.'), 403)
    const ownForm = forms.includes(c.req.path) && headers.origin !== undefined
    if (acts && !ownForm && !sendable(c.req.path, c.req.header('content-type') ?? ''))
      return c.json(refusal('', 'Send JSON with Content-Type application/json.'), 415)
    return next()
  }

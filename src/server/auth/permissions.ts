import { TrieRouter } from 'hono/router/trie-router'
import type { Role } from '../../core/people/roles'

/** Who may ask for what: everybody, or the least role that may. */
export type Permission = 'anyone' | Role

/**
 * Every route and socket there is, with the least role it needs. What is not in this table is refused, and a test holds that
 * every route is in it.
 */
export const permissions: readonly (readonly [
  method: 'GET' | 'POST' | 'PUT' | 'SOCKET',
  path: string,
  permissions: Permission,
])[] = [
  ['GET', '/api/health', 'anyone'],
  ['GET', '/api/ready', 'anyone'],
  ['GET', '/api/door', 'anyone'],
  ['POST', '/api/door/sign-in', 'anyone'],
  ['POST', '/api/door/claim', 'anyone'],
  ['POST', '/api/door/sign-out', 'anyone'],
  ['POST', '/api/door/sign-out-everywhere', 'reader'],
  ['PUT', '/api/door/password', 'reader'],
  ['PUT', '/api/door/pin', 'reader'],

  ['GET', '/api/openapi.json', 'reader'],
  ['POST', '/api/solve', 'reader'],
  ['GET', '/api/lines', 'reader'],
  ['GET', '/api/lines/:id', 'reader'],
  ['GET', '/api/lines/:id/along', 'reader'],
  ['GET', '/api/lines/:id/logbook', 'reader'],
  ['GET', '/api/jobs', 'reader'],
  ['GET', '/api/jobs/overview', 'reader'],
  ['GET', '/api/jobs/:id', 'reader'],
  ['GET', '/api/jobs/:id/visits', 'reader'],
  ['GET', '/api/jobs/:id/report.pdf', 'reader'],
  ['GET', '/api/jobs/:id/record.pdf', 'reader'],
  ['GET', '/api/jobs/:id/sheet.pdf', 'reader'],
  ['GET', '/api/jobs/:id/move.pdf', 'reader'],
  ['GET', '/api/jobs/:id/revisions', 'reader'],
  ['GET', '/api/jobs/:id/revisions/:number', 'reader'],
  ['GET', '/api/jobs/:id/revisions/:number/record.pdf', 'reader'],
  ['GET', '/api/kit', 'reader'],
  ['GET', '/api/kit/:id', 'reader'],
  ['GET', '/api/site', 'reader'],
  ['GET', '/api/site/view', 'reader'],
  ['GET', '/api/calendar/due.ics', 'reader'],
  ['GET', '/api/tags/lines.pdf', 'reader'],
  ['GET', '/api/photographs/:id', 'reader'],
  ['GET', '/api/search', 'reader'],
  ['SOCKET', '/api/changes/live', 'reader'],

  ['POST', '/api/lines', 'millwright'],
  ['PUT', '/api/lines/:id', 'millwright'],
  ['POST', '/api/jobs', 'millwright'],
  ['PUT', '/api/jobs/:id', 'millwright'],
  ['POST', '/api/jobs/:id/sign', 'millwright'],
  ['POST', '/api/kit', 'millwright'],
  ['PUT', '/api/kit/:id', 'millwright'],
  ['POST', '/api/photographs', 'millwright'],
  ['SOCKET', '/api/devices/:device/live', 'millwright'],

  ['POST', '/api/lines/many', 'planner'],
  ['PUT', '/api/lines/:id/archived', 'planner'],
  ['PUT', '/api/jobs/:id/archived', 'planner'],
  ['PUT', '/api/jobs/:id/due', 'planner'],
  ['POST', '/api/jobs/:id/reopen', 'planner'],
  ['PUT', '/api/kit/:id/archived', 'planner'],

  ['GET', '/api/metrics', 'administrator'],
  ['PUT', '/api/site', 'administrator'],
  ['GET', '/api/archive', 'administrator'],
  ['POST', '/api/archive', 'administrator'],
  ['GET', '/api/people', 'administrator'],
  ['POST', '/api/people', 'administrator'],
  ['PUT', '/api/people/:id', 'administrator'],
  ['POST', '/api/people/:id/code', 'administrator'],
  ['POST', '/api/people/:id/sign-out', 'administrator'],
  ['GET', '/api/trail', 'administrator'],
  ['GET', '/api/trail/check', 'administrator'],
  ['GET', '/api/trail/whole.jsonl', 'administrator'],
  ['GET', '/api/copies', 'administrator'],
  ['POST', '/api/copies', 'administrator'],
]

const table = new TrieRouter<Permission>()
for (const [method, path, need] of permissions) table.add(method, path, need)

/** What a request needs; undefined where there is nothing at that address. */
export function permissionFor(method: string, path: string): Permission | undefined {
  // a fixed name goes before one that stands for any id, as among the routes: the first that was named decides
  const [found] = table.match(method === 'HEAD' ? 'GET' : method, path.length > 1 ? path.replace(/\/$/, '') : path)
  return found[0]?.[0]
}

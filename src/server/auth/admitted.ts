import type { MiddlewareHandler } from 'hono'
import { mayAs } from '../../core/people/roles'
import type { Database } from '../db/open'
import { inTheNameOf, sealTrail } from '../db/trail'
import { refusal } from '../routes/answers'
import type { Person } from './accounts'
import { permissionFor } from './permissions'
import type { AuthService } from './service'

/** Whoever asks, for the routes; nobody where there is no door. */
export interface Asked {
  Variables: { person: Person | undefined }
}

/** The chain follows what was written by this, ms; whoever asks for the trail is given it whole. */
const sealsAfter = 2000

const writes = new Set(['POST', 'PUT', 'PATCH', 'DELETE'])

/**
 * Lets a request to the interface through where whoever sent it may do that, and tells the trail in whose name it is. Without a
 * door everything is done by whoever sits at this machine.
 */
export const admitted = (db: Database, door: AuthService | undefined): MiddlewareHandler<Asked> => {
  let sealing: ReturnType<typeof setTimeout> | undefined
  /** Lays the chain over what was written: a little later, and over all of it at once. */
  const seal = () => {
    sealing ??= setTimeout(() => {
      sealing = undefined
      // what could not be sealed now is sealed with the next
      void sealTrail(db).catch(() => undefined)
    }, sealsAfter)
    sealing.unref()
  }
  return async (c, next) => {
    const { method, path } = c.req
    const acts = writes.has(method)
    const after = async () => {
      await next()
      if (acts) seal()
    }
    if (!door) return after()
    const need = permissionFor(method, path)
    if (need === undefined) return c.json(refusal('', 'Not found.'), 404)
    if (need === 'anyone') return after()
    if (path === '/api/metrics' && door.ways.metrics && c.req.header('authorization') === `Bearer ${door.ways.metrics}`)
      return after()
    const person = await door.who(c.req.raw.headers)
    if (!person) return c.json(refusal('', 'Sign in first.'), 401)
    if (!mayAs(person.role, need))
      return c.json(refusal('', `This needs the role ${need}. You are signed in as ${person.role}.`), 403)
    // a browser says with every write where it comes from; what says nothing is no page of this server
    if (acts && c.req.header('origin') === undefined && c.req.header('sec-fetch-site') !== 'same-origin')
      return c.json(refusal('', 'Missing Origin header with this server’s address.'), 403)
    c.set('person', person)
    return inTheNameOf(person, after)
  }
}

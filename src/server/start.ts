import type { Logger } from 'pino'
import { mayAs } from '../core/people/roles'
import { makeApp } from './app'
import { mailboxOf, secretFor } from './auth/accounts'
import { permissionFor } from './auth/permissions'
import type { AuthService } from './auth/service'
import { changesRoom, followOthers } from './changes'
import { realFile, restore, StartFault } from './db/files'
import { checkDemo, type Database, markDemo, openStore, type Store } from './db/open'
import { hasAdministrator, insertPerson } from './db/people'
import { sealTrail } from './db/trail'
import { standIns } from './devices/standIns'
import { hostsFor } from './guard'
import { listen, stopListening } from './listen'
import type { DoorSettings, Settings } from './settings'
import { type Site, siteOf } from './site'
import { attachSockets } from './sockets'
import { heavyPool } from './workers/pool'
import type { Heavy } from './workers/work'

/** A site that is served. */
export interface Served {
  site: Site
  /** Where its page is, without a slash at the end. */
  address: string
  /** The one-time code of the demo's administrator, where the demo has a door. */
  firstCode?: { signIn: string; code: string } | undefined
  /** Hangs up on everybody and brings the data into one file. */
  stop(): Promise<void>
}

/**
 * Opens the data and serves the site.
 *
 * @param shared threads for what takes long that several sites share; a site's own where not given
 * @throws StartFault when the data or the port cannot be had
 */
export async function start(settings: Settings, log: Logger, shared?: Heavy): Promise<Served> {
  if (settings.restore) await restore(realFile(settings.database), settings.restore)
  // a copy that was restored was looked over then
  const whole = settings.whole || settings.restore !== undefined
  const { demo: anew, empty = false } = settings
  if (anew) await checkDemo(settings.database, (await import('./demo/plantName')).plantName)
  const store = await openStore(settings.database, 'src/server/db/migrations', { anew, whole, empty })
  if (anew) {
    await (await import('./demo/make')).makeDemo(store.db)
    await markDemo(store.client)
  }

  await sealTrail(store.db)
  const door = settings.door && (await doorOf(settings.database, store, settings.door))
  const firstCode = door && settings.demo ? await demoAdministrator(store.db, door) : undefined
  if (door && !(await hasAdministrator(store.db))) {
    await store.close()
    throw new StartFault(
      'No administrator yet, and others can reach this address. Create one first: npm run administrator -- --sign-in k.odell --name "K. Odell"',
    )
  }
  const own = heavyPool()
  const site = siteOf(store, shared ?? own, door)
  const hosts = hostsFor(settings.host, settings.names)
  const { server, port } = await listen(makeApp(site, { pageFolder: 'dist/web', log, hosts }), settings).catch(
    async (error) => {
      await store.close()
      throw error
    },
  )
  if (!shared) own.warm()
  const unfollow = store.shared ? followOthers(store.db, site.changes) : () => undefined
  const hangUp = attachSockets(server, [standIns, changesRoom(site.changes)], {
    hosts,
    log,
    admit: async (path, headers) => {
      if (!door) return 'yes'
      const need = permissionFor('SOCKET', path)
      const person = await door.who(headers)
      if (!person) return 'unknown'
      return need !== undefined && (need === 'anyone' || mayAs(person.role, need)) ? 'yes' : 'may not'
    },
  })
  return {
    site,
    address: `${settings.tls ? 'https' : 'http'}://${settings.host === '127.0.0.1' ? 'localhost' : settings.host}:${port}`,
    firstCode,
    stop: async () => {
      hangUp()
      unfollow()
      await stopListening(server)
      await sealTrail(store.db).catch(() => undefined)
      await store.close()
    },
  }
}

/** The door of a site, with what its cookies are signed with; read only where there is one: its library is large. */
export async function doorOf(database: string, { db, shared }: Store, settings: DoorSettings): Promise<AuthService> {
  const secret = secretFor(database, process.env)
  const { AuthService } = await import('./auth/service')
  return new AuthService(db, { ...settings, shared, secret })
}

/** Somebody who can let others into the demo; the code is another one each time. */
async function demoAdministrator(db: Database, door: AuthService) {
  const signIn = 'k.odell'
  const made = await insertPerson(db, {
    name: 'K. Odell',
    initials: 'K. O.',
    role: 'administrator',
    email: mailboxOf(signIn),
  })
  return { signIn, code: await door.codeFor(made) }
}

export { heavyPool }

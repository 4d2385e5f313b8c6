import type { Logger } from 'pino'
import { makeApp } from './app'
import { changesRoom } from './changes'
import { restore } from './db/files'
import { openStore } from './db/open'
import { makeDemo } from './demo/make'
import { standIns } from './devices/standIns'
import { hostsFor } from './guard'
import { heavyPool } from './heavy/pool'
import type { Heavy } from './heavy/work'
import { listen } from './listen'
import type { Settings } from './settings'
import { type Site, siteOf } from './site'
import { attachSockets } from './sockets'

/** A site that is served. */
export interface Served {
  site: Site
  /** Where its page is, without a slash at the end. */
  address: string
  /** Hangs up on everybody and brings the data into one file. */
  stop(): Promise<void>
}

/**
 * Opens the data and serves the site.
 *
 * @param heavy threads for what takes long, which several sites may share
 * @throws StartFault when the data or the port cannot be had
 */
export async function start(settings: Settings, log: Logger, heavy: Heavy = heavyPool()): Promise<Served> {
  if (settings.restore) await restore(settings.database, settings.restore)
  const store = await openStore(settings.database, 'src/server/db/migrations', { anew: settings.demo })
  if (settings.demo) await makeDemo(store.db)

  const site = siteOf(store, heavy)
  const hosts = hostsFor(settings.host, settings.names)
  const { server, port } = await listen(makeApp(site, { pageFolder: 'dist/web', log, hosts }), settings).catch(
    async (error) => {
      await store.close()
      throw error
    },
  )
  const hangUp = attachSockets(server, [standIns, changesRoom(site.changes)], { hosts, log })
  return {
    site,
    address: `http://${settings.host === '127.0.0.1' ? 'localhost' : settings.host}:${port}`,
    stop: async () => {
      hangUp()
      server.close()
      await store.close()
    },
  }
}

export { heavyPool }

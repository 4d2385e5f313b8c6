import { pino } from 'pino'
import { makeApp } from './app'
import { changesRoom } from './changes'
import { restore, StartFault } from './db/files'
import { openStore } from './db/open'
import { sumAgain } from './db/sumAgain'
import { makeDemo } from './demo/make'
import { standIns } from './devices/standIns'
import { hostsFor } from './guard'
import { heavyPool } from './heavy/pool'
import { listen } from './listen'
import { settingsOf } from './settings'
import { siteOf } from './site'
import { attachSockets } from './sockets'

const aDay = 24 * 60 * 60_000

async function start(): Promise<void> {
  const settings = settingsOf(process.argv.slice(2), process.env)
  const log = pino({ level: process.env.LOG_LEVEL ?? (settings.quiet ? 'warn' : 'info') })
  if (settings.restore) await restore(settings.database, settings.restore)
  const store = await openStore(settings.database, 'src/server/db/migrations', { anew: settings.demo })
  if (settings.demo) await makeDemo(store.db)

  const heavy = heavyPool()
  const site = siteOf(store, heavy)
  const hosts = hostsFor(settings.host, settings.names)
  const { server, port } = await listen(makeApp(site, { pageFolder: 'dist/web', log, hosts }), settings).catch(
    async (error) => {
      await store.close()
      throw error
    },
  )
  const hangUp = attachSockets(server, [standIns, changesRoom(site.changes)], { hosts, log })

  let stopping = false
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, async () => {
      if (stopping) return
      stopping = true
      hangUp()
      server.close()
      await store.close()
      process.exit(0)
    })

  // last: whoever reads this may stop it at once
  process.stdout.write(
    `Vane Peg is at http://${settings.host === '127.0.0.1' ? 'localhost' : settings.host}:${port}/\n`,
  )

  const copy = () => store.copyDaily().catch((error) => log.warn({ fault: String(error) }, 'no copy was made today'))
  if (!settings.demo) {
    await copy()
    setInterval(copy, aDay).unref()
  }
  await sumAgain(site, log).catch((error) => log.error({ fault: String(error) }, 'summaries were not made again'))
}

try {
  await start()
} catch (error) {
  process.stderr.write(
    error instanceof StartFault
      ? `${error.message}\n`
      : `Vane Peg did not start: ${error instanceof Error ? error.message : error}\n`,
  )
  process.exit(1)
}

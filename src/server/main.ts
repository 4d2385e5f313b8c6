import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { pino } from 'pino'
import { makeApp } from './app'
import { openStore } from './db/open'
import { makeDemo } from './demo/make'
import { attachStandIns } from './devices/standIns'
import { listen } from './listen'

/**
 * Starts the server. Settings, as options or from the environment:
 * --port / PORT (0 picks a free one), --host / HOST (loopback unless told otherwise), --data / DATA_FOLDER,
 * --database / DATABASE_URL (a libSQL address instead of a file), --demo (fills an empty database with the made-up plant).
 */
const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env.PORT ?? '4310' },
    host: { type: 'string', default: process.env.HOST ?? '127.0.0.1' },
    data: { type: 'string', default: process.env.DATA_FOLDER ?? 'data' },
    database: { type: 'string', ...(process.env.DATABASE_URL ? { default: process.env.DATABASE_URL } : {}) },
    demo: { type: 'boolean', default: false },
    quiet: { type: 'boolean', default: false },
  },
})

const log = pino({ level: process.env.LOG_LEVEL ?? (values.quiet ? 'warn' : 'info') })
const url = values.database ?? `file:${join(values.data, values.demo ? 'demo.db' : 'vane-peg.db')}`
const store = await openStore(url, 'src/server/db/migrations')
if (values.demo) await makeDemo(store.db)

const app = makeApp(store, { pageFolder: 'dist/web', log })
const server = listen(app, { port: Number(values.port), host: values.host }, (port) => {
  process.stdout.write(`Vane Peg is at http://${values.host === '127.0.0.1' ? 'localhost' : values.host}:${port}/\n`)
})

const hangUp = attachStandIns(server, log)

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    hangUp()
    server.close()
    store.close()
    process.exit(0)
  })

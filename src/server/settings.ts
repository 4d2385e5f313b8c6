import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { StartFault } from './db/files'

export interface Settings {
  port: number
  host: string
  /** Further names under which browsers know this server. */
  names: readonly string[]
  /** A file path, or a libSQL address. */
  database: string
  demo: boolean
  quiet: boolean
  /** A copy to put in the database's place first. */
  restore: string | undefined
}

const loopback = new Set(['127.0.0.1', 'localhost', '::1'])

/**
 * What the server was started with, as options or from the environment: --port / PORT (0 picks a free one), --host / HOST
 * (loopback unless told otherwise), --open (without it no other host is listened on, since there are no accounts yet),
 * --name (another name of this machine; may be given several times), --data / DATA_FOLDER, --database / DATABASE_URL (a
 * libSQL address instead of a file), --demo (fills an empty database with the made-up plant), --restore (a copy to go on
 * from), --quiet.
 *
 * @throws StartFault that names the option
 */
export function settingsOf(args: readonly string[], env: NodeJS.ProcessEnv): Settings {
  const values = parsed(args)
  const port = values.port ?? env.PORT ?? '4310'
  if (!/^\d{1,5}$/.test(port) || Number(port) > 65_535)
    throw new StartFault(`--port: expected a number from 0 to 65535, found “${port}”.`)
  const host = values.host ?? env.HOST ?? '127.0.0.1'
  if (!loopback.has(host) && !values.open)
    throw new StartFault(
      `--host ${host}: everybody on that network could read and change everything, since there are no accounts yet. Say --open as well if that is what you want.`,
    )
  const database = values.database ?? env.DATABASE_URL
  const data = values.data ?? env.DATA_FOLDER ?? 'data'
  if (values.restore && database) throw new StartFault('--restore: only a database in a file can be restored.')
  return {
    port: Number(port),
    host,
    names: values.name ?? [],
    database: database ?? join(data, values.demo ? 'demo.db' : 'vane-peg.db'),
    demo: values.demo ?? false,
    quiet: values.quiet ?? false,
    restore: values.restore,
  }
}

function parsed(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      options: {
        port: { type: 'string' },
        host: { type: 'string' },
        open: { type: 'boolean' },
        name: { type: 'string', multiple: true },
        data: { type: 'string' },
        database: { type: 'string' },
        demo: { type: 'boolean' },
        quiet: { type: 'boolean' },
        restore: { type: 'string' },
      },
    }).values
  } catch (error) {
    throw new StartFault(error instanceof Error ? error.message : String(error))
  }
}

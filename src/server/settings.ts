import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { StartFault } from './db/files'

/** What the door of a site on a network is told. */
export interface DoorSettings {
  /** The page comes by HTTPS: cookies only then. */
  secure: boolean
  /** What asks is told by a proxy in front of this server. */
  proxied: boolean
  /** What monitoring sends. */
  metrics: string | undefined
}

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
  /** Begins an empty site though there are copies of one. */
  empty?: boolean
  /** The file was looked over just now by whoever starts this. */
  whole?: boolean
  /** Where the data is damaged, a page in the site's place says so. */
  tell?: boolean
  /** Accounts are needed; left out where the site is served to its own machine alone. */
  door?: DoorSettings | undefined
  /** The site's own certificate and key, as files. */
  tls?: { cert: string; key: string } | undefined
}

const loopback = new Set(['127.0.0.1', 'localhost', '::1'])

/**
 * What the server was started with, as options or from the environment: --port / PORT (0 picks a free one), --host / HOST
 * (loopback unless told otherwise), --name (another name of this machine; may be given several times), --door (accounts are
 * needed; so they are wherever the host is not loopback, or another name is given), --open (no accounts are needed, whoever
 * can reach this), --cert and --key (the site's own certificate), --proxy (a proxy in front speaks HTTPS), --data / DATA_FOLDER, --database / DATABASE_URL (a
 * libSQL address instead of a file), --demo (fills an empty database with the made-up plant), --restore (a copy to go on
 * from), --empty (begins an empty site though there are copies of one), --tell (where the data is damaged a page says so, and the server
 * does not end), --quiet.
 *
 * @throws StartFault that names the option
 */
export function settingsOf(args: readonly string[], env: NodeJS.ProcessEnv): Settings {
  const values = parsed(args)
  const port = values.port ?? env.PORT ?? '4310'
  if (!/^\d{1,5}$/.test(port) || Number(port) > 65_535)
    throw new StartFault(`--port: expected a number from 0 to 65535, found “${port}”.`)
  const host = values.host ?? env.HOST ?? '127.0.0.1'
  const reached = !loopback.has(host) || (values.name ?? []).length > 0
  if (values.open && values.door) throw new StartFault('Use either --open or --door, not both.')
  const { cert, key, proxy: proxied = false } = values
  if ((cert === undefined) !== (key === undefined)) throw new StartFault('Use --cert and --key together.')
  const database = values.database ?? env.DATABASE_URL
  const data = values.data ?? env.DATA_FOLDER ?? 'data'
  if (values.restore && database) throw new StartFault('--restore works only with a database file.')
  return {
    port: Number(port),
    host,
    names: values.name ?? [],
    database: database ?? join(data, values.demo ? 'demo.db' : 'vane-peg.db'),
    demo: values.demo ?? false,
    quiet: values.quiet ?? false,
    restore: values.restore,
    tell: values.tell ?? false,
    empty: values.empty ?? false,
    ...(values.door || (reached && !values.open)
      ? { door: { secure: cert !== undefined || proxied, proxied, metrics: env.METRICS_TOKEN } }
      : {}),
    ...(cert !== undefined && key !== undefined ? { tls: { cert, key } } : {}),
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
        door: { type: 'boolean' },
        proxy: { type: 'boolean' },
        cert: { type: 'string' },
        key: { type: 'string' },
        name: { type: 'string', multiple: true },
        data: { type: 'string' },
        database: { type: 'string' },
        demo: { type: 'boolean' },
        quiet: { type: 'boolean' },
        restore: { type: 'string' },
        tell: { type: 'boolean' },
        empty: { type: 'boolean' },
      },
    }).values
  } catch (error) {
    throw new StartFault(error instanceof Error ? error.message : String(error))
  }
}

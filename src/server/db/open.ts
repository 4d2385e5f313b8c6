import { existsSync, mkdirSync, rmSync, statSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { basename, dirname, join } from 'node:path'
import { type Client, createClient } from '@libsql/client'
import { drizzle } from 'drizzle-orm/libsql'
import { migrate } from 'drizzle-orm/libsql/migrator'
import {
  type CopyTold,
  checkNotLost,
  checkWhole,
  copies,
  copyAsked,
  copyBefore,
  copyOfTheDay,
  fileUrl,
  realFile,
  StartFault,
  tellCopy,
} from './files'
import { holdAlone } from './lock'
import { patient } from './patient'
import * as schema from './schema'

export type Database = ReturnType<typeof drizzle<typeof schema>>

export interface Store {
  db: Database
  client: Client
  /** Where it is: a thread of its own reads it by a connection of its own. */
  url: string
  /** Copies the whole database into the folder of copies, once a day; nothing where the database is elsewhere. */
  copyDaily(): Promise<void>
  /** Whether other servers may write to the same database. */
  shared: boolean
  /** Copies it now; undefined where the database is elsewhere. */
  copyNow: (() => Promise<CopyTold>) | undefined
  /** The copies there are, the latest first. */
  copies(): CopyTold[]
  /** Brings everything into the one file and lets go of it. */
  close(): Promise<void>
}

/** A connection of the driver waits this long by itself, ms; nothing else is answered meanwhile. */
const blocks = 100

/**
 * Opens (or makes) the database at a file path or a libSQL address, in WAL mode with foreign keys on, and brings it up to
 * date. A file is held by one server alone, looked over before it is opened, and copied before it changes its shape.
 *
 * @param migrations folder of the committed migrations
 * @param options.anew begins with nothing: what a file held is thrown away
 * @param options.empty begins an empty site where there is no data, though there are copies of some
 * @param options.whole it was looked over just now, and need not be again
 * @throws StartFault when a file is held, damaged, or of a newer version
 */
export async function openStore(
  at: string,
  migrations: string,
  { anew = false, whole = false, empty = true } = {},
): Promise<Store> {
  const asked = fileAt(at)
  if (!asked) return openAt(at, migrations)
  try {
    mkdirSync(dirname(asked), { recursive: true })
  } catch (error) {
    throw new StartFault(`Can’t create folder ${dirname(asked)}: ${messageOf(error)}`)
  }
  const file = realFile(asked)
  if (!anew && !empty) checkNotLost(file)
  const letGo = await holdAlone(file)
  try {
    if (anew) for (const end of ['', '-wal', '-shm']) rmSync(`${file}${end}`, { force: true })
    const existed = existsSync(file)
    if (existed && !whole) await checkWhole(file)
    return await openAt(fileUrl(file), migrations, { path: file, existed, letGo })
  } catch (error) {
    letGo()
    throw error
  }
}

/** The file that a database is in; undefined where it is on a server of its own. */
export const fileAt = (at: string): string | undefined =>
  /^[a-z]+:\/\//.test(at) ? undefined : at.replace(/^file:/, '')

/** Says of a database that it is the demo's: nothing but a demo is ever thrown away for another one. */
const demoMark = 0x56_50_44_4d

export const markDemo = (client: Client) => client.execute(`PRAGMA application_id = ${demoMark}`)

/**
 * Looks whether the demo may begin with nothing at a place.
 *
 * @param knownAs the name that the made-up plant has, by which a demo of before the mark is known
 * @throws StartFault where it would throw away anything but a demo
 */
export async function checkDemo(at: string, knownAs: string): Promise<void> {
  const asked = fileAt(at)
  if (!asked) throw new StartFault('--demo: the demo is made in a file of its own, and never in a database elsewhere.')
  const file = realFile(asked)
  if (!existsSync(file) || statSync(file).size === 0) return
  const client = createClient({ url: fileUrl(file), timeout: blocks, concurrency: 1 })
  const first = async (statement: string) => Object.values((await client.execute(statement)).rows[0] ?? {})[0]
  try {
    if (Number(await first('PRAGMA application_id')) === demoMark) return
    const name = await first(`select json_extract(document, '$.name') from site`)
    if (basename(file) === 'demo.db' && name === knownAs) return
  } catch {
    // no database of this program, or a damaged one: said below
  } finally {
    client.close()
  }
  throw new StartFault(
    `${file} is no demo, and the demo would throw it away. Start without --demo, or give the demo a folder of its own with --data.`,
  )
}

/** Told to every connection that is made. */
const first = ['PRAGMA foreign_keys = ON']

/** A connection to a database that is there, of this thread's own. */
export async function connect(url: string, isFile: boolean): Promise<{ client: Client; db: Database }> {
  const { DATABASE_TOKEN: authToken } = process.env
  const bare = createClient({
    url,
    ...(isFile ? { timeout: blocks, concurrency: 1 } : {}),
    ...(!isFile && authToken ? { authToken } : {}),
  })
  const client = patient(bare, first)
  try {
    for (const statement of first) await client.execute(statement)
  } catch (error) {
    client.close()
    throw error
  }
  return { client, db: drizzle(client, { schema }) }
}

interface OwnFile {
  path: string
  existed: boolean
  letGo: () => void
}

async function openAt(url: string, migrations: string, file?: OwnFile): Promise<Store> {
  const notUsed = (error: unknown) =>
    file || error instanceof StartFault
      ? error
      : new StartFault(`Can’t use the database at ${new URL(url).host}: ${messageOf(error)}`)
  const { client, db } = await connect(url, file !== undefined).catch((error: unknown) => {
    throw notUsed(error)
  })
  try {
    if (file) await client.execute('PRAGMA journal_mode = WAL')
    const waits = await pending(client, migrations, file?.path)
    if (waits && file?.existed) await copyBefore(file.path)
    if (waits) await broughtUp(db, client, migrations, file?.path)
    for (const statement of first) await client.execute(statement)
    // what the database knows of its own size: made where it is missing, looked at again every day
    if (file) await client.execute('PRAGMA optimize=0x10002')
    return {
      db,
      client,
      url,
      copyDaily: async () => {
        if (!file) return
        await client.execute('PRAGMA optimize')
        await copyOfTheDay(file.path)
      },
      shared: !file,
      copyNow: file ? async () => tellCopy(await copyAsked(file.path)) : undefined,
      copies: () => (file ? copies(file.path).map(tellCopy) : []),
      close: async () => {
        if (file) await intoOneFile(client)
        client.close()
        file?.letGo()
      },
    }
  } catch (error) {
    client.close()
    throw notUsed(error)
  }
}

/** Several servers of one database may start at once: one of them brings it up to date, and the others find it so. */
async function broughtUp(db: Database, client: Client, migrations: string, file: string | undefined): Promise<void> {
  for (let tries = 0; ; tries++) {
    try {
      return await migrate(db, { migrationsFolder: migrations })
    } catch (error) {
      if (file || tries >= 10) throw error
      await new Promise((go) => setTimeout(go, 200))
      if (!(await pending(client, migrations))) return
    }
  }
}

/** Brings what is in the write-ahead log into the database's file; somebody who reads it meanwhile is waited for. */
async function intoOneFile(client: Client): Promise<void> {
  for (let tries = 0; tries < 20; tries++) {
    const { rows } = await client.execute('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => ({ rows: [] }))
    if (Number(rows[0]?.busy ?? 1) === 0) return
    await new Promise((go) => setTimeout(go, 100))
  }
}

/**
 * Whether a migration waits that this database has not seen.
 *
 * @throws StartFault when the database has seen one that this program does not know
 */
async function pending(client: Client, migrations: string, file?: string): Promise<boolean> {
  const journal: { entries: { when: number }[] } = JSON.parse(
    await readFile(join(migrations, 'meta', '_journal.json'), 'utf8'),
  )
  const table = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'")
  if (table.rows.length === 0) return true
  const done = await client.execute('select count(*) as done, max(created_at) as last from __drizzle_migrations')
  const last = Number(done.rows[0]?.last ?? 0)
  if (last > (journal.entries.at(-1)?.when ?? 0)) {
    const [before] = file ? copies(file).filter((copy) => copy.includes('.before-')) : []
    throw new StartFault(
      `A newer Vane Peg has used this data. Start that version again${before ? `, or restore the backup made before the upgrade with --restore ${before}` : ''}.`,
    )
  }
  return Number(done.rows[0]?.done ?? 0) < journal.entries.length
}

const messageOf = (error: unknown) => (error instanceof Error ? error.message : String(error))

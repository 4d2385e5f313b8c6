import { existsSync, mkdirSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { dirname, join } from 'node:path'
import { type Client, createClient } from '@libsql/client'
import { drizzle } from 'drizzle-orm/libsql'
import { migrate } from 'drizzle-orm/libsql/migrator'
import * as schema from './schema'

export type Database = ReturnType<typeof drizzle<typeof schema>>

export interface Store {
  db: Database
  client: Client
  close(): void
}

/**
 * Opens (or makes) the database at a file path or a libSQL address, in WAL mode with foreign keys on, and brings it up to
 * date. A file that is about to change shape is copied first, beside itself.
 *
 * @param migrations folder of the committed migrations
 */
export async function openStore(url: string, migrations: string): Promise<Store> {
  const file = url.startsWith('file:') ? url.slice('file:'.length) : undefined
  const existed = file !== undefined && existsSync(file)
  if (file) mkdirSync(dirname(file), { recursive: true })
  const client = createClient({ url })
  if (file) await client.execute('PRAGMA journal_mode = WAL')
  await client.execute('PRAGMA foreign_keys = ON')
  if (existed && file && (await pending(client, migrations))) await backUp(client, file)
  const db = drizzle(client, { schema })
  await migrate(db, { migrationsFolder: migrations })
  await client.execute('PRAGMA foreign_keys = ON')
  return { db, client, close: () => client.close() }
}

/** Whether a migration waits that this database has not seen. */
async function pending(client: Client, migrations: string): Promise<boolean> {
  const journal: { entries: unknown[] } = JSON.parse(await readFile(join(migrations, 'meta', '_journal.json'), 'utf8'))
  const table = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'")
  if (table.rows.length === 0) return true
  const done = await client.execute('select count(*) as done from __drizzle_migrations')
  return Number(done.rows[0]?.done ?? 0) < journal.entries.length
}

async function backUp(client: Client, file: string): Promise<void> {
  const stamp = new Date().toISOString().replace(/[:.]/g, '-')
  await client.execute({ sql: 'VACUUM INTO ?', args: [`${file}.before-${stamp}`] })
}

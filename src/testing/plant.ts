import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import type { AnyJob } from '../core/kinds'
import { openStore, type Store } from '../server/db/open'
import { makeDemo } from '../server/demo/make'

export const migrations = 'src/server/db/migrations'

/** The day on which the made-up plant stands still for tests. */
export const plantDay = new Date('2026-11-23T12:00:00Z')

let made: Promise<string> | undefined

/** The made-up plant as one file, made once for each worker and thrown away with it. */
function plantFile(): Promise<string> {
  made ??= (async () => {
    const folder = mkdtempSync(join(tmpdir(), 'vane-peg-plant-'))
    process.on('exit', () => rmSync(folder, { recursive: true, force: true }))
    const file = join(folder, 'site.db')
    const store = await openStore(`file:${file}`, migrations)
    await makeDemo(store.db, plantDay)
    await store.close()
    return file
  })()
  return made
}

/** The made-up plant in a file of its own. */
export async function copyPlant(file: string): Promise<void> {
  mkdirSync(dirname(file), { recursive: true })
  copyFileSync(await plantFile(), file)
}

/** The same, opened. */
export async function openPlant(file: string): Promise<Store> {
  await copyPlant(file)
  return openStore(`file:${file}`, migrations, { whole: true })
}

/** Every job of the made-up plant, in the order of their numbers. */
export async function plantJobs(): Promise<readonly AnyJob[]> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  const store = await openPlant(join(folder, 'site.db'))
  const rows = await store.db.query.jobs.findMany({ orderBy: (job, { asc }) => asc(job.number) })
  await store.close()
  rmSync(folder, { recursive: true, force: true })
  return rows.map(({ document }) => document)
}

import { mkdirSync, rmSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { pino } from 'pino'

/** The made-up plant as a database, made once for all tests. */
export const demoFile = resolve('test-results/demo/site.db')

/** Makes it, before any test. */
export default async function makeDemo(): Promise<void> {
  rmSync(dirname(demoFile), { recursive: true, force: true })
  mkdirSync(dirname(demoFile), { recursive: true })
  const built = pathToFileURL(resolve('dist/server/start.js')).href
  const { start, heavyPool }: typeof import('../src/server/start') = await import(built)
  const heavy = heavyPool()
  const settings = { port: 0, host: '127.0.0.1', names: [], database: demoFile, demo: true, quiet: true }
  const site = await start({ ...settings, restore: undefined }, pino({ level: 'warn' }), heavy)
  await site.stop()
  await heavy.end()
}

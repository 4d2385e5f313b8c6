import { copyFileSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { pino } from 'pino'

/** The made-up plant as a database, made once for all tests; and the same with a door. */
const demoFile = resolve('test-results/demo/site.db')
const doorFile = resolve('test-results/demo/door.db')
const codeFile = resolve('test-results/demo/code')

/** The made-up plant in a file of its own. */
export function copyPlant(to: string): void {
  mkdirSync(dirname(to), { recursive: true })
  copyFileSync(demoFile, to)
}

/** The made-up plant with a door. @returns the one-time code of its administrator, k.odell */
export function copyPlantWithDoor(to: string): string {
  copyFileSync(doorFile, to)
  copyFileSync(`${doorFile}.door`, `${to}.door`)
  return readFileSync(codeFile, 'utf8')
}

/** Makes them, before any test. */
export default async function makeDemo(): Promise<void> {
  rmSync(dirname(demoFile), { recursive: true, force: true })
  mkdirSync(dirname(demoFile), { recursive: true })
  const built = pathToFileURL(resolve('dist/server/start.js')).href
  const { start, heavyPool }: typeof import('../src/server/start') = await import(built)
  const heavy = heavyPool()
  const make = async (database: string, door: boolean) => {
    const settings = { port: 0, host: '127.0.0.1', names: [], database, demo: true, quiet: true, restore: undefined }
    const doors = door ? { door: { secure: false, proxied: false, metrics: undefined } } : {}
    const site = await start({ ...settings, ...doors }, pino({ level: 'warn' }), heavy)
    await site.stop()
    return site.firstCode?.code ?? ''
  }
  await make(demoFile, false)
  writeFileSync(codeFile, await make(doorFile, true))
  await heavy.end()
}

import { fork } from 'node:child_process'
import { copyFileSync, mkdirSync } from 'node:fs'
import { dirname, resolve } from 'node:path'

const demoFile = resolve('test-results/demo/site.db')

/** The made-up plant in a file of its own. */
export function copyPlant(to: string): void {
  mkdirSync(dirname(to), { recursive: true })
  copyFileSync(demoFile, to)
}

/** Starts what gives each test its site, and makes the plant. @returns ends it */
export default async function begin(): Promise<() => void> {
  const host = fork(resolve('e2e/sites.mjs'), [demoFile])
  process.env.SITES = await new Promise<string>((ready, failed) => {
    host.once('message', (port) => ready(`http://127.0.0.1:${port}`))
    host.once('exit', (status) => failed(new Error(`the sites of the tests did not start: ${status}`)))
  })
  return () => void host.kill()
}

import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pino } from 'pino'
import type { TestProject } from 'vitest/node'
import { start } from '../server/start'
import { here } from '../server/workers/work'
import { copyPlant } from './plant'

/** Gives tests of screens a server: POST /demo or /empty → the address of a site of their own, which ends with all others. */
export default async function begin(project: TestProject): Promise<() => Promise<void>> {
  const log = pino({ level: 'warn' })
  const running: (() => Promise<void>)[] = []
  async function site(what: string) {
    const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
    const database = join(folder, 'site.db')
    if (what === 'demo') await copyPlant(database)
    const settings = { port: 0, host: '127.0.0.1', names: [], database, demo: false, quiet: true, whole: true }
    const served = await start({ ...settings, restore: undefined }, log, here)
    running.push(async () => {
      await served.stop()
      rmSync(folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 })
    })
    return { address: served.address }
  }
  const host = createServer(async (request, response) => {
    const name = (request.url ?? '').slice(1)
    response.setHeader('Access-Control-Allow-Origin', '*')
    try {
      response.end(JSON.stringify(await site(name)))
    } catch (error) {
      response.writeHead(500).end(String(error))
    }
  })
  await new Promise<void>((ready) => host.listen(0, '127.0.0.1', ready))
  project.provide('sites', `http://127.0.0.1:${(host.address() as AddressInfo).port}`)
  return async () => {
    host.closeAllConnections()
    host.close()
    await Promise.all(running.map((stop) => stop()))
  }
}

/**
 * Sites for the tests of the page, all in one process from the built server: they share what they load and their threads. Asked
 * over HTTP for a new one, or to end one.
 *
 * POST /demo, /empty or /door → { id, address, code }; DELETE /<id>
 */
import { execFileSync } from 'node:child_process'
import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import { dirname, join, resolve } from 'node:path'
import { pino } from 'pino'
import { heavyPool, start } from '../dist/server/start.js'

const [demoFile = ''] = process.argv.slice(2)
const doorFile = join(dirname(demoFile), 'door.db')
const log = pino({ level: 'warn' })
const heavy = heavyPool()
const usual = { port: 0, host: '127.0.0.1', names: [], demo: false, quiet: true, restore: undefined }

// the made-up plant, made once; and the same with a door, and somebody who may open it
rmSync(dirname(demoFile), { recursive: true, force: true })
mkdirSync(dirname(demoFile), { recursive: true })
await (await start({ ...usual, database: demoFile, demo: true }, log, heavy)).stop()
copyFileSync(demoFile, doorFile)
const administrator = ['--database', doorFile, '--sign-in', 'k.odell', '--name', 'K. Odell', '--initials', 'K. O.']
const said = execFileSync(process.execPath, [resolve('dist/server/administrator.js'), ...administrator], {
  encoding: 'utf8',
})
const [, code = ''] = /one-time code\s+(\S+)/.exec(said) ?? []

const running = new Map()

async function begin(what) {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  const database = join(folder, 'site.db')
  if (what === 'demo') copyFileSync(demoFile, database)
  if (what === 'door') for (const end of ['', '.door']) copyFileSync(`${doorFile}${end}`, `${database}${end}`)
  const door = what === 'door' ? { secure: false, proxied: false, metrics: undefined } : undefined
  const site = await start({ ...usual, database, whole: true, door }, log, heavy)
  const id = folder.slice(-6)
  running.set(id, async () => {
    running.delete(id)
    await site.stop()
    rmSync(folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 })
  })
  return { id, address: site.address, code: what === 'door' ? code : '' }
}

const host = createServer(async (request, response) => {
  const name = (request.url ?? '').slice(1)
  try {
    const answer = request.method === 'POST' ? await begin(name) : await running.get(name)?.()
    response.end(JSON.stringify(answer ?? {}))
  } catch (error) {
    response.writeHead(500).end(String(error))
  }
})
host.listen(0, '127.0.0.1', () => process.send?.(host.address().port))
process.on('disconnect', () => process.exit(0))

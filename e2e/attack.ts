import { type ChildProcess, spawn } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import { mkdtempSync, rmSync } from 'node:fs'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { copyPlant } from './begin'

/** A server of its own, and what it says while it lives and ends. */
export interface Running {
  address: string
  port: number
  process: ChildProcess
  /** What it wrote on standard error. */
  said: () => string
  ended: Promise<number | null>
}

export const freshFolder = () => mkdtempSync(join(tmpdir(), 'vane-peg-'))

/** Where a server keeps its data in its folder. */
export const dataIn = (folder: string) => join(folder, 'vane-peg.db')

/** Starts the built server on the made-up plant, as if somebody had typed it all there. */
export function startPlant(folder: string, args: readonly string[] = [], cwd = '.'): Promise<Running> {
  copyPlant(dataIn(folder))
  return startServer(folder, args, cwd)
}
export const throwAway = (folder: string) =>
  rmSync(folder, { recursive: true, force: true, maxRetries: 20, retryDelay: 100 })

/** Servers that still run. */
const running = new Set<ChildProcess>()

/** Ends what a test that failed left running: the test run would wait for it. */
export function endServers(): void {
  for (const server of running) server.kill('SIGKILL')
}

/** Starts the built server; rejects with what it says where it ends instead. */
export function startServer(folder: string, args: readonly string[] = [], cwd = '.'): Promise<Running> {
  const server = spawn(
    process.execPath,
    ['dist/server/server.js', '--port', '0', '--data', folder, '--quiet', ...args],
    { stdio: ['ignore', 'pipe', 'pipe'], cwd },
  )
  let out = ''
  let errors = ''
  server.stderr?.on('data', (chunk) => {
    errors += chunk
  })
  running.add(server)
  const ended = new Promise<number | null>((done) =>
    server.on('exit', (code) => {
      running.delete(server)
      done(code)
    }),
  )
  return new Promise((ready, failed) => {
    server.stdout?.on('data', (chunk) => {
      out += chunk
      const found = /http:\/\/localhost:(\d+)/.exec(out)
      if (found) ready({ address: found[0], port: Number(found[1]), process: server, said: () => errors, ended })
    })
    void ended.then((code) => failed(new Error(`${code}: ${errors.trim()}`)))
  })
}

export async function stopServer({ process: server, ended }: Running, signal: NodeJS.Signals = 'SIGTERM') {
  server.kill(signal)
  return ended
}

/** Asks with JSON, as the page does. */
export async function ask(at: Running, path: string, body?: unknown, method = body === undefined ? 'GET' : 'PUT') {
  const response = await fetch(`${at.address}/api${path}`, {
    method,
    ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
  })
  const text = await response.text()
  return { status: response.status, text, body: text.startsWith('{') || text.startsWith('[') ? JSON.parse(text) : text }
}

/** Sends bytes as they are, and hangs up rudely if asked to; the first line of the answer, if there was one. */
export function raw(port: number, text: string, { reset = false, wait = 1500 } = {}): Promise<string> {
  return new Promise((done) => {
    let answer = ''
    const socket = connect(port, '127.0.0.1', () => {
      socket.write(text)
      if (reset) setTimeout(() => socket.resetAndDestroy(), 5)
    })
    socket.on('data', (chunk) => {
      answer += chunk
    })
    socket.on('error', () => undefined)
    socket.on('close', () => done(answer.split('\r\n')[0] ?? ''))
    setTimeout(() => socket.destroy(), wait).unref()
  })
}

/** The head of a request for a WebSocket. */
export const upgrade = (path: string, headers: Record<string, string> = {}) =>
  `GET ${path} HTTP/1.1\r\n${Object.entries({
    Host: 'localhost',
    Upgrade: 'websocket',
    Connection: 'Upgrade',
    'Sec-WebSocket-Key': randomBytes(16).toString('base64'),
    'Sec-WebSocket-Version': '13',
    ...headers,
  })
    .map(([name, value]) => `${name}: ${value}\r\n`)
    .join('')}\r\n`

/** Another program that holds a database's write lock for so long, in a process of its own; resolves once it holds it. */
export function holdLocked(file: string, ms: number): Promise<{ over: Promise<void> }> {
  const script = `
    import { createClient } from '@libsql/client'
    const client = createClient({ url: 'file:' + process.argv[1], timeout: 4000 })
    const held = await client.transaction('write')
    process.stdout.write('held')
    setTimeout(async () => { await held.rollback(); client.close(); process.exit(0) }, ${ms})`
  const child = spawn(process.execPath, ['--input-type=module', '--eval', script, file], {
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const over = new Promise<void>((done) => child.on('exit', () => done()))
  return new Promise((held) => child.stdout?.once('data', () => held({ over })))
}

/** The steps of `npm test`: run beside each other where nothing waits for another, told as they end, ended at the first that fails. */
import { spawn } from 'node:child_process'
import { performance } from 'node:perf_hooks'
import { root } from './setup.mjs'

const say = (text) => process.stderr.write(`${text}\n`)
const running = new Set()

/**
 * Runs a command. What it writes is shown at once where it is `loud`, else only if it fails.
 *
 * @throws when it fails, with a plain line; every other step is stopped
 */
export function step(name, command, args, { loud = false, env = {}, mayFail = false } = {}) {
  const began = performance.now()
  return new Promise((done, failed) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: loud ? ['ignore', 2, 2] : ['ignore', 'pipe', 'pipe'],
      detached: true,
    })
    running.add(child)
    const written = []
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => written.push(chunk))
    child.on('error', failed)
    child.on('close', (status) => {
      running.delete(child)
      const seconds = ((performance.now() - began) / 1000).toFixed(0)
      say(`${name.padEnd(6)} ${status === 0 ? 'passed' : 'FAILED'} after ${seconds} s`)
      if (status === 0 || mayFail) return done(status)
      process.stderr.write(Buffer.concat(written))
      stopAll()
      failed(new Error(`${name} failed.`))
    })
  })
}

/** Ends whatever still runs, with what it started. */
export function stopAll() {
  for (const child of running)
    try {
      process.kill(-child.pid, 'SIGTERM')
    } catch {
      // it has ended by itself
    }
}

for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    stopAll()
    process.exit(1)
  })

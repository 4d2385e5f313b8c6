import { spawn } from 'node:child_process'
import { root } from './setup.mjs'

/** Runs the built server until it ends; signals are handed on. */
export function serve(args) {
  const server = spawn(process.execPath, ['dist/server/server.js', ...args], { cwd: root, stdio: 'inherit' })
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
  return new Promise((done) => server.on('exit', (code) => done(code ?? 0)))
}

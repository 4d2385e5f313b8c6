/**
 * Sets up what is missing on a fresh clone, without dependencies of its own: the packages from the lock file, and the
 * built application. Used by `npm run demo`, `npm start`, `npm test` and the rest.
 */
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')

const say = (text) => process.stderr.write(`${text}\n`)

/** Runs a command in the project, its output on standard error; throws with a plain line when it fails. */
export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: ['ignore', 2, 2], ...options })
  if (done.status !== 0) throw new Error(`${command} ${args.join(' ')} failed.`)
}

/** A tool of the installed packages. */
export const tool = (name) => join(root, 'node_modules', '.bin', name)

function stampOf(...files) {
  const hash = createHash('sha256')
  for (const file of files) hash.update(readFileSync(join(root, file)))
  return hash.digest('hex')
}

/** Whether what is installed is what the lock file says. */
function asLocked() {
  const there = join(root, 'node_modules', '.package-lock.json')
  if (!existsSync(there)) return false
  const versions = (file) =>
    Object.entries(JSON.parse(readFileSync(file, 'utf8')).packages ?? {}).filter(([path]) => path !== '')
  const installed = new Map(versions(there).map(([path, { version }]) => [path, version]))
  return versions(join(root, 'package-lock.json')).every(
    ([path, { version, optional }]) => optional || installed.get(path) === version,
  )
}

/** Installs the packages exactly as locked, once for each lock file. */
export function packages() {
  const stamp = join(root, 'node_modules', '.vane-peg')
  const wanted = stampOf('package-lock.json', 'package.json')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  // somebody installed them by hand
  if (asLocked()) return writeFileSync(stamp, wanted)
  say('Installing packages (once) ...')
  run('npm', ['ci', '--no-audit', '--no-fund', '--include=dev'])
  writeFileSync(stamp, wanted)
}

function newest(folder) {
  let time = 0
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    time = Math.max(time, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs)
  }
  return time
}

/** Builds page, server and command line where the sources are newer than the build. */
export function build({ force = false } = {}) {
  const stamp = join(root, 'dist', '.built')
  const sources = Math.max(
    newest(join(root, 'src')),
    ...['package-lock.json', 'vite.config.ts', 'vite.server.config.ts'].map(
      (file) => statSync(join(root, file)).mtimeMs,
    ),
  )
  if (!force && existsSync(stamp) && statSync(stamp).mtimeMs >= sources) return
  say('Building ...')
  run(tool('vite'), ['build', '--logLevel', 'warn'])
  run(tool('vite'), ['build', '--logLevel', 'warn', '--config', 'vite.server.config.ts'])
  mkdirSync(dirname(stamp), { recursive: true })
  writeFileSync(stamp, '')
}

/** Path of a Chromium for the browser tests; installs Debian's through apt-get where that is allowed. */
export function chromium() {
  const places = [
    process.env.CHROMIUM,
    '/usr/lib/chromium/chromium',
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
  ]
  const found = () => places.find((place) => place && existsSync(place))
  if (found()) return found()
  say('Chromium is missing; trying apt-get ...')
  try {
    const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n']
    const apt = (...args) => {
      const [command, ...rest] = [...sudo, 'apt-get', ...args]
      execFileSync(command, rest, {
        stdio: ['ignore', 2, 2],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      })
    }
    apt('update', '-qq')
    apt('install', '-y', '-qq', 'chromium')
  } catch {
    /* said below */
  }
  if (found()) return found()
  throw new Error('The browser tests need Chromium: install the package "chromium", or set CHROMIUM to its path.')
}

/** Ends the process with one plain line when a step fails. */
export async function main(work) {
  try {
    await work()
  } catch (error) {
    say(error instanceof Error ? error.message : String(error))
    process.exitCode = 1
  }
}

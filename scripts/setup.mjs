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
  say('Installing packages (first run only) …')
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

const stamp = join(root, 'dist', '.built')
const builds = [
  ['build', '--logLevel', 'error', '--config', 'vite.server.config.ts'],
  ['build', '--logLevel', 'error'],
]

/** What has to be run to build page, server and command line; nothing where the build is as new as the sources. */
export function unbuilt() {
  const files = ['package-lock.json', 'vite.config.ts', 'vite.chunks.ts', 'vite.server.config.ts']
  const sources = [newest(join(root, 'src')), ...files.map((file) => statSync(join(root, file)).mtimeMs)]
  return existsSync(stamp) && statSync(stamp).mtimeMs >= Math.max(...sources) ? [] : builds
}

export function nowBuilt() {
  mkdirSync(dirname(stamp), { recursive: true })
  writeFileSync(stamp, '')
}

/** Builds where the sources are newer than the build. */
export function build() {
  const missing = unbuilt()
  if (missing.length === 0) return
  say('Building ...')
  for (const args of missing) run(tool('vite'), args)
  nowBuilt()
}

/** Installs a package of Debian's, where that is allowed. */
function install(name) {
  say(`${name} is missing; trying apt-get ...`)
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
    apt('install', '-y', '-qq', name)
  } catch {
    // said by whoever asked for it
  }
}

/**
 * Path of a Chromium for the browser tests: the one without a window's trimmings, with which they take two thirds of the time, or
 * any other. Installs Debian's through apt-get where that is allowed.
 */
export function chromium() {
  const { CHROMIUM: given } = process.env
  if (given && existsSync(given)) return given
  const bare = '/usr/lib/chromium/chromium-headless-shell'
  const whole = [
    '/usr/lib/chromium/chromium',
    '/usr/bin/chromium',
    '/usr/bin/chromium-browser',
    '/usr/bin/google-chrome',
  ]
  if (!existsSync(bare)) install('chromium-headless-shell')
  const found = () => [bare, ...whole].find((place) => existsSync(place))
  if (!found()) install('chromium')
  const place = found()
  if (place) return place
  throw new Error(
    'The browser tests need Chromium: install the package "chromium-headless-shell" or "chromium", or set CHROMIUM to its path.',
  )
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

// The long check, for a night: every property thousands of times from a fresh seed, the server's whole attack
// (260 kills, locks of 1, 7 and 20 s), then the broken core.
import { spawnSync } from 'node:child_process'

const run = (command, args, env = {}) =>
  spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1

const properties = run('npx', ['vitest', 'run', '--testTimeout', '3600000'], { LONG: process.env.LONG ?? '5000' })
const build = run('npm', ['run', 'build'])
const attacks = run('npx', ['playwright', 'test', 'e2e/server.spec.ts', 'e2e/keeping.spec.ts', '--reporter=line'], {
  LONG: '1',
})
const mutants = run('node', ['scripts/mutants.mjs', ...process.argv.slice(2)])
process.exit(properties || build || attacks || mutants)

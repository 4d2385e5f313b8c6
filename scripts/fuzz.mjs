// Ten thousand bad documents, surveys, bodies and addresses from a fresh seed (printed): each stored or refused in a sentence,
// none answered as a fault of the server, no answer that stands in the way of others.
import { spawnSync } from 'node:child_process'

const run = (command, args, env = {}) =>
  spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } }).status ?? 1

process.exit(
  run('npm', ['run', 'build']) ||
    run('npx', ['playwright', 'test', 'e2e/server.spec.ts', '-g', 'whatever is sent', '--reporter=line'], {
      LONG: '1',
    }),
)

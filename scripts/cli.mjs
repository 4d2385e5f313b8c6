/** Runs a command line of `src/cli` once everything it needs is set up; its files are found from where it was asked for. */
import { spawnSync } from 'node:child_process'
import { isAbsolute, join } from 'node:path'
import { main, packages, root, tool } from './setup.mjs'

export const cli = (file) =>
  main(() => {
    packages()
    const started = process.env.INIT_CWD ?? process.cwd()
    const args = process.argv.slice(2).map((arg) => (arg.startsWith('-') || isAbsolute(arg) ? arg : join(started, arg)))
    const done = spawnSync(tool('tsx'), [join(root, 'src/cli', file), ...args], { cwd: root, stdio: 'inherit' })
    process.exitCode = done.status ?? 1
  })

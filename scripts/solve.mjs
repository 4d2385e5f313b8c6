/** `npm run --silent solve -- survey.json`: sets up what is missing, then hands over to the command line. */
import { spawnSync } from 'node:child_process'
import { isAbsolute, join } from 'node:path'
import { main, packages, root, tool } from './setup.mjs'

await main(() => {
  packages()
  const started = process.env.INIT_CWD ?? process.cwd()
  const args = process.argv.slice(2).map((arg) => (arg.startsWith('-') || isAbsolute(arg) ? arg : join(started, arg)))
  const solved = spawnSync(tool('tsx'), [join(root, 'src/cli/main.ts'), ...args], { cwd: root, stdio: 'inherit' })
  process.exitCode = solved.status ?? 1
})

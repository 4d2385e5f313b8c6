/** `npm run bench`: everything measured in one run, as ratios wherever the machine's own speed would show. */
import { spawnSync } from 'node:child_process'
import { build, chromium, main, packages, root, tool } from './setup.mjs'

await main(() => {
  packages()
  build()
  const done = spawnSync(tool('tsx'), ['scripts/bench/all.ts'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, CHROMIUM: chromium() },
  })
  process.exitCode = done.status ?? 1
})

/** `npm run administrator -- --sign-in k.odell --name "K. Odell"`: makes an administrator, or a new one-time code for one. */
import { spawnSync } from 'node:child_process'
import { build, main, packages, root } from './setup.mjs'

await main(async () => {
  packages()
  build()
  const { status } = spawnSync(process.execPath, ['dist/server/administrator.js', ...process.argv.slice(2)], {
    cwd: root,
    stdio: 'inherit',
  })
  process.exitCode = status ?? 1
})

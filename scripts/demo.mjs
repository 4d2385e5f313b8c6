/** `npm run demo`: sets up what is missing, makes the demo plant anew and serves it. Options as for `npm start`. */
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { serve } from './serve.mjs'
import { build, main, packages, root } from './setup.mjs'

await main(async () => {
  packages()
  build()
  const folder = join(root, 'data')
  for (const end of ['', '-wal', '-shm']) rmSync(join(folder, `demo.db${end}`), { force: true })
  process.exitCode = await serve(['--demo', '--quiet', ...process.argv.slice(2)])
})

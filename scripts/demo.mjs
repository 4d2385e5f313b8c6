/** `npm run demo`: sets up what is missing, makes the demo plant anew and serves it. Options as for `npm start`. */
import { serve } from './serve.mjs'
import { build, main, packages } from './setup.mjs'

await main(async () => {
  packages()
  build()
  process.exitCode = await serve(['--demo', '--quiet', ...process.argv.slice(2)])
})

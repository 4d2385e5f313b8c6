/** `npm start`: serves a site's own data. Options after `--`: --port, --host, --data, --database. */
import { serve } from './serve.mjs'
import { build, main, packages } from './setup.mjs'

await main(async () => {
  packages()
  build()
  process.exitCode = await serve(['--tell', ...process.argv.slice(2)])
})

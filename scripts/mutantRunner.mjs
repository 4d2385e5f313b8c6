// Runs the tests over one broken file after another in one warm Vitest; `mutants.mjs` sends the files and waits.
import { join } from 'node:path'
import { createVitest } from 'vitest/node'

const [root] = process.argv.slice(2)
const vitest = await createVitest('test', {
  root,
  config: join(root, 'vitest.config.ts'),
  watch: false,
  bail: 1,
  reporters: [{}],
  pool: 'forks',
  maxWorkers: 2,
})
await vitest.standalone?.()
const all = await vitest.globTestSpecifications()
let last
process.on('message', async ({ file, specs }) => {
  try {
    // what was broken last is mended again: both are read anew
    for (const one of [last, file]) if (one) vitest.invalidateFile(join(root, one))
    last = file
    const wanted = specs.flatMap((test) => all.filter(({ moduleId }) => moduleId === join(root, test)))
    // the nearest alone first
    for (const part of [wanted.slice(0, 2), wanted.slice(2)]) {
      if (part.length === 0) continue
      const { testModules, unhandledErrors } = await vitest.runTestSpecifications(part, false)
      if (unhandledErrors.length > 0 || testModules.some((one) => !one.ok())) return process.send('noticed')
    }
    process.send('passed')
  } catch {
    process.send('noticed')
  }
})

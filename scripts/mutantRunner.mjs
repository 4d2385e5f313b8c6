// Runs the tests over one broken file after another in one warm Vitest; `mutants.mjs` sends the files and waits.
import { join } from 'node:path'
import { createVitest } from 'vitest/node'

const [root] = process.argv.slice(2)
const vitest = await createVitest('test', {
  root,
  // one worker each: what a worker has loaded once would stay unbroken
  config: false,
  include: ['src/**/*.test.{ts,tsx}'],
  exclude: ['src/**/*.screen.test.tsx'],
  setupFiles: ['src/testing/kinds.ts'],
  testTimeout: 60_000,
  isolate: true,
  watch: false,
  reporters: [{}],
  pool: 'forks',
  maxWorkers: 2,
})
await vitest.standalone?.()
const all = await vitest.globTestSpecifications()
let last
let strays = 0
process.on('message', async ({ file, specs }) => {
  try {
    // what was broken last is mended again: both are read anew
    for (const one of [last, file]) if (one) vitest.invalidateFile(join(root, one))
    last = file
    const wanted = specs.flatMap((test) => all.filter(({ moduleId }) => moduleId === join(root, test)))
    // the nearest alone first; no bailing out, which would leave the next run canceled
    for (let at = 0; at < wanted.length; at += at === 0 ? 2 : 4) {
      const part = wanted.slice(at, at === 0 ? 2 : at + 4)
      const { testModules, unhandledErrors } = await vitest.runTestSpecifications(part, false)
      // it tells of every run so far: only what was asked now counts
      const asked = testModules.filter(({ moduleId }) => part.some((one) => one.moduleId === moduleId))
      const stray = unhandledErrors.length > strays
      strays = unhandledErrors.length
      if (stray || asked.some((one) => !one.ok())) return process.send('noticed')
    }
    process.send('passed')
  } catch (error) {
    process.stderr.write(`${error?.stack ?? error}\n`)
    process.send('noticed')
  }
})

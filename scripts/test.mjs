/**
 * `npm test`: sets up what is missing, then format and lint, types, unit tests, build, and the real page in headless
 * Chromium. Ends with one plain line: how many tests passed and failed.
 */
import { spawnSync } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { build, chromium, main, packages, root, run, tool } from './setup.mjs'

await main(() => {
  packages()
  const browser = chromium()
  run(tool('biome'), ['check', '--error-on-warnings', '.'])
  for (const part of ['core', 'server', 'web', 'test']) run(tool('tsc'), ['-p', `tsconfig.${part}.json`])

  const results = join(root, 'test-results')
  rmSync(results, { recursive: true, force: true })
  const quiet = { cwd: root, stdio: ['ignore', 2, 2] }
  spawnSync(
    tool('vitest'),
    ['run', '--reporter=default', '--reporter=json', `--outputFile=${results}/unit.json`],
    quiet,
  )
  build({ force: true })
  spawnSync(tool('playwright'), ['test'], { ...quiet, env: { ...process.env, CHROMIUM: browser } })

  const unit = JSON.parse(readFileSync(join(results, 'unit.json'), 'utf8'))
  const told = JSON.parse(readFileSync(join(results, 'page.json'), 'utf8'))
  const page = told.stats
  const passed = unit.numPassedTests + page.expected + page.flaky
  const failed =
    unit.numTotalTests - unit.numPassedTests + page.unexpected + (unit.success ? 0 : unit.numFailedTests ? 0 : 1)
  for (const name of secondTries(told.suites)) process.stdout.write(`passed only on its second try: ${name}\n`)
  process.stdout.write(`${passed} passed, ${failed} failed\n`)
  if (failed > 0 || page.expected === 0) process.exitCode = 1
})

/** Names of the tests of the page that failed once and then passed. */
function secondTries(suites) {
  return suites.flatMap((suite) => [
    ...secondTries(suite.suites ?? []),
    ...(suite.specs ?? [])
      .filter((spec) => spec.tests.some(({ status }) => status === 'flaky'))
      .map((spec) => `${spec.file}: ${spec.title}`),
  ])
}

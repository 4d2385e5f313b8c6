/**
 * `npm test`: sets up what is missing, then everything that is checked, what ends soonest first: format and lint; types, the
 * build and the unit tests beside each other; the real page in headless Chromium. It ends at the first of these that fails,
 * with one plain line: how many tests passed and failed.
 */
import { readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { chromium, main, nowBuilt, packages, root, tool, unbuilt } from './setup.mjs'
import { step } from './steps.mjs'

const results = join(root, 'test-results')
const told = (name) => JSON.parse(readFileSync(join(results, name), 'utf8'))

await main(async () => {
  packages()
  const browser = chromium()
  rmSync(results, { recursive: true, force: true })
  const tests = { passed: 0, failed: 0 }
  try {
    await step('lint', tool('biome'), ['check', '--error-on-warnings', '.'])
    const json = ['--reporter=default', '--reporter=json', `--outputFile=${results}/unit.json`]
    const unit = step('unit', tool('vitest'), ['run', ...json], { loud: true, mayFail: true })
    await step('types', tool('tsc'), ['-b', '--checkers', '1'])
    for (const args of unbuilt()) await step('build', tool('vite'), args)
    nowBuilt()
    await unit
    const { numPassedTests, numTotalTests, success } = told('unit.json')
    tests.passed += numPassedTests
    // a file that could not be loaded counts as one
    tests.failed += success ? 0 : Math.max(1, numTotalTests - numPassedTests)
    if (tests.failed > 0) return
    await step('page', tool('playwright'), ['test'], { loud: true, mayFail: true, env: { CHROMIUM: browser } })
    const { expected, unexpected, flaky, skipped } = told('page.json').stats
    tests.passed += expected
    tests.failed += unexpected + flaky + (expected === 0 ? 1 : 0)
    if (skipped > 0) process.stderr.write(`${skipped} tests of the page were not run.\n`)
  } catch (error) {
    tests.failed += 1
    throw error
  } finally {
    process.stdout.write(`${tests.passed} passed, ${tests.failed} failed\n`)
    if (tests.failed > 0) process.exitCode = 1
  }
})

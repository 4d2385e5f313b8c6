/**
 * `npm run quick [SINCE]`: what is soon known of a change: format, lint and types, and the unit tests nearest to the files that
 * changed since a commit (HEAD unless told otherwise), for as long as they are likely to take half a minute. It says which tests
 * it left out; `npm test` runs them all.
 */
import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { dirname, join, normalize, relative } from 'node:path'
import { main, packages, root, tool } from './setup.mjs'
import { step } from './steps.mjs'

/** So many test files are run at most. */
const most = 12

const git = (...args) =>
  spawnSync('git', args, { cwd: root, encoding: 'utf8' })
    .stdout.split('\n')
    .filter((line) => line !== '')

await main(async () => {
  packages()
  const [since = 'HEAD'] = process.argv.slice(2)
  const changed = [
    ...git('diff', '--name-only', '--diff-filter=d', since),
    ...git('ls-files', '--others', '--exclude-standard'),
  ].filter((file) => existsSync(join(root, file)))
  if (changed.length === 0) return process.stderr.write(`Nothing has changed since ${since}.\n`)
  const code = changed.filter((file) => /^src\/.*\.tsx?$/.test(file))
  const ranked = testsNear(code)
  const [run, left] = [ranked.slice(0, most), ranked.slice(most)]
  const quiet = ['check', '--error-on-warnings', '--no-errors-on-unmatched', '--files-ignore-unknown=true']
  await step('lint', tool('biome'), [...quiet, ...changed])
  await Promise.all([
    step('types', tool('tsc'), ['-b', '--checkers', '1']),
    run.length > 0 ? step('unit', tool('vitest'), ['run', ...run], { loud: true }) : undefined,
  ])
  if (left.length > 0) process.stderr.write(`${left.length} test files further off were not run: npm test runs them.\n`)
})

/** Test files that read a changed file, straight or through others, the nearest first: fewest steps of imports, then folders. */
function testsNear(changed) {
  const sources = new Set(
    readdirSync(join(root, 'src'), { recursive: true })
      .filter((file) => /\.tsx?$/.test(file))
      .map((file) => join('src', file)),
  )
  const readers = new Map()
  for (const file of sources)
    for (const [, to] of readFileSync(join(root, file), 'utf8').matchAll(/(?:from|import)\s*\(?\s*'(\.[^']*)'/g)) {
      const at = normalize(join(dirname(file), to))
      const read = [`${at}.ts`, `${at}.tsx`, join(at, 'index.ts')].find((one) => sources.has(one))
      if (read) readers.set(read, [...(readers.get(read) ?? []), file])
    }
  const steps = new Map(changed.map((file) => [file, 0]))
  for (const [file, far] of steps)
    for (const next of readers.get(file) ?? []) if (!steps.has(next)) steps.set(next, far + 1)
  const apart = (file) => Math.min(...changed.map((one) => relative(dirname(one), dirname(file)).split('/').length))
  return [...steps]
    .filter(([file]) => /\.test\.tsx?$/.test(file))
    .sort(([a, far], [b, further]) => far - further || apart(a) - apart(b))
    .map(([file]) => file)
}

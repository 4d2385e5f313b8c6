import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { poolOf } from './pool'
import { OverloadedError } from './work'

const folder = mkdtempSync(join(tmpdir(), 'pool-'))
const sleeper = join(folder, 'sleeper.mjs')
const pools: { end(): Promise<void> }[] = []
const pool = (limit: number, waiting = 4) => {
  const one = poolOf(sleeper, { ready: 0, threads: 1, waiting, limit })
  pools.push(one)
  return one
}
// a thread that needs 600 ms to load and then takes as long as it is asked to
beforeAll(() =>
  writeFileSync(
    sleeper,
    `await new Promise((go) => setTimeout(go, 600))
export default async ({ given: [ms], begun }) => {
  begun.postMessage(true)
  await new Promise((go) => setTimeout(go, ms))
  return ms
}
`,
  ),
)
afterAll(async () => {
  for (const one of pools) await one.end()
  rmSync(folder, { recursive: true })
})
const asked = (ms: number) => ['sheet', [ms] as never] as const

test('neither the loading of a thread nor the wait for a turn counts as the time of a task', async () => {
  const { run } = pool(500)
  expect(await Promise.all([100, 101, 102].map((ms) => run(...asked(ms))))).toEqual([100, 101, 102])
})

test('a task that takes too long once begun is stopped, and the thread is free for the next', async () => {
  const { run } = pool(500)
  const slow = run(...asked(60_000))
  const next = run(...asked(10))
  await expect(slow).rejects.toThrow(OverloadedError)
  await expect(slow).rejects.toThrow('Stopped after 0.5 s.')
  expect(await next).toBe(10)
})

test('more than may wait is refused at once', async () => {
  const { run } = pool(5000, 1)
  const all = await Promise.allSettled([20, 21, 22, 23].map((ms) => run(...asked(ms))))
  expect(all.map(({ status }) => status)).toContain('rejected')
  expect(all.flatMap((one) => (one.status === 'rejected' ? [String(one.reason.message)] : []))).toContain(
    'The server is busy. Try again in a moment.',
  )
})

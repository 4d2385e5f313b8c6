import type { Page } from '@playwright/test'
import { expect, test } from './site'

/**
 * Everything of our own that a cold visit fetches at once, by file ending, kB as it comes over the wire: what the page fetches later,
 * once it has stood for a while, is held back, so that a busy machine weighs what a quiet one does.
 */
async function weighed(page: Page, address: string): Promise<Record<string, number>> {
  await page.addInitScript(() => {
    const soon = window.setTimeout
    const hold = (work: TimerHandler, ms = 0) => (ms >= 500 ? 0 : soon(work, ms))
    Object.assign(window, { setTimeout: hold })
  })
  await page.goto(address, { waitUntil: 'networkidle' })
  return page.evaluate(() => {
    const all = performance.getEntriesByType('resource') as PerformanceResourceTiming[]
    const kB = (end: RegExp) =>
      all.filter(({ name }) => end.test(new URL(name).pathname)).reduce((sum, one) => sum + one.encodedBodySize, 0) /
      1024
    return { script: kB(/\.js$/), files: all.filter(({ name }) => name.includes('/assets/')).length }
  })
}

test('the first page is light, and nothing of a line’s kind is fetched for it', async ({ page, plant }) => {
  const floor = await weighed(page, `${plant}/`)
  expect(floor.script).toBeGreaterThan(100)
  expect(floor.script).toBeLessThan(160)
  expect(floor.files).toBeLessThan(30)
})

test('a job opened directly is no more than its own screen', async ({ page, plant }) => {
  const job = await weighed(page, `${plant}/jobs/job-6/readings`)
  expect(job.script).toBeGreaterThan(100)
  // 241 measured
  expect(job.script).toBeLessThan(250)
  expect(job.files).toBeLessThan(40)
})

test('a job of another kind carries none of a train’s', async ({ page, plant }) => {
  const job = await weighed(page, `${plant}/jobs/job-45/readings`)
  expect(job.script).toBeGreaterThan(100)
  // 210 measured
  expect(job.script).toBeLessThan(220)
})

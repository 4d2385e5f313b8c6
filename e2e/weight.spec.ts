import type { Page } from '@playwright/test'
import { expect, test } from './site'

/** Everything of our own that a cold visit fetches, by file ending, kB as it comes over the wire. */
async function weighed(page: Page, address: string): Promise<Record<string, number>> {
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
  const job = await weighed(page, `${plant}/jobs/job-6/read`)
  expect(job.script).toBeGreaterThan(100)
  // 225 measured; 249 on a busy machine, with what the page fetches once it has nothing else to do
  expect(job.script).toBeLessThan(260)
  expect(job.files).toBeLessThan(40)
})

test('a job of another kind carries none of a train’s', async ({ page, plant }) => {
  const job = await weighed(page, `${plant}/jobs/job-45/read`)
  expect(job.script).toBeGreaterThan(100)
  expect(job.script).toBeLessThan(225)
})

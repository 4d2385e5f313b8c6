import type { Page } from '@playwright/test'
import { percentile, row } from './clock'

/** Frames a second while a stand-in sends fifty messages a second into a sweep with its strips in view. */
export async function benchLive(page: Page, address: string): Promise<string[]> {
  await page.goto(`${address}/jobs/job-7/readings?rate=50`)
  await page.getByRole('button', { name: 'Live', exact: true }).click()
  await page.getByRole('button', { name: 'Connect' }).click()
  await page.getByRole('button', { name: 'Sweep', exact: true }).click()
  await page.getByLabel('Turn the shafts, degrees').fill('370')
  await page.getByRole('status', { name: 'Captured readings' }).filter({ hasText: 'points' }).waitFor()
  const frames = await page.evaluate(async () => {
    const times: number[] = []
    const begun = performance.now()
    let before = begun
    while (before - begun < 7000) {
      const now = await new Promise<number>((next) => requestAnimationFrame(() => next(performance.now())))
      times.push(now - before)
      before = now
    }
    return times
  })
  await page.getByRole('button', { name: 'Stop sweep' }).click()
  const said = await page.getByRole('status', { name: 'Captured readings' }).textContent()
  const seconds = frames.reduce((sum, ms) => sum + ms, 0) / 1000
  return [
    row('live strip at 50 messages a second, frames a second', (frames.length / seconds).toFixed(1), '60'),
    row('the same, ms between frames p95', percentile(frames, 95).toFixed(1)),
    row('the same, points taken in', /\d+/.exec(said ?? '')?.[0] ?? '?'),
  ]
}

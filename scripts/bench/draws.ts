import type { Page } from '@playwright/test'
import { percentile, row } from './clock'

/** 100,000 draws in the page's worker, from the question to the answer, and the page's frames meanwhile. */
export async function benchDraws(page: Page, address: string): Promise<string[]> {
  await page.goto(`${address}/jobs/job-4/verify`)
  await page.evaluate('globalThis.__name = (named) => named')
  await page.getByText('With everything uncertain together').click()
  const button = page.getByRole('button', { name: 'Draw it 100,000 times' })
  await button.waitFor()
  const { draws, frames } = await page.evaluate(async () => {
    const seen = () => performance.getEntriesByName('vane-peg:draws')
    const frames: number[] = []
    let before = performance.now()
    let watching = true
    const watch = () => {
      const now = performance.now()
      frames.push(now - before)
      before = now
      if (watching) requestAnimationFrame(watch)
    }
    requestAnimationFrame(watch)
    for (let i = 0; i < 20; i++) {
      const count = seen().length
      const press = [...document.querySelectorAll('button')].find((one) => one.textContent?.startsWith('Draw it'))
      press?.click()
      const begun = performance.now()
      while (seen().length === count && performance.now() - begun < 5000)
        await new Promise((rest) => setTimeout(rest, 5))
      await new Promise((rest) => setTimeout(rest, 60))
    }
    watching = false
    return { draws: seen().map(({ duration }) => duration), frames: frames.slice(10) }
  })
  return [
    row('100,000 draws in the worker, its start included, ms p50', percentile(draws, 50).toFixed(0)),
    row('100,000 draws in the worker, its start included, ms p95', percentile(draws, 95).toFixed(0), '≤ 200'),
    row('frames of the page meanwhile, ms p95', percentile(frames, 95).toFixed(1), '≤ 50'),
    row('frames of the page meanwhile, longest ms', Math.max(...frames).toFixed(1), '≤ 50'),
  ]
}

import type { Page } from '@playwright/test'
import { percentile, row } from './clock'

/**
 * Move in the page: the least moves of a train of five from the keystroke that asks for them to the row that tells them, the
 * page's frames meanwhile, and the target line while it is dragged.
 */
export async function benchMove(page: Page, address: string): Promise<string[]> {
  await page.goto(`${address}/jobs/job-19/moves`)
  // tsx names inner functions by a helper that the page does not have
  await page.addInitScript('globalThis.__name = (named) => named')
  await page.evaluate('globalThis.__name = (named) => named')
  const margin = page.getByLabel('Residual allowed, % of tolerance')
  const least = page.getByRole('row', { name: 'Fewest moves' })
  await least.filter({ hasText: 'yes' }).waitFor()
  await margin.click()
  const { plans, frames } = await page.evaluate(async () => {
    const input = document.activeElement as HTMLInputElement
    const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const plansSeen = () => performance.getEntriesByName('vane-peg:least')
    const plans: number[] = []
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
    for (let i = 0; i < 45; i++) {
      const begun = performance.now()
      const seen = plansSeen().length
      put?.call(input, String(25 + i))
      input.dispatchEvent(new Event('input', { bubbles: true }))
      while (plansSeen().length === seen && performance.now() - begun < 5000)
        await new Promise((rest) => setTimeout(rest, 4))
      const last = plansSeen().at(-1)
      if (i >= 5) plans.push(plansSeen().length > seen ? (last?.duration ?? 0) : 5000)
      await new Promise((rest) => setTimeout(rest, 40))
    }
    watching = false
    return { plans, frames: frames.slice(10) }
  })

  await page.goto(`${address}/jobs/job-20/moves`)
  const grip = page.getByRole('slider', { name: 'Target line at Motor, back feet, vertical' })
  const box = await grip.boundingBox()
  if (!box) throw new Error('The target line has no grip.')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.evaluate(() => {
    const sight = document.querySelector('[aria-label^="The line, drawn"]') as SVGElement
    const drags: number[] = []
    let begun = 0
    addEventListener('pointermove', () => (begun = performance.now()), { capture: true })
    new MutationObserver(() => {
      if (!begun) return
      sight.getBoundingClientRect() // style and layout done
      drags.push(performance.now() - begun)
      begun = 0
    }).observe(sight, { attributes: true, childList: true, subtree: true, characterData: true })
    Object.assign(window, { drags })
  })
  await page.mouse.move(x, y)
  await page.mouse.down()
  for (let i = 0; i < 90; i++) {
    await page.mouse.move(x, y + 14 * Math.sin(i / 5))
    await page.waitForTimeout(25)
  }
  await page.mouse.up()
  const drags = await page.evaluate(() => (window as unknown as { drags: number[] }).drags.slice(5))
  return [
    row('least moves of a train of five, in workers, warm, ms p50', percentile(plans, 50).toFixed(1)),
    row('least moves of a train of five, in workers, warm, ms p95', percentile(plans, 95).toFixed(1), '≤ 150'),
    row('frames of the page meanwhile, ms p95', percentile(frames, 95).toFixed(1), '≤ 50'),
    row('frames of the page meanwhile, longest ms', Math.max(...frames).toFixed(1)),
    row('target line dragged to redrawn Sight, ms p50', percentile(drags, 50).toFixed(1)),
    row('target line dragged to redrawn Sight, ms p95', percentile(drags, 95).toFixed(1), '≤ 16'),
  ]
}

import type { Page } from '@playwright/test'
import { percentile, row } from './clock'

/** Frames while the shaft of the first lesson is turned by its slider, a place a frame, the processor slowed four times. */
export async function benchTurn(page: Page, address: string): Promise<string[]> {
  await page.goto(`${address}/practice/read-a-dial`)
  await page.getByRole('button', { name: 'Lock out and try' }).click()
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
  const frames = await page.evaluate(async () => {
    const slider = document.querySelector('input[type=range]') as HTMLInputElement
    const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const times: number[] = []
    const begun = performance.now()
    let before = begun
    for (let i = 0; before - begun < 5000; i++) {
      const now = await new Promise<number>((next) => requestAnimationFrame(() => next(performance.now())))
      times.push(now - before)
      before = now
      put?.call(slider, String((2 * i) % 360))
      slider.dispatchEvent(new Event('input', { bubbles: true }))
    }
    return times.slice(10)
  })
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })
  await session.detach()
  const seconds = frames.reduce((sum, ms) => sum + ms, 0) / 1000
  return [
    row('a dial turned in practice, processor slowed 4×, frames a second', (frames.length / seconds).toFixed(1), '60'),
    row('the same, ms between frames p95', percentile(frames, 95).toFixed(1)),
  ]
}

import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium, type Page } from '@playwright/test'
import { percentile, row } from './clock'
import { benchDraws } from './draws'
import { eightMachines } from './eight'
import { benchLive } from './live'
import { benchMove } from './move'
import { benchTurn } from './turn'

/** Server start to first page, the weight of the first page, and keystroke to redrawn Sight in Chromium. */
export async function benchPage(): Promise<string[]> {
  const begun = performance.now()
  const server = spawn(
    process.execPath,
    ['dist/server/server.js', '--demo', '--quiet', '--port', '0', '--data', mkdtempSync(join(tmpdir(), 'vane-peg-'))],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  )
  try {
    const address = await new Promise<string>((found) =>
      server.stdout.on('data', (said) => {
        const at = /http:\/\/\S+\w/.exec(String(said))
        if (at) found(at[0])
      }),
    )
    await (await fetch(address)).text()
    const started = performance.now() - begun
    const browser = await chromium.launch({
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu'],
    })
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
    const floor = await scriptWeight(page, `${address}/`)
    const job = await scriptWeight(page, `${address}/jobs/job-6/readings`)
    const plain = await keystrokes(page, 1)
    const slowed = await keystrokes(page, 4)
    const bare = await bareInput(browser)
    await page.goto(`${address}/jobs/${await eightMachines(address)}/readings`)
    await page.locator('#bench').waitFor()
    const eight = await keystrokes(page, 1)
    const live = await benchLive(page, address)
    const move = await benchMove(page, address)
    const draws = await benchDraws(page, address)
    const turn = await benchTurn(page, address)
    await browser.close()
    return [
      row('server start (demo made anew) to first page, ms', started.toFixed(0)),
      row('JavaScript of the first page (Floor), compressed, kB', floor.toFixed(1), '≤ 180'),
      row('all JavaScript of a job opened directly (Read), compressed, kB', job.toFixed(1), '≤ 220'),
      row('keystroke to redrawn Sight, ms p50', percentile(plain, 50).toFixed(1)),
      row('keystroke to redrawn Sight, ms p95', percentile(plain, 95).toFixed(1), '≤ 16'),
      row('the same with the processor slowed 4×, ms p50', percentile(slowed, 50).toFixed(1)),
      row('the same with the processor slowed 4×, ms p95', percentile(slowed, 95).toFixed(1), '≤ 50'),
      row('a bare React input that redraws one SVG line, ms p95', percentile(bare, 95).toFixed(2)),
      row('keystroke against it, p95', `${(percentile(plain, 95) / percentile(bare, 95)).toFixed(1)}x`),
      row('keystroke to redrawn Sight, eight machines, ms p50', percentile(eight, 50).toFixed(1)),
      row('keystroke to redrawn Sight, eight machines, ms p95', percentile(eight, 95).toFixed(1), '≤ 32'),
      ...live,
      ...move,
      ...draws,
      ...turn,
    ]
  } finally {
    server.kill()
  }
}

/** Compressed bytes of every script a cold visit fetches, kB. */
async function scriptWeight(page: Page, address: string): Promise<number> {
  const session = await page.context().newCDPSession(page)
  await session.send('Network.enable')
  await session.send('Network.setCacheDisabled', { cacheDisabled: true })
  const scripts = new Set<string>()
  let bytes = 0
  session.on('Network.responseReceived', ({ requestId, type }) => {
    if (type === 'Script') scripts.add(requestId)
  })
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength
  })
  await page.goto(address)
  await page.locator('#bench').waitFor()
  await page.evaluate(() => document.fonts.ready)
  await session.detach()
  return bytes / 1000
}

/** From the event of a typed reading to the Sight's changed drawing in the document, style and layout done, ms. */
async function keystrokes(page: Page, slowdown: number): Promise<number[]> {
  const session = await page.context().newCDPSession(page)
  await session.send('Emulation.setCPUThrottlingRate', { rate: slowdown })
  await page.getByLabel('Motor dial, bottom, mm').first().click()
  const times = await page.evaluate(async () => {
    const input = document.activeElement as HTMLInputElement
    const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const sight = document.querySelector('[aria-label^="The line, drawn"]') as SVGElement
    const times: number[] = []
    for (let i = 0; i < 130; i++) {
      await new Promise((next) => setTimeout(next, 30))
      const before = sight.innerHTML
      const begun = performance.now()
      put?.call(input, `-0.${300 + ((i * 7) % 200)}`)
      input.dispatchEvent(new InputEvent('input', { bubbles: true }))
      for (let turn = 0; turn < 50 && sight.innerHTML === before; turn++) await Promise.resolve()
      sight.getBoundingClientRect()
      if (sight.innerHTML === before) throw new Error('The Sight did not change.')
      times.push(performance.now() - begun)
    }
    return times.slice(10)
  })
  await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })
  await session.detach()
  return times
}

/** A React input that redraws one SVG line and nothing else, in the same browser: what a keystroke costs at the least, ms. */
async function bareInput(browser: Browser): Promise<number[]> {
  const { build } = await import('vite')
  const source = `import { createElement as h, useState } from 'react'
    import { createRoot } from 'react-dom/client'
    function Bare() {
      const [text, setText] = useState('')
      return h('div', null,
        h('input', { value: text, onChange: (event) => setText(event.target.value) }),
        h('svg', null, h('line', { x1: 0, y1: 0, x2: 100, y2: 100 * Number(text), stroke: 'black' })))
    }
    createRoot(document.getElementById('bare')).render(h(Bare))`
  const name = 'virtual:bare'
  const built = await build({
    configFile: false,
    logLevel: 'silent',
    plugins: [
      { name, resolveId: (id) => (id === name ? id : undefined), load: (id) => (id === name ? source : undefined) },
    ],
    build: { write: false, rolldownOptions: { input: name, output: { format: 'iife' } } },
  })
  const [first] = Array.isArray(built) ? built : [built]
  const code = first && 'output' in first ? first.output[0].code : ''
  const bare = await browser.newPage()
  await bare.setContent('<div id="bare"></div>')
  await bare.addScriptTag({ content: code })
  await bare.locator('input').click()
  const times = await bare.evaluate(async () => {
    const input = document.activeElement as HTMLInputElement
    const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
    const line = document.querySelector('line') as SVGElement
    const times: number[] = []
    for (let i = 0; i < 130; i++) {
      await new Promise((next) => setTimeout(next, 30))
      const before = line.outerHTML
      const begun = performance.now()
      put?.call(input, `-0.${300 + ((i * 7) % 200)}`)
      input.dispatchEvent(new InputEvent('input', { bubbles: true }))
      for (let turn = 0; turn < 50 && line.outerHTML === before; turn++) await Promise.resolve()
      line.getBoundingClientRect()
      times.push(performance.now() - begun)
    }
    return times.slice(10)
  })
  await bare.close()
  return times
}

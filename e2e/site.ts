import { type ChildProcess, spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test as base, expect, type Page } from '@playwright/test'

/** Starts the built server on a free port with a database of its own. */
async function start(args: readonly string[]): Promise<{ address: string; stop: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  const server: ChildProcess = spawn(
    process.execPath,
    ['dist/server/server.js', '--port', '0', '--data', folder, '--quiet', ...args],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  )
  const address = await new Promise<string>((found, failed) => {
    let said = ''
    server.stdout?.on('data', (chunk) => {
      said += chunk
      const at = /http:\/\/\S+/.exec(said)
      if (at) found(at[0].replace(/\/$/, ''))
    })
    server.on('exit', () => failed(new Error(`The server ended: ${said}`)))
  })
  return {
    address,
    stop: () => {
      server.kill()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/**
 * `empty`: a site's own, nothing in it. `demo`: the made-up plant. Each test gets a server of its own; `plant` is one that
 * tests share which only look.
 */
export const test = base.extend<{ empty: string; demo: string }, { plant: string }>({
  plant: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright wants a pattern here
    async ({}, use) => {
      const site = await start(['--demo'])
      await use(site.address)
      site.stop()
    },
    { scope: 'worker' },
  ],
  // biome-ignore lint/correctness/noEmptyPattern: Playwright wants a pattern here
  empty: async ({}, use) => {
    const site = await start([])
    await use(site.address)
    site.stop()
  },
  // biome-ignore lint/correctness/noEmptyPattern: Playwright wants a pattern here
  demo: async ({}, use) => {
    const site = await start(['--demo'])
    await use(site.address)
    site.stop()
  },
})

export { expect }

/** Tabs on until the focus is on something whose name begins like this. */
export async function tabTo(page: Page, name: string): Promise<void> {
  for (let i = 0; i < 140; i++) {
    await page.keyboard.press('Tab')
    const label = await page.evaluate(() => {
      const at = document.activeElement
      const labelled = at instanceof HTMLInputElement ? at.labels?.[0]?.textContent : undefined
      return at?.getAttribute('aria-label') ?? labelled ?? at?.textContent
    })
    if (label?.startsWith(name)) return
  }
  throw new Error(`Tab never reached “${name}”.`)
}

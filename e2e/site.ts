import { copyFileSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { test as base, expect, type Page } from '@playwright/test'
import { pino } from 'pino'
import { demoFile } from './makeDemo'

type Sites = Pick<typeof import('../src/server/start'), 'start' | 'heavyPool'>
type Start = (demo: boolean) => Promise<{ address: string; stop: () => Promise<void> }>

/**
 * `empty`: a site's own, nothing in it. `demo`: the made-up plant. Each test gets a site and a database of its own; `plant`
 * is one that tests share which only look. The sites of a worker run in its own process, from the built server, and share
 * what they load; `server.spec.ts` starts servers as a person does.
 */
export const test = base.extend<{ empty: string; demo: string }, { sites: Start; plant: string }>({
  sites: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright wants a pattern here
    async ({}, use) => {
      const built = pathToFileURL(resolve('dist/server/start.js')).href
      const { start, heavyPool }: Sites = await import(built)
      const [log, heavy] = [pino({ level: 'warn' }), heavyPool()]
      await use(async (demo) => {
        const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
        const database = join(folder, 'site.db')
        // what every test with the made-up plant would make anew is copied
        if (demo) copyFileSync(demoFile, database)
        const settings = { port: 0, host: '127.0.0.1', names: [], database, demo: false }
        const site = await start({ ...settings, quiet: true, restore: undefined }, log, heavy)
        return {
          address: site.address,
          stop: async () => {
            await site.stop()
            rmSync(folder, { recursive: true, force: true })
          },
        }
      })
      await heavy.end()
    },
    { scope: 'worker' },
  ],
  plant: [
    async ({ sites }, use) => {
      const site = await sites(true)
      await use(site.address)
      await site.stop()
    },
    { scope: 'worker' },
  ],
  empty: async ({ sites }, use) => {
    const site = await sites(false)
    await use(site.address)
    await site.stop()
  },
  demo: async ({ sites }, use) => {
    const site = await sites(true)
    await use(site.address)
    await site.stop()
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

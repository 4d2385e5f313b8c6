import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'
import { test as base, expect, type Page } from '@playwright/test'
import { pino } from 'pino'
import { copyPlant, copyPlantWithDoor } from './makeDemo'

type Sites = Pick<typeof import('../src/server/start'), 'start' | 'heavyPool'>
interface Served {
  address: string
  /** Of a site with a door: the one-time code of its administrator, k.odell. */
  code: string
  stop: () => Promise<void>
}
type Start = (what: 'demo' | 'empty' | 'behind') => Promise<Served>

/**
 * `empty`: a site's own, nothing in it. `demo`: the made-up plant. Each test gets a site and a database of its own; `plant`
 * is one that tests share which only look. `behind`: the made-up plant with a door. The sites of a worker run in its own process, from the built server, and share
 * what they load; `server.spec.ts` starts servers as a person does.
 */
export const test = base.extend<{ empty: string; demo: string; behind: Served }, { sites: Start; plant: string }>({
  sites: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright wants a pattern here
    async ({}, use) => {
      const built = pathToFileURL(resolve('dist/server/start.js')).href
      const { start, heavyPool }: Sites = await import(built)
      const [log, heavy] = [pino({ level: 'warn' }), heavyPool()]
      await use(async (what) => {
        const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
        const database = join(folder, 'site.db')
        // what every test with the made-up plant would make anew is copied
        if (what === 'demo') copyPlant(database)
        const behind = what === 'behind'
        const code = behind ? copyPlantWithDoor(database) : ''
        const settings = { port: 0, host: '127.0.0.1', names: [], database, demo: false, whole: true }
        const door = behind ? { secure: false, proxied: false, metrics: undefined } : undefined
        const site = await start({ ...settings, quiet: true, restore: undefined, door }, log, heavy)
        return {
          address: site.address,
          code,
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
      const site = await sites('demo')
      await use(site.address)
      await site.stop()
    },
    { scope: 'worker' },
  ],
  empty: async ({ sites }, use) => {
    const site = await sites('empty')
    await use(site.address)
    await site.stop()
  },
  demo: async ({ sites }, use) => {
    const site = await sites('demo')
    await use(site.address)
    await site.stop()
  },
  behind: async ({ sites }, use) => {
    const site = await sites('behind')
    await use(site)
    await site.stop()
  },
})

export { expect }

/** Tabs on until the focus is on something whose name begins like this. @returns how many times Tab was pressed */
export async function tabTo(page: Page, name: string): Promise<number> {
  for (let i = 0; i < 140; i++) {
    await page.keyboard.press('Tab')
    const label = await page.evaluate(() => {
      const at = document.activeElement
      const labelled = at instanceof HTMLInputElement ? at.labels?.[0]?.textContent : undefined
      return at?.getAttribute('aria-label') ?? labelled ?? at?.textContent
    })
    if (label?.startsWith(name)) return i + 1
  }
  throw new Error(`Tab never reached “${name}”.`)
}

/**
 * Ids made in the page are the same in every run: the machine simulated behind an indicator hangs on them. For tests that load
 * the page once, each with a seed of its own.
 */
export const sameIds = (page: Page, seed: number) =>
  page.addInitScript((first) => {
    let state = first
    crypto.getRandomValues = <T extends ArrayBufferView>(array: T): T => {
      const bytes = new Uint8Array(array.buffer, array.byteOffset, array.byteLength)
      for (let i = 0; i < bytes.length; i++) {
        state = (Math.imul(state, 1664525) + 1013904223) >>> 0
        bytes[i] = state >>> 24
      }
      return array
    }
  }, seed)

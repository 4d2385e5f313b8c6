import { test as base, expect, type Page } from '@playwright/test'

interface Site {
  address: string
  /** With a door: the one-time code of its administrator, k.odell. */
  code: string
}

/** Runs with a site of its own from `sites.mjs`, and ends it afterwards. */
async function withSite(what: 'demo' | 'empty' | 'door', use: (site: Site) => Promise<void>): Promise<void> {
  const sites = process.env.SITES
  const answer = await fetch(`${sites}/${what}`, { method: 'POST' })
  if (!answer.ok) throw new Error(`There is no site: ${await answer.text()}`)
  const { id, ...site }: Site & { id: string } = await answer.json()
  await use(site)
  await fetch(`${sites}/${id}`, { method: 'DELETE' })
}

/**
 * `empty`: a site's own, nothing in it. `demo`: the made-up plant. `behind`: the same with a door. Each test gets a site and a
 * database of its own; `plant` is one that tests share which only look. `server.spec.ts` starts servers as a person does.
 */
export const test = base.extend<{ empty: string; demo: string; behind: Site }, { plant: string }>({
  plant: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright wants a pattern here
    ({}, use) => withSite('demo', ({ address }) => use(address)),
    { scope: 'worker' },
  ],
  // biome-ignore lint/correctness/noEmptyPattern: as above
  empty: ({}, use) => withSite('empty', ({ address }) => use(address)),
  // biome-ignore lint/correctness/noEmptyPattern: as above
  demo: ({}, use) => withSite('demo', ({ address }) => use(address)),
  // biome-ignore lint/correctness/noEmptyPattern: as above
  behind: ({}, use) => withSite('door', use),
})

export { expect }

/** Tabs on until the focus is on something whose name begins like this. @returns how many times Tab was pressed */
export async function tabTo(page: Page, name: string): Promise<number> {
  for (let i = 0; i < 140; i++) {
    await page.keyboard.press('Tab')
    const label = await page.evaluate(() => {
      const at = document.activeElement
      const labeled = at instanceof HTMLInputElement ? at.labels?.[0]?.textContent : undefined
      return at?.getAttribute('aria-label') ?? labeled ?? at?.textContent
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

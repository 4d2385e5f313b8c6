import type { Page } from '@playwright/test'
import axe from 'axe-core'
import { lessonPaths } from './lessonPaths'
import { expect } from './site'

/** Every screen, in a state with much on it. */
export const screens: readonly string[] = [
  // the same rows again and again make axe no wiser
  '/?search=rinse',
  '/new',
  '/lines',
  '/lines/line-2',
  '/lines/line-1/logbook',
  '/kit?item=kit-6',
  // a table of limits
  '/kit?item=kit-14',
  '/site',
  '/accounts',
  '/practice',
  ...lessonPaths,
  '/jobs/job-9/pre-checks',
  '/jobs/job-11/soft-foot',
  '/jobs/job-6/readings',
  // a sweep, and three probes at one coupling
  '/jobs/job-15/readings',
  '/jobs/job-13/readings',
  '/jobs/job-3/dimensions',
  '/jobs/job-4/moves',
  // base-bound, and one that came out otherwise
  '/jobs/job-18/moves',
  '/jobs/job-21/moves',
  '/jobs/job-4/verify',
  '/jobs/job-5/sign',
  '/jobs/job-3/sign',
  // an upright pair, a belt drive, a row of bores, a section of rolls
  '/jobs/job-22/moves',
  '/jobs/job-43/readings',
  '/jobs/job-43/moves',
  '/jobs/job-45/readings',
  '/jobs/job-45/moves',
  '/jobs/job-46/readings',
  '/jobs/job-46/moves',
]

/** Every step of jobs of every kind, read in one way and another, found wanting or within. */
export const steps: readonly string[] = [6, 12, 14, 17, 21, 22, 43, 44, 45, 46].flatMap((job) =>
  ['dimensions', 'pre-checks', 'soft-foot', 'readings', 'moves', 'verify', 'sign'].map(
    (step) => `/jobs/job-${job}/${step}`,
  ),
)

/** All that a screen fetches is there. */
export async function whole(page: Page): Promise<void> {
  await page.locator('main').first().waitFor()
  await expect(page.locator('[aria-busy]')).toHaveCount(0)
}

/**
 * Goes to another screen as a link of the page would, without loading the page anew; by way of an address that is no screen, so that
 * nothing of the one before is taken for it.
 */
export async function visit(page: Page, path: string): Promise<void> {
  const go = (to: string) =>
    page.evaluate((address) => {
      history.pushState(null, '', address)
      dispatchEvent(new PopStateEvent('popstate'))
    }, to)
  await go('/no-such-screen')
  await page.locator('main:not([id]):not([aria-busy])').waitFor()
  await go(path)
  await page.locator('#bench').waitFor()
  await whole(page)
}

/** What axe finds serious on the page as it stands; only its colors where only they differ. */
export async function seriousOn(page: Page, only?: 'colors'): Promise<string[]> {
  const there = await page.evaluate(() => 'axe' in window)
  if (!there) await page.evaluate(axe.source)
  return page.evaluate(async (onlyColors) => {
    const { axe: here } = window as unknown as { axe: typeof axe }
    const usual = { resultTypes: ['violations' as const], preload: false }
    const colors = 'color-contrast'
    // what looks alike by its classes, and stands in what looks alike, has the same colors: one of each is measured
    const looks = new Map<string, Element>()
    for (const element of document.body.querySelectorAll('*')) {
      let look = ''
      for (let at: Element | null = element, up = 0; at && up < 4; at = at.parentElement, up++)
        look += `${at.tagName}.${at.getAttribute('class') ?? ''}[${at.getAttribute('style') ?? ''}]`
      const states = ['aria-pressed', 'aria-current', 'aria-selected', 'aria-invalid', 'data-peg', 'disabled', 'type']
      look += states.map((name) => element.getAttribute(name)).join()
      if (!looks.has(look)) looks.set(look, element)
    }
    const found = [
      ...(onlyColors
        ? []
        : (await here.run(document, { ...usual, rules: { [colors]: { enabled: false } } })).violations),
      ...(await here.run([...looks.values()] as unknown as axe.ElementContext, { ...usual, runOnly: [colors] }))
        .violations,
    ]
    return found
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .map(({ id, nodes }) => `${location.pathname}${location.search}: ${id}: ${nodes[0]?.html}`)
  }, only)
}

/** How a screen is built: everything in a region of its own name, one main, headings in order, what scrolls reached by keyboard. */
const builtBy = [
  'region',
  'empty-table-header',
  'empty-heading',
  'heading-order',
  'page-has-heading-one',
  'landmark-one-main',
  'landmark-unique',
  'scrollable-region-focusable',
]

/** What is wrong with how the page is built at each width; and what is named offline while it is not. */
export async function badlyBuilt(page: Page): Promise<string[]> {
  const there = await page.evaluate(() => 'axe' in window)
  if (!there) await page.evaluate(axe.source)
  const found: string[] = []
  for (const width of [820, 390, 1280]) {
    await page.setViewportSize({ width, height: 800 })
    found.push(
      ...(await page.evaluate(async (rules) => {
        // what watches sizes has seen the new one
        await new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn)))
        const { axe: here } = window as unknown as { axe: typeof axe }
        const { violations } = await here.run(document, { preload: false, resultTypes: ['violations'], runOnly: rules })
        const named = [...document.querySelectorAll('[aria-label], [title], [role="status"]')].filter((element) =>
          // a language that is made up marks every letter
          ['aria-label', 'title'].some((name) =>
            element.getAttribute(name)?.replaceAll('\u0323', '').startsWith('Offline'),
          ),
        )
        return [
          ...violations.flatMap(({ id, nodes }) => nodes.map(({ html }) => `${id}: ${html.slice(0, 200)}`)),
          ...named.map(({ outerHTML }) => `offline: ${outerHTML.slice(0, 200)}`),
        ].map((one) => `${location.pathname}${location.search} at ${innerWidth}: ${one}`)
      }, builtBy)),
    )
  }
  return found
}

/** How many words a person sees on the screen without scrolling: of two letters or more, units left out. */
export const wordsInView = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    const range = document.createRange()
    let words = 0
    while (walker.nextNode()) {
      const { parentElement, textContent } = walker.currentNode
      if (!parentElement?.checkVisibility() || parentElement.closest('script, style, title')) continue
      range.selectNodeContents(walker.currentNode)
      const { left, right, top, bottom } = range.getBoundingClientRect()
      if (right <= left || bottom <= 0 || top >= innerHeight || right <= 0 || left >= innerWidth) continue
      // a language that is made up marks every letter
      const plain = textContent?.replaceAll('\u0323', '').match(/[A-Za-z]{2,}/g) ?? []
      words += plain.filter((word) => !/^(?:mm|mil|in|SD)$/.test(word)).length
    }
    return words
  })

/** Screens that still say more than they should, with the words they had when they were counted: these may only become fewer. */
const stillMore: Readonly<Record<string, number>> = {
  // what became of the last move comes first
  '/jobs/job-21/moves': 174,
}

/** The most words in view of a screen at 1280 by 800, by its path. */
export const mostWords = (path: string): number =>
  stillMore[path] ?? (path === '/' || path.startsWith('/?') ? 130 : path.endsWith('/sign') ? 160 : 150)

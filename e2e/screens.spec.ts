import type { Page } from '@playwright/test'
import { badlyBuilt, mostWords, screens, seriousOn, steps, visit, whole, wordsInView } from './screens'
import { expect, test } from './site'

/** What is the same in every language: units, keys, formats, our own name, what a date library or the browser says. */
const same =
  /^(mm|mil|mils|um|in|rpm|min|pdf|csv|json|sd|tir|vane|peg|ctrl|esc|enter|ago|jan(uary)?|feb(ruary)?|mar(ch)?|apr(il)?|may|june?|july?|aug(ust)?|sep(t(ember)?)?|oct(ober)?|nov(ember)?|dec(ember)?|dismiss|seconds?|minutes?|hours?|days?|months?|mo|years?)$/i

/** Every word that people typed: names of lines, machines, feet, dials, notes. */
async function typedWords(plant: string): Promise<Set<string>> {
  const words = new Set<string>()
  const take = (value: unknown): void => {
    if (typeof value === 'string') for (const word of value.match(/[A-Za-z]+/g) ?? []) words.add(word.toLowerCase())
    else if (Array.isArray(value)) value.forEach(take)
    else if (typeof value === 'object' && value !== null) Object.values(value).forEach(take)
  }
  const get = async (path: string) => (await fetch(`${plant}/api${path}`)).json()
  const { rows, pages } = await get('/jobs')
  for (let page = 1; page < pages; page++) rows.push(...(await get(`/jobs?page=${page}`)).rows)
  for (const { id } of rows) take((await get(`/jobs/${id}`)).document)
  take((await get('/lines')).map((line: { document: unknown }) => line.document))
  take((await get('/kit')).map((item: { document: unknown }) => item.document))
  take((await get('/jobs/overview')).areas)
  take(await get('/site'))
  for (const job of ['job-2', 'job-3']) {
    const revisions = await get(`/jobs/${job}/revisions`)
    take(revisions)
    // what was signed stays as it was said then
    for (const { number } of revisions) {
      const { signed, next } = await get(`/jobs/${job}/revisions/${number}`)
      take([signed.accepted, next])
    }
  }
  return words
}

/** Everything a person reads or hears on the page. */
const saidOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said: string[] = []
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = walker.nextNode(); node; node = walker.nextNode())
      if (!node.parentElement?.closest('script, style, textarea')) said.push(node.textContent ?? '')
    for (const element of document.querySelectorAll('[aria-label], [placeholder], [title], [alt]'))
      for (const name of ['aria-label', 'placeholder', 'title', 'alt']) said.push(element.getAttribute(name) ?? '')
    return said
  })

/** What nobody put into words on the page as it stands: a letter that was translated wears a mark, and two bare ones beside each other were not. */
const untranslated = async (page: Page, typed: ReadonlySet<string>): Promise<string[]> =>
  (await saidOn(page)).flatMap((text) =>
    (text.match(/[A-Za-z]{2,}(?!\u0323)/g) ?? [])
      .filter((word) => !typed.has(word.toLowerCase()) && !same.test(word))
      .map((word) => `${page.url()}: ${word} in ${text.trim().slice(0, 120)}`),
  )

/** The page in a language that marks every letter, and at an address that is no screen. */
async function marked(page: Page, plant: string): Promise<Set<string>> {
  await page.addInitScript(() => localStorage.setItem('vane-peg-language', 'pseudo'))
  await page.goto(`${plant}/no-such-screen`)
  return typedWords(plant)
}

// neighbors stay together: the steps of one job are visited one after the other
const all = [
  ...new Set([
    ...screens,
    ...steps,
    '/',
    '/?search=walrus',
    '/kit',
    '/kit?item=kit-1',
    '/kit?item=kit-5',
    '/lines/line-1',
    '/account',
  ]),
].sort()
const parts = [0, 1, 2, 3] as const

for (const part of parts)
  test(`on any screen nothing is left untranslated, and axe finds nothing serious, in light and in the dark: ${part + 1} of ${parts.length}`, async ({
    page,
    plant,
  }) => {
    const scheme = (colorScheme: 'light' | 'dark') => page.emulateMedia({ colorScheme, reducedMotion: 'reduce' })
    await scheme('light')
    const typed = await marked(page, plant)
    const found: string[] = []
    const [from, to] = [part, part + 1].map((at) => Math.round((at * all.length) / parts.length))
    for (const path of all.slice(from, to)) {
      await visit(page, path)
      found.push(...(await untranslated(page, typed)))
      const words = await wordsInView(page)
      if (words > mostWords(path)) found.push(`${path}: ${words} words in view, at most ${mostWords(path)}`)
      found.push(...(await badlyBuilt(page)))
      if (!screens.includes(path)) continue
      found.push(...(await seriousOn(page)))
      await scheme('dark')
      found.push(...(await seriousOn(page, 'colors')))
      await scheme('light')
    }
    expect(found).toEqual([])
  })

test('nothing is left untranslated in what is folded away, on the glove pad and in the search', async ({
  page,
  plant,
}) => {
  const typed = await marked(page, plant)
  const found: string[] = []
  for (const path of ['/jobs/job-2/verify', '/jobs/job-3/sign', '/kit?item=kit-14', '/lines/line-1/logbook']) {
    await visit(page, path)
    for (const summary of await page.locator('summary').all()) await summary.click()
    found.push(...(await untranslated(page, typed)))
  }
  await page.evaluate(() => {
    const settings = JSON.parse(localStorage.getItem('vane-peg:settings') ?? '{}')
    localStorage.setItem('vane-peg:settings', JSON.stringify({ ...settings, pad: true }))
  })
  await page.goto(`${plant}/jobs/job-6/readings`)
  await whole(page)
  found.push(...(await untranslated(page, typed)))
  await page.keyboard.press('Control+k')
  await page.getByRole('dialog').waitFor()
  found.push(...(await untranslated(page, typed)))
  expect(found).toEqual([])
})

import type { Page } from '@playwright/test'
import { lessonPaths } from './lessonPaths'
import { expect, test } from './site'

/** What is the same in every language: units, keys, formats, our own name, what a date library or the browser says. */
const same =
  /^(mm|mil|mils|um|in|rpm|min|pdf|csv|json|sd|tir|vane|peg|ctrl|esc|enter|ago|jan(uary)?|feb(ruary)?|mar(ch)?|apr(il)?|may|june?|july?|aug(ust)?|sep(t(ember)?)?|oct(ober)?|nov(ember)?|dec(ember)?|dismiss|seconds?|minutes?|hours?|days?|months?|years?)$/i

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

test('nothing on any screen is left untranslated', async ({ page, plant }) => {
  await page.addInitScript(() => localStorage.setItem('vane-peg-language', 'pseudo'))
  const typed = await typedWords(plant)
  const left = new Map<string, string>()
  const look = async (where: string) => {
    await page.locator('main').first().waitFor()
    await expect(page.locator('[aria-busy]')).toHaveCount(0)
    // a letter that was translated wears a mark: two bare ones beside each other were not
    for (const text of await saidOn(page))
      for (const word of text.match(/[A-Za-z]{2,}(?!\u0323)/g) ?? [])
        if (!typed.has(word.toLowerCase()) && !same.test(word)) left.set(`${where}: ${word}`, text.trim().slice(0, 120))
  }
  for (const path of [
    '/',
    '/?search=walrus',
    '/new',
    '/kit',
    '/kit?item=kit-1',
    '/kit?item=kit-5',
    '/lines',
    '/lines/line-1',
    '/site',
    '/people',
    '/account',
    '/practice',
    ...lessonPaths,
    '/nowhere',
  ]) {
    await page.goto(`${plant}${path}`)
    if (path === '/nowhere') continue
    await look(path)
  }
  for (const job of [
    'job-6',
    'job-12',
    'job-14',
    'job-17',
    'job-21',
    'job-22',
    'job-43',
    'job-44',
    'job-45',
    'job-46',
  ]) {
    await page.goto(`${plant}/jobs/${job}/line`)
    await look(`${job} line`)
    for (const step of ['ready', 'seat', 'read', 'move', 'prove', 'sign']) {
      await page.locator(`nav a[href*="/jobs/${job}/${step}"]`).first().click()
      await page.waitForURL(`**/${step}*`)
      await look(`${job} ${step}`)
    }
  }
  for (const path of ['/jobs/job-2/prove', '/jobs/job-3/sign', '/kit?item=kit-14', '/lines/line-1/logbook']) {
    await page.goto(`${plant}${path}`)
    for (const summary of await page.locator('summary').all()) await summary.click()
    await look(path)
  }
  await page.goto(`${plant}/jobs/job-6/read`)
  await page.evaluate(() => {
    const settings = JSON.parse(localStorage.getItem('vane-peg:settings') ?? '{}')
    localStorage.setItem('vane-peg:settings', JSON.stringify({ ...settings, pad: true }))
  })
  await page.reload()
  await look('glove pad')
  await page.keyboard.press('Control+k')
  await page.getByRole('dialog').waitFor()
  await look('search')
  expect([...left]).toEqual([])
})

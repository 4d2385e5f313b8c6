import type { Locator, Page } from '@playwright/test'
import { visit } from './screens'
import { expect, test } from './site'

// A wrong sign costs a day and a bearing: what a field shows is what was typed, whatever stood in it.

const olds = ['', '6', '-6', '-1', '-4', '-0.02']
const news = ['-6', '-6.5', '-12', '-4.5', '6', '-.02']

const ways: Readonly<Record<string, (page: Page, cell: Locator, before: Locator) => Promise<void>>> = {
  'a click': (_, cell) => cell.click(),
  Tab: async (page, _, before) => {
    await before.focus()
    await page.keyboard.press('Tab')
  },
  Enter: async (page, _, before) => {
    await before.focus()
    await page.keyboard.press('Enter')
  },
}

for (const unit of ['mm', 'mil'] as const)
  test(`over every number, every number is what was typed, in ${unit}`, async ({ page, demo }) => {
    await page.goto(`${demo}/jobs/job-6/readings`)
    await page.getByRole('radio', { name: unit, exact: true }).check()
    const cell = page.getByLabel(`Motor dial, bottom, ${unit}`)
    const before = page.getByLabel(`Motor dial, wall, ${unit}`)
    const enter = Object.values(ways)
    let nth = 0
    // the unit changes nothing but what is shown: there the numbers whose first digit is the same
    for (const old of olds)
      for (const next of news.filter((one) => unit === 'mm' || one[1] === old[1])) {
        await cell.fill(old)
        await before.focus()
        await enter[nth++ % enter.length]?.(page, cell, before)
        await expect(cell).toBeFocused()
        await page.keyboard.type(next)
        await expect(cell, `${next} typed over “${old}”`).toHaveValue(next)
      }
    await cell.fill('-6')
    await before.focus()
    await expect(cell).toHaveValue('−6')
  })

test('a second minus is never plus, and the sign of what stands there turns over', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  const cell = page.getByLabel('Motor dial, bottom, mm')
  for (const [typed, holds] of [
    ['--5', /^[-−]5$/],
    ['-.02-', /^[-−]\.02$/],
    ['.02-', /^[-−]\.02$/],
    ['1-1/2', /^1-1\/2$/],
  ] as const) {
    await cell.fill('-5')
    await cell.blur()
    await cell.click()
    await page.keyboard.type(typed)
    await expect(cell, typed).toHaveValue(holds)
  }
  await cell.fill('-0.42')
  await cell.blur()
  await cell.click()
  await page.keyboard.press('-')
  await cell.blur()
  await expect(cell).toHaveValue('+0.42')
})

/** On one screen: thirty cells of bores are one component. */
const most = 9

const places: Readonly<Record<string, readonly string[]>> = {
  train: ['/jobs/job-6/readings', '/lines/line-1', '/jobs/job-6/pre-checks'],
  upright: ['/jobs/job-22/readings', '/jobs/job-22/dimensions'],
  belt: ['/jobs/job-43/readings', '/jobs/job-43/dimensions'],
  bore: ['/jobs/job-45/readings', '/jobs/job-45/dimensions'],
  rolls: ['/jobs/job-46/readings', '/jobs/job-46/dimensions'],
}
for (const [kind, paths] of Object.entries(places))
  test(`every signed field of ${kind} takes a minus over a minus`, async ({ page, demo }) => {
    let fields = 0
    await page.goto(`${demo}${paths[0]}`)
    for (const path of paths) {
      await visit(page, path)
      await page.evaluate(() => {
        for (const fold of document.querySelectorAll('details')) fold.open = true
      })
      const signed = page.locator('input[data-signed]:not([readonly]):visible')
      const names = await signed.evaluateAll((all) =>
        all.map((one) => one.getAttribute('aria-label') ?? (one as HTMLInputElement).labels?.[0]?.textContent ?? ''),
      )
      for (const [i, name] of names.slice(0, most).entries()) {
        const field = signed.nth(i)
        await field.fill('-6')
        await field.blur()
        await field.click()
        await page.keyboard.type('-6')
        await expect(field, name).toHaveValue('-6')
        fields++
      }
    }
    expect(fields).toBeGreaterThan(8)
  })

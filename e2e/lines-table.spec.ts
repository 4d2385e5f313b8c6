import { readFileSync } from 'node:fs'
import { expect, test } from './site'

test('lines are taken out as a table, mended in it, looked at before anything is added, and brought in', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/lines`)
  const card = page.getByRole('region', { name: 'As a table' })
  const download = page.waitForEvent('download')
  await card.getByRole('button', { name: 'Export as CSV' }).click()
  const text = readFileSync(await (await download).path(), 'utf8')
  const [heading = '', ...rows] = text.split('\r\n')
  expect(heading).toMatch(/^name,area,near side,far side,rpm,unit,fixed machine,because,machine 1,type 1/)
  const rinse = rows.find((row) => row.startsWith('Rinse pump 3')) ?? ''
  expect(rinse).toContain('Pump,pump,240,320,Coupling,short,160')
  await expect(card.getByRole('status')).toContainText('left out')

  const bring = (content: string) =>
    card
      .locator('input[type=file]')
      .setInputFiles({ name: 'lines.csv', mimeType: 'text/csv', buffer: Buffer.from(content) })
  // the plant has it already, and one of the new ones has a wrong type
  const renamed = (n: number) => rinse.replace('Rinse pump 3', `Rinse pump ${n}`)
  await bring([heading, rinse, renamed(11), renamed(12).replace('Pump,pump', 'Pump,whale')].join('\r\n'))
  await expect(card.getByRole('alert')).toContainText(
    'Row 2, column 1: a line with this name already exists in this area.',
  )
  await expect(card.getByRole('alert')).toContainText('Row 4, column 10: the type must be motor, pump')

  const many = Array.from({ length: 500 }, (_, i) => renamed(100 + i))
  await bring([heading, ...many].join('\r\n'))
  await expect(card.getByRole('status')).toContainText(
    '500 lines would be added. The first: Rinse pump 100, Rinse pump 101',
  )
  await card.getByRole('button', { name: 'Import', exact: true }).click()
  await expect(card.getByRole('status')).toContainText('500 lines were added.')
  // of so many only those in sight are drawn; the last is reached by scrolling, and told with its place
  const list = page.getByRole('list', { name: 'Machine lines' }).getByRole('listitem')
  await expect(list.first()).toHaveAttribute('aria-setsize', /^5\d\d$/)
  expect(await list.count()).toBeLessThan(80)
  const count = await list.first().getAttribute('aria-setsize')
  await page.mouse.move(500, 400)
  const last = page.locator(`li[aria-posinset="${count}"]`)
  for (let i = 0; i < 80 && (await last.count()) === 0; i++) await page.mouse.wheel(0, 700)
  await expect(last.getByRole('link')).toBeVisible()
  await page.getByRole('searchbox').fill('Rinse pump 599')
  await page.getByRole('link', { name: /Rinse pump 599/ }).click()
  await expect(page.getByText('Coupling tolerance: 0.077 mm offset').first()).toBeVisible()
})

test('the whole site goes into one file and comes out of it in an empty one', async ({ page, plant, empty }) => {
  await page.goto(`${plant}/lines`)
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Export archive' }).click()
  const file = await (await download).path()
  await page.goto(`${empty}/lines`)
  const card = page.getByRole('region', { name: 'Site archive' })
  await card
    .locator('input[type=file]')
    .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('none') })
  await expect(card.getByRole('alert')).toBeVisible()
  await card
    .locator('input[type=file]')
    .setInputFiles({ name: 'site.zip', mimeType: 'application/zip', buffer: readFileSync(file) })
  await expect(card.getByRole('status')).toContainText('46 jobs, 24 revisions')
  await page.goto(`${empty}/jobs/job-2/sign`)
  await page.getByRole('button', { name: 'Show the record' }).click()
  await expect(page.getByRole('article', { name: 'Print preview' })).toContainText('revision 1')
})

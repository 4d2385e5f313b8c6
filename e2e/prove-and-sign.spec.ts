import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { expect, test } from './site'

/** The words of a PDF, page by page, as one line. */
async function wordsOf(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf) }).promise
  const pages = await Promise.all(Array.from({ length: document.numPages }, (_, i) => document.getPage(i + 1)))
  const texts = await Promise.all(
    pages.map(async (page) =>
      (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(''),
    ),
  )
  return texts.join('').replace(/\s+/g, '')
}

/** A reason for everything that is open. */
async function acceptAll(page: Page, because: string): Promise<void> {
  const reasons = page.getByPlaceholder('Accept, because …')
  await expect(reasons.first()).toBeVisible()
  for (let i = 0; i < (await reasons.count()); i++) await reasons.nth(i).fill(because)
}

const step = (page: Page, name: string) => page.getByRole('navigation', { name: 'Steps' }).getByRole('link', { name })

const stored = (page: Page) => expect(page.getByText(/^Saved/)).toBeVisible()

test('from as found to a signed PDF: opened again, read connected, revised, compared, verified, and refused after one byte', async ({
  page,
  demo,
}) => {
  await page.addInitScript(() => localStorage.setItem('vane-peg:settings', '{"initials":"I. M."}'))
  await page.goto(`${demo}/jobs/job-2/sign`)
  await page.getByLabel('Why').fill('Read connected once more.')
  await page.getByRole('button', { name: 'Reopen' }).click()
  await expect(page.getByText('Nothing outstanding.').first()).toBeVisible()

  await page.keyboard.press('Escape')
  await step(page, 'Verify').click()
  await expect(page.getByText('Within tolerance and verified.')).toBeVisible()
  const table = page.getByRole('region', { name: 'As found to as left' })
  await expect(table.getByRole('row').nth(3)).toContainText('0.50 mm high')
  await expect(table.getByRole('row').nth(3)).toContainText('0.47 mm down')
  await page.getByRole('button', { name: 'Bolts torqued, initialed by R. T.. Remove' }).click()
  await expect(page.getByText('Can’t tell yet: 1 item outstanding.')).toBeVisible()
  await page.getByRole('button', { name: 'Initial: Bolts torqued' }).click()
  await expect(page.getByText('Within tolerance and verified.')).toBeVisible()

  // one act: a set more, to be read with the coupling closed
  await page
    .getByRole('region', { name: 'Read again' })
    .getByRole('button', { name: 'Read with coupling connected' })
    .click()
  const set = page.getByRole('region', { name: 'Coupling, set 4' })
  await expect(set).toContainText('coupling connected')
  const shown = { Motor: ['0', '-0.01', '-0.1', '-0.09'], Pump: ['0', '-0.04', '-0.08', '-0.04'] }
  for (const [machine, values] of Object.entries(shown))
    for (const [i, quarter] of ['Top', 'Wall', 'Bottom', 'Aisle'].entries())
      await set
        .getByLabel(new RegExp(`^${machine} dial.*${quarter}(?! again)`, 'i'))
        .first()
        .fill(values[i]!)
  await stored(page)
  await page.reload()
  await step(page, 'Verify').click()
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText(/^Coupling, read connected: /)).toBeVisible()
  await expect(page.getByText(/^Connecting moved the shafts 0\.\d\d mm at the motor/)).toBeVisible()

  await step(page, 'Sign').click()
  await page.getByRole('button', { name: 'Show the record' }).click()
  const record = page.getByRole('article', { name: 'Print preview' })
  await expect(record).toContainText('Not signed yet')
  if (await page.getByPlaceholder('Accept, because …').count()) await acceptAll(page, 'Bolts fitted by hand.')
  await page.getByLabel('Done by').fill('R. T.')
  await page.getByLabel('Checked by').fill('R. T.')
  await expect(page.getByRole('alert')).toContainText('second person')
  await expect(page.getByRole('button', { name: 'Sign this job' })).toBeDisabled()
  await page.getByLabel('Checked by').fill('I. M.')
  await page.getByRole('button', { name: 'Sign this job' }).click()
  await expect(page.getByRole('heading', { name: 'Revision 2' }).first()).toBeVisible()
  await expect(record).toContainText('revision 2')

  // the PDF says what the page says
  const pdf = await (await page.request.get(`${demo}/api/jobs/job-2/revisions/2/record.pdf`)).body()
  const words = await wordsOf(pdf)
  const sha = (await page.locator('code').first().textContent()) ?? ''
  expect(sha).toMatch(/^[0-9a-f]{64}$/)
  expect(words).toContain(sha)
  const cells = await record.locator('td, tbody th').allTextContents()
  expect(cells.length).toBeGreaterThan(40)
  for (const cell of cells) expect(words).toContain(cell.replace(/\s+/g, ''))
  const again = await (await page.request.get(`${demo}/api/jobs/job-2/revisions/2/record.pdf`)).body()
  expect(again.equals(pdf)).toBe(true)

  await page.getByRole('button', { name: 'Compare' }).click()
  const compared = page.getByRole('region', { name: 'Revisions' }).getByRole('table')
  await expect(compared).toContainText('Revision 1')
  await expect(compared).toContainText('I. M.')

  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'JSON: Revision 2' }).click()
  const file = await (await download).path()
  const verify = (path: string) => spawnSync(process.execPath, ['scripts/verify.mjs', path], { encoding: 'utf8' })
  const good = verify(file)
  expect([good.status, good.stdout]).toEqual([0, expect.stringContaining(`SHA-256 ${sha}`)])
  const changed = join(tmpdir(), `changed-${process.pid}.json`)
  writeFileSync(changed, readFileSync(file, 'utf8').replace('"doneBy":"R. T."', '"doneBy":"R. S."'))
  const bad = verify(changed)
  expect([bad.status, bad.stderr]).toEqual([1, expect.stringContaining('changed after signing')])
})

test('left as it is with a reason, signed out of tolerance by keyboard alone, in mil', async ({ page, demo }) => {
  await page.addInitScript(() => localStorage.setItem('vane-peg:settings', '{"initials":"R. T."}'))
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
  await page.getByRole('radio', { name: 'mil' }).press('Space')
  await page.keyboard.press('5')
  await expect(page.getByRole('heading', { name: 'Verify', level: 1 })).toBeVisible()
  const leave = page.getByRole('region', { name: 'Close without moving' })
  await leave.getByLabel('Because').focus()
  await page.keyboard.press('n')
  await expect(leave.getByLabel('Because')).toHaveValue('no-window')
  await page.keyboard.press('Tab')
  await page.keyboard.type('Back in May')
  await page.keyboard.press('Enter')
  await expect(leave).toContainText('no shutdown window, Back in May (R. T.).')
  await stored(page)
  await page.reload()
  await expect(page.getByText(/^Left as is: no shutdown window/).first()).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('6')
  await page.getByRole('button', { name: 'Show the record' }).click()
  const record = page.getByRole('article', { name: 'Print preview' })
  await expect(record).toContainText('Not moved: no shutdown window (R. T.).')
  await expect(record).toContainText('numbers in mil')
  const reasons = page.getByPlaceholder('Accept, because …')
  const count = await reasons.count()
  await reasons.first().focus()
  for (let i = 0; i < count; i++) {
    await page.keyboard.type('Left, see above.')
    await page.keyboard.press('Tab')
    await page.keyboard.press('Tab')
  }
  // the last Tab has gone past "Mend" to the first name
  await expect(page.getByLabel('Done by')).toBeFocused()
  await page.keyboard.press('Tab')
  await page.keyboard.type('K. O.')
  await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { name: 'Revision 1' }).first()).toBeVisible()
  await expect(record).toContainText('Left, see above.')
  await expect(page.getByText('It is locked. Reopen it in Sign.')).toBeVisible()
  const pdf = await (await page.request.get(`${demo}/api/jobs/job-6/revisions/1/record.pdf`)).body()
  expect(await wordsOf(pdf)).toContain('numbersinmil')
})

test('speeds tried, marks, and the doubt drawn in a worker: progress, cancel, and what matters most', async ({
  page,
  plant,
}) => {
  await page.goto(`${plant}/jobs/job-4/verify`)
  await page.getByText('Other speeds, dial marks, combined uncertainty').click()
  const speeds = page.getByRole('region', { name: 'Tolerance at other speeds' })
  await expect(speeds).toContainText('2,960 rpm')
  await expect(speeds).toContainText('Coupling 1: within tolerance up to 657 rpm (95 % sure).')
  await speeds.getByLabel('Try a speed, rpm').fill('600')
  await expect(speeds.getByRole('listitem').last()).toContainText('600 rpm')
  await expect(speeds.getByRole('listitem').last().getByRole('img', { name: 'within' })).toBeVisible()
  await page.getByText('Tolerance marks for the dials').click()
  await expect(page.getByText('Coupling 1: Set to half: ± 0.011 mm about the aligned reading.')).toBeVisible()
  await page.getByText('Combined uncertainty', { exact: true }).click()
  await page.getByRole('button', { name: 'Run 100,000 trials' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'trials are within' })).toContainText('Under 1 % of 100,000')
  // stopped while it draws, and begun again
  await page.evaluate(() => {
    const press = (text: string) =>
      [...document.querySelectorAll('button')].find((one) => one.textContent?.startsWith(text))?.click()
    press('Run 100')
    const canceled = setInterval(() => {
      press('Cancel')
      if ([...document.querySelectorAll('button')].some((one) => one.textContent?.startsWith('Run 100')))
        clearInterval(canceled)
    }, 1)
  })
  await expect(page.getByRole('button', { name: 'Run 100,000 trials' })).toBeVisible()
  await page.getByRole('button', { name: 'Run 100,000 trials' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'trials are within' })).toContainText('Under 1 % of 100,000')
  await expect(page.getByText(/The readings: \d\d % of the uncertainty/)).toBeVisible()
  await page.getByLabel('Sag, ±').fill('0.2')
  // what was drawn of other numbers is no answer to these
  await expect(page.getByText('trials are within')).toHaveCount(0)
  await expect(
    page.getByText(/The sag of the \w+ dial: \d\d % of the uncertainty. Measure the sag again./).first(),
  ).toBeVisible()
})

test('a table of limits is brought in, its faults named by row and column, and decides a line', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/kit`)
  await page.getByRole('button', { name: 'Add a table of limits' }).click()
  const card = page.getByRole('region', { name: 'Table of limits' })
  const bring = (name: string, text: string) =>
    card.locator('input[type=file]').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })
  await bring(
    'bad.csv',
    'coupling,from,to,offset,,slope,\nany,0,1200,0.1,mm,0.1,\nshaft,1200,1800,0.1,mm,0.1,\nany,1800,900,0.1,mm,0.1,\n',
  )
  await expect(card.getByRole('alert')).toContainText(
    'Row 3, column 1: the coupling must be any, short, spacer or rigid.',
  )
  await expect(card.getByRole('alert')).toContainText('Row 4, column 3: the first speed must be below the second.')
  await bring(
    'good.csv',
    'coupling,from,to,offset,,slope,\nany,0,1200,0.1,mm,0.1,\nany,1200,1800,0.061,mm,0.07,\nspacer,0,3600,,mm,0.05,\n',
  )
  await expect(card.getByRole('status')).toContainText('3 rows imported')
  await card.getByLabel('Name').fill('Standard 12')
  await stored(page)
  const download = page.waitForEvent('download')
  await card.getByRole('button', { name: 'Export as CSV' }).click()
  expect(readFileSync(await (await download).path(), 'utf8')).toContain('any,1200,1800,0.061,mm,0.07,mm/100 mm')
  await page.goto(`${demo}/jobs/job-6/dimensions`)
  await page.getByRole('heading', { name: 'Tolerance' }).click()
  await page.getByRole('radio', { name: 'The site’s table' }).click()
  await page.getByRole('region', { name: 'Tolerance' }).getByRole('combobox').selectOption('Standard 12')
  await expect(page.getByText('Coupling tolerance: 0.061 mm offset and 0.070 mm/100 mm angularity.')).toBeVisible()
  await stored(page)
  await page.goto(`${demo}/jobs/job-6/sign`)
  await page.getByRole('button', { name: 'Show the record' }).click()
  await expect(page.getByRole('article', { name: 'Print preview' })).toContainText('the site’s table Standard 12')
})

test('everything a job can be taken out as', async ({ page, plant }) => {
  await page.goto(`${plant}/jobs/job-2/sign`)
  const out = page.getByRole('region', { name: 'Export', exact: true })
  const take = async (name: string) => {
    const download = page.waitForEvent('download')
    await out.getByRole('button', { name }).click()
    const file = await download
    return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) }
  }
  const stations = await take('Stations, CSV')
  expect(stations.name).toBe('rinse-pump-3-periodic-check-stations.csv')
  expect(stations.bytes.toString()).toMatch(/"Motor, back feet",up,0\.50\d*,-0\.47,0\.03/)
  expect((await take('Readings, CSV')).bytes.toString()).toMatch(/\n1,[^\n]*,R\. T\.,Motor dial,Top,0/)
  expect(JSON.parse((await take('Survey, JSON')).bytes.toString())).toMatchObject({ format: 'vane-peg.survey' })
  expect(JSON.parse((await take('Result, JSON')).bytes.toString())).toMatchObject({ format: 'vane-peg.result' })
  const svg = (await take('Drawing, SVG')).bytes.toString()
  expect(svg).toContain('Motor, moved')
  expect(svg).not.toMatch(/href|url\(/)
  expect((await take('Drawing, PNG')).bytes.subarray(1, 4).toString()).toBe('PNG')
  const sheet = await (await page.request.get(`${plant}/api/jobs/job-13/sheet.pdf`)).body()
  expect(await wordsOf(sheet)).toContain('Readingsheet'.toLowerCase())
})

test('a photograph is taken at a check, described, printed, and removed', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-9/pre-checks`)
  const card = page.getByRole('region', { name: 'Photographs' })
  const canvas = await page.evaluate(() => {
    const made = document.createElement('canvas')
    ;[made.width, made.height] = [2400, 1200]
    const pen = made.getContext('2d')
    if (pen) {
      pen.fillStyle = '#1F5A57'
      pen.fillRect(0, 0, 2400, 1200)
      pen.fillStyle = '#F4F1EA'
      pen.fillRect(300, 300, 900, 200)
    }
    return made.toDataURL('image/jpeg', 0.9)
  })
  const buffer = Buffer.from(canvas.split(',')[1] ?? '', 'base64')
  await card.locator('input[type=file]').setInputFiles({ name: 'bracket.jpg', mimeType: 'image/jpeg', buffer })
  await card.getByLabel('Caption of photograph 1').fill('The plate on the motor')
  await card.getByRole('combobox').selectOption('Bearing play')
  await stored(page)
  await page.reload()
  await expect(card.getByRole('img', { name: 'The plate on the motor' })).toBeVisible()
  // made small on the way: at most 1600 px
  const size = await card
    .getByRole('img')
    .evaluate((image: HTMLImageElement) => [image.naturalWidth, image.naturalHeight])
  expect(size).toEqual([1600, 800])
  await card
    .locator('input[type=file]')
    .setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no') })
  await expect(card.getByRole('alert')).toContainText('Can’t read this picture')
  await step(page, 'Sign').click()
  await page.getByRole('button', { name: 'Show the record' }).click()
  const record = page.getByRole('article', { name: 'Print preview' })
  await expect(record.getByRole('img', { name: /^The plate on the motor/ })).toBeVisible()
  const pdf = await (await page.request.get(`${demo}/api/jobs/job-9/record.pdf`)).body()
  expect(await wordsOf(pdf)).toContain('Theplateonthemotor')
  await step(page, 'Pre-checks').click()
  await card.getByRole('button', { name: 'Remove: The plate on the motor' }).click()
  await expect(card.getByRole('img')).toHaveCount(0)
  await stored(page)
})

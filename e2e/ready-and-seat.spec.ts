import { expect, tabTo, test } from './site'

const feet = ['Far-side front foot', 'Near-side front foot', 'Far-side back foot', 'Near-side back foot'] as const

test('from cautions through a cured rocking foot, by keyboard, with a reload in the middle', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Line name').fill('Rinse pump 6')
  await page.keyboard.press('Enter')
  for (const name of [
    'Pump, front feet, distance',
    'Pump, back feet, distance',
    'Motor, front feet, distance',
    'Motor, back feet, distance',
  ])
    await page.getByLabel(new RegExp(`^${name}`)).fill('300')
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('1')
  await expect(page.getByRole('heading', { name: 'Before the first reading' })).toBeVisible()

  // cautions: initials, then each one signed
  await tabTo(page, 'Your initials')
  await page.keyboard.type('T. W.')
  for (let n = 8; n > 0; n--) {
    await expect(page.getByText(`${n} of 8 cautions open`)).toBeVisible()
    await tabTo(page, 'Sign: ')
    await page.keyboard.press('Enter')
    // the button that was pressed is now the signature
    await expect(page.getByRole('button', { name: /: signed T\. W\./ })).toHaveCount(9 - n)
  }
  await page.reload()
  await expect(page.getByRole('button', { name: /: signed T\. W\./ })).toHaveCount(8)

  // a skipped check asks why
  const base = page.getByRole('radiogroup', { name: 'Base and feet clean: outcome' })
  await base.getByRole('radio', { name: 'Skip' }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByText('Base and feet clean: skipped. Why?')).toBeVisible()
  await page.getByLabel('Base and feet clean: reason for skipping').fill('grouted last week')
  await expect(page.getByText('Base and feet clean: skipped. Why?')).toBeHidden()

  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('2')
  await expect(page.getByText('Next: loosen the bolt at the near-side front foot.')).toBeVisible()
  const rises = ['0.01', '0.18', '0.19', '0.00']
  for (const [i, foot] of feet.entries()) {
    await tabTo(page, `${foot}: rise`)
    await page.keyboard.type(rises[i] ?? '')
  }
  await expect(
    page.getByText('Motor rocks: the near-side front foot and the far-side back foot are high.'),
  ).toBeVisible()
  await expect(page.getByText(/Check the .* with a feeler before you cut a shim/)).toBeVisible()
  await expect(page.getByText(/^Put 0\.19 mm under the far-side back foot\.|^Put 0\.18 mm/)).toBeVisible()

  // later steps keep it on top until it is cured
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('3')
  await expect(
    page.getByText('Motor rocks: the near-side front foot and the far-side back foot are high.'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Go to Seat' }).click()

  await page.getByRole('button', { name: 'Check again' }).click()
  await expect(page.getByText('was 0.18')).toBeVisible()
  for (const foot of feet) await page.getByLabel(`${foot}: rise, mm`).fill('0.02')
  await expect(page.getByText('Motor sits on all its feet.')).toBeVisible()
  await page.getByText('mil', { exact: true }).click()
  await expect(page.getByLabel(`${feet[0]}: rise, mil`)).toHaveValue('0.8')
  await page.reload()
  await page.getByRole('radio', { name: 'After correction' }).click()
  await expect(page.getByText('Motor sits on all its feet.')).toBeVisible()
})

test('feet in mil: a bent foot gets step shims, strain gets none', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-11/seat`)
  await page.getByText('mil', { exact: true }).click()
  await expect(page.getByText('The tanks-side back foot is bent.')).toBeVisible()
  await expect(page.getByText(/From its right edge inward: 2\.0 mil over/)).toBeVisible()
  await expect(page.getByRole('img', { name: /Step shims under the tanks-side back foot/ })).toBeVisible()
  await page.goto(`${demo}/jobs/job-10/seat`)
  await expect(page.getByText('Something is pulling on the pump.')).toBeVisible()
  await expect(page.getByText(/^Put /)).toHaveCount(0)
})

test('all bolts loose: plain gaps are filled first', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-7/seat`)
  await page.getByRole('radio', { name: 'All bolts loose' }).click()
  for (const foot of ['Aisle-side front foot', 'Wall-side front foot', 'Aisle-side back foot', 'Wall-side back foot'])
    for (const corner of ['aisle left', 'aisle right', 'wall left', 'wall right'])
      await page
        .getByLabel(`${foot}: feeler gap at its ${corner} corner, mm`)
        .fill(foot === 'Wall-side front foot' ? '0.3' : '0.02')
  await expect(page.getByText('Put 0.30 mm under the wall-side front foot.')).toBeVisible()
  await page.getByRole('button', { name: 'One bolt at a time' }).click()
  await expect(page.getByText(/Next: loosen the bolt/)).toBeVisible()
})

test('rough alignment gives shims and side moves, angle first', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-7/ready`)
  const gaps: Record<string, string> = {
    'Rim gap, top': '-0.4',
    'Rim gap, bottom': '0.4',
    'Rim gap, wall': '0.2',
    'Rim gap, aisle': '-0.2',
  }
  for (const [name, gap] of Object.entries(gaps)) await page.getByLabel(`${name}, mm`).fill(gap)
  await page.getByLabel('Face gap, top, mm').fill('3.9')
  await page.getByLabel('Face gap, bottom, mm').fill('4.1')
  await page.getByLabel('At diameter, mm').fill('160')
  const result = page.getByRole('status', { name: 'Rough result' })
  // open at the bottom by 0.2 over 160 mm: 0.56 over the feet's spacing of 450 mm, under the front feet alone
  await expect(result).toContainText('1. Angle: add 0.56 mm under the Motor, front feet.')
  await expect(result).toContainText(
    '2. Height: then the motor is 1.26 mm too high. Add 1.26 mm under all feet of the pump.',
  )
  await expect(result).toContainText('Slope, vertical: 0.125 mm/100 mm; tolerance 0.048 mm/100 mm.')
  await page.getByRole('radio', { name: 'On the motor hub' }).click()
  await expect(result).toContainText('push 0.20 mm toward aisle')
  await page.getByRole('radio', { name: 'On the pump hub' }).click()
  await expect(result).toContainText('push 0.20 mm toward wall')
  await expect(result).toContainText('Good enough for a dial.')
})

test('a measured value over its limit is not good, and the printed page says what was open', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-9/ready`)
  const piping = page
    .getByRole('list', { name: 'Checks' })
    .getByRole('listitem')
    .filter({ hasText: 'Pipe and conduit strain' })
  await piping.getByLabel('Measured, mm').fill('0.08')
  await expect(page.getByText('Pipe and conduit strain: 0.08 mm is too much.')).toBeVisible()
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  const pdf = await page.request.get(`${demo}/api/jobs/job-9/report.pdf`)
  expect(pdf.status()).toBe(200)
})

test('on a narrow screen nothing runs over', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const step of ['ready', 'seat', 'move', 'line']) {
    await page.goto(`${demo}/jobs/job-9/${step}`)
    await page.locator('#bench').waitFor()
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth), step).toBeLessThanOrEqual(0)
  }
})

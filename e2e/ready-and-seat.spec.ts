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
  await expect(page.getByRole('heading', { name: 'Pre-checks' })).toBeVisible()

  // cautions: initials, then each one signed
  await tabTo(page, 'Your initials')
  await page.keyboard.type('T. W.')
  for (let n = 8; n > 0; n--) {
    await expect(page.getByText(`${n} of 8 cautions not initialed`)).toBeVisible()
    await tabTo(page, 'Initial: ')
    await page.keyboard.press('Enter')
    // the button that was pressed is now the signature
    await expect(page.getByRole('button', { name: /: initialed by T\. W\./ })).toHaveCount(9 - n)
  }
  await page.reload()
  await expect(page.getByRole('button', { name: /: initialed by T\. W\./ })).toHaveCount(8)

  // a skipped check asks why
  const base = page.getByRole('radiogroup', { name: 'Base and feet clean: outcome' })
  await base.getByRole('radio', { name: 'Skip' }).focus()
  await page.keyboard.press('Space')
  await expect(page.getByText('Base and feet clean: skipped without a reason.')).toBeVisible()
  await page.getByLabel('Base and feet clean: reason for skipping').fill('grouted last week')
  await expect(page.getByText('Base and feet clean: skipped without a reason.')).toBeHidden()

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
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText(/Check the .* with a feeler before you cut a shim/)).toBeVisible()
  await expect(page.getByText(/^Put 0\.19 mm under the far-side back foot\.|^Put 0\.18 mm/)).toBeVisible()

  // later steps keep it on top until it is cured
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await page.keyboard.press('3')
  await expect(
    page.getByText('Motor rocks: the near-side front foot and the far-side back foot are high.'),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Go to Soft foot' }).click()

  await page.getByRole('button', { name: 'Check again' }).click()
  await expect(page.getByText('was 0.18')).toBeVisible()
  for (const foot of feet) await page.getByLabel(`${foot}: rise, mm`).fill('0.02')
  await expect(page.getByText('Motor: no soft foot.')).toBeVisible()
  await page.getByText('mil', { exact: true }).click()
  await expect(page.getByLabel(`${feet[0]}: rise, mil`)).toHaveValue('0.8')
  await page.reload()
  await page.getByRole('radio', { name: 'After correction' }).click()
  await expect(page.getByText('Motor: no soft foot.')).toBeVisible()
})

test('on a narrow screen nothing runs over', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  for (const step of ['pre-checks', 'soft-foot', 'moves', 'dimensions']) {
    await page.goto(`${demo}/jobs/job-9/${step}`)
    await page.locator('#bench').waitFor()
    expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth), step).toBeLessThanOrEqual(0)
  }
})

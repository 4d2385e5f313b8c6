import { expect, test } from '../../../testing/screen'

test('feet in mil: a bent foot gets step shims, strain gets none', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-11/soft-foot`)
  await page.getByText('mil', { exact: true }).click()
  await expect(page.getByText('The tanks-side back foot is angled (bent foot).')).toBeVisible()
  await expect(page.getByText(/From its right edge inward: 2\.0 mil over/)).toBeVisible()
  await expect(page.getByRole('img', { name: /Step shims under the tanks-side back foot/ })).toBeVisible()
  await page.goto(`${demo}/jobs/job-10/soft-foot`)
  await expect(page.getByText('Pipe or conduit strain on the pump.')).toBeVisible()
  await expect(page.getByText(/^Put /)).toHaveCount(0)
})

test('all bolts loose: plain gaps are filled first', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-7/soft-foot`)
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
  await page.goto(`${demo}/jobs/job-7/pre-checks`)
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
  await expect(result).toContainText('1. Angularity: add 0.56 mm under the Motor, front feet.')
  await expect(result).toContainText(
    '2. Height: then the motor is 1.26 mm too high. Add 1.26 mm under all feet of the pump.',
  )
  await expect(result).toContainText('Angularity, vertical: 0.125 mm/100 mm, tolerance 0.048 mm/100 mm.')
  await page.getByRole('radio', { name: 'On the motor hub' }).click()
  await expect(result).toContainText('push 0.20 mm toward aisle')
  await page.getByRole('radio', { name: 'On the pump hub' }).click()
  await expect(result).toContainText('push 0.20 mm toward wall')
  await expect(result).toContainText('Close enough to fit dials.')
})

test('a measured value over its limit is not good, and the printed page says what was open', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-9/pre-checks`)
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

const feet = ['Aisle-side front foot', 'Wall-side front foot', 'Aisle-side back foot', 'Wall-side back foot']

test('an uneven diagonal rocks: one foot is shimmed, and looked at again; blades are typed as they were stacked', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-7/soft-foot`)
  await page.getByText('mil', { exact: true }).click()
  for (const [i, rise] of ['3.5', '0', '0', '6+1.5'].entries())
    await page.getByLabel(`${feet[i]}: rise, mil`).fill(rise)
  await expect(
    page.getByText('Motor rocks: the aisle-side front foot and the wall-side back foot are high.'),
  ).toBeVisible()
  await expect(page.getByText('Put 7.5 mil under the wall-side back foot.')).toBeVisible()
  await expect(page.getByText(/^Put /)).toHaveCount(1)
  await expect(page.getByText(/finds no gap|even gap/)).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Check again' })).toBeVisible()
})

test('a blade that fits nowhere is a look at the foot; what rises all the same is cleaned, foot by foot', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-7/soft-foot`)
  for (const foot of feet)
    await page.getByRole('button', { name: `${foot}: nothing over 0.05 mm fits under it` }).click()
  await expect(page.getByText('Motor: no soft foot.')).toBeVisible()
  await page.getByRole('article').filter({ hasText: 'Motor: no soft foot.' }).getByRole('button').last().click()
  await expect(page.getByText('No gap under a foot is over the limit.')).toBeVisible()
  for (const foot of [feet[0]!, feet[2]!]) await page.getByLabel(`${foot}: rise, mm`).fill('0.2')
  await expect(page.getByText('First: clean the aisle-side front foot and its pad.')).toBeVisible()
  await expect(page.getByText('Next: clean the aisle-side back foot and its pad.')).toBeVisible()
})

test('strain is no cause any more once the pipes are off', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-10/soft-foot`)
  await page.getByRole('button', { name: 'Pipes are disconnected' }).click()
  await expect(page.getByText('Pipe or conduit strain on the pump.')).toHaveCount(0)
  await expect(page.getByText(/^Put /)).toHaveCount(1)
  await expect(page.getByLabel('Pipes and conduits')).toHaveValue('off')
})

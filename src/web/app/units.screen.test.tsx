import { expect, test } from '../../testing/screen'

test('the unit is the line’s, not the tablet’s; looked at in the other one it says nothing of other lines', async ({
  page,
  demo,
}) => {
  const chosen = (unit: string) => page.getByRole('radio', { name: unit, exact: true })
  await page.settings({ unit: 'mil' })
  await page.goto(`${demo}/`)
  await expect(chosen('mil')).toBeChecked()
  // a line that was measured in millimeters
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page.getByLabel('Motor dial, bottom, mm', { exact: true })).toBeVisible()
  await expect(chosen('mm')).toBeChecked()
  await page.getByText('mil', { exact: true }).click()
  await expect(page.getByLabel('Motor dial, bottom, mil', { exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Motor dial, bottom, mil', { exact: true })).toBeVisible()
  await page.goto(`${demo}/jobs/job-4/readings`)
  await expect(chosen('mm')).toBeChecked()
  await page.goto(`${demo}/`)
  await expect(chosen('mil')).toBeChecked()
})

test('a site that works in mils draws new lines in them, where nobody chose otherwise on the device', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-4/sign`)
  await page.getByRole('combobox', { name: 'New lines are measured in' }).selectOption('mil')
  const card = page.getByLabel('Letterhead and site rules')
  await card.getByRole('button', { name: 'Save' }).click()
  await expect(card.getByText('Saved.')).toBeVisible()
  await page.goto(`${demo}/new`)
  await expect(page.getByRole('radio', { name: 'mil', exact: true })).toBeChecked()
  await page.getByLabel('Line name').fill('Brine pump')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await expect(page.getByLabel('Pump, front feet, distance from center of coupling toward the left, in')).toBeVisible()
})

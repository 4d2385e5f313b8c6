import { expect, test } from '../../../../testing/screen'

test('a wrong sign is found, and mended from the keyboard', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page.getByText('Pump dial does not close: off by 0.21 mm.')).toBeVisible()
  await expect(page.getByText(/It would if the bottom were \+0\.11 \(sign reversed\)/)).toBeVisible()
  await page.getByRole('button', { name: 'Show working' }).first().click()
  await expect(page.getByText(/0\.00 \+ \(−0\.11\) − \(\+0\.08\)/)).toBeVisible()
  await page.getByRole('button', { name: 'Go to the reading' }).first().click()
  await expect(page.getByLabel('Pump dial, bottom, mm')).toBeFocused()
  await page.keyboard.press('-')
  await expect(page.getByText('does not close')).toHaveCount(0)
  await expect(page.getByText('All readings taken.')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Pump dial does not close: off by 0.21 mm.')).toBeVisible()
  await page.keyboard.press('Control+Shift+z')
  await expect(page.getByText('Pump dial does not close: off by 0.21 mm.')).toHaveCount(0)
})

test('bad numbers are said beside the number and lose nothing', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  const cell = page.getByLabel('Motor dial, wall, mm')
  await cell.fill('0.2x')
  await expect(page.getByText(/Motor dial: the wall reading is not a number/)).toBeVisible()
  await expect(cell).toHaveAttribute('aria-invalid', 'true')
  await page.reload()
  await expect(cell).toHaveValue('0.2x')
  await cell.fill('-0,29')
  await expect(cell).not.toHaveAttribute('aria-invalid', 'true')
  await page.goto(`${demo}/jobs/job-6/dimensions`)
  const foot = page.getByLabel(/Motor, front feet, distance/)
  await foot.fill('9.4')
  await expect(page.getByText(/Inches and millimeters mixed up\? It would be/)).toBeVisible()
  await foot.fill('-240')
  await expect(page.getByText(/wrong side of the coupling/)).toBeVisible()
})

test('any angles, a dial more, a whole turn, and the coupling engaged', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByLabel('Pump dial, bottom, mm').fill('0.11')
  await page.getByRole('button', { name: 'Set up dials' }).click()
  await page.getByLabel('Another angle, degrees').fill('45')
  await page.getByRole('button', { name: 'Add the angle' }).click()
  const cell = page.getByLabel('Motor dial, 45°, mm')
  await cell.fill('-1.16')
  await cell.press('PageUp')
  await expect(page.getByText('+1 turn')).toBeVisible()
  await expect(page.getByRole('status').filter({ hasText: 'closes to' })).toHaveCount(2)
  await page.getByText('Change', { exact: true }).click()
  await page.getByRole('radio', { name: 'Coupling connected' }).click()
  await expect(page.getByText('Coupling was only read with the coupling connected.')).toBeVisible()
  await page.getByRole('button', { name: 'Dial on the motor' }).click()
  await expect(page.getByRole('region', { name: 'Set-up of the motor dial' })).toHaveCount(2)
})

test('moved, a second round is read with the first drawn behind it', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-4/moves`)
  await page.getByRole('button', { name: 'Moves done: start next round' }).click()
  await expect(page.getByText('Round 1, as found, is shown dashed.')).toBeVisible()
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('')
  await page.getByRole('radio', { name: 'Round 1' }).click()
  await expect(page.getByLabel('Motor dial, bottom, mm')).not.toHaveValue('')
})

test('zeroed once on top and once more at the side: proposed, taken, and the planes stand each by itself', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  const typed = { 'Motor dial': [0, 0, -0.412, 0.154], 'Pump dial': [0, 0, 0.104, -0.058] }
  for (const [dial, values] of Object.entries(typed))
    for (const [i, side] of ['top', 'wall', 'bottom', 'aisle'].entries())
      await page.getByLabel(`${dial}, ${side}, mm`, { exact: true }).fill(String(values[i]))
  await expect(page.getByText('Motor dial reads zero at the top and at the side.')).toBeVisible()
  await page.getByRole('button', { name: 'Zeroed at both' }).first().click()
  await expect(page.getByText(/does not close/)).toHaveCount(0)
  await expect(page.getByText(/reads zero at the top and at the side/)).toHaveCount(0)
  await page.reload()
  await expect(page.getByText(/does not close/)).toHaveCount(0)
})

test('a dial that has not returned to its top is told before it does not close', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByLabel('Motor dial, top again, mm', { exact: true }).fill('0.06')
  await page.getByLabel('Motor dial, bottom, mm', { exact: true }).fill('-0.60')
  const said = page.getByRole('complementary')
  await expect(said.getByText(/Motor dial did not return to zero/)).toBeVisible()
  await expect(said.getByText(/Motor dial does not close/)).toBeVisible()
  const text = (await said.textContent()) ?? ''
  expect(text.indexOf('Motor dial did not return')).toBeLessThan(text.indexOf('Motor dial does not close'))
})

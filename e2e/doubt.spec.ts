import { expect, test } from './site'

test('a wrong sign is found, and mended from the keyboard', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/read`)
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
  await page.goto(`${demo}/jobs/job-6/read`)
  const cell = page.getByLabel('Motor dial, wall, mm')
  await cell.fill('0.2x')
  await expect(page.getByText(/Motor dial: the wall reading is not a number/)).toBeVisible()
  await expect(cell).toHaveAttribute('aria-invalid', 'true')
  await page.reload()
  await expect(cell).toHaveValue('0.2x')
  await cell.fill('-0,29')
  await expect(cell).not.toHaveAttribute('aria-invalid', 'true')
  await page.goto(`${demo}/jobs/job-6/line`)
  const foot = page.getByLabel(/Motor, front feet, distance/)
  await foot.fill('9.4')
  await expect(page.getByText(/Inches and millimetres mixed up\? It would be/)).toBeVisible()
  await foot.fill('-240')
  await expect(page.getByText(/on the other side of the coupling/)).toBeVisible()
})

test('two tablets on one job: both keep what they typed, and one answer is asked for where they differ', async ({
  browser,
  demo,
}) => {
  const here = await (await browser.newContext()).newPage()
  const there = await (await browser.newContext()).newPage()
  for (const page of [here, there]) {
    await page.goto(`${demo}/jobs/job-5/read`)
    await page.getByText('mil', { exact: true }).click()
    await expect(page.getByLabel('Motor dial, bottom, mil')).toBeVisible()
  }
  await there.getByLabel('Motor dial, bottom, mil').fill('-12.5')
  await expect(there.getByText(/^Saved \d/)).toBeVisible()
  // other cells: merged without a question
  await here.getByLabel('Pump dial, bottom, mil').fill('3.5')
  await expect(here.getByLabel('Motor dial, bottom, mil')).toHaveValue('−12.5')
  await expect(here.getByText(/^Saved \d/)).toBeVisible()
  // what one stores the other has within seconds, without looking again; the floor has it too
  await expect(there.getByLabel('Pump dial, bottom, mil')).toHaveValue('+3.5')
  // the same cell, while one of them is not reached: asked, and the question outlives a reload
  await there.context().setOffline(true)
  await here.getByLabel('Motor dial, stair, mil').fill('-4')
  await expect(here.getByText(/^Saved \d/)).toBeVisible()
  await there.getByLabel('Motor dial, stair, mil').fill('-6')
  await expect(there.getByText('On this device; can’t reach the server')).toBeVisible()
  await there.context().setOffline(false)
  const asked = there.getByRole('alert', { name: 'Conflicting changes' })
  await expect(asked).toContainText('Round 1, motor dial, stair')
  await there.reload()
  await expect(asked).toContainText('Round 1, motor dial, stair')
  await asked.getByRole('button', { name: 'There: −4 mil' }).click()
  await expect(there.getByLabel('Motor dial, stair, mil')).toHaveValue('−4')
  await expect(there.getByLabel('Pump dial, bottom, mil')).toHaveValue('+3.5')
  await expect(there.getByText(/^Saved/)).toBeVisible()
})

test('a signed job cannot be changed', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-2/read`)
  await expect(
    page.getByText('Signed by R. T. Nothing in it can be changed; it can be opened again under Sign.'),
  ).toBeVisible()
  await expect(page.getByLabel('Motor dial, bottom, mm').first()).not.toBeEditable()
})

test('the floor is searched and filtered in the address', async ({ page, demo }) => {
  await page.goto(demo)
  const rows = page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')
  await expect(rows).toHaveCount(40)
  await page.getByLabel('Search lines and jobs').fill('brine')
  await expect(rows).toHaveCount(4)
  await page.getByRole('radio', { name: /In hand/ }).click()
  await expect(rows).toHaveCount(2)
  await expect(page).toHaveURL(/search=brine&state=in-hand|state=in-hand&search=brine/)
  await page.reload()
  await expect(rows).toHaveCount(2)
  await page.getByLabel('Search lines and jobs').fill('nowhere')
  await expect(page.getByText('No jobs match.')).toBeVisible()
})

test('any angles, a dial more, a whole turn, and the coupling engaged', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/read`)
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
  await page.goto(`${demo}/jobs/job-4/move`)
  await page.getByRole('button', { name: 'Moved: start next round' }).click()
  await expect(page.getByText('Round 1, as found, is shown dashed.')).toBeVisible()
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('')
  await page.getByRole('radio', { name: 'Round 1' }).click()
  await expect(page.getByLabel('Motor dial, bottom, mm')).not.toHaveValue('')
})

test('on a narrow screen the first sentence stays in sight and the page does not run over', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${demo}/jobs/job-6/read`)
  await expect(page.getByText('Pump dial does not close: off by 0.21 mm.')).toBeInViewport()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
  await page.getByLabel('Motor dial, bottom, mm').fill('-0.40')
  await page.getByRole('button', { name: /^\d+ more/ }).click()
  await expect(page.getByText(/^Coupling:/)).toBeVisible()
})

import { expect, test } from './site'

test('two tablets on one job: both keep what they typed, and one answer is asked for where they differ', async ({
  browser,
  demo,
}) => {
  const here = await (await browser.newContext()).newPage()
  const there = await (await browser.newContext()).newPage()
  for (const page of [here, there]) {
    await page.goto(`${demo}/jobs/job-5/readings`)
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
  await expect(there.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  await there.context().setOffline(false)
  const asked = there.getByRole('alert', { name: 'Conflicting changes' })
  await expect(asked).toContainText('Round 1, motor dial, stair')
  await there.reload()
  await expect(asked).toContainText('Round 1, motor dial, stair')
  await asked.getByRole('button', { name: 'Other tablet: −4 mil' }).click()
  await expect(there.getByLabel('Motor dial, stair, mil')).toHaveValue('−4')
  await expect(there.getByLabel('Pump dial, bottom, mil')).toHaveValue('+3.5')
  await expect(there.getByText(/^Saved/)).toBeVisible()
})

test('a signed job cannot be changed', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-2/readings`)
  await expect(page.getByText('Signed by R. T. It is locked. Reopen it in Sign.')).toBeVisible()
  await expect(page.getByLabel('Motor dial, bottom, mm').first()).not.toBeEditable()
})

test('the floor is searched and filtered in the address', async ({ page, demo }) => {
  await page.goto(demo)
  const rows = page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')
  await expect(rows).toHaveCount(12)
  await page.getByRole('button', { name: 'Show 28 more' }).click()
  await expect(rows).toHaveCount(40)
  await page.getByLabel('Search lines and jobs').fill('brine')
  await expect(rows).toHaveCount(4)
  await page.getByRole('radio', { name: /In progress/ }).click()
  await expect(rows).toHaveCount(2)
  await expect(page).toHaveURL(/search=brine&state=in-hand|state=in-hand&search=brine/)
  await page.reload()
  await expect(rows).toHaveCount(2)
  await page.getByLabel('Search lines and jobs').fill('nowhere')
  await expect(page.getByText('No jobs match.')).toBeVisible()
})

test('on a narrow screen the first sentence stays in sight and the page does not run over', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page.getByText('Pump dial does not close: off by 0.21 mm.')).toBeInViewport()
  expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0)
  await page.getByLabel('Motor dial, bottom, mm').fill('-0.40')
  await page.getByRole('button', { name: /^\d+ more/ }).click()
  await expect(page.getByText(/^Coupling:/)).toBeVisible()
})

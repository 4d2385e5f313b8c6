import { expect } from '@playwright/test'
import { test } from './site'

test('soft foot followed live: rest, loosened, tightened at one foot after the other, kept over a reload', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-4/soft-foot`)
  await page.getByText('Measure live with a dial on the foot').click()
  await page.getByRole('radio', { name: 'Coupling connected' }).click()
  await expect(page.getByText('A connected coupling can hide soft foot')).toBeVisible()
  await page.getByRole('radio', { name: 'Coupling disconnected' }).click()
  const live = page.getByRole('region', { name: 'Indicator' })
  await live.getByRole('button', { name: 'Connect', exact: true }).click()
  const take = live.getByRole('button', { name: /^Capture/ }).first()
  const [, foot = ''] =
    /^(.*), at rest/.exec((await live.locator('b').filter({ hasText: 'at rest' }).textContent()) ?? '') ?? []
  for (const state of ['at rest', 'bolt loosened', 'bolt tight again']) {
    await expect(live.locator('b').filter({ hasText: state })).toBeVisible()
    await expect(live.getByText('still', { exact: false }).first()).toBeVisible()
    await take.click()
  }
  await expect(page.getByText(/rose 0\.\d\d mm and returned\./)).toBeVisible()
  expect(foot).not.toBe('')
  // the next foot has its turn, and what was read stands
  await expect(live.locator('b').filter({ hasText: 'at rest' })).not.toContainText(foot)
  const rises = page.getByLabel(/: rise, mm$/)
  const filled = async () => (await Promise.all((await rises.all()).map((one) => one.inputValue()))).filter(Boolean)
  const before = await filled()
  expect(before).toHaveLength(1)
  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible()
  await page.reload()
  await expect(rises.first()).toBeVisible()
  expect(await filled()).toEqual(before)
  await expect(page.getByRole('radio', { name: 'Coupling disconnected' })).toBeChecked()
})

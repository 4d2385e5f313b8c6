import { expect, test } from './site'

test('a row of bores from an empty site to a signed record, in mm and mil, with a reload in the middle', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('bore')
  await page.getByLabel('How many bores').selectOption('3')
  await page.getByLabel('Line name').fill('Mill line bores')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  const at = (n: number) => page.getByRole('region', { name: `Pocket ${n}` })
  await at(2).getByLabel('Along the row, mm').fill('900')
  // the drawing’s own word for what is not known yet
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await expect(page.getByText('Enter the position of Pocket 3 along the row.')).toBeVisible()
  await page.getByRole('button', { name: 'Go to Dimensions' }).click()
  await at(3).getByLabel('Along the row, mm').fill('1800')
  await page.getByRole('link', { name: 'Go to Readings' }).click()

  // by keyboard, from cell to cell: Pocket 2 stands 0.20 low and 0.10 toward far
  await expect(page.getByText('Next: top, Pocket 1.')).toBeVisible()
  const read = async (n: number, values: readonly string[]) => {
    await at(n).getByLabel('Top, mm').focus()
    for (const value of values) {
      await page.keyboard.type(value)
      await page.keyboard.press('Tab')
    }
  }
  await read(1, ['0', '0', '0', '0'])
  await read(2, ['0', '-0.30', '-0.40', '-0.10'])
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await read(3, ['0', '0', '0', '0'])
  await expect(at(2).getByLabel('Bottom, mm')).toHaveValue('−0.40')
  // the arm’s sag is given once, and taken for every section
  await expect(page.getByText(/^Bracket sag is not entered for Pocket 1/)).toBeVisible()
  await at(1).getByLabel('Bracket sag, mm').fill('0')
  await page.getByRole('button', { name: 'Use this sag for every section' }).click()
  await expect(at(3).getByLabel('Bracket sag, mm')).toHaveValue('0')
  await expect(page.getByText('Out of line: Pocket 2.')).toBeVisible()
  await expect(page.getByText('3 pockets: position only, no angularity.')).toBeVisible()
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText('4 places can’t show out-of-roundness.')).toBeVisible()

  await page.getByRole('link', { name: /Move/ }).first().click()
  const bores = page.getByRole('region', { name: 'At the bores' })
  await expect(bores.getByRole('row').nth(2)).toContainText('0.20 mm low and 0.10 mm toward far')
  await expect(bores.getByRole('row').nth(2)).toContainText('0.20 mm up, 0.10 mm toward near')
  await expect(page.getByText('Lock out and try. Support the rotor.')).toBeVisible()
  await page.getByRole('radio', { name: 'mil' }).click()
  await expect(bores.getByRole('row').nth(2)).toContainText('7.9 mil up, 3.9 mil toward near')
  await page.getByRole('radio', { name: 'mm', exact: true }).click()
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  const sheet = await page.request.get(
    `${empty}${await page.getByRole('link', { name: 'Move sheet' }).getAttribute('href')}`,
  )
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')

  // moved by a sleeve instead: how far, and toward where
  await page.getByRole('link', { name: 'Mill line bores' }).first().click()
  await page.getByLabel('Correction method').selectOption('sleeve')
  await page.getByRole('link', { name: /Move/ }).first().click()
  await expect(bores).toContainText('Eccentric sleeve 0.22 mm, bore toward 63° from near toward top')

  await page.getByRole('button', { name: 'Moves done: start next round' }).click()
  for (const n of [1, 2, 3]) await read(n, ['0', '0', '0', '0'])
  await expect(page.getByText('All 3 sections are within 0.05 mm of the line.')).toBeVisible()
  await page.getByRole('link', { name: /Sign/ }).first().click()
  const reasons = page.getByPlaceholder('Accept, because …')
  await expect(reasons.first()).toBeVisible()
  for (let i = 0; i < (await reasons.count()); i++) await reasons.nth(i).fill('Read again tomorrow, warm')
  await page.getByLabel('Done by').first().fill('R. T.')
  await page.getByRole('button', { name: 'Sign this job' }).click()
  await expect(page.getByText(/^Signed by R\. T\./).first()).toBeVisible()
})

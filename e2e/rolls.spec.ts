import { expect, test } from './site'

test('a section of rolls from an empty site: levels turned, tapes, parallel is not square, a baseline, the moves, in mm and mil', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('rolls')
  await page.getByLabel('How many rolls').selectOption('2')
  await page.getByLabel('Line name').fill('Sheet line 3')
  await page.getByRole('button', { name: 'Draw it and start' }).click()
  const section = page.getByRole('region', { name: 'The section' })
  await page.getByLabel('Face width, mm').fill('1600')
  await page.getByLabel('Between the housings, mm').fill('1800')
  const roll = (n: number) => page.getByRole('group', { name: `Roll ${n}` })
  for (const n of [1, 2]) await roll(n).getByLabel('Diameter, mm').fill('200')
  await roll(2).getByLabel('Down the line, mm').fill('700')
  await section.getByLabel('Reference roll').selectOption('r1')
  await page.getByRole('link', { name: 'Go to Read' }).click()

  await page.getByLabel('Both ends are read, apart, mm').fill('1500')
  const levels = page.getByRole('region', { name: 'Level', exact: true })
  await expect(page.getByText('Next: Roll 1, level, divisions toward the high far end.')).toBeVisible()
  await page.getByRole('button', { name: 'Enter it' }).click()
  // by keyboard, row by row: zero of the level 1.5 divisions, both rolls level
  for (const value of ['1.5', '-1.5', '1.5', '-1.5']) {
    await page.keyboard.type(value)
    await page.keyboard.press('Tab')
  }
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await expect(levels.getByLabel('Level turned end for end, divisions, Roll 2')).toHaveValue('-1.5')
  const tapes = page.getByRole('region', { name: 'Tape to the next roll' })
  await tapes.getByLabel('Tape to the next roll, near end, Roll 1').fill('500.00')
  await tapes.getByLabel('Tape to the next roll, far end, Roll 1').fill('500.60')
  await expect(page.getByText('Out of limits: Roll 1 to Roll 2.')).toBeVisible()
  await expect(page.getByText('Roll 1 to Roll 2: far edge 0.64 mm longer, limit 0.16 mm.')).toBeVisible()
  await expect(page.getByText('Parallel is not square: all is told from Roll 1.')).toBeVisible()

  await page.getByRole('link', { name: /Move/ }).first().click()
  const rolls = page.getByRole('region', { name: 'The rolls' })
  await expect(rolls.getByRole('row').nth(2)).toContainText('Far end 0.64 mm down the line')
  await expect(rolls.getByRole('row').nth(2)).toContainText('Slide 0.72 mm down the line')
  await expect(page.getByText('Roll 2, near housing: slide 0.72 mm down the line.')).toBeVisible()
  await expect(page.getByText('Drives locked out and tried, air let off?')).toBeVisible()
  await page.getByRole('radio', { name: 'mil' }).click()
  await expect(rolls.getByRole('row').nth(2)).toContainText('Slide 28.3 mil down the line')
  await page.getByRole('radio', { name: 'mm', exact: true }).click()
  const point = page.getByRole('region', { name: 'Bring a plane to the reference roll' })
  await point.getByLabel('From the pivot to the near target, mm').fill('400')
  await point.getByLabel('From the near target to the far one, mm').fill('1500')
  await point.getByLabel('Far target reads, near one at zero, mm').fill('-2.70')
  await expect(point).toContainText('Turn until the far target reads +0.72 mm.')
  const sheet = await page.request.get(
    `${empty}${await page.getByRole('link', { name: 'Sheet for the machine' }).getAttribute('href')}`,
  )
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')

  await page.getByRole('link', { name: /Sign/ }).first().click()
  const reasons = page.getByPlaceholder('Sign all the same, because …')
  await expect(reasons.first()).toBeVisible()
  for (let i = 0; i < (await reasons.count()); i++) await reasons.nth(i).fill('Moved in the next stop')
  await page.getByLabel('Done by').first().fill('S. B.')
  await page.getByRole('button', { name: 'Sign this job' }).click()
  await expect(page.getByText(/^Signed by S\. B\./).first()).toBeVisible()
})

test('fourteen rolls: one that will not go is named, not its neighbours; a mark that faces the other way; a level read one way', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-46/move`)
  await expect(page.getByText('Roll 9 is out and can’t be moved.')).toBeVisible()
  await expect(page.getByText(/^Roll 10, aisle housing/)).toHaveCount(0)
  const ways = page.getByRole('region', { name: 'Ways past Roll 9, which stays' })
  await expect(ways.getByRole('columnheader')).toHaveText([
    'Span',
    'Leave it',
    'Neighbours half way',
    'Neighbours parallel, taken back beyond',
  ])
  await expect(ways.getByRole('row', { name: /^Roll 9 – Roll 10/ })).toContainText(/2\d\d %/)
  await expect(ways.getByRole('row', { name: /^Rolls moved/ })).toBeVisible()
  await page.goto(`${demo}/jobs/job-46/read`)
  await expect(page.getByText(/^Out of limits: .*Roll 9 to Roll 10/)).toBeVisible()
  const levels = page.getByRole('region', { name: 'Level', exact: true })
  for (let n = 1; n <= 14; n++)
    await levels.getByLabel(`Level turned end for end, divisions, Roll ${n}`, { exact: true }).fill('')
  await expect(page.getByText('The level was read one way only.')).toBeVisible()
})

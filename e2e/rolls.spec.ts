import { expect, test } from './site'

test('a section of rolls from an empty site: levels turned, tapes, parallel is not square, a baseline, the moves, in mm and mil', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('rolls')
  await page.getByLabel('How many rolls').selectOption('2')
  await page.getByLabel('Line name').fill('Sheet line 3')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  const section = page.getByRole('region', { name: 'Dimensions' })
  await page.getByLabel('Face width, mm').fill('1600')
  await page.getByLabel('Housing spacing, mm').fill('1800')
  const roll = (n: number) => page.getByRole('group', { name: `Roll ${n}` })
  for (const n of [1, 2]) await roll(n).getByLabel('Diameter, mm').fill('200')
  await roll(2).getByLabel('Down the line, mm').fill('700')
  await section.getByLabel('Reference roll').selectOption('r1')
  await page.getByRole('link', { name: 'Go to Readings' }).click()

  await page.getByLabel('Distance between reading points, mm').fill('1500')
  const levels = page.getByRole('region', { name: 'Level', exact: true })
  await expect(page.getByText('Next: Roll 1, level, divisions toward the high far end.')).toBeVisible()
  await page.getByRole('button', { name: /^Enter (value|reading)$/ }).click()
  // by keyboard, row by row: zero of the level 1.5 divisions, both rolls level
  for (const value of ['1.5', '-1.5', '1.5', '-1.5']) {
    await page.keyboard.type(value)
    await page.keyboard.press('Tab')
  }
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await expect(levels.getByLabel('Level reversed, divisions, Roll 2')).toHaveValue('-1.5')
  const tapes = page.getByRole('region', { name: 'Tape to the next roll' })
  await tapes.getByLabel('Tape to the next roll, near end, Roll 1').fill('500.00')
  await tapes.getByLabel('Tape to the next roll, far end, Roll 1').fill('500.60')
  await expect(page.getByText('Out of limits: Roll 1 to Roll 2.')).toBeVisible()
  await expect(page.getByText(/Roll 1 to Roll 2: far edge 0\.64 ± [\d.]+ mm longer, limit 0\.16 mm\./)).toBeVisible()
  await expect(page.getByText('Square is relative to Roll 1 only.')).toBeVisible()

  await page.getByRole('link', { name: /Move/ }).first().click()
  const rolls = page.getByRole('region', { name: 'The rolls' })
  await expect(rolls.getByRole('row').nth(2)).toContainText(/0.64 ± [\d.]+ down the line/)
  await expect(rolls.getByRole('row').nth(2)).toContainText('Slide 0.72 mm down the line')
  await expect(page.getByText('Roll 2, near housing: slide 0.72 mm down the line.')).toBeVisible()
  await expect(page.getByText('Lock out and try drives. Release air.')).toBeVisible()
  await page.getByRole('radio', { name: 'mil' }).click()
  await expect(rolls.getByRole('row').nth(2)).toContainText('Slide 28.3 mil down the line')
  await page.getByRole('radio', { name: 'mm', exact: true }).click()
  const point = page.getByRole('region', { name: 'Set the instrument plane to the reference roll' })
  await point.getByLabel('Pivot to near target, mm').fill('400')
  await point.getByLabel('Near target to far target, mm').fill('1500')
  await point.getByLabel('Far target reading, near target at zero, mm').fill('-2.70')
  await expect(point).toContainText('Turn until the far target reads +0.72 mm.')
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  const sheet = await page.request.get(
    `${empty}${await page.getByRole('link', { name: 'Move sheet' }).getAttribute('href')}`,
  )
  expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-')

  await page.getByRole('link', { name: /Sign/ }).first().click()
  const reasons = page.getByPlaceholder('Accept, because …')
  await expect(reasons.first()).toBeVisible()
  for (let i = 0; i < (await reasons.count()); i++) await reasons.nth(i).fill('Moved in the next stop')
  await page.getByLabel('Done by').first().fill('S. B.')
  await page.getByRole('button', { name: 'Sign this job' }).click()
  await expect(page.getByText(/^Signed by S\. B\./).first()).toBeVisible()
})

test('fourteen rolls: one that will not go is named, not its neighbors; a mark that faces the other way; a level read one way', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-46/moves`)
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText('Roll 9 is out of limits and can’t be moved.')).toBeVisible()
  await expect(page.getByText(/^Roll 10, aisle housing/)).toHaveCount(0)
  const ways = page.getByRole('region', { name: 'Options for Roll 9 (can’t be moved)' })
  await expect(ways.getByRole('columnheader')).toHaveText([
    'Span',
    'Leave as is',
    'Move neighbors halfway',
    'Neighbors parallel, correct beyond',
  ])
  await expect(ways.getByRole('row', { name: /^Roll 9 – Roll 10/ })).toContainText(/2\d\d %/)
  await expect(ways.getByRole('row', { name: /^Rolls moved/ })).toBeVisible()
  await page.goto(`${demo}/jobs/job-46/readings`)
  await expect(page.getByText(/^Out of limits: .*Roll 9 to Roll 10/)).toBeVisible()
  const levels = page.getByRole('region', { name: 'Level', exact: true })
  for (let n = 1; n <= 14; n++)
    await levels.getByLabel(`Level reversed, divisions, Roll ${n}`, { exact: true }).fill('')
  await expect(page.getByText('The level was read one way only.')).toBeVisible()
})

test('two hundred rolls from a CSV: shown in stretches, the fewest moved for the web, out again as they came', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('rolls')
  await page.getByLabel('How many rolls').selectOption('2')
  await page.getByLabel('Line name').fill('Long section')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await page.getByLabel('Face width, mm').fill('1600')
  await page.getByLabel('Baseline offset from center line, mm').fill('1500')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await page.getByLabel('Distance between reading points, mm').fill('1500')
  const heading =
    'roll,down the line mm,up mm,diameter mm,level divisions,level turned divisions,scale near mm,scale far mm'
  const row = (n: number) => {
    const out = n === 120 ? 0.6 : n % 3 === 0 ? 0.03 : 0
    return `Roll ${n},${500 * (n - 1)},${n % 2 ? 0 : 300},160,0,0,10.00,${(10 + out).toFixed(2)}`
  }
  const rows = Array.from({ length: 200 }, (_, i) => row(i + 1))
  const sheet = page.getByRole('region', { name: 'as a table' })
  const bring = async (lines: string[]) => {
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      sheet.getByRole('button', { name: 'Import CSV' }).click(),
    ])
    await chooser.setFiles({ name: 'rolls.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\n')) })
  }
  await bring([heading, ...rows.slice(0, 4), 'Roll 5,2000,0,thick,0,0,10,10'])
  await expect(sheet.getByRole('alert')).toContainText('Row 6, column 4')
  await bring([heading, ...rows])
  await expect(sheet).toContainText('200 rows read.')
  await sheet.getByRole('button', { name: 'Replace' }).click()
  await expect(page.getByText(/^Out of limits: Roll 119 to Roll 120, Roll 120 to Roll 121\./)).toBeVisible()
  await page.getByLabel('Shown').selectOption({ label: 'Roll 101 to Roll 125' })
  const scales = page.getByRole('region', { name: 'Square, from the baseline or a swept plane' })
  await expect(scales.getByLabel('Scale, far end, Roll 120')).toHaveValue('+10.60')
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await page.getByRole('link', { name: /Move/ }).first().click()
  const rolls = page.getByRole('region', { name: 'The rolls' })
  await rolls.getByText('Fewest rolls', { exact: true }).click()
  await expect(rolls).toContainText('1 roll of 200 is moved.')
  // one list: the table and what is said beside it are the same plan
  await expect(page.getByText(/^Roll 120, near housing: slide 0\.\d\d mm down the line\.$/)).toBeVisible()
  await expect(page.getByText(/housing: /)).toHaveCount(1)
  await rolls.getByLabel('Shown').selectOption({ label: 'Roll 101 to Roll 125' })
  await expect(rolls.getByRole('row').filter({ hasText: 'Roll 120' })).toContainText(/Slide 0\.\d\d mm down the line/)
  await rolls.getByText('Every roll', { exact: true }).click()
  await expect(page.getByText(/housing: /).nth(5)).toBeAttached()
})

test('two stands on two floor marks: square from both; a mark that faces the other way is named from the numbers', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('rolls')
  await page.getByLabel('How many rolls').selectOption('4')
  await page.getByLabel('Line name').fill('From stand to stand')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await page.getByLabel('Face width, mm').fill('1600')
  await page.getByLabel('Reference roll').selectOption('r1')
  for (let n = 1; n <= 4; n++) {
    const roll = page.getByRole('group', { name: `Roll ${n}` })
    await roll.getByLabel('Diameter, mm').fill('200')
    if (n > 1) await roll.getByLabel('Down the line, mm').fill(String(900 * (n - 1)))
  }
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await page.getByLabel('Distance between reading points, mm').fill('1500')
  const scales = page.getByRole('region', { name: 'Square, from the baseline or a swept plane' })
  // the second stand looks 0.002 askew: 3.00 over 1500 on every roll that it reads
  const read: readonly (readonly [n: number, stand: string, near: string, far: string])[] = [
    [1, 'S1', '10.00', '10.00'],
    [2, 'S1', '10.00', '10.60'],
    [3, 'S2', '12.00', '9.00'],
    [4, 'S2', '12.00', '9.60'],
  ]
  for (const [n, stand, near, far] of read) {
    await scales.getByLabel(`Stand, Roll ${n}`).fill(stand)
    await scales.getByLabel(`Scale, near end, Roll ${n}`).fill(near)
    await scales.getByLabel(`Scale, far end, Roll ${n}`).fill(far)
  }
  const marks = page.getByRole('region', { name: 'Floor mark readings from each stand' })
  // three marks, so that one that faces the other way can be told: stand 2 reads 0.002 a mm of the line more
  const told: readonly (readonly [string, string, string, string])[] = [
    ['S1', 'M1', '0', '0'],
    ['S1', 'M2', '3000', '0'],
    ['S1', 'M3', '5000', '0'],
    ['S2', 'M1', '0', '1.00'],
    ['S2', 'M2', '3000', '7.00'],
    ['S2', 'M3', '5000', '11.00'],
  ]
  for (const [i, [stand, mark, x, value]] of told.entries()) {
    await marks.getByRole('button', { name: 'Add a mark reading' }).click()
    await marks.getByLabel('Stand', { exact: true }).nth(i).fill(stand)
    await marks.getByLabel('Mark', { exact: true }).nth(i).fill(mark)
    await marks.getByLabel('Down the line, mm').nth(i).fill(x)
    await marks.getByLabel('Reads, mm').nth(i).fill(value)
  }
  await page.getByRole('link', { name: /Move/ }).first().click()
  const rolls = page.getByRole('region', { name: 'The rolls' })
  await expect(rolls.getByRole('row').nth(2)).toContainText(/0.64 ± [\d.]+ down the line/)
  await expect(rolls.getByRole('row').nth(3)).toContainText('0.00 ±')
  await expect(rolls.getByRole('row').nth(4)).toContainText(/0.64 ± [\d.]+ down the line/)
  await page
    .getByRole('link', { name: /Readings/ })
    .first()
    .click()
  await marks.getByLabel('Reads, mm').nth(4).fill('-7.00')
  await expect(page.getByText('Mark M2 at stand S2 reads as if it faced the other way.')).toBeVisible()
})

test('both ends of the rolls taken from an indicator on the line, by keyboard alone; before and after of every roll', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('rolls')
  await page.getByLabel('How many rolls').selectOption('2')
  await page.getByLabel('Line name').fill('Slitter')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await page.getByLabel('Face width, mm').fill('1600')
  await page.getByLabel('Baseline offset from center line, mm').fill('1500')
  const roll = (n: number) => page.getByRole('group', { name: `Roll ${n}` })
  for (const n of [1, 2]) await roll(n).getByLabel('Diameter, mm').fill('200')
  await roll(2).getByLabel('Down the line, mm').fill('700')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await page.getByLabel('Distance between reading points, mm').fill('1500')
  const device = page.getByRole('region', { name: 'Indicator' })
  await device.getByRole('button', { name: 'Connect' }).press('Enter')
  const scales = page.getByRole('region', { name: 'Square, from the baseline or a swept plane' })
  await device.getByRole('button', { name: 'Capture when steady' }).press('Enter')
  for (const [n, end] of [
    [1, 'near'],
    [1, 'far'],
    [2, 'near'],
    [2, 'far'],
  ] as const)
    await expect(scales.getByLabel(`Scale, ${end} end, Roll ${n}`)).not.toHaveValue('', { timeout: 20_000 })
  const levels = page.getByRole('region', { name: 'Level', exact: true })
  for (const n of [1, 2]) {
    await levels.getByLabel(`Level, divisions toward the high far end, Roll ${n}`).fill('0')
    await levels.getByLabel(`Level reversed, divisions, Roll ${n}`).fill('0')
  }
  // as it lies is the rig's own business; from here on it is known
  for (const [n, far] of [
    [1, '5.00'],
    [2, '5.60'],
  ] as const) {
    await scales.getByLabel(`Scale, near end, Roll ${n}`).fill('5.00')
    await scales.getByLabel(`Scale, far end, Roll ${n}`).fill(far)
  }
  await page.getByRole('link', { name: /Move/ }).first().click()
  const rolls = page.getByRole('region', { name: 'The rolls' })
  await expect(rolls.getByRole('row').nth(2)).toContainText(/0.64 ± [\d.]+ down the line/)
  await expect(rolls).not.toContainText('was ')
  await page.getByRole('button', { name: 'Moves done: start next round' }).click()
  await page
    .getByRole('link', { name: /Readings/ })
    .first()
    .click()
  for (const n of [1, 2]) {
    await levels.getByLabel(`Level, divisions toward the high far end, Roll ${n}`).fill('1')
    await levels.getByLabel(`Level reversed, divisions, Roll ${n}`).fill('1')
  }
  await page.getByRole('link', { name: /Move/ }).first().click()
  await expect(rolls.getByRole('row').nth(2)).toContainText(/was 0\.64 ± [\d.]+ down the line/)
})

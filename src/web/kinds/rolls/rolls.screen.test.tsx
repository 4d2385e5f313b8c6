import { expect, test } from '../../../testing/screen'

test('a call about trouble: where it shows, two looks set up anew, what may correct it; then a pivoting roll’s play and a closing tape', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-46/readings`)
  // the plant's own call: the way of the far edge is longer, and the aisle edge hangs slack as it should
  await expect(page.getByText(/^The web path is 0\.\d\d mm longer at the drives edge\.$/)).toBeVisible()
  await expect(
    page.getByText(/That makes the aisle edge slack\. The hand reading is good to ± 0\.\d\d mm/),
  ).toBeVisible()
  const call = page.getByRole('region', { name: 'Trouble call' })
  await call.getByLabel('Slack edge').selectOption('drives')
  await expect(page.getByText(/Observation and readings disagree/)).toBeVisible()
  await call.getByLabel('Slack edge').selectOption('aisle')
  await call.getByLabel('Reading 2, drives end, mm').fill('')
  await expect(page.getByText('Read again: remove the tool and set it up again.')).toBeVisible()
  await page.reload()
  await expect(call.getByLabel('Reading 2, drives end, mm')).toHaveValue('')
  await call.getByRole('button', { name: 'Delete this trouble call' }).click()
  await expect(page.getByText('Read again: remove the tool and set it up again.')).toBeHidden()
  await call.getByRole('heading').click()
  await call.getByRole('button', { name: 'Start a trouble call' }).click()
  await expect(page.getByText(/find where it starts\.$/)).toBeVisible()

  const further = page.getByRole('region', { name: 'Further readings' })
  await further.getByRole('heading', { name: 'Further readings' }).click()
  await further.getByRole('button', { name: 'Add a further reading' }).click()
  await further.getByLabel('Reading type').selectOption('direct')
  await further.getByLabel('Roll', { exact: true }).selectOption('r9')
  await further.getByLabel('Square, mm/m, + down the line').fill('0.30x')
  await expect(page.getByText(/^Roll 9, further reading: not a number\.$/)).toBeVisible()
  await further.getByLabel('Square, mm/m, + down the line').fill('0.30')
  await expect(page.getByText(/^Roll 9, further reading/)).toBeHidden()

  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-46/dimensions`)
  const roll = page.getByRole('group', { name: 'Roll 7', exact: true })
  await roll.getByLabel('Pivots in service').check()
  const monuments = page.getByRole('region', { name: /^Monuments/ })
  await expect(monuments.getByLabel('Name').first()).toHaveValue('M1')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  const strokes = page.getByRole('region', { name: 'Pivoting rolls, over their stroke' })
  for (const [place, up, down] of [
    ['One end', '0', '0.30'],
    ['Middle', '0.02', '0.02'],
    ['Other end', '0.04', '0.02'],
  ]) {
    await strokes.getByLabel(`${place}, approached upward, Roll 7`).fill(up ?? '')
    await strokes.getByLabel(`${place}, approached downward, Roll 7`).fill(down ?? '')
  }
  await expect(page.getByText(/^Roll 7 has play: 0\.33 mm over the face\.$/)).toBeVisible()
  await strokes.getByLabel('One end, approached downward, Roll 7').fill('0')
  await expect(page.getByText('Roll 7 stays square over its whole stroke.')).toBeVisible()
})

test('on an inch line lengths are inches, every cell and head says so, and a tape in another unit is doubted', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-46/readings`)
  await page.getByText('mil', { exact: true }).click()
  const tapes = page.getByRole('region', { name: 'Tape to the next roll' })
  const near = tapes.getByLabel('Tape to the next roll, aisle end, Roll 1, in', { exact: true })
  await expect(tapes.getByRole('columnheader', { name: 'Aisle end, in' })).toBeVisible()
  await near.fill('27.83')
  await expect(near).toHaveValue('27.83')
  await page.getByText('mm', { exact: true }).click()
  await expect(tapes.getByLabel('Tape to the next roll, aisle end, Roll 1, mm', { exact: true })).toHaveValue(/^706\.9/)
  await expect(page.getByText(/: check the unit\.$/)).toHaveCount(0)
  for (const end of ['aisle', 'drives'])
    await tapes.getByLabel(`Tape to the next roll, ${end} end, Roll 1, mm`, { exact: true }).fill('0.71')
  await expect(page.getByText('Tape from Roll 1 to Roll 2: check the unit.')).toBeVisible()
})

test('readings that contradict each other are not sure; the slip is named, tried and applied', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-46/readings`)
  const levels = page.getByRole('region', { name: 'Level', exact: true })
  const cell = levels.getByLabel('Level, divisions toward the high drives end, Roll 2', { exact: true })
  await cell.fill('40')
  await expect(page.getByText(/^Not sure: the readings contradict each other\. Check Roll 2, level/)).toBeVisible()
  await page
    .getByRole('button', { name: /^Try (this|correction|the)/ })
    .first()
    .click()
  await expect(page.getByText(/^As if Roll 2, level/)).toBeVisible()
  await page.getByRole('button', { name: 'Apply' }).click()
  await expect(page.getByText(/^Not sure: the readings contradict/)).toHaveCount(0)
})

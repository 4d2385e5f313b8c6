import { expect, type Page, test } from '../../../../testing/screen'

const card = (page: Page, name: string) => page.getByRole('region', { name, exact: true })

test('the packs and the room under the feet are typed, in mil, and the shims come from the kit', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-3/moves?round=r1`)
  await page.goto(`${demo}/jobs/job-5/readings`)
  await page.getByText('mil', { exact: true }).click()
  const typed = { 'Motor dial': [-12, -6, 5, -1], 'Pump dial': [3, -4, -12, -5] }
  for (const [dial, values] of Object.entries(typed))
    for (const [i, side] of ['top', 'dryer', 'bottom', 'stair'].entries())
      await page.getByLabel(`${dial}, ${side}, mil`, { exact: true }).fill(String(i === 0 ? 0 : values[i]))
  await page.goto(`${demo}/jobs/job-5/moves`)
  await page.getByLabel('Shims for the motor').selectOption({ label: 'Inch shims, slot 13/16' })
  for (const end of ['front', 'back'])
    for (const side of ['stair', 'dryer'])
      await page.getByLabel(`Shims under Motor, ${end} feet, ${side} foot, mil`).fill('50 + 25')
  const front = card(page, 'Motor, front feet, vertical')
  const told = await front.textContent()
  const move = Number(/(\d+\.\d) mil of shim/.exec(told ?? '')?.[1]) * (/add/i.test(told ?? '') ? 1 : -1)
  await expect(front).toContainText(/ut in|ake out/)
  const total = (text: string) => text.split('+').reduce((sum, one) => sum + Number(one), 0)
  const acts = (await front.locator('p').filter({ hasText: 'ut in' }).first().textContent()) ?? ''
  const out = /ake out ([\d. +]+)/.exec(acts)?.[1] ?? '0'
  const change = total(/ut in ([\d. +]+)/.exec(acts)?.[1] ?? '0') - total(out)
  expect(Math.abs(change - move)).toBeLessThanOrEqual(0.6)
  // no room to go where it should: said, in the unit shown
  await front.getByText('Limits').click()
  await front.getByLabel(move < 0 ? 'Maximum down, mil' : 'Maximum up, mil').fill('1')
  await expect(page.getByText(/Motor, front feet: (base-bound|out of shim travel upward) by [\d.]+ mil/)).toBeVisible()
  await page.getByText('mm', { exact: true }).click()
  await expect(page.getByText(/Motor, front feet: (base-bound|out of shim travel upward) by [\d.]+ mm/)).toBeVisible()
})

test('at the jack bolts: two moves on a simulated rig finish, and tightening shifts it a little', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-18/moves`)
  await page.getByRole('button', { name: 'Hold two feet' }).click()
  await page.getByRole('radio', { name: 'both planes' }).click()
  const bolts = card(page, 'At the bolts')
  await bolts.getByRole('heading', { name: 'At the jack bolts' }).click()
  await bolts.getByText('Motor', { exact: true }).click()
  await bolts.getByRole('button', { name: 'Try it on a simulated rig' }).click()
  const still = bolts.getByRole('status', { name: 'To go' })
  await expect(still).toContainText(/0\.1\d mm to go toward aisle/)
  const back = still.locator('div').filter({ hasText: 'Motor, back feet' }).last()
  await back.getByRole('button', { name: '0.10 aisle' }).click()
  await expect(still).toContainText(/0\.0\d mm to go toward aisle|In position/)
  await back.getByRole('button', { name: '0.10 aisle' }).click()
  await expect(still).toContainText(/mm too far: go back toward boiler/)
  await back.getByRole('button', { name: '0.10 boiler' }).click()
  await expect(still).not.toContainText('too far')
  await bolts.getByRole('button', { name: 'Tighten the bolts' }).click()
  await bolts.getByRole('button', { name: 'Disconnect' }).click()
  await expect(bolts.getByRole('button', { name: 'Try it on a simulated rig' })).toBeVisible()
})

test('at the jack bolts: what the dials show is typed, and what is left is told', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-4/moves`)
  const bolts = card(page, 'At the bolts')
  await bolts.getByRole('heading', { name: 'At the jack bolts' }).click()
  await expect(bolts).toContainText(/Push the back feet 0\.52 mm toward door: stop at/)
  await expect(bolts).toContainText(/It would take \d+ moves; each pass of two leaves \d+ % of the error/)
  const rows = bolts.locator('tbody tr')
  const finish = async (column: number) => {
    for (const row of await rows.all()) {
      const text = (await row.locator('td').nth(column).textContent()) ?? ''
      await row.getByRole('textbox').fill(text.replace('−', '-'))
    }
  }
  await finish(1) // the first stop: one foot is there
  const still = bolts.getByRole('status', { name: 'To go' })
  await expect(still).toContainText('In position')
  await expect(still).toContainText(/0\.\d\d mm to go toward door/)
  await finish(2)
  await expect(bolts.getByText('Tighten in sequence and watch the dials')).toBeVisible()
})

test('moved and read again: what was expected stands beside what came, and a forgotten shim is named', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-21/moves`)
  const outcome = card(page, 'Result of the move')
  await expect(outcome).toContainText(/Motor, back feet came out 0\.\d\d mm lower than planned/)
  await expect(outcome).toContainText('wrong shim thickness')
  // put right what was really done, and it is as expected
  await outcome.getByLabel('Motor, back feet, moved, vertical, mm').fill('0.2')
  await expect(outcome).toContainText('The last move came out as planned')
  await page.reload()
  await expect(outcome).toContainText('The last move came out as planned')
})

test('what the next readings should be is what comes to stand in the next round', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-12/moves`)
  const next = card(page, 'Expected readings')
  await next.getByRole('heading', { name: 'Expected readings after this move' }).click()
  await expect(next).toContainText('Motor dial')
  const bottom = next
    .getByRole('row', { name: /^Motor dial/ })
    .locator('td')
    .nth(2)
  await expect(bottom).toHaveText('−0.14') // its sag: in line
  await page.getByRole('button', { name: 'Moves done: start next round' }).click()
  await expect(page.getByText('Round 2', { exact: false }).first()).toBeVisible()
})

test('growth from two rounds, cold and hot', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-1/dimensions`)
  await page.goto(`${demo}/jobs/job-4/dimensions`)
  const both = card(page, 'Read cold and hot')
  await both.getByLabel('Cold: which round').selectOption({ label: 'Job 4, Vibration rising, round 1' })
  await both.getByLabel('Hot: which round').selectOption({ label: 'Job 1, New installation, round 2' })
  await expect(both).toContainText(/Motor, back feet\s*rises|Motor, back feet\s*sinks/)
  await both.getByRole('button', { name: 'Use this growth' }).click()
  await expect(card(page, 'Thermal growth').getByLabel('Source of figure').first()).toHaveValue(/round 2 hot/)
})

test('a shelf of shims is kept in the kit', async ({ page, demo }) => {
  await page.goto(`${demo}/kit`)
  await page.getByRole('button', { name: 'Add a shim stock' }).click()
  const shelf = card(page, 'Shims')
  await shelf.getByLabel('Name').fill('Shims, slot 33')
  await shelf.getByLabel('Quantity of thickness 1', { exact: true }).fill('0')
  await shelf.getByRole('button', { name: 'Add thickness' }).click()
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.reload()
  await expect(shelf.getByLabel('Quantity of thickness 1', { exact: true })).toHaveValue('0')
  await page.goto(`${demo}/jobs/job-20/moves`)
  await page.getByLabel('Shims for the motor').selectOption({ label: 'Shims, slot 33' })
  await expect(card(page, 'Motor, back feet, vertical')).not.toContainText('0.05 mm')
})

test('where the fixed machine has its feet is asked for by the plans that move it, and by nothing else', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-6/dimensions`)
  for (const end of ['front', 'back']) await page.getByLabel(new RegExp(`^Pump, ${end} feet, distance from`)).fill('')
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page.getByText(/distance missing/)).toHaveCount(0)
  await page.goto(`${demo}/jobs/job-6/moves`)
  await page.getByRole('button', { name: 'Change plan' }).click()
  const held = page.getByRole('row', { name: 'Two feet held' })
  await expect(held).toContainText(/enter the distance of .*pump, front feet/i)
  await expect(held.getByRole('button')).toHaveCount(0)
  await expect(card(page, 'Motor, front feet, vertical')).toBeVisible()
})

test('no room downward: two feet are held in height alone, and sideways stays as it was', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-18/moves`)
  const sideways = card(page, 'Motor, back feet, horizontal')
  const before = await sideways.locator('p').first().textContent()
  await page.getByRole('button', { name: 'Hold two feet' }).click()
  const which = page.getByRole('radiogroup', { name: 'Held in which plane' })
  await expect(which.getByRole('radio', { name: 'height only' })).toBeChecked()
  await expect(sideways).toContainText(before ?? '')
  await which.getByRole('radio', { name: 'both planes' }).click()
  await expect(which.getByRole('radio', { name: 'both planes' })).toBeChecked()
})

test('limits by speed alone: the built-in table gives a verdict where nobody knows the diameter', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-6/dimensions`)
  await page.getByRole('button', { name: 'Open Coupling' }).click()
  await page.getByLabel('Diameter, mm').fill('')
  const tolerance = page.getByRole('region', { name: 'Tolerance' })
  await tolerance.getByRole('heading', { name: 'Tolerance' }).click()
  await tolerance.getByRole('radio', { name: /table/i }).click()
  await tolerance.getByLabel('Table', { exact: true }).selectOption('by-speed')
  await expect(tolerance.getByText(/A default of this program, for a coupling of about 160 mm/)).toBeVisible()
  await expect(tolerance.getByText(/0\.0\d+ mm/).first()).toBeVisible()
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page.getByText(/without a tolerance|no verdict/)).toHaveCount(0)
})

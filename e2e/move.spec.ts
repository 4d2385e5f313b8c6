import { expect, test } from './site'

const card = (page: import('@playwright/test').Page, name: string) => page.getByRole('region', { name, exact: true })

test('a base-bound motor: two stations are held, packs and pick list follow, and a reload loses nothing', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-18/moves`)
  await expect(page.getByRole('heading', { name: /Motor, front feet: base-bound by 0\.1\d mm/ })).toBeVisible()
  await expect(page.getByRole('heading', { name: /Motor, back feet: base-bound by 0\.4\d mm/ })).toBeVisible()
  await page.getByRole('button', { name: 'Hold two feet' }).click()
  await expect(page.getByText(/base-bound by/)).toHaveCount(0)
  const ways = page.getByRole('table', { name: 'Options' })
  await expect(ways.getByRole('row', { name: 'Two feet held' })).toContainText('yes')
  await expect(ways.getByRole('row', { name: 'Fixed machine' })).toContainText('no: 2 limits in the way')
  // one of the held stations may be another: what has to be done follows
  await page.getByLabel('Held feet').selectOption({ label: 'Pump, front feet' })
  await expect(card(page, 'Pump, front feet, vertical')).toContainText('No shim change')
  await expect(card(page, 'Pump, back feet, vertical')).toContainText(/Add|Take out/)
  await page.getByRole('button', { name: 'Best two' }).click()
  const picks = card(page, 'Pick list')
  await expect(picks).toContainText(/\d × \d\.\d+ mm/)
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  const before = await picks.textContent()
  await page.reload()
  await expect(picks).toHaveText(before ?? '')
  const href = await page.getByRole('link', { name: 'Move sheet' }).getAttribute('href')
  expect((await page.request.get(`${demo}${href}`)).headers()['content-type']).toBe('application/pdf')
})

test('a bolt-bound train: the planner finds the least moves, can be stopped, and says what is limits in the way', async ({
  page,
  demo,
}) => {
  // the planner is slow to hear, so that it can be stopped
  await page.addInitScript(() => {
    const hands = window as unknown as { letGo: () => void }
    const held = new Promise<void>((go) => {
      hands.letGo = go
    })
    window.Worker = class extends Worker {
      override postMessage(message: unknown, more?: unknown) {
        void held.then(() => super.postMessage(message, more as Transferable[]))
      }
    }
  })
  await page.goto(`${demo}/jobs/job-19/moves`)
  await expect(page.getByText(/Finding the fewest moves/)).toBeVisible()
  // the page goes on meanwhile
  await page.getByLabel('Residual allowed, % of tolerance').fill('40')
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByText('Stopped. Nothing was changed.')).toBeVisible()
  await page.evaluate(() => (window as unknown as { letGo: () => void }).letGo())
  const least = page.getByRole('row', { name: 'Fewest moves' })
  // what was typed before the stop may have asked anew after it: then there is nothing to be tried again
  const again = page.getByRole('button', { name: 'Try again' })
  await expect(again.or(least.filter({ hasText: 'yes' }))).toBeVisible()
  // it may come by itself between the look and the press
  if (await again.isVisible()) await again.press('Enter', { timeout: 5000 }).catch(() => undefined)
  await expect(least).toContainText('yes')
  await expect(page.getByRole('row', { name: 'Fixed machine' })).toContainText('limits in the way')
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText(/should then be within|may then be within/).first()).toBeVisible()
  // in line exactly is more than these bolts allow
  await page.getByLabel('Residual allowed, % of tolerance').fill('0')
  for (const machine of ['Motor', 'Gearbox'])
    for (const end of ['front', 'back']) {
      const room = card(page, `${machine}, ${end} feet, horizontal`)
      await room.getByLabel('Maximum toward window, mm').fill('0')
      await room.getByLabel('Maximum toward sheet, mm').fill('0')
    }
  await expect(least).toContainText('limits in the way')
  await expect(page.getByText(/bolt-bound toward/).first()).toBeVisible()
})

test('the target line is dragged on the drawing, by mouse and by keys, and taken back', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-20/moves`)
  const back = card(page, 'Motor, back feet, vertical')
  await expect(back).toContainText('Add 0.07 mm of shim')
  const grip = page.getByRole('slider', { name: 'Target line at Motor, back feet, vertical' })
  const box = await grip.boundingBox()
  if (!box) throw new Error('no grip')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x, y + 6, { steps: 3 })
  await page.mouse.move(x, y + 12, { steps: 3 })
  // before it is let go
  await expect(back).not.toContainText('Add 0.07 mm of shim')
  await page.mouse.up()
  await expect(page.getByRole('radio', { name: 'Custom target' })).toBeChecked()
  const dragged = await back.textContent()
  await grip.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown')
  await expect(back).not.toHaveText(dragged ?? '')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(back).toContainText('Add 0.07 mm of shim')
  // it stops where a foot has nothing left to give
  await back.getByText('Limits').click()
  await back.getByLabel('Maximum up, mm').fill('0.08')
  const now = await grip.boundingBox()
  if (!now) throw new Error('no grip')
  await page.mouse.move(now.x + now.width / 2, now.y + now.height / 2)
  await page.mouse.down()
  await page.mouse.move(now.x + now.width / 2, now.y - 10, { steps: 4 })
  await page.mouse.move(now.x + now.width / 2, now.y - 40, { steps: 4 })
  await expect(page.getByText('Motor, back feet: out of shim travel upward')).toBeVisible()
  await expect(back).toContainText('Add 0.08 mm of shim')
  await page.mouse.up()
})

test('growth by heat is entered on the line, and the cold target follows', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-12/moves`)
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText('No thermal growth entered for this line.')).toBeVisible()
  const front = card(page, 'Motor, front feet, vertical')
  const cold = await front.textContent()
  await page.getByRole('button', { name: 'Go to Dimensions' }).click()
  const growth = card(page, 'Thermal growth')
  await growth.getByRole('heading', { name: 'Thermal growth' }).click()
  await growth.getByRole('button', { name: 'Enter growth' }).click()
  for (const end of ['front', 'back']) {
    const foot = growth.getByRole('listitem', { name: `Pump, ${end} feet, growth` })
    await foot.getByRole('combobox', { name: /^Source/ }).selectOption({ label: 'material and temperatures' })
    await foot.getByLabel('Foot to shaft center, mm').fill('300')
    await foot.getByLabel('Cold, °C').fill('15')
    await foot.getByLabel('Running, °C').fill('85')
    await expect(foot).toContainText('rises 0.22 mm')
  }
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-12/moves`)
  await expect(page.getByText('No thermal growth entered for this line')).toHaveCount(0)
  await expect(front).not.toHaveText(cold ?? '')
})

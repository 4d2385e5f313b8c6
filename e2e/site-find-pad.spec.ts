import { seriousOn } from './screens'
import { expect, test } from './site'

test('everything is found as it is typed, and what is asked is done, by keyboard alone', async ({ page, plant }) => {
  await page.goto(plant)
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible()
  await page.keyboard.press('Control+k')
  const dialog = page.getByRole('dialog', { name: 'Search everything' })
  await expect(dialog).toBeVisible()
  await page.keyboard.type('bleach')
  await expect(dialog.getByRole('option', { name: /^Bleach pump 2/ }).first()).toBeVisible()
  await expect(dialog.getByRole('option', { name: 'Logbook of Bleach pump 2' })).toBeVisible()
  expect(await seriousOn(page)).toEqual([])
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/lines\/line-\d+\/logbook$/)
  await expect(page.getByRole('heading', { name: 'Logbook' })).toBeVisible()

  // a job by its number, a note by a word in it, whatever stands on the letters
  await page.keyboard.press('Control+k')
  await page.keyboard.type('job 5 seal')
  await expect(dialog.getByRole('option').first()).toContainText('job 5, Seal replaced')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/jobs\/job-5\/readings/)
  // and an act of this job
  await page.keyboard.press('Control+k')
  await page.keyboard.type('this job verify')
  await expect(dialog.getByRole('option', { name: 'This job: Verify' })).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/jobs\/job-5\/verify/)
  await page.keyboard.press('Control+k')
  await page.keyboard.type('zebra')
  await expect(dialog.getByText('No results for “zebra”.')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Escape')
  await expect(dialog).toHaveCount(0)
})

test('the site: what is overdue, what drifted most, what the work costs; a check made due from there', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/site`)
  const table = page.getByRole('table', { name: 'Site overview' })
  await expect(table.getByRole('row', { name: /Bleach pump 2/ })).toContainText('toward drain')
  await expect(table.getByRole('row', { name: /Scrubber fan/ })).toContainText('none')
  await page.getByRole('radio', { name: 'Largest drift first' }).click()
  await expect(page).toHaveURL(/order=drift/)
  await expect(table.locator('tbody tr').first()).toContainText('Dryer circulation pump')
  await page.getByRole('radio', { name: 'mil' }).click()
  await expect(table.locator('tbody tr').first()).toContainText('mil up')
  await expect(page.getByRole('table', { name: 'Work by method' })).toContainText('Reverse dials')
  await page.getByRole('radio', { name: 'Overdue first' }).click()
  const first = table.locator('tbody tr').first()
  await expect(first).toContainText('overdue since')
  await expect(first).toContainText('–')
  const name = (await first.getByRole('link').first().textContent()) ?? ''
  await first.getByRole('link').first().click()
  await page.getByRole('button', { name: /^Schedule a job for/ }).click()
  await expect(page.getByText('The job is in Jobs.')).toBeVisible()
  await page.goto(`${demo}/site?order=due`)
  await expect(table.getByRole('row', { name: new RegExp(name) })).not.toContainText('–')
})

test.describe('with gloves on', () => {
  test.use({ hasTouch: true, viewport: { width: 1180, height: 820 } })
  test('the pad types a reading, its sign, a whole turn, and goes on in turning order; in Seat and at the bolts too', async ({
    page,
    demo,
  }) => {
    await page.addInitScript(() => {
      const said: string[] = []
      Object.assign(window, { said })
      Object.defineProperty(window, 'speechSynthesis', {
        value: { cancel: () => undefined, speak: ({ text }: { text: string }) => said.push(text) },
      })
    })
    await page.goto(`${demo}/jobs/job-5/readings`)
    await page.getByRole('button', { name: 'Glove pad: large keys for entry' }).tap()
    const pad = page.getByRole('region', { name: 'Glove pad' })
    await expect(pad).toContainText('Tap a field to type into.')
    await pad.getByRole('button', { name: 'Speak entries' }).tap()
    const bottom = page.getByLabel('Motor dial, bottom, mil')
    await bottom.tap()
    await expect(bottom).toHaveAttribute('inputmode', 'none')
    const keys = ['0', 'Decimal point', '3', '4', 'Delete last digit', '1', 'Reverse the sign']
    for (const key of keys) await pad.getByRole('button', { name: key, exact: true }).tap()
    await expect(bottom).toHaveValue('-0.31')
    await expect(pad.locator('b')).toHaveText('−0.31')
    await pad.getByRole('button', { name: 'Add one turn' }).tap()
    await expect(page.getByText('+1 turn', { exact: true }).first()).toBeVisible()
    await pad.getByRole('button', { name: 'Subtract one turn' }).tap()
    await pad.getByRole('button', { name: 'Next' }).tap()
    await expect(page.getByLabel('Motor dial, stair, mil')).toBeFocused()
    await pad.getByRole('button', { name: 'Previous' }).tap()
    await expect(bottom).toBeFocused()
    const said = await page.evaluate(() => (window as unknown as { said: string[] }).said)
    expect(said[0]).toBe('Motor dial, bottom, mil: minus 0.31')
    // keys for gloves
    for (const key of await pad.locator('div button').all()) {
      const box = (await key.boundingBox())!
      expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(56)
    }
    expect(await seriousOn(page)).toEqual([])
    await expect(page.getByText(/^Saved \d\d:\d\d/)).toBeVisible()
    await page.reload()
    await expect(bottom).toHaveValue('−0.31')

    await page.goto(`${demo}/jobs/job-9/soft-foot`)
    const rise = page.locator('input[data-quantity]:visible').first()
    await rise.tap()
    await pad.getByRole('button', { name: '7', exact: true }).tap()
    await expect(rise).toHaveValue('7')
    await pad.getByRole('button', { name: 'Next' }).tap()
    await expect(page.locator('input[data-quantity]:visible').nth(1)).toBeFocused()
    await page.goto(`${demo}/jobs/job-18/moves`)
    await page.locator('details:has(input[data-quantity]) > summary').first().tap()
    await page.locator('input[data-quantity]:visible').first().tap()
    await expect(pad.locator('header span').first()).not.toHaveText('Tap a field to type into.')
    await pad.getByRole('button', { name: 'Close glove pad' }).tap()
    await expect(pad).toHaveCount(0)
  })
})

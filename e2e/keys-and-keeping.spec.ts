import type { Page } from '@playwright/test'
import { expect, test } from './site'

const focused = (page: Page) =>
  page.evaluate(() => {
    const { activeElement: at } = document
    return at === document.body ? 'body' : `${at?.tagName} ${at?.getAttribute('aria-label') ?? at?.textContent ?? ''}`
  })

test('the keyboard is never lost: shortcuts, headings, undo, add and take away', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page).toHaveTitle(/^Readings · Job 6, After overhaul · Rinse pump 3 · Vane Peg$/)
  const cell = page.getByLabel('Motor dial, bottom, mm')
  await cell.focus()
  await page.keyboard.type('4')
  await expect(cell).toHaveValue('4')
  await page.keyboard.press('Control+z')
  await expect(cell).toHaveValue('−0.42')
  await expect(cell).toBeFocused()
  // in a field digits are digits; out of it they lead on
  await page.keyboard.press('Escape')
  await page.keyboard.press('4')
  await expect(page).toHaveURL(/moves$/)
  await expect(page.getByRole('heading', { name: 'Moves', exact: true })).toBeFocused()
  await expect(page).toHaveTitle(/^Moves · Job 6/)
  await page.keyboard.press('3')
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeFocused()
  await page.getByRole('button', { name: 'Repeat the set' }).press('Enter')
  expect(await focused(page)).not.toBe('body')
  await page.getByRole('button', { name: 'Set up dials' }).last().press('Enter')
  await page.getByRole('button', { name: 'Remove this set' }).last().press('Enter')
  expect(await focused(page)).not.toBe('body')
  await expect(page.getByText('This also removes 0 readings. Undo restores it.')).toBeVisible()
  await page.getByRole('button', { name: 'Remove this set' }).last().press('Enter')
  await expect(page.getByRole('heading', { level: 1 })).toHaveCount(1)
  await expect.poll(() => focused(page)).not.toBe('body')
  // a button that has nothing left to do hands the keyboard on
  const back = page.getByRole('button', { name: 'Undo' })
  await back.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('Enter')
  await expect.poll(() => focused(page)).not.toBe('body')
})

test('a screen stays where it was left: another address begins at its top, a reload does not', async ({
  page,
  demo,
}) => {
  const top = () => page.evaluate(() => window.scrollY)
  await page.goto(`${demo}/jobs/job-6/dimensions`)
  await expect(page.getByRole('heading', { name: 'Tolerance' })).toBeVisible()
  await page.mouse.wheel(0, 190)
  await expect.poll(top).toBe(190)
  // an address typed into the same tab is no way back, however alike its place in the history
  await page.goto(`${demo}/jobs/job-6/sign`)
  await page.getByRole('button', { name: 'Show the record' }).click()
  await expect(page.getByRole('article', { name: 'Print preview' })).toBeVisible()
  expect(await top()).toBe(0)
  await page.mouse.wheel(0, 120)
  await expect.poll(top).toBe(120)
  await page.getByRole('link', { name: /Dimensions/ }).click()
  await expect(page.getByRole('heading', { name: 'Tolerance' })).toBeVisible()
  expect(await top()).toBe(0)
  await page.mouse.wheel(0, 240)
  await expect.poll(top).toBe(240)
  await page.reload()
  await expect.poll(top).toBe(240)
})

test('a job is put away from its line screen and brought back, a line is duplicated and put away', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-6/dimensions`)
  await page.getByRole('button', { name: 'Archive this job' }).click()
  await expect(page.getByText(/Removes this job \(.*\d+ readings\) from Jobs/)).toBeVisible()
  await page.getByRole('button', { name: 'Archive this job' }).click()
  await expect(page.getByText('Job 6 is archived.')).toBeVisible()
  await expect(page.getByText(/job 6(?!\d)/)).toHaveCount(0)
  await page.getByRole('button', { name: 'Restore' }).click()
  await expect(page.getByText(/job 6$/)).toBeVisible()
  await page.getByLabel('Search lines and jobs').fill('job 14')
  await expect(page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')).toHaveCount(1)
  await page.getByLabel('Search lines and jobs').fill('_')
  await expect(page.getByText('No jobs match.')).toBeVisible()

  await page.getByRole('link', { name: 'Machine lines' }).click()
  await expect(page.getByRole('heading', { name: 'Machine lines', exact: true })).toBeVisible()
  await page.getByLabel('Search lines').fill('brine gearbox')
  await page.getByRole('link', { name: /Brine blower train/ }).click()
  await page.getByRole('button', { name: 'Duplicate this line' }).click()
  await expect(page.getByLabel('Line name')).toHaveValue('Brine blower train (copy)')
  await page.getByRole('button', { name: 'Archive this line' }).click()
  await page.getByRole('button', { name: 'Archive this line' }).click()
  await expect(page.getByText('Brine blower train (copy) is archived.')).toBeVisible()
  await page.getByRole('radio', { name: 'Archived' }).click()
  await page.getByRole('listitem').getByRole('button', { name: 'Restore' }).click()
  await page.getByRole('radio', { name: 'Active' }).click()
  await expect(page.getByRole('link', { name: /Brine blower train \(copy\)/ })).toBeVisible()
})

test('a machine goes in on the left and between, one comes out, and take back restores it all', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/lines/line-1`)
  const machines = page.getByRole('region', { name: 'Machines and feet' })
  const names = machines.getByLabel('Name', { exact: true })
  await expect(names).toHaveCount(2)
  await page.getByLabel('Add a machine').selectOption('0')
  await page.getByRole('button', { name: 'Insert machine' }).click()
  await expect(names).toHaveCount(3)
  await expect(names.first()).toHaveValue('Machine')
  await names.first().fill('Turbine')
  await page.getByRole('button', { name: 'Open Pump' }).click()
  await page.getByRole('button', { name: 'Remove the pump' }).click()
  await expect(page.getByText(/This also removes its 2 pairs of feet and one coupling/)).toBeVisible()
  await page.getByRole('button', { name: 'Remove the pump' }).click()
  await expect(names).toHaveCount(2)
  await page.keyboard.press('Control+z')
  await expect(names).toHaveCount(3)
  await expect(names.nth(1)).toHaveValue('Pump')
  await page.getByRole('heading', { name: 'Reference marks' }).click()
  await page.getByRole('button', { name: 'Add a hub face' }).click()
  const marks = page.getByRole('region', { name: 'Marks' })
  await marks.getByLabel('Distance, mm').fill('-12')
  await expect(marks.getByText(/x = −12 mm/)).toBeVisible()
  await page.reload()
  await expect(marks.getByText(/x = −12 mm/)).toBeVisible()
})

test('dial to dial is halved, a dial hangs from another, and a pasted column fills the cells', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await page.getByRole('button', { name: 'Set up dials' }).click()
  const box = page.getByRole('region', { name: 'Dials and brackets' })
  await box.getByLabel('Or dial to dial, mm').fill('171')
  await box.getByRole('button', { name: /Coupling at the center, 85\.5 mm to each/ }).click()
  await expect(box.getByText(/^Rightward, x = 8[56] mm/)).toBeVisible()
  await expect(box.getByText(/^Leftward, x = −8[56] mm/)).toBeVisible()
  const pump = box.getByRole('region', { name: 'Set-up of the pump dial' })
  await pump.getByLabel('Measured from').selectOption({ label: 'motor dial' })
  await pump.getByLabel('Distance from there, mm').fill('160')
  await expect(pump.getByText(/^Leftward, x = −7[45] mm/)).toBeVisible()
  await page.getByRole('button', { name: 'Done setting up' }).click()
  const top = page.getByLabel('Motor dial, top, mm')
  await top.focus()
  await page.evaluate(() => {
    const data = new DataTransfer()
    data.setData('text/plain', '0\n-0.11\n-0.22\n-0.1\n')
    document.activeElement?.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    )
  })
  await expect(page.getByLabel('Motor dial, wall, mm')).toHaveValue('−0.11')
  await expect(page.getByLabel('Motor dial, bottom, mm')).toHaveValue('−0.22')
  await expect(page.getByLabel('Motor dial, aisle, mm')).toHaveValue('−0.1')
})

test('an old tab whose chunk is gone reloads, and loses nothing that was typed', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  const cell = page.getByLabel('Motor dial, bottom, mm')
  await expect(cell).toHaveValue('−0.42')
  await page.route('**/api/jobs/job-6', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
  await cell.fill('-0.43')
  let gone = true
  await page.route('**/assets/MoveStep-*.js', (route) =>
    gone ? route.fulfill({ status: 404, body: 'File not found.' }) : route.continue(),
  )
  await page.getByRole('link', { name: /Move/ }).click()
  await expect(page.getByText('A new version is available.')).toBeVisible()
  gone = false
  await expect(page.getByRole('heading', { name: 'Moves', exact: true })).toBeVisible()
  await page.keyboard.press('3')
  await expect(cell).toHaveValue('−0.43')
})

import type { Page } from '@playwright/test'
import { expect, tabTo, test } from './site'

/** Worked case A of docs/domain.md, as a millwright types it. */
const caseA = {
  motor: { out: '90', sag: '-0.10', readings: ['0', '-0.283', '-0.412', '-0.129'] },
  pump: { out: '70', sag: '-0.08', readings: ['0', '0.081', '0.104', '0.023'] },
}

const angles = ['top', 'far', 'bottom', 'near']

async function drawPair(page: Page, address: string) {
  await page.goto(address)
  await page.getByRole('link', { name: 'Start the first job' }).click()
  await page.getByLabel('Your initials').fill('T. W.')
  await page.getByLabel('Line name').fill('Rinse pump 4')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
}

async function dimensions(page: Page, unit: 'mm' | 'in', of: readonly string[]) {
  const fields = [
    `Pump, front feet, distance from center of coupling toward the left, ${unit}`,
    `Pump, back feet, distance from pump, front feet toward the left, ${unit}`,
    `Motor, front feet, distance from center of coupling toward the right, ${unit}`,
    `Motor, back feet, distance from motor, front feet toward the right, ${unit}`,
  ]
  for (const [i, name] of fields.entries()) await page.getByLabel(name).fill(of[i] ?? '')
}

async function setUp(
  page: Page,
  unit: { length: string; reading: string },
  motor: typeof caseA.motor,
  pump: typeof caseA.pump,
) {
  for (const [name, dial] of [
    ['motor', motor],
    ['pump', pump],
  ] as const) {
    const box = page.getByRole('region', { name: `Set-up of the ${name} dial` })
    await box.getByLabel(`Bracket sag, bottom of bar, ${unit.reading}`).fill(dial.sag)
    await box.getByLabel(`Distance from there, ${unit.length}`).fill(dial.out)
  }
}

async function read(page: Page, unit: string, motor: readonly string[], pump: readonly string[]) {
  for (const [name, readings] of [
    ['Motor', motor],
    ['Pump', pump],
  ] as const)
    for (const [i, reading] of readings.entries())
      await page.getByLabel(`${name} dial, ${angles[i]}, ${unit}`, { exact: true }).fill(reading)
}

const card = (page: Page, name: string) => page.getByRole('region', { name, exact: true })

test('from an empty site to shims, side moves and a printed page, in mm', async ({ page, empty }) => {
  await drawPair(page, empty)
  await dimensions(page, 'mm', ['240', '260', '240', '450'])
  await page.getByLabel('Speed, rpm').fill('1480')
  await page.getByRole('button', { name: 'Open Coupling' }).click()
  await page.getByLabel('Diameter, mm').fill('160')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await setUp(page, { length: 'mm', reading: 'mm' }, caseA.motor, caseA.pump)
  await read(page, 'mm', caseA.motor.readings, caseA.pump.readings)

  await expect(page.getByText('closes to 0.000 mm')).toHaveCount(2)
  await page.reload()
  await expect(page.getByLabel('Motor dial, bottom, mm', { exact: true })).toHaveValue('−0.412')
  await page.getByRole('button', { name: 'Go to Moves' }).click()

  await expect(card(page, 'Motor, front feet, vertical')).toContainText('Take out 0.22 mm of shim')
  await expect(card(page, 'Motor, back feet, vertical')).toContainText('Take out 0.40 mm of shim')
  await expect(card(page, 'Motor, front feet, horizontal')).toContainText('Push 0.12 mm toward far')
  await expect(card(page, 'Motor, back feet, horizontal')).toContainText('Push 0.26 mm toward far')
  await page.getByRole('button', { name: /^\d+ more$/ }).click()
  await expect(page.getByText('Coupling is out of tolerance.')).toBeVisible()

  // the other machine may stay instead, and what is shown follows
  await page.getByRole('button', { name: 'Change plan' }).click()
  await page.getByText('Motor fixed').click()
  await expect(card(page, 'Pump, front feet, vertical')).toContainText('Add 0.02 mm of shim')
  await expect(card(page, 'Pump, back feet, vertical')).toContainText('Take out 0.08 mm of shim')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(card(page, 'Motor, front feet, vertical')).toBeVisible()

  await expect(page.getByRole('status').filter({ hasText: /^Saved/ })).toBeVisible()
  const href = await page.getByRole('link', { name: 'PDF of this round' }).getAttribute('href')
  const pdf = await page.request.get(`${empty}${href}`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  const bytes = await pdf.body()
  expect(bytes.subarray(0, 5).toString()).toBe('%PDF-')
  expect(bytes.includes('/Helvetica')).toBe(false)
  expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1)
})

test('by keyboard alone, from an empty site to the moves in at most 120 keys', async ({ page, empty }) => {
  let keys = 0
  const press = async (key: string) => {
    keys += 1
    await page.keyboard.press(key)
  }
  const type = async (text: string) => {
    keys += text.length
    await page.keyboard.type(text)
  }
  const tab = async (name: string) => {
    keys += await tabTo(page, name)
  }
  await page.goto(empty)
  await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible()
  await press('n')
  await expect(page.getByRole('heading', { name: 'New job' })).toBeVisible()
  await tab('Line name')
  await type('Rinse pump 5')
  await press('Enter')
  await expect(page.getByText('Enter each taped distance on the drawing')).toBeVisible()
  await tab('Pump, front feet, distance')
  for (const distance of ['240', '260', '240', '450']) {
    await type(distance)
    await press('Enter')
  }
  await tab('Speed')
  await type('1480')
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await press('3')
  // where a dial hangs and its sag are all that is asked: the first of them has the focus already
  await expect(page.getByLabel('Distance from there, mm').first()).toBeFocused()
  for (const dial of [caseA.motor, caseA.pump]) {
    for (const needed of [dial.out, dial.sag]) {
      await type(needed)
      await press('Enter')
    }
  }
  await expect(page.getByLabel('Motor dial, top, mm')).toBeFocused()
  for (const reading of [...caseA.motor.readings, '0', ...caseA.pump.readings, '0']) {
    // the minus last: it turns the sign over from anywhere
    await type(reading.replace('-', ''))
    if (reading.startsWith('-')) await press('-')
    await press('Enter')
  }
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await press('4')
  await expect(card(page, 'Motor, back feet, horizontal')).toContainText('Push 0.26 mm toward far')
  expect(keys).toBeLessThanOrEqual(120)
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Keyboard shortcuts' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
})

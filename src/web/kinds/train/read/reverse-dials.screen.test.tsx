import { expect, type Page, test } from '../../../../testing/screen'

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

test('the same task in inches and mils', async ({ page, empty }) => {
  await page.settings({ unit: 'mil' })
  await drawPair(page, empty)
  await dimensions(page, 'in', ['9 1/2', '10', '9.5', '17.5'])
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await setUp(
    page,
    { length: 'in', reading: 'mil' },
    { out: '3.5', sag: '-4', readings: [] },
    { out: '2.75', sag: '-3', readings: [] },
  )
  // truth: offset z +5 mil, slope z +0.4 mil/in, offset y −2 mil, slope y −0.3 mil/in
  await read(page, 'mil', ['0', '-11.5', '-16.8', '-5.4'], ['0', '4.5', '4.8', '0.4'])
  await page.keyboard.press('Escape')
  await page
    .getByRole('link', { name: /^Read|Move/ })
    .filter({ hasText: 'Move' })
    .click()
  await expect(card(page, 'Motor, front feet, vertical')).toContainText('Take out 8.8 mil of shim')
  await expect(card(page, 'Motor, back feet, vertical')).toContainText('Take out 15.8 mil of shim')
  await page.getByText('mm', { exact: true }).first().click()
  await expect(card(page, 'Motor, front feet, vertical')).toContainText('Take out 0.22 mm of shim')
  await expect(card(page, 'Motor, back feet, vertical')).toContainText('Take out 0.40 mm of shim')
})

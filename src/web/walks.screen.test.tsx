import { expect, type Page, test } from '../testing/screen'

/** Jobs as people do them: nothing is typed but what stands here, and what must come out is asked for. */

async function drawn(page: Page, address: string, name: string, unit: 'mm' | 'mil' = 'mm') {
  await page.goto(`${address}/new`)
  if (unit === 'mil') await page.getByText('mil', { exact: true }).click()
  await page.getByLabel('Line name').fill(name)
  await page.getByRole('button', { name: 'Create line and start job' }).click()
}

async function hung(page: Page, probe: string, fields: Readonly<Record<string, string>>) {
  const box = page.getByRole('region', { name: `Set-up of the ${probe}`, exact: true })
  for (const [label, text] of Object.entries(fields)) await box.getByLabel(label).fill(text)
}

const quarters = ['top', 'far', 'bottom', 'near'] as const

async function read(page: Page, probe: string, unit: string, values: readonly string[]) {
  for (const [i, value] of values.entries())
    await page.getByLabel(`${probe}, ${quarters[i]}, ${unit}`, { exact: true }).fill(value)
}

test('reverse dials, zeroed once per plane, taped from the dials, in inches and mils', async ({ page, empty }) => {
  await drawn(page, empty, 'Feed pump', 'mil')
  const from = 'distance from center of coupling toward the right, in'
  await page.getByLabel(`Motor, front feet, ${from}`).fill('13')
  await page.getByLabel('Motor, back feet, distance from motor, front feet toward the right, in').fill('14')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await hung(page, 'motor dial', { 'Distance from there, in': '4.5', 'Bracket sag, bottom of bar, mil': '-6' })
  await hung(page, 'pump dial', { 'Distance from there, in': '4.5', 'Bracket sag, bottom of bar, mil': '-4' })
  await read(page, 'Motor dial', 'mil', ['0', '0', '-11.1', '4.3'])
  await read(page, 'Pump dial', 'mil', ['0', '0', '24.5', '-20.5'])
  await page.getByRole('button', { name: 'Zeroed at both' }).first().click()
  await expect(page.getByText(/does not close/)).toHaveCount(0)
  await expect(page.getByText('Motor: front feet 8.5 mil low, back feet 26.7 mil low.')).toBeVisible()
  await expect(page.getByText(/Front feet 5\.5 mil toward far, back feet 18\.1 mil toward far\./)).toBeVisible()
})

test('rim and two faces, the shaft floats', async ({ page, empty }) => {
  await drawn(page, empty, 'Blower')
  await page.getByLabel('Motor, front feet, distance from center of coupling toward the right, mm').fill('310')
  await page.getByLabel('Motor, back feet, distance from motor, front feet toward the right, mm').fill('520')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  await page.getByRole('combobox', { name: 'Method' }).selectOption('rim-two-faces')
  await hung(page, 'motor dial', { 'Distance from there, mm': '30', 'Bracket sag, bottom of bar, mm': '-0.12' })
  for (const face of ['motor face dial 1', 'motor face dial 2'])
    await hung(page, face, { 'Dial radius, mm': '95', 'Bracket sag, bottom of bar, mm': '0' })
  await read(page, 'Motor dial', 'mm', ['0', '0.44', '0.49', '0.06'])
  await read(page, 'Motor face dial 1', 'mm', ['0', '-0.10', '-0.23', '0'])
  await read(page, 'Motor face dial 2', 'mm', ['0', '0.24', '0.19', '0.08'])
  await expect(page.getByText('Motor: front feet in line, back feet 0.58 mm high.')).toBeVisible()
  await expect(page.getByText(/back feet 0\.36 mm toward near/)).toBeVisible()
})

test('bores with a slip: named, not sure, and right once it is mended', async ({ page, empty }) => {
  await page.goto(`${empty}/new`)
  await page.getByLabel('Kind of line').selectOption('bore')
  await page.getByLabel('How many bores').selectOption('3')
  await page.getByLabel('Line name').fill('Mill line')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  const at = (n: number) => page.getByRole('region', { name: `Pocket ${n}` })
  await at(2).getByLabel('Along the row, mm').fill('700')
  await at(3).getByLabel('Along the row, mm').fill('1500')
  await page.getByRole('link', { name: 'Go to Readings' }).click()
  const fill = async (n: number, values: readonly string[]) => {
    for (const [i, place] of ['Top', 'Far', 'Bottom', 'Near'].entries())
      await at(n)
        .getByLabel(`${place}, mm`)
        .fill(values[i] ?? '')
  }
  await fill(1, ['0', '0', '0', '0'])
  await fill(2, ['0', '0.06', '-0.30', '0.24'])
  await fill(3, ['0', '0', '0', '0'])
  await at(1).getByLabel('Bracket sag, mm').fill('0')
  await page.getByRole('button', { name: 'Use this sag for every section' }).click()
  await expect(page.getByText(/Pocket 2.*bottom/i).first()).toBeVisible()
  await expect(page.getByText(/Out of line: Pocket 2/)).toHaveCount(0)
  await at(2).getByLabel('Bottom, mm').fill('0.30')
  await page.getByRole('link', { name: /Move/ }).first().click()
  const row = page.getByRole('region', { name: 'At the bores' }).getByRole('row').nth(2)
  await expect(row).toContainText('0.15 mm high and 0.09 mm toward far')
  await expect(row).toContainText('0.15 mm down, 0.09 mm toward near')
})

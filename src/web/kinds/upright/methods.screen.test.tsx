import { expect, type Page, test } from '../../../testing/screen'

const other = async (page: Page, demo: string, method: string) => {
  await page.goto(`${demo}/jobs/job-44/verify`)
  await page.getByRole('button', { name: method }).click()
}

test('an upright pair takes an instrument’s own result, its signs asked by the bolts', async ({ page, demo }) => {
  await other(page, demo, 'Repeat')
  const set = page.getByRole('region', { name: /^Set 2/ })
  await set.getByRole('combobox', { name: /^Set 2/ }).selectOption('result')
  await expect(page.getByText('Enter what plus means on this instrument.')).toBeVisible()
  const offset = set.getByRole('region', { name: 'Motor instrument, offset' })
  for (const [name, way] of [
    ['Offset, toward bolt 1', 'up'],
    ['Angle or gap, toward bolt 1', 'top'],
    ['Offset, toward the quarter after bolt 1', 'near'],
    ['Angle or gap, toward the quarter after bolt 1', 'far'],
  ] as const)
    await offset.getByRole('combobox', { name }).selectOption(way)
  await expect(offset.getByText('Plus is toward bolt 1, and toward bolt 7.')).toBeVisible()
  await offset.getByLabel('Toward bolt 1, mm').fill('0.04')
  await offset.getByLabel('Toward bolt 3, mm').fill('-0.02')
  const gap = set.getByRole('region', { name: 'Motor instrument, gap' })
  await gap.getByLabel('Toward bolt 1, mm').fill('0.01')
  await gap.getByLabel('Toward bolt 3, mm').fill('0.01')
  await expect(page.getByText(/Offset 0\.\d+ mm, angularity 0\.\d+ mm\/100 mm\./)).toBeVisible()
})

test('a machine on its flange is read running by heads, never by dials', async ({ page, demo }) => {
  await other(page, demo, 'Read while running')
  const set = page.getByRole('region', { name: /running check/ })
  const method = set.getByRole('combobox', { name: /running check/ })
  await expect(method).toHaveValue('twin-heads')
  await expect(set.getByRole('region', { name: 'Motor head' })).toBeVisible()
  await method.selectOption('result')
  await expect(set.getByRole('region', { name: 'Motor instrument, gap' })).toBeVisible()
})

test('rim and face on an upright pair: the face asks for the radius it travels on', async ({ page, demo }) => {
  await other(page, demo, 'Another method')
  const set = page.getByRole('region', { name: /^Set 2/ })
  const face = set.getByRole('region', { name: 'Motor face dial' })
  await expect(face.getByLabel('Dial radius, mm')).toBeVisible()
  await expect(face.getByRole('combobox', { name: 'On the face' })).toHaveValue('front')
})

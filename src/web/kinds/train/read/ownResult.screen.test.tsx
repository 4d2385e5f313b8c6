import { expect, test } from '../../../../testing/screen'

const questions = ['Offset, height', 'Angle or gap, height', 'Offset, sideways', 'Angle or gap, sideways']

test('an instrument that works out its result by itself: signs asked in words, both planes, kept over a reload', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-7/readings`)
  await page.getByRole('combobox', { name: 'Method' }).selectOption('result')
  await expect(page.getByText('Enter what plus means on this instrument.')).toBeVisible()
  const cell = (what: string, plane: string) => page.getByLabel(`Motor instrument, ${what}, ${plane}, mm`)
  const numbers = [
    ['offset', 'height', '0.12'],
    ['gap', 'height', '0.05'],
    ['offset', 'sideways', '-0.05'],
    ['gap', 'sideways', '0.02'],
  ] as const
  for (const [what, plane, text] of numbers) await cell(what, plane).fill(text)
  // no move from a sign that was guessed
  await expect(page.getByText(/feet .* high|feet .* low/)).toHaveCount(0)
  for (const [i, way] of ['down', 'bottom', 'far', 'near'].entries())
    await page.getByRole('combobox', { name: questions[i]! }).selectOption(way)
  await expect(page.getByText('All readings taken.')).toBeVisible()
  await expect(page.getByText('Plus is low, and toward wall.')).toBeVisible()
  const low = await page.getByText(/^Motor: front feet/).textContent()
  await page.getByRole('combobox', { name: questions[0]! }).selectOption('up')
  await expect(page.getByText('Plus is high, and toward wall.')).toBeVisible()
  await expect(page.getByText(/^Motor: front feet/)).not.toHaveText(low ?? '')
  // 0.12 high at the coupling and open at the bottom by 0.05 over 100 mm: 240 mm on 0.24 high, 690 mm on 0.465
  await expect(page.getByText('Motor: front feet 0.24 mm high, back feet 0.47 mm high.')).toBeVisible()
  await expect(page.getByText(/Saved \d/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-7/moves`)
  await page.goto(`${demo}/jobs/job-7/readings`)
  await expect(cell('gap', 'height')).toHaveValue('+0.05')
  await expect(page.getByText('Motor: front feet 0.24 mm high, back feet 0.47 mm high.')).toBeVisible()
})

test('what an instrument counts as plus is kept with the kit, and comes with it', async ({ page, demo }) => {
  await page.goto(`${demo}/kit`)
  await page.getByRole('button', { name: 'Add a head' }).click()
  await page.getByLabel('Name').fill('Box 4')
  await page.getByRole('combobox', { name: 'Kind' }).selectOption('result')
  for (const [i, way] of ['up', 'top', 'near', 'far'].entries())
    await page.getByRole('combobox', { name: questions[i]! }).selectOption(way)
  await page.getByLabel('Gap measured over, mm').fill('200')
  await expect(page.getByText(/Saved \d/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-7/readings`)
  await page.getByRole('combobox', { name: 'Method' }).selectOption('result')
  await page.getByRole('combobox', { name: 'Head from the kit' }).selectOption({ label: 'Box 4' })
  await expect(page.getByRole('combobox', { name: 'Angle or gap, height' })).toHaveValue('top')
  await expect(page.getByRole('combobox', { name: 'Offset, sideways' })).toHaveValue('near')
  await expect(page.getByLabel('Gap measured over, mm')).toHaveValue('200')
})

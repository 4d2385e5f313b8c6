import { expect, test } from '../../../testing/screen'

test('a drive whose span nobody measured still gives shims and swing; its speed and the maker’s limit for the offset are asked', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-43/moves`)
  const feet = page.getByRole('region', { name: /^At the feet/ }).first()
  const shims = await feet
    .getByRole('cell', { name: /^add|^none/ })
    .first()
    .textContent()
  await page.goto(`${demo}/jobs/job-43/dimensions`)
  const across = page.getByLabel('Shaft position toward far, mm').first()
  const was = await across.inputValue()
  await across.fill('')
  await page.getByLabel('Speed of the fixed sheave, rpm').fill('1480')
  await page.getByLabel('Maker’s limit, groove offset, mm').fill('0.1')
  await page.goto(`${demo}/jobs/job-43/moves`)
  await expect(feet.getByRole('cell', { name: /^add|^none/ }).first()).toHaveText(shims ?? '')
  await expect(feet.getByText('Not measured yet')).toBeVisible()
  await expect(page.getByText(/^The belt runs at \d+\.\d m\/s\.$/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-43/dimensions`)
  await across.fill(was)
  await page.goto(`${demo}/jobs/job-43/moves`)
  await expect(page.getByText(/Groove offset \d+\.\d\d mm, limit 0\.10 mm\./)).toBeVisible()
})

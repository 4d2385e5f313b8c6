import { expect, test } from '../../../testing/screen'

test('eight bolts read at every second one; bolts counted the other way are noticed; a motor turned on its flange', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-44/readings?round=r1`)
  await expect(page.getByLabel('Read at')).toHaveValue('2')
  const dial = page.getByRole('region', { name: 'Motor dial' })
  await expect(dial.getByRole('textbox', { name: /^Bolt \d, mm$/ })).toHaveCount(4)
  await expect(dial.getByLabel('Bolt 7, mm')).toBeVisible()
  await page.goto(`${demo}/jobs/job-44/moves`)
  await expect(page.getByText('The bolts may be numbered in the opposite direction.')).toBeVisible()
  await expect(page.getByText('Tighten in a star: bolts 1, 5, 3, 7, 2, 6, 4, 8.')).toBeVisible()
  // counted as the drawing has them: the first round tells the push to the other side
  await page.goto(`${demo}/jobs/job-44/dimensions`)
  await page.getByLabel('Bolt numbering, seen from above').selectOption('other')
  await page.getByLabel('Position of bolt 1').selectOption('180')
  await page.getByLabel('Maximum shaft rise, mm').fill('0.01')
  await page.goto(`${demo}/jobs/job-44/moves?round=r1`)
  await expect(page.getByText(/^The shaft would rise/)).toBeVisible()
  await page.goto(`${demo}/jobs/job-44/readings`)
  await page.getByLabel('Motor rotated on its flange by').selectOption('2')
  await expect(page.getByText(/Turned by 2 bolt positions\./)).toBeVisible()
  await page.getByLabel('Read at').selectOption('1')
  await expect(dial.getByRole('textbox', { name: /^Bolt \d, mm$/ })).toHaveCount(8)
  await expect(page.getByText(/^Saved \d\d:\d\d/)).toBeVisible()
  await page.reload()
  await expect(page.getByLabel('Motor rotated on its flange by')).toHaveValue('2')
})

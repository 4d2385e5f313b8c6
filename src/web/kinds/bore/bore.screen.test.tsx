import { expect, test } from '../../../testing/screen'

test('a head on the wall is pushed to tell its sign; an oval bore shows at eight places; taken live', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-45/readings`)
  await expect(page.getByText(/^Pocket 3 is out of round by 0\.0[89]\d mm, narrowest at/)).toBeVisible()
  const first = page.getByRole('region', { name: 'Pocket 1' })
  await first.getByLabel('Sensor').selectOption('in')
  await expect(
    page.getByText('Pocket 1: push the head 0.10 mm toward the carrier and enter what it shows.'),
  ).toBeVisible()
  await expect(first.getByText(/^Push it toward the carrier/)).toBeVisible()
  await first.getByLabel(/^Reading after a 0.10 mm push/).fill('0.10')
  await expect(first.getByText('Plus: the head nearer to the carrier.')).toBeVisible()
  await first.getByLabel(/^Reading after a 0.10 mm push/).fill('-0.10')
  await expect(first.getByText(/^Plus: the head farther from the carrier\./)).toBeVisible()
  await expect(page.getByText('Pocket 1: the head reads with the opposite sign.')).toBeVisible()

  const second = page.getByRole('region', { name: 'Pocket 2' })
  await second.getByLabel('Read at').selectOption('8')
  const device = page.getByRole('region', { name: 'Indicator' })
  await device.getByRole('button', { name: 'Connect' }).click()
  await expect(device).toContainText('Tip: 45° from top toward chute, Pocket 2')
  await device.getByRole('button', { name: 'Capture when steady' }).click()
  await expect(device).toContainText('All readings taken.')
  await expect(second.getByLabel('45° from top toward chute, mm')).toHaveValue(/^[+−]?\d\.\d{3}$/)
})

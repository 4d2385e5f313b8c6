import { expect, test } from './site'

test('a line’s logbook: drift, the next check and its reason, a visit put back, a job made due, the next one begun', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/lines/line-1`)
  await page.getByRole('link', { name: 'Logbook' }).click()
  const next = page.getByRole('region', { name: 'Next check' })
  await expect(next).toContainText('Next check: 90 days after the last visit.')
  await expect(next).toContainText('at the drift seen over 5 visits, the chance of staying within tolerance falls to')
  const drift = page.getByRole('region', { name: 'Change since last visit' })
  await expect(drift).toContainText('Largest drift in 352 days: motor, back feet, 0.52 mm up.')
  await expect(drift.getByRole('row').nth(4)).toContainText('within uncertainty')

  // the bound is the site's own, and it is kept
  await next.getByLabel(/^Check again when/).fill('90')
  await expect(next).not.toContainText('Next check: 90 days')
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await expect(next.getByLabel(/^Check again when/)).toHaveValue('90')
  await next.getByLabel(/^Check again when/).fill('')
  await expect(next).toContainText('Next check: 90 days')

  // readings that contradict each other are left out until somebody puts them back
  const visits = page.getByRole('region', { name: 'Visits' })
  await expect(visits).toContainText('Readings contradict each other, or a dial does not close.')
  await visits.getByRole('button', { name: 'Include' }).click()
  await expect(drift).toContainText('in 196 days')
  await expect(next).toContainText('Left out of tolerance or uncertain')
  await visits.getByRole('button', { name: 'Exclude' }).click()
  await expect(drift).toContainText('in 352 days')

  await next.getByRole('button', { name: /^Schedule a job for/ }).click()
  await expect(next.getByRole('status')).toContainText('The job is in Jobs.')
  await next.getByRole('button', { name: 'Next job' }).click()
  await expect(page.getByRole('heading', { name: 'Pre-checks' })).toBeVisible()
  await page.goto(`${demo}/?state=due`)
  const rows = page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')
  await expect(rows).toHaveCount(3)
  // in the order of the days they are due
  await expect(rows.first()).not.toContainText('overdue')
  await expect(rows.first()).toContainText('Rinse pump 3')
  const calendar = await (await page.request.get(`${demo}/api/calendar/due.ics`)).text()
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(3)
  await expect(page.getByRole('link', { name: /^Calendar of due jobs/ })).toBeVisible()

  // put off and handed over, with the reason
  await rows.first().getByRole('link').click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Due on').fill('2027-03-01')
  await page.getByLabel('Assigned to').fill('K. O.')
  await page.getByLabel('Your initials').first().fill('R. T.')
  await page.getByLabel('Reason for the change').fill('Outage moved')
  await page.getByRole('button', { name: 'Save due date' }).click()
  await expect(page.getByText('Due 1 March 2027, K. O.')).toBeVisible()
  await expect(page.getByText('Changed by R. T.: Outage moved')).toBeVisible()
  await page.goto(`${demo}/?state=due`)
  await expect(rows.last()).toContainText('K. O.')
})

test('over time in mil, sideways, and a line that nobody has read', async ({ page, plant }) => {
  await page.goto(`${plant}/lines/line-2/logbook`)
  await page.getByRole('radio', { name: 'mil' }).press('Space')
  await page.getByRole('radio', { name: 'Sideways' }).click()
  await expect(page.getByRole('img', { name: /^Sideways: all stations/ })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Visits' })).toContainText('as left, mil')
  await page.goto(`${plant}/lines/line-5/logbook`)
  await expect(page.getByRole('heading', { name: 'Logbook', level: 1 })).toBeVisible()
})

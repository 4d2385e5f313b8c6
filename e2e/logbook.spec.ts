import { expect, test } from './site'

test('a line’s logbook: drift, the next check and its reason, a visit put back, a job made due, the next one begun', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/lines/line-1`)
  await page.getByRole('link', { name: 'Logbook' }).click()
  const next = page.getByRole('region', { name: 'Next check' })
  await expect(next).toContainText('Look again 90 days after the last visit.')
  await expect(next).toContainText('going on as it went between 5 visits, the chance of being within falls to')
  const drift = page.getByRole('region', { name: 'Since the visit before' })
  await expect(drift).toContainText('In 352 days the motor, back feet went 0.52 mm up, more than any other.')
  await expect(drift.getByRole('row').nth(4)).toContainText('within the doubt')

  // the bound is the site's own, and it is kept
  await next.getByLabel(/^Look again when/).fill('90')
  await expect(next).not.toContainText('Look again 90 days')
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.reload()
  await expect(next.getByLabel(/^Look again when/)).toHaveValue('90')
  await next.getByLabel(/^Look again when/).fill('')
  await expect(next).toContainText('Look again 90 days')

  // readings that contradict each other are left out until somebody puts them back
  const visits = page.getByRole('region', { name: 'Visits' })
  await expect(visits).toContainText('Its readings contradict each other, or a dial does not close.')
  await visits.getByRole('button', { name: 'Put it back' }).click()
  await expect(drift).toContainText('In 196 days')
  await expect(next).toContainText('It was left outside, or it can’t be told: 90 days')
  await visits.getByRole('button', { name: 'Leave it out' }).click()
  await expect(drift).toContainText('In 352 days')

  await next.getByRole('button', { name: /^Make a job due (on|today)/ }).click()
  await expect(next.getByRole('status')).toContainText('The job is on the Floor.')
  await next.getByRole('button', { name: 'Next job' }).click()
  await expect(page.getByRole('heading', { name: 'Before the first reading' })).toBeVisible()
  await page.goto(`${demo}/?state=due`)
  const rows = page.getByRole('list', { name: 'Jobs' }).getByRole('listitem')
  await expect(rows).toHaveCount(3)
  // in the order of the days they are due
  await expect(rows.first()).not.toContainText('overdue')
  await expect(rows.first()).toContainText('periodic check')
  const calendar = await (await page.request.get(`${demo}/api/calendar/due.ics`)).text()
  expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(3)
  await expect(page.getByRole('link', { name: /^Calendar of what is due/ })).toBeVisible()

  // put off and handed over, with the reason
  await rows.first().getByRole('link').click()
  await page.getByRole('button', { name: 'Change', exact: true }).click()
  await page.getByLabel('Due on').fill('2027-03-01')
  await page.getByLabel('Whose it is').fill('K. O.')
  await page.getByLabel('Your initials').first().fill('R. T.')
  await page.getByLabel('Why it is changed').fill('Outage moved')
  await page.getByRole('button', { name: 'Put it there' }).click()
  await expect(page.getByText('Due 1 March 2027, K. O.')).toBeVisible()
  await expect(page.getByText('Changed by R. T.: Outage moved')).toBeVisible()
  await page.goto(`${demo}/?state=due`)
  await expect(rows.last()).toContainText('K. O.')
})

test('over time in mil, sideways, and a line that nobody has read', async ({ page, plant }) => {
  await page.goto(`${plant}/lines/line-2/logbook`)
  await page.getByRole('radio', { name: 'mil' }).press('Space')
  await page.getByRole('radio', { name: 'Sideways' }).click()
  await expect(page.getByRole('img', { name: /^Sideways: every station/ })).toBeVisible()
  await expect(page.getByRole('region', { name: 'Visits' })).toContainText('as left, mil')
  await page.goto(`${plant}/lines/line-5/logbook`)
  await expect(page.getByRole('heading', { name: 'Logbook', level: 1 })).toBeVisible()
})

import { formatISO } from 'date-fns/formatISO'
import { expect, test } from '../../../testing/screen'

test('a next check whose day has passed is due today, never on a day gone by', async ({ page, demo }) => {
  const due = async () => (await (await page.request.get(`${demo}/api/jobs?state=due`)).json()).rows
  const next = page.getByRole('region', { name: 'Next check' })
  const make = next.getByRole('button', { name: /^Schedule a job for/ })
  for (let n = 1; n <= 12; n++) {
    await page.goto(`${demo}/lines/line-${n}/logbook`)
    await page.getByRole('heading', { name: 'Logbook' }).waitFor()
    if ((await next.getByText('That day has passed.').count()) > 0) break
  }
  await expect(next.getByText('That day has passed.')).toBeVisible()
  await expect(make).toHaveText('Schedule a job for today')
  const before = new Set((await due()).map(({ id }: { id: string }) => id))
  await make.click()
  await expect(next.getByRole('status')).toContainText('The job is in Jobs.')
  const [made] = (await due()).filter(({ id }: { id: string }) => !before.has(id))
  expect(made.dueOn).toBe(formatISO(new Date(), { representation: 'date' }))
})

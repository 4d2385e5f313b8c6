import { expect, test } from '../../testing/screen'

test('the screens stand in one bar on every screen, and the one that is shown is marked', async ({ page, demo }) => {
  for (const at of ['/', '/lines', '/site', '/kit', '/practice', '/jobs/job-6/readings']) {
    await page.goto(`${demo}${at}`)
    const bar = page.getByRole('navigation', { name: 'Screens' })
    for (const name of ['Jobs', 'Machine lines', 'Site overview', 'Kit', 'Practice'])
      await expect(bar.getByRole('link', { name, exact: true })).toBeVisible()
  }
})

test('a step’s address of before leads on to the one of now, with its round', async ({ page, demo }) => {
  for (const [before, now] of [
    ['line', 'dimensions'],
    ['ready', 'pre-checks'],
    ['seat', 'soft-foot'],
    ['read', 'readings'],
    ['move', 'moves'],
    ['prove', 'verify'],
  ]) {
    await page.goto(`${demo}/jobs/job-3/${before}?round=r1`)
    await expect.poll(() => page.url()).toContain(`/jobs/job-3/${now}?round=r1`)
  }
})

test('a kind of line without feet has no step of soft foot', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-45/readings`)
  const steps = page.getByRole('navigation', { name: 'Steps' })
  await expect(steps.getByRole('link', { name: 'Verify' })).toBeVisible()
  await expect(steps.getByRole('link', { name: 'Soft foot' })).toHaveCount(0)
})

test('the terms on a screen are explained behind one tap, and all others behind another', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-6/readings`)
  await expect(page.getByText('Pump dial does not close').first()).toBeVisible()
  await page.getByRole('button', { name: 'Terms', exact: true }).first().click()
  const dialog = page.getByRole('dialog', { name: 'Terms on this screen' })
  await expect(dialog.getByText('Closure', { exact: true })).toBeVisible()
  await expect(dialog.getByText('Spigot', { exact: true })).toHaveCount(0)
  await dialog.getByRole('button', { name: /^All \d+ terms$/ }).click()
  await expect(dialog.getByText('Spigot', { exact: true })).toBeVisible()
  await dialog.getByRole('button', { name: 'Close' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

import { afterEach } from 'vitest'
import { expect, test } from '../../testing/screen'

const real = globalThis.fetch
afterEach(() => {
  globalThis.fetch = real
})

/** From now on a sign-in page of the network answers everything that is sent. */
const portal = () => {
  globalThis.fetch = async () => new Response('{}', { status: 200, headers: { 'Content-Type': 'application/json' } })
}

test('a network that answers in the server’s place: nothing is said to be saved, nothing is refused, all of it arrives', async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/job-5/dimensions`)
  const title = page.getByLabel('Title')
  await title.fill('Seal replaced again')
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  portal()
  await title.fill('Seal and sleeve replaced')
  await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  await title.fill('Seal, sleeve and key replaced')
  await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  await page.reload()
  globalThis.fetch = real
  await page.reload()
  await expect(page.getByLabel('Title')).toHaveValue('Seal, sleeve and key replaced')
  await expect(page.getByText(/^Saved/)).toBeVisible()
  const { document } = await (await page.request.get(`${demo}/api/jobs/job-5`)).json()
  expect(document.title).toBe('Seal, sleeve and key replaced')
})

test('a job begun without the server is on this device, and saved once the server has it', async ({ page, demo }) => {
  await page.goto(`${demo}/lines/line-1`)
  await expect(page.getByText(/^Saved/)).toBeVisible()
  await page.goto(`${demo}/new?line=line-1`)
  const begin = page.getByRole('button', { name: /Begin|Start/ })
  await expect(begin).toBeVisible()
  portal()
  await begin.click()
  await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  globalThis.fetch = real
  window.dispatchEvent(new Event('online'))
  await expect(page.getByText(/^Saved/)).toBeVisible()
})

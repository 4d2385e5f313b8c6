import { appendFileSync, cpSync, mkdirSync, symlinkSync } from 'node:fs'
import { join, resolve } from 'node:path'
import type { Page } from '@playwright/test'
import { ask, freshFolder, type Running, startPlant, startServer, stopServer, throwAway } from './attack'
import { expect, test } from './site'

test.use({ serviceWorkers: 'allow' })

const dial = (page: Page) => page.getByLabel('Motor dial, bottom, mil')

/** A plant that keeps its data when its server is started again on the same port. */
async function plant() {
  const folder = freshFolder()
  let at: Running = await startPlant(folder)
  const { port } = at
  return {
    get at() {
      return at
    },
    stop: () => stopServer(at),
    start: async () => {
      at = await startServer(folder, ['--port', String(port)])
    },
    end: async () => {
      await stopServer(at)
      throwAway(folder)
    },
  }
}

/** The page is stored on the tablet and answers for itself. */
async function installed(page: Page): Promise<void> {
  await page.waitForFunction(async () => {
    const registration = await navigator.serviceWorker.ready
    return registration.active?.state === 'activated' && navigator.serviceWorker.controller !== null
  })
}

test('a job is finished without the server: line taken along, tablet reloaded, all of it on the server afterwards', async ({
  page,
}) => {
  const site = await plant()
  await page.goto(`${site.at.address}/lines`)
  await installed(page)
  await page.getByRole('button', { name: 'Save Dryer circulation pump offline' }).click()
  await expect(page.getByRole('button', { name: 'Remove Dryer circulation pump from this tablet' })).toBeVisible()
  await site.stop()

  // opened anew, not gone on with
  await page.goto(site.at.address)
  await expect(page.getByText('Showing jobs on this tablet', { exact: false })).toBeVisible()
  await page.getByText(/job 5$/).click()
  await page.locator('a[href$="/readings"]').first().click()
  await dial(page).fill('-0.31')
  await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  await page.reload()
  await expect(dial(page)).toHaveValue('−0.31')

  // the record is printed here
  await page.locator('a[href$="/sign"]').first().click()
  const printed = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Record as PDF' }).click()
  expect((await printed).suggestedFilename()).toMatch(/\.pdf$/)
  const round = page.waitForEvent('download')
  await page.getByRole('link', { name: 'PDF of this round' }).click()
  expect((await round).suggestedFilename()).toMatch(/dryer-circulation-pump.*\.pdf$/)

  // the next job is begun here as well
  await page.goto(`${site.at.address}/new`)
  await page.getByRole('button', { name: 'Start on Dryer circulation pump' }).click()
  await expect(page.getByText('New job, no number yet', { exact: false })).toBeVisible()
  const made = page.url().match(/jobs\/([^/]+)/)?.[1] ?? ''
  await dial(page).fill('0.07')
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await expect(page.getByText(/^On this tablet/)).toBeVisible()

  await site.start()
  const document = async (id: string) => JSON.stringify((await ask(site.at, `/jobs/${id}`)).body.document ?? '')
  await expect.poll(() => document('job-5'), { timeout: 40_000 }).toContain('-0.31')
  await expect.poll(() => document(made), { timeout: 40_000 }).toContain('0.07')
  await page.goto(`${site.at.address}/jobs/${made}/readings`)
  await expect(page.getByText(/Job 47/)).toBeVisible()
  await expect(dial(page)).toHaveValue('+0.07')
  await site.end()
})

test('two tablets that were both without the server lose nothing, and are asked where they differ', async ({
  browser,
}) => {
  const site = await plant()
  const open = async () => {
    const context = await browser.newContext({ serviceWorkers: 'allow', reducedMotion: 'reduce' })
    const page = await context.newPage()
    await page.goto(`${site.at.address}/jobs/job-5/readings`)
    await installed(page)
    await expect(dial(page)).toBeVisible()
    return page
  }
  const [first, second] = [await open(), await open()]
  await site.stop()
  await first.getByLabel('Motor dial, bottom, mil').fill('-0.31')
  await first.getByLabel('Motor dial, stair, mil').fill('0.11')
  await second.getByLabel('Motor dial, bottom, mil').fill('-0.35')
  await second.getByLabel('Pump dial, stair, mil').fill('0.22')
  for (const page of [first, second]) {
    await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
    await page.reload()
    await expect(dial(page)).toHaveValue(/0\.3/)
  }
  await site.start()
  // whoever comes second is asked
  const conflict = (page: Page) => page.getByRole('alert', { name: 'Conflicting changes' })
  const visible = async () => [await conflict(first).isVisible(), await conflict(second).isVisible()]
  await expect.poll(visible, { timeout: 40_000 }).toContain(true)
  const asked = conflict((await visible())[0] ? first : second)
  await expect(asked).toContainText('mil')
  await asked.getByRole('button', { name: /^Here/ }).click()
  const stored = async () => JSON.stringify((await ask(site.at, '/jobs/job-5')).body.document)
  for (const value of ['"0.11"', '"0.22"']) await expect.poll(stored, { timeout: 40_000 }).toContain(value)
  expect((await stored()).includes('-0.31') !== (await stored()).includes('-0.35')).toBe(true)
  for (const page of [first, second]) await page.context().close()
  await site.end()
})

/** The built program in a folder of its own, whose page can be another one later. */
function release(): string {
  const folder = freshFolder()
  mkdirSync(join(folder, 'dist'))
  for (const part of ['src', 'node_modules', 'dist/server']) symlinkSync(resolve(part), join(folder, part))
  cpSync('dist/web', join(folder, 'dist/web'), { recursive: true })
  return folder
}

test('a new version starts when somebody says so, with a draft open, and the draft is there', async ({ page }) => {
  const [data, program] = [freshFolder(), release()]
  const at = await startPlant(data, [], program)
  await page.goto(`${at.address}/jobs/job-5/readings`)
  await installed(page)
  appendFileSync(join(program, 'dist/web/serviceWorker.js'), '\n// another build')
  await dial(page).fill('-0.44')
  await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.update())
  await page.getByRole('button', { name: 'Update now' }).click()
  // the browser may let the old version rest for half a minute before the new one takes over
  await expect(page.getByRole('button', { name: 'Update now' })).toHaveCount(0, { timeout: 60_000 })
  await expect(dial(page)).toHaveValue('−0.44')
  await stopServer(at)
  for (const folder of [data, program]) throwAway(folder)
})

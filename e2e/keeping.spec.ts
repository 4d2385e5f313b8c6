import type { Page } from '@playwright/test'
import { ask, freshFolder, type Running, startPlant, startServer, stopServer, throwAway } from './attack'
import { expect, test } from './site'

const dial = (page: Page) => page.getByLabel('Motor dial, bottom, mil')
const pump = (page: Page) => page.getByLabel('Pump dial, bottom, mil')

test('what was typed without a server outlives the page, is told on the Floor, and goes out by itself', async ({
  page,
}) => {
  const folder = freshFolder()
  let at: Running = await startPlant(folder)
  const { port } = at
  await page.goto(at.address)
  await page.getByText(/job 5$/).click()
  await page.locator('a[href$="/readings"]').first().click()
  await expect(dial(page)).toBeVisible()
  await stopServer(at)
  await dial(page).fill('-0.31')
  await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  await expect(page.getByRole('status', { name: 'Not sent yet' })).toContainText('Dryer circulation pump')
  await page.close({ runBeforeUnload: false })
  at = await startServer(folder, ['--port', String(port)])
  const again = await page.context().newPage()
  await again.goto(at.address)
  await expect
    .poll(async () => JSON.stringify((await ask(at, '/jobs/job-5')).body.document).includes('-0.31'), {
      timeout: 30_000,
    })
    .toBe(true)
  await expect(again.getByRole('status', { name: 'Not sent yet' })).toHaveCount(0)
  await again.close()
  await stopServer(at)
  throwAway(folder)
})

test('a server that is killed again and again while somebody types: what was said to be saved is there, and so is the rest in the end', async ({
  page,
}) => {
  const kills = process.env.LONG ? 8 : 2
  test.setTimeout(kills * 60_000)
  const folder = freshFolder()
  let at: Running = await startPlant(folder)
  const { port } = at
  await page.goto(`${at.address}/jobs/job-5/pre-checks`)
  const permit = page.getByLabel('Permit number')
  // the latest version that the page was told is stored
  let acknowledged = 0
  page.on('response', async (response) => {
    if (response.request().method() !== 'PUT' || response.status() !== 200) return
    const { version } = await response.json().catch(() => ({ version: 0 }))
    acknowledged = Math.max(acknowledged, version)
  })
  for (let kill = 0; kill < kills; kill++) {
    await permit.press('End')
    await permit.pressSequentially('abcde')
    // now in the middle of the work, now after all of it is stored
    if (kill % 2) await expect.poll(() => acknowledged).toBeGreaterThan(kill)
    const known = acknowledged
    await stopServer(at, 'SIGKILL')
    await permit.press('End')
    await permit.pressSequentially('x')
    await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
    at = await startServer(folder, ['--port', String(port)])
    expect((await ask(at, '/jobs/job-5')).body.version).toBeGreaterThanOrEqual(known)
  }
  const typed = await permit.inputValue()
  expect(typed).toHaveLength('SP-2207'.length + kills * 6)
  await expect
    .poll(async () => JSON.stringify((await ask(at, '/jobs/job-5')).body.document.ready), { timeout: 30_000 })
    .toContain(typed)
  await stopServer(at)
  throwAway(folder)
})

test('work on a job that is gone from the server can be thrown away; a job that is begun twice over is one', async ({
  page,
}) => {
  const folder = freshFolder()
  let at: Running = await startPlant(folder)
  const { port } = at
  // by way of the Floor, whose part of the page is there when the server is not
  await page.goto(at.address)
  await page.getByText(/job 5$/).click()
  await page.locator('a[href$="/readings"]').first().click()
  await expect(dial(page)).toBeVisible()
  await stopServer(at)
  await dial(page).fill('-0.31')
  await expect(page.getByText('Saved on this device only; can’t reach the server')).toBeVisible()
  await page.getByRole('link', { name: 'Jobs', exact: true }).click()
  // an empty plant at the same address: the job is not there
  const empty = freshFolder()
  at = await startServer(empty, ['--port', String(port)])
  const panel = page.getByRole('status', { name: 'Not sent yet' })
  await panel.getByRole('button', { name: /^Discard changes to Dryer circulation pump/ }).click()
  await panel.getByRole('button', { name: 'Discard' }).click()
  await expect(panel).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(panel).toHaveCount(0)

  // the answer to the new job is lost once: the work goes on here, and sending it again makes no second one
  let lost = 0
  await page.route('**/api/jobs', async (route) => {
    if (route.request().method() !== 'POST' || lost++ > 0) return route.continue()
    await route.fetch()
    await route.abort()
  })
  await page.goto(`${at.address}/new`)
  await page.getByLabel('Line name').fill('Rinse pump 9')
  await page.getByRole('button', { name: 'Create line and start job' }).click()
  await expect(page).toHaveURL(/\/jobs\/[^/]+\/dimensions/)
  await expect.poll(() => lost, { timeout: 30_000 }).toBeGreaterThan(1)
  await expect(page.getByText('Job 1, After overhaul', { exact: true })).toBeVisible()
  expect((await ask(at, '/jobs')).body.total).toBe(1)
  expect((await ask(at, '/lines')).body).toHaveLength(1)
  await stopServer(at)
  for (const one of [folder, empty]) throwAway(one)
})

test('a lost answer and a slow one: two windows of one browser never ask about themselves, and lose nothing', async ({
  context,
  demo,
}) => {
  // every third answer is lost on the way, the others take their time
  let requests = 0
  await context.route('**/api/jobs/job-5', async (route) => {
    if (route.request().method() !== 'PUT') return route.continue()
    const n = requests++
    const response = await route.fetch()
    await new Promise((go) => setTimeout(go, 300 + (n % 4) * 350))
    await (n % 3 === 1 ? route.abort() : route.fulfill({ response }))
  })
  const [one, two] = [await context.newPage(), await context.newPage()]
  for (const page of [one, two]) {
    await page.goto(`${demo}/jobs/job-5/readings`)
    await expect(dial(page)).toBeVisible()
  }
  for (let i = 0; i < 5; i++) {
    await dial(one).fill(`-0.${40 + i}`)
    const before = requests
    await pump(two).fill(`0.${10 + i}`)
    // both are being sent before the next is typed
    await expect.poll(() => requests).toBeGreaterThan(before)
  }
  for (const page of [one, two]) {
    await expect(page.getByText(/^Saved/)).toBeVisible({ timeout: 45_000 })
    await expect(page.getByRole('alert', { name: 'Conflicting changes' })).toHaveCount(0)
    await expect(dial(page)).toHaveValue(/0\.440?$/)
    await expect(pump(page)).toHaveValue(/0\.140?$/)
  }
})

for (const [what, spoil] of [
  [
    'full',
    () => {
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('no room', 'QuotaExceededError')
      }
    },
  ],
  [
    'forbidden',
    () => {
      Object.defineProperty(window, 'indexedDB', {
        get: () => {
          throw new DOMException('not here', 'SecurityError')
        },
      })
    },
  ],
] as const)
  test(`a store that is ${what}: every screen opens, and nothing is said to be kept`, async ({ page, demo }) => {
    await page.addInitScript(spoil)
    await page.goto(demo)
    await expect(page.getByRole('heading', { name: 'Jobs', exact: true })).toBeVisible()
    await page.goto(`${demo}/jobs/job-5/readings`)
    await expect(dial(page)).toBeVisible()
    await page.route('**/api/jobs/job-5', (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    )
    await dial(page).fill('-0.31')
    await expect(page.getByText('Not saved anywhere')).toBeVisible()
    await expect(page.getByText('Keep this page open until it is saved')).toBeVisible()
    await expect(page.getByText(/Kept here/)).toHaveCount(0)
    await page.unroute('**/api/jobs/job-5')
    await expect(page.getByText(/^Saved/)).toBeVisible({ timeout: 30_000 })
  })

test('what was taken away comes back after a reload', async ({ page, demo }) => {
  await page.goto(`${demo}/jobs/job-5/readings`)
  const cells = page.getByRole('textbox', { name: /, bottom, mil$/ })
  await expect(cells.first()).toBeVisible()
  const before = await cells.count()
  await page.getByRole('button', { name: 'Repeat the set' }).click()
  await expect(cells).toHaveCount(2 * before)
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.reload()
  await expect(cells).toHaveCount(2 * before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(cells).toHaveCount(before)
  await expect(page.getByText(/^Saved \d/)).toBeVisible()
  await page.reload()
  await expect(dial(page)).toBeVisible()
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(cells).toHaveCount(2 * before)
})

test('a page of another site, and one that borrows this one’s name, can do nothing to it', async ({ page, demo }) => {
  const { port } = new URL(demo)
  // another origin: a page served from elsewhere on this machine
  const { createServer } = await import('node:http')
  const stranger = createServer((_, response) =>
    response.setHeader('Content-Type', 'text/html').end('<title>stranger</title>'),
  )
  await new Promise<void>((ready) => stranger.listen(0, '127.0.0.1', ready))
  const strangerPort = (stranger.address() as { port: number }).port
  await page.goto(`http://127.0.0.1:${strangerPort}/`)
  const tries = await page.evaluate(async (site) => {
    const outcome = async (path: string, init: RequestInit) => {
      try {
        const response = await fetch(`${site}${path}`, init)
        return response.type === 'opaque' ? 'opaque' : String(response.status)
      } catch {
        return 'blocked'
      }
    }
    const socket = (path: string) =>
      new Promise<string>((done) => {
        const line = new WebSocket(`${site.replace('http', 'ws')}${path}`)
        line.onopen = () => done('open')
        line.onerror = () => done('refused')
      })
    return {
      read: await outcome('/api/jobs', {}),
      write: await outcome('/api/jobs/job-5/archived', {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: '{"archived":true}',
      }),
      post: await outcome('/api/solve', { method: 'POST', body: '{}', mode: 'no-cors' }),
      changes: await socket('/api/changes/live'),
      rig: await socket('/api/devices/dials/live'),
      odd: await socket('//'),
    }
  }, demo)
  expect(tries).toEqual({
    read: 'blocked',
    write: 'blocked',
    post: 'blocked',
    changes: 'refused',
    rig: 'refused',
    odd: 'refused',
  })
  stranger.close()
  // the same page under a name that was pointed here
  const borrowed = await page.request.get(`http://127.0.0.1:${port}/api/jobs`, {
    headers: { Host: `rebound.example:${port}` },
  })
  expect(borrowed.status()).toBe(403)
  await page.goto(demo)
  await expect(page.getByText(/job 5$/)).toBeVisible()
})

test('the Floor and the lists see what others store, without being looked at again', async ({ page, demo }) => {
  const put = (path: string, body: unknown) =>
    page.request.put(`${demo}/api${path}`, { data: body, headers: { 'Content-Type': 'application/json' } })
  await page.goto(demo)
  await expect(page.getByText(/job 5$/)).toBeVisible()
  await page.evaluate(() => Object.assign(window, { sameWindow: true }))
  expect((await put('/jobs/job-5/archived', { archived: true })).status()).toBe(200)
  await expect(page.getByText(/job 5$/)).toHaveCount(0)
  const line = await (await page.request.get(`${demo}/api/lines/line-1`)).json()
  await page.getByRole('link', { name: 'Machine lines', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Machine lines', exact: true })).toBeVisible()
  await expect(page.getByRole('link', { name: /Rinse pump 3/ })).toHaveCount(1)
  await put('/lines/line-1', { version: line.version, document: { ...line.document, name: 'Rinse pump 33' } })
  await expect(page.getByRole('link', { name: /Rinse pump 33/ })).toBeVisible()
  expect(await page.evaluate(() => 'sameWindow' in window)).toBe(true)
})

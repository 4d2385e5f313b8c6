/** `npm run screenshots`: one picture of each main view, from the demo plant, into docs/screenshots. */
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, chromium, main, packages, root } from './setup.mjs'

const views = [
  { name: 'floor', path: '/' },
  { name: 'line', path: '/jobs/job-4/dimensions' },
  { name: 'ready', path: '/jobs/job-9/pre-checks' },
  { name: 'seat', path: '/jobs/job-9/soft-foot' },
  { name: 'read', path: '/jobs/job-6/readings' },
  { name: 'move', path: '/jobs/job-4/moves', pause: 4000 },
  { name: 'move-mil-dark', path: '/jobs/job-3/moves?round=r1', scheme: 'dark', unit: 'mil' },
  { name: 'belt', path: '/jobs/job-43/moves' },
  { name: 'prove', path: '/jobs/job-2/verify' },
  { name: 'sign', path: '/jobs/job-4/sign' },
  { name: 'logbook', path: '/lines/line-1/logbook', pause: 800 },
  { name: 'site', path: '/site' },
  {
    name: 'move-live',
    path: '/jobs/job-20/moves',
    unfold: 'At the jack bolts',
    press: ['Try it on a simulated rig'],
    pause: 5000,
    view: 'section[aria-label="At the bolts"]',
  },
  {
    name: 'practice',
    path: '/practice/read-a-dial',
    practice: { seed: 350, turned: 180 },
  },
  { name: 'rolls', path: '/jobs/job-46/moves' },
  { name: 'bores', path: '/jobs/job-45/moves' },
  {
    name: 'read-live',
    path: '/jobs/job-7/readings',
    press: ['Done setting up', 'Live', 'Connect', 'Sweep', 'to aisle'],
    pause: 4500,
  },
  { name: 'kit', path: '/kit?item=kit-6' },
  // a site with a door, whose administrator has just come in
  { name: 'people', path: '/accounts', door: true },
]

/** Serves the made-up plant. @returns the process, its address, and the administrator's one-time code where it has a door */
async function serve(...args) {
  const folder = mkdtempSync(join(tmpdir(), 'vane-peg-'))
  const server = spawn(
    process.execPath,
    ['dist/server/server.js', '--demo', '--quiet', '--port', '0', '--data', folder, ...args],
    { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] },
  )
  let said = ''
  return new Promise((ready) =>
    server.stdout.on('data', (chunk) => {
      said += chunk
      const [address] = /http:\/\/\S+\w/.exec(said) ?? []
      if (address) ready({ server, address, code: /one-time code (\S+)/.exec(said)?.[1] })
    }),
  )
}

/** Comes in by the one-time code and invites two others. */
async function comeIn(page, { address, code }) {
  const who = { signIn: 'k.odell', password: 'kelp and barnacle' }
  const post = (path, data) => page.request.post(`${address}/api/${path}`, { data, headers: { Origin: address } })
  await post('door/claim', { ...who, code })
  await post('door/sign-in', who)
  await post('people', { name: 'I. Marsh', signIn: 'i.marsh', initials: 'I. M.', role: 'millwright' })
  await post('people', { name: 'R. Tollan', signIn: 'r.tollan', initials: 'R. T.', role: 'planner' })
}

await main(async () => {
  packages()
  build()
  const { chromium: browsers } = await import('@playwright/test')
  const open = await serve()
  const behind = await serve('--door')
  const browser = await browsers.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] })
  try {
    for (const {
      name,
      path,
      scheme = 'light',
      unit,
      width = 1280,
      height = 800,
      press = [],
      unfold,
      pause = 0,
      view,
      field,
      practice,
      door = false,
    } of views) {
      const context = await browser.newContext({
        viewport: { width, height },
        colorScheme: scheme,
        serviceWorkers: 'block',
        reducedMotion: 'reduce',
      })
      if (practice)
        await context.addInitScript(
          ({ seed, turned }) =>
            localStorage.setItem(
              'vane-peg-practice:read-a-dial',
              JSON.stringify({
                lesson: 'read-a-dial',
                seed,
                hands: { locked: true, turned, preset: 5, zero: 5 },
                answers: {},
                minutes: 9.5,
                hints: 1,
                unsafe: false,
                checked: false,
              }),
            ),
          practice,
        )
      const page = await context.newPage()
      const { address } = door ? behind : open
      if (door) await comeIn(page, behind)
      await page.goto(`${address}${path}`)
      await page.locator('#bench').waitFor()
      await page
        .locator(path === '/' ? 'ul[aria-label="Jobs"] li' : '#bench')
        .first()
        .waitFor()
      await page.evaluate(() => document.fonts.ready)
      await page.waitForFunction(() => !document.querySelector('[aria-busy]'))
      if (unit) await page.getByText(unit, { exact: true }).first().click()
      if (unfold) await page.getByRole('heading', { name: unfold }).click()
      for (const name of press) await page.getByRole('button', { name, exact: true }).click()
      if (field) await page.getByLabel(field).click()
      if (pause) await page.waitForTimeout(pause)
      if (view) await page.locator(view).evaluate((part) => part.scrollIntoView({ block: 'end' }))
      await page.screenshot({ path: join(root, 'docs', 'screenshots', `${name}.png`) })
      await context.close()
    }
  } finally {
    await browser.close()
    for (const { server } of [open, behind]) server.kill()
  }
})

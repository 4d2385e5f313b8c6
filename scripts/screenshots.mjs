/** `npm run screenshots`: one picture of each main view, from the demo plant, into docs/screenshots. */
import { spawn } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { build, chromium, main, packages, root } from './setup.mjs'

const views = [
  { name: 'floor', path: '/' },
  { name: 'line', path: '/jobs/job-4/line' },
  { name: 'ready', path: '/jobs/job-9/ready' },
  { name: 'seat', path: '/jobs/job-9/seat' },
  { name: 'read', path: '/jobs/job-6/read' },
  { name: 'move', path: '/jobs/job-4/move' },
  { name: 'move-mil-dark', path: '/jobs/job-3/move?round=r1', scheme: 'dark', settings: { unit: 'mil' } },
  { name: 'belt', path: '/jobs/job-43/move' },
  { name: 'upright', path: '/jobs/job-22/move' },
  { name: 'prove', path: '/jobs/job-2/prove' },
  { name: 'sign', path: '/jobs/job-4/sign' },
  { name: 'logbook', path: '/lines/line-1/logbook', pause: 800 },
  { name: 'site', path: '/site' },
  {
    name: 'move-live',
    path: '/jobs/job-20/move',
    press: ['Try it on a simulated rig'],
    pause: 5000,
    view: 'section[aria-label="At the bolts"]',
  },
  {
    name: 'pad',
    path: '/jobs/job-5/read',
    settings: { pad: true },
    field: 'Motor dial, bottom, mm',
    width: 1180,
    height: 820,
  },
  { name: 'rolls', path: '/jobs/job-46/move' },
  { name: 'bores', path: '/jobs/job-45/move' },
  {
    name: 'read-live',
    path: '/jobs/job-7/read',
    press: ['Done setting up', 'Live', 'Connect', 'Sweep', 'to aisle'],
    pause: 4500,
  },
  { name: 'kit', path: '/kit?item=kit-6' },
]

await main(async () => {
  packages()
  build()
  const { chromium: browsers } = await import('@playwright/test')
  const server = spawn(
    process.execPath,
    ['dist/server/server.js', '--demo', '--quiet', '--port', '0', '--data', mkdtempSync(join(tmpdir(), 'vane-peg-'))],
    { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] },
  )
  const address = await new Promise((found) =>
    server.stdout.on('data', (said) => found(/http:\/\/\S+\w/.exec(said)[0])),
  )
  const browser = await browsers.launch({ executablePath: chromium(), args: ['--no-sandbox', '--disable-gpu'] })
  try {
    for (const {
      name,
      path,
      scheme = 'light',
      settings = {},
      width = 1280,
      height = 800,
      press = [],
      pause = 0,
      view,
      field,
    } of views) {
      const context = await browser.newContext({
        viewport: { width, height },
        colorScheme: scheme,
        serviceWorkers: 'block',
        reducedMotion: 'reduce',
      })
      await context.addInitScript(
        (chosen) => localStorage.setItem('vane-peg:settings', JSON.stringify(chosen)),
        settings,
      )
      const page = await context.newPage()
      await page.goto(`${address}${path}`)
      await page.locator('#bench').waitFor()
      await page
        .locator(path === '/' ? 'ul[aria-label="Jobs"] li' : '#bench')
        .first()
        .waitFor()
      await page.evaluate(() => document.fonts.ready)
      await page.waitForFunction(() => !document.querySelector('[aria-busy]'))
      for (const name of press) await page.getByRole('button', { name, exact: true }).click()
      if (field) await page.getByLabel(field).click()
      if (pause) await page.waitForTimeout(pause)
      if (view) await page.locator(view).evaluate((part) => part.scrollIntoView({ block: 'end' }))
      await page.screenshot({ path: join(root, 'docs', 'screenshots', `${name}.png`) })
      await context.close()
    }
  } finally {
    await browser.close()
    server.kill()
  }
})

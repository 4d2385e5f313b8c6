import { defineConfig } from '@playwright/test'

/** The real page and server, with a fresh database for every worker, in Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/page',
  fullyParallel: true,
  workers: 3,
  timeout: 90_000,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/page.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
})

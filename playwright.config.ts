import { defineConfig } from '@playwright/test'

/**
 * The real page and server, with a fresh database for every test, in Debian's Chromium: past its wrapper, whose flags for a
 * desktop make every test a sixth slower.
 */
export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/begin.ts',
  outputDir: 'test-results/page',
  fullyParallel: true,
  workers: 4,
  // on a machine that others use a page may miss its time once; what passes only on its second try is named in the end
  retries: 0,
  timeout: 180_000,
  expect: { timeout: 25_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/page.json' }]],
  use: {
    contextOptions: { reducedMotion: 'reduce' },
    // what a page stores of itself would be fetched for every test; `offline.spec.ts` allows it
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/lib/chromium/chromium',
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

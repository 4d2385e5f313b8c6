import { defineConfig } from 'vitest/config'

/**
 * Screens as people have them: React's own build for use, which is some times quicker than the one that looks for mistakes.
 * `src/testing/screens.ts` shows them.
 */
const screens = ['src/web/**/*.screen.test.tsx']

/** A worker loads what it needs once, and not once for each file: nothing that a test changes is left changed for the next. */
const shared = {
  isolate: false,
  setupFiles: ['src/testing/kinds.ts'],
  testTimeout: 60_000,
  hookTimeout: 60_000,
}

export default defineConfig({
  test: {
    pool: 'threads',
    // one more than there are cores: a screen waits for its server a good part of the time
    maxWorkers: 3,
    projects: [
      {
        test: { ...shared, name: 'unit', include: ['src/**/*.test.{ts,tsx}'], exclude: screens },
      },
      {
        oxc: { jsx: { runtime: 'automatic', development: false } },
        test: {
          ...shared,
          name: 'screens',
          include: screens,
          globalSetup: ['./src/testing/begin.ts'],
          environment: 'happy-dom',
          env: { NODE_ENV: 'production' },
        },
      },
    ],
  },
})

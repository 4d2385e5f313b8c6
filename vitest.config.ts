import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.{ts,tsx}'],
    environment: 'node',
    setupFiles: ['src/testing/kinds.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    isolate: false,
    pool: 'threads',
    maxWorkers: 2,
  },
})

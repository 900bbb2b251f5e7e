import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '#core': fileURLToPath(new URL('./core', import.meta.url)),
      '~': fileURLToPath(new URL('./app', import.meta.url)),
    },
  },
  test: {
    include: ['core/**/*.test.ts', 'app/**/*.test.ts', 'server/**/*.test.ts', 'tests/reference/**/*.test.ts'],
    environment: 'node',
    restoreMocks: true,
    testTimeout: 60_000,
    // Left to itself it keeps one of two cores free.
    maxWorkers: 2,
  },
})

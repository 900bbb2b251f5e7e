import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** What `npm run mutate` runs for each change: the tests that it names. */
export default defineConfig({
  resolve: {
    alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)), '~': fileURLToPath(new URL('./app', import.meta.url)) },
  },
  test: {
    environment: 'node',
    restoreMocks: true,
    testTimeout: 60_000,
    include: (process.env.MUTATE_TESTS ?? '').split(',').filter(Boolean),
  },
})

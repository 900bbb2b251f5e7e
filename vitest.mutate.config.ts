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
    // Stryker turns a change on where a test file is set up: without this only the first of them would see it.
    isolate: true,
    setupFiles: ['tests/setup.ts'],
    include: (process.env.MUTATE_TESTS ?? '').split(',').filter(Boolean),
    // What looks at the files themselves finds a copy of them changed; the others take minutes for each change that lives.
    exclude: [
      'tests/reference/house.test.ts',
      'tests/reference/{cover-*,cutting,hanging,paths,basket}.test.ts',
      'tests/net/**',
      'core/first-layers.test.ts',
    ],
  },
})

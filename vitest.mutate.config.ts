import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const path = (of: string): string => fileURLToPath(new URL(of, import.meta.url))

/** What `npm run mutate` runs for each change: the tests that it names. */
export default defineConfig({
  resolve: {
    alias: { '#core': path('./core'), '~': path('./app'), '#app': path('./tests/nuxt.ts') },
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

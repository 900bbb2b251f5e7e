import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** Tests that take over eight seconds by themselves. */
const LONG = [
  'core/beginning.test.ts',
  'core/workings.test.ts',
  'core/budget.test.ts',
  'core/resize.test.ts',
  'core/truth.test.ts',
  'core/fix/fix.test.ts',
  'core/exchange/attack.test.ts',
  'core/arrange/slots.test.ts',
  'core/cover/cover.test.ts',
  'core/plant/**',
  'core/scene/**',
  'app/stores/bench.test.ts',
  'tests/laws/piece.test.ts',
  'tests/reference/{cutting,hanging,paths,species,thumbs,picture,letters}.test.ts',
]

/** What `npm run mutate` runs for each change: the tests that it names. */
export default defineConfig({
  resolve: {
    alias: { '#core': fileURLToPath(new URL('./core', import.meta.url)), '~': fileURLToPath(new URL('./app', import.meta.url)) },
  },
  test: {
    environment: 'node',
    restoreMocks: true,
    testTimeout: 60_000,
    // As in `npm test`: the core keeps no state that its tests may not share, and a change is tried many times sooner.
    isolate: /(^|,)app\//.test(process.env.MUTATE_TESTS ?? ''),
    setupFiles: ['tests/seeded.ts'],
    include: (process.env.MUTATE_TESTS ?? '').split(',').filter(Boolean),
    // What lives is asked of every test that reaches it: those that take long are left out of a sample, so its score is a lower bound.
    // What looks at the files themselves finds a copy of them changed, and what paints them takes minutes to say nothing of sums.
    exclude: ['tests/reference/house.test.ts', 'tests/reference/cover-*.test.ts', 'tests/net/**', ...(process.env.MUTATE_LONG ? [] : LONG)],
  },
})

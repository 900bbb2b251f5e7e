import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const alias = {
  '#core': fileURLToPath(new URL('./core', import.meta.url)),
  '~': fileURLToPath(new URL('./app', import.meta.url)),
}

export default defineConfig({
  resolve: { alias },
  test: {
    environment: 'node',
    restoreMocks: true,
    globalSetup: ['tests/prepare.ts'],
    setupFiles: ['tests/setup.ts'],
    // What hangs is found; what is slow is told by the runner, and how slow a busy machine is says nothing of the code.
    testTimeout: 300_000,
    // Left to itself it keeps one of two cores free.
    maxWorkers: 2,
    projects: [
      // The core keeps no state but what it remembers of drawings, which its tests may share: they take half the time so.
      {
        extends: true,
        test: {
          name: 'core',
          include: ['core/**/*.test.ts', 'tests/reference/**/*.test.ts', 'tests/net/**/*.test.ts', 'tests/laws/**/*.test.ts'],
          isolate: false,
        },
      },
      { extends: true, test: { name: 'app', include: ['app/**/*.test.ts', 'server/**/*.test.ts'] } },
    ],
  },
})

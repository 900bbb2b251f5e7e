import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { BUNDLED, bundledCore } from './tests/bundled-core.ts'

const path = (of: string): string => fileURLToPath(new URL(of, import.meta.url))
const app = [
  { find: '~', replacement: path('./app') },
  { find: '#app', replacement: path('./tests/nuxt.ts') },
]
const plain = [{ find: '#core', replacement: path('./core') }, ...app]
/** Each of the app's tests has its own modules, and would read the four hundred of the core again; laws and reference run it for minutes. */
const bundled = BUNDLED ? [...bundledCore(), ...app] : plain

export default defineConfig({
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
      { extends: true, resolve: { alias: plain }, test: { name: 'core', include: ['core/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        resolve: { alias: bundled },
        test: {
          name: 'outside',
          include: ['tests/reference/**/*.test.ts', 'tests/net/**/*.test.ts', 'tests/laws/**/*.test.ts'],
          isolate: false,
        },
      },
      { extends: true, resolve: { alias: bundled }, test: { name: 'app', include: ['app/**/*.test.ts', 'server/**/*.test.ts'] } },
    ],
  },
})

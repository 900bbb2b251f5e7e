import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './scripts/prerequisites.mjs'

const serve = (port: number, demo: boolean) => ({
  command: 'node .output/server/index.mjs',
  url: `http://127.0.0.1:${port}/`,
  reuseExistingServer: false,
  env: { PORT: String(port), HOST: '127.0.0.1', NUXT_PUBLIC_DEMO: String(demo) },
})

/** One server as a new user's, without pieces, and one with the demo. */
export const PLAIN = 4181
export const DEMO = 4182

export default defineConfig({
  testDir: 'tests/e2e',
  // What each of these catches a quicker test catches nearly always; `npm run test:long` drives them as well.
  grepInvert: /@long/,
  outputDir: 'test-results/e2e',
  timeout: 180_000,
  expect: { timeout: 20_000 },
  fullyParallel: true,
  workers: 2,
  retries: process.env.CI ? 1 : 0,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PLAIN}`,
    viewport: { width: 1280, height: 800 },
    contextOptions: { reducedMotion: 'reduce' },
    // Each test is a first visit; what works offline is tested by itself.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: CHROMIUM,
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
  webServer: [serve(PLAIN, false), serve(DEMO, true)],
})

import base from './playwright.config'

/** What takes too long for every run: `npm run test:long`, or `npm run test:long -- tabs` for one of them. */
export default {
  ...base,
  testDir: 'tests/long',
  outputDir: 'test-results/long',
  timeout: 600_000,
  workers: 1,
  reporter: [['list']] as const,
  use: { ...base.use, actionTimeout: 60_000 },
}

import base from './playwright.config'

const { grepInvert: _, ...usual } = base
/** What takes too long for every run: `npm run test:long`, or `npm run test:long -- tabs` for one of them. */
export default {
  ...usual,
  outputDir: 'test-results/long',
  timeout: 600_000,
  workers: 1,
  reporter: [['list']] as const,
  use: { ...base.use, actionTimeout: 60_000 },
  projects: [
    { name: 'long', testDir: 'tests/long' },
    { name: 'interface', testDir: 'tests/e2e', grep: /@long/ },
  ],
}

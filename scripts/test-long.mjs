// What takes too long for every run: all of what each test tries a part of, the laws over 20,000 random workrooms, and upgrades,
// archives, kills, tabs, an update and a crowd in the browser. `npm run test:long -- tabs` runs what of the latter is called so.
import { browser, built, installed, run } from './prerequisites.mjs'

installed()
browser()
await built()
const asked = process.argv.slice(2)
const unit = asked.length > 0 || run('npx', ['vitest', 'run'], { LONG: 'true', LAWS: process.env.LAWS ?? '20000' })
const driven = run('npx', ['playwright', 'test', '--config', 'playwright.long.config.ts', ...asked])
process.exit(unit && driven ? 0 : 1)

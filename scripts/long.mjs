// What takes too long for every run: upgrades, archives, kills, tabs, an update and a crowd, in the browser.
import { browser, built, installed, run } from './prerequisites.mjs'

installed()
browser()
await built()
process.exit(run('npx', ['playwright', 'test', '--config', 'playwright.long.config.ts', ...process.argv.slice(2)]) ? 0 : 1)

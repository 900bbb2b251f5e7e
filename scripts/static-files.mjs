// Writes the app as files alone, for a host that serves nothing else: `node scripts/static-files.mjs folder`. Every address is the same page.
import { cpSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { built, installed, root } from './prerequisites.mjs'
import { serving } from './serve.mjs'

const folder = process.argv[2]
if (!folder) {
  console.error('Say where to: node scripts/static-files.mjs folder')
  process.exit(1)
}
installed()
await built()
cpSync(join(root, '.output/public'), resolve(folder), { recursive: true })
await serving(
  4186,
  async (site) => {
    const page = await (await fetch(site)).text()
    for (const name of ['index.html', '404.html']) writeFileSync(join(resolve(folder), name), page)
  },
  { demo: false },
)
console.log(`The app is in ${resolve(folder)}; an address that is no file is answered with index.html.`)

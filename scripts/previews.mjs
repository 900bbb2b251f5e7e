// Paints the previews that the demo ships, so that a first visit shows them at once; `--check` says whether they are of the drawing
// as it is: where they are not, every first visit paints them anew.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { fingerprints } from './fingerprints.mjs'
import { browser, built, installed, root } from './prerequisites.mjs'
import { BROWSER, serving } from './serve.mjs'

const FILE = join(root, 'server/assets/demo-previews.json')
if (process.argv.includes('--check')) {
  const fresh = JSON.parse(readFileSync(FILE, 'utf8')).painter === fingerprints().looks
  if (!fresh) console.error('The previews of the demo are of another drawing: run node scripts/previews.mjs')
  process.exit(fresh ? 0 : 1)
}
installed()
browser()
await built()
await serving(4184, async (site) => {
  const chrome = await chromium.launch(BROWSER)
  const page = await chrome.newPage({ viewport: { width: 1280, height: 1600 }, serviceWorkers: 'block' })
  // Without those that were shipped before, so that all are painted now.
  await page.route('**/api/demo', async (route) => {
    const answer = await route.fetch()
    await route.fulfill({ response: answer, json: { ...(await answer.json()), previews: null } })
  })
  await page.goto(site)
  await page.getByTestId('piece').nth(8).waitFor()
  await page.waitForFunction(() => [...document.querySelectorAll('[data-testid=piece]')].every((card) => card.querySelector('img')), null, {
    timeout: 180_000,
  })
  const records = await page.evaluate(async () => {
    const db = await new Promise((resolve, reject) => {
      const asked = indexedDB.open('ruddy-bramble')
      asked.onsuccess = () => resolve(asked.result)
      asked.onerror = () => reject(asked.error)
    })
    const all = await new Promise((resolve) => {
      const asked = db.transaction('previews').objectStore('previews').getAll()
      asked.onsuccess = () => resolve(asked.result)
    })
    return Promise.all(
      all.map(async ({ picture, ...of }) => {
        const bytes = new Uint8Array(await picture.arrayBuffer())
        let text = ''
        for (const byte of bytes) text += String.fromCharCode(byte)
        return { ...of, picture: btoa(text) }
      }),
    )
  })
  const [, shelf] = records[0].key.split('.')
  const of = Object.fromEntries(records.sort((a, b) => a.id.localeCompare(b.id)).map(({ id, view, picture }) => [id, { view, picture }]))
  writeFileSync(FILE, `${JSON.stringify({ shelf, painter: records[0].key.split('.')[2], of }, null, 1)}\n`)
  console.log(`${records.length} previews`)
  await chrome.close()
})

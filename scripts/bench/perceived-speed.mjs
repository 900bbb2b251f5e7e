// What a person waits for, measured in the running app: previews, held keys, edits.
import { chromium } from '@playwright/test'
import { BROWSER, serving } from '../serve.mjs'

const median = (times) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]
const CARDS = '[data-testid=piece]'

/** Time to the titles, and to all previews in view, ms. */
async function visit(page, site, cards) {
  const since = Date.now()
  await page.goto(site)
  await page
    .locator(CARDS)
    .nth(cards - 1)
    .waitFor()
  const titles = Date.now() - since
  await page.waitForFunction(
    ([css, n]) => [...document.querySelectorAll(css)].slice(0, n).every((card) => card.querySelector('img')?.complete),
    [CARDS, cards],
    { timeout: 300_000 },
  )
  return { titles, all: Date.now() - since }
}

/** A page of a browser that never was here. @param shipped whether the demo's own previews come along */
async function fresh(chrome, shipped = true) {
  const context = await chrome.newContext({ viewport: { width: 1280, height: 1100 }, serviceWorkers: 'block' })
  const page = await context.newPage()
  if (!shipped) {
    await page.route('**/api/demo', async (route) => {
      const answer = await route.fetch()
      await route.fulfill({ response: answer, json: { ...(await answer.json()), previews: null } })
    })
  }
  return page
}

/** Takes copies of a piece in, so many. */
async function copies(page, text, count) {
  const piece = JSON.parse(text)
  const files = Array.from({ length: count }, (_, i) => ({
    name: `${i}.json`,
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...piece, id: `copy-${i}`, brief: { ...piece.brief, name: `Copy ${i}` } })),
  }))
  await page.getByLabel('A piece file').setInputFiles(files)
  await page.waitForFunction((n) => document.querySelector('[role=list]')?.getAttribute('aria-label') === `Pieces, ${n}`, count, {
    timeout: 120_000,
  })
}

/** Main-thread time of one nudge by key, ms: the median of several, each until its answer is painted. */
async function nudging(page) {
  const devtools = await page.context().newCDPSession(page)
  await devtools.send('Performance.enable')
  const busy = async () => (await devtools.send('Performance.getMetrics')).metrics.find(({ name }) => name === 'TaskDuration').value * 1000
  const times = []
  for (let i = 0; i < 12; i++) {
    const before = await busy()
    await page.keyboard.press('ArrowRight')
    await page.waitForTimeout(500)
    times.push((await busy()) - before)
  }
  // Half a second of the page at rest is not the nudge's.
  const before = await busy()
  await page.waitForTimeout(500)
  return median(times) - ((await busy()) - before)
}

/** Share of held keys, 33 ms apart, that were seen: the canvas of what is moved is cleared once for each answer that is shown. */
async function held(page) {
  await page.evaluate(() => {
    window.repaints = 0
    const [, moving] = document.querySelectorAll('[data-testid=drawing] .konvajs-content canvas')
    const clear = CanvasRenderingContext2D.prototype.clearRect
    CanvasRenderingContext2D.prototype.clearRect = function (...box) {
      if (this.canvas === moving) window.repaints += 1
      return clear.apply(this, box)
    }
  })
  const KEYS = 40
  for (let i = 0; i < KEYS; i++) {
    const since = Date.now()
    await page.keyboard.down('ArrowRight')
    await page.waitForTimeout(Math.max(0, 33 - (Date.now() - since)))
  }
  const seen = await page.evaluate(() => window.repaints)
  await page.keyboard.up('ArrowRight')
  return seen / KEYS
}

async function onBench(page, site, piece) {
  await page.goto(`${site}/piece/${piece}`)
  await page.waitForFunction(() => document.querySelector('[data-testid=drawing]')?.dataset.sharp === 'true', null, { timeout: 120_000 })
  await page.getByTestId('tape').getByRole('option').nth(3).click()
  await page.waitForTimeout(1500)
}

/** @param thousand the file of a piece of 1,000 stems @param small of a piece of 42 */
export async function feltOf(thousand, small) {
  const found = {}
  await serving(4185, async (site) => {
    const chrome = await chromium.launch(BROWSER)
    const page = await fresh(chrome)
    found.first = await visit(page, site, 8)
    await page.waitForTimeout(1500)
    const again = []
    for (let i = 0; i < 3; i++) again.push(await visit(page, site, 8))
    found.second = again.sort((a, b) => a.all - b.all)[1]
    const cold = await fresh(chrome, false)
    found.cold = await visit(cold, site, 8)

    const many = await fresh(chrome)
    await many.route('**/api/demo', (route) => route.fulfill({ json: { pieces: [], previews: null } }))
    await many.goto(site)
    await many.waitForTimeout(800)
    await copies(many, small, 9)
    await many.waitForFunction(([css]) => [...document.querySelectorAll(css)].every((card) => card.querySelector('img')), [CARDS], {
      timeout: 120_000,
    })
    found.nine = await visit(many, site, 9)
    const crowd = await fresh(chrome)
    await crowd.route('**/api/demo', (route) => route.fulfill({ json: { pieces: [], previews: null } }))
    await crowd.goto(site)
    await crowd.waitForTimeout(800)
    await copies(crowd, small, 200)
    await crowd.waitForFunction(
      ([css]) => [...document.querySelectorAll(css)].slice(0, 9).every((card) => card.querySelector('img')),
      [CARDS],
      { timeout: 120_000 },
    )
    found.among = await visit(crowd, site, 9)
    await onBench(crowd, site, 'copy-0')
    found.crowd = { nudge: await nudging(crowd) }
    await crowd.context().close()

    const bench = await fresh(chrome)
    await bench.goto(site)
    await bench.locator(CARDS).first().waitFor()
    for (const text of [thousand, small])
      await bench.getByLabel('A piece file').setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(text) })
    await bench.waitForTimeout(1500)
    for (const [name, text] of [
      ['thousand', thousand],
      ['few', small],
    ]) {
      await onBench(bench, site, JSON.parse(text).id)
      found[name] = { nudge: await nudging(bench), held: await held(bench) }
    }
    await chrome.close()
  })
  return found
}

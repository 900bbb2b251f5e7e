import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import type { BaseKind } from '../../core/base'
import { BASE_KINDS, BASE_SORTS, runsOf, stationAt } from '../../core/base'
import { plainShelf } from '../../core/material'
import type { Piece } from '../../core/piece'
import { work } from '../../core/workings'
import { addLayer, drag, exported, figure, fill, pieceOn, pixelOf, startPiece, takeIn } from './bench'

const count = (page: Page): Promise<number> => figure(page, 'On the base').textContent().then(Number)
const undo = (page: Page, words: RegExp) => page.getByRole('button', { name: words })

/** A pixel on the topmost thing of a piece, where nothing lies over it, and one some way along its run. */
async function gripOf(page: Page, piece: Piece): Promise<{ from: { x: number; y: number }; to: { x: number; y: number } }> {
  const { placements, scene } = work(piece, plainShelf())
  const top = scene.items.at(-1)!
  const placement = placements.find(({ id }) => id === top.id)!
  const run = runsOf(piece.base).find(({ id }) => id === placement.run)!
  const here = stationAt(run, placement.s)
  const back = placement.s > run.length / 2 && !run.closed ? -1 : 1
  const there = stationAt(run, placement.s + back * Math.min(90, run.length / 5))
  const from = await pixelOf(page, top)
  const shift = await pixelOf(page, { x: top.x + there.x - here.x, y: top.y + there.y - here.y })
  return { from, to: shift }
}

/** A ring, one of many runs, one of two arms and an open one go the whole way; one of them in every run. */
const WHOLE: readonly BaseKind[] = ['grapevine', 'letter', 'tree-swag', 'door-garland']

/** The others are opened one after the other, as in an evening at the bench: half of them in every run, in each of two browsers. */
const SHORT = BASE_KINDS.filter((each) => !WHOLE.includes(each))
for (const quarter of [0, 1, 2, 3]) {
  test.describe(`an evening at the bench, ${quarter + 1} of 4`, { tag: quarter < 2 ? [] : ['@long'] }, () => {
    test.describe.configure({ mode: 'default' })
    let page: Page
    test.beforeAll(async ({ browser }) => {
      page = await browser.newPage()
      await page.goto('/')
    })
    test.afterAll(() => page.close())

    for (const kind of SHORT.filter((_, i) => i % 4 === quarter)) {
      test(`${kind}: opened, counted, shown with its measures, moved by key`, async () => {
        const piece = pieceOn(`A ${kind}`, kind, ['bay', 'heather'], { rule: { kind: 'compass', count: 9, start: 0 } })
        await takeIn(page, piece)
        const expected = work(piece, plainShelf())
        await expect.poll(() => count(page)).toBe(expected.placements.length)
        // Sines of the browser and of this process differ in their last place: a cell whose middle lies on an edge falls to either side.
        await expect
          .poll(async () =>
            Math.abs(Number.parseFloat((await figure(page, 'Face covered').textContent()) ?? '') - 100 * expected.cover.share.value),
          )
          .toBeLessThan(0.15)
        await page.getByRole('application').focus()
        await page.keyboard.press('.')
        await expect(page.getByTestId('chosen')).toBeVisible()
        await page.keyboard.press('ArrowRight')
        await expect(undo(page, /^Undo: slide /)).toBeEnabled()
        await page.keyboard.press('Control+z')
        await page.getByRole('button', { name: 'Base', exact: true }).click()
        await expect(page.getByRole('radio', { name: BASE_SORTS[kind].name, exact: true })).toBeChecked()
        await expect(page.getByTestId('tally').getByRole('button', { name: /^Weight of the base: / })).toHaveText(/\d/)
        await expect(page.getByTestId('drawing')).toHaveAttribute('data-sharp', 'true')
        await page.getByRole('link', { name: 'Workroom' }).click()
      })
    }
  })
}

for (const kind of WHOLE) {
  const tag = kind === 'tree-swag' ? [] : ['@long']
  test(
    `${kind}: started, laid out, evened, edited on both views, undone, saved, exported and read back`,
    { tag },
    async ({ page, browser }) => {
      await startPiece(page, `A ${kind}`)
      await page.getByRole('button', { name: 'Base', exact: true }).click()
      await page.getByRole('radio', { name: BASE_SORTS[kind].name, exact: true }).click()
      const plain = page.getByTestId('tally')
      await expect(plain.getByRole('button', { name: /^Weight of the base: / })).toHaveText(/\d/)
      const { piece: bare } = await exported(page)
      expect(bare.base.kind).toBe(kind satisfies BaseKind)
      const runs = runsOf(bare.base)

      await page.getByRole('button', { name: 'Stems', exact: true }).click()
      const greens = await addLayer(page, 'bay sprig')
      await greens.getByLabel('Placing rule').selectOption('Compass')
      await fill(greens, 'How many', '9')
      const fillers = await addLayer(page, 'heather')
      await fillers.getByLabel('Placing rule').selectOption('Scatter')
      await fill(fillers, 'How many', '7')
      const accents = await addLayer(page, 'small cone')
      await accents.getByLabel('Placing rule').selectOption('N against M')
      await fill(accents, 'How many', '5')
      // Greenery goes on every run of a base; what is laid over it on the first, or on all arms of an open one.
      await expect.poll(() => count(page)).toBe(9 * runs.length + 12 * (runs[0]!.closed ? 1 : runs.length))

      await test.step('even it out', async () => {
        const mark = page.getByTestId('tape').getByRole('option', { name: /^small cone 2,/ })
        await mark.focus()
        await page.keyboard.press('Enter')
        for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowRight')
        await page.getByRole('button', { name: 'Even it out' }).click()
        await expect(page.getByTestId('evened')).toContainText('Uneven now')
        const read = (label: string) =>
          page
            .getByTestId('evened')
            .getByRole('button', { name: new RegExp(`^${label}`) })
            .textContent()
            .then(Number)
        expect(await read('Uneven now')).toBeLessThan(await read('Uneven before'))
        await undo(page, /^Undo: even it out/).click()
        await expect(undo(page, /^Undo: (slide|move) small cone 2/)).toBeEnabled()
      })

      await test.step('by hand on the drawing and on the tape', async () => {
        const { piece } = await exported(page)
        const { from, to } = await gripOf(page, piece)
        await drag(page, from, to)
        await expect(undo(page, /^Undo: (slide|move) /)).toBeEnabled()
        await expect(page.getByTestId('chosen')).toBeVisible()
        await page.keyboard.press('Control+z')
        const mark = page
          .getByTestId('tape')
          .getByRole('option', { name: /^small cone \d+,/ })
          .nth(1)
        const box = (await mark.boundingBox())!
        await drag(page, { x: box.x + box.width / 2, y: box.y + 6 }, { x: box.x + box.width / 2 + 14, y: box.y + 6 })
        await expect(undo(page, /^Undo: slide small cone \d+/)).toBeEnabled()
      })

      await test.step('export and read back', async () => {
        const { text } = await exported(page)
        const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
        const there = await other.newPage()
        await there.goto('/')
        await there
          .getByLabel('A piece file')
          .setInputFiles({ name: 'piece.json', mimeType: 'application/json', buffer: Buffer.from(text) })
        await there.getByRole('button', { name: /^More about/ }).click()
        const [again] = await Promise.all([there.waitForEvent('download'), there.getByRole('menuitem', { name: 'Export as JSON' }).click()])
        expect(readFileSync(await again.path(), 'utf8')).toBe(text)
        await other.close()
      })
    },
  )
}

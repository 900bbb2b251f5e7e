import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { layerOf } from '../../core/testing'
import { addLayer, drag, exported, fill, onDrawing, openPiece, pieceOn } from './bench'

const undo = (page: Page, words: RegExp | string) => page.getByRole('button', { name: words })
const chosen = (page: Page) => page.getByTestId('chosen')
const layers = (page: Page) => page.getByTestId('layer')
/** The middle of the face of the usual ring, mm. */
const MIDDLE = ((18 + 13) / 4) * 25.4

/** Four dahlias at the quarters, and whatever else. */
async function dahlias(page: Page, name: string, ...more: ReturnType<typeof layerOf>[]): Promise<void> {
  const heads = layerOf('heads', 'dahlia', { kind: 'compass', count: 4, start: 0 }, { clear: false })
  await openPiece(page, { ...pieceOn(name, 'grapevine', []), layers: [heads, ...more] })
}

test('a layer lies on the things of another: it is said in its card, goes on the sheet, and moves with them', async ({ page }) => {
  await dahlias(page, 'Borne ring')
  const layer = await addLayer(page, 'acorn')
  await layer.getByLabel('Placing rule').selectOption('On things')
  await expect(layer.getByLabel('On the things of')).toHaveValue('heads')
  await expect(layers(page).last()).toContainText('4 acorns')
  await layer.getByLabel('On which').selectOption('On every so many')
  await expect(layers(page).last()).toContainText('2 acorns')
  await fill(layer, 'Beginning with', '2')
  await layer.getByLabel('Where on it').selectOption('At a place of its own')
  await fill(layer, 'To the tip or right, %', '50')
  const { piece } = await exported(page)
  expect(piece.layers[1]!.rule).toMatchObject({ kind: 'on', of: 'heads', every: 2, from: 2, spot: 'place', along: 0.5 })
  await layer.getByLabel('On which').selectOption('On each of them')
  await layer.getByLabel('Where on it').selectOption('In the middle')

  // At nine o'clock lies the fourth: it is dragged, and its acorn with it.
  const nine = await onDrawing(page, 270, MIDDLE)
  const half = await onDrawing(page, 285, MIDDLE)
  const beside = { x: 0, y: -28 }
  await drag(page, { x: nine.x, y: nine.y + beside.y }, { x: half.x, y: half.y + beside.y })
  await expect(undo(page, /^Undo: slide wine dahlia 4 to/)).toBeEnabled()
  // It lies there once it is worked out.
  await expect(chosen(page)).toContainText('wine dahlia 4 · 9:30')
  await page.mouse.click(half.x, half.y)
  await expect(chosen(page)).toContainText('acorn 4 · on wine dahlia 4')

  await page.getByRole('link', { name: 'Make sheet' }).click()
  await expect(page.getByText('On each of 4 wine dahlias, in the middle.')).toBeVisible()
})

test('what is dropped or dragged onto a thing lies on it, and dragged off it lies on the base', async ({ page }) => {
  await dahlias(page, 'Dropped ring')
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('searchbox', { name: 'Find a material' }).fill('acorn')
  const acorn = page.getByRole('group', { name: 'Materials' }).getByRole('button').first()
  const drawing = page.getByTestId('drawing')
  const dropAt = async (degrees: number): Promise<void> => {
    const [at, box] = [await onDrawing(page, degrees, MIDDLE), (await drawing.boundingBox())!]
    await acorn.dragTo(drawing, { targetPosition: { x: at.x - box.x, y: at.y - box.y } })
  }
  await dropAt(90)
  await expect(undo(page, 'Undo: put acorn on wine dahlia 2')).toBeEnabled()
  await expect(layers(page)).toHaveCount(2)
  await dropAt(180)
  await expect(layers(page).last()).toContainText('2 acorns')
  await dropAt(45)
  await expect(layers(page)).toHaveCount(3)

  // The one on the base goes onto the first, and down again.
  const [loose, first, between] = [await onDrawing(page, 45, MIDDLE), await onDrawing(page, 0, MIDDLE), await onDrawing(page, 315, MIDDLE)]
  await drag(page, loose, first)
  await expect(undo(page, 'Undo: put acorn 1 on wine dahlia 1')).toBeEnabled()
  await expect(layers(page)).toHaveCount(2)
  await expect(layers(page).last()).toContainText('3 acorns')
  await drag(page, first, between)
  await expect(undo(page, /^Undo: put acorn \d on the base/)).toBeEnabled()
  await expect(layers(page)).toHaveCount(3)
  const { piece } = await exported(page)
  expect(piece.layers.map(({ rule }) => rule.kind)).toEqual(['compass', 'on', 'hand'])
  // And there again.
  await drag(page, between, first)
  await expect(undo(page, /^Undo: put acorn \d on wine dahlia 1/)).toBeEnabled()
  await expect(layers(page)).toHaveCount(2)
  await expect(layers(page).last()).toContainText('3 acorns')
})

test('taking off what bears others asks what becomes of these', async ({ page }) => {
  const on = layerOf(
    'acorns',
    'acorn',
    { kind: 'on', of: 'heads', only: null, every: 1, from: 1, spot: 'middle', along: 0, across: 0, turns: true },
    { run: 'each', clear: false },
  )
  await dahlias(page, 'Asking ring', on)
  const three = await onDrawing(page, 90, MIDDLE)
  await page.mouse.click(three.x, three.y - 28)
  await expect(chosen(page)).toContainText('wine dahlia 2')
  await page.getByRole('application').focus()
  await page.keyboard.press('Delete')
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByTestId('bears-others')).toContainText('bears 1 acorn')
  await dialog.getByRole('button', { name: 'Leave all as it is' }).click()
  await expect(layers(page).last()).toContainText('4 acorns')
  await page.getByRole('application').focus()
  await page.keyboard.press('Delete')
  await dialog.getByRole('button', { name: 'It stays' }).click()
  await expect(layers(page)).toHaveCount(3)
  await expect(layers(page).nth(1)).toContainText('3 acorns')
  await page.mouse.click(three.x, three.y)
  await expect(chosen(page)).toContainText('acorn 1 · 3:00')

  await layers(page).first().getByRole('button', { expanded: false }).first().click()
  await layers(page).first().getByRole('button', { name: 'Take away' }).click()
  await dialog.getByRole('button', { name: 'They go too' }).click()
  await expect(layers(page)).toHaveCount(1)
})

import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { addLayer, drag, exported, figure, fill, onDrawing, openWith, pictureDiffers, rememberPicture, saved, startPiece } from './bench'

const undo = (page: Page, words: RegExp | string) => page.getByRole('button', { name: words })
const chosen = (page: Page) => page.getByTestId('chosen')

async function ringWith(page: Page, name: string, count: number): Promise<void> {
  const layer = await openWith(page, name, ['daisy'])
  await layer.getByLabel('Placing rule').selectOption('Compass')
  await fill(layer, 'How many', String(count))
  await expect(figure(page, 'On the base')).toHaveText(String(count))
}
/** The middle of the face of the usual ring, mm. */
const MIDDLE = ((18 + 13) / 4) * 25.4

test('many are chosen with a frame and with Shift, and moved, copied and taken off together', async ({ page }) => {
  await ringWith(page, 'Frame ring', 8)
  const [a, b] = [await onDrawing(page, 347, 270), await onDrawing(page, 90, 330)]
  await drag(page, { x: a.x, y: a.y }, { x: b.x, y: b.y + 30 }, ['Shift'])
  await expect(chosen(page)).toContainText('3 chosen')
  const six = await onDrawing(page, 180, MIDDLE)
  await page.keyboard.down('Shift')
  await page.mouse.click(six.x, six.y)
  await expect(chosen(page)).toContainText('4 chosen')
  await page.mouse.click(six.x, six.y)
  await page.keyboard.up('Shift')
  await expect(chosen(page)).toContainText('3 chosen')

  const [from, to] = [await onDrawing(page, 45, MIDDLE), await onDrawing(page, 60, MIDDLE)]
  await drag(page, from, to)
  await expect(undo(page, /^Undo: slide 3 stems to 2:00/)).toBeEnabled()
  const { piece } = await exported(page)
  expect(Object.keys(piece.layers[0]!.nudges)).toHaveLength(3)
  await page.keyboard.press('Control+z')

  // Keys act where the drawing has the focus.
  await page.getByRole('application').focus()
  await page.keyboard.press('c')
  await expect(undo(page, /^Undo: copy 3 stems to the other side/)).toBeEnabled()
  await expect(figure(page, 'On the base')).toHaveText('11')
  await page.keyboard.press('Delete')
  await expect(figure(page, 'On the base')).toHaveText('8')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Control+z')
  await expect(figure(page, 'On the base')).toHaveText('8')
})

test('a stem is turned and trimmed by its grips, snaps along the run, and moves across the face', async ({ page }) => {
  const layer = await openWith(page, 'Grip ring', ['bracken'])
  await layer.getByLabel('Placing rule').selectOption('Single')
  await fill(layer, 'At', '12:00')
  await layer.getByLabel('Direction').selectOption('Outward')
  await fill(layer, 'Lean out, °', '0')
  await fill(layer, 'Varies, ±°', '0')
  await fill(layer, 'In or out, %', '0')
  await fill(layer, 'Varies, ±%', '0')
  const held = await onDrawing(page, 0, MIDDLE + 40)
  await page.mouse.click(held.x, held.y)
  await expect(chosen(page)).toContainText('bracken frond 1 · 12:00 · 12 in long')
  await page.getByRole('button', { name: 'The whole piece' }).click()
  const tip = await onDrawing(page, 0, MIDDLE + 304.8 * 0.9)
  await drag(page, tip, { x: tip.x, y: tip.y + 40 })
  await expect(undo(page, /^Undo: trim bracken frond 1 to/)).toBeEnabled()
  await expect(chosen(page)).not.toContainText('12 in long')
  await page.keyboard.press('Control+z')
  await expect(chosen(page)).toContainText('12 in long')
  await page.getByRole('button', { name: 'The whole piece' }).click()
  const view = await page
    .getByTestId('drawing')
    .getAttribute('data-view')
    .then((text) => JSON.parse(text!) as { scale: number })
  const turn = await onDrawing(page, 0, MIDDLE + 304.8 * 0.9 + 22 / view.scale)
  await drag(page, turn, { x: turn.x + 60, y: turn.y + 20 })
  await expect(undo(page, /^Undo: turn bracken frond 1 \d+ degrees clockwise/)).toBeEnabled()
  await page.keyboard.press('Control+z')
  await expect(undo(page, /^Undo: turn/)).toHaveCount(0)

  const [from, near] = [await onDrawing(page, 0, MIDDLE + 40), await onDrawing(page, 29, MIDDLE + 40)]
  await drag(page, from, near)
  await expect(chosen(page)).toContainText('1:00')
  await page.keyboard.press('Control+z')
  // A stem is held where it is drawn: the drawing must have come back to twelve before it is held there again.
  await expect(chosen(page)).toContainText('12:00')
  const out = await onDrawing(page, 0, MIDDLE + 40 + 25)
  await drag(page, from, out)
  await expect(undo(page, /^Undo: move bracken frond 1 outward/)).toBeEnabled()
  for (const [key, words] of [
    ['+', /^Undo: trim bracken frond 1/],
    ['Shift+PageUp', /^Undo: take bracken frond 1 over the neighbours/],
    ['p', /^Undo: pin bracken frond 1/],
    ['d', /^Undo: put another beside bracken frond 1/],
  ] as const) {
    await page.keyboard.press(key)
    await expect(undo(page, words)).toBeEnabled()
  }
})

test('a material is dragged from the shelf onto the base', async ({ page }) => {
  await ringWith(page, 'Dropped ring', 4)
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('searchbox', { name: 'Find a material' }).fill('pine cone')
  const cone = page.getByRole('group', { name: 'Materials' }).getByRole('button').first()
  const at = await onDrawing(page, 90, MIDDLE)
  const box = (await page.getByTestId('drawing').boundingBox())!
  await cone.dragTo(page.getByTestId('drawing'), { targetPosition: { x: at.x - box.x, y: at.y - box.y } })
  await expect(undo(page, /^Undo: put pine cone at 3:00/)).toBeEnabled()
  await expect(chosen(page)).toContainText('pine cone 1 · 3:00')
  await expect(page.getByTestId('layer').last()).toContainText('by hand')
  await cone.dragTo(page.getByTestId('drawing'), { targetPosition: { x: box.width / 2, y: box.height / 2 } })
  await expect(page.getByText('Drop it on the base.').last()).toBeVisible()
})

test('a layer is fitted to what is in hand, filled, swapped, hidden and locked', async ({ page }) => {
  const layer = await openWith(page, 'Tools ring', ['bay'])
  await layer.getByLabel('Stems in hand, to spread over it').fill('11')
  await layer.getByRole('button', { name: 'Fit', exact: true }).click()
  await expect(figure(page, 'On the base')).toHaveText('11')
  await expect(undo(page, /^Undo: spread 11 stems over the layer/)).toBeEnabled()
  await layer.getByLabel('Stems in hand, to spread over it').fill('a few')
  await layer.getByRole('button', { name: 'Fit', exact: true }).click()
  await expect(layer.getByRole('alert')).toHaveText('A whole number of stems, please.')

  await layer.getByRole('button', { name: 'Lush' }).click()
  await expect(page.getByTestId('filling')).toContainText(/\d+ bay sprigs? more/)
  await page.getByTestId('filling').getByRole('button', { name: 'Place them' }).click()
  await expect(undo(page, /^Undo: fill with \d+ bay sprigs?/)).toBeEnabled()
  await expect(figure(page, 'Face covered')).toHaveText(/^(9[7-9]|100)/)
  await page.keyboard.press('Control+z')

  await layer.getByRole('button', { name: 'bay sprigs', exact: true }).click()
  await layer.getByRole('searchbox', { name: 'Find a material' }).fill('boxwood')
  await layer.getByRole('group', { name: 'Materials' }).getByRole('button').first().click()
  await expect(page.getByTestId('swap')).toContainText(/^ ?11 bay sprigs become \d+ boxwood sprigs\. Cost opened \$\d/)
  await page.getByTestId('swap').getByRole('button', { name: 'Swap', exact: true }).click()
  await expect(layer).toContainText(/\d+ boxwood sprigs/)

  await layer.getByRole('button', { name: 'Put the layer aside' }).click()
  await expect(undo(page, /^Undo: put a layer aside/)).toBeEnabled()
  await layer.getByRole('button', { name: 'Lock the layer' }).click()
  await layer.getByRole('button', { name: 'Bring the layer back' }).click()
  await page.getByTestId('tape').getByRole('option').first().click()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('status').first()).toHaveText('That layer is locked.')
})

test('the order of work shows the piece as it grows', async ({ page }) => {
  await ringWith(page, 'Growing ring', 6)
  await rememberPicture(page)
  const slider = page.getByRole('slider')
  await slider.focus()
  await page.keyboard.press('Home')
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowRight')
  await expect(page.getByTestId('drawing')).toContainText('2 of 6')
  await expect(page.getByTestId('drawing')).toContainText('ox-eye daisy 2')
  await expect.poll(() => pictureDiffers(page)).toBe(true)
  await page.keyboard.press('End')
  await expect.poll(() => pictureDiffers(page)).toBe(false)
})

test('reserved places are kept free, clashes are told, and a bare stretch is closed with one click', async ({ page }) => {
  const bow = await openWith(page, 'Kept ring', ['bay', 'bow-cream'])
  await expect(bow.getByLabel('Keeps its place free of others')).toBeChecked()
  const rose = await addLayer(page, 'blush garden rose')
  await fill(rose, 'Cluster 1 at', '6:00')
  await rose.getByLabel('Keeps clear of reserved places').uncheck()
  const clash = page.locator('[data-problem^="clash:"]')
  await expect(clash.first()).toContainText(/reaches \d.* in into the/)
  await rose.getByLabel('Keeps clear of reserved places').check()
  await expect(clash).toHaveCount(0)

  const first = page.getByTestId('layer').first()
  await first.getByRole('button', { expanded: false }).click()
  await fill(first, 'How many', '5')
  const bare = page.locator('[data-problem^="bare:"]')
  await expect(bare.first()).toContainText(/Bare from \d+:\d\d to \d+:\d\d/)
  const before = (await bare.allTextContents()).join('\n')
  await bare
    .first()
    .getByRole('button', { name: /^Close it with \d+ bay sprigs?/ })
    .click()
  await expect.poll(async () => (await bare.allTextContents()).join('\n')).not.toBe(before)
  await expect(page.getByTestId('cover-chart').getByRole('img').first()).toHaveAttribute('aria-label', /^Cover by hour: 12:00 \d/)
})

test('a join in sight is hidden by turning the ring', async ({ page }) => {
  await startPiece(page, 'Turned ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'russet ribbon bow')
  await page.getByRole('button', { name: 'Base', exact: true }).click()
  await fill(page, 'Turned, °', '140')
  const join = page.locator('[data-problem="join"]')
  await expect(join).toContainText('shows at 10:40')
  await join.getByRole('button', { name: /^Turn the grapevine 140° back/ }).click()
  await expect(join).toHaveCount(0)
  await expect(page.getByLabel('Turned, °', { exact: true }).and(page.locator('input'))).toHaveValue('0')
})

test('the other of a pair is made in the workroom', async ({ page }) => {
  await ringWith(page, 'Left ring', 5)
  await saved(page)
  await page.getByRole('link', { name: 'Workroom' }).click()
  await page.getByRole('button', { name: 'More about Left ring' }).click()
  await page.getByRole('menuitem', { name: 'Make the other of a pair' }).click()
  await expect(page.getByRole('heading', { name: 'Left ring, the other one' })).toBeVisible()
  await expect(page.getByTestId('piece')).toHaveCount(2)
})

test('what is added is painted, also where the piece fills the bench as it did before', async ({ page }) => {
  await startPiece(page, 'Painted ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'Cedar spray')
  await expect(figure(page, 'On the base')).toHaveText('16')
  await rememberPicture(page)
  await addLayer(page, 'Pine cone')
  await expect(figure(page, 'On the base')).toHaveText('22')
  await expect.poll(() => pictureDiffers(page)).toBe(true)
})

test('a second greenery is laid among the first, and says what it adds and what is seen of it', async ({ page }) => {
  await startPiece(page, 'Second ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'Cedar spray')
  // What it comes to is told before it is laid, and is what laying it adds.
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('searchbox', { name: 'Find a material' }).fill('Olive branch')
  const olive = page.getByRole('group', { name: 'Materials' }).getByRole('button').first()
  await olive.hover()
  const foretold = page.getByTestId('foretold')
  await expect(foretold).toContainText(/^\d+ olive branches/)
  const [, count0, more] = /^(\d+) olive branches\s*\$(\d+\.\d\d) more opened/.exec(await foretold.innerText())!
  await olive.click()
  const layer = page.getByTestId('layer').last()
  await expect(layer).toContainText(`${count0} olive branches`)
  await expect(page.getByText(`It adds $${more} to what is opened`).first()).toBeVisible()
  await expect(layer.getByLabel('Role')).toHaveValue('second greenery')
  const count = Number(await layer.getByLabel('How many', { exact: true }).and(page.locator('input')).inputValue())
  // Whole branches, bent with the ring.
  expect(count).toBeGreaterThanOrEqual(3)
  expect(count).toBeLessThanOrEqual(30)
  // A fifth to a third of what is seen.
  const seen = parseFloat(await layer.getByRole('button', { name: /^Of all that is seen: / }).innerText())
  expect(seen).toBeGreaterThan(20)
  expect(seen).toBeLessThan(34)
})

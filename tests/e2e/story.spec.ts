import { readFileSync } from 'node:fs'
import { PDFDocument } from 'pdf-lib'
import { expect, test } from '@playwright/test'
import { addLayer, figure, fill, onDrawing, saved, startPiece } from './bench'

test('a ring from brief to make sheet', async ({ page, browser }) => {
  await test.step('a first visit says what to do', async () => {
    await page.goto('/')
    await expect(page.getByTestId('empty')).toHaveText('Nothing on the bench yet. Start a piece, or drop a piece file here.')
  })

  await test.step('brief', async () => {
    await startPiece(page, 'Porch ring')
    await page.getByLabel('Occasion', { exact: true }).fill('Ice-out')
    await page.getByLabel('Hangs on').selectOption('Brick')
    await page.getByRole('button', { name: 'Limewashed' }).click()
    await fill(page, 'Door width', '34')
    await fill(page, 'Door height', '6 ft 6 in')
    await expect(page.getByLabel('Door height')).toHaveValue('78 in')
    await page.getByLabel('Weather').selectOption('Outdoors, in the open')
    await fill(page, 'Budget for each', '60')
    await fill(page, 'How many', '2')
  })

  await test.step('base', async () => {
    await page.getByRole('button', { name: 'Base', exact: true }).click()
    await page.getByRole('radio', { name: 'Wire ring', exact: true }).click()
    await page.getByRole('button', { name: '12 in', exact: true }).click()
    await fill(page, 'Inside', '30 ft')
    await expect(page.getByRole('alert').first()).toContainText(/smaller than the ring|3000/)
    await page.getByLabel('Inside').press('Escape')
    await fill(page, 'Inside', '8')
    await expect(figure(page, 'Rim')).toHaveText('37¾ in')
    await figure(page, 'Centre line').click()
    await expect(page.getByTestId('sum')).toContainText('π × (outer 12 in + inner 8 in) ÷ 2 = 31.42 in')
  })

  await test.step('layers by each rule', async () => {
    await page.getByRole('button', { name: 'Stems', exact: true }).click()
    const fir = await addLayer(page, 'fir')
    await fill(fir, 'How many', '24')
    await fill(fir, 'Cut to', '7 in')
    const bay = await addLayer(page, 'bay')
    await bay.getByLabel('Placing rule').selectOption('Halfway')
    await bay.getByRole('button', { name: 'Mix in another' }).click()
    await bay.getByRole('searchbox').fill('ivy')
    await bay.getByRole('group', { name: 'Materials' }).getByRole('button').first().click()
    await expect(bay).toContainText('12 ivy trails and 12 bay sprigs')
    const berries = await addLayer(page, 'red berry')
    await berries.getByLabel('Placing rule').selectOption('Every so far')
    await fill(berries, 'Spacing wanted', '4 in')
    await expect(berries).toContainText('8 red berry sprays')
    const dahlia = await addLayer(page, 'dahlia')
    await dahlia.getByLabel('Placing rule').selectOption('Clusters')
    await fill(dahlia, 'Cluster 1 at', '7:00')
    await fill(dahlia, 'In each cluster', '3')
    await expect(dahlia).toContainText('3 wine dahlias')
    const cones = await addLayer(page, 'pine cone')
    await cones.getByLabel('Placing rule').selectOption('Crescent')
    await fill(cones, 'How many', '7')
    await expect(cones).toContainText('7 pine cones')
    const bow = await addLayer(page, 'russet')
    await expect(bow).toContainText('Bow · single')
    await expect(figure(page, 'On the base')).toHaveText('67')
  })

  await test.step('reorder by key and by hand', async () => {
    const first = () => page.getByTestId('layer').first()
    await page.getByRole('button', { name: /^Layer 2: drag/ }).press('Alt+ArrowUp')
    await expect(first()).toContainText('12 ivy trails')
    await page.getByRole('button', { name: 'Undo: move a layer to place 1' }).click()
    await expect(first()).toContainText('24 fir tips')
    // A closed list is short enough to drag in.
    await page.getByTestId('layer').last().getByRole('button', { expanded: true }).click()
    const from = (await page.getByRole('button', { name: /^Layer 3: drag/ }).boundingBox())!
    const to = (await page.getByRole('button', { name: /^Layer 1: drag/ }).boundingBox())!
    await page.mouse.move(from.x + 8, from.y + 10)
    await page.mouse.down()
    await page.mouse.move(from.x + 8, from.y - 20, { steps: 6 })
    // The list makes room in a short movement and takes no notice of the mouse during it: a hand would go on moving.
    await expect(async () => {
      await page.mouse.move(to.x + 8, to.y + 8, { steps: 3 })
      await page.mouse.move(to.x + 8, to.y + 4, { steps: 3 })
      await expect(first()).toContainText('8 red berry sprays', { timeout: 250 })
    }).toPass()
    await page.mouse.up()
    await expect(first()).toContainText('8 red berry sprays')
    await page.keyboard.press('Control+z')
    await expect(first()).toContainText('24 fir tips')
  })

  await test.step('choose, slide and put back, on the drawing and on the tape', async () => {
    const bowSpot = await onDrawing(page, 180, 127)
    await page.mouse.click(bowSpot.x, bowSpot.y)
    const chosen = page.getByTestId('chosen')
    await expect(chosen).toContainText('russet ribbon bow 1 · 6:00')
    await expect(page.getByRole('option', { name: /^russet ribbon bow 1/ })).toHaveAttribute('aria-selected', 'true')
    const five = await onDrawing(page, 150, 127)
    await page.mouse.move(bowSpot.x, bowSpot.y)
    await page.mouse.down()
    await page.mouse.move((bowSpot.x + five.x) / 2, (bowSpot.y + five.y) / 2, { steps: 5 })
    await page.mouse.move(five.x, five.y, { steps: 5 })
    await page.mouse.up()
    await expect(chosen).toContainText('russet ribbon bow 1 · 5:00')
    await expect(page.getByRole('button', { name: 'Undo: slide russet ribbon bow 1 to 5:00' })).toBeEnabled()
    await chosen.getByRole('button', { name: 'Back to its rule' }).click()
    await expect(chosen).toContainText('6:00')

    await page
      .getByTestId('tape')
      .getByRole('option', { name: /^wine dahlia 1,/ })
      .click()
    await expect(chosen).toContainText('wine dahlia 1')
    const before = await chosen.textContent()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('ArrowRight')
    await expect(chosen).not.toHaveText(before!)
    await expect(page.getByTestId('selected-gaps')).toContainText('before')
    await page.keyboard.press('Backspace')
    await expect(chosen).not.toContainText('Back to its rule')
    await page.keyboard.press('.')
    await expect(chosen).toContainText('wine dahlia')
    await page.keyboard.press('Escape')
    await expect(chosen).toBeHidden()
  })

  await test.step('stretch the tape without pushing anything aside', async () => {
    const wide = (await page.getByTestId('drawing').boundingBox())!.width
    await page.getByRole('button', { name: '4×' }).click()
    expect((await page.getByTestId('drawing').boundingBox())!.width).toBe(wide)
    await page.getByRole('button', { name: '1×' }).click()
  })

  await test.step('slide along the tape', async () => {
    const mark = page.getByTestId('tape').getByRole('option', { name: /^red berry spray 3,/ })
    const box = (await mark.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + 8)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2 + 20, box.y + 8, { steps: 5 })
    await page.mouse.up()
    await expect(page.getByRole('button', { name: /^Undo: slide red berry spray 3/ })).toBeEnabled()
    await page.keyboard.press('Control+z')
  })

  await test.step('tally: cover, packs, money, problems with mends', async () => {
    await expect(figure(page, 'Face covered')).toHaveText(/^(9\d|100)(\.\d)? %$/)
    await figure(page, 'Face covered').click()
    await expect(page.getByTestId('sum').filter({ hasText: 'cells of the face' })).toContainText(/\d+ of \d+ cells/)
    const weather = page.locator('[data-problem="weather"]')
    await expect(weather).toContainText('Russet ribbon bows')
    await weather.getByRole('button', { name: 'Hang it under cover' }).click()
    await expect(weather).toBeHidden()
    await page.keyboard.press('Control+z')
    await expect(weather).toBeVisible()
    await page.keyboard.press('Control+Shift+z')
    await expect(figure(page, 'Cost opened')).toHaveText(/^\$\d+\.\d\d$/)
    await expect(page.getByTestId('tally')).toContainText('Netherby Stems')
  })

  await test.step('centimetres, at once and everywhere', async () => {
    await page.getByRole('radio', { name: 'centimetres' }).click()
    await expect(figure(page, 'Rim')).toHaveText('96 cm')
    await expect(page.getByTestId('tape')).toContainText('cm')
    await page.getByRole('radio', { name: 'inches' }).click()
    await expect(figure(page, 'Rim')).toHaveText('37¾ in')
  })

  const file = await test.step('export, and import in another browser: identical', async () => {
    await saved(page)
    await page.getByRole('button', { name: 'More', exact: true }).click()
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Export as JSON' }).click()])
    expect(download.suggestedFilename()).toBe('porch-ring.piece.json')
    const path = await download.path()
    const other = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const there = await other.newPage()
    await there.goto(new URL('/', page.url()).href)
    await there.getByLabel('A piece file').setInputFiles({ name: 'porch.json', mimeType: 'application/json', buffer: readFileSync(path) })
    await expect(there.getByRole('heading', { name: 'Porch ring' })).toBeVisible()
    await there.getByRole('button', { name: 'More about Porch ring' }).click()
    const [again] = await Promise.all([there.waitForEvent('download'), there.getByRole('menuitem', { name: 'Export as JSON' }).click()])
    expect(readFileSync(await again.path(), 'utf8')).toBe(readFileSync(path, 'utf8'))
    await other.close()
    return path
  })
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({
    brief: { name: 'Porch ring', budget: 6000, copies: 2 },
    base: { kind: 'wire-ring', shape: { form: 'ring', outer: 304.8 } },
  })

  await test.step('make sheet, on screen and on paper', async () => {
    await page.getByRole('link', { name: 'Make sheet' }).click()
    await expect(page.getByRole('heading', { name: 'Shopping list' })).toBeVisible()
    const steps = page.getByTestId('step')
    await expect(steps.first()).toContainText('Wire ring: outside 12 in, inside 8 in.')
    await expect(steps.filter({ hasText: 'Greenery: 24 fir tips' })).toContainText('12:00')
    await expect(steps.filter({ hasText: 'Sort and cut' })).toContainText('24 fir tips cut to 7 in: 2 from each stem.')
    await expect(steps.filter({ hasText: 'Bow: russet ribbon bow' })).toContainText('6:00')
    for (const [format, width, height] of [
      ['Letter', 612, 792],
      ['A4', 595.28, 841.89],
    ] as const) {
      const paper = await PDFDocument.load(await page.pdf({ format, preferCSSPageSize: false }))
      expect(paper.getPageCount()).toBeGreaterThan(0)
      expect(paper.getPageCount()).toBeLessThanOrEqual(4)
      expect(Math.abs(paper.getPage(0).getWidth() - width)).toBeLessThan(1.5)
      expect(Math.abs(paper.getPage(0).getHeight() - height)).toBeLessThan(1.5)
    }
  })
})

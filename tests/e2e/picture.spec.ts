import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { renderAsync } from '@resvg/resvg-js'
import { PNG } from 'pngjs'
import { SPECIES } from '../../core/looks'
import { addLayer, demoSite, exported, onPaper, saved, startPiece } from './bench'

async function openDialog(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'A picture of it…' }).click()
  await expect(page.getByRole('dialog').getByRole('heading', { name: 'A picture of it' })).toBeVisible()
}
async function saveIt(page: Page): Promise<Buffer> {
  const [download] = await Promise.all([
    page.waitForEvent('download', { timeout: 120_000 }),
    page.getByRole('button', { name: 'Save it' }).click(),
  ])
  return readFileSync(await download.path())
}
async function demoBench(page: Page, piece: string): Promise<void> {
  await page.goto(demoSite)
  await page.getByTestId('piece').nth(7).waitFor()
  await page.goto(`${demoSite}/piece/${piece}`)
  await expect(page.getByTestId('tally').getByText('Face covered')).toBeVisible()
}

/** Reads both and tells how unlike they are: the mean difference of a channel, and the share of pixels that differ by much. */
function unlike(a: PNG, b: { readonly pixels: Buffer; readonly width: number; readonly height: number }): { mean: number; far: number } {
  expect([b.width, b.height]).toEqual([a.width, a.height])
  let sum = 0
  let far = 0
  for (let i = 0; i < a.data.length; i += 4) {
    const off = [0, 1, 2].map((k) => Math.abs(a.data[i + k]! - b.pixels[i + k]!))
    sum += off[0]! + off[1]! + off[2]!
    if (Math.max(...off) > 48) far += 1
  }
  return { mean: sum / (a.data.length * 0.75), far: far / (a.data.length / 4) }
}

/** The stated difference between our painter and an independent one: of 255, and of all pixels. Edges are smoothed differently. */
const STATED = { mean: 3, far: 0.02 }

test('a piece goes out as PNG and as SVG, and an independent renderer makes the same picture of the vectors', async ({ page }) => {
  await demoBench(page, 'orchard-ring')
  await openDialog(page)
  await page.getByLabel('Pixels across').fill('720')
  await expect(page.getByTestId('picture-size')).toHaveText(/^720 × 7\d\d pixels$/)
  const png = PNG.sync.read(await saveIt(page))
  expect(png.width).toBe(720)
  await expect(page.getByRole('dialog')).toHaveCount(0)

  await openDialog(page)
  await page.getByLabel('As', { exact: true }).selectOption('SVG, vectors in millimetres')
  await expect(page.getByTestId('picture-size')).toContainText('a group for each layer')
  const svg = (await saveIt(page)).toString('utf8')
  expect(svg).not.toContain('<image')
  expect(svg).not.toMatch(/NaN|undefined|Infinity/)
  const [, wide, high] = /^<svg [^>]*width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!
  expect(Number(high) / Number(wide)).toBeCloseTo(png.height / png.width, 2)
  const titles = [...svg.matchAll(/<g id="[^"]+"><title>([^<]+)<\/title>/g)].map(([, title]) => title)
  expect(titles[0]).toBe('What it hangs on')
  expect(titles[1]).toBe('Base')
  expect(titles).toContain('bow of russet ribbon')
  const drawn = await renderAsync(svg, { fitTo: { mode: 'width', value: 720 }, font: { loadSystemFonts: false } })
  // Each reading of `pixels` copies them all.
  const { mean, far } = unlike(png, { width: drawn.width, height: drawn.height, pixels: drawn.pixels })
  expect(mean).toBeLessThan(STATED.mean)
  expect(far).toBeLessThan(STATED.far)
})

test('without what it hangs on the ground is clear; too many pixels are refused; painting can be stopped', async ({ page }) => {
  await startPiece(page, 'Picture ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'bay sprig')
  await saved(page)
  await openDialog(page)
  await page.getByLabel('With what it hangs on').uncheck()
  for (const [pixels, says] of [
    ['9000', 'A whole number from 64 to 6,000.'],
    ['20.5', 'A whole number'],
    ['', 'A whole number'],
  ] as const) {
    await page.getByLabel('Pixels across').fill(pixels)
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText(says)
    await expect(page.getByRole('button', { name: 'Save it' })).toBeDisabled()
  }
  await page.getByLabel('Pixels across').fill('300')
  const png = PNG.sync.read(await saveIt(page))
  const alpha = (x: number, y: number) => png.data[(y * png.width + x) * 4 + 3]!
  expect(alpha(2, 2)).toBe(0)
  const solid = png.data.filter((value, i) => i % 4 === 3 && value === 255).length / (png.width * png.height)
  expect(solid).toBeGreaterThan(0.1)
  expect(solid).toBeLessThan(0.8)

  await openDialog(page)
  await page.getByLabel('Pixels across').fill('6000')
  let downloads = 0
  page.on('download', () => {
    downloads += 1
  })
  await page.getByRole('button', { name: 'Save it' }).click()
  await expect(page.getByRole('dialog').getByRole('status')).toContainText('% done')
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('dialog').getByRole('status')).toBeHidden()
  await expect(page.getByRole('button', { name: 'Save it' })).toBeEnabled()
  expect(downloads).toBe(0)
})

test('a sign says what its maker writes, in letters that the face has', async ({ page }) => {
  await startPiece(page, 'Sign ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  const layer = await addLayer(page, 'plank sign')
  const words = layer.getByLabel('What it says')
  await words.fill('ICE-OUT\nfirst ferry')
  await expect(page.getByRole('button', { name: /^Undo: letter a sign/ })).toBeEnabled()
  await words.fill('ICE 漢')
  await expect(layer.getByRole('alert')).toHaveText('The signs’ face has no 漢')
  await words.blur()
  await expect(words).toHaveValue('ICE-OUT\nfirst ferry')
  expect((await exported(page)).piece.layers[0]!.words).toBe('ICE-OUT\nfirst ferry')
  const bay = await addLayer(page, 'bay sprig')
  await expect(bay.getByLabel('What it says')).toHaveCount(0)
})

test('a piece is seen by day, at dusk and by lamp, on glass and over a mantel, from across the room and close up', async ({ page }) => {
  await startPiece(page, 'Hours ring')
  const drawing = page.getByTestId('drawing')
  const scale = async () => (JSON.parse((await drawing.getAttribute('data-view'))!) as { scale: number }).scale
  await expect(drawing).toHaveAttribute('data-view', /scale/)
  const near = await scale()
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  const looks = new Set<string>()
  for (const [surface, light] of [
    ['Window with a mullion', 'Daylight'],
    ['Window with a mullion', 'Dusk'],
    ['Wall over a mantel', 'Lamp light'],
    ['Wall over a mantel', 'Daylight'],
  ] as const) {
    await page.getByLabel('Hangs on').selectOption(surface)
    await page.getByLabel('Seen in').selectOption(light)
    await expect(page.getByTestId('saving')).toHaveText('Saved')
    await page.getByRole('button', { name: 'From across the room' }).click()
    await expect.poll(scale).toBeLessThan(near)
    looks.add((await drawing.screenshot()).toString('base64'))
  }
  expect(looks.size).toBe(4)
  const { piece } = await exported(page)
  expect(piece.brief).toMatchObject({ light: 'day', surface: { kind: 'mantel' } })
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await expect(await addLayer(page, 'dahlia')).toContainText('3 wine dahlias')
  await page.getByRole('button', { name: 'Close up' }).click()
  await expect.poll(scale).toBeGreaterThan(near * 1.5)
})

test('the plate shows every species, on a light and a dark ground', async ({ page }) => {
  await page.goto('/shelf')
  await page.getByRole('link', { name: 'Plate of species' }).click()
  await expect(page.locator('main[data-ready=true]')).toBeVisible({ timeout: 60_000 })
  await expect(page.getByTestId('species')).toHaveCount(Object.keys(SPECIES).length)
  await expect(page.getByText('Old man’s beard', { exact: true })).toBeVisible()
  const blank = await page.locator('canvas').evaluateAll(
    (all) =>
      (all as HTMLCanvasElement[]).filter((canvas) => {
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
        return !data.some((value, i) => i % 4 === 3 && value > 0)
      }).length,
  )
  expect(blank).toBe(0)
  await page.getByLabel('Names').uncheck()
  await expect(page.getByText('Old man’s beard', { exact: true })).toBeHidden()
})

test('the make sheet prints the piece as vectors', { tag: '@long' }, async ({ page }) => {
  await demoBench(page, 'boathouse-door-ring')
  await page.getByRole('link', { name: 'Make sheet' }).click()
  await expect(page.getByRole('heading', { name: 'Steps' })).toBeVisible()
  const drawing = page.getByRole('img', { name: 'Boathouse door ring, with clock positions' })
  await expect(drawing).toHaveAttribute('data-painted', 'true')
  const svg = await onPaper(page)
  expect(svg.match(/<path/g)!.length).toBeGreaterThan(500)
  expect(svg).not.toMatch(/<image|<filter/)
  const pdf = await page.pdf({ format: 'A4', printBackground: true })
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  // A picture of pixels in a PDF is an image object; the piece must not be one.
  expect(pdf.toString('latin1').match(/\/Subtype\s*\/Image/g) ?? []).toEqual([])
})

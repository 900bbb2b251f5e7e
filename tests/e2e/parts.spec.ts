import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { readPiece } from '../../core/formats'
import type { Piece } from '../../core/piece'
import { addLayer, expectAccessible, exported, figure, fill, openPiece, pictureDiffers, rememberPicture, saved } from './bench'

const stage = (page: Page, name: string) => page.getByLabel('Stages of the work').getByRole('button', { name })
const parts = (page: Page) => page.getByTestId('part')
const joined = (name: string): Piece => {
  const read = readPiece(readFileSync(new URL(`./joined/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.piece
}
const nests: Piece = joined('ferry-nest')
/** The same without what it makes beforehand. */
const bare: Piece = { ...nests, id: 'plain', brief: { ...nests.brief, name: 'Plain ring' }, parts: [], layers: nests.layers.slice(0, 1) }

test('a part is begun, worked on by itself, laid like a material, and made before what lays it', async ({ page }) => {
  await openPiece(page, bare)
  await page.getByRole('button', { name: 'Begin a part' }).click()
  await page.getByRole('button', { name: 'Begin it' }).click()
  await expect(page.getByRole('alert')).toHaveText('Give the part a name.')
  await page.getByRole('textbox', { name: 'Name' }).fill('nest')
  await page.getByRole('button', { name: 'Begin it' }).click()

  // On the bench lies the part alone: what is added goes into it.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Plain ring · nest')
  await expect(stage(page, 'Hanging')).toHaveCount(0)
  await addLayer(page, 'moss')
  await addLayer(page, 'acorn')
  await fill(page.getByTestId('part-fields'), 'Dries or sets, hours', '2')
  await expect(page.getByText('It has no hanger yet.')).toHaveCount(0)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Back to Plain ring' }).click()

  await expect(page.getByTestId('layer')).toHaveCount(1)
  await expect(parts(page)).toContainText('laid nowhere yet')
  await expect(page.getByText('The part “nest” lies nowhere on the piece: it is neither made nor bought.')).toBeVisible()
  await rememberPicture(page)
  await parts(page).getByRole('button', { name: 'Lay it' }).click()
  await expect(page.getByTestId('layer').last()).toContainText('4 nests')
  await expect.poll(() => pictureDiffers(page)).toBe(true)
  await expectAccessible(page)

  await stage(page, 'Order').click()
  await expect(page.getByTestId('order')).toContainText('Make 4 nests')
  const { piece } = await exported(page)
  expect(piece.parts).toMatchObject([{ name: 'nest', dries: 120, base: { kind: 'grapevine' } }])
  expect(piece.layers.at(-1)!.mix[0]!.material).toBe('part:part-1')

  await page.getByRole('link', { name: 'Make sheet' }).click()
  await expect(page.getByRole('heading', { name: 'Make 4 nests' })).toBeVisible()
  await expect(page.getByText('Then let them dry or set for 2 h 0 min.')).toBeVisible()
})

test('a part is bought instead, taken from another piece, and thrown away with all that is laid of it', async ({ page }) => {
  await openPiece(page, nests)
  const opened = figure(page, 'Cost opened')
  const before = await opened.innerText()
  await parts(page).getByRole('button', { name: 'Work on it' }).click()
  await page.getByRole('button', { name: 'Buy it ready-made…' }).click()
  await page.getByRole('searchbox', { name: 'Find a material' }).fill('skep')
  await page.getByRole('group', { name: 'Materials' }).getByRole('button').first().click()
  await expect(page.getByTestId('part-fields')).toContainText('is bought in its place')
  await page.getByRole('button', { name: 'Back to Ferry nest' }).click()
  await expect(parts(page)).toContainText('bought ready-made')
  await expect(opened).not.toHaveText(before)
  await stage(page, 'Order').click()
  await expect(page.getByTestId('order')).toContainText('Prepare the grapevine')
  await expect(page.getByTestId('order')).not.toContainText('Make 1 nest')
  await page.getByRole('button', { name: /^Undo: buy the part ready-made/ }).click()
  await expect(page.getByTestId('order')).toContainText('Make 1 nest')
  await saved(page)

  await openPiece(page, bare)
  await page.getByLabel('Take a part of another piece').selectOption('Nest, of Ferry nest')
  await parts(page).getByRole('button', { name: 'Lay it' }).click()
  await expect(page.getByTestId('layer')).toHaveCount(2)
  await page.getByRole('button', { name: 'Throw nest away' }).click()
  await expect(parts(page)).toHaveCount(0)
  await expect(page.getByTestId('layer')).toHaveCount(1)
})

for (const [file, name, makes] of [
  ['ferry-nest', 'Ferry nest', 'Make 1 nest'],
  ['jetty-sprays', 'Jetty sprays', 'Make 3 cedar sprays'],
  ['ferry-keepers-face', 'Ferry keeper’s face', 'Make 1 straw hat'],
  ['knot-flower', 'Flower in the knot', 'Make the bow of slate-blue ribbon'],
  ['chandlers-column', 'Chandler’s column', 'Prepare the own outline'],
  ['gull-outline', 'Gull over the quay', 'Prepare the own outline'],
  ['long-legged-swag', 'Long-legged swag', 'Prepare the two-ended swag of trees'],
  ['slipway-crescent', 'Slipway crescent', 'Prepare the ring opened into a swag'],
] as const)
  test(`${name} goes from its file over the bench to its sheet`, async ({ page }) => {
    await openPiece(page, joined(file))
    await expect(page.getByTestId('drawing')).toHaveAttribute('data-sharp', 'true', { timeout: 20_000 })
    // What is to be looked at is care, not fault.
    await expect(page.getByTestId('tally').getByLabel('Fault')).toHaveCount(0)
    await page.getByRole('link', { name: 'Make sheet' }).click()
    await expect(page.getByRole('heading', { name: makes })).toBeVisible()
  })

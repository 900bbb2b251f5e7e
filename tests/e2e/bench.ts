import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'
import type { BaseKind } from '../../core/base'
import { runsOf, usualBase } from '../../core/base'
import { writePiece } from '../../core/formats'
import { CATALOGUE } from '../../core/material'
import type { Layer, Piece } from '../../core/piece'
import { startLayer, startPiece as pieceOf } from '../../core/piece'
import { DEMO } from '../../playwright.config'

/** How many demo pieces there are, and how many of them are still to be made. */
export const DEMO_PIECES = 11
export const DEMO_IN_HAND = 10

export const demoSite = `http://127.0.0.1:${DEMO}`

/** Fails on anything that axe finds serious. @param within the part that is looked at @param colours looks at contrast alone: all that another light changes */
export async function expectAccessible(page: Page, within = 'body', colours = false): Promise<void> {
  // Our pages have no frames: axe need not open a page of its own to put their results together.
  const { violations } = await new AxeBuilder({ page })
    .include(within)
    .setLegacyMode(true)
    .options({
      resultTypes: ['violations'],
      runOnly: colours
        ? { type: 'rule', values: ['color-contrast'] }
        : { type: 'tag', values: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] },
    })
    .analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(
    serious.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map(({ html }) => html)
          .slice(0, 3)
          .join(' | ')}`,
    ),
  ).toEqual([])
}

export async function startPiece(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'Start a piece' }).click()
  await page.getByLabel('What shall it be called?').fill(name)
  await page.getByRole('button', { name: 'To the bench' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}

/** A piece of whole stems by everyday rules, a layer of each material. */
export function pieceOn(name: string, base: BaseKind, materials: readonly string[], set: Partial<Layer> = {}): Piece {
  const start = pieceOf(name.toLowerCase().replaceAll(' ', '-'), name, base)
  const runs = runsOf(usualBase(base))
  return { ...start, layers: materials.map((id, i) => ({ ...startLayer(`l${i + 1}`, CATALOGUE[id]!, 100 + i * 37, runs), ...set })) }
}

/** Takes a piece in as a file and opens it on the bench: for what a test is not about the making of. */
export async function openPiece(page: Page, piece: Piece): Promise<void> {
  await page.goto('/')
  await takeIn(page, piece)
}

/** The same from the workroom. */
export async function takeIn(page: Page, piece: Piece): Promise<void> {
  await page
    .getByLabel('A piece file')
    .setInputFiles({ name: 'piece.json', mimeType: 'application/json', buffer: Buffer.from(writePiece(piece)) })
  await page.getByRole('link', { name: piece.brief.name, exact: true }).click()
  await expect(page.getByRole('heading', { level: 1, name: piece.brief.name })).toBeVisible()
}

/** Opens a piece of whole stems on the bench, with its last layer open. @returns that layer */
export async function openWith(page: Page, name: string, materials: readonly string[], base: BaseKind = 'grapevine'): Promise<Locator> {
  await openPiece(page, pieceOn(name, base, materials))
  const layer = page.getByTestId('layer').last()
  await layer.getByRole('button', { expanded: false }).first().click()
  return layer
}

export async function addLayer(page: Page, material: string): Promise<Locator> {
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('searchbox', { name: 'Find a material' }).fill(material)
  const before = await page.getByTestId('layer').count()
  await page.getByRole('group', { name: 'Materials' }).getByRole('button').first().click()
  await expect(page.getByTestId('layer')).toHaveCount(before + 1)
  return page.getByTestId('layer').last()
}

/** Types into a field and leaves it. */
export async function fill(scope: Page | Locator, label: string, text: string): Promise<void> {
  const field = scope.getByLabel(label, { exact: true }).and(scope.locator('input'))
  await field.fill(text)
  await field.press('Enter')
}

export const saved = (page: Page): Promise<void> => expect(page.getByTestId('saving')).toHaveText('Saved')

/** The value of a figure in the tally. */
export const figure = (page: Page, label: string): Locator =>
  page.getByTestId('tally').getByRole('button', { name: new RegExp(`^${label}: `) })

const thingsOf = (page: Page): Locator => page.getByTestId('drawing').locator('canvas').first()
const sharp = (page: Page): Promise<void> => expect(page.getByTestId('drawing')).toHaveAttribute('data-sharp', 'true')

/** Waits until the drawing is painted as it is, and remembers it in the page. */
export async function rememberPicture(page: Page): Promise<void> {
  await sharp(page)
  await thingsOf(page).evaluate((element: HTMLCanvasElement) => {
    Object.assign(window, { pictured: element.getContext('2d')!.getImageData(0, 0, element.width, element.height) })
  })
}

/** Whether the drawing is seen to differ from the one that was remembered: by more than rounding does to a colour. */
export async function pictureDiffers(page: Page): Promise<boolean> {
  await sharp(page)
  return thingsOf(page).evaluate((element: HTMLCanvasElement) => {
    const before = (window as unknown as { pictured: ImageData }).pictured
    const { data } = element.getContext('2d')!.getImageData(0, 0, element.width, element.height)
    return before.width !== element.width || data.some((value, i) => Math.abs(value - before.data[i]!) > 8)
  })
}

/** The pixel of a point of the drawing, mm from the base's middle. */
export async function pixelOf(page: Page, point: { x: number; y: number }): Promise<{ x: number; y: number }> {
  const drawing = page.getByTestId('drawing')
  await expect(drawing).toHaveAttribute('data-view', /scale/)
  const view = JSON.parse((await drawing.getAttribute('data-view'))!) as {
    x: number
    y: number
    scale: number
    width: number
    height: number
  }
  const box = (await drawing.boundingBox())!
  return { x: box.x + view.width / 2 + (point.x - view.x) * view.scale, y: box.y + view.height / 2 + (point.y - view.y) * view.scale }
}

/** The pixel at a clock position, so many millimetres from the middle of the drawing. */
export function onDrawing(page: Page, degrees: number, mm: number): Promise<{ x: number; y: number }> {
  const a = (degrees * Math.PI) / 180
  return pixelOf(page, { x: Math.sin(a) * mm, y: -Math.cos(a) * mm })
}

/** The piece on the bench, by way of its export. */
export async function exported(page: Page): Promise<{ piece: Piece; text: string; path: string }> {
  await saved(page)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Export as JSON' }).click()])
  const path = await download.path()
  const text = readFileSync(path, 'utf8')
  return { piece: JSON.parse(text) as Piece, text, path }
}

/** Drags from one pixel to another in a few steps. */
export async function drag(
  page: Page,
  from: { x: number; y: number },
  to: { x: number; y: number },
  keys: readonly string[] = [],
): Promise<void> {
  for (const key of keys) await page.keyboard.down(key)
  await page.mouse.move(from.x, from.y)
  await page.mouse.down()
  for (let i = 1; i <= 6; i++) await page.mouse.move(from.x + ((to.x - from.x) * i) / 6, from.y + ((to.y - from.y) * i) / 6)
  await page.mouse.up()
  for (const key of keys) await page.keyboard.up(key)
}

/** Prints a make sheet by its key. @returns its drawing as it goes on paper, an SVG file */
export async function onPaper(page: Page): Promise<string> {
  await expect(page.locator('figure canvas')).toHaveAttribute('data-painted', 'true')
  await page.evaluate(() => {
    window.print = () => Object.assign(window, { printed: document.querySelector('[data-testid=on-paper]') !== null })
  })
  await page.keyboard.press('Control+p')
  await expect.poll(() => page.evaluate(() => (window as unknown as { printed?: boolean }).printed), { timeout: 60_000 }).toBe(true)
  return page.getByTestId('on-paper').evaluate(async (img) => (await fetch((img as HTMLImageElement).src)).text())
}

/** Waits until the app is kept by the browser, for when there is no line. */
export const keptOffline = (page: Page): Promise<void> =>
  expect
    .poll(() => page.evaluate(async () => (await navigator.serviceWorker.getRegistration())?.active?.state), { timeout: 60_000 })
    .toBe('activated')

import AxeBuilder from '@axe-core/playwright'
import type { Locator, Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { DEMO } from '../../playwright.config'

export const demoSite = `http://127.0.0.1:${DEMO}`

/** Fails on anything that axe finds serious. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).slice(0, 3).join(' | ')}`)).toEqual([])
}

export async function startPiece(page: Page, name: string): Promise<void> {
  await page.goto('/')
  await page.getByRole('button', { name: 'Start a piece' }).click()
  await page.getByLabel('What shall it be called?').fill(name)
  await page.getByRole('button', { name: 'To the bench' }).click()
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible()
}

export async function addLayer(page: Page, material: string): Promise<Locator> {
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await page.getByRole('searchbox', { name: 'Find a material' }).fill(material)
  await page.getByRole('group', { name: 'Materials' }).getByRole('button').first().click()
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

/** The pixel at a clock position, so many millimetres from the middle of the drawing, read off the scale bar. */
export async function onDrawing(page: Page, degrees: number, mm: number): Promise<{ x: number, y: number }> {
  const drawing = page.getByTestId('drawing')
  const bar = drawing.locator('.border-b.border-x')
  const scale = await bar.evaluate((element) => {
    const says = element.parentElement!.textContent!.trim()
    const [number, unit] = says.split(' ')
    const size = (number!.includes('½') ? 0.5 : Number(number)) * (unit === 'in' ? 25.4 : 10)
    return element.getBoundingClientRect().width / size
  })
  const box = (await drawing.boundingBox())!
  const a = (degrees * Math.PI) / 180
  return { x: box.x + box.width / 2 + Math.sin(a) * mm * scale, y: box.y + box.height / 2 - Math.cos(a) * mm * scale }
}

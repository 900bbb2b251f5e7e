import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { DEMO_PIECES, demoSite, exported, figure, openWith, saved } from './bench'

const focused = (page: Page) =>
  page.evaluate(() => {
    const element = document.activeElement
    return element?.getAttribute('aria-label') ?? element?.textContent?.trim() ?? ''
  })

/** Tabs on until what has the focus is called so. */
async function tabTo(page: Page, name: RegExp): Promise<void> {
  for (let i = 0; i < 90; i++) {
    if (name.test(await focused(page))) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`no way to ${name} by Tab`)
}

test('a piece can be made with the keyboard alone, and is told in words', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByTestId('empty')).toBeVisible()
  await tabTo(page, /^Start a piece$/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('Byre ring')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('heading', { level: 1, name: 'Byre ring' })).toBeVisible()
  await tabTo(page, /Stems$/)
  await page.keyboard.press('Enter')
  await tabTo(page, /^Add a layer$/)
  await page.keyboard.press('Enter')
  await page.keyboard.type('cedar')
  await page.keyboard.press('Tab')
  await tabTo(page, /^cedar spray/)
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('layer')).toContainText(/\d+ cedar sprays/)

  await tabTo(page, /^The piece on its surface/)
  const told = page.getByRole('status').first()
  await page.keyboard.press('.')
  await expect(told).toHaveText('cedar spray 1 at 12:00')
  await page.keyboard.press('.')
  await expect(told).toHaveText(/^cedar spray 2 at 12:[1-5]\d$/)
  for (const [key, says] of [
    ['ArrowRight', /cedar spray 2 at \d+:\d\d/],
    [']', /turned 5 degrees clockwise/],
    ['ArrowUp', /moved outward/],
    ['Backspace', /back at the rule/],
  ] as const) {
    await page.keyboard.press(key)
    await expect(told).toHaveText(says)
  }
  await page.keyboard.press('Control+z')
  await expect(told).toHaveText('Undone: put cedar spray 2 back to the rule')
  await page.keyboard.press('Control+Shift+Z')
  await expect(told).toHaveText('Done again: put cedar spray 2 back to the rule')
  await page.keyboard.press('?')
  await expect(page.getByRole('heading', { name: 'Keys on the bench' })).toBeVisible()
  await page.keyboard.press('Escape')
  await saved(page)
})

test('every figure of the tally opens to a sum with its basis', { tag: '@long' }, async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  for (const piece of ['orchard-ring', 'boathouse-door-ring']) {
    await page.goto(`${demoSite}/piece/${piece}`)
    await expect(figure(page, 'Face covered')).toBeVisible()
    const closed = page.getByTestId('tally').getByRole('button', { name: /Show the sum$/, expanded: false })
    // Shops that answer, and what is kept for the piece, may still change which figures there are.
    while (await closed.count()) await closed.first().click()
    const sums = await page.getByTestId('sum').allTextContents()
    expect(sums.length).toBeGreaterThan(30)
    for (const sum of sums) {
      expect(sum).toMatch(/\S (Counted|Geometry|Rule of thumb|Published: .+)/)
      expect(sum).not.toMatch(/NaN|undefined|Infinity|null/)
    }
  }
})

test('keys change nothing behind a dialog, in a menu, on a button or in a field', async ({ page }) => {
  const layer = await openWith(page, 'Quiet ring', ['bay'])
  await page.getByRole('application').focus()
  await page.keyboard.press('.')
  await saved(page)
  const before = (await exported(page)).text
  const KEYS = ['a', 'c', 'm', 'd', 'p', 'h', 'l', '+', '-', '[', ']', 'Delete', 'Backspace', 'ArrowRight', 'ArrowUp']
  const pressAll = async (keys = KEYS): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key)
  }
  // A menu.
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await pressAll(['Delete', 'Backspace', '+', '[', 'd'])
  await page.keyboard.press('Escape')
  await expect(page.getByRole('menu')).toHaveCount(0)
  // A button.
  await layer.getByRole('button').first().focus()
  await pressAll()
  // A dialog, which Escape closes.
  await page.getByRole('application').focus()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toHaveCount(1)
  await pressAll()
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  // A field: what is typed is its own, and so is its undo.
  const many = layer.getByLabel('How many', { exact: true }).and(layer.locator('input'))
  await many.focus()
  await page.keyboard.type('9')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Escape')
  expect((await exported(page)).text).toBe(before)
})

import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { addLayer, fill, saved, startPiece } from './bench'

test('closing the tab in the middle of an edit loses nothing', async ({ context, page }) => {
  await startPiece(page, 'Barn ring')
  const address = page.url()
  await page.getByLabel('Name', { exact: true }).fill('Barn ring, red')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  const layer = await addLayer(page, 'bracken')
  // Typed, not yet taken: the field is still being edited when the tab goes.
  await layer.getByLabel('How many', { exact: true }).and(layer.locator('input')).fill('23')
  await page.close({ runBeforeUnload: true })

  const again = await context.newPage()
  await again.goto(address)
  await expect(again.getByRole('heading', { level: 1 })).toHaveText('Barn ring, red')
  await expect(again.getByTestId('layer')).toContainText('23 bracken fronds')
  await saved(again)
})

test('a reload keeps the piece, and earlier versions can be gone back to', async ({ page }) => {
  await startPiece(page, 'Gate ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'ivy')
  await saved(page)
  await page.reload()
  await expect(page.getByTestId('layer')).toHaveCount(1)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Earlier versions…' }).click()
  await page.getByRole('listitem').filter({ hasText: '0 layers' }).getByRole('button', { name: 'Go back to it' }).click()
  await expect(page.getByTestId('layer')).toHaveCount(0)
  await page.keyboard.press('Control+z')
  await expect(page.getByTestId('layer')).toHaveCount(1)
})

test('two tabs see each other’s changes', async ({ context, page }) => {
  await startPiece(page, 'Twin ring')
  await saved(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(other.getByRole('heading', { level: 1 })).toHaveText('Twin ring')
  await other.getByRole('button', { name: 'Brief', exact: true }).click()
  await other.getByLabel('Name', { exact: true }).fill('Twin ring, left')
  await saved(other)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Twin ring, left')
})

test('what two tabs change at once is kept from both', async ({ context, page }) => {
  await startPiece(page, 'Torn ring')
  await saved(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await other.getByRole('button', { name: 'Brief', exact: true }).click()
  // In one go, as a key comes: to choose a text and to type over it are two, and the other tab's name may come between.
  const name = (tab: Page, text: string) =>
    tab.getByLabel('Name', { exact: true }).evaluate((field: HTMLInputElement, to) => {
      field.value = to
      field.dispatchEvent(new Event('input', { bubbles: true }))
    }, text)
  await Promise.all([name(page, 'Torn ring, mine'), name(other, 'Torn ring, yours')])
  await saved(page)
  await saved(other)
  await page.goto('/')
  const names = page.getByTestId('piece').getByRole('heading')
  await expect(names.first()).toBeVisible()
  const all = await names.allTextContents()
  // One after the other, the later name stands; at once, the one that came second is kept beside it.
  if (all.length === 1) expect(all[0]).toMatch(/^Torn ring, (mine|yours)$/)
  else expect(all.map((name) => name.replace(' (kept from this tab)', '')).sort()).toEqual(['Torn ring, mine', 'Torn ring, yours'])
})

test('numbers that make no sense stay in their field with the reason', async ({ page }) => {
  await startPiece(page, 'Odd ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  const layer = await addLayer(page, 'ivy')
  for (const [label, text, says] of [
    ['How many', 'lots', 'is not a number'],
    ['How many', '2.5', 'whole number'],
    ['How many', '9999', 'From 0 to 500'],
    ['First one at', '25:00', 'not a clock position'],
    ['Cut to', 'long', 'not a length'],
  ] as const) {
    await fill(layer, label, text)
    await expect(layer.getByRole('alert')).toContainText(says)
    await layer.getByLabel(label, { exact: true }).and(layer.locator('input')).press('Escape')
    await expect(layer.getByRole('alert')).toHaveCount(0)
  }
  await fill(layer, 'How many', '0')
  await expect(page.getByTestId('tape')).toContainText('ivy trails')
  await fill(layer, 'How many', '500')
  await expect(layer).toContainText('500 ivy trails')
})

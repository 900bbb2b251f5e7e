import { expect, test } from '@playwright/test'
import type { Locator, Page } from '@playwright/test'
import { COMMAND_KEYS } from '../../app/utils/key-list'
import { openWith, saved } from '../e2e/bench'

/** Keys that a box of choices takes for itself: letters look for a choice, arrows change it. */
const OF_CHOICES = new Set(COMMAND_KEYS.filter((key) => key.startsWith('Arrow') || key.startsWith('Page') || /^\S$/.test(key)))

/** What hands did to the piece, and how its layers stand: all that a command of the list changes. */
const handled = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const opening = indexedDB.open('ruddy-bramble')
        opening.onsuccess = () => {
          const all = opening.result.transaction('pieces').objectStore('pieces').getAll()
          all.onsuccess = () => {
            const [{ piece }] = all.result as [{ piece: { layers: Record<string, unknown>[] } }]
            resolve(JSON.stringify(piece.layers.map(({ id, nudges, added, hidden, locked }) => ({ id, nudges, added, hidden, locked }))))
            opening.result.close()
          }
        }
      }),
  )

test('a law of keys: with every field focused, and every menu and dialog open, no key of the list changes what lies behind', async ({
  page,
}) => {
  test.setTimeout(1_800_000)
  await openWith(page, 'Quiet ring', ['bay', 'daisy'])
  // Something is chosen: else there would be nothing that a key could change.
  await page.getByRole('application').focus()
  await page.keyboard.press('.')
  await saved(page)
  const before = await handled(page)
  expect(before).toContain('"nudges":{}')
  const same = async (where: string): Promise<void> => {
    await page.waitForTimeout(500)
    expect(await handled(page), where).toBe(before)
  }
  const press = async (keys: readonly string[]): Promise<void> => {
    for (const key of keys) if (key !== 'Escape') await page.keyboard.press(key)
  }
  let fields = 0
  for (const panel of ['Brief', 'Base', 'Stems', 'Fixing', 'Hanging', 'Order', 'Cost']) {
    await page.getByRole('button', { name: panel, exact: true }).click()
    await page.waitForTimeout(500)
    const inside: Locator = page.locator('main > section').first()
    const all = inside.locator('input:visible, select:visible, textarea:visible')
    const many = await all.count()
    for (let i = 0; i < many; i++) {
      const field = all.nth(i)
      const kind = await field.evaluate((of) => (of instanceof HTMLInputElement ? of.type : of.tagName.toLowerCase())).catch(() => 'gone')
      // A tick, a colour and a box of choices have keys of their own.
      if (kind === 'gone' || ['color', 'file', 'date', 'time'].includes(kind)) continue
      await field.focus()
      await press(
        kind === 'select' || kind === 'radio' || kind === 'range' ? COMMAND_KEYS.filter((key) => !OF_CHOICES.has(key)) : COMMAND_KEYS,
      )
      await page.keyboard.press('Escape')
      fields += 1
    }
    await same(panel)
  }
  expect(fields).toBeGreaterThan(40)

  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  let opened = 0
  for (const name of ['More', 'Take out', 'Export']) {
    const button = page.getByRole('button', { name, exact: true })
    if (!(await button.count())) continue
    await button.first().click()
    await press(COMMAND_KEYS)
    await same(`menu ${name}`)
    await page.keyboard.press('Escape')
    await expect(page.getByRole('menu')).toHaveCount(0)
    await button.first().click()
    await expect(page.getByRole('menuitem').first()).toBeVisible()
    const items = await page.getByRole('menuitem').allTextContents()
    await page.keyboard.press('Escape')
    for (const item of items.filter((each) => each.includes('…'))) {
      await expect(page.getByRole('menu')).toHaveCount(0)
      await button.first().click()
      await page.getByRole('menuitem', { name: item.trim() }).click()
      const dialog = page.getByRole('dialog')
      await expect(dialog).toHaveCount(1)
      opened += 1
      await press(COMMAND_KEYS)
      await page.keyboard.press('Control+z')
      await same(`dialog ${item}`)
      await page.keyboard.press('Escape')
      await page.keyboard.press('Escape')
      await expect(dialog, item).toHaveCount(0)
    }
  }
  expect(opened).toBeGreaterThan(1)
  console.info(`${fields} fields and ${opened} dialogs`)
})

import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { addLayer, demoSite, fill, saved, startPiece } from '../e2e/bench'

/** From now on nothing can be written, in this page, until `thaw`. */
const freeze = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const { put, add } = IDBObjectStore.prototype
    Object.assign(window, { thaw: () => Object.assign(IDBObjectStore.prototype, { put, add }) })
    const full = (): never => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    Object.assign(IDBObjectStore.prototype, { put: full, add: full })
  })
const thaw = (page: Page): Promise<void> => page.evaluate(() => (window as unknown as { thaw(): void }).thaw())
const full = (page: Page) => page.getByRole('alert').filter({ hasText: 'The storage that the browser gives this app is full' })

test('with a storage that stays full a minute of work on the bench is all there after a reload', async ({ page }) => {
  await startPiece(page, 'Full ring')
  await saved(page)
  await freeze(page)
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  const layer = await addLayer(page, 'bracken')
  for (let i = 0; i < 40; i++) {
    await fill(layer, 'How many', String(5 + i))
    await page.waitForTimeout(1500)
  }
  await expect(page.getByTestId('saving')).toHaveText('Not saved yet')
  await expect(full(page)).toHaveCount(1)
  await page.reload()
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await expect(page.getByTestId('layer')).toContainText('44 bracken fronds')
  await saved(page)
})

test('everything brought in where there is no room: told, nothing of it taken, and whole once there is', async ({ browser, page }) => {
  const other = await browser.newPage()
  await other.goto(demoSite)
  await expect(other.getByTestId('piece').first()).toBeVisible()
  await other.goto(`${demoSite}/settings`)
  const [file] = await Promise.all([
    other.waitForEvent('download', { timeout: 30_000 }),
    other.getByRole('button', { name: 'Write everything to one file' }).click(),
  ])
  const buffer = readFileSync(await file.path())
  await page.goto('/settings')
  const choose = async (): Promise<void> => {
    await page.getByLabel('A workroom file').setInputFiles({ name: 'all.zip', mimeType: 'application/zip', buffer })
    await page.getByRole('button', { name: 'Beside what is here' }).click()
  }
  await freeze(page)
  await choose()
  await expect(full(page).first()).toBeVisible()
  await thaw(page)
  const counts = (): Promise<number[]> =>
    page.evaluate(
      () =>
        new Promise<number[]>((resolve) => {
          const opening = indexedDB.open('ruddy-bramble')
          opening.onsuccess = () => {
            const names = ['pieces', 'lots', 'daybook', 'sales']
            const reading = opening.result.transaction(names)
            const found = names.map((name) => reading.objectStore(name).count())
            reading.oncomplete = () => resolve(found.map(({ result }) => result))
          }
        }),
    )
  expect(await counts()).toEqual([0, 0, 0, 0])
  await page.reload()
  await choose()
  await expect(page.getByTestId('taken')).toBeVisible()
  expect((await counts()).every((n) => n > 0)).toBe(true)
})

test('forms and ticks under a storage that is full say so, and are there after a reload', async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  await page.goto(`${demoSite}/daybook`)
  await page.getByRole('button', { name: 'Complete it…' }).click()
  await expect(page.getByLabel('Where it hung')).toBeVisible()
  await page.waitForTimeout(500)
  await freeze(page)
  await page.getByLabel('Where it hung').fill('a full house')
  await expect(full(page).first()).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Go on with it' }).click()
  await expect(page.getByLabel('Where it hung')).toHaveValue('a full house')
  await page.goto(`${demoSite}/piece/ferry-hoop/steps`)
  const now = page.getByTestId('now')
  await expect(now).toContainText('1.')
  await freeze(page)
  await page.getByRole('button', { name: /^(Done, and on|All of them done)$/ }).click()
  await expect(full(page).first()).toBeVisible()
  await page.reload()
  await expect(now).toContainText('2.')
})

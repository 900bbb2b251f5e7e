import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { startPiece } from '../e2e/bench'

/** Opens the database as another version of the app would, and holds it. */
const hold = (page: Page, version: number): Promise<string> =>
  page.evaluate(
    (to) =>
      new Promise<string>((resolve) => {
        const opening = indexedDB.open('ruddy-bramble', to)
        opening.onupgradeneeded = () => {
          if (to < 100) opening.result.createObjectStore('pieces', { keyPath: 'id' }).createIndex('savedAt', 'savedAt')
        }
        opening.onsuccess = () => {
          ;(window as unknown as { held: IDBDatabase }).held = opening.result
          resolve('open')
        }
        opening.onblocked = () => resolve('blocked')
        opening.onerror = () => resolve(String(opening.error))
      }),
    version,
  )

test('an update that an old tab stands in the way of says so, and goes on by itself when that is closed', async ({ context, page }) => {
  const old = await context.newPage()
  await old.goto('/api/none')
  expect(await hold(old, 10)).toBe('open')
  await page.goto('/')
  await expect(page.getByRole('alert').filter({ hasText: 'Another tab' })).toBeVisible()
  await old.close()
  await expect(page.getByRole('alert').filter({ hasText: 'Another tab' })).toHaveCount(0)
  await startPiece(page, 'Later ring')
  await expect(page.getByTestId('saving')).toHaveText('Saved')
})

test('a database of a newer version is told in words on every page, and left alone', async ({ page }) => {
  await page.goto('/api/none')
  await hold(page, 9990)
  for (const path of ['/', '/stash', '/daybook', '/season', '/settings', '/piece/any']) {
    await page.goto(path)
    await expect(page.getByRole('alert').filter({ hasText: 'newer version' }).first(), path).toBeVisible()
    await expect(page.getByText('Something went wrong')).toHaveCount(0)
  }
  await page.goto('/api/none')
  expect(await page.evaluate(async () => (await indexedDB.databases()).find(({ name }) => name === 'ruddy-bramble')?.version)).toBe(9990)
})

test('a tab from before the update says what to do, and what is typed in it lies aside', async ({ context, page }) => {
  await startPiece(page, 'Older ring')
  await expect(page.getByTestId('saving')).toHaveText('Saved')
  const next = await context.newPage()
  await next.goto('/api/none')
  expect(await hold(next, 9990)).toBe('open')
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  await page.getByLabel('Occasion', { exact: true }).fill('typed in the old tab')
  await page.getByLabel('Occasion', { exact: true }).blur()
  await expect(page.getByRole('alert').filter({ hasText: 'Reload this tab' }).first()).toBeVisible()
  await expect(page.getByTestId('saving')).not.toHaveText('Saved')
  const aside = (): Promise<string[]> =>
    page.evaluate(() =>
      Object.entries(localStorage).flatMap(([key, text]) => (key.startsWith('ruddy-bramble:rescue:') ? [String(text)] : [])),
    )
  await expect.poll(aside).toEqual([expect.stringContaining('typed in the old tab')])
})

test('a database that somebody deletes in the middle is begun anew, and what is on the screen is kept in it', async ({ context, page }) => {
  await startPiece(page, 'Wiped ring')
  await expect(page.getByTestId('saving')).toHaveText('Saved')
  const other = await context.newPage()
  await other.goto('/api/none')
  const gone = await other.evaluate(
    () =>
      new Promise((resolve) => {
        const deleting = indexedDB.deleteDatabase('ruddy-bramble')
        deleting.onsuccess = () => resolve('gone')
        deleting.onerror = () => resolve('not')
      }),
  )
  expect(gone).toBe('gone')
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  await page.getByLabel('Occasion', { exact: true }).fill('typed afterwards')
  await page.getByLabel('Occasion', { exact: true }).blur()
  await expect(page.getByTestId('saving')).toHaveText('Saved')
  await page.goto('/')
  await expect(page.getByTestId('piece')).toHaveCount(1)
  await expect(page.getByTestId('piece')).toContainText('Wiped ring')
})

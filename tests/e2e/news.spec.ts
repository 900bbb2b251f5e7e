import { expect, test } from '@playwright/test'
import { startPiece } from './bench'

test('what is new is told once after an update, and to nobody who begins today', async ({ page }) => {
  const news = page.getByTestId('what-is-new')
  await startPiece(page, 'Ring')
  await page.goto('/')
  await expect(page.getByTestId('piece')).toHaveCount(1)
  await expect(news).toHaveCount(0)

  // As somebody is who saw the first version last.
  await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const opening = indexedDB.open('ruddy-bramble')
      opening.onsuccess = () => resolve(opening.result)
    })
    const writing = db.transaction('settings', 'readwrite')
    writing.objectStore('settings').put({ key: 'version', value: '0.1.0', at: Date.now() })
    await new Promise((resolve) => {
      writing.oncomplete = resolve
    })
    db.close()
  })
  await page.reload()
  await expect(news).toContainText('kept from its first letter')
  await expect(news).not.toContainText('Daybook, season, kits')
  await news.getByRole('button', { name: 'Close' }).click()
  await expect(news).toHaveCount(0)
  await page.reload()
  await expect(page.getByTestId('piece')).toHaveCount(1)
  await expect(news).toHaveCount(0)

  await page.goto('/settings')
  const releases = page.getByTestId('releases')
  await releases.locator('summary').click()
  await expect(releases).toContainText('Daybook, season, kits')
})

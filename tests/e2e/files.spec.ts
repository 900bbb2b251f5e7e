import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { VERSION } from '../../core/piece'
import type { Page } from '@playwright/test'

const good = readFileSync(new URL('../../demo/ferry-hoop.json', import.meta.url), 'utf8')

async function drop(page: Page, name: string, text: string | Buffer): Promise<void> {
  await page.getByLabel('A piece file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
}

test.beforeEach(async ({ page }) => {
  await page.goto('/')
})

for (const [what, text, says] of [
  ['a broken file', good.slice(0, 900), /The file is broken: .+\nNothing was changed/],
  ['a file that is not ours', '{"hello": "world"}', /format, line 1: This is not one of our pieces/],
  [
    'a newer file',
    good.replace(/"version": \d+/, `"version": ${VERSION + 1}`),
    new RegExp(`version, line 3: This piece was written by a newer version of the app \\(format ${VERSION + 1}`),
  ],
  ['a wrong value', good.replace('"count": 34', '"count": -34'), /layers\[1\]\.rule\.count, line \d+: /],
  ['a file over the limit', Buffer.alloc(8 * 1024 * 1024 + 1, ' '), /8\.0 MB; the most that is read is 8 MB/],
] as const) {
  test(`${what} is refused with what and where, and changes nothing`, async ({ page }) => {
    await drop(page, 'piece.json', text)
    const alert = page.getByRole('alert')
    await expect(alert).toContainText('“piece.json” was not taken in')
    await expect(alert).toContainText(says)
    await expect(page.getByTestId('empty')).toBeVisible()
    await alert.getByRole('button', { name: 'Close' }).click()
    await expect(alert).toBeHidden()
  })
}

test('the same file twice is one piece; a different one by the same id comes in beside it', async ({ page }) => {
  await drop(page, 'a.json', good)
  await expect(page.getByTestId('piece')).toHaveCount(1)
  await drop(page, 'b.json', good)
  await expect(page.getByRole('status').first()).toContainText('is here already')
  await drop(page, 'c.json', good.replace('"name": "Ferry hoop"', '"name": "Other hoop"'))
  await expect(page.getByTestId('piece')).toHaveCount(2)
  await expect(page.getByRole('heading', { name: 'Ferry hoop' })).toBeVisible()
  page.on('dialog', (dialog) => dialog.accept())
  await page.getByRole('button', { name: 'More about Other hoop' }).click()
  await page.getByRole('menuitem', { name: 'Throw away…' }).click()
  await expect(page.getByTestId('piece')).toHaveCount(1)
})

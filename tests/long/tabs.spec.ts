import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { addLayer, demoSite, fill, saved, startPiece } from '../e2e/bench'

/** Two tabs at one page. */
async function twice(page: Page, address: string): Promise<Page> {
  await page.goto(address)
  const other = await page.context().newPage()
  await other.goto(address)
  return other
}
const demo = async (page: Page): Promise<void> => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  // The lots that pieces keep are parted soon after the first look.
  await page.goto(`${demoSite}/stash`)
  await expect(page.getByTestId('stash-sum')).toContainText('kept for pieces')
}
const openLot = async (tab: Page, name: string): Promise<void> => {
  await tab.getByRole('searchbox', { name: 'Find' }).fill(name)
  await tab.getByTestId('lot').first().click()
  await expect(tab.getByLabel('Where it lies')).toBeVisible()
}

test('one lot changed by hand in two tabs: the second is told, and what was written there is still there', async ({ page }) => {
  await demo(page)
  const other = await twice(page, `${demoSite}/stash`)
  for (const tab of [page, other]) await openLot(tab, 'Striped ribbon')
  await page.getByLabel('Where it lies').fill('by one')
  await other.getByLabel('Tied to a season').fill('by the other')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await other.getByRole('button', { name: 'Keep it' }).click()
  await expect(other.getByRole('alert').filter({ hasText: 'Meanwhile it was changed elsewhere' })).toBeVisible()
  await other.reload()
  await other.getByRole('button', { name: 'Go on with it' }).click()
  await expect(other.getByLabel('Where it lies')).toHaveValue('by one')
  await expect(other.getByLabel('Tied to a season')).toHaveValue('by the other')
  await other.getByRole('button', { name: 'Keep it' }).click()
  await expect(other.getByRole('dialog')).toHaveCount(0)
  await expect(other.getByTestId('draft')).toHaveCount(0)
})

test('a page of the daybook in two tabs: what each wrote of it is in it', async ({ page }) => {
  await demo(page)
  const other = await twice(page, `${demoSite}/daybook`)
  for (const tab of [page, other]) await tab.getByRole('button', { name: 'Complete it…' }).click()
  await page.getByLabel('Where it hung').fill('Mill door')
  await page.getByRole('button', { name: 'Into the daybook' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await other.getByLabel('How it lasted').fill('Until the frost')
  await other.getByRole('button', { name: 'Into the daybook' }).click()
  await expect(other.getByRole('dialog')).toHaveCount(0)
  await page.reload()
  await page.getByRole('button', { name: 'Complete it…' }).click()
  await expect(page.getByLabel('Where it hung')).toHaveValue('Mill door')
  await expect(page.getByLabel('How it lasted')).toHaveValue('Until the frost')
})

test('settings, rules of thumb and shops in two tabs: none wipes what the other said', async ({ page }) => {
  await demo(page)
  const other = await twice(page, `${demoSite}/settings`)
  const rule = (tab: Page, n: number) => tab.getByTestId('thumb').nth(n).getByRole('textbox')
  await rule(page, 0).fill('7')
  await rule(page, 0).press('Enter')
  await rule(other, 1).fill('9')
  await rule(other, 1).press('Enter')
  for (const tab of [page, other]) {
    await expect(rule(tab, 0)).toHaveValue(/^7/)
    await expect(rule(tab, 1)).toHaveValue(/^9/)
  }
})

test('a piece thrown away in one tab while the other works on it goes on as one of its own', async ({ page }) => {
  await startPiece(page, 'Lost ring')
  await saved(page)
  const address = page.url()
  const other = await page.context().newPage()
  await other.goto('/')
  other.once('dialog', (asked) => void asked.accept())
  await other.getByTestId('piece').getByRole('button', { name: 'More about Lost ring' }).click()
  await other.getByRole('menuitem', { name: /Throw/ }).click()
  await expect(other.getByTestId('piece')).toHaveCount(0)
  await expect(page.getByRole('alert').filter({ hasText: 'Thrown away in another tab' })).toBeVisible()
  await page.getByRole('button', { name: 'Brief', exact: true }).click()
  await fill(page, 'Occasion', 'after it went')
  await saved(page)
  await expect(other.getByTestId('piece')).toContainText('Lost ring (kept from this tab)')
  await page.goto(address)
  await expect(page.getByTestId('piece').or(page.getByText('No such piece')).first()).toBeVisible()
})

test('ticks of the sheet in two tabs are all kept', async ({ page }) => {
  await startPiece(page, 'Ticked ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await addLayer(page, 'bracken')
  await saved(page)
  const other = await twice(page, `${page.url()}/steps`)
  const next = (tab: Page) => tab.getByRole('button', { name: /^(Done, and on|All of them done)$/ })
  const now = (tab: Page) => tab.getByTestId('now')
  for (const tab of [page, other]) await expect(now(tab)).toContainText('1.')
  for (let i = 1; i <= 4; i++) {
    await next(i % 2 ? other : page).click()
    for (const tab of [page, other]) await expect(now(tab)).toContainText(`${i + 1}.`)
  }
  await page.reload()
  await expect(now(page)).toContainText('5.')
  const done = await page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('ruddy-bramble')
        opening.onsuccess = () => {
          const all = opening.result.transaction('progress').objectStore('progress').getAll()
          all.onsuccess = () => resolve((all.result as { done: string[] }[])[0]!.done.length)
        }
      }),
  )
  expect(done).toBe(4)
})

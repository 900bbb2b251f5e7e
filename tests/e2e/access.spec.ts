import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { DEMO_PIECES, demoSite, expectAccessible, figure } from './bench'

// One pass over every page, panel, dialog and kind of layer, each by day and in the evening.

const evening = (page: Page) => page.getByRole('button', { name: 'Evening light' })

/**
 * Looks at what is there now by day, and at whole pages in the evening too: their parts have no colours of their own. The light is set
 * where it is kept, since a dialog covers its switch.
 * @param within what is new there: the rest was looked at before
 */
async function inBothLights(page: Page, within = 'body'): Promise<void> {
  for (const light of within === 'body' ? (['day', 'evening'] as const) : (['day'] as const)) {
    await page.evaluate((to) => {
      document.documentElement.dataset.light = to
    }, light)
    await expectAccessible(page, within, light === 'evening')
  }
  await page.evaluate(() => {
    document.documentElement.dataset.light = 'day'
  })
}

async function demo(page: Page, path: string): Promise<void> {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  await page.goto(demoSite + path)
}

test('workroom, its dialog and menu, and an empty one', async ({ page }) => {
  await demo(page, '/')
  await expect(page.getByTestId('piece').first().locator('img')).toBeVisible()
  await inBothLights(page)
  await page.getByRole('button', { name: 'Start a piece' }).click()
  await inBothLights(page)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'More about Ferry hoop' }).click()
  await inBothLights(page)
  await page.goto('/')
  await expect(page.getByTestId('empty')).toBeVisible()
  await inBothLights(page)
  await page.goto('/no/such/page')
  await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible()
  await inBothLights(page)
})

test('bench: its panels, dialogs and the beginning', async ({ page }) => {
  await demo(page, '/piece/ferry-hoop')
  await expect(figure(page, 'Face covered')).toBeVisible()
  await page.getByTestId('layer').first().getByRole('button', { expanded: false }).click()
  await figure(page, 'Face covered').click()
  await page.getByTestId('tape').getByRole('option').first().click()
  await inBothLights(page)
  for (const panel of ['Brief', 'Base']) {
    await page.getByRole('button', { name: panel, exact: true }).click()
    await inBothLights(page, `section[aria-label="${panel}"]`)
  }
  await page.getByRole('button', { name: 'Keys' }).click()
  await expect(page.getByRole('heading', { name: 'Keys on the bench' })).toBeVisible()
  await inBothLights(page, '[role=dialog]')
  await page.keyboard.press('Escape')
  for (const item of ['A picture of it…', 'Earlier versions…']) {
    await page.getByRole('button', { name: 'More', exact: true }).click()
    await page.getByRole('menuitem', { name: item }).click()
    await expect(page.getByRole('dialog').getByRole('heading')).toBeVisible()
    await inBothLights(page, '[role=dialog]')
    await page.reload()
    await expect(figure(page, 'Face covered')).toBeVisible()
  }
  await evening(page).click()
  await expect(page.locator('html')).toHaveAttribute('data-light', 'evening')
})

test('bench: layers of every construction, and the beginning of an empty one', { tag: '@long' }, async ({ page }) => {
  /** Each kind of rule is looked at once. */
  const seen = new Set<string>()
  for (const piece of ['honey-fair-ring', 'wire-pear', 'chapel-garland', 'orchard-ring']) {
    await demo(page, `/piece/${piece}`)
    await expect(figure(page, 'Face covered')).toBeVisible()
    const layers = page.getByTestId('layer')
    for (let i = 0; i < (await layers.count()); i++) {
      await layers.nth(i).getByRole('button', { expanded: false }).first().click()
      const rule = await layers.nth(i).getByLabel('Placing rule').inputValue()
      if (seen.has(rule)) continue
      seen.add(rule)
      await expectAccessible(page, '[aria-label="Order of work"]')
    }
  }
  await page.goto(demoSite)
  await page.getByRole('button', { name: 'Start a piece' }).click()
  await page.getByLabel('What shall it be called?').fill('Bare ring')
  await page.getByRole('button', { name: 'To the bench' }).click()
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  await expect(page.getByTestId('beginning')).toBeVisible()
  await inBothLights(page, '[aria-label="Order of work"]')
  await page.getByRole('button', { name: 'Add a layer' }).click()
  await inBothLights(page, '[aria-label="Order of work"]')
})

test('make sheet, cutting, shelf with its dialogs, plate', async ({ page }) => {
  await demo(page, '/piece/boathouse-door-ring/make')
  await expect(page.getByRole('heading', { name: 'Steps' })).toBeVisible()
  await inBothLights(page)
  await page.goto(`${demoSite}/cutting`)
  const wanted = page
    .getByLabel('Cut from')
    .locator('option')
    .filter({ hasText: /^Ochre ribbon \(\d+\)$/ })
  await page.getByLabel('Cut from').selectOption({ label: (await wanted.textContent())! })
  await expect(page.getByTestId('plan')).toBeVisible()
  await inBothLights(page)
  await page.goto(`${demoSite}/shelf`)
  await expect(page.getByTestId('material').first()).toBeVisible()
  await inBothLights(page)
  await page.getByRole('button', { name: 'Add a material' }).click()
  await inBothLights(page, '[role=dialog]')
  await page.keyboard.press('Escape')
  await page.getByLabel('A table of materials').setInputFiles({
    name: 'table.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,kind,length,width\nhedge tip,greenery,8,3\nodd,tree,1,1\n'),
  })
  await expect(page.getByTestId('row-faults')).toBeVisible()
  await inBothLights(page, '[role=dialog]')
  await page.goto(`${demoSite}/species-gallery`)
  await expect(page.locator('main[data-ready=true]')).toBeVisible({ timeout: 60_000 })
  await inBothLights(page)
})

test('season, year, kits, daybook and what it taught', async ({ page }) => {
  await demo(page, '/season')
  await expect(page.getByTestId('mend').first()).toBeVisible()
  await inBothLights(page)
  await page.getByRole('button', { name: 'The year' }).click()
  await expect(page.getByTestId('year-bar').first()).toBeVisible()
  await inBothLights(page)
  await page.goto(`${demoSite}/kits`)
  await expect(page.getByTestId('break-even')).toBeVisible()
  await inBothLights(page)
  await page.goto(`${demoSite}/daybook`)
  await expect(page.getByTestId('spread')).toBeVisible()
  await inBothLights(page)
  await page.getByRole('button', { name: 'What it taught' }).click()
  await expect(page.getByTestId('rate').first()).toBeVisible()
  await inBothLights(page)
})

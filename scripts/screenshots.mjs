// Makes docs/screenshots anew from the demo pieces, at 1280x800.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { browser, built, installed, root } from './prerequisites.mjs'
import { BROWSER, serving } from './serve.mjs'

installed()
browser()
await built()
const folder = join(root, 'docs/screenshots')
mkdirSync(folder, { recursive: true })

await serving(4183, async (site) => {
  const chrome = await chromium.launch(BROWSER)
  const page = await chrome.newPage({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
  // A Tuesday of the scenario: what the shops reduce goes by the day.
  await page.clock.setFixedTime(new Date('2026-10-20T10:00:00'))
  const settled = async () => {
    // The bench says when what is seen of its drawing is sharp.
    await page.waitForFunction(() => (document.querySelector('[data-testid=drawing]')?.dataset.sharp ?? 'true') === 'true', null, {
      timeout: 60_000,
    })
    await page.waitForTimeout(1200)
  }
  const shoot = async (name) => {
    await settled()
    await page.screenshot({ path: join(folder, `${name}.png`) })
    console.log(`docs/screenshots/${name}.png`)
  }
  const bench = async (piece) => {
    await page.goto(`${site}/piece/${piece}`)
    await page.getByTestId('tally').getByText('Face covered').waitFor()
  }

  const panel = (name) => page.getByRole('button', { name, exact: true }).click()

  await page.goto(site)
  await page.getByTestId('piece').nth(8).waitFor()
  await page.waitForFunction(
    () => [...document.querySelectorAll('[data-testid=piece]')].every((card) => card.querySelector('img')?.complete),
    null,
    { timeout: 180_000 },
  )
  await page.getByTestId('in-hand').waitFor()
  await shoot('workroom')

  await bench('boathouse-door-ring')
  await shoot('bench')

  await bench('lantern-swag')
  await page.getByRole('option', { name: /^long-needled pine tip 5,/ }).click()
  await shoot('swag')

  await bench('chapel-garland')
  await panel('Base')
  await shoot('garland')

  await page.goto(`${site}/species-gallery`)
  await page.locator('main[data-ready=true]').waitFor()
  await page.screenshot({ path: join(folder, 'plate.png'), fullPage: true })
  console.log('docs/screenshots/plate.png')

  await page.goto(`${site}/shelf`)
  await page.getByTestId('material').nth(20).waitFor()
  await shoot('shelf')

  await page.goto(`${site}/cutting`)
  await page.getByTestId('wanted').first().waitFor()
  const ochre = await page.getByLabel('Cut from').locator('option').filter({ hasText: 'Ochre ribbon' }).first().textContent()
  await page.getByLabel('Cut from').selectOption({ label: ochre.trim() })
  await page.getByLabel('An offcut of', { exact: true }).and(page.locator('input')).fill('90')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Add it' }).click()
  await page.getByTestId('roll').nth(1).waitFor()
  await page.mouse.wheel(0, -2000)
  await shoot('cutting')

  await page.goto(`${site}/stash`)
  await page.getByTestId('tag').nth(3).waitFor()
  await shoot('stash')
  await page.goto(`${site}/shops`)
  await page.getByText('No basket costs less: proven.').waitFor({ timeout: 60_000 })
  await shoot('shops')
  await page.goto(`${site}/ledger`)
  await page.getByTestId('ledger').nth(7).waitFor()
  await shoot('ledger')
  await page.goto(`${site}/season`)
  await page.getByTestId('mend').first().waitFor()
  await shoot('season')
  await page.goto(`${site}/kits`)
  await page.getByTestId('break-even').waitFor()
  for (let i = 1; i < 9; i++) await page.getByRole('button', { name: 'The next kit' }).click()
  await page.getByTestId('instead').waitFor()
  await shoot('kits')
  await page.goto(`${site}/daybook?page=demo-1`)
  await page.getByTestId('spread').locator('img').waitFor()
  await shoot('daybook')
  await page.goto(`${site}/daybook?taught`)
  await page.getByTestId('rate').nth(6).waitFor()
  await shoot('rates')
  await bench('orchard-ring')
  await panel('Cost')
  await page.getByTestId('school').nth(2).waitFor()
  await page.getByTestId('measure').getByText('its share').waitFor()
  await shoot('cost')

  await page.goto(`${site}/piece/boathouse-door-ring/make`)
  await page.locator('figure canvas[data-painted=true]').waitFor()
  await shoot('make-sheet')

  await bench('boathouse-door-ring')
  await panel('Hanging')
  await page.getByRole('button', { name: 'Load path' }).click()
  await page.locator('figure canvas[data-painted=true]').first().waitFor()
  await shoot('hanging')
  await panel('Order')
  await page.getByTestId('schedule').locator('svg').waitFor()
  await shoot('schedule')

  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto(`${site}/piece/boathouse-door-ring/steps`)
  const now = page.getByTestId('now')
  await now.waitFor()
  while (!(await now.textContent()).includes('Greenery')) await page.keyboard.press('ArrowRight')
  for (let i = 0; i < 5; i++) await page.keyboard.press('Space')
  await page.locator('[data-testid=lit] canvas[data-painted=true]').waitFor()
  await shoot('steps')
  await chrome.close()
})

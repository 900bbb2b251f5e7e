import { expect, test } from '@playwright/test'
import { demoSite } from './bench'

test('what is written in a form outlives Escape and a reload, for each form that takes longer than a moment', async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  const goOn = page.getByRole('button', { name: 'Go on with it' })
  const draft = page.getByTestId('draft')

  // A page of the daybook, with Escape.
  await page.goto(`${demoSite}/daybook`)
  await page.getByRole('button', { name: 'Complete it…' }).click()
  const otherwise = page.getByLabel('What to do otherwise next time')
  const before = await otherwise.inputValue()
  await otherwise.fill('Wire the heads first')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(draft).toHaveCount(1)
  await goOn.click()
  await expect(otherwise).toHaveValue('Wire the heads first')
  await page.getByRole('button', { name: 'Begin anew' }).click()
  await expect(otherwise).toHaveValue(before)
  await expect(draft).toHaveCount(0)
  await otherwise.fill('Wire the heads first')
  await page.reload()
  await goOn.click()
  await page.getByRole('button', { name: 'Into the daybook' }).click()
  await expect(page.getByRole('dialog')).toHaveCount(0)
  await expect(draft).toHaveCount(0)
  await expect(page.getByText('Wire the heads first')).toBeVisible()

  // A lot that is new, by a reload at once after the last letter.
  await page.goto(`${demoSite}/stash`)
  await page.getByRole('button', { name: 'Put something in' }).click()
  await page.getByLabel('Where it lies').fill('the attic')
  await page.reload()
  await goOn.click()
  await expect(page.getByLabel('Where it lies')).toHaveValue('the attic')
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(draft).toHaveCount(0)
  await page.getByRole('searchbox', { name: 'Find' }).fill('attic')
  await expect(page.getByTestId('lot')).toHaveCount(1)

  // A material of one's own.
  await page.goto(`${demoSite}/shelf`)
  await page.getByRole('button', { name: 'Add a material' }).click()
  await page.getByLabel('Name of one').fill('spindle twig')
  await page.reload()
  await expect(draft).toContainText('“Spindle twig” was begun')
  await goOn.click()
  await expect(page.getByLabel('Name of several')).toHaveValue('spindle twigs')
  await page.keyboard.press('Escape')
  page.once('dialog', (asked) => void asked.accept())
  await page.getByRole('button', { name: 'Throw it away' }).click()
  await expect(draft).toHaveCount(0)

  // A price list that was chosen, with what was said of it.
  await page.goto(`${demoSite}/shops`)
  await page
    .getByLabel('A table of prices')
    .setInputFiles({ name: 'yard.csv', mimeType: 'text/csv', buffer: Buffer.from('Material,Price\nbay,4.20\nivy,3.10\n') })
  await page.getByLabel('The shop’s name').fill('The yard')
  await page.reload()
  await goOn.click()
  await expect(page.getByLabel('The shop’s name')).toHaveValue('The yard')
  await page.getByRole('button', { name: 'Take 2 prices in' }).click()
  await expect(page.getByText('2 prices of The yard came in.').first()).toBeVisible()
  await expect(draft).toHaveCount(0)
})

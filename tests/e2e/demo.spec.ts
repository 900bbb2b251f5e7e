import { expect, test } from '@playwright/test'
import { DEMO_PIECES, demoSite, figure, pictureDiffers, rememberPicture } from './bench'

test('the workroom shows the demo pieces with their stage and cost', async ({ page }) => {
  await page.goto(demoSite)
  const pieces = page.getByTestId('piece')
  await expect(pieces).toHaveCount(DEMO_PIECES)
  for (const [name, stage] of [
    ['Boathouse door ring', 'Making'],
    ['Ferry hoop', 'Gathering'],
    ['Wake ring', 'Planned'],
    ['Honey Fair ring', 'Planned'],
  ] as const) {
    const card = pieces.filter({ hasText: name })
    await expect(card).toContainText(new RegExp(stage, 'i'))
    await expect(card).toContainText(/\$\d+\.\d\d/)
    await expect(card.locator('img')).toBeVisible()
  }
})

test('without the shops the app works on usual prices, and says so', async ({ page }) => {
  await page.route('**/api/shops', (route) => route.abort())
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  await page.goto(`${demoSite}/piece/boathouse-door-ring`)
  await expect(page.getByTestId('tally')).toContainText('No shop answers just now. These are usual prices.')
  await expect(figure(page, 'Cost opened')).toHaveText(/^\$\d+/)
})

test('the drawing changes when a stem is slid, and is the same again when it is put back', async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  await page.goto(`${demoSite}/piece/ferry-hoop`)
  await expect(figure(page, 'Face covered')).toBeVisible()
  const ticket = page.getByRole('option', { name: /^ferry-ticket sign 1,/ })
  await expect(ticket).toBeVisible()
  await rememberPicture(page)
  await ticket.click()
  await page.keyboard.press('ArrowRight')
  await expect.poll(() => pictureDiffers(page)).toBe(true)
  await page.keyboard.press('Backspace')
  await expect.poll(() => pictureDiffers(page)).toBe(false)
})

test('a piece that is not there says so and goes back', async ({ page }) => {
  await page.goto(`${demoSite}/piece/nowhere`)
  await expect(page.getByRole('alert')).toContainText('No such piece')
  await expect(page).toHaveURL(`${demoSite}/`)
})

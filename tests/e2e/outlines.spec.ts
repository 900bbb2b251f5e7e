import { fileURLToPath } from 'node:url'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { addLayer, expectAccessible, exported, figure, openPiece, pieceOn } from './bench'

const base = (page: Page) => page.getByRole('button', { name: 'Base', exact: true })
const pad = (page: Page) => page.getByTestId('outline-pad')

test('an outline is drawn point by point, told while it crosses itself, bent and mirrored, and bought as rod', async ({ page }) => {
  await openPiece(page, pieceOn('Chapel star', 'outline', []))
  await base(page).click()
  await page.getByRole('button', { name: 'Cross', exact: true }).click()
  await page.getByRole('button', { name: 'Draw it…' }).click()
  await expectAccessible(page)
  const size = page.getByTestId('outline-size')
  await expect(size).toContainText('14½ in wide, 20½ in high')

  // The arm's outer corner, slid an inch and a half down by key: half an inch a press.
  const corner = page.getByRole('button', { name: /^cross, point 3 of 12/ })
  await corner.focus()
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight')
  await expect(size).toContainText('16 in wide')
  await page.getByRole('button', { name: 'Left as right' }).click()
  await expect(size).toContainText('17½ in wide')
  await page.getByRole('button', { name: 'A step back' }).click()

  await page.getByRole('button', { name: /^cross, point 1 of 12/ }).focus()
  for (let i = 0; i < 30; i++) await page.keyboard.press('ArrowDown')
  for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowLeft')
  await expect(page.getByTestId('outline-fault')).toHaveText(/crosses itself/)
  await expect(page.getByRole('button', { name: 'Take it' })).toBeDisabled()

  // From an empty sheet, three points by hand, closed, and one side bent.
  await page.getByRole('button', { name: 'An empty sheet' }).click()
  await expect(page.getByTestId('outline-fault')).toHaveText('An outline needs one run at least.')
  const box = (await pad(page).boundingBox())!
  for (const [x, y] of [
    [0.5, 0.2],
    [0.7, 0.7],
    [0.3, 0.7],
  ] as const)
    await pad(page).click({ position: { x: box.width * x, y: box.height * y } })
  await page.getByRole('button', { name: 'Close the run' }).click()
  await expect(page.getByRole('button', { name: /^run 1, point \d of 3/ })).toHaveCount(3)
  const straight = (await size.textContent())!
  await page.getByRole('button', { name: 'Bend it' }).click()
  await expect(size).not.toHaveText(straight)
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect(pad(page)).toHaveCount(0)

  await page.getByRole('button', { name: /Stems/ }).first().click()
  await addLayer(page, 'cedar')
  await expect(figure(page, 'Rod to bend')).toHaveText(/in$/)
  const { piece } = await exported(page)
  expect(piece.base).toMatchObject({ kind: 'outline', shape: { form: 'outline', strokes: [{ closed: true }] } })
  expect(piece.base.shape.form === 'outline' && piece.base.shape.strokes[0]!.points).toHaveLength(3)
})

test('an outline comes from a path and from an SVG file, and what cannot be bent is told and changes nothing', async ({ page }) => {
  await openPiece(page, pieceOn('Gull', 'outline', []))
  await base(page).click()
  await page.getByRole('button', { name: 'Draw it…' }).click()
  const before = (await page.getByTestId('outline-size').textContent())!
  const path = page.getByLabel('From a drawing')
  await path.fill('M 0 0 L 10 10 L 10 0 L 0 10 Z')
  await page.getByRole('button', { name: 'Take this path' }).click()
  await expect(page.getByRole('alert')).toHaveText(/crosses itself.* Nothing was changed\./)
  await expect(page.getByTestId('outline-size')).toHaveText(before)
  await path.fill('<svg><script>alert(1)</script></svg>')
  await page.getByRole('button', { name: 'Take this path' }).click()
  await expect(page.getByRole('alert')).toHaveText(/<script> in it/)
  await path.fill('M 0 0 H 60 V 30 H 0 Z')
  await page.getByRole('button', { name: 'Take this path' }).click()
  await expect(page.getByRole('alert')).toHaveCount(0)
  await expect(page.getByRole('button', { name: /^outline, point 4 of 4/ })).toBeVisible()

  await page.locator('input[accept*=svg]').setInputFiles(fileURLToPath(new URL('./joined/gull.svg', import.meta.url)))
  // 156 units of 160, which are 16 in, and the wire.
  await expect(page.getByTestId('outline-size')).toContainText('16⅛ in wide')
  await page.getByRole('button', { name: 'Take it' }).click()
  const { piece } = await exported(page)
  expect(piece.base.shape.form === 'outline' && piece.base.shape.strokes).toHaveLength(1)
})

test('a number is shared out among layers, and how many go between those is counted and laid', async ({ page }) => {
  const ring = pieceOn('Counted ring', 'grapevine', ['dahlia', 'pine-cone'], { rule: { kind: 'compass', count: 3, start: 0 } })
  await openPiece(page, ring)
  await page.getByRole('button', { name: 'Count it out…' }).click()
  await expect(page.getByTestId('sharing').first()).toContainText('as it is')
  await expectAccessible(page)
  const have = page.getByRole('textbox', { name: 'I have' })
  await have.fill('9')
  await have.press('Enter')
  const best = page.getByTestId('sharing').first()
  await expect(best).toContainText('none')
  await best.getByRole('button', { name: 'Lay it so' }).click()
  await expect(page.getByTestId('sharing').first()).toContainText('as it is')
  await page.getByRole('radio', { name: 'So many between those' }).click()
  await expect(page.getByTestId('between')).toContainText('in every gap at most, side by side')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(figure(page, 'On the base')).toHaveText('9')
  await page.getByRole('button', { name: 'Undo: share things out' }).click()
  await expect(figure(page, 'On the base')).toHaveText('6')
})

import { expect, test } from '@playwright/test'
import { addLayer, exported, figure, fill, openWith, pictureDiffers, rememberPicture, saved, startPiece } from './bench'

test('stems bend with their run, lie straight, or to a radius; what is too tight is told and mended, a bend of nothing refused', async ({
  page,
}) => {
  const layer = await openWith(page, 'Bent ring', ['olive'])
  await expect(layer).toContainText('Olive branches are wired and take a radius of')
  const width = figure(page, 'Finished width')
  const bent = await width.textContent()
  await rememberPicture(page)

  await layer.getByLabel('Bent', { exact: true }).selectOption('Straight')
  await expect(width).not.toHaveText(bent!)
  await expect.poll(() => pictureDiffers(page)).toBe(true)

  await layer.getByLabel('Bent', { exact: true }).selectOption('Inward, to a radius')
  await fill(layer, 'To a radius of', '1/2')
  const problem = page.getByTestId('problem').filter({ hasText: 'asked to bend to ½ in' })
  await expect(problem).toBeVisible()
  await problem.getByRole('button', { name: /^Bend to/ }).click()
  await expect(problem).toHaveCount(0)

  await fill(layer, 'To a radius of', '0')
  await expect(layer.getByRole('alert')).toBeVisible()
  await layer.getByLabel('To a radius of', { exact: true }).press('Escape')
  await saved(page)
  const { bend } = (await exported(page)).piece.layers[0]!
  expect(bend).toMatchObject({ toward: 'in' })

  await layer.getByLabel('Bent', { exact: true }).selectOption('With the run')
  await expect(width).toHaveText(bent!)
})

test('one click on olive lays whole branches round an empty ring, bent along it, and as few as hands would', async ({ page }) => {
  await startPiece(page, 'Plain ring')
  await page.getByRole('button', { name: 'Stems', exact: true }).click()
  const layer = await addLayer(page, 'olive branch')
  await expect(layer).toContainText('With the run')
  await saved(page)
  const { layers } = (await exported(page)).piece
  expect(layers[0]).toMatchObject({ bend: 'run', cut: null })
  // 18 in branches round a centre line of some 49 in: a maker lays them one over the next, not dozens of stubs.
  expect(layers[0]!.rule.kind === 'compass' && layers[0]!.rule.count).toBeLessThan(30)
})

import { expect, test } from '@playwright/test'
import { DEMO_PIECES, demoSite, fill } from './bench'

test('pieces are planned from offcuts and rolls, cut, and cut is cut', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Cutting' }).click()
  const plan = page.getByRole('region', { name: 'Cutting plan' })
  const piece = async (use: string, length: string, count: string) => {
    await page.getByRole('textbox', { name: 'What for' }).fill(use)
    await fill(page, 'Length of each', length)
    await fill(page.getByRole('region', { name: 'A piece' }), 'How many', count)
    await page.getByRole('region', { name: 'A piece' }).getByRole('button', { name: 'Add a piece' }).click()
  }
  await page.getByLabel('Cut from').selectOption({ label: 'Slate-blue ribbon' })
  await piece('Streamer', '100', '4')
  await expect(page.getByTestId('wanted')).toHaveCount(1)
  await expect(plan).toContainText('Open 2 rolls')
  await expect(plan).toContainText('No plan costs less: proven.')
  await test.step('rolls of several lengths: what costs least is taken', async () => {
    await fill(page, 'Also sold in', '100')
    await fill(page, 'For', '1.00')
    await page.getByRole('region', { name: 'In the house' }).getByRole('button', { name: 'Add', exact: true }).click()
    await expect(plan).toContainText('Open 4 rolls, $4.00')
    await expect(plan).toContainText('No plan costs less: proven.')
    await page.getByRole('button', { name: 'Forget the roll of 100 in' }).click()
    await expect(plan).toContainText('Open 2 rolls')
  })
  await fill(page, 'An offcut of', '104')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByTestId('roll')).toHaveCount(2)
  await expect(page.getByTestId('roll').first()).toContainText('Offcut, 104 in')

  await page.getByTestId('roll').first().getByRole('checkbox').first().click()
  await expect(page.getByTestId('wanted').filter({ hasText: 'Streamer' })).toContainText('1 cut')
  await page.reload()
  await page.getByLabel('Cut from').selectOption({ label: 'Slate-blue ribbon (1)' })
  await expect(page.getByTestId('wanted').filter({ hasText: 'Streamer' })).toContainText('1 cut')
  // Now shorter ones are wanted: the piece that is cut serves as something to cut from.
  await page.getByRole('button', { name: 'Take Streamer off the list' }).click()
  await piece('Tie', '30', '2')
  await expect(page.getByTestId('roll').filter({ hasText: 'Piece that nothing wants' })).toContainText('30 in · Tie')
  await piece('Far too long', '900', '1')
  await expect(plan.getByRole('alert')).toContainText('longer than anything')
})

test('a long search can be stopped, and gives the best so far with its gap', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Cutting' }).click()
  await page.getByLabel('Cut from').selectOption({ label: 'Slate-blue ribbon' })
  // Many unlike lengths: what is planned is always a plan, stopped or not.
  for (const [i, length] of ['71 1/8', '63 3/8', '59 5/8', '47 7/8', '43 1/8', '37 3/8'].entries()) {
    await page.getByRole('textbox', { name: 'What for' }).fill(`Piece ${i}`)
    await fill(page, 'Length of each', length)
    await fill(page.getByRole('region', { name: 'A piece' }), 'How many', String(31 + i * 7))
    await page.getByRole('region', { name: 'A piece' }).getByRole('button', { name: 'Add a piece' }).click()
    const stop = page.getByRole('button', { name: 'Stop' })
    if (await stop.isVisible()) await stop.click({ timeout: 2000 }).catch(() => 'it was done first')
  }
  await expect(page.getByTestId('wanted')).toHaveCount(6)
  await expect(page.getByTestId('plan')).toContainText(/Open \d+ rolls/)
  await expect(page.getByTestId('plan')).toContainText(/proven|none costs less than/)
})

test('one plan covers all that the demo pieces take', async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  await page.getByRole('link', { name: 'Cutting' }).click()
  const wanted = (text: string) => page.getByTestId('wanted').filter({ hasText: text })
  const from = async (material: RegExp) => {
    const name = await page.getByLabel('Cut from').locator('option').filter({ hasText: material }).first().textContent()
    await page.getByLabel('Cut from').selectOption({ label: name!.trim() })
  }
  await from(/^Paddle wire, 24 gauge/)
  await expect(wanted('Binding, Wake ring')).toContainText('2 × ')
  await expect(wanted('Binding, Chapel porch garland')).toBeVisible()
  // Its ribs are the wire that its beads are threaded on.
  await expect(wanted('Threading, Wire pear')).toHaveCount(0)
  await expect(page.getByTestId('plan')).toContainText(/Open \d+ roll/)
  await from(/^Ochre ribbon/)
  // The teacher's own, and a class of fourteen.
  await expect(wanted('Bow, Honey Fair ring, kits')).toContainText('14 × ')
  await expect(wanted('Bow, ribbon 2, Lantern Row swag').first()).toBeVisible()
  await expect(page.getByTestId('plan')).toContainText(/proven/)
  await from(/^Honey mesh/)
  await expect(wanted('Pieces of mesh, Honey Fair ring').first()).toContainText(/\d+ × 6 in/)
  await from(/^Jute twine/)
  await expect(wanted('Winding, Wire pear')).toBeVisible()
  await expect(wanted('Cords, Ferry hoop')).toContainText('2 × ')
  await expect(wanted('Hanger, Boathouse door ring')).toBeVisible()
})

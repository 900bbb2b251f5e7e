import { expect, test } from '@playwright/test'
import { DEMO_PIECES, demoSite, expectAccessible, fill } from './bench'

test('a bow of three ribbons is planned in the sense its maker says, cut, and cut is cut', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'Cutting' }).click()
  const plan = page.getByRole('region', { name: 'Cutting plan' })
  for (const [ribbon, loop] of [['Slate-blue ribbon', '6'], ['Ochre ribbon', '5'], ['Plum velvet ribbon', '4']] as const) {
    await page.getByLabel('Cut from').selectOption({ label: ribbon })
    if (!await page.getByRole('region', { name: 'A bow' }).isVisible()) await page.getByRole('button', { name: 'Add a bow…' }).click()
    const bow = page.getByRole('region', { name: 'A bow' })
    if (ribbon === 'Slate-blue ribbon') {
      await expect(bow.getByRole('button', { name: 'Add to the list' })).toBeDisabled()
      await expect(bow).toContainText('shows 6 in, uses 12 in; 116 in in all')
      await expect(bow).toContainText('shows 3 in, uses 6 in; 68 in in all')
      await fill(bow, 'Not sure? A bow in hand took', '116')
      await expect(bow.getByRole('status')).toContainText('the visible length, to 0 in')
      await bow.getByRole('radio', { name: /^Visible/ }).check()
    }
    await fill(bow, 'Each loop', loop)
    await bow.getByRole('button', { name: 'Add to the list' }).click()
    await expect(page.getByTestId('wanted')).toHaveCount(1)
    await expect(plan).toContainText('Open 1 roll')
    await expect(plan).toContainText('No plan costs less: proven.')
  }
  await fill(page.getByRole('region', { name: 'A bow' }), 'Each loop', '40')
  await expect(page.getByRole('region', { name: 'A bow' }).getByRole('alert')).toContainText('more ribbon than the roll has')
  await expect(page.getByRole('button', { name: 'Add to the list' })).toBeDisabled()

  await page.getByLabel('Cut from').selectOption({ label: 'Slate-blue ribbon (1)' })
  await page.getByRole('textbox', { name: 'What for' }).fill('Streamer')
  await fill(page, 'Length of each', '100')
  await page.getByRole('region', { name: 'A piece' }).getByRole('button', { name: 'Add a piece' }).click()
  await expect(page.getByTestId('wanted')).toHaveCount(2)
  await fill(page, 'An offcut of', '104')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByTestId('roll')).toHaveCount(2)
  await expect(page.getByTestId('roll').first()).toContainText('Offcut, 104 in')
  await expectAccessible(page)

  await page.getByTestId('roll').first().getByRole('checkbox').first().click()
  await expect(page.getByTestId('wanted').filter({ hasText: 'Streamer' })).toContainText('1 cut')
  await page.reload()
  await expect(page.getByTestId('wanted').filter({ hasText: 'Streamer' })).toContainText('1 cut')
  // Now shorter ones are wanted: the piece that is cut serves as something to cut from.
  await page.getByRole('button', { name: 'Take Streamer off the list' }).click()
  await page.getByRole('textbox', { name: 'What for' }).fill('Tie')
  await fill(page, 'Length of each', '30')
  await page.getByRole('region', { name: 'A piece' }).getByRole('button', { name: 'Add a piece' }).click()
  await expect(page.getByTestId('roll').filter({ hasText: 'Piece that nothing wants' })).toContainText('30 in · Tie')
  await fill(page, 'Length of each', '900')
  await page.getByRole('region', { name: 'A piece' }).getByRole('button', { name: 'Add a piece' }).click()
  await expect(plan.getByRole('alert')).toContainText('longer than anything')
})

test('what the demo pieces are bound with comes to one plan', async ({ page }) => {
  await page.goto(demoSite)
  await expect(page.getByTestId('piece')).toHaveCount(DEMO_PIECES)
  await page.getByRole('link', { name: 'Cutting' }).click()
  await page.getByLabel('Cut from').selectOption({ label: 'Paddle wire, 24 gauge (2)' })
  await expect(page.getByTestId('wanted').filter({ hasText: 'Binding, Wake ring' })).toContainText('2 × ')
  await expect(page.getByTestId('wanted').filter({ hasText: 'Binding, Chapel porch garland' })).toBeVisible()
  await expect(page.getByTestId('plan')).toContainText(/Open \d+ roll/)
})

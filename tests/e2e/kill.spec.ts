import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { PLAIN } from '../../playwright.config'
import { browserOn } from './browser'

// The browser is killed at a random moment within a second and a half after an edit, while edits go on. Three rounds
// each time; `KILLS=100 npx playwright test kill` makes more.
const ROUNDS = Number(process.env.KILLS ?? 3)
const site = `http://127.0.0.1:${PLAIN}`
/** What was typed so long before the end may be lost, ms: half a second by itself, more beside another test on two cores. */
const MAY_LOSE = process.env.KILLS ? 500 : 1500
const EVERY = 100

test('killing the browser loses at most what was typed in the last half second', async () => {
  test.setTimeout(60_000 + ROUNDS * 30_000)
  const profile = mkdtempSync(join(tmpdir(), 'ruddy-kill-'))
  let lost = 0
  let open = await browserOn(profile)
  await open.page.goto(site)
  await open.page.getByRole('button', { name: 'Start a piece' }).click()
  await open.page.getByLabel('What shall it be called?').fill('Killed ring')
  await open.page.getByRole('button', { name: 'To the bench' }).click()
  await expect(open.page.getByTestId('saving')).toHaveText('Saved')
  const address = open.page.url()
  for (let round = 0; round < ROUNDS; round++) {
    const { page, kill } = open
    const field = page.getByLabel('Occasion', { exact: true })
    await page.getByRole('button', { name: 'Brief', exact: true }).click()
    await expect(field).toBeVisible()
    const typed: { text: string; at: number }[] = []
    const until = Date.now() + 100 + Math.random() * 1400
    for (let i = 0; Date.now() < until; i++) {
      const text = `round ${round} edit ${i}`
      await field.fill(text)
      await field.blur()
      typed.push({ text, at: Date.now() })
      await page.waitForTimeout(EVERY)
    }
    const killed = Date.now()
    kill()
    await new Promise((resolve) => {
      setTimeout(resolve, 300)
    })
    // What shows what was kept is killed in the next round.
    open = await browserOn(profile)
    await open.page.goto(address)
    await expect(open.page.getByRole('heading', { level: 1 })).toHaveText('Killed ring')
    await open.page.getByRole('button', { name: 'Brief', exact: true }).click()
    const found = await open.page.getByLabel('Occasion', { exact: true }).inputValue()
    const must = typed.filter(({ at }) => at < killed - MAY_LOSE).at(-1)
    const at = typed.findIndex(({ text }) => text === found)
    if (must) expect(at, `round ${round}: “${found}” after “${typed.at(-1)!.text}”`).toBeGreaterThanOrEqual(typed.indexOf(must))
    if (at < typed.length - 1) lost = Math.max(lost, killed - (typed[at + 1]?.at ?? killed))
  }
  open.kill()
  console.info(`${ROUNDS} kills; the oldest edit lost was ${lost} ms old`)
  rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 })
})

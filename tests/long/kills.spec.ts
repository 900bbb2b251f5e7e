import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import { writePiece } from '../../core/formats'
import { DEMO, PLAIN } from '../../playwright.config'
import { pieceOn } from '../e2e/bench'
import { browserOn } from '../e2e/browser'

/** Kills of each flow, at random moments; what was done so long before may be lost, ms. */
const ROUNDS = Number(process.env.KILLS ?? 8)
const MAY_LOSE = 500
const plain = `http://127.0.0.1:${PLAIN}`
const demo = `http://127.0.0.1:${DEMO}`

interface Flow {
  readonly name: string
  /** Once, in the first browser. */
  begin(page: Page): Promise<void>
  /** Gets to where the flow goes on. */
  reach(page: Page): Promise<void>
  /** Does it once more, as number `n` of all. */
  once(page: Page, n: number): Promise<void>
  /** How many of them are kept, after a kill. */
  kept(page: Page): Promise<number>
}

const ring = pieceOn('Killed ring', 'grapevine', ['bracken'], { rule: { kind: 'compass', count: 400, start: 0 } } as never)
const takeIn = (page: Page, name: string): Promise<void> =>
  page.getByLabel('A piece file').setInputFiles({
    name: 'piece.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writePiece({ ...ring, id: name.replace(' ', '-'), brief: { ...ring.brief, name } })),
  })
const firstPieces = async (page: Page): Promise<void> => {
  await page.goto(demo)
  await expect(page.getByTestId('piece').first()).toBeVisible()
  await page.waitForTimeout(2000)
}

const FLOWS: readonly Flow[] = [
  {
    name: 'counting stems at the sheet',
    async begin(page) {
      await page.goto(plain)
      await takeIn(page, 'counted')
      await expect(page.getByTestId('piece')).toHaveCount(1)
    },
    async reach(page) {
      await page.goto(`${plain}/piece/counted/steps`)
      await expect(page.getByTestId('now')).toBeVisible()
      // On to where 400 stems are counted; once it is begun, the sheet opens there.
      while (
        !/of 400/.test(
          (await page
            .getByTestId('count')
            .textContent({ timeout: 200 })
            .catch(() => '')) ?? '',
        )
      )
        await page.getByRole('button', { name: /^(Done, and on|All of them done)$/ }).click()
    },
    once: (page) => page.getByTestId('big').click(),
    async kept(page) {
      await page.goto(`${plain}/piece/counted/steps`)
      return Number.parseInt((await page.getByTestId('count').textContent())!.trim(), 10)
    },
  },
  {
    name: 'putting lots into the stash',
    begin: firstPieces,
    async reach(page) {
      await page.goto(`${demo}/stash`)
      await expect(page.getByTestId('lot').first()).toBeVisible()
    },
    async once(page, n) {
      await page.getByRole('button', { name: 'Put something in' }).click()
      await page.getByLabel('Where it lies').fill(`tried ${n}`)
      await page.getByRole('button', { name: 'Keep it' }).click()
      await expect(page.getByRole('dialog')).toHaveCount(0)
    },
    async kept(page) {
      await page.goto(`${demo}/stash`)
      await expect(page.getByTestId('stash-sum')).toContainText('lots, worth')
      const places = await page.evaluate(
        () =>
          new Promise<string[]>((resolve) => {
            const opening = indexedDB.open('ruddy-bramble')
            opening.onsuccess = () => {
              const all = opening.result.transaction('lots').objectStore('lots').getAll()
              all.onsuccess = () =>
                resolve((all.result as { place: string }[]).flatMap(({ place }) => (place.startsWith('tried ') ? [place] : [])))
            }
          }),
      )
      expect(new Set(places).size, 'no lot is there twice').toBe(places.length)
      return Math.max(0, ...places.map((place) => Number(place.slice(6))))
    },
  },
  {
    name: 'bringing pieces in',
    async begin(page) {
      await page.goto(plain)
    },
    async reach(page) {
      await page.goto(plain)
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    },
    async once(page, n) {
      await takeIn(page, `piece ${n}`)
      await expect(page.getByRole('link', { name: `piece ${n}`, exact: true })).toBeVisible()
    },
    async kept(page) {
      await page.goto(plain)
      const names = page.getByTestId('piece').getByRole('heading')
      await page.waitForTimeout(1000)
      const all = await names.allTextContents()
      expect(new Set(all).size, 'no piece is there twice').toBe(all.length)
      return Math.max(0, ...all.map((name) => Number(name.slice(6))))
    },
  },
  {
    name: 'writing a page of the daybook',
    begin: firstPieces,
    async reach(page) {
      await page.goto(`${demo}/daybook`)
      await page.getByRole('button', { name: 'Complete it…' }).click()
      await expect(page.getByLabel('What to do otherwise next time')).toBeVisible()
    },
    once: (page, n) => page.getByLabel('What to do otherwise next time').fill(`${n} things`),
    async kept(page) {
      await page.goto(`${demo}/daybook`)
      const goOn = page.getByRole('button', { name: 'Go on with it' })
      await goOn.click({ timeout: 5000 }).catch(() => page.getByRole('button', { name: 'Complete it…' }).click())
      await page.waitForTimeout(300)
      return Number.parseInt(await page.getByLabel('What to do otherwise next time').inputValue(), 10) || 0
    },
  },
  {
    name: 'changing rules of thumb',
    async begin(page) {
      await page.goto(plain)
    },
    async reach(page) {
      await page.goto(`${plain}/settings`)
      await expect(page.getByTestId('thumb').first()).toBeVisible()
    },
    async once(page, n) {
      const field = page.getByTestId('thumb').nth(5).getByRole('textbox')
      await field.fill(String(20 + n / 10))
      await field.press('Enter')
    },
    async kept(page) {
      await page.goto(`${plain}/settings`)
      const field = page.getByTestId('thumb').nth(5).getByRole('textbox')
      await expect(field).toHaveValue(/\d/)
      return Math.round((Number.parseFloat(await field.inputValue()) - 20) * 10)
    },
  },
]

for (const { name, begin, reach, once, kept } of FLOWS)
  test(`${ROUNDS} kills while ${name}: nothing older than half a second is lost`, async () => {
    const profile = mkdtempSync(join(tmpdir(), 'ruddy-kills-'))
    let open = await browserOn(profile)
    await begin(open.page)
    let n = 0
    let oldest = 0
    for (let round = 0; round < ROUNDS; round++) {
      const { page, kill } = open
      await reach(page)
      const done: { n: number; at: number }[] = [{ n, at: Date.now() }]
      const until = Date.now() + 300 + Math.random() * 1700
      while (Date.now() < until) {
        n += 1
        await once(page, n)
        done.push({ n, at: Date.now() })
        await page.waitForTimeout(60)
      }
      const killed = Date.now()
      kill()
      await new Promise((resolve) => setTimeout(resolve, 300))
      open = await browserOn(profile)
      const found = await kept(open.page)
      const must = done.filter(({ at }) => at < killed - MAY_LOSE).at(-1)
      if (must) expect(found, `round ${round}`).toBeGreaterThanOrEqual(must.n)
      expect(found, `round ${round}`).toBeLessThanOrEqual(n + 1)
      const lost = done.find((each) => each.n > found)
      if (lost) oldest = Math.max(oldest, killed - lost.at)
      n = Math.max(found, 0)
    }
    open.kill()
    console.info(`${name}: the oldest that was lost was ${oldest} ms old`)
    rmSync(profile, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 })
  })

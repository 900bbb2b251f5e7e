import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import type { Page } from '@playwright/test'
import jsQR from 'jsqr'
import { PDFDocument, PDFName, PDFRawStream } from 'pdf-lib'
import { PNG } from 'pngjs'
import type { Piece } from '../../core/piece'
import { demoSite, expectAccessible, exported, fill, openPiece, pieceOn, saved } from './bench'

const demo = async (page: Page, path: string): Promise<void> => {
  await page.goto(demoSite)
  // A phone shows only those in view.
  await expect(page.getByTestId('piece').first()).toBeVisible()
  await page.goto(`${demoSite}${path}`)
}
const panel = (page: Page, name: string): Promise<void> => page.getByRole('button', { name: new RegExp(`^\\d?\\s*${name}$`) }).click()
const now = (page: Page) => page.getByTestId('now')
const big = (page: Page) => page.getByTestId('big')

/** What the database has of stems that were counted off: a reload keeps what is written down. */
const keptCounts = (page: Page): Promise<number[]> =>
  page.evaluate(
    () =>
      new Promise<number[]>((resolve, reject) => {
        const open = indexedDB.open('ruddy-bramble')
        open.onerror = () => reject(open.error as DOMException)
        open.onsuccess = () => {
          const all = open.result.transaction('progress').objectStore('progress').getAll()
          all.onsuccess = () => {
            open.result.close()
            resolve((all.result as { counted: Record<string, number> }[]).flatMap(({ counted }) => Object.values(counted)))
          }
        }
      }),
  )

/** A small ring with one of each: stems that push in, a heavy thing that is wired, something painted. */
function smallRing(name: string): Piece {
  const piece = pieceOn(name, 'grapevine', ['bay', 'skep'])
  const [green, heavy] = piece.layers
  return {
    ...piece,
    layers: [
      { ...green!, rule: { kind: 'compass', count: 3, start: 0 }, cut: 150 },
      {
        ...heavy!,
        rule: { kind: 'single', at: 0.25, drop: 0 },
        prepared: { ...heavy!.prepared, paint: { colour: '#aa5533', coats: 1 } },
      },
    ],
  }
}

test('a ring from opened to hung, by the screen alone, with a timer, a reload and something found at the gate', async ({ page }) => {
  await openPiece(page, smallRing('Small ring'))
  await test.step('no hanger is a problem, and one click mends it', async () => {
    const problem = page.locator('[data-problem=hanger]')
    await expect(problem).toBeVisible()
    await problem.getByRole('button').first().click()
    await expect(problem).toHaveCount(0)
    await panel(page, 'Hanging')
    await expect(page.getByTestId('rest')).toContainText(/clockwise/)
    await page.locator('[data-problem="hanger:tilt"]').getByRole('button').first().click()
    await expect(page.getByTestId('rest')).toHaveText('It hangs straight.')
    await saved(page)
  })
  await page.getByRole('link', { name: 'Make sheet' }).click()
  await page.getByRole('link', { name: 'Step by step' }).click()
  await expect(now(page)).toHaveText('1. Paint the woven skep red')
  await test.step('a timer runs on over a reload, and so does what is done', async () => {
    await page.getByRole('button', { name: '2 h 0 min to dry' }).click()
    await expect(page.getByTestId('timer')).toContainText('1:59:')
    await page.keyboard.press('Space')
    await expect(now(page)).toHaveText('2. Prepare the grapevine')
    await page.reload()
    await expect(now(page)).toHaveText('2. Prepare the grapevine')
    await expect(page.getByTestId('timer')).toContainText('1:59:')
  })
  await big(page).click()
  await expect(now(page)).toContainText('Sort and cut')
  await test.step('a caution is taken as read, and is gone from the step', async () => {
    const cautions = page.getByTestId('caution')
    const before = await cautions.count()
    expect(before).toBeGreaterThan(0)
    await cautions.first().getByRole('button', { name: 'Taken as read' }).click()
    await expect(cautions).toHaveCount(before - 1)
  })
  await page.keyboard.press('ArrowRight')
  await test.step('stems are counted off, one by one and back, and where the next goes', async () => {
    await expect(now(page)).toContainText('Greenery: 3 bay sprigs')
    const count = page.getByTestId('count')
    await expect(count).toContainText('0 of 3 bay sprigs')
    await expect(count).toContainText('3 left, the next at')
    await page.keyboard.press('Space')
    await expect(count).toContainText('1 of 3')
    await page.keyboard.press('ArrowLeft')
    await expect(count).toContainText('0 of 3')
    await page.keyboard.press('Space')
    await page.keyboard.press('Space')
    await expect.poll(() => keptCounts(page)).toContain(2)
    await page.reload()
    await expect(count).toContainText('2 of 3')
    await page.keyboard.press('Space')
    await expect(now(page)).toContainText('woven skep')
  })
  await big(page).click()
  await test.step('what is found at the gate comes next, before anything is fixed for good', async () => {
    await expect(now(page)).toContainText('Hang it and look')
    await page.getByLabel('What is to be put right').fill('A gap at 8:00')
    await page.getByRole('button', { name: 'Note it' }).click()
    await page.getByLabel('In the light it will hang in').check()
    await big(page).click()
    await expect(now(page)).toContainText('A gap at 8:00')
    await big(page).click()
    await expect(now(page)).toContainText('Fix for good and finish the back')
  })
  for (const title of ['Fit the hanger', 'Tug it, shake it', 'Write down what happened']) {
    await big(page).click()
    await expect(now(page)).toContainText(title)
  }
  await big(page).click()
  await page.getByTestId('hangs').click()
  await page.goto('/')
  await expect(page.getByTestId('piece').filter({ hasText: 'Small ring' })).toContainText(/hung/i)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true })

  test('a swag is made one-handed: the bench says what works here, targets are large, and nothing runs off the side', async ({ page }) => {
    await demo(page, '/piece/lantern-swag')
    await expect(page.getByTestId('narrow')).toContainText('at least 1024 wide')
    await page.getByRole('link', { name: 'Make it, step by step' }).tap()
    await expect(now(page)).toHaveText('1. Paint the paper lanterns yellow')
    await expectAccessible(page)
    const targets = await page
      .getByTestId('steps')
      .getByRole('button')
      .evaluateAll((all) =>
        all.map((each) => {
          const { width, height } = each.getBoundingClientRect()
          return Math.min(width, height)
        }),
      )
    expect(Math.min(...targets)).toBeGreaterThanOrEqual(44)
    const sizes = await page
      .getByTestId('steps')
      .evaluate((root) =>
        [...root.querySelectorAll('p, h2, li, dt, dd, button, label')]
          .filter((each) => each.textContent?.trim())
          .map((each) => parseFloat(getComputedStyle(each).fontSize)),
      )
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(16)
    await page.getByRole('button', { name: '4 h 0 min to dry' }).tap()
    let title = ''
    for (let i = 0; i < 40 && !(await page.getByTestId('all-done').isVisible()); i++) {
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
      title = (await now(page).textContent())!
      if (i === 6) {
        await page.reload()
        await expect(now(page)).toHaveText(title)
        await expect(page.getByTestId('timer')).toContainText('3:5')
      }
      await page.getByRole('button', { name: /^(All of them done|Done, and on)$/ }).tap()
      if (!title.includes('Write down')) await expect(now(page)).not.toHaveText(title)
      else await expect(page.getByTestId('all-done')).toBeVisible()
    }
    expect(title).toContain('Write down what happened')
  })

  test('sheet, shopping and cutting lists fit too', async ({ page }) => {
    await demo(page, '/piece/boathouse-door-ring/make')
    await expect(page.getByRole('heading', { name: 'Cutting list' })).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    await page.goto(`${demoSite}/cutting`)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    // Its table is wider than the phone: it moves in its frame, and the page does not.
    await page.goto(`${demoSite}/shops`)
    await expect(page.getByTestId('shop').first()).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  })
})

test('a code hands a piece from one browser to another, without a server, and it can be kept there', async ({ page, browser }) => {
  await openPiece(page, smallRing('Carried ring'))
  await saved(page)
  await page.getByRole('link', { name: 'Make sheet' }).click()
  await page.getByRole('button', { name: 'To the phone' }).click()
  // Read as a phone would: from the picture on the screen, by another library.
  const code = page.getByTestId('code')
  await expect(code).toBeVisible()
  const { data, width, height } = PNG.sync.read(await code.screenshot({ scale: 'css' }))
  const read = jsQR(new Uint8ClampedArray(data), width, height)
  const address = read!.data
  expect(address).toBe(await page.getByTestId('carry-link').getAttribute('href'))
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' })
  const other = await phone.newPage()
  const asked: string[] = []
  other.on('request', (request) => asked.push(request.url()))
  await other.goto(address)
  await expect(now(other)).toHaveText('1. Paint the woven skep red')
  expect(asked.some((url) => url.includes(address.split('#')[1]!.slice(0, 40)))).toBe(false)
  await other.getByRole('button', { name: 'Keep it' }).click()
  await expect(other).toHaveURL(/\/piece\/carried-ring\/steps$/)
  await expect(now(other)).toHaveText('1. Paint the woven skep red')
  await other.goto(address.slice(0, -30))
  await expect(other.getByTestId('wrong')).toContainText('cut short or changed on its way')
  await other.goto(`${address.split('#')[0]!}#9.abc.def`)
  await expect(other.getByTestId('wrong')).toContainText('newer version')
  await expect(other.getByTestId('wrong')).toContainText('Nothing in this browser was changed')
  await phone.close()
})

test('fixing: what never holds is refused with its mend, and what is chosen is on the list', async ({ page }) => {
  await openPiece(page, pieceOn('Hoop of wheat', 'hoop', ['wheat']))
  await panel(page, 'Fixing')
  const held = page.getByTestId('held').first()
  await expect(held).toContainText('Takes')
  await held.getByLabel('Held by').selectOption('pins')
  const problem = page.locator('[data-problem="l1:fixing:wheat"]')
  await expect(problem).toContainText('there is nothing here that a pin would hold in')
  await problem.getByRole('button').first().click()
  await expect(problem).toHaveCount(0)
  await page.getByLabel('School').selectOption('no glue')
  await expect(
    held
      .getByLabel('Held by')
      .locator('option')
      .filter({ hasText: /^Hot glue$/ }),
  ).toHaveCount(0)
  await held.getByLabel('Held by').selectOption('zip tie')
  await expect(held).toContainText('zip ties')
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Make sheet' }).click()
  await expect(page.getByRole('cell', { name: 'Zip ties' })).toBeVisible()
})

test('hanging: the load path is drawn, a weak link is told and mended, a hook rated for nothing is refused', async ({ page }) => {
  const piece = smallRing('Heavy ring')
  await openPiece(page, { ...piece, layers: piece.layers.map((layer, i) => (i === 1 ? { ...layer, fixing: 'cord' } : layer)) })
  await panel(page, 'Hanging')
  await page.getByRole('button', { name: 'Choose a hanger' }).click()
  await page.getByRole('button', { name: 'Load path' }).click()
  await expect(page.getByTestId('load-path')).toHaveAttribute('aria-label', /woven skep may fall/)
  await expect(page.getByTestId('chain').first()).toContainText('it hangs on one tie')
  await page.locator('[data-problem="l2:load:skep"]').getByRole('button').first().click()
  await expect(page.getByTestId('load-path')).toHaveAttribute('aria-label', /woven skep holds/)
  await fill(page, 'Hook rated for', '0')
  await expect(page.getByRole('alert')).toContainText('At least 1.')
  await fill(page, 'Hook rated for', '300')
  await expect(page.locator('[data-problem="hanger:load"]')).toBeVisible()
  await page.getByLabel('Hangs on').selectOption('suction cup')
  await expect(page.locator('[data-problem="hanger:ground"]')).toContainText('holds on glass only')
  await expectAccessible(page)
})

test('the scale: tare, hold and average; rubbish is left out, and one that stops says so', async ({ page }) => {
  await openPiece(page, smallRing('Weighed ring'))
  await panel(page, 'Hanging')
  await page.getByRole('button', { name: 'Weigh', exact: true }).click()
  const scale = page.getByRole('dialog')
  await scale.getByLabel('What is weighed').selectOption({ label: 'woven skeps' })
  await scale.getByRole('button', { name: 'Lay on the scale' }).click()
  await expect(scale.getByTestId('scale')).toContainText('steady, mean of 8')
  await scale.getByRole('button', { name: 'Hold' }).click()
  await expect(scale.getByTestId('scale')).toContainText('held')
  await scale.getByRole('button', { name: 'Take it: 5 together' }).click()
  await expect(page.getByTestId('hanging')).toContainText(/Woven skeps: 5 weigh 4\d\d(\.\d)? g/)
  const { piece } = await exported(page)
  expect(piece.weighed).toMatchObject([{ what: 'skep', of: 5 }])
  // The skep weighs 90 g by the catalogue: five of them, within the scale’s noise.
  expect(Math.abs(piece.weighed[0]!.grams - 450)).toBeLessThan(2)
  // Typed, from a scale of one’s own.
  await page.getByRole('button', { name: 'Weigh', exact: true }).click()
  await fill(scale, 'Or type what your own says', '700')
  await scale.getByRole('button', { name: 'Take it as weighed' }).click()
  await expect(page.getByTestId('hanging')).toContainText('The finished piece: 700 g')
  for (const [fault, says] of [
    ['rubbish', 'could not be read'],
    ['stops', 'stopped in the middle'],
  ] as const) {
    await page.goto(`/piece/weighed-ring?scale=${fault}`)
    await panel(page, 'Hanging')
    await page.getByRole('button', { name: 'Weigh', exact: true }).click()
    await scale.getByRole('button', { name: 'Lay on the scale' }).click()
    await expect(scale).toContainText(says)
  }
  await page.route('**/api/scale**', (route) => route.abort())
  await scale.getByRole('button', { name: 'Lay on the scale' }).click()
  await expect(scale.getByRole('alert')).toContainText(/No scale answers|stopped in the middle/)
})

test('the order: moved by key it says what breaks and mends it; own tasks, a ring of them, and days', async ({ page }) => {
  await openPiece(page, smallRing('Ordered ring'))
  await panel(page, 'Order')
  const tasks = page.getByTestId('task')
  await expect(tasks.first()).toContainText('Paint the woven skep')
  await expect(page.getByTestId('schedule')).toHaveAttribute('aria-label', /Paint the woven skep red: 8 min, then 2 h 0 min drying/)
  const grip = page.getByRole('button', { name: /^Greenery: 3 bay sprigs: drag/ })
  await grip.focus()
  await page.keyboard.press('Alt+ArrowUp')
  const problem = page.getByTestId('order').getByTestId('problem').first()
  await expect(problem).toContainText('“Greenery: 3 bay sprigs” comes before “Sort and cut”')
  await problem.getByRole('button', { name: 'The usual order' }).click()
  await expect(problem).toHaveCount(0)
  await page.getByRole('button', { name: 'A task of your own' }).click()
  await page.getByLabel('What is to be done').fill('Iron the ribbon')
  await page.getByLabel('After', { exact: true }).selectOption({ label: 'Prepare the grapevine' })
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(tasks.filter({ hasText: 'Iron the ribbon' })).toHaveCount(1)
  await page.getByLabel('Must hang by').fill('2020-01-05')
  await expect(page.getByTestId('late')).toContainText('Sun 5 Jan is past.')
  await page.getByTestId('late').getByRole('button').click()
  await expect(page.getByTestId('late').filter({ hasText: 'past' })).toHaveCount(0)
  await expect(page.getByTestId('dates')).toContainText('Start by')
  const [calendar] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'To a calendar' }).click()])
  expect(readFileSync(await calendar.path(), 'utf8')).toContain('SUMMARY:Hang Ordered ring')
  await expectAccessible(page)
})

test('out of the sheet: PDFs that another library opens, with the drawing as vectors, and tables', async ({ page }) => {
  await demo(page, '/piece/boathouse-door-ring/make')
  await expect(page.locator('figure canvas')).toHaveAttribute('data-painted', 'true')
  const save = async (name: string) => {
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    const [download] = await Promise.all([
      page.waitForEvent('download', { timeout: 120_000 }),
      page.getByRole('menuitem', { name }).click(),
    ])
    await expect(page.getByRole('button', { name: 'Save', exact: true })).toBeEnabled()
    return readFileSync(await download.path())
  }
  const sheet = await PDFDocument.load(await save('Sheet, PDF'))
  expect(sheet.getPageCount()).toBeGreaterThan(1)
  expect(sheet.getTitle()).toBe('Boathouse door ring')
  // A drawing of strokes and fills: much of them, and no picture of dots.
  const images = sheet.context
    .enumerateIndirectObjects()
    .filter(([, object]) => object instanceof PDFRawStream && String(object.dict.get(PDFName.of('Subtype'))) === '/Image')
  expect(images).toEqual([])
  // Letter, at 72 points to the inch.
  expect(sheet.getPage(0).getSize()).toEqual({ width: expect.closeTo(612, 0), height: expect.closeTo(792, 0) })
  /** Pages are looked at first, and saved from there. */
  const pages = async (name: string, count: number) => {
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await page.getByRole('menuitem', { name }).click()
    await expect(page.getByTestId('pages').locator('svg')).toHaveCount(count)
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save as PDF' }).click()])
    const pdf = await PDFDocument.load(readFileSync(await download.path()))
    expect(pdf.getPageCount()).toBe(count)
    await page.keyboard.press('Escape')
    return pdf
  }
  // An 18 in ring with its marks: three pages across, two down, and the map.
  await pages('Full-size template…', 7)
  expect((await pages('Tape strip…', 2)).getPage(0).getSize().width).toBeCloseTo(792, 0)
  await pages('Labels…', 1)
  const table = (await save('Table of tasks, CSV')).toString('utf8')
  expect(table.split('\r\n')[0]).toBe('Number,Task,What to do,Where,Hands,Dries or sets')
  expect((await save('Calendar, iCalendar')).toString('utf8')).toContain('BEGIN:VCALENDAR')
})

/** One of each family; the garland takes as long as the others together. */
const FAMILIES = ['boathouse-door-ring', 'lantern-swag', 'wire-pear'] as const
for (const [where, tag, viewport, ids] of [
  ['a ring and a swag, on a phone', [], { width: 390, height: 844 }, FAMILIES.slice(0, 2)],
  ['one of each family, at a desk', ['@long'], { width: 1280, height: 800 }, [...FAMILIES, 'chapel-garland']],
] as const) {
  test.describe(where, () => {
    test.use({ viewport })
    test('goes from opened to hung by the screen alone', { tag: [...tag] }, async ({ page }) => {
      await page.goto(demoSite)
      await expect(page.getByTestId('piece').first()).toBeVisible()
      for (const id of ids) {
        await page.goto(`${demoSite}/piece/${id}/steps`)
        await expect(now(page)).toHaveText(/^1\. /)
        const knots = await page.getByRole('navigation', { name: 'Order of work' }).getByRole('button').count()
        for (let i = 0; i < knots; i++) {
          await expect(now(page)).toHaveText(new RegExp(`^${i + 1}\\. `))
          // No task is without a word of what to do, nor without a hand’s time.
          await expect(page.getByTestId('steps')).not.toContainText(/undefined|NaN|null/)
          await page.keyboard.press('ArrowRight')
        }
        await page.getByTestId('hangs').click()
        await expect(page.getByRole('button', { name: 'It hangs' })).toHaveCount(0)
      }
    })
  })
}

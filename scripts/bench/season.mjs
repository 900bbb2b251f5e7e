// Ten years of sixty pieces each against one: the daybook and what it teaches, the season, and the one file with everything.
import { chromium } from '@playwright/test'
import { BROWSER, serving } from '../serve.mjs'

const [ONE, TEN] = [60, 600]

const recordOf = (i) => ({
  id: `r${i}`,
  piece: `p${i}`,
  name: `Ring ${i}`,
  occasion: ['Ice-out', 'Honey Fair', 'Lantern Row', 'Orchard Wake'][i % 4],
  base: 'wire-ring',
  run: 3000,
  day: `${2017 + Math.floor(i / 60)}-${String(1 + (i % 12)).padStart(2, '0')}-${String(1 + (i % 28)).padStart(2, '0')}`,
  compared: [
    ...['steps.bundle-each', 'steps.stem-each', 'steps.light-each', 'steps.finish', 'steps.look', 'steps.loop-each'].map((id, k) => ({
      id: `t${k}`,
      of: 'task',
      name: `Task ${k}`,
      unit: 'time',
      planned: 20,
      took: 15 + ((i * 7 + k * 3) % 11),
      broke: 0,
      covers: false,
      rules: [{ id, value: 1, goes: 'with' }],
    })),
    ...['bay', 'ivy', 'juniper', 'holly', 'dahlia'].map((id) => ({
      id,
      of: 'material',
      name: id,
      unit: 'count',
      planned: 30,
      took: 28 + (i % 6),
      broke: i % 4,
      covers: true,
      rules: [{ id: 'construct.spare', value: 0.1, goes: 'broken' }],
    })),
  ],
  order: [],
  money: { planned: 4000, spent: null },
  otherwise: i % 3 ? '' : `Otherwise ${i}.`,
  where: `Door ${i % 9}`,
  from: null,
  to: null,
  end: 'came down',
  lasted: '',
  photos: [],
})
const recordsOf = (n) => Array.from({ length: n }, (_, i) => recordOf(i))

/** @param time the median of several runs, ms */
export async function seasonBench(core, time) {
  const {
    dayOf,
    learnRates,
    makingOf,
    shortBy,
    readingsOf,
    readWhole,
    startPiece,
    TABLE_NAMES,
    taskOf,
    THUMBS,
    USUAL,
    usualSeason,
    writeWhole,
  } = core
  const thumbs = THUMBS.flatMap((room) => room.thumbs)
  const learn = (n) => {
    const records = recordsOf(n)
    return time(() => learnRates(records.flatMap(readingsOf), thumbs, USUAL))
  }
  const plan = (n) => {
    const pieces = Array.from({ length: n }, (_, i) =>
      makingOf(
        `p${i}`,
        dayOf(20_760 + (i % 60)),
        Array.from({ length: 14 }, (_, k) => taskOf(`t${k}`, 5 + (k % 7), { waits: k % 5 ? 0 : 120, after: k ? [`t${k - 1}`] : [] })),
      ),
    )
    return time(() => shortBy({ season: usualSeason(), batches: [], pieces, today: '2026-11-02', rates: USUAL, freshDays: [] }))
  }
  const whole = (n) => {
    const tables = {
      ...Object.fromEntries(TABLE_NAMES.map((name) => [name, []])),
      pieces: Array.from({ length: n }, (_, i) => ({ piece: startPiece(`p${i}`, `Ring ${i}`), savedAt: i })),
      daybook: recordsOf(n),
    }
    return time(() => readWhole(writeWhole({ tables, settings: {}, photos: [] }, '2026-11-02T10:00:00Z')), 3)
  }
  const found = {
    learn: learn(TEN) / learn(ONE),
    plan: plan(TEN) / plan(ONE),
    whole: whole(TEN) / whole(ONE),
    wholeMs: whole(TEN),
    planMs: plan(TEN),
  }
  await serving(4188, async (site) => {
    const chrome = await chromium.launch(BROWSER)
    const times = {}
    for (const n of [ONE, TEN]) {
      const context = await chrome.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
      const page = await context.newPage()
      await page.route('**/api/demo', (route) =>
        route.fulfill({
          json: {
            pieces: [],
            house: { lots: [], sales: [] },
            season: { season: usualSeason(), batches: [], kits: [], daybook: recordsOf(n) },
            previews: null,
          },
        }),
      )
      await page.goto(site)
      await page.waitForTimeout(2500)
      const open = []
      for (let i = 0; i < 5; i++) {
        const since = Date.now()
        await page.goto(`${site}/daybook`)
        await page.getByTestId('page').first().waitFor()
        open.push(Date.now() - since)
      }
      times[n] = open.sort((a, b) => a - b)[2]
      await context.close()
    }
    await chrome.close()
    found.open = times[TEN] / times[ONE]
    found.openMs = times[TEN]
  })
  return found
}

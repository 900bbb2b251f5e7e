// A stash of 5,000 lots and 500 pieces against one of 50 and 5: what grows a hundredfold may take a hundred times as long, and no more.
import { chromium } from '@playwright/test'
import { BROWSER, serving } from '../serve.mjs'

const [FEW, MANY] = [
  { lots: 50, pieces: 5 },
  { lots: 5000, pieces: 500 },
]
const MATERIALS = ['bay', 'ivy', 'juniper', 'dahlia', 'rose', 'sea-holly', 'statice', 'heather', 'wheat', 'lavender', 'pine-cone', 'moss']
const RIBBONS = ['ribbon-slate', 'ribbon-russet', 'ribbon-ochre', 'ribbon-plum']

const lotsOf = ({ lotOf }, count) =>
  Array.from({ length: count }, (_, i) =>
    i % 5 === 4
      ? lotOf(`lot-${i}`, RIBBONS[i % RIBBONS.length], { length: 200 + ((i * 137) % 3000), place: `drawer ${i % 30}` })
      : lotOf(`lot-${i}`, MATERIALS[i % MATERIALS.length], { things: 1 + (i % 9), place: `shelf ${i % 40}` }),
  )
/** What pieces need that are not alike: stems of four kinds, and ribbon in lengths of a few sizes. */
const inHand = (count) =>
  Array.from({ length: count }, (_, i) => ({
    id: `p${i}`,
    name: `Piece ${i}`,
    copies: 1,
    needs: [
      ...[0, 1, 2, 3].map((k) => ({
        of: 'things',
        material: MATERIALS[(i + k * 3) % MATERIALS.length],
        use: 'laid',
        layer: `l${k}`,
        count: 5 + ((i + k) % 12),
        cut: null,
        spare: 0.1,
      })),
      {
        of: 'lengths',
        material: RIBBONS[i % RIBBONS.length],
        use: 'tail',
        layer: 'bow',
        length: 300 + (i % 8) * 60,
        count: 2,
        joins: false,
      },
    ],
  }))

/** @param time the median of several runs, ms */
export async function stashBench(core, time) {
  const { keepNeeds, planWorkroom, plainPricing, shelf } = core
  const plan = ({ lots, pieces }) => {
    const room = { ...plainPricing(), lots: lotsOf(core, lots), pieces: inHand(pieces), list: [] }
    return time(() => {
      const going = planWorkroom(room)
      let next = going.next()
      // Told to stop once it has the best that comes at once, as a page does that is in a hurry.
      while (!next.done) next = going.next(true)
    }, 3)
  }
  const keep = ({ lots }) => {
    const pricing = { shelf, lots: lotsOf(core, lots) }
    const [piece] = inHand(1)
    return time(() => keepNeeds(piece, pricing, () => 'new'), 7)
  }
  const found = { plan: plan(MANY) / plan(FEW), planMs: plan(MANY), keep: keep(MANY) / keep(FEW) }
  await serving(4187, async (site) => {
    const chrome = await chromium.launch(BROWSER)
    const times = {}
    for (const [name, { lots }] of Object.entries({ few: FEW, many: MANY })) {
      const context = await chrome.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })
      const page = await context.newPage()
      const house = { lots: lotsOf(core, lots), sales: [] }
      await page.route('**/api/demo', (route) => route.fulfill({ json: { pieces: [], house, previews: null } }))
      await page.goto(site)
      await page.waitForTimeout(2500)
      const open = []
      const search = []
      for (let i = 0; i < 5; i++) {
        let since = Date.now()
        await page.goto(`${site}/stash`)
        await page.getByTestId('lot').first().waitFor()
        open.push(Date.now() - since)
        since = Date.now()
        await page.getByRole('searchbox', { name: 'Find' }).fill('drawer 7')
        await page.waitForFunction(() =>
          [...document.querySelectorAll('[data-testid=lot]')].every((lot) => lot.textContent.includes('drawer 7')),
        )
        search.push(Date.now() - since)
      }
      const median = (all) => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]
      times[name] = { open: median(open), search: median(search) }
      await context.close()
    }
    await chrome.close()
    found.open = times.many.open / times.few.open
    found.search = times.many.search / times.few.search
    found.openMs = times.many.open
  })
  return found
}

import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '../material'
import { daysAfter, say } from '../measure'
import { lotOf } from '../stock'
import { plainPricing, shelf, shopOf } from '../testing'
import { holdsOn } from './reduction'
import { soldOn } from './offer'
import { packsFor, pricesOf } from './cost-lines'
import { insteadOf, standIns, standInsSaid, substitutesFor } from './substitutes'
import { LOOK_AHEAD, waitOrBuy } from './buy-or-wait'

const manner = { units: 'in', currency: 'USD' } as const
const TODAY = '2026-10-20'
const bay = CATALOGUE['bay']!

describe('a reduction', () => {
  it('holds from its first day to its last; one with days holds on no day that is not known', () => {
    const week = { from: '2026-10-19', until: '2026-10-25' }
    expect(['2026-10-18', '2026-10-19', '2026-10-25', '2026-10-26'].map((day) => holdsOn(week, day))).toEqual([false, true, true, false])
    expect([holdsOn(week, null), holdsOn({ from: null, until: null }, null), holdsOn({ from: null, until: '2026-10-19' }, TODAY)]).toEqual([
      false,
      true,
      false,
    ])
  })
})

describe('an offer', () => {
  it('is to be had on its days of the week: the twentieth of October 2026 is a Tuesday', () => {
    expect([soldOn({ days: [2, 5] }, TODAY), soldOn({ days: [2, 5] }, '2026-10-21'), soldOn({ days: [0] }, '2026-10-25')]).toEqual([
      true,
      false,
      true,
    ])
    expect([soldOn({ days: [] }, '2026-10-21'), soldOn({ days: [2] }, null)]).toEqual([true, true])
  })
  it('of a shop that one does not go to counts for nothing', () => {
    const shops = [shopOf('near', 'bay', [[8, 900]]), shopOf('far', 'bay', [[8, 400]])]
    expect(pricesOf(bay, { shops, shunned: ['far'], day: null }).map(({ shop }) => shop)).toEqual(['near'])
    expect(pricesOf(bay, { shops, shunned: ['far', 'near'], day: null }).map(({ shop, price }) => [shop, price])).toEqual([
      [null, bay.pack.price],
    ])
  })
  it('of which there are too few is bought out, and the rest at the usual price', () => {
    const few = shopOf('few', 'bay', [[8, 400]])
    const shops = [{ ...few, offers: few.offers.map((each) => ({ ...each, stock: 2 })) }]
    expect(packsFor(20, bay, { shops, shunned: [], day: null }).map(({ shop, packs }) => [shop, packs])).toEqual([
      ['few', 2],
      [null, 1],
    ])
  })
})

describe('substitutes', () => {
  it('of a paddle of wire are the other paddles, nearest in colour first', () => {
    const found = substitutesFor(CATALOGUE['paddle-wire']!, shelf)
    expect(found.length).toBeGreaterThan(1)
    expect(found.every(({ material }) => material.id.startsWith('paddle-wire'))).toBe(true)
    expect(found.map(({ distance }) => distance)).toEqual([...found.map(({ distance }) => distance)].sort((a, b) => a - b))
  })
  it('do the same work, in a colour that is near, and stand the same weather', () => {
    for (const id of ['bay', 'dahlia', 'wheat', 'ribbon-slate', 'berry-spray']) {
      const of = CATALOGUE[id]!
      for (const { material, colour } of substitutesFor(of, shelf)) {
        expect(material.id).not.toBe(id)
        expect(colour).toBeLessThanOrEqual(25)
        if (of.hardy === 'open') expect(material.hardy).toBe('open')
        if (id === 'ribbon-slate') expect(material.kind).toBe('ribbon')
        if (id === 'dahlia') expect(['focal', 'second flower', 'filler', 'accent']).toContain(material.kind)
      }
    }
  })
  it('cover as much: twice as many of what is half as large', () => {
    const half = { ...bay, id: 'half', name: 'half bay', plural: 'half bays', length: bay.length / 2 }
    const materials = { bay, half }
    const [found] = substitutesFor(bay, { materials })
    expect(found).toMatchObject({ material: { id: 'half' }, ratio: 2, colour: 0 })
    expect([standIns(7, found!), standIns(0, found!), say(standInsSaid(7, found!), manner)]).toEqual([14, 0, '14 half bays for 7'])
    expect(say(found!.says, manner)).toMatch(/^the same colour, smaller/)
  })
})

describe('what lies here in place of what is to be bought', () => {
  const half = { ...bay, id: 'half', name: 'half bay', plural: 'half bays', length: bay.length / 2 }
  const other = { ...bay, id: 'other', name: 'other bay', plural: 'other bays', colours: ['#304A2A'] }
  const materials = { bay, half, other }
  const here = (...lots: ReturnType<typeof lotOf>[]) => insteadOf(['bay'], lots, { materials }).map(({ here: of }) => of.id)
  it('is the nearest that is nobody’s', () => {
    expect(here(lotOf('h', 'half', { things: 3 }))).toEqual(['half'])
    expect(here(lotOf('h', 'half', { things: 3, reserved: { piece: 'p', want: null } }))).toEqual([])
    expect(here(lotOf('b', 'bay', { things: 3 }))).toEqual([])
    expect(here()).toEqual([])
    expect(insteadOf([], [lotOf('h', 'half', {})], { materials })).toEqual([])
  })
  it('is white wire for green, which holds as well where it does not show', () => {
    const lots = [lotOf('w', 'paddle-wire-white', { length: 20_000 })]
    expect(insteadOf(['paddle-wire'], lots, shelf).map(({ wanted, here: of }) => [wanted.id, of.id])).toEqual([
      ['paddle-wire', 'paddle-wire-white'],
    ])
    // Stem wire comes by the piece and is stiff: a paddle does not do its work.
    expect(insteadOf(['stem-wire-18'], lots, shelf)).toEqual([])
  })
  it('is not what is far from it: a quarter of the size is two steps of twelve away, more than 22', () => {
    const quarter = { ...half, id: 'quarter', length: bay.length / 4 }
    expect(insteadOf(['bay'], [lotOf('q', 'quarter', { things: 3 })], { materials: { bay, quarter } })).toEqual([])
  })
})

describe('wait or buy', () => {
  const week = (from: string) => ({ kind: 'off' as const, share: [0.5, 0.5] as [number, number], from, until: daysAfter(from, 6) })
  it('waits for the week at half price: 8.00 now, 4.00 from the 27th', () => {
    const pricing = plainPricing(shelf, { shops: [shopOf('s', 'bay', [[8, 800, [week('2026-10-27')]]])] })
    const { best, days, says } = waitOrBuy([{ material: 'bay', count: 8 }], TODAY, '2026-11-10', pricing)
    expect([best.day, best.cost, days[0]!.cost, days.length]).toEqual(['2026-10-27', [400, 400], [800, 800], 22])
    expect(say(says, manner)).toBe('Wait until Tue 27 Oct: it saves about $4.00.')
  })
  it('does not where it is needed sooner, nor where it is as likely gone', () => {
    const shop = shopOf('s', 'bay', [[8, 800, [week('2026-10-27')]]], { sells: 0.9 })
    const scarce = { ...shop, offers: shop.offers.map((offer) => ({ ...offer, stock: 5 })) }
    const soon = waitOrBuy([{ material: 'bay', count: 8 }], TODAY, '2026-10-26', plainPricing(shelf, { shops: [shop] }))
    expect([soon.best.day, say(soon.says, manner)]).toEqual([TODAY, 'Buy today: no later day is likely to cost less.'])
    // In a week nine in ten are gone: a tenth of 4.00 and nine tenths of the usual price, 7.49 and more.
    const { best, days } = waitOrBuy([{ material: 'bay', count: 8 }], TODAY, '2026-11-10', plainPricing(shelf, { shops: [scarce] }))
    const usual = Math.max(800, bay.pack.price)
    expect(days[7]).toMatchObject({ cost: [400, 400], expected: Math.round(0.1 * 400 + 0.9 * Math.max(400, bay.pack.price)) })
    expect(days[7]!.gone).toBeCloseTo(0.9, 9)
    expect(days[0]!.gone).toBe(0)
    expect(best.expected).toBeLessThanOrEqual(usual)
  })
  it('on days when a shop has it not, it is the others’ price', () => {
    const shop = shopOf('s', 'bay', [[8, 500]])
    const tuesdays = { ...shop, offers: shop.offers.map((offer) => ({ ...offer, days: [2] })) }
    const { days } = waitOrBuy([{ material: 'bay', count: 8 }], TODAY, '2026-10-27', plainPricing(shelf, { shops: [tuesdays] }))
    expect(days.map(({ cost }) => cost[1])).toEqual([500, ...Array.from({ length: 6 }, () => bay.pack.price), 500])
  })
  it('knows a reduction that comes on a day when it is sold, weeks ahead', () => {
    const shop = shopOf('s', 'bay', [[8, 500, [{ kind: 'off', share: [0.4, 0.4], from: '2026-11-02', until: '2026-11-04' }]]])
    const tuesdays = { ...shop, offers: shop.offers.map((offer) => ({ ...offer, days: [2] })) }
    const { days, best } = waitOrBuy([{ material: 'bay', count: 8 }], TODAY, '2026-11-10', plainPricing(shelf, { shops: [tuesdays] }))
    // Tuesdays are the 20th, the 27th, the 3rd and the 10th: 5.00, and 3.00 on the 3rd.
    expect(days.filter((_, i) => i % 7 === 0).map(({ cost }) => cost[1])).toEqual([500, 500, 300, 500])
    expect(best.day).toBe('2026-11-03')
    expect(days.filter((_, i) => i % 7).every(({ cost }) => cost[1] === bay.pack.price)).toBe(true)
  })
  it('looks ahead no farther than it can see, and not back', () => {
    const pricing = plainPricing(shelf)
    expect(waitOrBuy([{ material: 'bay', count: 1 }], TODAY, '2030-01-01', pricing).days).toHaveLength(LOOK_AHEAD + 1)
    expect(waitOrBuy([{ material: 'bay', count: 1 }], TODAY, '2020-01-01', pricing).days).toHaveLength(1)
    expect(waitOrBuy([], TODAY, TODAY, pricing).best).toMatchObject({ cost: [0, 0], gone: 0 })
  })
})

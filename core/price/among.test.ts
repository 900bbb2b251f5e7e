import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Need } from '../material'
import { say } from '../measure'
import { plainPricing, shelf, shopOf } from '../testing'
import { together } from './among'
import { billOf } from './bill'
import { judge } from './claims'
import { dealsOf } from './deals'
import { listPriceOf } from './offer'
import type { Bought } from './packs'
import type { Reduction } from './reduction'
import { freeAmong, lineRange } from './reduction'
import { waitOrBuy } from './buy-or-wait'

const any = (buy: number, get: number, among = 'bunches'): Reduction => ({ kind: 'free', buy, get, among, from: null, until: null })
const bought = (price: number, packs: number, reductions: Reduction[], shop = 'a'): Bought => ({
  ...listPriceOf(shop, 1, price),
  reductions,
  packs,
  cost: lineRange(price, packs, reductions),
})
const costs = (of: readonly Bought[]): number[] => of.map(({ cost }) => cost[1])

describe('buy so many, get so many, of any of these', () => {
  it('two and two bunches at 5.00, buy 2 get 1, are 15.00', () => {
    expect(costs(together([bought(500, 2, [any(2, 1)]), bought(500, 2, [any(2, 1)])]))).toEqual([1000, 500])
  })
  it('frees the last of every round, from the dearest down: no dear one goes free beside cheap ones', () => {
    // 9, 9, 5 | 5: one at 5 goes free. 9, 9, 9 | 1, 1, 1: a 9 and a 1.
    expect(costs(together([bought(500, 2, [any(2, 1)]), bought(900, 2, [any(2, 1)])]))).toEqual([500, 1800])
    expect(costs(together([bought(900, 3, [any(2, 1)]), bought(100, 3, [any(2, 1)])]))).toEqual([1800, 200])
  })
  it('counts only what the same shop counts together by the same deal', () => {
    const apart = [
      bought(500, 2, [any(2, 1)]),
      bought(500, 2, [any(2, 1)], 'b'),
      bought(500, 2, [any(2, 1, 'ribbons')]),
      bought(500, 2, [any(1, 1)]),
    ]
    expect(together(apart)).toBe(apart)
  })
  it('takes what is off first, and a coupon off one that is paid for', () => {
    const off: Reduction = { kind: 'off', share: [0.1, 0.2], from: null, until: null }
    // Four at 5.00: one goes free. 10 to 20 % off: 4.50 or 4.00 each.
    const spans = together([bought(500, 2, [any(2, 1), off]), bought(500, 2, [any(2, 1), off])]).map(({ cost }) => cost)
    expect(spans).toEqual([
      [800, 900],
      [400, 450],
    ])
    const coupon: Reduction = { kind: 'coupon', share: [0.5, 0.5], from: null, until: null }
    // 2 at 6.00, one of them at half, and one of two at 5.00.
    expect(costs(together([bought(600, 2, [any(2, 1), coupon]), bought(500, 2, [any(2, 1)])]))).toEqual([900, 500])
  })
  it('forgets what went free beside others that are not bought any more', () => {
    const [one] = together([bought(500, 2, [any(2, 1)]), bought(400, 2, [any(2, 1)])]).toReversed()
    expect(one!.free).toBe(1)
    expect(together([one!])).toMatchObject([{ cost: [800, 800], free: null }])
  })

  /** The most that can be saved, by trying every way to make rounds of what is paid for and what goes free beside it. */
  function bruteForce(units: readonly number[], buy: number, get: number): number {
    const known = new Map<number, number>()
    const choose = (of: readonly number[], n: number): number[][] =>
      n === 0 ? [[]] : of.flatMap((first, i) => choose(of.slice(i + 1), n - 1).map((rest) => [first, ...rest]))
    const best = (left: number): number => {
      const before = known.get(left)
      if (before !== undefined) return before
      const there = units.flatMap((_, i) => (left & (1 << i) ? [i] : []))
      let most = 0
      for (const paid of choose(there, buy)) {
        const least = Math.min(...paid.map((i) => units[i]!))
        const others = there.filter((i) => !paid.includes(i) && units[i]! <= least)
        for (let n = 1; n <= Math.min(get, others.length); n++)
          for (const free of choose(others, n)) {
            const rest = [...paid, ...free].reduce((bits, i) => bits & ~(1 << i), left)
            most = Math.max(most, free.reduce((all, i) => all + units[i]!, 0) + best(rest))
          }
      }
      known.set(left, most)
      return most
    }
    return best((1 << units.length) - 1)
  }
  it('saves as much as any way to pay for them in several goes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ unit: fc.integer({ min: 1, max: 9 }), packs: fc.integer({ min: 1, max: 3 }) }), {
          minLength: 1,
          maxLength: 3,
        }),
        fc.integer({ min: 1, max: 3 }),
        fc.integer({ min: 1, max: 2 }),
        (lines, buy, get) => {
          const saved = freeAmong(lines, { buy, get }).reduce((all, n, i) => all + n * lines[i]!.unit, 0)
          const units = lines.flatMap(({ unit, packs }) => Array.from({ length: packs }, () => unit))
          if (units.length <= 7) expect(saved).toBe(bruteForce(units, buy, get))
        },
      ),
      { numRuns: 150 },
    )
  })
  it('goes by no order of what costs as much: each line, whatever it is called, keeps what it pays', () => {
    // By hand: three alike in two lines, one of them free; taxed by the line, 322 + 322 at 20 % are 64 cents each, 644 and nothing 129.
    const paid = (lines: readonly { unit: number; packs: number }[]) =>
      freeAmong(lines, { buy: 2, get: 1 })
        .map((n, i) => `${lines[i]!.packs}: ${lines[i]!.packs - n}`)
        .sort()
    const [one, two] = [
      { unit: 322, packs: 1 },
      { unit: 322, packs: 2 },
    ]
    expect(paid([one, two])).toEqual(['1: 1', '2: 1'])
    expect(paid([two, one])).toEqual(['1: 1', '2: 1'])
  })
})

describe('a bill of what counts together', () => {
  const needs = (bay: number, ivy: number): Need[] =>
    [['bay', bay] as const, ['ivy', ivy] as const].map(([material, count]) => ({
      of: 'things',
      material,
      use: 'laid',
      layer: 'a',
      count,
      cut: null,
      spare: 0,
    }))
  const shop = shopOf('a', 'bay', [], {
    offers: ['bay', 'ivy'].map((material) => ({ material, holds: 1, price: 500, reductions: [any(2, 1)], stock: null, days: [] })),
  })
  const pricing = plainPricing(shelf, { shops: [shop] })
  const making = (bay: number, ivy: number) => ({ id: 'p', copies: 1, budget: null, needs: needs(bay, ivy) })

  it('says so, line by line, and what was saved', () => {
    const bill = billOf(making(2, 2), pricing)
    expect([bill.opened.value, bill.full.value, bill.reduced?.value]).toEqual([1500, 2000, 500])
    const words = bill.lines.map(({ opened }) => say(opened.sum, { units: 'in', currency: 'USD' }))
    expect(words[1]).toBe('(2 − 1 free with the others) × $5.00, buy 2, get 1 free of any bunches = $5.00')
    expect(bill.lines.map(({ opened, used }) => [opened.value, used.value])).toEqual([
      [1000, 1000],
      [500, 500],
    ])
  })
  it('is what a claim of one of its lines goes by: the line costs what it does on the bill', () => {
    const of = making(2, 2)
    const bill = billOf(of, pricing)
    for (const { id, opened } of bill.lines) {
      const claim = {
        id: 'c',
        kind: 'makes',
        amount: opened.value,
        of: 'all',
        ledger: 'opened',
        copies: null,
        off: null,
        lines: [id],
      } as const
      expect(judge({ ...claim, lines: [id] }, of, pricing)).toMatchObject({ verdict: 'holds', total: { value: opened.value } })
    }
  })
  it('offers one more that is free beside the others', () => {
    // Two and three at 5.00: five, four of them paid for; the sixth goes free.
    const of = making(2, 3)
    const more = dealsOf(of, billOf(of, pricing), pricing).filter(({ kind }) => kind === 'more packs')
    expect(more.map(({ line }) => line).sort()).toEqual(['bay', 'ivy'])
    expect(dealsOf(making(2, 1), billOf(making(2, 1), pricing), pricing).filter(({ kind }) => kind === 'more packs')).toEqual([])
  })
  it('is what waiting reckons with as well', () => {
    const wants = ['bay', 'ivy'].map((material) => ({ material, count: 2 }))
    expect(waitOrBuy(wants, '2026-11-02', '2026-11-02', pricing).days[0]!.cost).toEqual([1500, 1500])
  })
})

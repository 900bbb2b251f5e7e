import currency from 'currency.js'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Reduction } from '../../core/price'
import {
  freeOf,
  lineCost,
  lineRange,
  listPriceOf,
  OfferSchema,
  packsOver,
  ReductionSchema,
  reductionSaid,
  taxIn,
  taxOn,
  TaxSchema,
} from '../../core/price'
import { say } from '../../core/measure'

const always = { from: null, until: null }
const off = (least: number, most = least): Reduction => ({ kind: 'off', share: [least, most], ...always })

describe('lines and reductions, against a second money library', () => {
  // currency.js keeps whole cents and rounds halves away from nothing.
  it('percent off a line is rounded once, on the line', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99_999 }),
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 99 }),
        (price, packs, percent) => {
          const line = currency(price, { fromCents: true }).multiply(packs)
          // The library’s multiply rounds to the cent what the exact product is; floating point may lie a hair under a half.
          const exact = (BigInt(price) * BigInt(packs) * BigInt(100 - percent) * 2n + 100n) / 200n
          expect(lineCost(price, packs, [off(percent / 100)], 'least')).toBe(Number(exact))
          expect(Math.abs(line.multiply(1 - percent / 100).intValue - Number(exact))).toBeLessThanOrEqual(1)
        },
      ),
    )
  })
  it('without reductions it is the library’s product', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999_999 }), fc.integer({ min: 0, max: 500 }), (price, packs) => {
        expect(lineCost(price, packs, [], 'least')).toBe(currency(price, { fromCents: true }).multiply(packs).intValue)
      }),
    )
  })
  it.each([
    // By hand: 3 × 8.99 = 26.97, less 45 % = 14.8335; rounded by the piece it would be 3 × 4.94 = 14.82.
    ['45 % off three at 8.99', 899, 3, [off(0.45)], 1483],
    ['half off 0.01', 1, 1, [off(0.5)], 1],
    ['two and one free: seven are five paid', 500, 7, [{ kind: 'free', buy: 2, get: 1, ...always }], 2500],
    ['buy one get one: three are two paid', 500, 3, [{ kind: 'free', buy: 1, get: 1, ...always }], 1000],
    ['a coupon of 40 % on one of three at 16.50: 33.00 + 9.90', 1650, 3, [{ kind: 'coupon', share: [0.4, 0.4], ...always }], 4290],
    ['cleared at 3.00, and half off that', 900, 2, [{ kind: 'clearance', price: [300, 300], ...always }, off(0.5)], 300],
    ['all of it off', 900, 2, [off(1)], 0],
    ['a coupon of all on one that is alone', 900, 1, [{ kind: 'coupon', share: [1, 1], ...always }], 0],
  ] as const)('%s', (_, price, packs, reductions, cost) => {
    expect(lineCost(price, packs, reductions as unknown as Reduction[], 'least')).toBe(cost)
  })
  it('of a range the least takes off least', () => {
    expect(lineRange(1000, 2, [off(0.4, 0.5)])).toEqual([1000, 1200])
    expect(lineRange(1000, 1, [{ kind: 'clearance', price: [550, 700], ...always }])).toEqual([550, 700])
  })
  it('so many go free: counted out one by one', () => {
    for (const [buy, get] of [
      [2, 1],
      [1, 1],
      [3, 2],
      [1, 3],
    ] as const)
      for (let packs = 0; packs <= 40; packs++) {
        let free = 0
        for (let i = 0; i < packs; i++) if (i % (buy + get) >= buy) free += 1
        expect(freeOf(packs, { buy, get })).toBe(free)
      }
  })
  it('large amounts lose nothing', () => {
    expect(lineCost(9_999_999, 10_000, [off(0.3333)], 'least')).toBe(Number((9_999_999n * 10_000n * 6667n + 5000n) / 10_000n))
    expect(lineCost(9_999_999, 10_000, [off(0.3333), { kind: 'coupon', share: [0.7777, 0.7777], ...always }], 'least')).toBe(
      Number((9_999_999n * 6667n * (100_000_000n - 7777n) + 50_000_000n) / 100_000_000n),
    )
  })
  it('is said as shops say it', () => {
    const manner = { units: 'in', currency: 'USD' } as const
    expect(say(reductionSaid(off(0.4, 0.5)), manner)).toBe('40 % to 50 % off')
    expect(say(reductionSaid({ kind: 'free', buy: 2, get: 1, ...always }), manner)).toBe('buy 2, get 1 free')
    expect(say(reductionSaid({ kind: 'clearance', price: [300, 450], ...always }), manner)).toBe('cleared at $3.00 to $4.50')
  })
})

describe('tax', () => {
  // Source: common practice of sales taxes in the United States (from memory): a state says whether the tax is worked on each article
  // or on the invoice as a whole; computed to the third place and rounded up from five.
  it.each([
    ['8.25 % of 9.99 is 0.824175', [999], 0.0825, 'line', 82],
    ['two lines of 9.99 by the line', [999, 999], 0.0825, 'line', 164],
    ['two lines of 9.99 on the bill: 1.648', [999, 999], 0.0825, 'bill', 165],
    ['a half is rounded up: 5 % of 0.50 is 0.025', [50], 0.05, 'bill', 3],
    ['none', [999], 0, 'bill', 0],
  ] as const)('on top: %s', (_, lines, share, by, tax) => {
    expect(taxOn(lines, { share, by, included: false })).toBe(tax)
    expect(taxIn(lines, { share, by, included: false })).toBe(0)
  })
  // Source: the VAT fraction of European practice (from memory): at 20 % a sixth of the price is tax, at 5 % a twenty-first.
  it.each([
    ['20 % in 12.00', [1200], 0.2, 'bill', 200],
    ['5 % in 21.00', [2100], 0.05, 'bill', 100],
    ['20 % in two of 9.99, by the line: 1.665 each', [999, 999], 0.2, 'line', 334],
    ['the same on the bill: 3.33', [999, 999], 0.2, 'bill', 333],
  ] as const)('in it: %s', (_, lines, share, by, tax) => {
    expect(taxIn(lines, { share, by, included: true })).toBe(tax)
    expect(taxOn(lines, { share, by, included: true })).toBe(0)
  })
  it('on the bill it is the second library’s, to the cent where that rounds exactly', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 99_999 }), { maxLength: 8 }),
        fc.integer({ min: 0, max: 25_000 }),
        (lines, thousandths) => {
          const sum = lines.reduce((all, line) => all + line, 0)
          const exact = (BigInt(sum) * BigInt(thousandths) * 2n + 100_000n) / 200_000n
          const ours = taxOn(lines, { share: thousandths / 100_000, by: 'bill', included: false })
          expect(ours).toBe(Number(exact))
          expect(Math.abs(currency(sum, { fromCents: true }).multiply(thousandths / 100_000).intValue - ours)).toBeLessThanOrEqual(1)
        },
      ),
    )
  })
})

describe('packs with reductions: against every number of each', () => {
  const reductions: fc.Arbitrary<Reduction[]> = fc.oneof(
    fc.constant<Reduction[]>([]),
    fc.tuple(fc.constantFrom(0.1, 0.25, 0.4), fc.constantFrom(0, 0.1)).map(([a, b]) => [off(a, a + b)]),
    fc.constantFrom<Reduction[]>([{ kind: 'free', buy: 2, get: 1, ...always }], [{ kind: 'coupon', share: [0.5, 0.5], ...always }]),
  )
  it('cost least at the highest', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 14 }),
        fc.array(
          fc.record({
            holds: fc.integer({ min: 1, max: 5 }),
            price: fc.integer({ min: 50, max: 900 }),
            reductions,
            stock: fc.option(fc.integer({ min: 0, max: 4 })),
          }),
          { minLength: 1, maxLength: 3 },
        ),
        (wanted, offers) => {
          const prices = offers.map((each) => ({ shop: 's', ...each }))
          const there = prices.reduce((n, { stock, holds }) => (stock === null ? Infinity : n + stock * holds), 0)
          let best = Infinity
          const counts = prices.map(() => 0)
          const tryFrom = (i: number, held: number, cost: number): void => {
            if (i === prices.length) {
              if (held >= Math.min(wanted, there)) best = Math.min(best, cost)
              return
            }
            const { holds, price, stock, reductions: own } = prices[i]!
            for (counts[i] = 0; counts[i]! <= Math.min(stock ?? 99, Math.ceil(wanted / holds) + 1); counts[i]! += 1)
              tryFrom(i + 1, held + holds * counts[i]!, cost + lineCost(price, counts[i]!, own, 'least'))
          }
          tryFrom(0, 0, 0)
          const bought = packsOver(wanted, prices)
          expect(bought.reduce((n, { cost }) => n + cost[1], 0)).toBe(best)
          expect(bought.reduce((n, { packs, holds }) => n + packs * holds, 0)).toBeGreaterThanOrEqual(Math.min(wanted, there))
          expect(bought.every(({ packs, stock }) => stock === null || packs <= stock)).toBe(true)
        },
      ),
    )
  })
  it('of two that cost as much at the highest, the one that may cost less', () => {
    const range: Reduction = { kind: 'off', share: [0.5, 0.6], ...always }
    const bought = packsOver(10, [listPriceOf('a', 10, 1000), { ...listPriceOf('b', 10, 2000), reductions: [range] }])
    expect(bought.map(({ shop, cost }) => [shop, cost])).toEqual([['b', [800, 1000]]])
  })
  it('nothing is wanted, nothing is bought', () => expect(packsOver(0, [listPriceOf(null, 5, 100)])).toEqual([]))
})

describe('bad prices are refused in words', () => {
  const offer = { material: 'bay', holds: 8, price: 900, reductions: [], stock: null, days: [] }
  const says = (set: object): string[] => OfferSchema.safeParse({ ...offer, ...set }).error?.issues.map(({ message }) => message) ?? []
  it.each([
    ['nothing for it', { price: 0 }, 'A price is over nothing.'],
    ['less than nothing', { price: -5 }, 'A price is over nothing.'],
    ['a pack of none', { holds: 0 }, 'A pack holds one at least.'],
    ['more off than all', { reductions: [off(1.2)] }, 'More than 100 % off is no reduction.'],
    ['a range turned round', { reductions: [off(0.5, 0.4)] }, 'The range is turned round: the least comes first.'],
    ['nothing off', { reductions: [off(0)] }, 'A reduction of nothing is none.'],
    ['ended before it begins', { reductions: [{ ...off(0.5), from: '2026-10-02', until: '2026-10-01' }] }, 'It ends before it begins.'],
    ['on no day', { reductions: [{ ...off(0.5), from: '2026-02-30' }] }, 'That is no day of the calendar.'],
  ])('%s', (_, set, words) => expect(says(set)).toContain(words))
  it.each([{ price: 1e9 }, { price: undefined }, { price: 9.5 }, { holds: 1e6 }, { stock: -1 }])('%j', (set) =>
    expect(says(set).length).toBeGreaterThan(0),
  )
  it('a tax over 100 %, or under nothing', () => {
    const tax = { by: 'bill', included: false, known: true }
    expect([TaxSchema.safeParse({ ...tax, share: 1.1 }).success, TaxSchema.safeParse({ ...tax, share: -0.1 }).success]).toEqual([
      false,
      false,
    ])
    expect(ReductionSchema.safeParse(off(0.4, 0.5)).success).toBe(true)
  })
})

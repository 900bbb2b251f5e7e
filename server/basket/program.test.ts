import { expect, it } from 'vitest'
import type { BasketJob } from '../../core/price'
import { LARGEST_PROGRAM, programOf, termsOf } from './program'

type Offer = BasketJob['shops'][number]['offers'][number]
const among = { kind: 'free', buy: 2, get: 1, among: 'picks', from: null, until: null } as const
/** So many offers of so many kinds in each of so many shops. */
const basket = (kinds: number, offers: number, shops: number, reductions: Offer['reductions'] = [], minimum = 0): BasketJob => ({
  wants: Array.from({ length: kinds }, (_, i) => ({
    material: `m${i}`,
    of: { material: `m${i}`, width: null },
    count: 12,
    usual: { holds: 1, price: 500 },
  })),
  shops: Array.from({ length: shops }, (_, s) => ({
    id: `s${s}`,
    name: `S${s}`,
    trip: 100,
    minimum,
    offers: Array.from({ length: offers }, (_, o) => ({
      material: `m${o % kinds}`,
      holds: 1 + o,
      price: 300 + o,
      reductions,
      stock: null,
    })),
  })),
})
/** Every variable of a program, as often as it stands there. */
const written = (job: BasketJob): number => programOf(job, null).match(/\b[a-z]\d+(_\d+)*\b(?!:)/g)!.length

it('says how large a program will be, to within what is worked out before it is written', () => {
  for (const job of [
    basket(1, 1, 1),
    basket(8, 24, 4),
    basket(1, 20, 6),
    basket(6, 60, 3, [among]),
    basket(1, 90, 1, [among]),
    basket(5, 30, 5, [{ kind: 'free', buy: 1, get: 1, from: null, until: null }], 2000),
  ]) {
    expect(termsOf(job)).toBeGreaterThan(written(job) / 2.5)
    expect(termsOf(job)).toBeLessThan(written(job) * 3 + 20)
  }
})
it('grows with the offers, and by twos only where they count together', () => {
  expect(termsOf(basket(1, 200, 1)) / termsOf(basket(1, 20, 1))).toBeCloseTo(10, 0)
  expect(termsOf(basket(4, 400, 1, [among])) / termsOf(basket(4, 40, 1, [among]))).toBeGreaterThan(50)
  // What nobody wants is no part of it.
  const { wants, shops } = basket(4, 40, 2)
  expect(termsOf({ wants: wants.slice(0, 1), shops })).toBeLessThan(termsOf({ wants, shops }) / 3)
})
it('lets every basket of a workroom through, and none that would take minutes to write down', () => {
  expect(termsOf(basket(60, 120, 8))).toBeLessThan(LARGEST_PROGRAM)
  expect(termsOf(basket(10, 2000, 1, [among]))).toBeGreaterThan(LARGEST_PROGRAM)
})

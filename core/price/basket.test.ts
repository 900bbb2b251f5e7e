import { describe, expect, it } from 'vitest'
import { say } from '../measure'
import { plainPricing, shelf, shopOf } from '../testing'
import type { Basket, ShopStop } from './basket'
import { basketJob, basketSoon, secondStop } from './basket'

const manner = { units: 'in', currency: 'USD' } as const
const bay = (count: number) => [{ material: 'bay', count }]
const byWeek = (days: readonly number[]) => {
  const shop = shopOf('quay', 'bay', [[8, 600]])
  return { ...shop, offers: shop.offers.map((offer) => ({ ...offer, days: [...days] })) }
}

describe('the job of buying', () => {
  it('asks only shops that one goes to, that have it on that day, and some of it left', () => {
    const near = shopOf('near', 'bay', [[8, 900]])
    const out = { ...near, id: 'out', offers: near.offers.map((offer) => ({ ...offer, stock: 0 })) }
    // The twentieth of October 2026 is a Tuesday.
    const on = plainPricing(shelf, { shops: [near, out, byWeek([2]), shopOf('far', 'bay', [[1, 1]])], shunned: ['far'], day: '2026-10-20' })
    expect(basketJob(bay(9), on).shops.map(({ id }) => id)).toEqual(['near', 'quay'])
    expect(basketJob(bay(9), { ...on, day: '2026-10-21' }).shops.map(({ id }) => id)).toEqual(['near'])
    expect(basketJob([...bay(0), { material: 'unheard of', count: 3 }], on)).toEqual({ wants: [], shops: [] })
  })
})

describe('what a shop asks for all of one thing', () => {
  it('is its cheapest packs, and nothing where it has too few', () => {
    const few = shopOf('few', 'bay', [[8, 500]])
    const shops = [
      shopOf('near', 'bay', [
        [8, 900],
        [20, 1500],
      ]),
      { ...few, offers: few.offers.map((offer) => ({ ...offer, stock: 1 })) },
    ]
    // Nine: two bunches of 8 are 18.00, a crate of 20 is 15.00; of the five-dollar bunches there is one.
    expect(basketSoon(basketJob(bay(9), plainPricing(shelf, { shops }))).alone).toEqual({ near: { bay: 1500 }, few: {} })
  })
})

describe('the second stop', () => {
  const stop = (shop: string): ShopStop => ({ shop, name: shop, lines: [], goods: [0, 0], trip: 0, enough: true })
  const basket = (cost: number, stops: readonly string[], missing = 0): Basket => ({
    stops: stops.map(stop),
    elsewhere: basketSoon(basketJob(bay(8 * missing), plainPricing())).best.elsewhere,
    cost: [cost, cost],
  })
  const verdict = (one: Basket | null, two: Basket | null, best: Basket = two ?? basket(0, [])): string | null => {
    const said = secondStop({ best, one, two })
    return said && say(said, manner)
  }
  it('is worth it where it saves more than its trip', () => {
    expect(verdict(basket(5900, ['a']), basket(5600, ['a', 'b']))).toBe('The second stop is worth it: it saves $3.00, its trip paid.')
    expect(verdict(basket(5600, ['a']), basket(5900, ['a', 'b']))).toBe('The second stop is not worth it: it would cost $3.00 more.')
    expect(verdict(basket(5600, ['a']), basket(5600, ['a', 'b']))).toBe('The second stop is not worth it: with its trip it costs the same.')
  })
  it('is worth it, whatever it costs, where it has what the first has not', () => {
    expect(verdict(basket(5000, ['a'], 1), basket(5600, ['a', 'b']))).toBe(
      'The second stop is worth it: it has 1 thing that the first has not.',
    )
  })
  it('is no question where one has it all, or none has anything', () => {
    const one = basket(5000, ['a'])
    expect(verdict(one, one, one)).toBe('One stop has it all for least.')
    expect(verdict(null, null)).toBeNull()
  })
})

import { expect, it } from 'vitest'
import type { Shop } from '../price'
import { pieceWith, plainPricing, shelf, shopOf } from '../testing'
import { startKit } from './kit'
import { classToMake, freshDaysOf, toMakeOf } from './to-make'

/** A shop that has things on some days of the week, 0 Sunday; none is always. */
const shopWith = (id: string, material: string, days: number[]): Shop => {
  const shop = shopOf(id, material, [[1, 100]])
  return { ...shop, offers: shop.offers.map((offer) => ({ ...offer, days })) }
}
const daysAt = (...shops: Shop[]) => freshDaysOf({ ...plainPricing(), shops })

it('fresh things are had on the days of all shops together, counted from Monday', () => {
  // A market on Wednesdays and Saturdays, and one on Sundays: 3, 6 and 0 from Sunday.
  expect(daysAt(shopWith('a', 'cedar', [3, 6]), shopWith('b', 'fir', [0]))).toEqual([2, 5, 6])
  expect(daysAt()).toEqual([])
  expect(daysAt(shopWith('a', 'cedar', [3]), shopWith('b', 'fir', []))).toEqual([])
  // What is not fresh says nothing, nor does a shop that one does not go to.
  expect(daysAt(shopWith('a', 'ribbon-slate', [3]))).toEqual([])
  expect(freshDaysOf({ ...plainPricing(), shops: [shopWith('a', 'cedar', [3])], shunned: ['a'] })).toEqual([])
})

it('of several copies what is ticked off is done of the first one; of one it is done', () => {
  const piece = pieceWith([])
  const copies = (n: number) => toMakeOf({ ...piece, brief: { ...piece.brief, copies: n } }, [], ['base']).done
  expect([copies(1), copies(2), copies(40)]).toEqual([['base'], [], []])
})

it('a class is an order of its own, by its own day', () => {
  const kit = { ...startKit('k', 'p', 'Evening class', 6), day: '2026-12-05' as const }
  expect(classToMake(kit, pieceWith([]), [], shelf)).toMatchObject({ id: 'k', due: '2026-12-05', copies: 1, done: [] })
})

import { expect, it } from 'vitest'
import { CATALOGUE } from '../../core/material'
import { daysAfter } from '../../core/measure'
import { holdsOn, ShopSchema } from '../../core/price'
import { baseOfLot } from '../../core/stock'
import { SHOPS } from './assortments'
import { mannersOf, shopOn } from './promotions'

it('has four shops whose every offer is of something on the shelf', () => {
  expect(SHOPS.map((shop) => ShopSchema.parse(shop).name)).toEqual([
    'Pinfold Trimmings',
    'Quay Street Surplus',
    'Netherby Stems',
    'Coppice & Cone',
  ])
  for (const { offers } of SHOPS) {
    expect(new Set(offers.map(({ material, width }) => `${material} ${width}`)).size).toBe(offers.length)
    for (const { material, price, width } of offers) {
      expect(width === undefined ? CATALOGUE[material] : baseOfLot({ material })).toBeTruthy()
      expect(price).toBeGreaterThan(0)
    }
  }
})

it('between them sell everything on the shelf', () => {
  const sold = new Set(SHOPS.flatMap(({ offers }) => offers.map(({ material }) => material)))
  expect(Object.keys(CATALOGUE).filter((id) => !sold.has(id))).toEqual([])
})

const MONDAY = '2026-10-19'
const offer = (shop: string, material: string, day: string) => shopOn(shop, day)!.offers.find((each) => each.material === material)!
const offs = (shop: string, material: string, day: string) =>
  offer(shop, material, day)
    .reductions.filter((each) => holdsOn(each, day))
    .map(({ kind }) => kind)

it('is the same for the same day, and fits the schema on every day of a year', () => {
  expect(shopOn('pinfold', MONDAY)).toEqual(shopOn('pinfold', MONDAY))
  for (let i = 0; i < 365; i += 9)
    for (const { id } of SHOPS) expect(ShopSchema.safeParse(shopOn(id, daysAfter(MONDAY, i))).success, `${id} ${i}`).toBe(true)
  expect([shopOn('nobody', MONDAY), shopOn('pinfold', '2026-02-30')]).toEqual([null, null])
})

it('Pinfold halves florals and ribbon by turns, week by week, and says so ahead', () => {
  const weeks = [0, 7, 14, 21].map((days) => [
    offs('pinfold', 'dahlia', daysAfter(MONDAY, days)),
    offs('pinfold', 'ribbon-slate', daysAfter(MONDAY, days)),
  ])
  expect(new Set(weeks.map((week) => week.map((kinds) => kinds.length).join()))).toEqual(new Set(['1,0', '0,1']))
  expect(weeks[0]).toEqual(weeks[2])
  // What it says today of the week after next is what it says then.
  const ahead = offer('pinfold', 'dahlia', MONDAY).reductions.filter((each) => holdsOn(each, daysAfter(MONDAY, 14)))
  expect(ahead.map(({ kind }) => kind)).toEqual(offs('pinfold', 'dahlia', daysAfter(MONDAY, 14)))
})

it('Quay Street gives three baubles for two, and has what it has; Netherby cuts on Tuesdays and Fridays', () => {
  const bauble = Object.values(CATALOGUE).find(
    ({ kind, id }) => kind === 'accent' && SHOPS[1]!.offers.some(({ material }) => material === id),
  )!
  expect(offer('quay-street', bauble.id, MONDAY).reductions).toEqual([{ kind: 'free', buy: 2, get: 1, from: null, until: null }])
  const stocks = shopOn('quay-street', MONDAY)!.offers.map(({ stock }) => stock)
  expect([stocks.includes(0), stocks.some((stock) => stock! > 3), stocks.includes(null)]).toEqual([true, true, false])
  expect(offer('netherby', 'bay', MONDAY).days).toEqual([2, 5])
  expect(offer('netherby', 'wheat', MONDAY).days).toEqual([])
  // Dried bunches count together there, all of them by one name.
  const among = shopOn('netherby', MONDAY)!.offers.flatMap(({ reductions }) =>
    reductions.flatMap((each) => (each.kind === 'free' ? [each.among] : [])),
  )
  expect([among.length > 3, new Set(among)]).toEqual([true, new Set(['dried bunches'])])
})

it('is slow or out on some days', () => {
  const days = Array.from({ length: 30 }, (_, i) => daysAfter(MONDAY, i))
  expect(days.filter((day) => mannersOf('quay-street', day).waits > 0)).toHaveLength(6)
  expect(days.filter((day) => mannersOf('coppice', day).out)).toHaveLength(5)
  expect(days.some((day) => mannersOf('pinfold', day).out)).toBe(false)
})

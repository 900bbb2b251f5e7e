import { describe, expect, it } from 'vitest'
import { plainShelf } from '../material'
import { COUNTED, figure, quantity, showSum } from '../measure'
import type { Sale } from './selling-price'
import { askingPrices, earnings } from './selling-price'

const manner = { units: 'in', currency: 'USD' } as const
const money = (minor: number) => figure(quantity.money(minor), [], COUNTED)
const time = (minutes: number) => figure(quantity.time(minutes), [], COUNTED)

// By hand, at 18.00 an hour and a tenth of overheads: materials 20.00, an hour and a half 27.00, overheads 4.70: 51.70.
describe('what to ask', () => {
  const { cost, time: hours, overheads, schools } = askingPrices(money(2000), time(90), 7000, plainShelf())
  const of = (school: string) => schools.find((each) => each.school === school)!
  it('costs materials, time and overheads', () => {
    expect([hours.value, overheads.value, cost.value]).toEqual([2700, 470, 5170])
    expect(showSum(cost, manner)).toBe('materials $20.00 + time $27.00 + overheads $4.70 = $51.70')
    expect(showSum(hours, manner)).toBe('1 h 30 min × $18.00 an hour = $27.00')
  })
  it('by the schools: three times materials 60.00, half as much again on materials and time 70.50, what the market bears 70.00', () => {
    expect(schools.map(({ price }) => price!.value)).toEqual([6000, 7050, 7000])
  })
  it('each with what stays of it: (60.00 − 51.70) ÷ 60.00 = 13.8 %', () => {
    expect(of('materials by a factor').margin!.value).toBeCloseTo(8.3 / 60, 6)
    expect(of('materials and time, marked up').margin!.value).toBeCloseTo(18.8 / 70.5, 6)
    expect(of('what the market bears').margin!.value).toBeCloseTo(18.3 / 70, 6)
  })
  it('by the maker’s own rules, which it names; without a market it knows no price of that school', () => {
    const own = askingPrices(money(2000), time(60), null, plainShelf({ 'price.hour': 3000, 'price.overheads': 0, 'price.markup': 2 }))
    expect([own.cost.value, own.schools[1]!.price!.value, own.schools[2]!.price]).toEqual([5000, 10_000, null])
    expect(own.schools[1]!.price!.rules!.map(({ id }) => id)).toContain('price.markup')
  })
  it('where it loses, what stays is less than nothing', () => {
    expect(askingPrices(money(2000), time(90), 4000, plainShelf()).schools[2]!.margin!.value).toBeCloseTo(-11.7 / 40, 6)
  })
})

describe('which form earns', () => {
  const sale = (set: Partial<Sale>): Sale => ({
    id: 's',
    piece: '',
    name: 'Ring',
    form: 'ring',
    day: '2026-10-01',
    count: 1,
    price: 5000,
    materials: 2000,
    minutes: 60,
    where: '',
    ...set,
  })
  it('what is left after materials, by the hour, the best first', () => {
    // Two rings: 2 × 50.00 less 2 × 20.00 in two hours is 30.00 an hour; a hoop: 20.00 less 5.00 in half an hour too.
    const all = [sale({ count: 2 }), sale({ id: 't', form: 'hoop', price: 2500, materials: 500, minutes: 30 })]
    expect(earnings(all).map(({ form, count, perHour }) => [form, count, perHour!.value])).toEqual([
      ['hoop', 1, 4000],
      ['ring', 2, 3000],
    ])
    expect(showSum(earnings(all)[1]!.perHour!, manner)).toBe('(taken $100.00 − materials $40.00) ÷ 2 h 0 min = $30.00')
  })
  it('knows nothing by the hour where no time was written down', () => {
    expect(earnings([sale({ minutes: 0 })])[0]!.perHour).toBeNull()
    expect(earnings([])).toEqual([])
  })
})

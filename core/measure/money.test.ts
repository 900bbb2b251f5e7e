import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { formatMoney, parseMoney } from './money'
import { apportion } from './distribute'

it('shares out without losing a cent', () => {
  expect(apportion(100, [1, 1, 1])).toEqual([34, 33, 33])
  expect(apportion(999, [18, 2])).toEqual([899, 100])
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 1e7 }),
      fc.array(fc.integer({ min: 0, max: 500 }), { minLength: 1, maxLength: 9 }),
      (amount, ratios) => {
        fc.pre(ratios.some((ratio) => ratio > 0))
        expect(apportion(amount, ratios).reduce((a, b) => a + b, 0)).toBe(amount)
      },
    ),
  )
})

describe('reading and writing', () => {
  it.each([
    ['25', 2500],
    ['25.5', 2550],
    ['$25.50', 2550],
    [' 0,99 ', 99],
    ['€ 12', 1200],
  ])('%s', (text, minor) => expect(parseMoney(text)).toBe(minor))
  it.each(['', 'free', '12.345', '-3', '1e9'])('refuses “%s”', (text) => expect(parseMoney(text)).toBeNull())
  it('shows the currency', () => {
    expect(formatMoney(1299, 'USD')).toBe('$12.99')
    expect(formatMoney(5, 'GBP')).toBe('£0.05')
  })
})

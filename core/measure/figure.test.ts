import { expect, it } from 'vitest'
import { inches } from './length'
import { figure, GEOMETRY, quantity, say, show, showExact, showSum, sum } from './figure'

const inInches = { units: 'in', currency: 'USD' } as const
const inCentimetres = { units: 'cm', currency: 'EUR' } as const

it('reads its sum in the units on screen', () => {
  const spacing = figure(
    quantity.length(inches(6.2832)),
    sum`π × ${quantity.length(inches(12))} ÷ ${quantity.count(6)} = ${quantity.length(inches(6.2832))}`,
    GEOMETRY,
  )
  expect(show(spacing, inInches)).toBe('6¼ in')
  expect(showSum(spacing, inInches)).toBe('π × 12 in ÷ 6 = 6.28 in')
  expect(showSum(spacing, inCentimetres)).toBe('π × 30.48 cm ÷ 6 = 15.96 cm')
})

it('says words with lengths as on a tape', () => {
  expect(say(sum`Cut to ${quantity.length(inches(7.52))}.`, inInches)).toBe('Cut to 7½ in.')
})

it.each([
  [quantity.mass(100), '3.5 oz', '100 g'],
  [quantity.mass(4.25), '4.3 g', '4.3 g'],
  [quantity.money(1050), '$10.50', '€10.50'],
  [quantity.share(0.6321), '63.2 %', '63.2 %'],
  [quantity.clock(135), '4:30', '4:30'],
  [quantity.count(12), '12', '12'],
  [quantity.ratio(3.4), '3.4', '3.4'],
])('%o', (of, imperial, metric) => {
  expect(showExact(of, inInches)).toBe(imperial)
  expect(showExact(of, inCentimetres)).toBe(metric)
})

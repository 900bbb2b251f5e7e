import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches, parseLength, readExact, readTape, trimZeros } from './length'

describe('readTape', () => {
  it.each([
    [inches(3.25), '3¼ in'],
    [inches(0.5), '½ in'],
    [inches(7), '7 in'],
    [inches(6.28), '6¼ in'],
    [0, '0 in'],
    [inches(11.99), '12 in'],
    [-inches(1.5), '−1½ in'],
    [inches(0.01), '0 in'],
    [-inches(0.01), '0 in'],
  ])('%f mm reads %s', (mm, text) => expect(readTape(mm, 'in')).toBe(text))

  it.each([
    [100, '10 cm'],
    [127, '12.5 cm'],
    [2, '0 cm'],
    [-25, '−2.5 cm'],
    [1000, '100 cm'],
  ])('%f mm reads %s', (mm, text) => expect(readTape(mm, 'cm')).toBe(text))

  it('is never more than half a step off', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), (mm) => {
        const back = parseLength(readTape(mm, 'in'), 'in')
        expect(back.ok && Math.abs(back.value - mm)).toBeLessThanOrEqual(inches(1 / 16) + 1e-9)
        const metric = parseLength(readTape(mm, 'cm'), 'cm')
        expect(metric.ok && Math.abs(metric.value - mm)).toBeLessThanOrEqual(2.5 + 1e-9)
      }),
    )
  })
})

describe('readExact', () => {
  it('keeps two decimals where there are any', () => {
    expect(readExact(inches(6.2832), 'in')).toBe('6.28 in')
    expect(readExact(inches(120), 'in')).toBe('120 in')
    expect(readExact(159.6, 'cm')).toBe('15.96 cm')
  })
  it('trims only zeros behind a point', () => {
    expect(trimZeros('100')).toBe('100')
    expect(trimZeros('1.50')).toBe('1.5')
    expect(trimZeros('2.00')).toBe('2')
  })
})

describe('parseLength', () => {
  it.each([
    ['18', 'in', 18 * 25.4],
    ['3 1/2', 'in', 3.5 * 25.4],
    ['3½ in', 'cm', 3.5 * 25.4],
    ['½', 'in', 12.7],
    ['45 cm', 'in', 450],
    ["7'", 'in', 7 * 304.8],
    ['6 ft 8 in', 'cm', 80 * 25.4],
    ['6\'8"', 'in', 80 * 25.4],
    ['1,5', 'cm', 15],
    ['.25', 'in', 6.35],
    ['2 yd', 'in', 72 * 25.4],
    ['120mm', 'in', 120],
    ['1.2 m', 'in', 1200],
    ['0', 'in', 0],
  ] as const)('%s in %s', (text, units, mm) => expect(parseLength(text, units)).toEqual({ ok: true, value: expect.closeTo(mm, 9) }))

  it.each(['', '  ', 'ring', '12 parsecs', '3 1/0', '4 in wide', '-3', '1e5', '3//4'])('refuses “%s” and says why', (text) => {
    const read = parseLength(text, 'in')
    expect(read.ok).toBe(false)
    expect(!read.ok && read.error).toMatch(/\.$/)
  })
})

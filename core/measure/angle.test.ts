import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { clock, degrees, parseClock, radians, wrapDegrees } from './angle'

describe('clock', () => {
  it.each([
    [0, '12:00'],
    [135, '4:30'],
    [125, '4:10'],
    [359.9, '12:00'],
    [-30, '11:00'],
    [180, '6:00'],
    [2.5, '12:05'],
    [750, '1:00'],
  ])('%f degrees is %s', (angle, text) => expect(clock(angle)).toBe(text))
  it('reads back what it says', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 359.99, noNaN: true }), (angle) => {
        const off = Math.abs(parseClock(clock(angle))! - angle)
        expect(Math.min(off, 360 - off)).toBeLessThanOrEqual(1.25 + 1e-9)
      }),
    )
  })
})

describe('parseClock', () => {
  it.each([
    ['4:30', 135],
    ['12', 0],
    ['430', 135],
    ['9.00', 270],
    [' 6:00 ', 180],
    ['1230', 15],
  ])('%s', (text, angle) => expect(parseClock(text)).toBe(angle))
  it.each(['0:30', '13', '4:60', 'noon', '', '4:3:0'])('refuses “%s”', (text) => expect(parseClock(text)).toBeNull())
})

it('wraps, and converts both ways', () => {
  expect(wrapDegrees(-90)).toBe(270)
  expect(degrees(radians(73))).toBeCloseTo(73, 12)
})

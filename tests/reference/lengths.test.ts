import { describe, expect, it } from 'vitest'
import { inches, MM_PER_INCH, apportion, parseLength, toInches } from '../../core/measure'
import { evenly, middles, countEvery } from '../../core/placement'
import { ringRun } from '../../core/base'
import { layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'

describe('the inch', () => {
  // Source: the 1959 international yard and pound agreement, as in NIST Special Publication 811, appendix B (from memory):
  // 1 in = 25.4 mm exactly, 1 ft = 0.3048 m exactly, 1 yd = 0.9144 m exactly.
  it('is 25.4 mm', () => expect(MM_PER_INCH).toBe(25.4))
  it.each([
    ['1 in', 25.4],
    ['1 ft', 304.8],
    ['1 yd', 914.4],
    ['1 m', 1000],
  ])('%s', (text, mm) => expect(parseLength(text, 'in')).toEqual({ ok: true, value: expect.closeTo(mm, 9) }))
})

describe('rings', () => {
  // Source: geometry of the circle, and a worked value of the trade (common practice):
  // a 12 in ring with 6 places has 60 degrees between them, 6.28 in on the rim.
  it('a 12 in ring with 6 places: 6.28 in on the rim', () => {
    const [layer] = work(pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 6, start: 0 })]), shelf).layers
    expect(toInches(layer!.spacing!.rim.value)).toBeCloseTo(6.28, 2)
    expect(toInches(layer!.spacing!.rim.value)).toBeCloseTo((Math.PI * 12) / 6, 9)
  })
  // Source: geometry: rim pi*Do, centre line pi*(Do+Di)/2.
  it('rim and centre line of a 18 in by 13 in ring', () => {
    const { base } = work(pieceWith([], { ring: { outer: inches(18), inner: inches(13) } }), shelf)
    expect(base.figures.map(({ name, figure }) => [name, Number(toInches(figure.value).toFixed(3))])).toEqual([
      ['Rim', 56.549],
      ['Centre line', 48.695],
    ])
  })
  // Source: geometry: four places and four halfway between make eight at 45 degrees.
  it('four and four between make eight at 45 degrees', () => {
    const ring = ringRun('r', 'r', 300, 200)
    const four = evenly(ring, 4, 0)
    const angles = [...four, ...middles(ring, four)].map((s) => (s / ring.length) * 360).sort((a, b) => a - b)
    angles.forEach((angle, i) => expect(angle).toBeCloseTo(45 * i, 9))
  })
  it('every so far takes the nearest whole count: 38.0 in at 3 in is 13', () => expect(countEvery(inches(38), inches(3))).toBe(13))
})

describe('money', () => {
  // Source: commercial rounding to the cent, half up (common practice), in whole numbers so that no binary fraction gets in:
  // the share of an amount that is used is never a cent off it, and used and left always make the whole.
  it.each([
    [2796, 16, 4],
    [3147, 12, 6],
    [999, 1, 2],
    [101, 1, 1],
    [9997, 333, 67],
  ])('of %i, %i parts used and %i left', (amount, used, left) => {
    const halfUp = Math.floor((2 * amount * used + used + left) / (2 * (used + left)))
    const [share, rest] = apportion(amount, [used, left])
    expect(Math.abs(share! - halfUp)).toBeLessThanOrEqual(1)
    expect(share! + rest!).toBe(amount)
  })
  // Source: Hamilton's method of largest remainders; 100 among 1:1:1 is the textbook case 34, 33, 33.
  it('shares 100 among three', () => expect(apportion(100, [1, 1, 1])).toEqual([34, 33, 33]))
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches, showSum } from '../measure'
import type { BowNumbers } from './bow'
import { bowFigures, bowRibbon, largestLoop, meantBy, wrongBow } from './bow'

const manner = { units: 'in', currency: 'USD' } as const
const bow = (set: Partial<BowNumbers> = {}): BowNumbers => ({ loops: 8, loop: inches(6), means: 'visible', tails: [inches(10), inches(10)], centre: 0, twist: 0, ...set })
const numbers = fc.record<BowNumbers>({
  loops: fc.integer({ min: 1, max: 40 }), loop: fc.double({ min: 10, max: 400, noNaN: true }), means: fc.constantFrom('visible', 'ribbon used'),
  tails: fc.tuple(fc.double({ min: 0, max: 900, noNaN: true }), fc.double({ min: 0, max: 900, noNaN: true })), centre: fc.double({ min: 0, max: 200, noNaN: true }), twist: fc.double({ min: 0, max: 30, noNaN: true }),
})

describe('a bow', () => {
  it('takes what its loops, tails, centre and twists take, in both senses of a loop', () => {
    expect(bowRibbon(bow()) / 25.4).toBeCloseTo(116)
    expect(bowRibbon(bow({ means: 'ribbon used' })) / 25.4).toBeCloseTo(68)
    expect(bowRibbon(bow({ centre: inches(4), twist: inches(0.5) })) / 25.4).toBeCloseTo(124)
    const ribbon = bowFigures(bow(), inches(360)).find(({ id }) => id === 'ribbon')!
    expect(showSum(ribbon.figure, manner)).toBe('tails 10 in + 10 in + 8 loops × 12 in + centre 0 in + twist 0 in × 8 = 116 in')
  })
  it('reaches across twice what a loop shows; a roll gives so many, and one more loop costs one of them', () => {
    const value = (id: string, of = bow()) => bowFigures(of, inches(360)).find((each) => each.id === id)!.figure.value
    expect(value('across') / 25.4).toBeCloseTo(12)
    expect(value('across', bow({ means: 'ribbon used' })) / 25.4).toBeCloseTo(6)
    expect(value('bows')).toBe(3)
    expect(value('fewer')).toBe(1)
  })
  it('the largest loop a roll gives takes all of the roll, whatever the build', () => {
    fc.assert(fc.property(numbers, fc.double({ min: 100, max: 30_000, noNaN: true }), (of, roll) => {
      const loop = largestLoop(of, roll)
      if (loop === null) expect(bowRibbon({ ...of, loop: 0 })).toBeGreaterThanOrEqual(roll)
      else expect(bowRibbon({ ...of, loop })).toBeCloseTo(roll, 4)
    }))
  })
  it('tells from a finished bow which sense was meant', () => {
    fc.assert(fc.property(numbers, (of) => { expect(meantBy(of, bowRibbon(of)).means).toBe(of.means) }))
    expect(meantBy(bow(), inches(116)).off).toEqual({ 'visible': expect.closeTo(0), 'ribbon used': expect.closeTo(inches(-48)) })
  })
  it('is refused in words', () => {
    expect(wrongBow(bow(), inches(360))).toBeNull()
    expect(wrongBow(bow(), inches(100))).toContain('more ribbon than the roll')
    for (const set of [{ loops: 0 }, { loops: 1.5 }, { loop: 0 }, { loop: Number.NaN }, { tails: [-1, 2] as const }, { twist: Number.NaN }]) expect(wrongBow(bow(set), inches(360))).not.toBeNull()
  })
})

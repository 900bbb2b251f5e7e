import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { apportion, deal, euclid } from './distribute'
import { random, seedOf } from './random'
import { capital, listed, several } from './text'

describe('deal', () => {
  it('gives every kind its share and leaves no place empty', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 500 }),
        fc.array(fc.integer({ min: 0, max: 20 }), { minLength: 1, maxLength: 8 }),
        (places, shares) => {
          const dealt = deal(places, shares)
          if (shares.every((share) => share === 0)) {
            expect(dealt).toEqual([])
            return
          }
          const counts = shares.map((_, kind) => dealt.filter((each) => each === kind).length)
          expect(counts).toEqual(places === 0 ? shares.map(() => 0) : apportion(places, shares))
          expect(dealt).toHaveLength(places)
        },
      ),
    )
  })
  it('spreads a scarce kind', () => expect(deal(8, [5, 3])).toEqual([1, 0, 0, 1, 0, 0, 1, 0]))
  it('keeps kinds of equal share in turn', () => expect(deal(6, [1, 1])).toEqual([1, 0, 1, 0, 1, 0]))
})

describe('euclid', () => {
  it('keeps gaps within one of each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 60 }), (a, b) => {
        const [onsets, steps] = [Math.min(a, b), Math.max(a, b)]
        const at = euclid(onsets, steps).flatMap((hit, i) => (hit ? [i] : []))
        const gaps = at.map((place, i) => (at[i + 1] ?? steps + at[0]!) - place)
        expect(at).toHaveLength(onsets)
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(1)
      }),
    )
  })
  it('knows none and all', () => {
    expect(euclid(0, 3)).toEqual([false, false, false])
    expect(euclid(5, 3)).toEqual([true, true, true])
  })
})

it('makes the same numbers from the same seed', () => {
  const draw = (seed: number) => Array.from({ length: 5 }, random(seed).next)
  expect(draw(seedOf('fern', 3))).toEqual(draw(seedOf('fern', 3)))
  expect(draw(1)).not.toEqual(draw(2))
  const stream = random(5)
  for (let i = 0; i < 200; i++) {
    expect(stream.between(2, 3)).toSatisfy((x: number) => x >= 2 && x < 3)
    expect(stream.below(4)).toSatisfy((x: number) => Number.isInteger(x) && x >= 0 && x < 4)
    expect(Math.abs(stream.spread(2))).toBeLessThanOrEqual(2)
  }
})

it('lists and counts in words', () => {
  expect(listed([])).toBe('')
  expect(listed(['fir'])).toBe('fir')
  expect(listed(['fir', 'bay', 'ivy'])).toBe('fir, bay and ivy')
  expect(several(1, 'frond', 'fronds')).toBe('1 frond')
  expect(several(0, 'frond', 'fronds')).toBe('0 fronds')
  expect(capital('ivy')).toBe('Ivy')
})

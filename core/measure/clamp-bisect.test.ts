import fc from 'fast-check'
import { expect, it } from 'vitest'
import { bisect, clamp, greatestThat, leastThat } from './clamp-bisect'
import { kept } from './memoize'

it('holds a number within limits', () => expect([clamp(7, 0, 5), clamp(-7, 0, 5), clamp(3, 0, 5)]).toEqual([5, 0, 3]))
it('finds where a condition begins to hold: roots, against the machine’s own', () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-3, max: 1e6, noNaN: true }), (x) => {
      expect(bisect((r) => r * r >= x, 0, x + 1) / Math.sqrt(x)).toBeCloseTo(1, 9)
    }),
  )
})
it('finds the least and the greatest whole number, as looking at each of them does', () => {
  const some = fc.tuple(fc.integer({ min: -5, max: 40 }), fc.integer({ min: -8, max: 40 }), fc.integer({ min: -10, max: 45 }))
  fc.assert(
    fc.property(some, ([from, to, turn]) => {
      const all = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i)
      expect(leastThat(from, to, (n) => n >= turn)).toBe(all.find((n) => n >= turn) ?? null)
      expect(greatestThat(from, to, (n) => n <= turn)).toBe(all.filter((n) => n <= turn).at(-1) ?? null)
    }),
  )
})
it('keeps the answers that came last, and works the others out again', () => {
  let worked = 0
  const square = kept<number>(2)
  const ask = (n: number): number =>
    square(String(n), () => {
      worked += 1
      return n * n
    })
  expect([ask(2), ask(3), ask(2), worked]).toEqual([4, 9, 4, 2])
  expect([ask(4), ask(2), worked]).toEqual([16, 4, 4])
})

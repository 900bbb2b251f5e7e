import { describe, expect, it } from 'vitest'
import { apportion, euclid } from '../../core/measure'

const pattern = (hits: readonly boolean[]): string => hits.map((hit) => (hit ? 'x' : '.')).join('')

describe('Bjorklund’s patterns', () => {
  // Source: G. Toussaint, "The Euclidean algorithm generates traditional musical rhythms" (2005), section 4; patterns from memory.
  it.each([
    [2, 3, 'x.x'],
    [2, 5, 'x.x..'],
    [3, 4, 'x.xx'],
    [3, 5, 'x.x.x'],
    [3, 7, 'x.x.x..'],
    [3, 8, 'x..x..x.'],
    [4, 7, 'x.x.x.x'],
    [4, 9, 'x.x.x.x..'],
    [4, 11, 'x..x..x..x.'],
    [5, 6, 'x.xxxx'],
    [5, 7, 'x.xx.xx'],
    [5, 8, 'x.xx.xx.'],
    [5, 9, 'x.x.x.x.x'],
    [5, 11, 'x.x.x.x.x..'],
    [5, 12, 'x..x.x..x.x.'],
    [5, 16, 'x..x..x..x..x...'],
    [7, 8, 'x.xxxxxx'],
    [7, 12, 'x.xx.x.xx.x.'],
    [7, 16, 'x..x.x.x..x.x.x.'],
    [9, 16, 'x.xx.x.x.xx.x.x.'],
    [11, 24, 'x..x.x.x.x.x..x.x.x.x.x.'],
    [13, 24, 'x.xx.x.x.x.x.xx.x.x.x.x.'],
  ])('E(%i, %i) = %s', (onsets, steps, expected) => {
    // The paper gives some patterns from another starting onset: a rhythm is the same however it is turned.
    const turns = Array.from({ length: steps }, (_, i) => expected.slice(i) + expected.slice(0, i))
    expect(turns).toContain(pattern(euclid(onsets, steps)))
  })
  it('3 of 8 falls as the trade says: x..x..x.', () => expect(pattern(euclid(3, 8))).toBe('x..x..x.'))
})

describe('largest remainder', () => {
  // Source: the worked example of Hamilton's method in the literature on voting systems: 100 seats-votes case from memory:
  // votes 47000, 16000, 15900, 12000, 6000, 3100 over 10 seats give 5, 2, 1, 1, 1, 0.
  it('47000, 16000, 15900, 12000, 6000, 3100 over ten', () =>
    expect(apportion(10, [47000, 16000, 15900, 12000, 6000, 3100])).toEqual([5, 2, 1, 1, 1, 0]))
})

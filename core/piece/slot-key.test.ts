import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { slotKey, slotOf } from './slot-key'

describe('the key of a slot', () => {
  it.each([
    ['0', { run: null, place: '0', part: null }],
    ['3.1', { run: null, place: '3', part: '1' }],
    ['left/12', { run: 'left', place: '12', part: null }],
    ['right/12.0', { run: 'right', place: '12', part: '0' }],
    ['+a_b-c', { run: null, place: '+a_b-c', part: null }],
  ])('%s, as documents have it', (key, id) => {
    expect(slotOf(key)).toEqual(id)
    expect(slotKey(id)).toBe(key)
  })
  it('says what it was made of', () => {
    const word = fc.stringMatching(/^[+A-Za-z0-9_-]{1,12}$/)
    fc.assert(
      fc.property(fc.record({ run: fc.option(word), place: word, part: fc.option(word) }), (id) => {
        expect(slotOf(slotKey(id))).toEqual(id)
      }),
    )
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Changed, merged } from './merged'

interface Row {
  readonly name: string
  readonly note: string
  readonly counts: readonly number[]
  readonly extra?: string
}
const begun: Row = { name: 'Ring', note: '', counts: [1, 2] }

describe('what two wrote who began with the same', () => {
  it('is what each changed', () =>
    expect(merged(begun, { ...begun, note: 'mine' }, { ...begun, counts: [1, 3], extra: 'theirs' })).toEqual({
      name: 'Ring',
      note: 'mine',
      counts: [1, 3],
      extra: 'theirs',
    }))
  it('is mine where nobody else changed it, or it is gone', () => {
    const mine = { ...begun, name: 'Hoop' }
    expect([merged(begun, mine, begun), merged(begun, mine, undefined)]).toEqual([mine, mine])
  })
  it('stays theirs where I changed nothing', () => {
    const theirs = { ...begun, name: 'Hoop' }
    expect(merged(begun, begun, theirs)).toEqual(theirs)
  })
  it('is one thing where both changed the same alike', () => {
    const alike = { ...begun, counts: [2, 2] }
    expect(merged(begun, alike, structuredClone(alike))).toEqual(alike)
  })
  it('is not written where both changed the same otherwise', () =>
    expect(() => merged(begun, { ...begun, counts: [1, 9] }, { ...begun, counts: [1, 8] })).toThrow(Changed))
  it('is the same whoever is first, and loses nothing of either, or is refused to both', () => {
    const row = fc.record({ a: fc.integer({ max: 2, min: 0 }), b: fc.constantFrom('x', 'y'), c: fc.array(fc.boolean(), { maxLength: 2 }) })
    const tried = (...[of, mine, now]: readonly [object, object, object]): object | null => {
      try {
        return merged(of, mine, now)
      } catch {
        return null
      }
    }
    fc.assert(
      fc.property(row, row, row, (of, one, other) => {
        const both = tried(of, one, other)
        expect(tried(of, other, one)).toEqual(both)
        if (!both) return
        // Each field is what somebody made of it, or what it was where nobody did.
        for (const key of ['a', 'b', 'c'] as const) {
          const now = (both as typeof of)[key]
          const made = [one[key], other[key]].filter((value) => JSON.stringify(value) !== JSON.stringify(of[key]))
          expect(now).toEqual(made[0] ?? of[key])
        }
      }),
    )
  })
})

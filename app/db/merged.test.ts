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
})

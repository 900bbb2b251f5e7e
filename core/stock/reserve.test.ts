import { describe, expect, it } from 'vitest'
import type { Lot } from './lot'
import { baseLots, lotOf } from './lot'
import type { Asked, AskedBase } from './reserve'
import { giveBack, keepFor } from './reserve'

let made = 0
const newId = (): string => `n${made++}`
const asked = (set: Partial<Asked>): Asked => ({ material: 'ivy', things: 0, cut: [], rolls: new Map(), ...set })
/** How many things of each lot a piece has, by the lot or what it was parted from: "of" by their cut or place. */
function kept(lots: readonly Lot[], things: readonly Asked[], bases: readonly AskedBase[] = []): Record<string, number> {
  const { put } = keepFor('p', things, bases, lots, newId)
  const found: Record<string, number> = {}
  for (const lot of put) if (lot.reserved?.piece === 'p') found[lot.place || `${lot.cut}`] = lot.things ?? 1
  return found
}

describe('what is kept of what is cut already', () => {
  const lots = [lotOf('a', 'ivy', { things: 2, cut: 200 }), lotOf('b', 'ivy', { things: 2, cut: 100 })]
  it('serves the longest first, from the shortest that suits, so that each is served', () =>
    expect(
      kept(lots, [
        asked({
          cut: [
            { cut: 90, count: 2 },
            { cut: 180, count: 2 },
          ],
        }),
      ]),
    ).toEqual({ 200: 2, 100: 2 }))
  it('is no more than was asked for', () => expect(kept(lots, [asked({ cut: [{ cut: 90, count: 3 }] })])).toEqual({ 100: 2, 200: 1 }))
  it('is nothing that is too short', () => expect(kept(lots, [asked({ cut: [{ cut: 250, count: 1 }] })])).toEqual({}))
})

describe('what is kept of whole things', () => {
  const lots = [
    lotOf('many', 'ivy', { things: 9, place: 'many' }),
    lotOf('few', 'ivy', { things: 2, place: 'few' }),
    lotOf('some', 'ivy', { things: 4, place: 'some' }),
  ]
  it('is what is only a few first, and stops when there is enough', () => {
    expect(kept(lots, [asked({ things: 5 })])).toEqual({ few: 2, some: 3 })
    expect(kept(lots, [asked({ things: 2 })])).toEqual({ few: 2 })
    expect(kept(lots, [asked({ things: 0 })])).toEqual({})
    expect(kept(lots, [asked({ things: 99 })])).toEqual({ few: 2, some: 4, many: 9 })
  })
})

describe('what is kept of bare bases', () => {
  const house = baseLots('grapevine')
  const lots = [
    lotOf('wide', house, { things: 1, cut: 600, place: 'wide' }),
    lotOf('any', house, { things: 1, place: 'any' }),
    lotOf('right', house, { things: 1, cut: 456, place: 'right' }),
    lotOf('near', house, { things: 1, cut: 460, place: 'near' }),
  ]
  const base = (count: number): AskedBase => ({ kind: 'grapevine', width: 457, count })
  it('is the nearest in width first, then what is of no said width, and none that does not serve', () => {
    expect(kept(lots, [], [base(1)])).toEqual({ right: 1 })
    expect(kept(lots, [], [base(2)])).toEqual({ right: 1, near: 1 })
    expect(kept(lots, [], [base(9)])).toEqual({ right: 1, near: 1, any: 1 })
  })
})

describe('what is given back', () => {
  const mine = { reserved: { piece: 'p', want: null } }
  it('goes to the lot it is of, with what was paid; what is of none stands by itself', () => {
    const lots = [
      lotOf('other', 'bay', { things: 1 }),
      lotOf('a', 'ivy', { things: 5, paid: 50 }),
      lotOf('b', 'ivy', { things: 2, paid: 20, ...mine }),
      lotOf('c', 'ivy', { things: 3, cut: 100, ...mine }),
    ]
    expect(giveBack('p', lots)).toEqual([
      lotOf('other', 'bay', { things: 1 }),
      lotOf('a', 'ivy', { things: 7, paid: 70 }),
      lotOf('c', 'ivy', { things: 3, cut: 100 }),
    ])
  })
  it('goes to the first lot as well, and is not mixed with what has no known price', () => {
    expect(giveBack('p', [lotOf('a', 'ivy', { things: 5 }), lotOf('b', 'ivy', { things: 2, ...mine })])).toEqual([
      lotOf('a', 'ivy', { things: 7 }),
    ])
    expect(giveBack('p', [lotOf('a', 'ivy', { things: 5, paid: 50 }), lotOf('b', 'ivy', { things: 2, ...mine })])).toHaveLength(2)
  })
  it('asks for nothing to be written where a piece keeps as much as it did, in however many lots', () => {
    const lots = [lotOf('a', 'ivy', { things: 2, place: 'x', ...mine }), lotOf('b', 'ivy', { things: 3, place: 'y', ...mine })]
    expect(keepFor('p', [asked({ things: 5 })], [], lots, newId)).toEqual({ put: [], gone: [] })
    expect(keepFor('p', [asked({ things: 4 })], [], lots, newId).put.length).toBeGreaterThan(0)
  })
})

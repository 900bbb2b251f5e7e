import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Lot } from './lot'
import { counted, cutFrom, cutOf, lengthsOf, LotSchema, thingsOf } from './lot'

const lot = (set: Partial<Lot>): Lot => ({
  id: 'a',
  material: 'r',
  things: 2,
  length: null,
  source: { kind: 'counted' },
  paid: null,
  reserved: null,
  ...set,
})
const ribbon = { id: 'r', length: 900 }

describe('what is in the house', () => {
  const lots = [
    lot({}),
    lot({ id: 'b', things: null, length: 300 }),
    lot({ id: 'c', things: null, length: 100, reserved: 'w' }),
    lot({ id: 'd', material: 'other', things: 5 }),
  ]
  it('counts whole things, and what there is to cut from, but nothing that is reserved', () => {
    expect(thingsOf(lots, 'r')).toBe(2)
    expect(lengthsOf(lots, ribbon)).toEqual([
      { id: 'b', length: 300, count: 1 },
      { id: 'a', length: 900, count: 2 },
    ])
    expect(cutOf(lots, 'r')).toEqual([{ id: 'c', want: 'w', length: 100 }])
  })
  it('is of whole things or of one length, never both or neither', () => {
    expect(lots.map((each) => LotSchema.safeParse(each).success)).toEqual([true, true, true, true])
    expect(
      [lot({ length: 3 }), lot({ things: null }), lot({ things: 0 }), lot({ things: null, length: -1 })].map(
        (each) => LotSchema.safeParse(each).success,
      ),
    ).toEqual([false, false, false, false])
  })
})

describe('a count', () => {
  it('puts all that nothing has in one lot, and leaves lengths and what is reserved', () => {
    const lots = [
      lot({ paid: 500 }),
      lot({ id: 'b', things: 7 }),
      lot({ id: 'c', things: 1, reserved: 'w' }),
      lot({ id: 'd', things: null, length: 3 }),
    ]
    expect(counted(lots, 'r', 9)).toEqual({ put: [lot({ things: 9 })], gone: ['b'] })
    expect(counted([lots[0]!], 'r', 3).put).toEqual([lot({ things: 3, paid: 500 })])
    expect(counted(lots, 'r', 0)).toEqual({ put: [], gone: ['a', 'b'] })
    expect(counted([], 'r', 1).put).toEqual([lot({ id: 'counted:r', things: 1 })])
  })
})

describe('a cut', () => {
  const newId = (): string => 'new'
  it('leaves the piece and the rest, and what was paid goes by the length', () => {
    const { piece, rest } = cutFrom({ material: 'r', from: 'a', length: 900, cut: 300, want: 'w', least: 150, paid: 600 }, newId)
    expect([piece, rest]).toMatchObject([
      { length: 300, reserved: 'w', paid: 200, source: { kind: 'cut', from: 'a' } },
      { length: 600, reserved: null, paid: 400 },
    ])
  })
  it('pays for waste by the piece', () => {
    expect(cutFrom({ material: 'r', from: 'a', length: 900, cut: 800, want: 'w', least: 150, paid: 600 }, newId)).toMatchObject({
      piece: { paid: 600 },
      rest: null,
    })
  })
  it('loses neither length nor money', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9000 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.integer({ min: 0, max: 5000 }),
        (length, share, paid) => {
          const { piece, rest } = cutFrom({ material: 'r', from: null, length, cut: length * share, want: 'w', least: 0, paid }, newId)
          expect((piece.paid ?? 0) + (rest?.paid ?? 0)).toBe(paid)
          if (rest) expect(piece.length! + rest.length!).toBeCloseTo(length, 1)
        },
      ),
    )
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainShelf } from '../material'
import type { Lot } from './lot'
import {
  baseLots,
  counted,
  cutFrom,
  cutOf,
  wantKey,
  cutThingsOf,
  fits,
  fromCut,
  hereOf,
  lengthsOf,
  lotName,
  lotOf,
  lotsOf,
  LotSchema,
  parted,
  plentyOf,
  servesAs,
  thingsOf,
} from './lot'

const lot = (set: Partial<Lot>): Lot => ({ ...lotOf('a', 'r', { things: 2 }), ...set })
const ribbon = { id: 'r', length: 900 }
const cutForW = { piece: null, want: 'w' }

describe('what is in the house', () => {
  const lots = [
    lot({}),
    lot({ id: 'b', things: null, length: 300 }),
    lot({ id: 'c', things: null, length: 100, reserved: cutForW }),
    lot({ id: 'd', material: 'other', things: 5 }),
    lot({ id: 'e', things: 1, reserved: { piece: 'p', want: null } }),
  ]
  it('counts whole things, and what there is to cut from, but nothing that is another’s', () => {
    expect(thingsOf(lots, 'r')).toBe(2)
    expect(lengthsOf(lots, ribbon)).toEqual([
      { id: 'b', length: 300, count: 1 },
      { id: 'a', length: 900, count: 2 },
    ])
    expect(cutOf(lots, 'r')).toEqual([{ id: 'c', want: wantKey(cutForW), length: 100 }])
  })
  it('counts for a piece what is kept for it as well', () => {
    expect([thingsOf(lots, 'r', 'p'), thingsOf(lots, 'r', 'q')]).toEqual([3, 2])
    expect(lengthsOf(lots, ribbon, 'p').map(({ id }) => id)).toEqual(['b', 'a', 'e'])
  })
  it('is without what went into a piece that hangs, and with what was cut for the list', () => {
    expect(hereOf(lots, new Set(['p'])).map(({ id }) => id)).toEqual(['a', 'b', 'c', 'd'])
    expect(hereOf(lots, new Set())).toBe(lots)
  })
  it('is of whole things or of one length, never both or neither', () => {
    expect(lots.map((each) => LotSchema.safeParse(each).success)).toEqual([true, true, true, true, true])
    expect(
      [lot({ length: 3 }), lot({ things: null }), lot({ things: 0 }), lot({ things: null, length: -1 })].map(
        (each) => LotSchema.safeParse(each).success,
      ),
    ).toEqual([false, false, false, false])
  })
  it('knows bare bases by kind and width: one that is half an inch off serves', () => {
    const ring = lotOf('r', baseLots('wire-ring'), { cut: 350 })
    expect([350, 362, 364, 330].map((width) => servesAs(ring, width))).toEqual([true, true, false, false])
    expect(lotsOf([ring], baseLots('straw'))).toEqual([])
    expect([lotName(ring, plainShelf()), lotName(lotOf('i', 'ivy', { things: 3 }), plainShelf())]).toEqual(['wire ring', 'ivy trails'])
    expect([fits(ring, plainShelf()), fits({ ...ring, length: 3 }, plainShelf()), fits(lotOf('x', 'nothing', {}), plainShelf())]).toEqual([
      true,
      false,
      false,
    ])
  })
})

describe('what is cut already', () => {
  it('serves what is as short or shorter, and the longest wants are served first', () => {
    const things = cutThingsOf(
      [lot({ id: 'l', things: 2, cut: 200 }), lot({ id: 's', things: 3, cut: 100 }), lot({ id: 'w', things: 9 })],
      'r',
    )
    expect(things).toEqual([
      { cut: 100, count: 3 },
      { cut: 200, count: 2 },
    ])
    expect(
      fromCut(
        [
          { cut: 90, count: 4 },
          { cut: 180, count: 1 },
          { cut: null, count: 5 },
          { cut: 250, count: 1 },
        ],
        things,
      ),
    ).toEqual([4, 1, 0, 0])
  })
  it('serves as many as can be: against every way to deal them out', () => {
    const most = (wants: readonly number[], things: readonly number[]): number => {
      const [first, ...rest] = wants
      if (first === undefined) return 0
      return Math.max(
        most(rest, things),
        ...things.flatMap((each, i) =>
          each >= first
            ? [
                1 +
                  most(
                    rest,
                    things.filter((_, k) => k !== i),
                  ),
              ]
            : [],
        ),
      )
    }
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 6 }), { maxLength: 5 }),
        fc.array(fc.integer({ min: 1, max: 6 }), { maxLength: 5 }),
        (wants, things) => {
          const had = fromCut(
            wants.map((cut) => ({ cut, count: 1 })),
            [...things].sort((a, b) => a - b).map((cut) => ({ cut, count: 1 })),
          )
          expect(had.reduce((n, each) => n + each, 0)).toBe(most(wants, things))
        },
      ),
    )
  })
})

describe('plenty of lengths', () => {
  const house = (...lots: readonly (readonly [length: number, count: number])[]) =>
    lots.map(([length, count], i) => ({ id: `h${i}`, length, count }))
  it('takes those where least is left over, and no more of several than it needs', () => {
    // 300 and 250 go into the one of 560, 250 into the other of them; the roll of 900 stays whole.
    expect(
      plentyOf(
        [
          { length: 300, count: 1 },
          { length: 250, count: 2 },
        ],
        house([560, 3], [900, 1]),
      ),
    ).toEqual([{ id: 'h0', length: 560, count: 2 }])
    expect(plentyOf([{ length: 300, count: 2 }], house([300, 1], [290, 5]))).toBeNull()
    expect(plentyOf([], house([300, 1]))).toEqual([])
  })
  it('what it takes holds all of it: against every way to put them in', () => {
    const fits = (wants: readonly number[], rests: readonly number[]): boolean => {
      const [first, ...others] = wants
      return (
        first === undefined ||
        rests.some(
          (rest, i) =>
            rest >= first &&
            fits(
              others,
              rests.map((each, k) => (k === i ? each - first : each)),
            ),
        )
      )
    }
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 4 }),
        fc.array(fc.tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 2 })), { maxLength: 3 }),
        (wants, lots) => {
          const there = house(...lots)
          const found = plentyOf(
            wants.map((length) => ({ length, count: 1 })),
            there,
          )
          if (!found) return
          for (const lot of found) expect(lot.count).toBeLessThanOrEqual(there.find(({ id }) => id === lot.id)!.count)
          expect(
            fits(
              wants,
              found.flatMap(({ length, count }) => Array.from({ length: count }, () => length)),
            ),
          ).toBe(true)
        },
      ),
    )
  })
})

describe('a count', () => {
  it('adds to the first what is more, takes from the last what is fewer, and leaves lengths and what is reserved', () => {
    const lots = [
      lot({ paid: 500 }),
      lot({ id: 'b', things: 7, paid: 70 }),
      lot({ id: 'c', things: 1, reserved: cutForW }),
      lot({ id: 'd', things: null, length: 3 }),
      lot({ id: 'e', things: 4, cut: 60 }),
    ]
    expect(counted(lots, 'r', 12)).toEqual({ put: [lot({ things: 5, paid: null })], gone: [] })
    expect(counted(lots, 'r', 9)).toEqual({ put: [], gone: [] })
    expect(counted(lots, 'r', 6)).toEqual({ put: [lot({ id: 'b', things: 4, paid: 40 })], gone: [] })
    expect(counted(lots, 'r', 1)).toEqual({ put: [lot({ things: 1, paid: 250 })], gone: ['b'] })
    expect(counted(lots, 'r', 0)).toEqual({ put: [], gone: ['b', 'a'] })
    expect(counted([], 'r', 1).put).toEqual([lotOf('counted:r', 'r', { things: 1 })])
  })
})

describe('a lot in two parts', () => {
  it('loses neither things nor money', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 500 }),
        fc.integer({ min: 0, max: 99_999 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (n, paid, share) => {
          const took = 1 + Math.floor(share * (n - 2))
          const [taken, rest] = parted(lot({ things: n, paid }), took, () => 'new')
          expect([taken.id, rest.id, taken.things, taken.things! + rest.things!, taken.paid! + rest.paid!]).toEqual([
            'new',
            'a',
            took,
            n,
            paid,
          ])
        },
      ),
    )
  })
})

describe('a cut', () => {
  const newId = (): string => 'new'
  const from = lot({ things: 1, place: 'drawer', day: '2026-01-02' })
  it('leaves the piece and the rest, and what was paid goes by the length', () => {
    const { piece, rest } = cutFrom({ lot: from, material: 'r', length: 900, cut: 300, want: cutForW, least: 150, paid: 600 }, newId)
    expect([piece, rest]).toMatchObject([
      { length: 300, things: null, reserved: cutForW, paid: 200, source: { kind: 'cut', from: 'a' }, place: 'drawer' },
      { length: 600, reserved: null, paid: 400, day: '2026-01-02' },
    ])
  })
  it('pays for waste by the piece', () => {
    expect(cutFrom({ lot: null, material: 'r', length: 900, cut: 800, want: cutForW, least: 150, paid: 600 }, newId)).toMatchObject({
      piece: { paid: 600 },
      rest: null,
    })
  })
  it('leaves what is left to the piece that it was kept for', () => {
    const kept = { ...from, reserved: { piece: 'p', want: null } }
    expect(
      cutFrom({ lot: kept, material: 'r', length: 900, cut: 300, want: { piece: 'p', want: 'p:a' }, least: 9, paid: null }, newId),
    ).toMatchObject({
      piece: { reserved: { want: 'p:a' } },
      rest: { reserved: { piece: 'p', want: null } },
    })
  })
  it('has no price of its own where none was paid, neither the piece nor the rest', () => {
    const { piece, rest } = cutFrom({ lot: null, material: 'r', length: 900, cut: 300, want: cutForW, least: 9, paid: null }, newId)
    expect([piece.paid, rest!.paid]).toEqual([null, null])
  })
  it('loses neither length nor money', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9000 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        fc.integer({ min: 0, max: 5000 }),
        (length, share, paid) => {
          const { piece, rest } = cutFrom({ lot: null, material: 'r', length, cut: length * share, want: cutForW, least: 0, paid }, newId)
          expect((piece.paid ?? 0) + (rest?.paid ?? 0)).toBe(paid)
          if (rest) expect(piece.length! + rest.length!).toBeCloseTo(length, 1)
        },
      ),
    )
  })
})

import { describe, expect, it } from 'vitest'
import { inches, say } from '../measure'
import type { Piece } from '../piece'
import { edit } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'

const manner = { units: 'in', currency: 'USD' } as const
const found = (piece: Piece, id: RegExp) => work(piece, shelf).problems.filter((problem) => id.test(problem.id))
const mended = (piece: Piece, id: RegExp): Piece => {
  const edited = edit(piece, found(piece, id)[0]!.mends[0]!.edit!, 'mend')
  if (!edited.ok) throw new Error(edited.error)
  return edited.change.piece
}

describe('finishedSize', () => {
  it('is the base’s own when it is bare', () => {
    expect(work(pieceWith([]), shelf).size).toMatchObject({ width: { value: inches(12) }, height: { value: inches(12) } })
  })
  it('counts tails that hang below, and a stem as it lies, not as a box of its longest', () => {
    const bow = {
      kind: 'bow' as const,
      at: 0.5,
      means: 'visible' as const,
      ends: 'straight' as const,
      hem: 0,
      tied: 'stem-wire-20' as const,
      fixes: true,
      ribbons: [
        {
          build: 'hand' as const,
          loops: 4,
          loop: inches(3),
          taper: 0,
          groups: null,
          tails: [inches(24), inches(24)] as [number, number],
          centre: 0,
          twist: 12,
        },
      ],
    }
    // By hand: tied 5 in below the middle; tails fall 24 in, a little to the side: cos 18° of it at least.
    const { size } = work(pieceWith([layerOf('bow', 'ribbon-slate', bow)]), shelf)
    expect(size.bottom / 25.4).toBeGreaterThan(5 + 24 * Math.cos(Math.PI / 10) - 0.2)
    expect(size.bottom / 25.4).toBeLessThan(5 + 24 + 1.5)
    // A slanting wheat ear of 11 by 1.4 in reaches about 11 sin 45° + half of 1.4 cos 45° to the right of its foot, not half of 11 more.
    const slant = work(
      pieceWith([layerOf('a', 'wheat', { kind: 'single', at: 0.25, drop: 0 }, { flow: 'outward', lean: 45, across: 0 })]),
      shelf,
    ).size
    expect(slant.right / 25.4).toBeGreaterThan(5 + 0.85 * 11 * Math.SQRT1_2)
    expect(slant.right / 25.4).toBeLessThan(5 + 0.95 * 11 * Math.SQRT1_2 + 0.7)
  })
  it('reaches as far as the stems do', () => {
    const { size } = work(pieceWith([layerOf('a', 'bracken', { kind: 'single', at: 0.25, drop: 0 }, { flow: 'outward' })]), shelf)
    expect(size.right).toBeCloseTo(inches(5) + 0.9 * inches(12), 4)
    expect(size.left).toBeCloseTo(-inches(6), 9)
  })
})

describe('the door', () => {
  const wide = (door: number) =>
    pieceWith([], { brief: { door: { width: inches(door), height: inches(80) } }, ring: { outer: inches(24), inner: inches(18) } })
  it('takes two thirds of its width', () => {
    expect(found(wide(36), /^door$/)).toEqual([])
    expect(found(wide(35), /^door$/)).toMatchObject([{ severity: 'care' }])
    expect(found(wide(20), /^door$/)).toMatchObject([{ severity: 'fault' }])
  })
  it('offers the largest usual base that fits', () => {
    expect(mended(wide(35), /^door$/).base.shape).toEqual({ form: 'ring', outer: inches(18), inner: inches(13) })
    expect(found(mended(wide(35), /^door$/), /^door$/)).toEqual([])
  })
})

it('says what will not stand rain, and offers cover', () => {
  const piece = pieceWith(
    [layerOf('a', 'wheat', { kind: 'compass', count: 4, start: 0 }), layerOf('b', 'fir', { kind: 'compass', count: 4, start: 0 })],
    { brief: { weather: 'open' } },
  )
  expect(say(found(piece, /^weather$/)[0]!.says, manner)).toBe('Wheat ears will not stand rain.')
  expect(found(mended(piece, /^weather$/), /^weather$/)).toEqual([])
})

describe('what hangs inside', () => {
  const hung = (drop: number, material = 'ticket-sign') =>
    pieceWith([layerOf('a', material, { kind: 'single', at: 0, drop })], { ring: { outer: inches(14), inner: inches(13) } })
  it('touches the ring when it hangs too high, and goes to the middle', () => {
    expect(found(hung(inches(1)), /hole$/)).toHaveLength(1)
    const middle = mended(hung(inches(1)), /hole$/)
    expect(found(middle, /hole$/)).toEqual([])
    expect(work(middle, shelf).placements[0]!.y).toBeCloseTo(0, 9)
  })
  it('cannot be helped when it is larger than the hole', () => {
    expect(found(hung(inches(5), 'oar-sign'), /hole$/)[0]!.mends[0]!.edit).toBeNull()
  })
})

describe('a door’s handle', () => {
  // By hand: half of a door 30 in wide less the 2¾ in that its handle is from the edge leaves 12¼ in; the handle is 38 in up.
  const inTheWay = (outer: number, high: number) =>
    found(
      pieceWith([], {
        ring: { outer: inches(outer), inner: inches(outer - 4) },
        brief: { surface: { kind: 'door', colour: '#445566' }, door: { width: inches(30), height: inches(high) } },
      }),
      /^hanger:handle$/,
    ).length
  it('is in the way of what is wider there than there is room, and of nothing else', () => {
    expect(inTheWay(25, 60)).toBe(1)
    expect(inTheWay(24, 60)).toBe(0)
    // Seven tenths up a door 84 in high, both hang well over it.
    expect(inTheWay(25, 84)).toBe(0)
    // As high as it is, on a door so low that all of it hangs under the handle.
    expect(inTheWay(25, 30)).toBe(0)
  })
})

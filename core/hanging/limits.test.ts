import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, runsOf, topOf, usualBase } from '../base'
import { CATALOGUE } from '../material'
import type { Hanger, Piece } from '../piece'
import { EACH, PieceSchema } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { loopsFor } from './hanger-catalogue'
import { restAngle, turnedAbout } from './rest-angle'

/** What a maker relies on, at its limits: nothing, one, very many; open runs and closed ones. */
const hung = (piece: Piece) => work(piece, shelf).hung
const hanger = (piece: Piece, set: Partial<Hanger> = {}): Piece => {
  const runs = runsOf(piece.base)
  const { run, s } = topOf(runs)
  const [loop] = loopsFor(piece)
  return { ...piece, hanger: { ...piece.hanger!, loop: loop!.id, hook: loop!.hooks[0]!, run: run.id, at: s / run.length, ...set } }
}

describe('every base, bare, with one thing and with many', () => {
  it.each(BASE_KINDS)('%s', (kind) => {
    const base = usualBase(kind)
    for (const count of [0, 1, 60]) {
      const piece = hanger(pieceWith(count ? [layerOf('a', 'daisy', { kind: 'compass', count, start: 0 }, { run: EACH })] : [], { base }))
      expect(PieceSchema.safeParse(piece).success).toBe(true)
      const { mass, hung: how, needs, schedule, tasks } = work(piece, shelf)
      // The parts are the whole.
      expect(mass.parts.reduce((all, part) => all + part.figure.value, 0)).toBeCloseTo(mass.whole.value, 6)
      for (const { at } of mass.parts) expect([Number.isFinite(at.x), Number.isFinite(at.y)]).toEqual([true, true])
      // What turns hangs straight below what it turns about, once it is turned.
      if (how.rest && how.pivot && mass.centre) {
        const { x } = turnedAbout({ x: mass.centre.x.value, y: mass.centre.y.value }, how.pivot, how.rest.value)
        expect(x).toBeCloseTo(how.pivot.x, 6)
        expect(how.hook!.y).toBeLessThanOrEqual(how.pivot.y)
      }
      expect(how.depth.value).toBeGreaterThan(0)
      for (const need of needs)
        expect(need.of === 'lengths' ? need.length * need.count : need.count, `${need.material} ${need.use}`).toBeGreaterThan(0)
      expect(schedule.booked).toHaveLength(tasks.length)
      expect(schedule.booked.every(({ begins, handsOff, done }) => begins <= handsOff && handsOff <= done)).toBe(true)
    }
  })
})

describe('a mirror image', () => {
  it('hangs as far the other way', () => {
    for (const at of [0.1, 0.2, 0.35]) {
      const [right, left] = [at, 1 - at].map(
        (place) => hung(pieceWith([layerOf('a', 'skep', { kind: 'single', at: place, drop: 0 })])).rest!.value,
      )
      expect(right! + left!).toBeCloseTo(0, 6)
    }
  })
})

describe('the rest angle', () => {
  it('is the same however heavy all of it is, and moves with nothing but where its weight lies', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -300, max: 300 }),
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: -500, max: 500 }),
        (x, y, shift) => {
          expect(restAngle({ x: shift, y: shift }, { x: x + shift, y: y + shift })).toBeCloseTo(restAngle({ x: 0, y: 0 }, { x, y }), 9)
          expect(restAngle({ x: 0, y: 0 }, { x: -x, y })).toBeCloseTo(-restAngle({ x: 0, y: 0 }, { x, y }), 9)
        },
      ),
    )
  })
  it('of weight straight below is none, straight to the side a quarter', () => {
    expect(restAngle({ x: 0, y: 0 }, { x: 0, y: 5 })).toBe(0)
    expect(restAngle({ x: 0, y: 0 }, { x: 5, y: 0 })).toBe(90)
  })
})

describe('what a hook may carry', () => {
  const weighing = (grams: number, set: Partial<Hanger>) => {
    const piece = hanger(pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 3, start: 0 })]), set)
    return work({ ...piece, weighed: [{ what: 'whole', grams, of: 1 }] }, shelf).problems.find(({ id }) => id === 'hanger:load')?.severity
  }
  it('met exactly is met; a gram over is to be taken care of; over its rating is a fault', () => {
    expect([
      weighing(500, { rated: 1000 }),
      weighing(501, { rated: 1000 }),
      weighing(1000, { rated: 1000 }),
      weighing(1001, { rated: 1000 }),
    ]).toEqual([undefined, 'care', 'care', 'fault'])
  })
  it('half of what such a hook usually bears, where no packet says it (rule of thumb: a nail bears 4.5 kg)', () => {
    expect([weighing(2250, { hook: 'nail' }), weighing(2251, { hook: 'nail' })]).toEqual([undefined, 'care'])
  })
  it('several readings are shared out: five cones of 60 g are twelve each', () => {
    const piece = pieceWith([layerOf('a', 'skep', { kind: 'single', at: 0, drop: 0 })])
    const { mass } = work({ ...piece, weighed: [{ what: 'skep', grams: 60, of: 5 }] }, shelf)
    expect(mass.parts.find(({ material }) => material === 'skep')!.figure.value).toBe(12)
    expect(CATALOGUE['skep']!.mass).not.toBe(12)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { advanceForCount, advanceForOverlap, overlapped } from '../placement'
import { runsOf, usualBase } from '../base'
import { inches, say, showSum } from '../measure'
import type { Layer, Rule } from '../piece'
import { mirrorPiece } from '../piece'
import { layerOf, pieceWith, shelf, takesOf } from '../testing'
import { work } from '../workings'
import { lastQuarter, remaining, wrapsOf } from './bundles'

const manner = { units: 'in', currency: 'USD' } as const
const bundles = (set: Partial<Extract<Rule, { kind: 'bundles' }>> = {}): Rule => ({
  kind: 'bundles',
  start: 0,
  advance: inches(3.5),
  sprigs: 4,
  wraps: 2,
  bound: inches(1),
  faces: 1,
  ...set,
})
const boughs = (set: Partial<Extract<Rule, { kind: 'boughs' }>> = {}): Rule => ({
  kind: 'boughs',
  overlap: inches(6),
  yields: inches(40),
  ...set,
})
/** A ring whose centre circle is so wide, inches. */
const ring = (centre: number, rule: Rule, set: Partial<Layer> = {}) =>
  pieceWith([layerOf('a', 'bay', rule, { cut: inches(7), ...set })], { ring: { outer: inches(centre + 1), inner: inches(centre - 1) } })
const made = (piece: Parameters<typeof work>[0], id: string) =>
  work(piece, shelf).layers[0]!.makeUp!.figures.find((each) => each.id === id)!.figure
const door = { ...usualBase('door-garland'), shape: { form: 'door' as const, width: inches(38), height: inches(84), face: inches(8) } }

describe('bundles on a ring', () => {
  it('count and advance give each other, with the sum', () => {
    const piece = ring(13, bundles())
    expect(made(piece, 'bundles').value).toBe(12)
    expect(made(piece, 'advance').value / 25.4).toBeCloseTo(3.4, 2)
    expect(showSum(made(piece, 'bundles'), manner)).toBe('⌈centre line 40.84 in ÷ 3.5 in⌉ = 12')
    expect(made(piece, 'overlap').value).toBeCloseTo(1 - 3.4034 / 7, 3)
    expect(made(piece, 'sprigs').value).toBe(48)
    const { run, length } = { run: { closed: true, length: Math.PI * inches(13) }, length: inches(7) }
    expect(overlapped(run, length, advanceForCount(run, length, 12)!).count).toBe(12)
    expect(advanceForOverlap(length, 0.5)).toBeCloseTo(inches(3.5))
    for (const overlap of [1, 1.2, -0.1]) expect(advanceForOverlap(length, overlap)).toBeNull()
  })
  it('any count asked for is the count that comes, on closed and open runs', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 200 }),
        fc.double({ min: 200, max: 9000, noNaN: true }),
        fc.double({ min: 20, max: 150, noNaN: true }),
        fc.boolean(),
        (count, length, piece, closed) => {
          const advance = advanceForCount({ closed, length }, piece, count)!
          expect(overlapped({ closed, length }, piece, advance).count).toBe(count)
        },
      ),
    )
  })
  it('are drawn against the way they point, the last under the first', () => {
    const { placements } = work(ring(13, bundles(), { flow: 'clockwise' }), shelf)
    expect(placements).toHaveLength(48)
    expect(placements[0]!.slot).toBe('11.0')
    const middle = (bundle: number) =>
      placements.filter(({ slot }) => slot.startsWith(`${bundle}.`)).reduce((sum, { x, y }) => [sum[0]! + x, sum[1]! + y], [0, 0])
    const [first, second] = [middle(0), middle(1)]
    expect(first[0]! * second[1]! - first[1]! * second[0]!).toBeLessThan(0)
    const other = work(ring(13, bundles(), { flow: 'anticlockwise' }), shelf).placements.find(({ slot }) => slot === '1.0')!
    expect(other.s).toBeLessThan(inches(8))
  })
  it('spread what is scarce over the bundles', () => {
    const piece = ring(13, bundles(), {
      mix: [
        { material: 'bay', share: 1, only: null },
        { material: 'sage', share: 1, only: 6 },
      ],
    })
    const holding = work(piece, shelf)
      .placements.filter(({ material }) => material === 'sage')
      .map(({ slot }) => Number(slot.split('.')[0]))
    expect(new Set(holding).size).toBe(6)
  })
  it('wrap twice at the start and in the last quarter, and reckon the wire', () => {
    expect(lastQuarter(12)).toBe(10)
    expect(wrapsOf(12, 1, shelf)).toBe(2 + 9 + 3 * 2)
    expect(wrapsOf(12, 3, shelf)).toBe(2 + 36)
    const wire = made(ring(13, bundles({ wraps: 2 })), 'wire').value
    expect(wire / 25.4).toBeCloseTo(26 * Math.PI * 1 + Math.PI * 13 + 8, 3)
  })
  it('tell how many remain over a gap, and from when on they are wrapped twice', () => {
    expect(remaining(6, inches(13), inches(3.4))).toEqual({ bundles: 4, twice: 3 })
    expect(remaining(0, inches(40), inches(3.4))).toEqual({ bundles: 12, twice: 3 })
    for (const [done, gap, advance] of [
      [0, 0, 10],
      [0, -5, 10],
      [0, 10, 0],
      [-1, 10, 5],
      [0, Number.NaN, 5],
    ] as const)
      expect(remaining(done, gap, advance)).toBeNull()
  })
  it('say what is wrong: an advance longer than a sprig, more than there may be', () => {
    const thin = work(ring(13, bundles({ advance: inches(9) })), shelf).problems.find(({ id }) => id === 'a:advance')!
    expect(say(thin.says, manner)).toContain('leave the frame bare')
    expect(thin.mends[0]!.edit).toMatchObject({ set: { rule: { advance: expect.closeTo(inches(3.5)) } } })
    const many = work(ring(13, bundles({ advance: 5, sprigs: 40 })), shelf)
    expect(many.problems.map(({ id }) => id)).toContain('a:many')
    expect(many.placements.length).toBe(480)
  })
  it('are counted run by run where runs differ, and one alone overlaps nothing', () => {
    const gourd = pieceWith([layerOf('a', 'bay', bundles({ advance: inches(3) }), { cut: inches(4), run: 'each' })], {
      base: usualBase('gourd'),
    })
    const worked = work(gourd, shelf)
    const runs = runsOf(gourd.base)
    expect(new Set(runs.map(({ length }) => Math.round(length))).size).toBeGreaterThan(1)
    expect(made(gourd, 'sprigs').value).toBe(worked.placements.length)
    const takes = takesOf(worked.layers[0]!.makeUp!)
    expect(new Set(takes.map(({ use }) => use)).size).toBe(runs.length)
    expect(takes.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(made(gourd, 'wire').value, 6)
    const alone = work(ring(13, bundles({ advance: 2000 })), shelf).layers[0]!.makeUp!.figures
    expect(alone.find(({ id }) => id === 'bundles')!.figure.value).toBe(1)
    expect(alone.map(({ id }) => id)).not.toContain('overlap')
  })
  it('go into the steps, and to the other of a pair', () => {
    const piece = ring(13, bundles({ start: 0.1 }))
    const step = work(piece, shelf).tasks.find(({ layer }) => layer === 'a')!
    expect(step.says.map((each) => say(each, manner)).join(' ')).toContain('Bind 12 bundles of 4, 3⅜ in from one to the next')
    const [here, there] = [work(piece, shelf), work(mirrorPiece(piece, 'b', 'B'), shelf)]
    for (const each of here.placements) {
      const image = there.placements.find(({ slot }) => slot === each.slot)!
      expect([image.x, image.y]).toEqual([expect.closeTo(-each.x, 3), expect.closeTo(each.y, 3)])
    }
  })
})

describe('a bough garland', () => {
  const garland = (rule: Rule) => pieceWith([layerOf('a', 'fir', rule, { cut: inches(16), run: 'each' })], { base: door })
  it('round a door takes ten pieces a side and five boughs', () => {
    const piece = garland(boughs())
    const [run, other] = runsOf(door)
    expect(other!.length).toBeCloseTo(run!.length)
    const each = Math.ceil((run!.length - inches(16)) / inches(10)) + 1
    expect(made(piece, 'pieces').value).toBe(2 * each)
    expect(made(piece, 'per-bough').value).toBeCloseTo(4, 9)
    expect(made(piece, 'boughs').value).toBe(Math.ceil((2 * each) / 4))
    expect(made(piece, 'ties').value).toBe(2 * each)
    expect(work(piece, shelf).placements).toHaveLength(2 * each)
  })
  it('counts a door of 84 by 38 in in one run as the trade does: 206 in, 20 pieces of 16 in, overlapped by 6 in', () => {
    expect(overlapped({ closed: false, length: inches(206) }, inches(16), inches(10))).toEqual({
      count: 20,
      step: expect.closeTo(inches(10)),
    })
  })
  it('cannot overlap by as much as a piece is long', () => {
    const { problems, placements, layers } = work(garland(boughs({ overlap: inches(16) })), shelf)
    expect(problems.map(({ id }) => id)).toContain('a:overlap')
    expect(placements).toEqual([])
    expect(layers[0]!.makeUp).toBeNull()
  })
})

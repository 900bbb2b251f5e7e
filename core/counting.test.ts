import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../tests/amount'
import { runsOf } from './base'
import type { Countable } from './counting'
import { betweenOf, countablesOf, MOST_OPEN, sharingEdit, sharingsOf } from './counting'
import { inches } from './measure'
import { edit } from './piece'
import type { Layer, Piece, Rule } from './piece'
import { arrange } from './placement'
import { layerOf, pieceWith, shelf } from './testing'

const laidOn = (piece: Piece) => {
  const runs = runsOf(piece.base)
  return { piece, runs, shelf, laid: arrange(piece, runs, shelf) }
}
const layer = (id: string, rule: Rule, material = 'dahlia', set: Partial<Layer> = {}): Layer => layerOf(id, material, rule, set)
const countable = (id: string, now: number, counts: readonly number[]): Countable => ({
  layer: id,
  now,
  each: 1,
  options: counts.map((count) => ({ count, rule: { kind: 'compass', count, start: 0 } })),
})

describe('a number shared among layers', () => {
  it('fifteen things, ends of two and clusters of three: n = 2 + 3k', () => {
    const piece = pieceWith([
      layer('ends', { kind: 'compass', count: 2, start: 0 }),
      layer('groups', { kind: 'cluster', at: [0.2, 0.7], size: 3 }, 'pine-cone'),
    ])
    const all = countablesOf(laidOn(piece), 15)
    expect(all.map(({ layer: id, now, each }) => [id, now, each])).toEqual([
      ['ends', 2, 1],
      ['groups', 6, 3],
    ])
    // By hand: (15 - 2) ÷ 3 = 4 clusters and one left over.
    const [best, next] = sharingsOf(all, new Set(['groups']), 15)
    expect(best).toEqual({ counts: [2, 12], used: 14, left: 1 })
    expect(next).toEqual({ counts: [2, 9], used: 11, left: 4 })
    const done = edit(piece, sharingEdit(all, best!), 'share')
    if (!done.ok) throw new Error(done.error)
    const laid = arrange(done.change.piece, runsOf(piece.base), shelf)
    expect(laid.map(({ placements }) => placements.length)).toEqual([2, 12])
    const { rule } = done.change.piece.layers[1]!
    // The first cluster stays, the others go evenly round.
    expect(rule.kind === 'cluster' && rule.at.map((at) => Math.round(at * 100))).toEqual([20, 45, 70, 95])
  })
  it('twelve ties among gathers, a wrap of none and a sign: the sign is one, the gathers are the rest', () => {
    const mesh = layer('gathers', { kind: 'mesh', ties: 18, count: 9, gathers: ['ruffle'], cut: inches(10), start: 0 }, 'mesh-honey')
    const piece = pieceWith([mesh, layer('sign', { kind: 'single', at: 0.5, drop: 0 }, 'oar-sign')])
    const all = countablesOf(laidOn(piece), 12)
    expect(sharingsOf(all, new Set(['gathers']), 12)[0]).toMatchObject({ counts: [11, 1], left: 0 })
    // More gathers than there are ties are none of the answers.
    expect(Math.max(...countablesOf(laidOn(piece), 60)[0]!.options.map(({ count }) => count))).toBe(18)
  })
  it('bundles take whole bundles only', () => {
    const bundles = layer('bundles', { kind: 'bundles', sprigs: 5, advance: 60, faces: 1 } as Rule, 'cedar', { cut: 150 })
    const [of] = countablesOf(laidOn(pieceWith([bundles])), 48)
    expect(of!.each).toBe(5)
    const [best] = sharingsOf([of!], new Set(['bundles']), 48)
    // 48 sprigs in bundles of five: nine bundles, three left.
    expect(best).toMatchObject({ counts: [45], left: 3 })
  })
  it('finds what brute force finds, those that leave least first', () => {
    const counts = fc
      .uniqueArray(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 5 })
      .map((all) => [...all].sort((a, b) => a - b))
    fc.assert(
      fc.property(fc.array(counts, { minLength: 1, maxLength: 4 }), fc.integer({ min: 1, max: 40 }), fc.nat(), (all, number, mask) => {
        const of = all.map((each, i) => countable(`l${i}`, each[0]!, each))
        const open = new Set(of.filter((_, i) => (mask >> i) % 2 === 1).map(({ layer: id }) => id).slice(0, MOST_OPEN)) // prettier-ignore
        const found = sharingsOf(of, open, number)
        let best = -1
        const walk = (i: number, used: number): void => {
          if (used > number) return
          if (i === of.length) best = Math.max(best, used)
          else for (const count of open.has(of[i]!.layer) ? all[i]! : [of[i]!.now]) walk(i + 1, used + count)
        }
        walk(0, 0)
        expect(found.length > 0).toBe(best >= 0)
        if (found.length) expect(found[0]!.used).toBe(best)
        for (const [i, each] of found.entries()) {
          expect(each.counts.reduce((a, b) => a + b, 0)).toBe(each.used)
          expect(each.used + each.left).toBe(number)
          if (i) expect(each.left).toBeGreaterThanOrEqual(found[i - 1]!.left)
          each.counts.forEach((count, k) => expect(open.has(of[k]!.layer) ? all[k]! : [of[k]!.now]).toContain(count))
        }
      }),
      { numRuns: tries(200) },
    )
  })
  it('asks for some to be held when too many are open', () => {
    const of = ['a', 'b', 'c', 'd'].map((id) => countable(id, 1, [1, 2]))
    expect(() => sharingsOf(of, new Set(['a', 'b', 'c', 'd']), 9)).toThrow(/at most 3/)
    expect(sharingsOf(of, new Set(), 3)).toEqual([])
  })
})

describe('so many between those', () => {
  const piece = pieceWith(
    [layer('roses', { kind: 'compass', count: 5, start: 0 }), layer('cones', { kind: 'compass', count: 3, start: 0.05 }, 'pine-cone')],
    { ring: { outer: inches(30), inner: inches(24) } },
  )
  it('is the clear room of a gap by what one takes, and spread it is fewer', () => {
    const of = laidOn(piece)
    const found = betweenOf(of, 'roses', 'cones')!
    expect(found.gaps).toBe(5)
    // Round things on a ring: the gap from middle to middle, less a rose, by a cone, worked from the shelf and the run.
    const [rose, cone] = [shelf.materials.dahlia!.length, shelf.materials['pine-cone']!.length]
    const gap = of.runs[0]!.length / 5
    expect(found.length).toBeCloseTo(cone, 0)
    expect(found.room).toBeCloseTo(gap - rose, 0)
    expect(found.each).toBe(Math.floor((gap - rose) / cone))
    expect(found.all).toBe(5 * found.each)
    // Spread: the most whose parts each hold half a rose and half a cone, by trying.
    let k = 0
    while (gap / (k + 2) >= (rose + cone) / 2 - 1e-6 && gap / (k + 2) >= cone - 1e-6) k += 1
    expect(found.spread).toBe(k)
  })
  it('lays them so, and none presses on another', () => {
    const found = betweenOf(laidOn(piece), 'roses', 'cones')!
    const done = edit(piece, found.edit!, 'between')
    if (!done.ok) throw new Error(done.error)
    const then = laidOn(done.change.piece)
    const things = then.laid.flatMap(({ placements }) => placements).sort((a, b) => a.s - b.s)
    expect(then.laid[1]!.placements).toHaveLength(5 * found.spread)
    const reach = ({ material }: { material: string }): number => shelf.materials[material]!.length / 2
    for (const [i, thing] of things.entries()) {
      const next = things[(i + 1) % things.length]!
      const apart = (next.s - thing.s + then.runs[0]!.length) % then.runs[0]!.length
      expect(apart).toBeGreaterThan(reach(thing) + reach(next) - 1)
    }
  })
  it('is nothing where there is no between', () => {
    expect(betweenOf(laidOn(piece), 'roses', 'gone')).toBeNull()
    const none = pieceWith([
      layer('roses', { kind: 'compass', count: 0, start: 0 }),
      layer('cones', { kind: 'compass', count: 3, start: 0 }),
    ])
    expect(betweenOf(laidOn(none), 'roses', 'cones')).toBeNull()
    // A layer that goes by the other cannot have that go by it.
    const by = pieceWith([
      layer('roses', { kind: 'against', of: 'cones', count: 3, pattern: 'dealt' }),
      layer('cones', { kind: 'compass', count: 3, start: 0 }, 'pine-cone'),
    ])
    expect(betweenOf(laidOn(by), 'roses', 'cones')!.edit).toBeNull()
  })
})

import { describe, expect, it } from 'vitest'
import { chainRun, runsOf } from '../base'
import { inches, show } from '../measure'
import type { Flow, Layer } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { arrange } from './placement'
import { arrangeProblems } from './problems'
import { spacingOf } from './spacing'
import { gapsOf, meantGaps, tapeOf } from './tape'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
const lay = (...layers: Layer[]) => {
  const piece = pieceWith(layers)
  return { piece, runs: runsOf(piece.base), laid: arrange(piece, runsOf(piece.base), shelf) }
}
const only = (layer: Layer) => lay(layer).laid[0]!.placements

describe('arrange', () => {
  it('keeps a nudge with its slot when the count changes', () => {
    const nudges = { 2: { along: 5, across: 0.2, turn: 10 } }
    const six = only(layerOf('a', 'bracken', compass(6), { nudges }))
    const eight = only(layerOf('a', 'bracken', compass(8), { nudges }))
    expect(six.filter(({ nudged }) => nudged).map(({ slot }) => slot)).toEqual(['2'])
    expect(eight.filter(({ nudged }) => nudged).map(({ slot }) => slot)).toEqual(['2'])
    const length = runsOf(pieceWith([]).base)[0]!.length
    expect(six[2]).toMatchObject({ s: expect.closeTo(length / 3 + 5, 6), t: expect.closeTo(0.2, 6) })
  })
  it('draws the same from the same document', () => {
    const layer = layerOf('a', 'ivy', compass(12), { leanSpread: 40, acrossSpread: 1, flow: 'nest' })
    expect(only(layer)).toEqual(only(layer))
    expect(only({ ...layer, seed: 99 })).not.toEqual(only(layer))
  })
  it.each<[Flow, number, number]>([
    ['clockwise', 0, 0], ['anticlockwise', 0, 180], ['outward', 0, 270], ['inward', 0, 90], ['clockwise', 0.25, 90],
    ['apart', 0.25, 270], ['apart', 0.75, 270], ['together', 0.25, 90], ['together', 0.75, 90],
  ])('%s at %f points to %f', (flow, at, bearing) => {
    const [placed] = only(layerOf('a', 'bracken', { kind: 'single', at, drop: 0 }, { flow, seat: 0.5 }))
    expect(Math.cos((placed!.bearing - bearing) * Math.PI / 180)).toBeCloseTo(1, 9)
  })
  it('leans to the outside whichever way it flows', () => {
    for (const flow of ['clockwise', 'anticlockwise'] as const) {
      const [placed] = only(layerOf('a', 'bracken', { kind: 'single', at: 0, drop: 0 }, { flow, lean: 30 }))
      expect(Math.sin(placed!.bearing * Math.PI / 180)).toBeLessThan(0)
    }
  })
  it('hangs a sign level below its place', () => {
    const [sign] = only(layerOf('a', 'ticket-sign', { kind: 'single', at: 0, drop: 120 }))
    expect(sign).toMatchObject({ bearing: 0, cord: { x: expect.closeTo(0), y: expect.closeTo(-inches(5)) }, y: expect.closeTo(-inches(5) + 120) })
  })
  it('deals a mix by rhythm', () => {
    const dealt = only(layerOf('a', 'juniper', compass(8), { mix: [{ material: 'juniper', share: 5 }, { material: 'bay', share: 3 }] }))
    expect(dealt.map(({ material }) => material[0]).join('')).toBe('bjjbjjbj')
  })
  it('follows references through several layers and stops at a circle', () => {
    const { laid } = lay(layerOf('a', 'ivy', compass(4)), layerOf('b', 'bay', { kind: 'halfway', of: 'a' }), layerOf('c', 'fir', { kind: 'halfway', of: 'b' }))
    expect(laid.map(({ placements }) => placements.length)).toEqual([4, 4, 4])
    const circle = lay(layerOf('a', 'ivy', { kind: 'halfway', of: 'b' }), layerOf('b', 'bay', { kind: 'halfway', of: 'a' }))
    expect(circle.laid.map(({ fault }) => fault)).toEqual(['no reference', 'no reference'])
  })
})

describe('arrangeProblems', () => {
  const problems = (layer: Layer) => {
    const { laid, runs } = lay(layer)
    return arrangeProblems(laid, runs, shelf)
  }
  it('names a material that the shelf does not have, and leaves it out', () => {
    const layer = layerOf('a', 'ivy', compass(4), { mix: [{ material: 'ivy', share: 1 }, { material: 'moonwort', share: 1 }] })
    expect(problems(layer)).toMatchObject([{ weight: 'fault', layer: 'a', mends: [{ edit: { do: 'layer', set: { mix: [{ material: 'ivy', share: 1 }] } } }] }])
    expect(only(layer).every(({ material }) => material === 'ivy')).toBe(true)
    expect(problems(layerOf('a', 'ivy', compass(4), { mix: [{ material: 'moonwort', share: 1 }] }))).toMatchObject([{ mends: [{ edit: null }] }])
  })
  it('says when a cut is longer than the stem', () => {
    expect(problems(layerOf('a', 'berry-spray', compass(4), { cut: inches(10) }))).toMatchObject([{ id: 'a:short:berry-spray', mends: [{ edit: { set: { cut: inches(8) } } }] }])
    expect(problems(layerOf('a', 'berry-spray', compass(4), { cut: inches(6) }))).toEqual([])
  })
  it('says when a spacing asks for too many, and offers the least that works', () => {
    const [problem] = problems(layerOf('a', 'lavender', { kind: 'every', spacing: 1, start: 0 }))
    expect(problem).toMatchObject({ id: 'a:many' })
    const set = problem!.mends[0]!.edit as { set: Partial<Layer> }
    expect(problems({ ...layerOf('a', 'lavender', compass(1)), ...set.set })).toEqual([])
  })
  it('offers the compass for a lost reference and for a run that is not there', () => {
    for (const layer of [layerOf('a', 'ivy', { kind: 'halfway', of: 'gone' }), layerOf('a', 'ivy', compass(3), { run: 'ear' })]) {
      expect(problems(layer)).toMatchObject([{ weight: 'fault', mends: [{ edit: { set: { run: 'ring', rule: { kind: 'compass' } } } }] }])
    }
  })
})

describe('spacing and tape', () => {
  it('says one spacing for an even layer', () => {
    const { laid, runs } = lay(layerOf('a', 'bracken', compass(6)))
    const spacing = spacingOf(runs[0]!, laid[0]!)!
    expect(show(spacing.rim, { units: 'in', currency: 'USD' })).toBe('6¼ in')
    expect(spacing.gaps).toBeNull()
  })
  it('leaves out of a crescent the gap round the back', () => {
    const { laid, runs } = lay(layerOf('a', 'bracken', { kind: 'crescent', from: 0.8, to: 0.2, count: 5, dense: 'middle', thin: 0 }))
    expect(meantGaps(runs[0]!, laid[0]!)).toHaveLength(4)
    expect(spacingOf(runs[0]!, laid[0]!)!.centre.value).toBeCloseTo((0.4 * runs[0]!.length) / 5, 6)
  })
  it('has none for fewer than two', () => {
    for (const count of [0, 1]) {
      const { laid, runs } = lay(layerOf('a', 'bracken', compass(count)))
      expect(spacingOf(runs[0]!, laid[0]!)).toBeNull()
    }
  })
  it('unrolls a run: marks in order, gaps that add up to its length', () => {
    const { laid, runs } = lay(layerOf('a', 'bracken', compass(7), { nudges: { 3: { along: -60, across: 0, turn: 0 } } }))
    const [lane] = tapeOf(runs[0]!, laid).lanes
    expect(lane!.marks.map(({ s }) => s)).toEqual(lane!.marks.map(({ s }) => s).sort((a, b) => a - b))
    expect(lane!.gaps.reduce((total, { length }) => total + length, 0)).toBeCloseTo(runs[0]!.length, 6)
  })
  it('knows one, none and an open run', () => {
    const open = chainRun('s', 's', [{ x: 0, y: 0 }, { x: 100, y: 0 }], 10)
    expect(gapsOf(open, [20, 50, 90])).toEqual([{ from: 20, length: 30 }, { from: 50, length: 40 }])
    expect(gapsOf({ closed: true, length: 100 }, [30])).toEqual([{ from: 30, length: 100 }])
    expect(gapsOf({ closed: true, length: 100 }, [])).toEqual([])
  })
  it('leaves layers of other runs off the tape', () => {
    const { laid, runs } = lay(layerOf('a', 'ivy', compass(3), { run: 'ear' }))
    expect(tapeOf(runs[0]!, laid).lanes).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { runsOf, usualBase } from '../base'
import { inches, show } from '../measure'
import type { Flow, Layer } from '../piece'
import { mirrorPiece, STILL } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { dealMix } from './mix-assignment'
import { arrange } from './layout'
import { arrangeProblems } from './problems'
import { spacingOf, meantGaps } from './spacing'
import { gapsOf } from './gaps'
import { tapesOf } from './tape-strip'

const mixOf = (...parts: readonly (readonly [material: string, share: number])[]) =>
  parts.map(([material, share]) => ({ material, share, only: null }))
const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
const lay = (...layers: Layer[]) => {
  const piece = pieceWith(layers)
  return { piece, runs: runsOf(piece.base), laid: arrange(piece, runsOf(piece.base), shelf) }
}
/** By slot, in whatever order they are laid. */
const only = (layer: Layer) => [...lay(layer).laid[0]!.placements].sort((a, b) => a.number - b.number)

describe('arrange', () => {
  it('keeps a nudge with its slot when the count changes', () => {
    const nudges = { 2: { ...STILL, along: 5, across: 0.2, turn: 10 } }
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
    ['clockwise', 0, 0],
    ['anticlockwise', 0, 180],
    ['outward', 0, 270],
    ['inward', 0, 90],
    ['clockwise', 0.25, 90],
    ['apart', 0.25, 270],
    ['apart', 0.75, 270],
    ['together', 0.25, 90],
    ['together', 0.75, 90],
  ])('%s at %f points to %f', (flow, at, bearing) => {
    const [placed] = only(layerOf('a', 'bracken', { kind: 'single', at, drop: 0 }, { flow, seat: 0.5 }))
    expect(Math.cos(((placed!.bearing - bearing) * Math.PI) / 180)).toBeCloseTo(1, 9)
  })
  it('leans to the outside whichever way it flows', () => {
    for (const flow of ['clockwise', 'anticlockwise'] as const) {
      const [placed] = only(layerOf('a', 'bracken', { kind: 'single', at: 0, drop: 0 }, { flow, lean: 30 }))
      expect(Math.sin((placed!.bearing * Math.PI) / 180)).toBeLessThan(0)
    }
  })
  it('hangs a sign level below its place', () => {
    const [sign] = only(layerOf('a', 'ticket-sign', { kind: 'single', at: 0, drop: 120 }))
    expect(sign).toMatchObject({
      bearing: 0,
      cord: { x: expect.closeTo(0), y: expect.closeTo(-inches(5)) },
      y: expect.closeTo(-inches(5) + 120),
    })
  })
  it('deals a mix by rhythm', () => {
    const dealt = only(layerOf('a', 'juniper', compass(8), { mix: mixOf(['juniper', 5], ['bay', 3]) }))
    expect(dealt.map(({ material }) => material[0]).join('')).toBe('bjjbjjbj')
  })
  it('follows references through several layers and stops at a circle', () => {
    const { laid } = lay(
      layerOf('a', 'ivy', compass(4)),
      layerOf('b', 'bay', { kind: 'halfway', of: 'a' }),
      layerOf('c', 'fir', { kind: 'halfway', of: 'b' }),
    )
    expect(laid.map(({ placements }) => placements.length)).toEqual([4, 4, 4])
    const circle = lay(layerOf('a', 'ivy', { kind: 'halfway', of: 'b' }), layerOf('b', 'bay', { kind: 'halfway', of: 'a' }))
    expect(circle.laid.map(({ fault }) => fault)).toEqual(['no reference', 'no reference'])
  })
})

describe('arrangeProblems', () => {
  const problems = (layer: Layer) => {
    const { piece, laid, runs } = lay(layer)
    return arrangeProblems({ piece, laid, runs, shelf })
  }
  it('names a material that the shelf does not have, and leaves it out', () => {
    const layer = layerOf('a', 'ivy', compass(4), { mix: mixOf(['ivy', 1], ['moonwort', 1]) })
    expect(problems(layer)).toMatchObject([
      { severity: 'fault', layer: 'a', mends: [{ edit: { do: 'layer', set: { mix: mixOf(['ivy', 1]) } } }] },
    ])
    expect(only(layer).every(({ material }) => material === 'ivy')).toBe(true)
    expect(problems(layerOf('a', 'ivy', compass(4), { mix: mixOf(['moonwort', 1]) }))).toMatchObject([{ mends: [{ edit: null }] }])
  })
  it('says when a cut is longer than the stem', () => {
    expect(problems(layerOf('a', 'berry-spray', compass(4), { cut: inches(10) }))).toMatchObject([
      { id: 'a:short:berry-spray', mends: [{ edit: { set: { cut: inches(8) } } }] },
    ])
    expect(problems(layerOf('a', 'berry-spray', compass(4), { cut: inches(6) }))).toEqual([])
  })
  it('says when a spacing asks for too many, and offers the least that works', () => {
    const [problem] = problems(layerOf('a', 'lavender', { kind: 'every', spacing: 1, start: 0 }))
    expect(problem).toMatchObject({ id: 'a:many' })
    const set = problem!.mends[0]!.edit as { set: Partial<Layer> }
    expect(problems({ ...layerOf('a', 'lavender', compass(1)), ...set.set })).toEqual([])
  })
  it('offers the compass for a lost reference and for a run that is not there', () => {
    expect(problems(layerOf('a', 'ivy', { kind: 'halfway', of: 'gone' }))).toMatchObject([
      { severity: 'fault', mends: [{ edit: { set: { rule: { kind: 'compass' } } } }] },
    ])
    expect(problems(layerOf('a', 'ivy', compass(3), { run: 'ear' }))).toMatchObject([
      { severity: 'fault', mends: [{ edit: { set: { run: 'ring' } } }] },
    ])
  })
})

describe('spacing and tape', () => {
  it('says one spacing for an even layer', () => {
    const { laid, runs } = lay(layerOf('a', 'bracken', compass(6)))
    const spacing = spacingOf(runs, laid[0]!)!
    expect(show(spacing.rim, { units: 'in', currency: 'USD' })).toBe('6¼ in')
    expect(spacing.gaps).toBeNull()
  })
  it('leaves out of a crescent the gap round the back', () => {
    const { laid, runs } = lay(layerOf('a', 'bracken', { kind: 'crescent', from: 0.8, to: 0.2, count: 5, dense: 'middle', thin: 0 }))
    expect(meantGaps(runs[0]!, laid[0]!)).toHaveLength(4)
    expect(spacingOf(runs, laid[0]!)!.centre.value).toBeCloseTo((0.4 * runs[0]!.length) / 5, 6)
  })
  it('has none for fewer than two', () => {
    for (const count of [0, 1]) {
      const { laid, runs } = lay(layerOf('a', 'bracken', compass(count)))
      expect(spacingOf(runs, laid[0]!)).toBeNull()
    }
  })
  it('unrolls a run: marks in order, gaps that add up to its length', () => {
    const { laid, runs } = lay(layerOf('a', 'bracken', compass(7), { nudges: { 3: { ...STILL, along: -60 } } }))
    const [lane] = tapesOf(runs, laid)[0]!.lanes
    expect(lane!.marks.map(({ s }) => s)).toEqual(lane!.marks.map(({ s }) => s).sort((a, b) => a - b))
    expect(lane!.gaps.reduce((total, { length }) => total + length, 0)).toBeCloseTo(runs[0]!.length, 6)
  })
  it('knows one, none and an open run', () => {
    const open = { closed: false, length: 100 }
    expect(gapsOf(open, [20, 50, 90])).toEqual([
      { from: 20, length: 30 },
      { from: 50, length: 40 },
    ])
    expect(gapsOf({ closed: true, length: 100 }, [30])).toEqual([{ from: 30, length: 100 }])
    expect(gapsOf({ closed: true, length: 100 }, [])).toEqual([])
  })
  it('leaves layers of other runs off the tape', () => {
    const { laid, runs } = lay(layerOf('a', 'ivy', compass(3), { run: 'ear' }))
    expect(tapesOf(runs, laid)[0]!.lanes).toEqual([])
  })
  it('reads two arms as one tape from where they meet', () => {
    const piece = pieceWith([layerOf('a', 'fir', compass(3), { run: 'each' })], { base: usualBase('tree-swag') })
    const runs = runsOf(piece.base)
    const [tape, ...rest] = tapesOf(runs, arrange(piece, runs, shelf))
    expect(rest).toEqual([])
    expect([tape!.from, tape!.to]).toEqual([expect.closeTo(-runs[0]!.length, 6), expect.closeTo(runs[1]!.length, 6)])
    const at = tape!.lanes[0]!.marks.map((mark) => mark.at)
    expect(at).toEqual([...at].sort((a, b) => a - b))
    expect(at[2]).toBeCloseTo(-at[3]!, 6)
    expect(tape!.lanes[0]!.gaps).toHaveLength(5)
  })
  it('keeps runs that do not meet end to end on tapes of their own', () => {
    for (const kind of ['gourd', 'animal', 'spray'] as const) {
      const runs = runsOf(usualBase(kind))
      expect(tapesOf(runs, []).map(({ id }) => id)).toEqual(runs.map(({ id }) => id))
    }
  })
})

describe('scarce things', () => {
  const dealt = (only: number, n: number) =>
    dealMix(
      {
        mix: [
          { material: 'ivy', share: 1, only: null },
          { material: 'holly', share: 1, only },
        ],
      },
      shelf,
      Array.from({ length: n }, () => 1),
    )
      .map((material) => (material?.id === 'holly' ? 'x' : '.'))
      .join('')
  it('are spread: item i of k goes into place 1 + round(i n / k)', () => {
    expect(dealt(3, 8)).toBe('x..x.x..')
    expect(dealt(2, 9)).toBe('x....x...')
    expect(dealt(0, 4)).toBe('....')
    expect(dealt(12, 4)).toBe('xxxx')
  })
  it('fill what is left when there is nothing else', () => {
    // With nothing but two of one in the mix, two are laid and no more.
    expect(dealMix({ mix: [{ material: 'holly', share: 0, only: 2 }] }, shelf, [1, 1, 1, 1, 1]).filter(Boolean)).toHaveLength(2)
    expect(dealMix({ mix: [{ material: 'moonwort', share: 1, only: null }] }, shelf, [1, 1, 1, 1, 1])).toEqual([])
  })
})

describe('taper', () => {
  it('is longest in the middle of an open run and shorter to its ends', () => {
    const piece = pieceWith([layerOf('a', 'fir', compass(5), { run: 'each', taper: 0.8 })], { base: usualBase('tree-swag') })
    const runs = runsOf(piece.base)
    const lengths = [...arrange(piece, runs, shelf)[0]!.placements]
      .filter(({ run }) => run === 'left')
      .sort((a, b) => a.s - b.s)
      .map(({ length }) => length)
    expect(lengths).toEqual([...lengths].sort((a, b) => b - a))
    lengths.forEach((length, i) => expect(length / shelf.materials['fir']!.length).toBeCloseTo(1 - 0.8 * ((i + 0.5) / 5), 6))
  })
  it('goes out from the seat on a closed run', () => {
    const [near, , far] = only(layerOf('a', 'bracken', compass(4), { taper: 0.5, seat: 0 }))
    expect(near!.length).toBeCloseTo(shelf.materials['bracken']!.length, 6)
    expect(far!.length).toBeCloseTo(shelf.materials['bracken']!.length / 2, 6)
  })
})

describe('the other of a pair', () => {
  it('is the mirror image, thing for thing', () => {
    for (const kind of ['grapevine', 'heart', 'tree-swag', 'mantel-garland', 'gourd'] as const) {
      const base = usualBase(kind)
      const [run] = runsOf(base)
      const on = runsOf(base).length > 1 ? 'each' : run!.id
      const piece = pieceWith(
        [
          layerOf(
            'a',
            'bracken',
            { kind: 'compass', count: 7, start: 0.1 },
            { run: on, lean: 12, leanSpread: 20, acrossSpread: 0.6, flow: 'clockwise' },
          ),
          layerOf(
            'b',
            'ivy',
            { kind: 'crescent', from: 0.2, to: 0.7, count: 6, dense: 'start', thin: 0.6 },
            { run: on, flow: 'outward', lean: 20 },
          ),
          layerOf('c', 'bay', { kind: 'against', of: 'b', count: 4, pattern: 'better' }, { run: on, flow: 'apart' }),
          layerOf('d', 'ticket-sign', { kind: 'single', at: 0.2, drop: 0 }, { run: run!.id, lean: 15 }),
        ],
        { base },
      )
      const twin = mirrorPiece(piece, 'twin', 'twin')
      const [one, other] = [arrange(piece, runsOf(base), shelf), arrange(twin, runsOf(twin.base), shelf)].map((laid) =>
        laid.flatMap(({ placements }) => placements),
      )
      const key = ({ layer, x, y }: { layer: string; x: number; y: number }) =>
        `${layer} ${x.toFixed(3)} ${y.toFixed(3)}`.replaceAll('-0.000', '0.000')
      expect(other!.map((each) => key({ ...each, x: -each.x })).sort()).toEqual(one!.map(key).sort())
      const bearing = (angle: number) => Math.round(Math.cos((angle * Math.PI) / 180) * 1e4) + 0
      const leaves = (all: typeof one) => all!.filter(({ layer }) => layer !== 'd')
      expect(
        leaves(other)
          .map((each) => 0 - bearing(each.bearing))
          .sort(),
      ).toEqual(
        leaves(one)
          .map((each) => bearing(each.bearing))
          .sort(),
      )
    }
  })
})

it('spreads what is scarce by whole pairs, where a pair takes the same', () => {
  const mix = [
    { material: 'rose', share: 0, only: 4 },
    { material: 'bay', share: 1, only: null },
  ]
  const rule = { kind: 'mirror', seat: 0.5, gap: 60, reach: 0.4, count: 12, sequence: false } as const
  const placed = only(layerOf('m', 'bay', rule, { mix }))
  expect(placed).toHaveLength(12)
  expect(placed.filter(({ material }) => material === 'rose')).toHaveLength(4)
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { ringRun, runsOf, stationAt, usualBase } from '../base'
import { CATALOGUE } from '../material'
import { inches } from '../measure'
import type { Layer, RuleOf } from '../piece'
import { edit, mirrorPiece, usualRibbon, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { swap } from './counts-and-swaps'
import { beadPlaces, gathersIn, laps, poofsOn, tieOf, windings } from './construction-slots'
import { arrange } from './layout'

const ring = ringRun('ring', 'ring', inches(14), inches(10))
const [arm] = runsOf(usualBase('tree-swag'))
const ribbon = CATALOGUE['ribbon-slate']!
const twine = CATALOGUE['jute-twine']!
const usual = <K extends Layer['rule']['kind']>(kind: K, set: Partial<RuleOf<K>> = {}): RuleOf<K> =>
  ({ ...usualRule(kind, ''), ...set }) as RuleOf<K>

describe('windings', () => {
  it('lay a turn at every pitch, each across the face and half a pitch on', () => {
    const turns = windings(ring, usual('wound', { pitch: inches(2) }), ribbon)
    expect(turns).toHaveLength(Math.round(ring.length / inches(2)))
    const [first] = turns
    expect(first!.made.width).toBe(ribbon.width)
    expect(first!.made.length).toBeCloseTo(Math.hypot(2 * stationAt(ring, 0).half, inches(1)) * 1.06, 6)
    expect(first!.made.turn).toBeCloseTo((Math.atan2(2 * stationAt(ring, 0).half, inches(1)) * 180) / Math.PI, 6)
  })
  it('lay twine by the band, together as many turns as go on, with no gap between', () => {
    fc.assert(
      fc.property(fc.double({ min: 200, max: 900, noNaN: true }), (outer) => {
        const run = ringRun('r', 'ring', outer, outer * 0.7)
        const bands = windings(run, usual('wound', { pitch: null }), twine)
        expect(bands.length).toBeLessThanOrEqual(72)
        const turns = bands.reduce((all, { made }) => all + (made.as === 'turns' ? made.turns : 0), 0)
        expect(Math.abs(turns - run.length / twine.width)).toBeLessThanOrEqual(bands.length / 2 + 1)
        for (const { made } of bands) expect(made.width).toBeGreaterThan(run.length / bands.length)
      }),
    )
  })
  it('a strand is wound as a strand, ribbon as turns', () => {
    expect(windings(ring, usual('wound'), CATALOGUE['garland-pine']!)[0]!.made.as).toBe('strand')
    expect(windings(ring, usual('wound'), ribbon)[0]!.made).toMatchObject({ as: 'turns', cord: false })
    expect(windings(ring, usual('wound', { pitch: null }), twine)[0]!.made).toMatchObject({ as: 'turns', cord: true })
  })
})

describe('laps', () => {
  it('go round as often as said, side by side from the inner to the outer edge', () => {
    for (const wanted of [0.5, 1, 2, 3.5]) {
      const pieces = laps(ring, usual('laid', { laps: wanted }), CATALOGUE['heather-strand']!)
      const rows = [...new Set(pieces.map(({ across }) => across))]
      expect(rows).toHaveLength(Math.ceil(wanted))
      expect(rows).toEqual([...rows].sort((a, b) => a - b))
    }
    const half = laps(ring, usual('laid', { laps: 0.5 }), CATALOGUE['garland-pine']!)
    expect(Math.max(...half.map(({ s }) => s))).toBeLessThan(ring.length / 2)
  })
})

describe('mesh', () => {
  const both = [CATALOGUE['mesh-honey']!, CATALOGUE['mesh-cream']!]
  it('goes one gather to a tie, spread over all ties', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 80 }), fc.integer({ min: 1, max: 80 }), (a, b) => {
        const [count, ties] = [Math.min(a, b), Math.max(a, b)]
        const used = Array.from({ length: count }, (_, i) => tieOf(i, count, ties))
        expect(new Set(used).size).toBe(count)
        expect(Math.max(...used)).toBeLessThan(ties)
      }),
    )
  })
  it('takes colours in turn, and all of them in a cluster', () => {
    const gathers = gathersIn(ring, usual('mesh', { ties: 12, count: 6, gathers: ['ruffle', 'cluster', 'petal'] }), both)
    expect(gathers.map(({ id, material, made }) => `${id}${made.as === 'gather' ? made.how[0] : ''}${material}`)).toEqual([
      '0.0r0',
      '1.0p0',
      '1.1p1',
      '2.0p1',
      '3.0r0',
      '4.0p0',
      '4.1p1',
      '5.0p1',
    ])
  })
  it('on an open run the ties stand half a step from its ends', () => {
    const [first] = gathersIn(arm!, usual('mesh', { ties: 4, count: 4, gathers: ['petal'] }), both)
    expect(first!.s).toBeCloseTo(arm!.length / 8)
  })
  it('poofs fill the room from tie to tie', () => {
    const poofs = poofsOn(ring, usual('poofs', { ties: 10, passes: 2 }), 2)
    expect(poofs).toHaveLength(20)
    expect(poofs.filter(({ material }) => material === 1)).toHaveLength(10)
    for (const { made } of poofs) expect(made.length).toBeGreaterThan(ring.length / 10)
  })
})

describe('beads', () => {
  it('lie evenly round a ring, and in one row in the middle of an open wire', () => {
    const round = beadPlaces(ring, usual('beads', { allowance: 10 }), 20)
    expect(round[1]! - round[0]!).toBeCloseTo(ring.length / round.length)
    const row = beadPlaces(arm!, usual('beads', { allowance: 50 }), 20)
    expect(row[1]! - row[0]!).toBeCloseTo(20)
    expect(row[0]! + row.at(-1)!).toBeCloseTo(arm!.length)
  })
})

describe('made things on a piece', () => {
  const bow: RuleOf<'bow'> = usual('bow', { means: 'visible', at: 0.3, ribbons: [usualRibbon('hand'), usualRibbon('strips')] })
  const mix = ['ribbon-slate', 'ribbon-slate'].map((material) => ({ material, share: 1, only: null }))
  it('are each other’s image on the two of a pair', () => {
    const piece = pieceWith([
      layerOf('mesh', 'mesh-honey', usual('mesh', { gathers: ['petal'], count: 7, ties: 9, start: 0.07 })),
      layerOf('bow', 'ribbon-slate', bow, { mix, lean: 12 }),
    ])
    const [here, there] = [work(piece, shelf).placements, work(mirrorPiece(piece, 'other', 'Other'), shelf).placements]
    expect(there).toHaveLength(here.length)
    for (const each of here) {
      const image = there.find(({ x, y, layer }) => layer === each.layer && Math.hypot(x + each.x, y - each.y) < 0.5)
      expect(image, each.id).toBeDefined()
      if (each.layer === 'mesh') expect(Math.cos(((image!.bearing + each.bearing - 180) * Math.PI) / 180)).toBeCloseTo(1, 3)
    }
  })
  it('a bow of one ribbon twice is swapped without losing a build', () => {
    const piece = pieceWith([layerOf('bow', 'ribbon-slate', bow, { mix })])
    const [laid] = arrange(piece, runsOf(piece.base), shelf)
    const swapped = edit(piece, swap({ piece, runs: runsOf(piece.base), shelf }, laid!, 'ribbon-slate', 'ribbon-check')!.edit, 'swap')
    expect(swapped.ok && swapped.change.piece.layers[0]!.mix.map(({ material }) => material)).toEqual(['ribbon-check', 'ribbon-check'])
  })
  it('keep their place and are kept clear of as ready-made ones are', () => {
    const piece = pieceWith([
      layerOf('bow', 'ribbon-slate', bow, { mix, reserve: 0 }),
      layerOf('rose', 'rose', { kind: 'compass', count: 12, start: 0 }, { clear: true }),
    ])
    const { zones, placements } = work(piece, shelf)
    expect(zones.some(({ layer }) => layer === 'bow')).toBe(true)
    const [tied] = placements.filter(({ layer }) => layer === 'bow')
    const nearest = Math.min(...placements.filter(({ layer }) => layer === 'rose').map(({ x, y }) => Math.hypot(x - tied!.x, y - tied!.y)))
    expect(nearest).toBeGreaterThan(tied!.length / 4)
  })
  it('the sheet says how hands make them, without a list of places', () => {
    const piece = pieceWith([layerOf('mesh', 'mesh-honey', usual('mesh')), layerOf('bow', 'ribbon-slate', bow, { mix, reserve: null })])
    const steps = work(piece, shelf).tasks
    expect(steps.find(({ layer }) => layer === 'mesh')).toMatchObject({ places: [], title: '9 ruffles and 9 petals of honey mesh' })
    expect(steps.find(({ layer }) => layer === 'bow')!.says.length).toBeGreaterThan(4)
  })
})

it('lays turns by even steps, the first half a step in', () => {
  const rule = usualRule('wound', '') as RuleOf<'wound'>
  const turns = windings(ring, { ...rule, pitch: ring.length / 5 }, CATALOGUE['ribbon-slate']!)
  expect(turns.map(({ s }) => (s / ring.length) * 10)).toEqual([1, 3, 5, 7, 9].map((tenth): unknown => expect.closeTo(tenth, 6)))
})

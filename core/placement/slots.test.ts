import { scatter } from './scatter'
import { everyNth } from '../../tests/amount'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Run } from '../base'
import { along, BASE_KINDS, distanceBetween, ringRun, runsOf, stationAt, usualBase } from '../base'
import type { Material } from '../material'
import { CATALOGUE } from '../material'
import { inches } from '../measure'
import type { Rule } from '../piece'
import { BUILDS, DENSE, ENDS, GATHERS, LOOP_MEANS, PATTERNS, SPOTS, RuleSchema, usualRibbon } from '../piece'
import { evenly, middles } from './points'
import type { SlotContext } from './slot'
import { layerSlots, slotsOf } from './slots'
import { gapsOf } from './gaps'
import { layerOf } from '../testing'

const ring = ringRun('ring', 'ring', inches(12), inches(8))
const hoop = ringRun('ring', 'ring', inches(20), inches(19.5))
const mixOf = (...widths: number[]): Material[] =>
  widths.map((width, i) => ({ ...CATALOGUE['ribbon-slate']!, id: `m${i}`, width, length: 25 }))
const around = (run: Run, runs: readonly Run[] = [run]): SlotContext => ({
  run,
  runs,
  seed: 5,
  seat: 0.5,
  shortest: 160,
  flow: 'clockwise',
  mix: mixOf(40, 30),
  taper: 0.5,
  pointsOf: () => evenly(run, 5, 0.1),
  bearersOf: () => evenly(run, 5, 0.1).map((s, i) => ({ id: String(i), run, s, made: null })),
  widths: (n: number) => Array.from({ length: n }, (_, i) => 30 + (i % 3) * 10),
})

const share = fc.double({ min: 0, max: 1, noNaN: true })
const count = fc.oneof(fc.constantFrom(0, 1, 500), fc.integer({ min: 2, max: 60 }))
const row = fc.option(fc.integer({ min: 0, max: 40 }))
const rules: Record<Rule['kind'], fc.Arbitrary<Rule>> = {
  compass: fc.record({ kind: fc.constant('compass' as const), count, start: share }),
  halfway: fc.constant({ kind: 'halfway' as const, of: 'x' }),
  on: fc.record({
    kind: fc.constant('on' as const),
    of: fc.constant('x'),
    only: fc.constantFrom<string[] | null>(null, ['0'], ['1', '4', 'gone']),
    every: fc.integer({ min: 1, max: 7 }),
    from: fc.integer({ min: 1, max: 7 }),
    spot: fc.constantFrom(...SPOTS),
    along: fc.double({ min: -1.5, max: 1.5, noNaN: true }),
    across: fc.double({ min: -1.5, max: 1.5, noNaN: true }),
    turns: fc.boolean(),
  }),
  every: fc.record({ kind: fc.constant('every' as const), spacing: fc.double({ min: 1, max: 20000, noNaN: true }), start: share }),
  against: fc.record({ kind: fc.constant('against' as const), of: fc.constant('x'), count, pattern: fc.constantFrom(...PATTERNS) }),
  cluster: fc.record({
    kind: fc.constant('cluster' as const),
    at: fc.array(share, { maxLength: 6 }),
    size: fc.integer({ min: 0, max: 30 }),
  }),
  crescent: fc.record({
    kind: fc.constant('crescent' as const),
    from: share,
    to: share,
    count,
    dense: fc.constantFrom(...DENSE),
    thin: share,
  }),
  mirror: fc.record({
    kind: fc.constant('mirror' as const),
    seat: share,
    gap: fc.double({ min: 0, max: 300, noNaN: true }),
    reach: share,
    count,
    sequence: fc.boolean(),
  }),
  bands: fc.record({ kind: fc.constant('bands' as const), outer: row, between: row, inner: row, gaps: fc.boolean() }),
  arms: fc.record({ kind: fc.constant('arms' as const), count, from: share, to: share }),
  scatter: fc.record({ kind: fc.constant('scatter' as const), count: fc.oneof(fc.constantFrom(0, 1), fc.integer({ min: 2, max: 80 })) }),
  bundles: fc.record({
    kind: fc.constant('bundles' as const),
    start: share,
    advance: fc.double({ min: 5, max: 3000, noNaN: true }),
    sprigs: fc.integer({ min: 1, max: 40 }),
    wraps: fc.constant(2),
    bound: fc.constant(25),
    faces: fc.constantFrom(1, 2),
  }),
  boughs: fc.record({
    kind: fc.constant('boughs' as const),
    overlap: fc.double({ min: 0, max: 200, noNaN: true }),
    yields: fc.constant(1000),
  }),
  spray: fc.record({
    kind: fc.constant('spray' as const),
    at: share,
    pairs: fc.integer({ min: 1, max: 60 }),
    odd: fc.boolean(),
    spread: fc.integer({ min: 0, max: 120 }),
    wraps: fc.constant(3),
    tied: fc.constantFrom('wire' as const, 'zip ties' as const),
    bound: fc.constant(25),
  }),
  wound: fc.record({
    kind: fc.constant('wound' as const),
    pitch: fc.option(fc.double({ min: 0.5, max: 3000, noNaN: true }), { nil: null }),
    thick: fc.double({ min: 0.5, max: 1000, noNaN: true }),
    ends: fc.constant(25),
    every: fc.constant(null),
  }),
  laid: fc.record({
    kind: fc.constant('laid' as const),
    laps: fc.double({ min: 0.05, max: 40, noNaN: true }),
    tuck: fc.constant(50),
    every: fc.constant(150),
    held: fc.constantFrom('as suits' as const, 'wire' as const),
  }),
  mesh: fc.record({
    kind: fc.constant('mesh' as const),
    ties: fc.integer({ min: 1, max: 500 }),
    count,
    gathers: fc.array(fc.constantFrom(...GATHERS), { minLength: 1, maxLength: 6 }),
    cut: fc.double({ min: 30, max: 3000, noNaN: true }),
    start: share,
  }),
  poofs: fc.record({
    kind: fc.constant('poofs' as const),
    ties: fc.integer({ min: 1, max: 500 }),
    passes: fc.integer({ min: 1, max: 9 }),
    uses: fc.double({ min: 20, max: 3000, noNaN: true }),
    start: share,
  }),
  beads: fc.record({
    kind: fc.constant('beads' as const),
    allowance: fc.double({ min: 0, max: 1000, noNaN: true }),
    own: fc.constant(0.8),
    turns: fc.constant(2),
    tail: fc.constant(10),
  }),
  bow: fc.record({
    kind: fc.constant('bow' as const),
    at: share,
    means: fc.constantFrom(...LOOP_MEANS, null),
    ribbons: fc.array(fc.constantFrom(...BUILDS.map(usualRibbon)), { minLength: 1, maxLength: 6 }),
    ends: fc.constantFrom(...ENDS),
    hem: fc.constant(0),
    tied: fc.constant('stem-wire-20' as const),
    fixes: fc.boolean(),
  }),
  single: fc.record({ kind: fc.constant('single' as const), at: share, drop: fc.double({ min: 0, max: 500, noNaN: true }) }),
  hand: fc.constant({ kind: 'hand' as const }),
}
const wanted = (rule: Rule): number | null => {
  switch (rule.kind) {
    case 'compass':
    case 'crescent':
    case 'against':
    case 'mirror':
    case 'arms':
    case 'scatter':
      return rule.count
    case 'cluster':
      return rule.at.length * rule.size
    case 'single':
      return 1
    case 'bow':
      return rule.means === null && rule.ribbons.some(({ build }) => build !== 'coil' && build !== 'flat' && build !== 'tails') ? 0 : 1
    case 'spray':
      return 2 * rule.pairs + (rule.odd ? 1 : 0)
    case 'hand':
      return 0
    default:
      return null
  }
}

describe.each(everyNth(4, BASE_KINDS))('any rule on a %s', (kind) => {
  const runs = runsOf(usualBase(kind))
  it.each(Object.entries(rules))('%s: stays on the run, counts up, has its own ids and does the same again', (_, rule) => {
    fc.assert(
      fc.property(rule, fc.integer({ min: 0, max: runs.length - 1 }), (of, which) => {
        const run = runs[which]!
        expect(RuleSchema.safeParse(of).success).toBe(true)
        const slots = slotsOf(of, around(run, runs))!
        expect(
          slots.filter(({ s, run: on, across }) => !(s >= 0 && s <= on.length && Number.isFinite(across) && runs.includes(on))),
        ).toEqual([])
        expect(new Set(slots.map(({ id }) => id)).size).toBe(slots.length)
        const said = (all: typeof slots): string => all.map(({ id, s, across }) => `${id} ${s} ${across}`).join()
        expect(said(slotsOf(of, around(run, runs))!)).toBe(said(slots))
        const n = wanted(of)
        if (n !== null) expect(slots).toHaveLength(n)
      }),
      { numRuns: 12 },
    )
  })
})

describe('compass', () => {
  it('puts the same gap between all', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 500 }), share, (n, start) => {
        const points = slotsOf({ kind: 'compass', count: n, start }, around(ring))!
          .map(({ s }) => s)
          .sort((a, b) => a - b)
        for (const { length } of gapsOf(ring, points)) expect(length).toBeCloseTo(ring.length / n, 6)
      }),
    )
  })
  it('stands in the middle of each share of an open run', () => expect(evenly({ closed: false, length: 90 }, 3, 0.4)).toEqual([15, 45, 75]))
})

describe('halfway', () => {
  it('halves every gap, the one over twelve too', () => {
    expect(middles({ closed: true, length: 100 }, [10, 90, 30])).toEqual([20, 60, 0])
    expect(middles({ closed: false, length: 100 }, [10, 90, 30])).toEqual([20, 60])
  })
  it('goes opposite a single point, and nowhere without any', () => {
    expect(middles({ closed: true, length: 100 }, [10])).toEqual([60])
    expect(middles({ closed: true, length: 100 }, [])).toEqual([])
    expect(middles({ closed: false, length: 100 }, [10])).toEqual([])
  })
  it('cannot be told without the other layer', () => {
    for (const rule of [
      { kind: 'halfway' as const, of: 'x' },
      { kind: 'against' as const, of: 'x', count: 3, pattern: 'better' as const },
    ])
      expect(slotsOf(rule, { ...around(ring), pointsOf: () => null })).toBeNull()
  })
})

describe('crescent', () => {
  const points = (dense: (typeof DENSE)[number], thin: number) =>
    slotsOf({ kind: 'crescent', from: 0.75, to: 0.25, count: 9, dense, thin }, around(ring))!.map(({ s }) =>
      along(ring, 0.75 * ring.length, s),
    )
  it('goes clockwise over twelve and stays between its ends', () => {
    for (const s of points('middle', 0.8)) expect(s).toSatisfy((x: number) => x > 0 && x < ring.length / 2)
  })
  it('is even without thinning', () => {
    const gaps = gapsOf({ closed: false, length: 1 }, points('middle', 0)).map(({ length }) => length)
    for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0]!, 6)
  })
  it('thins away from where it is dense', () => {
    const gaps = (dense: (typeof DENSE)[number]) => gapsOf({ closed: false, length: 1 }, points(dense, 0.9)).map(({ length }) => length)
    expect(gaps('start')).toEqual([...gaps('start')].sort((a, b) => a - b))
    expect(gaps('end')).toEqual([...gaps('end')].sort((a, b) => b - a))
    const middle = gaps('middle')
    expect(middle[0]).toBeGreaterThan(middle[4]!)
    expect(middle[0]).toBeCloseTo(middle.at(-1)!, 6)
  })
  it('goes all the way round when it ends where it starts', () => {
    const all = slotsOf({ kind: 'crescent', from: 0.5, to: 0.5, count: 4, dense: 'middle', thin: 0 }, around(ring))!
    expect(along(ring, all[0]!.s, all[1]!.s)).toBeCloseTo(ring.length / 4, 6)
  })
})

describe('cluster', () => {
  it('packs round where the face is wide, in a row where it is thin', () => {
    const rule = { kind: 'cluster' as const, at: [0.5], size: 3 }
    const wide = slotsOf(rule, { ...around(ring), widths: () => [20, 20, 20] })!
    const inRow = slotsOf(rule, around(hoop))!
    expect(wide.some(({ across }) => Math.abs(across) > 0.2)).toBe(true)
    expect(inRow.every(({ across }) => across === 0)).toBe(true)
    expect(inRow[1]!.s - inRow[0]!.s).toBeCloseTo(((30 + 40) / 2) * 0.9, 6)
  })
})

describe('mirror from a seat', () => {
  const rule = { kind: 'mirror' as const, seat: 0.5, gap: 60, reach: 0.4, count: 8, sequence: true }
  const slots = slotsOf(rule, around(ring))!
  const seat = ring.length / 2
  it('lays the same up both sides, and keeps the seat', () => {
    for (let i = 0; i < 8; i += 2) {
      expect(slots[i]!.s - seat).toBeCloseTo(seat - slots[i + 1]!.s, 6)
      expect(slots[i]!.material).toBe(slots[i + 1]!.material)
    }
    for (const { s } of slots) expect(distanceBetween(ring, s, seat)).toBeGreaterThan(60)
    expect(slots.map(({ material }) => material)).toEqual([0, 0, 1, 1, 0, 0, 1, 1])
  })
  it('puts the odd one out on the right', () => {
    const nine = slotsOf({ ...rule, count: 9 }, around(ring))!
    expect(nine.filter(({ s }) => s > seat)).toHaveLength(5)
  })
  it('takes no more than there is on an open run', () => {
    const [garland] = runsOf(usualBase('mantel-garland'))
    for (const { s } of slotsOf({ ...rule, seat: 0.1, reach: 0.9 }, around(garland!))!)
      expect(s).toSatisfy((x: number) => x >= 0 && x <= garland!.length)
  })
})

describe('bands', () => {
  it('lays as many side by side as go round: floor of the line by the width', () => {
    const slots = slotsOf({ kind: 'bands', outer: null, between: 0, inner: null, gaps: false }, around(ring))!
    const line = (t: number) => ring.length + (ring.rim - ring.length) * t
    expect(slots.filter(({ across }) => across > 0)).toHaveLength(Math.floor(line(0.8) / 40))
    expect(slots.filter(({ across }) => across < 0)).toHaveLength(Math.floor(line(-0.8) / 30))
    expect(line(1)).toBeCloseTo(Math.PI * inches(12), 6)
    expect(line(-1)).toBeCloseTo(Math.PI * inches(8), 6)
  })
  it('gives each row its material, and one more in every gap when asked', () => {
    const slots = slotsOf({ kind: 'bands', outer: 4, between: 5, inner: 3, gaps: true }, { ...around(ring), mix: mixOf(40, 30, 20, 10) })!
    expect(slots.map(({ material }) => material).join('')).toBe('00001111122233333')
    expect(slotsOf({ kind: 'bands', outer: null, between: 2, inner: 0, gaps: false }, { ...around(ring), mix: [] })).toHaveLength(2)
  })
})

describe('arms', () => {
  const [left, right] = runsOf(usualBase('tree-swag'))
  it('alternates left and right from the join out, in mirrored pairs', () => {
    const slots = slotsOf({ kind: 'arms', count: 6, from: 0.1, to: 1 }, around(left!, [left!, right!]))!
    expect(slots.map(({ run }) => run.id).join(' ')).toBe('left right left right left right')
    expect(slots[0]!.s).toBeCloseTo(slots[1]!.s, 9)
    expect(slots.map(({ s }) => s)).toEqual([...slots.map(({ s }) => s)].sort((a, b) => a - b))
    expect(slots.map(({ deal }) => deal)).toEqual([0, 0, 1, 1, 2, 2])
  })
  it('serves both arms at once when it lies on each', () => {
    const layer = layerOf('a', 'fir', { kind: 'arms', count: 6, from: 0, to: 1 }, { run: 'each' })
    const slots = layerSlots(layer, [left!, right!], (run) => around(run, [left!, right!]))!
    expect(slots.map(({ id }) => id)).toEqual(['left/0', 'right/1', 'left/2', 'right/3', 'left/4', 'right/5'])
  })
  it('serves both arms where it lies on one of them', () => {
    const layer = layerOf('a', 'fir', { kind: 'arms', count: 6, from: 0, to: 1 }, { run: 'left' })
    const slots = layerSlots(layer, [left!, right!], (run) => around(run, [left!, right!]))!
    expect(slots.map(({ run }) => run.id)).toEqual(['left', 'right', 'left', 'right', 'left', 'right'])
  })
  it.each(BASE_KINDS)('serves every run of a %s once when it lies on each', (kind) => {
    const runs = runsOf(usualBase(kind))
    const slots = layerSlots(layerOf('a', 'fir', { kind: 'arms', count: 4, from: 0, to: 1 }, { run: 'each' }), runs, (run) =>
      around(run, runs),
    )!
    expect(new Set(slots.map(({ run }) => run.id))).toEqual(new Set(runs.map(({ id }) => id)))
    // A pair shares what it takes; a run that is its own image has all of it.
    for (const { id, mirror } of runs) expect(slots.filter(({ run }) => run.id === id || run.id === mirror.run)).toHaveLength(4)
  })
  it('goes to both sides of the seat where there is one run', () => {
    const slots = slotsOf({ kind: 'arms', count: 4, from: 0, to: 0.5 }, around(ring))!
    expect(slots[0]!.s + slots[1]!.s).toBeCloseTo(ring.length, 6)
  })
})

it('lies on every run alike, each with ids of its own', () => {
  const runs = runsOf(usualBase('gourd'))
  const slots = layerSlots(layerOf('a', 'ivy', { kind: 'compass', count: 3, start: 0 }, { run: 'each' }), runs, (run) => around(run, runs))!
  expect(slots).toHaveLength(3 * runs.length)
  expect(new Set(slots.map(({ id }) => id)).size).toBe(slots.length)
})

it('rounds a wanted spacing to a whole count', () => {
  expect(slotsOf({ kind: 'every', spacing: ring.length / 5.4, start: 0 }, around(ring))).toHaveLength(5)
  expect(slotsOf({ kind: 'every', spacing: 20000, start: 0 }, around(ring))).toHaveLength(1)
})

it('scatters as far apart as so many go: no two nearer than two thirds of an even share of the face', () => {
  for (const n of [12, 40, 120]) {
    const places = scatter(ring, n, 5)
    expect(places).toHaveLength(n)
    const at = places.map(({ s, t }) => {
      const { x, y, nx, ny, half } = stationAt(ring, s)
      return [x + nx * half * t, y + ny * half * t] as const
    })
    const nearest = Math.min(...at.flatMap(([x, y], i) => at.slice(i + 1).map(([u, v]) => Math.hypot(x - u, y - v))))
    const share = Math.min(ring.length / n, Math.sqrt((ring.length * inches(2) * 0.9) / n))
    expect(nearest / share, `${n}`).toBeGreaterThan(0.66)
  }
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Run } from '../base'
import { along, chainRun, ringRun } from '../base'
import { inches } from '../measure'
import type { Rule } from '../piece'
import { DENSE, RuleSchema } from '../piece'
import { evenly, middles, slotsOf } from './slots'
import { gapsOf } from './tape'

const ring = ringRun('ring', 'ring', inches(12), inches(8))
const swag = chainRun('swag', 'swag', [{ x: 0, y: 0 }, { x: 500, y: 100 }, { x: 900, y: 100 }], 45)
const hoop = ringRun('ring', 'ring', inches(20), inches(19.5))
const around = (run: Run) => ({ run, pointsOf: () => evenly(run, 5, 0.1), widths: (n: number) => Array.from({ length: n }, (_, i) => 30 + (i % 3) * 10) })

const share = fc.double({ min: 0, max: 1, noNaN: true })
const rules: Record<Rule['kind'], fc.Arbitrary<Rule>> = {
  compass: fc.record({ kind: fc.constant('compass' as const), count: fc.integer({ min: 0, max: 500 }), start: share }),
  halfway: fc.constant({ kind: 'halfway' as const, of: 'x' }),
  every: fc.record({ kind: fc.constant('every' as const), spacing: fc.double({ min: 1, max: 20000, noNaN: true }), start: share }),
  cluster: fc.record({ kind: fc.constant('cluster' as const), at: fc.array(share, { maxLength: 6 }), size: fc.integer({ min: 0, max: 30 }) }),
  crescent: fc.record({ kind: fc.constant('crescent' as const), from: share, to: share, count: fc.integer({ min: 0, max: 500 }), dense: fc.constantFrom(...DENSE), thin: share }),
  single: fc.record({ kind: fc.constant('single' as const), at: share, drop: fc.double({ min: 0, max: 500, noNaN: true }) }),
}
const wanted = (rule: Rule): number | null => {
  switch (rule.kind) {
    case 'compass': case 'crescent': return rule.count
    case 'cluster': return rule.at.length * rule.size
    case 'single': return 1
    default: return null
  }
}

describe.each([['closed', ring], ['open', swag], ['thin', hoop]] as const)('any rule on a %s run', (_, run) => {
  it.each(Object.entries(rules))('%s: stays on the run, counts up, has its own ids and does the same again', (_, rule) => {
    fc.assert(fc.property(rule, (of) => {
      expect(RuleSchema.safeParse(of).success).toBe(true)
      const slots = slotsOf(of, around(run))!
      for (const { s, across } of slots) {
        expect(s).toSatisfy((x: number) => x >= 0 && x <= run.length)
        expect(Number.isFinite(across)).toBe(true)
      }
      expect(new Set(slots.map(({ id }) => id)).size).toBe(slots.length)
      expect(slotsOf(of, around(run))).toEqual(slots)
      const count = wanted(of)
      if (count !== null) expect(slots).toHaveLength(count)
    }), { numRuns: 60 })
  })
})

describe('compass', () => {
  it('puts the same gap between all', () => {
    fc.assert(fc.property(fc.integer({ min: 2, max: 500 }), share, (count, start) => {
      const points = slotsOf({ kind: 'compass', count, start }, around(ring))!.map(({ s }) => s).sort((a, b) => a - b)
      for (const { length } of gapsOf(ring, points)) expect(length).toBeCloseTo(ring.length / count, 6)
    }))
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
  it('cannot be told without the other layer', () => expect(slotsOf({ kind: 'halfway', of: 'x' }, { ...around(ring), pointsOf: () => null })).toBeNull())
})

describe('crescent', () => {
  const points = (dense: (typeof DENSE)[number], thin: number) => slotsOf({ kind: 'crescent', from: 0.75, to: 0.25, count: 9, dense, thin }, around(ring))!.map(({ s }) => along(ring, 0.75 * ring.length, s))
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
    const row = slotsOf(rule, around(hoop))!
    expect(wide.some(({ across }) => Math.abs(across) > 5)).toBe(true)
    expect(row.every(({ across }) => across === 0)).toBe(true)
    expect(row[1]!.s - row[0]!.s).toBeCloseTo((30 + 40) / 2 * 0.9, 6)
  })
})

it('rounds a wanted spacing to a whole count', () => {
  expect(slotsOf({ kind: 'every', spacing: ring.length / 5.4, start: 0 }, around(ring))).toHaveLength(5)
  expect(slotsOf({ kind: 'every', spacing: 20000, start: 0 }, around(ring))).toHaveLength(1)
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, pathRun, line, ringRun, runsOf, usualBase } from '../base'
import { inches } from '../measure'
import type { Rule } from '../piece'
import { edit } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { clashesOf, reachInto } from './collisions'
import { arrange } from './layout'
import { arrangeProblems } from './problems'
import { inside, joined, keepClear, reserved } from './reserved-zones'

const ring = ringRun('ring', 'ring', inches(12), inches(8))
const open = pathRun({ id: 'ring', name: 'open', segments: [line({ x: 0, y: 0 }, { x: 1000, y: 0 })], width: 40 })
const zone = (from: number, length: number) => ({ layer: 'z', run: 'ring', from, length })

describe('joined', () => {
  it('joins what overlaps, over the start of a ring too', () => {
    expect(joined([zone(100, 50), zone(130, 40), zone(300, 10)], open)).toEqual([
      { from: 100, length: 70 },
      { from: 300, length: 10 },
    ])
    const [one] = joined([zone(ring.length - 20, 40), zone(15, 30)], ring)
    expect(one).toEqual({ from: expect.closeTo(ring.length - 20, 6), length: expect.closeTo(65, 6) })
    expect(joined([{ ...zone(0, 5), run: 'other' }], open)).toEqual([])
  })
})

describe('keepClear', () => {
  const stretches = fc.array(
    fc.record({ from: fc.double({ min: 0, max: 990, noNaN: true }), length: fc.double({ min: 1, max: 200, noNaN: true }) }),
    { maxLength: 4 },
  )
  it.each([
    ['open', open],
    ['closed', ring],
  ] as const)('lets nothing into what is reserved, and keeps the order: %s', (_, run) => {
    fc.assert(
      fc.property(stretches, fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2, maxLength: 12 }), (zones, shares) => {
        const kept = joined(
          zones.map(({ from, length }) => zone((from / 1000) * run.length, length)),
          run,
        )
        if (kept.reduce((total, { length }) => total + length, 0) >= run.length - 1) return
        const move = keepClear(run, kept)
        const before = shares.map((share) => share * run.length * 0.9999).sort((a, b) => a - b)
        const after = before.map(move)
        for (const s of after) expect(reserved(run, kept, s)).toBe(false)
        if (!run.closed) for (let i = 1; i < after.length; i++) expect(after[i]!).toBeGreaterThanOrEqual(after[i - 1]! - 1e-6)
      }),
      { numRuns: 150 },
    )
  })
  it('leaves what is far off where it is, and everything when there is no room', () => {
    const move = keepClear(open, [{ from: 400, length: 100 }])
    expect([move(100), move(299), move(900)]).toEqual([100, 299, 900])
    expect(move(430)).toBeLessThanOrEqual(400)
    expect(move(470)).toBeGreaterThanOrEqual(500)
    expect(keepClear(open, [{ from: 0, length: 1000 }])(500)).toBe(500)
  })
})

describe('reserved places', () => {
  const rules: Rule[] = [
    { kind: 'compass', count: 24, start: 0 },
    { kind: 'every', spacing: 40, start: 0 },
    { kind: 'crescent', from: 0, to: 1, count: 30, dense: 'middle', thin: 0.5 },
    { kind: 'bands', outer: 12, between: 12, inner: 12, gaps: true },
    { kind: 'scatter', count: 40 },
    { kind: 'mirror', seat: 0.25, gap: 0, reach: 0.5, count: 20, sequence: false },
    { kind: 'arms', count: 20, from: 0, to: 1 },
  ]
  it.each(BASE_KINDS)('on a %s nothing that minds them is laid in them, and nothing is lost', (kind) => {
    const base = usualBase(kind)
    const runs = runsOf(base)
    for (const rule of rules) {
      const piece = pieceWith(
        [
          layerOf('bow', 'bow-honey', { kind: 'single', at: 0.4, drop: 0 }, { run: runs[0]!.id, reserve: 10 }),
          layerOf('a', 'heather', rule, { run: runs.length > 1 ? 'each' : runs[0]!.id, clear: true, acrossSpread: 0.4 }),
          layerOf('b', 'heather', rule, { run: runs.length > 1 ? 'each' : runs[0]!.id }),
        ],
        { base },
      )
      const laid = arrange(piece, runs, shelf)
      const kept = laid[0]!.zones
      expect(laid[1]!.placements).toHaveLength(laid[2]!.placements.length)
      for (const run of runs) {
        const own = joined(kept, run)
        if (own.reduce((total, { length }) => total + length, 0) >= run.length - 1) continue
        for (const { s } of laid[1]!.placements.filter((each) => each.run === run.id)) expect(reserved(run, own, s)).toBe(false)
      }
    }
  })
  it('a seat is one, for all other layers', () => {
    const piece = pieceWith([
      layerOf('m', 'bay', { kind: 'mirror', seat: 0.5, gap: 60, reach: 0.4, count: 8, sequence: false }),
      layerOf('a', 'heather', { kind: 'compass', count: 30, start: 0 }, { clear: true }),
    ])
    const laid = arrange(piece, [ring], shelf)
    expect(laid[0]!.zones).toEqual([
      { layer: 'm', run: 'ring', from: expect.closeTo(ring.length / 2 - 60, 6), length: expect.closeTo(120, 6) },
    ])
    for (const { s } of laid[1]!.placements) expect(reserved(ring, laid[0]!.zones, s)).toBe(false)
  })
})

describe('clashes', () => {
  const square = (x: number, size: number) => [
    { x, y: 0 },
    { x: x + size, y: 0 },
    { x: x + size, y: size },
    { x, y: size },
  ]
  it('measure how far one reaches into the other', () => {
    expect(reachInto(square(0, 10), square(20, 10))).toBe(0)
    expect(
      reachInto(
        [
          { x: -5, y: 4 },
          { x: 3, y: 5 },
          { x: -5, y: 6 },
        ],
        square(0, 10),
      ),
    ).toBeCloseTo(3, 9)
    expect(inside({ x: 5, y: 5 }, square(0, 10))).toBe(true)
    expect(inside({ x: 15, y: 5 }, square(0, 10))).toBe(false)
  })
  const piece = pieceWith([
    layerOf('bow', 'bow-honey', { kind: 'single', at: 0.5, drop: 0 }, { role: 'bow' }),
    layerOf('rose', 'rose', { kind: 'single', at: 0.52, drop: 0 }, { role: 'focal', clear: false }),
    layerOf('fern', 'bracken', { kind: 'single', at: 0.45, drop: 0 }, { role: 'greenery' }),
  ])
  it('tell what presses into a bow, and what lies over it; each mend ends its clash', () => {
    const laid = arrange(piece, [ring], shelf)
    expect(clashesOf(laid).map(({ thing, hides }) => [thing.layer, hides])).toEqual(
      expect.arrayContaining([
        ['rose', false],
        ['fern', true],
      ]),
    )
    const problems = arrangeProblems({ piece, laid, runs: [ring], shelf }).filter(({ id }) => id.startsWith('clash'))
    for (const problem of problems) {
      let now = piece
      for (let i = 0; i < 4; i++) {
        const [same] = arrangeProblems({ piece: now, laid: arrange(now, [ring], shelf), runs: [ring], shelf }).filter(
          ({ id }) => id === problem.id,
        )
        if (!same) break
        const edited = edit(now, same.mends[0]!.edit!, 'mend')
        if (!edited.ok) throw new Error(edited.error)
        now = edited.change.piece
      }
      expect(arrangeProblems({ piece: now, laid: arrange(now, [ring], shelf), runs: [ring], shelf }).map(({ id }) => id)).not.toContain(
        problem.id,
      )
    }
  })
  it('say nothing of greenery that lies under a bow', () => {
    const under = pieceWith([piece.layers[2]!, piece.layers[0]!])
    expect(clashesOf(arrange(under, [ring], shelf))).toEqual([])
  })
  it('are counted when there are too many to tell', () => {
    const many = pieceWith([piece.layers[0]!, layerOf('r', 'bracken', { kind: 'compass', count: 60, start: 0 })])
    const problems = arrangeProblems({ piece: many, laid: arrange(many, [ring], shelf), runs: [ring], shelf })
    expect(problems.map(({ id }) => id)).toContain('clash:rest')
    expect(problems.length).toBeLessThan(9)
  })
})

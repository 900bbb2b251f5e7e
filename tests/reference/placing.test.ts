import { describe, expect, it } from 'vitest'
import { against, arrange, evenly, sample, scatter, swap } from '../../core/placement'
import { across, line, pathRun, ringRun, runsOf, stationAt } from '../../core/base'
import { inches } from '../../core/measure'
import { layerOf, pieceWith, shelf } from '../../core/testing'

const turn = { closed: true, length: 360 }

describe('N against M', () => {
  // Source: a worked case of the trade (common practice), and arithmetic: 5 among 3 turned evenly leaves a pair 12 degrees apart at best;
  // dealt 2-2-1 into the gaps the nearest are 40 degrees apart.
  it('5 among 3: even leaves 12 degrees, dealt leaves 40, and dealt is taken', () => {
    const { even, dealt, chosen } = against(turn, evenly(turn, 3, 0), 5, 'better')
    expect(even.least).toBeCloseTo(12, 9)
    expect(dealt.least).toBeCloseTo(40, 9)
    expect(chosen.name).toBe('dealt')
  })
  // Source: exhaustive search over turns, a hundredth of a degree at a time, written here.
  it.each([
    [5, 3],
    [7, 4],
    [6, 4],
    [3, 5],
    [9, 6],
    [4, 4],
    [1, 7],
  ])('%i among %i: no turn of the even pattern does better', (n, m) => {
    const others = evenly(turn, m, 0)
    const { even } = against(turn, others, n, 'even')
    let best = 0
    for (let shift = 0; shift < 360 / n; shift += 0.01) {
      const least = Math.min(
        ...evenly(turn, n, shift / 360).flatMap((s) => others.map((other) => Math.abs(((s - other + 540) % 360) - 180))),
      )
      best = Math.max(best, least)
    }
    expect(even.least).toBeGreaterThanOrEqual(best - 0.02)
  })
  it('wants an even pattern when it is the better', () =>
    expect(against(turn, evenly(turn, 4, 0), 4, 'better').chosen.least).toBeCloseTo(45, 9))
})

describe('scatter', () => {
  // Source: R. Bridson, "Fast Poisson disk sampling in arbitrary dimensions", SIGGRAPH sketches 2007 (from memory): no two samples lie nearer
  // than r, and a sample is maximal or nearly so: its density n r² / area lies near 0.7 in the plane (between 0.6 and 0.85 is common).
  const strip = pathRun({ id: 's', name: 's', segments: [line({ x: 0, y: 0 }, { x: 2000, y: 0 })], width: 500 })
  it.each([20, 40, 80])('no two nearer than %f, and as dense as Poisson disk samples are', (apart) => {
    const darts = sample(strip, apart, 7, 100_000)
    let least = Infinity
    for (let i = 0; i < darts.length; i++)
      for (let k = 0; k < i; k++) least = Math.min(least, Math.hypot(darts[i]!.x - darts[k]!.x, darts[i]!.y - darts[k]!.y))
    expect(least).toBeGreaterThanOrEqual(apart)
    const density = (darts.length * apart * apart) / (2000 * 900)
    expect(density).toBeGreaterThan(0.6)
    expect(density).toBeLessThan(0.9)
  })
  // Source: for n points thrown independently the mean distance to the nearest is 0.5 / sqrt(n / area) (P. J. Clark and F. C. Evans 1954, from memory).
  it('lies wider apart than chance would', () => {
    const ring = ringRun('r', 'r', 600, 200)
    const points = scatter(ring, 60, 3).map(({ s, t }) => across(stationAt(ring, s), t))
    const nearest = points.map((a) => Math.min(...points.filter((b) => b !== a).map((b) => Math.hypot(a.x - b.x, a.y - b.y))))
    const mean = nearest.reduce((a, b) => a + b, 0) / nearest.length
    const chance = 0.5 / Math.sqrt(60 / (Math.PI * (300 ** 2 - 100 ** 2)))
    expect(mean).toBeGreaterThan(chance * 1.4)
    expect(Math.min(...nearest)).toBeGreaterThan(chance * 0.9)
  })
})

describe('covering alike', () => {
  // Source: a worked value of the trade (common practice): five of 4 in look like nine of 3 in, 80 against 81.
  it('five heads of 4 in are swapped for nine of 3 in', () => {
    const sized = (id: string, across: number) => ({ ...shelf.materials['rose']!, id, length: inches(across), width: inches(across) })
    const on = { ...shelf, materials: { ...shelf.materials, four: sized('four', 4), three: sized('three', 3) } }
    const piece = pieceWith([
      layerOf('a', 'rose', { kind: 'compass', count: 5, start: 0 }, { mix: [{ material: 'four', share: 1, only: null }] }),
    ])
    const runs = runsOf(piece.base)
    expect(swap({ piece, runs, shelf: on }, arrange(piece, runs, on)[0]!, 'four', 'three')).toMatchObject({ before: 5, after: 9 })
  })
})

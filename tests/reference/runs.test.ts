import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { BASE_SORTS, bentHeight, catenary, ellipse, pathRun, pointOn, runsOf, stationAt, usualBase } from '../../core/base'
import { swagRuns, treesLength } from '../../core/base/garland-runs'
import { ovalHeight } from '../../core/base/outlines'
import { inches, toInches } from '../../core/measure'

/** The complete elliptic integral of the second kind by the arithmetic-geometric mean (DLMF 19.8(i), from memory). */
function ellipticE(k: number): number {
  let [a, b, c, sum, power] = [1, Math.sqrt(1 - k * k), k, 0, 0.5]
  while (Math.abs(c) > 1e-16) {
    sum += power * c * c
    ;[a, b, c, power] = [(a + b) / 2, Math.sqrt(a * b), (a - b) / 2, power * 2]
  }
  return (Math.PI / (2 * a)) * (1 - sum)
}

describe('ellipses', () => {
  // Source: DLMF chapter 19: the perimeter of an ellipse is 4 a E(k), k its eccentricity; E by the AGM, not by our quadrature.
  it.each([
    [7, 5],
    [100, 99],
    [100, 30],
    [1, 1],
    [400, 4],
  ])('with semi-axes %f and %f', (a, b) => {
    const perimeter = 4 * a * ellipticE(Math.sqrt(1 - (b / a) ** 2))
    expect(ellipse(a, b).length / perimeter).toBeCloseTo(1, 6)
    expect(ellipse(b, a).length / perimeter).toBeCloseTo(1, 6)
  })
  // Source: a worked value of the trade (common practice): semi-axes 7 and 5 measure 37.961 round.
  it('of 7 by 5 measures 37.961', () => expect(ellipse(7, 5).length).toBeCloseTo(37.961, 3))
  // Source: the same: a 14 in ring squeezed to 12 in wide stands 15.87 in tall.
  it('a bent ring keeps its perimeter: 14 in at 12 in wide stands 15.87 in', () => {
    expect(toInches(bentHeight(Math.PI * inches(14), inches(12)))).toBeCloseTo(15.87, 2)
    expect(toInches(ovalHeight({ ring: inches(14), width: inches(12) }))).toBeCloseTo(15.87, 2)
    expect(bentHeight(Math.PI * 300, 300)).toBeCloseTo(300, 6)
  })
})

describe('catenaries', () => {
  // Source: the catenary's equation y = a cosh(x/a): its length between two hooks at one height is 2 a sinh(span / 2a).
  it.each([
    [36, 9, 41.43],
    [48, 8, 51.39],
  ])('over %f in that hang %f in take %f in', (span, drop, known) => {
    const garland = catenary({ x: 0, y: 0 }, inches(span), inches(drop))
    expect(toInches(garland.length)).toBeCloseTo(known, 2)
    let [low, high] = [1, 1e6]
    for (let i = 0; i < 200; i++) {
      const a = (low + high) / 2
      if (a * (Math.cosh(span / (2 * a)) - 1) > drop) low = a
      else high = a
    }
    expect(toInches(garland.length)).toBeCloseTo(2 * low * Math.sinh(span / (2 * low)), 6)
    expect(toInches(pointOn(garland, garland.length / 2).y)).toBeCloseTo(drop, 6)
  })
})

describe('deep catenaries', () => {
  // Source: the same equation turned round: with length L and drop d, a = (L²/4 − d²) / 2d and the span is 2a asinh(L / 2a).
  it.each([
    [500, 6500],
    [500, 100],
    [693, 12000],
    [900, 900],
    [500, 5600],
  ])('over %d mm that hang %d mm end where their hooks are', (span, drop) => {
    const garland = catenary({ x: 0, y: 0 }, span, drop)
    const a = (garland.length ** 2 / 4 - drop ** 2) / (2 * drop)
    expect(2 * a * Math.asinh(garland.length / (2 * a))).toBeCloseTo(span, 3)
    expect(pointOn(garland, garland.length).x).toBeCloseTo(span, 6)
    expect(pointOn(garland, garland.length / 2).y).toBeCloseTo(drop, 6)
  })
  // By hand: so deep it is all but two straight falls of 6.5 m.
  it('of 13 spans is about twice its drop', () => expect(catenary({ x: 0, y: 0 }, 500, 6500).length / 13_000).toBeCloseTo(1, 1))
})

describe('the rim of a heart', () => {
  // Source: polygon-clipping (registry): the union of the face's short pieces, its outer ring measured.
  it.each(BASE_SORTS.heart.sizes.map(({ shape }) => [shape] as const))('%o', (shape) => {
    const [run] = runsOf({ shape, turn: 0 })
    const N = 600
    const at = (i: number, t: number): [number, number] => {
      const { x, y, nx, ny, half } = stationAt(run!, run!.length * Math.min(1 - 1e-9, i / N))
      return [x + nx * half * t, y + ny * half * t]
    }
    const quads = Array.from({ length: N }, (_, i): [number, number][][] => [[at(i, 1), at(i + 1, 1), at(i + 1, -1), at(i, -1)]])
    const [outer] = polygonClipping
      .union(quads[0]!, ...quads.slice(1))
      .map(([ring]) => ring!)
      .sort((a, b) => b.length - a.length)
    const round = outer!.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - outer![i]![0], y - outer![i]![1]), 0)
    expect(Math.abs(run!.rim / round - 1)).toBeLessThan(0.005)
  })
})

describe('lengths of the trade', () => {
  // Source: common practice: two mini trees of height h with trunks overlapped by o make 2h - o.
  it('two 24 in trees overlapped by 5 in make 43 in', () => {
    const shape = { form: 'swag' as const, tree: inches(24), overlap: inches(5), width: inches(12), joined: 'ties' as const }
    expect(toInches(treesLength(shape))).toBeCloseTo(43, 9)
    expect(toInches(swagRuns(shape).reduce((total, { length }) => total + length, 0))).toBeCloseTo(43, 9)
  })
  // Source: common practice: a garland round a door takes 2H + W: 84 x 38 in is 206 in.
  it('round a door of 84 by 38 in: 206 in, in two mirrored halves', () => {
    const runs = runsOf({ shape: { form: 'door', width: inches(38), height: inches(84), face: inches(8) }, turn: 0 })
    expect(runs.map(({ length }) => toInches(length))).toEqual([expect.closeTo(103, 9), expect.closeTo(103, 9)])
  })
  // Source: Steiner's formula for parallel curves (from memory): the outer edge of a closed convex band is longer by a full turn of half its width.
  it('a rim is longer than the centre line by pi times the face', () => {
    for (const kind of ['grapevine', 'square'] as const) {
      const [run] = runsOf(usualBase(kind))
      expect(run!.rim - run!.length).toBeCloseTo(2 * Math.PI * stationAt(run!, run!.length / 8).half, 6)
    }
    expect(pathRun({ id: 'o', name: 'o', segments: [ellipse(200, 120)], width: 20, closed: true }).rim).toBeGreaterThan(
      ellipse(200, 120).length,
    )
  })
})

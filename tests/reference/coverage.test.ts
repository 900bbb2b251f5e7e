import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { ringRun } from '../../core/base'
import { footprint, patchOutline } from '../../core/arrange'
import { faceGrid, fill } from '../../core/cover/grid'
import { random } from '../../core/measure'
import { layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'

type Point = { x: number, y: number }
const polygonArea = (points: readonly Point[]): number => Math.abs(points.reduce((sum, a, i) => {
  const b = points[(i + 1) % points.length]!
  return sum + a.x * b.y - b.x * a.y
}, 0)) / 2

describe('patches thrown at random', () => {
  // Source: the Boolean model, P. Hall, "Introduction to the Theory of Coverage Processes" (1988): patches whose areas come to a times
  // the region cover 1 - exp(-a) of it in the mean. Thrown over a box wider than the face by a patch's length, so that edges do not matter.
  const ring = ringRun('ring', 'ring', 600, 240)
  const grid = faceGrid([ring])
  const leaf = patchOutline('leaf', 90, 30)
  const leafArea = polygonArea(leaf)
  const half = 300 + 90

  it.each([[1, 0.632], [2, 0.865], [3, 0.95]])('of %f times the face cover %f', (a, known) => {
    const THROWS = 40
    const covered = Array.from({ length: THROWS }, (_, seed) => {
      const toss = random(seed * 97 + Math.round(a * 13))
      const mean = (a * (2 * half) ** 2) / leafArea
      const patches = Array.from({ length: poisson(mean, toss.next) }, () => {
        const [x, y, turn] = [toss.spread(half), toss.spread(half), toss.between(0, 2 * Math.PI)]
        return leaf.map((point) => ({ x: x + point.x * Math.cos(turn) - point.y * Math.sin(turn), y: y + point.x * Math.sin(turn) + point.y * Math.cos(turn) }))
      })
      const depth = new Uint16Array(grid.columns * grid.rows)
      for (const patch of patches) fill(grid, patch, (at) => { depth[at]! += 1 })
      return grid.owner.reduce((n, owner, at) => n + (owner && depth[at]! > 0 ? 1 : 0), 0) / grid.cells
    })
    const mean = covered.reduce((x, y) => x + y, 0) / THROWS
    const error = Math.sqrt(covered.reduce((x, y) => x + (y - mean) ** 2, 0) / (THROWS - 1) / THROWS)
    expect(Math.abs(mean - (1 - Math.exp(-a)))).toBeLessThan(4 * error)
    expect(mean).toBeCloseTo(known, 1)
    expect(error).toBeLessThan(0.01)
  })

  it('ordered placing does better than a random throw of the same stems', () => {
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 16, start: 0 }, { cut: 200, across: 0 })], { ring: { outer: 400, inner: 220 } })
    const { cover, placements } = work(piece, shelf)
    const face = Math.PI * (200 ** 2 - 110 ** 2)
    const a = placements.length * polygonArea(patchOutline('leaf', 200, placements[0]!.width)) / face
    expect(cover.share.value).toBeGreaterThan(1 - Math.exp(-a * 0.8))
  })
})

/** Knuth's way for small means, split for large ones. */
function poisson(mean: number, next: () => number): number {
  if (mean > 30) return poisson(mean / 2, next) + poisson(mean / 2, next)
  let n = -1
  for (let p = 1; p > Math.exp(-mean); n++) p *= next()
  return n
}

describe('the count on the grid', () => {
  // Checked against an exact union of polygons by a general-purpose library from the registry (polygon-clipping).
  it('is within one per cent of the exact union on the same stems', () => {
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 14, start: 0 }, { leanSpread: 30, acrossSpread: 1, cut: 140 })], { ring: { outer: 400, inner: 260 } })
    const { placements, cover } = work(piece, shelf)
    const circle = (r: number): [number, number][] => Array.from({ length: 720 }, (_, i) => [Math.cos((i / 360) * Math.PI) * r, Math.sin((i / 360) * Math.PI) * r])
    const face = polygonClipping.difference([circle(200)], [circle(130)])
    const leaves = placements.map((placement) => [footprint(placement, 'leaf').map(({ x, y }): [number, number] => [x, y])])
    const covered = polygonClipping.intersection(face, polygonClipping.union(leaves[0]!, ...leaves.slice(1)))
    const size = (multi: typeof covered) => multi.reduce((sum, rings) => sum + rings.reduce((area, ring, i) => area + (i ? -1 : 1) * polygonArea(ring.map(([x, y]) => ({ x: x!, y: y! }))), 0), 0)
    expect(cover.share.value / (size(covered) / size(face))).toBeGreaterThan(0.99)
    expect(cover.share.value / (size(covered) / size(face))).toBeLessThan(1.01)
  })
})

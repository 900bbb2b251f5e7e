import { describe, expect, it } from 'vitest'
import { ringRun } from '../../core/base'
import { footprint } from '../../core/placement'
import { silhouetteOf } from '../../core/looks'
import { faceGrid, fill } from '../../core/coverage/grid'
import { random } from '../../core/measure'
import { layerOf, pieceWith, shelf } from '../../core/testing'
import { work } from '../../core/workings'

type Point = { x: number; y: number }
const polygonArea = (points: readonly Point[]): number =>
  Math.abs(
    points.reduce((sum, a, i) => {
      const b = points[(i + 1) % points.length]!
      return sum + a.x * b.y - b.x * a.y
    }, 0),
  ) / 2

describe('patches thrown at random', () => {
  // Source: the Boolean model, P. Hall, "Introduction to the Theory of Coverage Processes" (1988): patches whose areas come to a times
  // the region cover 1 - exp(-a) of it in the mean. Thrown over a box wider than the face by a patch's length, so that edges do not matter.
  const ring = ringRun('ring', 'ring', 600, 240)
  const grid = faceGrid([ring])
  const leaf = footprint({ x: 0, y: 0, bearing: 0, bend: 0, length: 90, width: 30 }, 'leaf')
  const leafArea = polygonArea(leaf)
  const half = 300 + 90

  it.each([
    [1, 0.632],
    [2, 0.865],
    [3, 0.95],
  ])('of %f times the face cover %f', (a, known) => {
    const THROWS = 40
    const covered = Array.from({ length: THROWS }, (_, seed) => {
      const toss = random(seed * 97 + Math.round(a * 13))
      const mean = (a * (2 * half) ** 2) / leafArea
      const patches = Array.from({ length: poisson(mean, toss.next) }, () => {
        const [x, y, turn] = [toss.spread(half), toss.spread(half), toss.between(0, 2 * Math.PI)]
        return leaf.map((point) => ({
          x: x + point.x * Math.cos(turn) - point.y * Math.sin(turn),
          y: y + point.x * Math.sin(turn) + point.y * Math.cos(turn),
        }))
      })
      const depth = new Uint16Array(grid.columns * grid.rows)
      for (const patch of patches)
        fill(grid, patch, (at) => {
          depth[at]! += 1
        })
      return grid.owner.reduce((n, owner, at) => n + (owner && depth[at]! > 0 ? 1 : 0), 0) / grid.cells
    })
    const mean = covered.reduce((x, y) => x + y, 0) / THROWS
    const error = Math.sqrt(covered.reduce((x, y) => x + (y - mean) ** 2, 0) / (THROWS - 1) / THROWS)
    expect(Math.abs(mean - (1 - Math.exp(-a)))).toBeLessThan(4 * error)
    expect(mean).toBeCloseTo(known, 1)
    expect(error).toBeLessThan(0.01)
  })

  it('ordered placing does better than a random throw of the same stems', () => {
    const piece = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 16, start: 0 }, { cut: 200, across: 0 })], {
      ring: { outer: 400, inner: 220 },
    })
    const { cover, placements } = work(piece, shelf)
    const face = Math.PI * (200 ** 2 - 110 ** 2)
    const hidden = placements.reduce((sum, each) => sum + silhouetteOf(each, shelf).area, 0)
    // Of stems that follow the ring about nine tenths lie over its face.
    expect(cover.share.value).toBeGreaterThan(1 - Math.exp((-0.9 * hidden) / face))
  })
})

/** Knuth's way for small means, split for large ones. */
function poisson(mean: number, next: () => number): number {
  if (mean > 30) return poisson(mean / 2, next) + poisson(mean / 2, next)
  let n = -1
  for (let p = 1; p > Math.exp(-mean); n++) p *= next()
  return n
}

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arrange } from '../arrange'
import { chainRun, ringRun, runsOf } from '../base'
import { inches, say } from '../measure'
import type { Layer, Piece } from '../piece'
import { edit } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { coverageOf } from './coverage'
import { footprint, patchOutline } from './footprint'
import { faceGrid, fill } from './grid'
import { coverProblems } from './problems'

const ring = ringRun('ring', 'ring', inches(12), inches(8))
const area = (points: readonly { x: number, y: number }[]): number =>
  Math.abs(points.reduce((sum, a, i) => {
    const b = points[(i + 1) % points.length]!
    return sum + a.x * b.y - b.x * a.y
  }, 0)) / 2

const look = (piece: Piece) => {
  const runs = runsOf(piece.base)
  const laid = arrange(piece, runs, shelf)
  const cover = coverageOf(runs[0]!, laid.flatMap(({ placements }) => placements), shelf)
  return { cover, problems: coverProblems(piece, runs[0]!, cover, laid, shelf) }
}
const covering = (layer: Layer, fullness: Piece['brief']['fullness'] = 'full') => look(pieceWith([layer], { brief: { fullness } }))

describe('faceGrid', () => {
  it('has the area of the face, on closed and on open runs', () => {
    const grid = faceGrid(ring)
    const exact = Math.PI * (inches(6) ** 2 - inches(4) ** 2)
    expect(grid.cells * grid.cell ** 2 / exact).toBeCloseTo(1, 2)
    const strip = faceGrid(chainRun('s', 's', [{ x: 0, y: 0 }, { x: 900, y: 0 }], 40))
    expect(strip.cells * strip.cell ** 2 / (900 * 80)).toBeCloseTo(1, 1)
  })
  it('cuts the run into stretches of like size', () => {
    const grid = faceGrid(ring)
    const sizes = Array.from({ length: grid.stretches }, (_, i) => grid.stretch.reduce((n, owner) => n + (owner === i + 1 ? 1 : 0), 0))
    expect(Math.min(...sizes)).toBeGreaterThan(0.8 * grid.cells / grid.stretches)
  })
})

describe('fill', () => {
  it('visits as much as the polygon holds, each cell once, and nothing off the grid', () => {
    const grid = { left: -100, top: -100, cell: 2, columns: 100, rows: 100 }
    fc.assert(fc.property(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: 5, max: 90, noNaN: true }), fc.double({ min: 5, max: 60, noNaN: true }), (x, length, width) => {
      const seen: number[] = []
      fill(grid, patchOutline('leaf', length, width).map((point) => ({ x: point.x + x, y: point.y })), (at) => seen.push(at))
      expect(new Set(seen).size).toBe(seen.length)
      expect(seen.every((at) => at >= 0 && at < 10000)).toBe(true)
    }))
    const seen: number[] = []
    fill(grid, [{ x: -500, y: -500 }, { x: 500, y: -500 }, { x: 500, y: 500 }, { x: -500, y: 500 }], (at) => seen.push(at))
    expect(seen).toHaveLength(10000)
  })
})

describe('footprint', () => {
  it.each([['leaf', 0.6, 0.85], ['disc', 0.75, 0.79], ['board', 1, 1]] as const)('%s covers its share of its box', (form, least, most) => {
    const share = area(patchOutline(form, 200, 60)) / (200 * 60)
    expect(share).toBeGreaterThanOrEqual(least)
    expect(share).toBeLessThanOrEqual(most)
  })
  it('turns and moves without changing its size', () => {
    const [placed] = arrange(pieceWith([layerOf('a', 'bracken', { kind: 'single', at: 0.3, drop: 0 }, { lean: 20 })]), [ring], shelf)[0]!.placements
    expect(area(footprint(placed!, 'leaf'))).toBeCloseTo(area(patchOutline('leaf', placed!.length, placed!.width)), 4)
  })
})

describe('coverageOf', () => {
  it('is nothing on a bare base and all under a board over it', () => {
    const bare = look(pieceWith([]))
    expect(bare.cover.share.value).toBe(0)
    expect(bare.cover.bare).toEqual([{ from: 0, length: expect.closeTo(ring.length, 6) }])
    const board = { ...shelf.materials['oar-sign']!, id: 'board', length: 800, width: 800 }
    const on = { ...shelf, materials: { ...shelf.materials, board } }
    const piece = pieceWith([layerOf('a', 'oar-sign', { kind: 'single', at: 0, drop: 0 }, { mix: [{ material: 'board', share: 1 }] })])
    const { share, twoDeep } = coverageOf(ring, arrange(piece, [ring], on)[0]!.placements, on)
    expect([share.value, twoDeep.value]).toEqual([1, 0])
  })
  it('grows with every stem and never passes one', () => {
    const shares = [1, 4, 8, 16, 40].map((count) => covering(layerOf('a', 'bracken', { kind: 'compass', count, start: 0 })).cover.share.value)
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    expect(shares.at(-1)).toBeLessThanOrEqual(1)
  })
  it('finds the bare half of a half-covered ring, over twelve too', () => {
    const half = { kind: 'crescent' as const, from: 0.25, to: 0.75, count: 40, dense: 'middle' as const, thin: 0 }
    const { cover } = covering(layerOf('a', 'statice', half, { cut: 80, flow: 'outward' }))
    expect(cover.bare).toHaveLength(1)
    const [stretch] = cover.bare
    expect(stretch!.from / ring.length).toBeGreaterThan(0.7)
    expect(stretch!.length / ring.length).toBeGreaterThan(0.38)
    expect(stretch!.length / ring.length).toBeLessThan(0.52)
  })
})

describe('coverProblems', () => {
  it('says where it is bare, and each mend that it offers helps', () => {
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 3, start: 0 }, { cut: 120 })])
    const before = look(piece)
    expect(before.problems.length).toBeGreaterThan(0)
    expect(say(before.problems[0]!.says, { units: 'in', currency: 'USD' })).toMatch(/^Bare from \d+:\d\d to \d+:\d\d\.$/)
    for (const { edit: how } of before.problems[0]!.mends) {
      const edited = edit(piece, how!, 'mend')
      if (!edited.ok) throw new Error(edited.error)
      const after = look(edited.change.piece)
      expect(after.problems.length < before.problems.length || after.cover.share.value > before.cover.share.value).toBe(true)
    }
  })
  it('has nothing against a base that shows on purpose, nor against an empty one', () => {
    expect(covering(layerOf('a', 'bracken', { kind: 'compass', count: 2, start: 0 }), 'sparse').problems).toEqual([])
    expect(look(pieceWith([])).problems).toEqual([])
  })
  it('asks more of lush than of full', () => {
    const layer = layerOf('a', 'bracken', { kind: 'compass', count: 7, start: 0 }, { cut: 290 })
    expect(covering(layer, 'lush').problems.length).toBeGreaterThanOrEqual(covering(layer, 'full').problems.length)
    const thick = layerOf('a', 'bracken', { kind: 'compass', count: 80, start: 0 }, { acrossSpread: 1 })
    expect(covering(thick, 'lush').problems).toEqual([])
  })
  it('offers no count that would not reach the stretch', () => {
    const half = { kind: 'crescent' as const, from: 0.25, to: 0.75, count: 40, dense: 'middle' as const, thin: 0 }
    const [problem] = covering(layerOf('a', 'statice', half, { cut: 80, flow: 'outward' })).problems
    expect(say(problem!.mends[0]!.says, { units: 'in', currency: 'USD' })).toMatch(/^About \d+ statice sprigs more would close it$/)
    expect(problem!.mends[0]!.edit).toBeNull()
  })
  it('knows what to say when only heads are on it', () => {
    expect(covering(layerOf('a', 'daisy', { kind: 'compass', count: 3, start: 0 })).problems[0]!.mends[0]!.edit).toBeNull()
  })
})

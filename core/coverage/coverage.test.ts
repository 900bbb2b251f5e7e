import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arrange, footprint } from '../placement'
import { BASE_KINDS, line, pathRun, ringRun, runsOf, usualBase } from '../base'
import { inches, say } from '../measure'
import type { Edit, Layer, Piece } from '../piece'
import { edit, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { coverageOf, LayerCount } from './coverage'
import { faceGrid, fill } from './grid'
import { work } from '../workings'
import { closeStretch, fillTo } from './fill-to-fullness'

const ring = ringRun('ring', 'ring', inches(12), inches(8))
const area = (points: readonly { x: number; y: number }[]): number =>
  Math.abs(
    points.reduce((sum, a, i) => {
      const b = points[(i + 1) % points.length]!
      return sum + a.x * b.y - b.x * a.y
    }, 0),
  ) / 2

const look = (piece: Piece) => work(piece, shelf)
const covering = (layer: Layer, fullness: Piece['brief']['fullness'] = 'full') => look(pieceWith([layer], { brief: { fullness } }))

describe('faceGrid', () => {
  it('has the area of the face, on closed and on open runs', () => {
    const grid = faceGrid([ring])
    const exact = Math.PI * (inches(6) ** 2 - inches(4) ** 2)
    expect((grid.cells * grid.cell ** 2) / exact).toBeCloseTo(1, 2)
    const strip = faceGrid([pathRun({ id: 's', name: 's', segments: [line({ x: 0, y: 0 }, { x: 900, y: 0 })], width: 40 })])
    expect((strip.cells * strip.cell ** 2) / (900 * 80)).toBeCloseTo(1, 1)
  })
  it('cuts the run into stretches of like size', () => {
    const grid = faceGrid([ring])
    const sizes = grid.stretches.map((_, i) => grid.owner.reduce((n, owner) => n + (owner === i + 1 ? 1 : 0), 0))
    expect(Math.min(...sizes)).toBeGreaterThan((0.8 * grid.cells) / grid.stretches.length)
  })
})

describe('fill', () => {
  it('visits as much as the polygon holds, each cell once, and nothing off the grid', () => {
    const grid = { left: -100, top: -100, cell: 2, columns: 100, rows: 100 }
    fc.assert(
      fc.property(
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: 5, max: 90, noNaN: true }),
        fc.double({ min: 5, max: 60, noNaN: true }),
        (x, length, width) => {
          const seen: number[] = []
          fill(grid, footprint({ x, y: 0, bearing: 0, bend: 0, length, width }, 'leaf'), (at) => seen.push(at))
          expect(new Set(seen).size).toBe(seen.length)
          expect(seen.every((at) => at >= 0 && at < 10000)).toBe(true)
        },
      ),
    )
    const seen: number[] = []
    fill(
      grid,
      [
        { x: -500, y: -500 },
        { x: 500, y: -500 },
        { x: 500, y: 500 },
        { x: -500, y: 500 },
      ],
      (at) => seen.push(at),
    )
    expect(seen).toHaveLength(10000)
  })
})

describe('footprint', () => {
  const flat = { x: 0, y: 0, bearing: 0, bend: 0 }
  it.each([
    ['leaf', 0.6, 0.85],
    ['disc', 0.75, 0.79],
    ['board', 1, 1],
  ] as const)('%s covers its share of its box', (form, least, most) => {
    const share = area(footprint({ ...flat, length: 200, width: 60 }, form)) / (200 * 60)
    expect(share).toBeGreaterThanOrEqual(least)
    expect(share).toBeLessThanOrEqual(most)
  })
  it('turns and moves without changing its size', () => {
    const [placed] = arrange(pieceWith([layerOf('a', 'bracken', { kind: 'single', at: 0.3, drop: 0 }, { lean: 20 })]), [ring], shelf)[0]!
      .placements
    expect(area(footprint(placed!, 'leaf'))).toBeCloseTo(
      area(footprint({ ...flat, length: placed!.length, width: placed!.width }, 'leaf')),
      4,
    )
  })
})

describe('coverageOf', () => {
  it('is nothing on a bare base and all under a board over it', () => {
    const bare = look(pieceWith([]))
    expect(bare.cover.share.value).toBe(0)
    expect(bare.cover.bare).toEqual([{ run: 'ring', from: 0, length: expect.closeTo(ring.length, 6) }])
    const board = { ...shelf.materials['oar-sign']!, id: 'board', length: 3000, width: 3000 }
    const on = { ...shelf, materials: { ...shelf.materials, board } }
    const piece = pieceWith([
      layerOf('a', 'oar-sign', { kind: 'single', at: 0, drop: 0 }, { mix: [{ material: 'board', share: 1, only: null }] }),
    ])
    const { share, twoDeep } = coverageOf([ring], arrange(piece, [ring], on)[0]!.placements, on)
    expect([share.value, twoDeep.value]).toEqual([1, 0])
  })
  it('grows with every stem and never passes one', () => {
    const shares = [1, 4, 8, 16, 40].map(
      (count) => covering(layerOf('a', 'bracken', { kind: 'compass', count, start: 0 })).cover.share.value,
    )
    expect(shares).toEqual([...shares].sort((a, b) => a - b))
    expect(shares.at(-1)).toBeLessThanOrEqual(1)
  })
  it('finds the bare half of a half-covered ring, over twelve too', () => {
    const half = { kind: 'crescent' as const, from: 0.25, to: 0.75, count: 40, dense: 'middle' as const, thin: 0 }
    const { cover } = covering(layerOf('a', 'cedar', half, { cut: 80, flow: 'outward', across: 0 }))
    expect(cover.bare).toHaveLength(1)
    const [stretch] = cover.bare
    expect(stretch!.from / ring.length).toBeGreaterThan(0.7)
    expect(stretch!.length / ring.length).toBeGreaterThan(0.38)
    expect(stretch!.length / ring.length).toBeLessThan(0.56)
  })
})

const problemsOf = (piece: Piece, id: RegExp) => look(piece).problems.filter((problem) => id.test(problem.id))
const mended = (piece: Piece, how: Edit): Piece => {
  const edited = edit(piece, how, 'mend')
  if (!edited.ok) throw new Error(edited.error)
  return edited.change.piece
}
const manner = { units: 'in', currency: 'USD' } as const

describe('bare stretches', () => {
  it('are told with their ends, and closed by the stems that are offered', () => {
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 3, start: 0 }, { cut: 120 })])
    const bare = problemsOf(piece, /^bare/)
    expect(bare.length).toBeGreaterThan(1)
    for (const problem of bare) {
      expect(say(problem.says, manner)).toMatch(/^Bare from \d+:\d\d to \d+:\d\d\.$/)
      expect(say(problem.mends[0]!.says, manner)).toMatch(/^Close it with \d+ bracken fronds?$/)
      expect(look(mended(piece, problem.mends[0]!.edit!)).cover.bare.length).toBeLessThan(bare.length)
    }
  })
  it.each(BASE_KINDS)('all close on a %s', (kind) => {
    const base = usualBase(kind)
    const runs = runsOf(base)
    let piece = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 1, start: 0 }, { run: runs.length > 1 ? 'each' : runs[0]!.id })], {
      base,
    })
    for (let i = 0; i < 12; i++) {
      const [first] = problemsOf(piece, /^bare/)
      if (!first) break
      piece = mended(piece, first.mends[0]!.edit!)
    }
    expect(look(piece).cover.bare).toEqual([])
  })
  it('are no fault of a base that shows on purpose, nor of an empty one', () => {
    expect(
      problemsOf(
        pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 2, start: 0 })], { brief: { fullness: 'sparse' } }),
        /^(bare|thin)/,
      ),
    ).toEqual([])
    expect(look(pieceWith([])).problems).toEqual([])
  })
  it('want a layer of greenery when only heads are on it', () => {
    expect(problemsOf(pieceWith([layerOf('a', 'daisy', { kind: 'compass', count: 3, start: 0 })]), /^bare/)[0]!.mends[0]!.edit).toBeNull()
  })
  it('lush asks for more than full', () => {
    const layer = layerOf('a', 'bracken', { kind: 'compass', count: 8, start: 0 }, { cut: 290, acrossSpread: 1 })
    expect(covering(layer, 'full').problems.filter(({ id }) => id === 'not lush')).toEqual([])
    expect(covering(layer, 'lush').problems.map(({ id }) => id)).toEqual(
      expect.arrayContaining([expect.stringMatching(/not lush|thin|bare/)]),
    )
  })
})

describe('stems for a bare stretch', () => {
  const base = usualBase('mantel-garland')
  const [run] = runsOf(base)
  /** A mantel garland that is dense in its middle and bare to both ends alike, its stems pointing to the middle or away from it. */
  const middle = (material: string, flow: Layer['flow']): Piece =>
    pieceWith(
      [
        layerOf(
          'a',
          material,
          { kind: 'hand' },
          {
            run: run!.id,
            flow,
            seat: 0.5,
            added: Array.from({ length: 220 }, (_, i) => ({
              id: `x${i}`,
              run: run!.id,
              at: 0.3 + (0.4 * (i + 0.5)) / 220,
              across: ((i % 5) - 2) * 0.4,
              turn: 0,
              material,
            })),
          },
        ),
      ],
      // On trees only what is asked to be lush is bare where they show themselves.
      { base, brief: { fullness: 'lush' } },
    )
  it.each([
    ['bay', 'together'],
    ['fir', 'apart'],
    ['fir', 'together'],
  ] as const)('equal ends of %s that point %s ask for as many, each held beside what it closes', (material, flow) => {
    const piece = middle(material, flow)
    const ends = work(piece, shelf).problems.filter(({ id }) => id.startsWith('bare:'))
    const added = ends.map(({ mends }) => {
      const mended = edit(piece, mends[0]!.edit!, 'mend')
      if (!mended.ok) throw new Error(mended.error)
      return mended.change.piece.layers[0]!.added.slice(220)
    })
    expect(added).toHaveLength(2)
    const [left, right] = added as [(typeof added)[number], (typeof added)[number]]
    expect(Math.abs(left.length - right.length)).toBeLessThanOrEqual(1)
    expect(left.every(({ at }) => at < 0.45) && right.every(({ at }) => at > 0.55)).toBe(true)
  })
})

describe('fillTo', () => {
  const piece = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 6, start: 0 }, { cut: 150 })])
  const runs = runsOf(piece.base)
  const fillings = (['full', 'lush'] as const).map((fullness) =>
    fillTo({ piece, runs, laid: arrange(piece, runs, shelf), shelf }, 'a', fullness)!,
  )
  it('says how many it takes, and reaches it', () => {
    const [full, lush] = fillings
    expect(lush!.things.length).toBeGreaterThan(full!.things.length)
    for (const [i, { things, reached, after }] of fillings.entries()) {
      expect(reached).toBe(true)
      const { cover } = look(mended(piece, { do: 'add', layer: 'a', things }))
      expect(cover.share.value).toBeCloseTo(after, 3)
      expect(cover.share.value).toBeGreaterThanOrEqual(i ? 0.97 : 0.9)
      if (i) expect(cover.twoDeep.value).toBeGreaterThanOrEqual(0.75)
    }
  })
  it('is nothing for what is full already, and takes the first of leaves unless told', () => {
    const full = mended(piece, { do: 'add', layer: 'a', things: fillings[0]!.things })
    expect(fillTo({ piece: full, runs, laid: arrange(full, runs, shelf), shelf }, null, 'full')!.things).toEqual([])
    expect(
      fillTo({ piece: pieceWith([layerOf('r', 'rose', { kind: 'compass', count: 2, start: 0 })]), runs, laid: [], shelf }, null, 'full'),
    ).toBeNull()
    expect(fillTo({ piece, runs, laid: [], shelf }, 'gone', 'full')).toBeNull()
    // What lies on other things fills no base.
    const borne = [
      layerOf('r', 'rose', { kind: 'compass', count: 2, start: 0 }),
      layerOf('h', 'heather', usualRule('on', 'r'), { run: 'each' }),
    ]
    expect(fillTo({ piece: pieceWith(borne), runs, laid: [], shelf }, null, 'full')).toBeNull()
  })
  it('leaves what was counted as it was', () => {
    const laid = arrange(piece, runs, shelf)
    const counted = new LayerCount().count(
      runs,
      laid.flatMap(({ placements }) => placements),
      shelf,
    )
    const before = counted.depth.slice()
    closeStretch(
      counted,
      runs,
      { layer: piece.layers[0]!, material: shelf.materials['bay']! },
      { run: 'ring', from: 0, length: 200 },
      shelf,
    )
    expect(counted.depth).toEqual(before)
  })
})

describe('sectors', () => {
  it('are the hours of the clock, the first about twelve', () => {
    const { cover } = covering(layerOf('a', 'moss', { kind: 'single', at: 0.25, drop: 0 }))
    expect(cover.sectors).toHaveLength(12)
    const covered = cover.sectors.map(({ share }, i) => (share > 0 ? i : -1)).filter((i) => i >= 0)
    expect(covered).toContain(3)
    expect(Math.max(...covered)).toBeLessThanOrEqual(4)
  })
  it('say how even it is', () => {
    const even = covering(layerOf('a', 'bracken', { kind: 'compass', count: 24, start: 0 })).cover.evenness.value
    const uneven = covering(layerOf('a', 'bracken', { kind: 'crescent', from: 0.4, to: 0.7, count: 24, dense: 'middle', thin: 0.5 })).cover
      .evenness.value
    expect(even).toBeGreaterThan(0.9)
    expect(uneven).toBeLessThan(0.3)
    expect(look(pieceWith([])).cover.evenness.value).toBe(0)
  })
})

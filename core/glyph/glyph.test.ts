import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, BASE_SORTS, boundsOf, runsOf, usualBase } from '../base'
import { canLay, CATALOGUE } from '../material'
import { random } from '../measure'
import { startPiece, STILL, SURFACES } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { baseBounds, baseGlyph, tuckGlyph } from './base'
import { blend, css, jitter, lighter, tone } from './colour'
import type { Glyph, Mark } from './marks'
import { leafOutline, Pen, smooth } from './pen'
import { itemGlyph, looksKey } from './scene'
import { SPECIES } from './species'
import { doorBounds, surfaceMarks } from './surface'

const numbers = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number)
const sound = (marks: readonly Mark[]): void => {
  for (const { d, fill, stroke } of marks) {
    expect(d).toMatch(/^M[-\d. MLCAZ]+$/)
    expect(fill ?? stroke).toBeDefined()
    if (fill && !d.includes('A')) expect(d.endsWith('Z')).toBe(true)
    if (stroke) expect(stroke.width).toBeGreaterThan(0)
  }
}
const draw = (species: string, length: number, width: number, seed = 3, bearing = 0): Glyph =>
  itemGlyph({ species, length, width, seed, bearing, tint: null, depth: 0 })

describe.each(Object.keys(SPECIES))('%s', (species) => {
  const material = Object.values(CATALOGUE).find((each) => each.species === species)!

  it('is on the shelf and draws sound marks at its own size and at extremes', () => {
    for (const [length, width] of [[material.length, material.width], [5, 2], [3000, 1500], [10, 300]] as const) {
      const glyph = draw(species, length, width)
      expect(glyph.marks.length).toBeGreaterThan(3)
      sound(glyph.marks)
      expect(Object.values(glyph.bounds).every(Number.isFinite)).toBe(true)
    }
  })
  it('draws the same from the same seed, and another twin from another', () => {
    expect(draw(species, material.length, material.width, 3)).toEqual(draw(species, material.length, material.width, 3))
    expect(draw(species, material.length, material.width, 4)).not.toEqual(draw(species, material.length, material.width, 3))
  })
  if (canLay(material)) it('keeps to about the size that it is counted with', () => {
    const { bounds } = draw(species, material.length, material.width)
    expect((bounds.right - bounds.left) / material.length).toBeGreaterThan(0.7)
    expect((bounds.right - bounds.left) / material.length).toBeLessThan(1.3)
    expect((bounds.bottom - bounds.top) / material.width).toBeLessThan(1.75)
  })
})

it('draws every species that a material names, at whole size and small', () => {
  for (const { species } of Object.values(CATALOGUE)) expect(SPECIES[species]).toBeDefined()
  expect(() => draw('moonwort', 10, 10)).toThrow(/moonwort/)
})

describe('parts', () => {
  it('leaves close, stay within their width and are widest at their belly', () => {
    fc.assert(fc.property(fc.double({ min: 1, max: 500, noNaN: true }), fc.double({ min: 0.2, max: 200, noNaN: true }), fc.double({ min: 0.1, max: 0.9, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (length, width, belly, tip) => {
      const outline = leafOutline({ length, width, belly, tip })
      for (const [u, v] of outline) {
        expect(u).toBeGreaterThanOrEqual(0)
        expect(u).toBeLessThanOrEqual(length + 1e-9)
        expect(Math.abs(v)).toBeLessThanOrEqual(width / 2 + 1e-9)
      }
    }))
  })
  it('a smooth line goes through its points; a closed one comes back', () => {
    const points = [[0, 0], [10, 5], [20, -5]] as const
    expect(numbers(smooth(points, false)).slice(-2)).toEqual([20, -5])
    expect(smooth(points, true)).toMatch(/ 0 0Z$/)
    expect(() => smooth([[0, 0]], false)).toThrow(RangeError)
  })
  it('the light stays up and to the left however a glyph is turned', () => {
    for (const turned of [0, 90, 200]) {
      const [x, y] = new Pen(random(1), turned).light
      const a = turned * Math.PI / 180
      const world = [x * Math.cos(a) - y * Math.sin(a), x * Math.sin(a) + y * Math.cos(a)]
      expect(world[0]).toBeLessThan(0)
      expect(world[1]).toBeLessThan(0)
    }
  })
  it('an empty pen has an empty glyph', () => expect(new Pen(random(1)).glyph()).toEqual({ marks: [], letters: [], bounds: { left: 0, top: 0, right: 0, bottom: 0 } }))
})

describe('colour', () => {
  it('reads, blends the short way and writes', () => {
    expect(css(tone('#2c5a43'))).toBe('#2c5a43')
    expect(css(lighter(tone('#ffffff'), 1))).toBe('#ffffff')
    expect(blend({ l: 0.5, c: 0.1, h: 350 }, { l: 0.5, c: 0.1, h: 10 }, 0.5).h % 360).toBeCloseTo(0, 6)
    expect(() => tone('bramble')).toThrow(/not a colour/)
    const near = jitter(tone('#55aa55'), random(2))
    expect(Math.abs(near.h - tone('#55aa55').h)).toBeLessThanOrEqual(7)
  })
})

describe('bases and surfaces', () => {
  it.each(BASE_KINDS)('%s is as large as it says, in every usual size', (kind) => {
    for (const { shape } of BASE_SORTS[kind].sizes) {
      const base = { ...usualBase(kind), shape }
      const glyph = baseGlyph(base)
      const [edges, most] = [boundsOf(runsOf(base)), baseBounds(base)]
      sound(glyph.marks)
      for (const side of ['left', 'top'] as const) {
        expect(glyph.bounds[side]).toBeGreaterThan(most[side] - 30)
        expect(glyph.bounds[side]).toBeLessThan(edges[side] + 60)
      }
      for (const side of ['right', 'bottom'] as const) {
        expect(glyph.bounds[side]).toBeLessThan(most[side] + 30)
        expect(glyph.bounds[side]).toBeGreaterThan(edges[side] - 60)
      }
    }
    sound(tuckGlyph(usualBase(kind), { x: 100, y: -60 }, 35, 20, 5).marks)
  })
  it.each(SURFACES)('%s fills what can be seen, near and far', (kind) => {
    const { brief } = startPiece('x', 'x')
    for (const [scale, hang] of [[0.3, 0.7], [1, 0.5], [4, 0.7], [2, null]] as const) {
      const region = { left: -400 * scale, right: 300 * scale, top: -250 * scale, bottom: 350 * scale }
      const marks = surfaceMarks({ ...brief, hang, doorway: hang === 0.5, surface: { kind, colour: '#708080' } }, region)
      sound(marks)
      const xs = marks.flatMap(({ d }) => numbers(d).filter((_, i) => i % 2 === 0))
      expect(Math.min(...xs)).toBeLessThanOrEqual(region.left)
      expect(Math.max(...xs)).toBeGreaterThanOrEqual(region.right)
    }
  })
  it('hangs the piece at about eye level', () => expect(doorBounds({ door: { width: 900, height: 2000 }, hang: 0.7 })).toEqual({ left: -450, right: 450, top: -600.0000000000001, bottom: 1400 }))
})

describe('scene', () => {
  const { scene } = work(pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 8, start: 0 }), layerOf('b', 'dahlia', { kind: 'cluster', at: [0.5], size: 3 }), layerOf('c', 'ivy', { kind: 'compass', count: 2, start: 0 })]), shelf)
  it('has an item for each placement, from back to front', () => {
    expect(scene.items).toHaveLength(13)
    expect(scene.items.map(({ layer }) => layer).join('')).toBe('aaaaaaaabbbcc')
    expect(scene.items[0]).toMatchObject({ depth: 1, tucked: true })
    expect(scene.items[8]).toMatchObject({ depth: 1, tucked: false })
    expect(scene.items[12]!.depth).toBe(0)
  })
  it('shares a look between twins only', () => {
    const item = scene.items[0]!
    expect(looksKey({ ...item, seed: item.seed + 7 * Math.sign(item.seed) })).toBe(looksKey(item))
    expect(looksKey({ ...item, bearing: item.bearing + 90 })).not.toBe(looksKey(item))
    expect(looksKey({ ...item, tint: '#112233' })).not.toBe(looksKey(item))
  })
  it('knows which way the run goes, what is hidden, and whose turn it is', () => {
    expect(scene.items[0]!.along).toBeCloseTo(0, 6)
    expect(scene.items[2]!.along).toBeCloseTo(90, 6)
    expect(scene.items.map(({ turn }) => turn)).toEqual(Array.from({ length: 13 }, (_, i) => i + 1))
    const hidden = work(pieceWith([layerOf('a', 'bay', { kind: 'single', at: 0, drop: 0 }, { hidden: true, locked: true })]), shelf).scene.items[0]
    expect(hidden).toMatchObject({ hidden: true, locked: true })
  })
  it('paints what a hand has lifted over the layers above', () => {
    const lifted = work(pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 2, start: 0 }, { nudges: { 1: { ...STILL, lift: 5 } } }), layerOf('b', 'ivy', { kind: 'compass', count: 2, start: 0 })]), shelf).scene
    expect(lifted.items.map(({ id }) => id)).toEqual(['a:0', 'b:0', 'b:1', 'a:1'])
  })
})

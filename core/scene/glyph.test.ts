import { describe, expect, it } from 'vitest'
import { BASE_KINDS, BASE_SORTS, boundsOf, runsOf, usualBase } from '../base'
import { random } from '../measure'
import { LIGHTS, startPiece, STILL, SURFACES } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { baseBounds, baseGlyph, tuckGlyph } from '../looks'
import { blend, css, jitter, lighter, tone } from '../looks/colour'
import { looksKey } from '../looks/glyphs'
import { CAPITALS, lineWidth, missingLetters, setWords } from '../looks/letters'
import { castAway, lightMarks } from './light'
import type { Bounds } from '../measure'
import { drawing, stretchTo, Pen } from '../looks/vector-pen'
import { Extent, smooth } from '../looks/path'
import type { Backdrop } from './scene'
import { doorBounds, surfaceMarks } from './surface'
import { numbers, sound } from '../looks/testing'

const spread = (outlines: readonly (readonly (readonly [number, number])[])[]): Bounds => {
  const extent = new Extent()
  for (const point of outlines.flat()) extent.reach(point)
  return extent.bounds
}

describe('the pen', () => {
  it('draws a smooth line through its points; a closed one comes back', () => {
    const points = [
      [0, 0],
      [10, 5],
      [20, -5],
    ] as const
    expect(numbers(smooth(points, false)).slice(-2)).toEqual([20, -5])
    expect(smooth(points, true)).toMatch(/ 0 0Z$/)
    expect(() => smooth([[0, 0]], false)).toThrow(RangeError)
  })
  it('keeps the light up and to the left however a glyph is turned', () => {
    for (const turned of [0, 90, 200]) {
      const [x, y] = new Pen(random(1), { turned }).light
      const a = (turned * Math.PI) / 180
      expect(x * Math.cos(a) - y * Math.sin(a)).toBeLessThan(0)
      expect(x * Math.sin(a) + y * Math.cos(a)).toBeLessThan(0)
    }
  })
  it('counts what bulges past its points, and no shadow', () => {
    const pen = new Pen(random(1))
    pen.shadow(
      [
        [0, 0],
        [10, 0],
        [10, 90],
      ],
      50,
    )
    expect(pen.bounds).toEqual({ left: 0, top: 0, right: 0, bottom: 0 })
    pen.blob(
      [
        [0, 0],
        [10, 1],
        [10, 9],
        [0, 10],
      ],
      '#000000',
    )
    expect(pen.bounds.right).toBeGreaterThan(10)
  })
  it('fits what it draws to other bounds', () => {
    const room = { left: -5, top: 10, right: 15, bottom: 20 }
    const paint = <T extends { readonly pen: Pen }>(drawn: T): T => {
      const { pen } = drawn
      pen.circle(30, 40, 10, {
        kind: 'radial',
        centre: [30, 40],
        radius: 10,
        focus: [30, 40],
        stops: [
          [0, '#ffffff'],
          [1, '#000000'],
        ],
      })
      pen.line(
        [
          [20, 30],
          [40, 50],
        ],
        1,
        {
          kind: 'linear',
          from: [20, 30],
          to: [40, 50],
          stops: [
            [0, '#ffffff'],
            [1, '#000000'],
          ],
        },
      )
      return drawn
    }
    const fitted = paint(drawing(random(1), { fit: stretchTo(paint({ pen: new Pen(random(1)) }).pen.bounds, room) })).glyph()
    for (const side of ['left', 'right', 'top', 'bottom'] as const) expect(Math.abs(fitted.bounds[side] - room[side])).toBeLessThan(0.15)
    const { fill } = fitted.marks[0]!
    if (typeof fill !== 'object' || fill.kind !== 'radial') throw new Error('still a gradient')
    expect(fill.centre[0]).toBeCloseTo(5, 6)
    expect(fill.centre[1]).toBeCloseTo(15, 6)
    expect(stretchTo({ left: 3, right: 3, top: 0, bottom: 1 }, room).sx).toBe(1)
  })
  it('measures without a sheet, and gives an empty glyph when nothing is drawn', () => {
    const pen = new Pen(random(1))
    pen.strokes(
      [
        [
          [0, 0],
          [4, 3],
        ],
      ],
      2,
      '#000000',
    )
    expect(pen.bounds.right).toBe(5)
    expect(drawing(random(1)).glyph()).toEqual({ marks: [], bounds: { left: 0, top: 0, right: 0, bottom: 0 } })
  })
})

describe('letters', () => {
  it('fill their box in one direction and stay within it in the other', () => {
    for (const [text, width, height] of [
      ['ICE-OUT', 200, 30],
      ['A', 20, 300],
      ['One\nlonger line\n3', 100, 100],
    ] as const) {
      const { outlines } = setWords(text, width, height)
      const { left, right, top, bottom } = spread(outlines)
      const [w, h] = [right - left, bottom - top]
      expect(w).toBeLessThan(width * 1.03)
      expect(h).toBeLessThan(height * 1.35)
      expect(Math.max(w / width, h / height)).toBeGreaterThan(0.9)
      expect(Math.abs(left + right)).toBeLessThan(width * 0.1)
    }
  })
  it('take more room with more letters and more space between them', () => {
    expect(lineWidth('OO')).toBeCloseTo(2 * lineWidth('O'), 9)
    expect(lineWidth('OO', 0.1)).toBeCloseTo(2 * lineWidth('O') + 0.1, 9)
    expect(lineWidth('')).toBe(0)
    expect(CAPITALS).toBeGreaterThan(0.6)
    expect(setWords(' \n ', 10, 10)).toEqual({ outlines: [], size: 0 })
  })
  it('tell which letters the face has not', () => {
    expect(missingLetters('Crème brûlée & Co. 24/12\nok')).toEqual([])
    expect(missingLetters('ж漢ж')).toEqual(['ж', '漢'])
    expect(setWords('ж', 10, 10)).toEqual(setWords('?', 10, 10))
  })
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
      const glyph = baseGlyph(base, runsOf(base))
      const [edges, most] = [boundsOf(runsOf(base)), baseBounds(runsOf(base))]
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
    for (const [scale, hang, light] of [
      [0.3, 0.7, 'day'],
      [1, 0.5, 'dusk'],
      [4, 0.7, 'lamp'],
      [2, null, 'day'],
    ] as const) {
      const region = { left: -400 * scale, right: 300 * scale, top: -250 * scale, bottom: 350 * scale }
      const marks = surfaceMarks({ ...brief, light, shelf: 200, hang, doorway: hang === 0.5, surface: { kind, colour: '#708080' } }, region)
      sound(marks)
      const xs = marks.flatMap(({ d }) => numbers(d).filter((_, i) => i % 2 === 0))
      expect(Math.min(...xs)).toBeLessThanOrEqual(region.left)
      expect(Math.max(...xs)).toBeGreaterThanOrEqual(region.right)
    }
  })
  it('hangs the piece at about eye level', () =>
    expect(doorBounds({ door: { width: 900, height: 2000 }, hang: 0.7 })).toEqual({
      left: -450,
      right: 450,
      top: -600.0000000000001,
      bottom: 1400,
    }))
})

describe('the light of the hour', () => {
  const region = { left: -100, right: 200, top: -300, bottom: 400 }
  const { scene } = work(
    pieceWith([
      layerOf('a', 'lantern', { kind: 'compass', count: 2, start: 0 }),
      layerOf('b', 'light-string', { kind: 'compass', count: 1, start: 0 }),
      layerOf('c', 'bay', { kind: 'compass', count: 3, start: 0 }),
    ]),
    shelf,
  )
  const backdrop = (light: Backdrop['light']): Backdrop => ({ ...scene.surface, light })
  it.each(LIGHTS)('%s: covers what is seen, and lets shine what gives light', (light) => {
    const marks = lightMarks(backdrop(light), scene.items, region)
    sound(marks)
    if (light === 'day') return expect(marks).toEqual([])
    expect(numbers(marks[0]!.d)).toEqual([-100, -300, 200, -300, 200, 400, -100, 400])
    const veils = light === 'dusk' ? 1 : 2
    expect(marks.length - veils).toBe(2 + 20)
    expect(
      lightMarks(
        backdrop(light),
        scene.items.map((item) => ({ ...item, hidden: true })),
        region,
      ),
    ).toHaveLength(veils)
  })
  it('throws shadows farther from what stands farther off', () => {
    expect(castAway(2)).toBeGreaterThan(castAway(0))
    expect(scene.items.map(({ rise }) => rise)).toEqual([0, 0, 0, 1, 1, 1])
  })
})

describe('scene', () => {
  const { scene } = work(
    pieceWith([
      layerOf('a', 'bay', { kind: 'compass', count: 8, start: 0 }),
      layerOf('b', 'dahlia', { kind: 'cluster', at: [0.5], size: 3 }),
      layerOf('c', 'ivy', { kind: 'compass', count: 2, start: 0 }),
    ]),
    shelf,
  )
  it('has an item for each placement, from back to front', () => {
    expect(scene.items).toHaveLength(13)
    expect(scene.items.map(({ layer }) => layer).join('')).toBe('aaaaaaaabbbcc')
    expect(scene.items[0]).toMatchObject({ depth: 1, tucked: 'base' })
    expect(scene.items[8]).toMatchObject({ depth: 1, tucked: null })
    expect(scene.items[12]!.depth).toBe(0)
  })
  it('shares a look between twins only', () => {
    const item = scene.items[0]!
    expect(looksKey({ ...item, seed: item.seed + 5 * Math.sign(item.seed) })).toBe(looksKey(item))
    expect(looksKey({ ...item, bearing: item.bearing + 90 })).not.toBe(looksKey(item))
    for (const other of [{ tint: '#112233' }, { words: 'Ice-out' }, { rise: 2 }, { depth: 3 }])
      expect(looksKey({ ...item, ...other })).not.toBe(looksKey(item))
  })
  it('knows which way the run goes, what is hidden, and whose turn it is', () => {
    const along = (id: string) => scene.items.find((each) => each.id === id)!.along
    expect(along('a:0')).toBeCloseTo(0, 6)
    expect(along('a:2')).toBeCloseTo(90, 6)
    expect(scene.items.map(({ order }) => order)).toEqual(Array.from({ length: 13 }, (_, i) => i + 1))
    const hidden = work(pieceWith([layerOf('a', 'bay', { kind: 'single', at: 0, drop: 0 }, { hidden: true, locked: true })]), shelf).scene
      .items[0]
    expect(hidden).toMatchObject({ hidden: true, locked: true })
  })
  it('puts a maker’s words on the layer’s signs, and a mantel’s shelf under the base', () => {
    const own = work(pieceWith([layerOf('a', 'plank-sign', { kind: 'single', at: 0, drop: 0 }, { words: 'Ice-out' })]), shelf).scene
    expect(own.items[0]!.words).toBe('Ice-out')
    expect(own.surface.shelf).toBeGreaterThan(boundsOf(runsOf(own.base)).bottom)
  })
  it('paints what a hand has lifted over the layers above', () => {
    const lifted = work(
      pieceWith([
        layerOf('a', 'bay', { kind: 'compass', count: 2, start: 0 }, { nudges: { 1: { ...STILL, lift: 5 } } }),
        layerOf('b', 'ivy', { kind: 'compass', count: 2, start: 0 }),
      ]),
      shelf,
    ).scene
    expect(lifted.items.map(({ id }) => id)).toEqual(['a:0', 'b:0', 'b:1', 'a:1'])
  })
})

import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import SVGPathCommander from 'svg-path-commander'
import { tries } from '../../tests/amount'
import { BASE_SORTS } from './base-catalogue'
import type { OutlineStroke } from './outline'
import { mirroredStrokes, strokesBox, strokesFault } from './outline'
import {
  drawnStrokes,
  isCurved,
  mirroredHalf,
  nearestOnOutline,
  onGrid,
  outlineOf,
  strokePath,
  withClosed,
  withCurve,
  withEnd,
  withHandle,
  withoutPoint,
  withPoint,
  withPointOn,
  withRun,
} from './outline-edits'
import { runsOf } from './runs'
import type { ShapeOf } from './schema'

const shapes = BASE_SORTS.outline.sizes.map(({ name, shape }) => ({ name, shape: shape as ShapeOf<'outline'> }))
const lengths = (strokes: readonly OutlineStroke[]): number[] =>
  runsOf({ shape: outlineOf(strokes, 10), turn: 0 }).map(({ length }) => length)
const points = ([first]: readonly OutlineStroke[]): number[][] => first!.points.map(({ x, y }) => [x + 0, y])
const straight = (at: readonly (readonly [number, number])[], closed = true): OutlineStroke[] => [
  { id: 'run-1', name: 'run', closed, points: at.map(([x, y]) => ({ x, y, before: null, after: null })) },
]

describe.each(shapes)('$name', ({ shape }) => {
  it('is drawn as it finishes, and is the same outline again', () => {
    const drawn = drawnStrokes(shape)
    const again = outlineOf(drawn, shape.face)
    expect([again.width, again.height]).toEqual([expect.closeTo(shape.width, 6), expect.closeTo(shape.height, 6)])
    expect(lengths(drawn)).toEqual(runsOf({ shape, turn: 0 }).map(({ length }) => expect.closeTo(length, 4)))
  })
  it('stays as it is, by another reader of paths, when points are put on its line', () => {
    const drawn = drawnStrokes(shape)
    for (const [stroke, { points: all }] of drawn.entries()) {
      const more = [0.3, 0.8].reduce((now, u) => withPointOn(now, { stroke, stretch: all.length - 2, u }), drawn)
      expect(more[stroke]!.points).toHaveLength(all.length + 2)
      const [a, b] = [drawn, more].map((strokes) => new SVGPathCommander(strokePath(strokes[stroke]!)).getTotalLength())
      expect(b! / a!).toBeCloseTo(1, 4)
      // Our own lengths, by quadrature, are those that it measures.
      expect(lengths(drawn)[stroke]! / a!).toBeCloseTo(1, 3)
    }
  })
  it('is mirrored onto itself, since it is alike left and right, or becomes so', () => {
    // The pumpkin's stem leans over, and would cross its image.
    const alike = mirroredHalf(drawnStrokes(shape).filter(({ name }) => name !== 'stem'))
    expect(strokesFault(alike)).toBeNull()
    const box = strokesBox(alike)
    expect(box.left).toBeCloseTo(-box.right, 6)
    // Seen in a mirror it is as long, run for run, and of the same points.
    const seen = (strokes: readonly OutlineStroke[]): string[] =>
      strokes.flatMap((stroke) => stroke.points.map(({ x, y }) => `${(x + 0).toFixed(2)} ${y.toFixed(2)}`.replace('-0.00', '0.00'))).sort()
    expect(seen(mirroredStrokes(alike))).toEqual(seen(alike))
    expect(mirroredHalf(alike).length).toBe(alike.length)
  })
})

describe('drawing', () => {
  const square = straight([[-20, 0], [20, 0], [20, 40], [-20, 40]]) // prettier-ignore
  it('moves a point with its handles, onto the grid where there is one', () => {
    expect(onGrid({ x: 30.2, y: -11 }, 25.4)).toEqual({ x: 25.4, y: 0 })
    expect(onGrid({ x: 30.2, y: -11 }, 0)).toEqual({ x: 30.2, y: -11 })
    expect(points(withPoint(square, { stroke: 0, point: 1 }, { x: 33, y: -5 }))[1]).toEqual([33, -5])
  })
  it('bends a stretch and makes it straight again', () => {
    expect(isCurved(square, { stroke: 0, point: 0 })).toBe(false)
    const bent = withCurve(square, { stroke: 0, point: 3 }, true)
    expect(isCurved(bent, { stroke: 0, point: 3 })).toBe(true)
    expect(lengths(bent)[0]).toBeGreaterThan(lengths(square)[0]!)
    expect(withCurve(bent, { stroke: 0, point: 3 }, false)).toEqual(square)
    // Alone between two points it would lie straight: it bulges, so that one sees that it is bent.
    const rod = straight([[0, 0], [90, 0]], false) // prettier-ignore
    expect(lengths(withCurve(rod, { stroke: 0, point: 0 }, true))[0]).toBeGreaterThan(91)
    expect(isCurved(rod, { stroke: 0, point: 1 })).toBeNull()
    expect(withCurve(rod, { stroke: 0, point: 1 }, true)).toEqual(rod)
  })
  it('keeps a curve smooth when one of its handles is moved', () => {
    const ring = drawnStrokes(shapes.find(({ name }) => name.startsWith('Two'))!.shape)
    const knot = ring[0]!.points[1]!
    const turned = withHandle(ring, { stroke: 0, point: 1 }, 'after', { x: knot.x + 20, y: knot.y + 20 })[0]!.points[1]!
    expect(turned.after).toEqual({ x: expect.closeTo(20, 9), y: expect.closeTo(20, 9) })
    expect(Math.atan2(turned.before!.y, turned.before!.x)).toBeCloseTo(Math.atan2(-1, -1), 9)
    expect(Math.hypot(turned.before!.x, turned.before!.y)).toBeCloseTo(Math.hypot(knot.before!.x, knot.before!.y), 9)
  })
  it('begins a run, goes on with it, closes it, and takes points and whole runs out', () => {
    const begun = withRun(square, { x: 1, y: 2 })
    expect(begun[1]).toMatchObject({ name: 'run 2', closed: false, points: [{ x: 1, y: 2 }] })
    expect(withRun([{ ...begun[1]!, name: 'run 2' }], { x: 0, y: 0 })[1]!.name).toBe('run 3')
    const on = withEnd(withEnd(begun, 1, { x: 9, y: 2 }), 1, { x: 9, y: 9 })
    expect(withClosed(on, 1, true)[1]!.closed).toBe(true)
    expect(strokesFault(withClosed(on, 1, true))).toBeNull()
    expect(withoutPoint(begun, { stroke: 1, point: 0 })).toEqual(square)
    expect(points(withoutPoint(square, { stroke: 0, point: 1 }))).toHaveLength(3)
  })
  it('finds the nearest place on the line as brute force does', () => {
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 60 }), fc.integer({ min: -60, max: 60 }), (x, y) => {
        const { away } = nearestOnOutline(square, { x, y })!
        // To a rectangle, by hand: outside to its box, inside to the nearest side.
        const [dx, dy] = [Math.max(-20 - x, 0, x - 20), Math.max(-y, 0, y - 40)]
        const inside = Math.min(x + 20, 20 - x, y, 40 - y)
        const by = dx || dy ? Math.hypot(dx, dy) : inside
        expect(away).toBeGreaterThanOrEqual(by - 1e-9)
        expect(away).toBeLessThan(by + 0.5)
      }),
      { numRuns: tries(100) },
    )
    expect(nearestOnOutline([], { x: 0, y: 0 })).toBeNull()
  })
})

describe('both sides alike', () => {
  it('closes a half that was drawn from the middle to the middle', () => {
    const half = straight([[0, 0], [30, 20], [0, 60]], false) // prettier-ignore
    expect(mirroredHalf(half)[0]).toMatchObject({ closed: true })
    expect(points(mirroredHalf(half))).toEqual([[0, 0], [30, 20], [0, 60], [-30, 20]]) // prettier-ignore
  })
  it('goes on from the middle where only one end lies there', () => {
    expect(points(mirroredHalf(straight([[0, 0], [30, 20]], false)))).toEqual([[-30, 20], [0, 0], [30, 20]]) // prettier-ignore
    expect(points(mirroredHalf(straight([[30, 20], [1, 0]], false)))).toEqual([[30, 20], [0, 0], [-30, 20]]) // prettier-ignore
  })
  it('takes what is right of the middle of what crosses it', () => {
    expect(points(mirroredHalf(straight([[-9, 5], [40, 0], [40, 30], [-20, 44]])))).toEqual([[40, 0], [40, 30], [-40, 30], [-40, 0]]) // prettier-ignore
    expect(points(mirroredHalf(straight([[-9, 5], [40, 7]], false)))).toEqual([[-40, 7], [40, 7]]) // prettier-ignore
  })
  it('gives what lies right of it a twin, and leaves out what lies left', () => {
    const twins = mirroredHalf([...straight([[10, 0], [30, 0], [30, 9]]), ...straight([[-50, 0], [-30, 0], [-30, 9]])]) // prettier-ignore
    expect(twins.map(({ name }) => name)).toEqual(['run', 'run, other side'])
    expect(points(twins.slice(1))).toEqual([[-30, 9], [-30, 0], [-10, 0]]) // prettier-ignore
  })
})

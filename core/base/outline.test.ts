import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tries } from '../../tests/amount'
import { BASE_SORTS, scaledShape, usualBase } from './base-catalogue'
import { boundsOf } from './bounds'
import { mirrorShape } from './dimensions'
import type { DrawnStroke } from './outline'
import { contactsOf, cornersOf, strokesBox, strokesFault, strokesSized, withRunIds } from './outline'
import { stationAt } from './run'
import { runsOf } from './runs'
import type { BaseShape, ShapeOf } from './schema'
import { BaseSchema } from './schema'

const straight = (points: readonly (readonly [number, number])[], closed = true, name = 'run'): DrawnStroke => ({
  name,
  closed,
  points: points.map(([x, y]) => ({ x, y, before: null, after: null })),
})
const outline = (strokes: DrawnStroke[], set: Partial<ShapeOf<'outline'>> = {}): ShapeOf<'outline'> => ({
  form: 'outline',
  width: 310,
  height: 410,
  face: 10,
  strokes: withRunIds(strokes),
  ...set,
})
const runs = (shape: BaseShape) => runsOf({ shape, turn: 0 })
const named = (name: string) => BASE_SORTS.outline.sizes.find((size) => size.name === name)!.shape as ShapeOf<'outline'>

const drawnRing = named('Two rings in a column').strokes.map((stroke) => ({
  ...stroke,
  points: stroke.points.map((knot) => ({ ...knot, y: knot.y - 9 })),
}))

describe('an own outline', () => {
  it('is as long as its lines, and as large as asked: a rectangle of 300 by 400 mm', () => {
    // Worked by hand: 2 × (300 + 400) along the middle of a wire of 10 mm, which stands out by 5 on every side.
    const [run] = runs(outline([straight([[0, 0], [3, 0], [3, 4], [0, 4]])])) // prettier-ignore
    expect(run!.length).toBeCloseTo(1400, 9)
    const { left, right, top, bottom } = boundsOf([run!])
    expect([left, right, top, bottom].map(Math.round)).toEqual([-155, 155, -205, 205])
  })
  it('is drawn to its measures whatever its strokes are drawn in', () => {
    const small = outline([straight([[0, 0], [3, 0], [3, 4], [0, 4]])]) // prettier-ignore
    const large = outline([straight([[700, -90], [3700, -90], [3700, 3910], [700, 3910]])]) // prettier-ignore
    expect(runs(large)[0]!.length).toBeCloseTo(runs(small)[0]!.length, 9)
  })
  it('goes clockwise whichever way it was drawn, from the point it was begun at', () => {
    const clockwise = straight([[0, 0], [3, 0], [3, 4], [0, 4]]) // prettier-ignore
    const other = straight([[0, 0], [0, 4], [3, 4], [3, 0]]) // prettier-ignore
    for (const share of [0, 0.2, 0.7]) {
      const [a, b] = [clockwise, other].map((stroke) => {
        const [run] = runs(outline([stroke]))
        return stationAt(run!, share * run!.length)
      })
      expect([b!.x, b!.y]).toEqual([expect.closeTo(a!.x, 9), expect.closeTo(a!.y, 9)])
      // Its outer side lies away from its middle.
      expect(a!.nx * a!.x + a!.ny * a!.y).toBeGreaterThan(0)
    }
  })
  it('has rings as long as circles are', () => {
    // 2πr of radii 4, 5.5 and 7 in; four cubics keep to a circle within three in ten thousand.
    const three = runs(named('Three rings in a column'))
    for (const [i, r] of [4, 5.5, 7].entries()) expect(three[i]!.length / (2 * Math.PI * r * 25.4)).toBeCloseTo(1, 3)
    expect(contactsOf(three, 5)).toBe(2)
    expect(cornersOf(three)).toBe(0)
  })
  it('counts corners and places where runs meet', () => {
    expect(cornersOf(runs(named('Cross')))).toBe(12)
    expect(cornersOf(runs(named('Star')))).toBe(10)
    // A house: five corners, two more at the lintel of its door, which stands on the wall with both legs.
    expect(cornersOf(runs(named('House')))).toBe(7)
    expect(contactsOf(runs(named('House')), 10)).toBe(2)
    // Where a ring begins it touches once, however thin the wire.
    const [ring] = drawnRing
    expect(contactsOf(runs(outline([ring!, straight([[0, -9], [0, -19]], false, 'stem')], { face: 2, width: 1000, height: 1400 })), 0.1)).toBe(1) // prettier-ignore
    const bars = outline([straight([[0, 2], [4, 2]], false, 'bar'), straight([[2, 0], [2, 4]], false, 'post')]) // prettier-ignore
    expect(contactsOf(runs(bars), 10)).toBe(1)
    expect(cornersOf(runs(bars))).toBe(0)
  })
  it('keeps its form when it is made larger', () => {
    const twice = scaledShape(named('Star'), 2) as ShapeOf<'outline'>
    expect(runs(twice)[0]!.length).toBeCloseTo(2 * runs(named('Star'))[0]!.length, 6)
  })
  it('is itself again when it is mirrored twice', () => {
    const shape = named('Pumpkin with a stem')
    expect(mirrorShape(shape)).not.toEqual(shape)
    expect(mirrorShape(mirrorShape(shape))).toEqual(shape)
  })
  it('finishes as wide as asked, whatever is drawn', () => {
    const point = fc.record({ x: fc.integer({ min: 0, max: 40 }), y: fc.integer({ min: 0, max: 40 }) })
    const handle = fc.option(fc.record({ x: fc.integer({ min: -9, max: 9 }), y: fc.integer({ min: -9, max: 9 }) }), { nil: null })
    const stroke = fc.record({
      name: fc.constant('run'),
      closed: fc.boolean(),
      points: fc.array(
        fc.tuple(point, handle, handle).map(([at, before, after]) => ({ ...at, before, after })),
        { minLength: 2, maxLength: 6 },
      ),
    })
    let good = 0
    fc.assert(
      fc.property(fc.array(stroke, { minLength: 1, maxLength: 3 }), (strokes) => {
        const base = { ...usualBase('outline'), shape: outline(strokes) }
        const read = BaseSchema.safeParse(base)
        expect(read.success).toBe(strokesFault(withRunIds(strokes)) === null)
        if (!read.success) return
        good += 1
        const box = strokesBox(strokesSized(withRunIds(strokes), 300, 400))
        const drawn = strokesBox(strokes)
        if (drawn.right > drawn.left) expect(box.right - box.left).toBeCloseTo(300, 6)
        if (drawn.bottom > drawn.top) expect(box.bottom - box.top).toBeCloseTo(400, 6)
        // The box by brute force: no point of a run lies beyond it, and some lie at its edges.
        const points = runs(base.shape).flatMap((run) =>
          Array.from({ length: 400 }, (_, k) => stationAt(run, (k / 400) * run.length * 0.9999999)),
        )
        expect(Math.max(...points.map(({ x }) => x))).toBeLessThan(box.right + 0.01)
        if (drawn.right > drawn.left) expect(Math.max(...points.map(({ x }) => x))).toBeGreaterThan(box.right - 4)
      }),
      { numRuns: tries(200) },
    )
    expect(good).toBeGreaterThan(10)
  })
})

describe('what cannot be bent', () => {
  const says = (...strokes: DrawnStroke[]): string | undefined => strokesFault(withRunIds(strokes))?.says
  it('is told in words, with the run it is in', () => {
    expect(says()).toMatch(/one run at least/)
    expect(says(straight([[1, 1]]))).toBe('run: a run needs two points at least.')
    expect(says(straight([[0, 0], [1, 0], [1, 0], [0, 1]]))).toMatch(/points 2 and 3 lie on one another/) // prettier-ignore
    expect(says(straight([[0, 0], [1, 0]]))).toMatch(/goes round something/) // prettier-ignore
    // A bow tie crosses itself; the same four points the other way round do not.
    expect(says(straight([[0, 0], [4, 4], [4, 0], [0, 4]]))).toMatch(/crosses itself/) // prettier-ignore
    expect(says(straight([[0, 0], [4, 0], [4, 4], [0, 4]]))).toBeUndefined() // prettier-ignore
    expect(says(straight([[0, 0], [4, 0], [4, 4], [2, -1]], false))).toMatch(/crosses itself/) // prettier-ignore
    const many = straight(Array.from({ length: 5000 }, (_, i) => [Math.cos(i), Math.sin(i)] as const))
    expect(says(many)).toMatch(/takes 200 points at most, and this one has 5000/)
  })
  it('finds a crossing wherever brute force finds one', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 12 }))
    const seen = { crossed: 0, clear: 0 }
    fc.assert(
      fc.property(fc.uniqueArray(point, { minLength: 3, maxLength: 7, selector: ([x, y]) => `${x} ${y}` }), (points) => {
        const told = /crosses itself/.test(says(straight(points, false)) ?? '')
        // By parameters along both pieces, in whole numbers: none of what is under test is asked.
        const cross = (a: readonly number[], b: readonly number[]): number => a[0]! * b[1]! - a[1]! * b[0]!
        const minus = (a: readonly number[], b: readonly number[]): number[] => [a[0]! - b[0]!, a[1]! - b[1]!]
        let found = false
        for (let i = 0; i + 1 < points.length; i++)
          for (let k = i + 2; k + 1 < points.length; k++) {
            const [p, r] = [points[i]!, minus(points[i + 1]!, points[i]!)]
            const [q, s] = [points[k]!, minus(points[k + 1]!, points[k]!)]
            const [d, t, u] = [cross(r, s), cross(minus(q, p), s), cross(minus(q, p), r)]
            if (d !== 0) {
              const sign = Math.sign(d)
              found ||= t * sign >= 0 && t * sign <= d * sign && u * sign >= 0 && u * sign <= d * sign
            } else if (u === 0) {
              const at = (v: readonly number[]): number => (v[0]! * r[0]! + v[1]! * r[1]!) / (r[0]! ** 2 + r[1]! ** 2)
              const [one, two] = [at(minus(q, p)), at(minus(points[k + 1]!, p))]
              found ||= Math.max(one, two) >= 0 && Math.min(one, two) <= 1
            }
          }
        expect(told).toBe(found)
        seen[told ? 'crossed' : 'clear'] += 1
      }),
      { numRuns: tries(400) },
    )
    expect(Math.min(seen.crossed, seen.clear)).toBeGreaterThan(10)
  })
  it('is refused by the schema at its place', () => {
    const base = { ...usualBase('outline'), shape: outline([straight([[0, 0], [4, 4], [4, 0], [0, 4]])]) } // prettier-ignore
    expect(BaseSchema.safeParse(base).error?.issues[0]).toMatchObject({ path: ['shape', 'strokes.0'] })
    const thick = { ...usualBase('outline'), shape: { ...outline([straight([[0, 0], [4, 0], [4, 4]])]), face: 200 } } // prettier-ignore
    expect(BaseSchema.safeParse(thick).error?.issues[0]?.message).toMatch(/thinner than a third/)
  })
})

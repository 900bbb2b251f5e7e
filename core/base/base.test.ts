import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches, say, USUAL } from '../measure'
import { anchorSays, clockAngle, placeAtClock } from './position-label'
import { BASE_SORTS, basePartsOf, BOUGHT_KINDS, nearestSize, extentOf, usualBase, usualPrice } from './base-catalogue'
import { DIMENSIONS, measureLines, mirrorShape } from './dimensions'
import { along, distanceBetween, mirrored, nearestOn, nearestRun, onRun, pathRun, ringRun, stationAt, turnedRun, wayTo } from './run'
import { boundsOf } from './bounds'
import { baseFigures, baseMass, canTurn, faceArea, markOn, runsOf } from './runs'
import type { ShapeOf } from './schema'
import { BASE_KINDS, BaseSchema, LETTERS } from './schema'
import { arc, bentHeight, bezier, catenary, ellipse, line, pointOn } from './segment'

const manner = { units: 'in', currency: 'USD' } as const
const ring = ringRun('ring', 'ring', inches(12), inches(8))
const swag = pathRun({
  id: 'swag',
  name: 'swag',
  segments: [line({ x: 0, y: 0 }, { x: 300, y: 0 }), line({ x: 300, y: 0 }, { x: 300, y: 400 })],
  width: 40,
})

describe('ringRun', () => {
  it('starts at twelve and goes clockwise', () => {
    const radius = inches(5)
    expect(stationAt(ring, 0)).toMatchObject({
      x: expect.closeTo(0),
      y: expect.closeTo(-radius),
      tx: expect.closeTo(1),
      nx: expect.closeTo(0),
      ny: expect.closeTo(-1),
      half: expect.closeTo(inches(1)),
    })
    expect(stationAt(ring, ring.length / 4)).toMatchObject({
      x: expect.closeTo(radius),
      y: expect.closeTo(0),
      ty: expect.closeTo(1),
      nx: expect.closeTo(1),
    })
  })
  it('comes back to its start', () => expect(stationAt(ring, ring.length)).toEqual(stationAt(ring, 0)))
})

describe('segments', () => {
  const sound = (segment: ReturnType<typeof line>): void => {
    // What the arc length says is what short steps along it add up to.
    const n = 2000
    let far = 0
    for (let i = 0; i < n; i++) {
      const [a, b] = [pointOn(segment, (i / n) * segment.length), pointOn(segment, ((i + 1) / n) * segment.length)]
      far += Math.hypot(b.x - a.x, b.y - a.y)
      expect(Math.hypot(a.tx, a.ty)).toBeCloseTo(1, 9)
    }
    expect(far / segment.length).toBeCloseTo(1, 4)
  }
  it('are measured by true arc length', () => {
    for (const segment of [
      line({ x: 1, y: 2 }, { x: 5, y: 9 }),
      arc({ x: 0, y: 0 }, 50, 20, -130),
      ellipse(70, 40),
      bezier({ x: 0, y: 0 }, { x: 80, y: -90 }, { x: 120, y: 60 }, { x: 10, y: 90 }),
      catenary({ x: -400, y: 0 }, 800, 300),
    ])
      sound(segment)
  })
  it('a catenary without a drop is a straight line; hooks are where it starts and ends', () => {
    expect(catenary({ x: 0, y: 0 }, 100, 0).length).toBe(100)
    const deep = catenary({ x: -50, y: 10 }, 100, 900)
    expect(pointOn(deep, 0)).toMatchObject({ x: expect.closeTo(-50, 6), y: expect.closeTo(10, 6) })
    expect(pointOn(deep, deep.length)).toMatchObject({ x: expect.closeTo(50, 6), y: expect.closeTo(10, 6) })
    expect(pointOn(deep, deep.length / 2).y).toBeCloseTo(910, 4)
  })
  it('refuses what is no line, and bends no wider than it can', () => {
    expect(() => line({ x: 0, y: 0 }, { x: 0, y: 0 })).toThrow(/two different/)
    expect(() => pathRun({ id: 'a', name: 'a', segments: [], width: 1 })).toThrow(/no length/)
    expect(bentHeight(100, 60)).toBe(0)
  })
})

const allRuns = BASE_KINDS.flatMap((kind) => runsOf(usualBase(kind)).map((run) => [`${kind} ${run.id}`, run] as const))

describe.each([['ring', ring], ['swag', swag], ...allRuns] as const)('any run: %s', (_, run) => {
  it('has unit tangents and normals at right angles', () => {
    fc.assert(
      fc.property(fc.double({ min: -2000, max: 9000, noNaN: true }), (s) => {
        const { tx, ty, nx, ny, half, x, y } = stationAt(run, s)
        expect([x, y].every(Number.isFinite)).toBe(true)
        expect(Math.hypot(tx, ty)).toBeCloseTo(1, 6)
        expect(tx * nx + ty * ny).toBeCloseTo(0, 6)
        expect(half).toBeGreaterThan(0)
      }),
      { numRuns: 30 },
    )
  })
  it('finds the place nearest to a point on it', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (share) => {
        const s = share * run.length
        const found = stationAt(run, nearestOn(run, stationAt(run, s)))
        expect(Math.hypot(found.x - stationAt(run, s).x, found.y - stationAt(run, s).y)).toBeLessThan(0.05)
      }),
      { numRuns: 15 },
    )
  })
})

it('wraps on a closed run and stops on an open one', () => {
  expect(onRun(ring, -10)).toBeCloseTo(ring.length - 10, 9)
  expect(onRun(swag, -10)).toBe(0)
  expect(along(ring, ring.length - 5, 5)).toBeCloseTo(10, 9)
  expect(along(swag, 10, 5)).toBe(-5)
  expect(distanceBetween(ring, ring.length - 5, 5)).toBeCloseTo(10, 9)
  expect(distanceBetween(swag, 10, 5)).toBe(5)
})

describe.each(BASE_KINDS)('%s', (kind) => {
  const { sizes } = BASE_SORTS[kind]
  it('has usual sizes from small to large that are bases, with figures, measures and a mass', () => {
    for (const { shape } of sizes) {
      const base = { ...usualBase(kind), shape }
      expect(BaseSchema.safeParse(base).error?.issues).toBeUndefined()
      const runs = runsOf(base)
      expect(new Set(runs.map(({ id }) => id)).size).toBe(runs.length)
      for (const { figure } of baseFigures(base, runs)) expect(figure.value).toBeGreaterThan(0)
      expect(measureLines(base, runs, boundsOf(runs)).length).toBeGreaterThan(0)
      expect(baseMass(base, runs, USUAL).value).toBeGreaterThan(10)
      for (const { id } of DIMENSIONS[shape.form]) expect(shape).toHaveProperty(id)
    }
    expect(sizes.length).toBeGreaterThan(2)
    if (BOUGHT_KINDS.includes(kind)) expect(usualPrice({ kind, shape: sizes[0]!.shape })).toBe(sizes[0]!.price)
    expect(nearestSize(kind, extentOf(sizes.at(-1)!.shape))).toEqual(sizes.at(-1))
  })
  it('is mirrored run by run: a point’s image lies where its mirror says', () => {
    const base = usualBase(kind)
    const runs = runsOf(base)
    const other = runsOf({ ...base, shape: mirrorShape(base.shape) })
    for (const run of runs) {
      const image = other.find(({ id }) => id === run.mirror.run)!
      expect(image).toBeDefined()
      if (kind === 'letter') continue
      for (const share of [0.1, 0.37, 0.83]) {
        const [a, b] = [stationAt(run, share * run.length), stationAt(image, mirrored(run, share * run.length))]
        expect([b.x, b.y]).toEqual([expect.closeTo(-a.x, 3), expect.closeTo(a.y, 3)])
        const side = run.mirror.flipped ? -1 : 1
        expect([b.nx * side, b.ny * side]).toEqual([expect.closeTo(-a.nx, 3), expect.closeTo(a.ny, 3)])
      }
    }
  })
})

describe('what a base is put together of', () => {
  it('swags and teardrops are two mini trees, an opened ring is that ring, an outline is nothing that is had as a base', () => {
    const tree24 = { kind: 'mini-tree', count: 2 }
    expect(basePartsOf(usualBase('tree-swag'))).toMatchObject([{ ...tree24, shape: { tree: inches(24) } }])
    expect(basePartsOf(usualBase('teardrop'))).toMatchObject([{ ...tree24, shape: { tree: inches(24) } }])
    expect(basePartsOf(usualBase('opened-ring'))).toMatchObject([
      { kind: 'evergreen-ring', count: 1, shape: { form: 'ring', outer: inches(20) } },
    ])
    expect(basePartsOf(usualBase('outline'))).toEqual([])
    expect(basePartsOf(usualBase('grapevine'))).toMatchObject([{ kind: 'grapevine', count: 1 }])
    // So a swag costs two trees: of 24 in, 9.99 each.
    expect(usualPrice(usualBase('tree-swag'))).toBe(1998)
    expect(usualPrice(usualBase('opened-ring'))).toBe(
      usualPrice({ kind: 'evergreen-ring', shape: { form: 'ring', outer: inches(20), inner: inches(11) } }),
    )
    expect(BASE_KINDS.filter((kind) => !BOUGHT_KINDS.includes(kind))).toEqual([
      'wire-column',
      'vine-column',
      'outline',
      'tree-swag',
      'teardrop',
      'opened-ring',
    ])
    // Rings of 10, 12 and 14 in, the face 2 in wide: as those are had, and of two alike two.
    const column = { form: 'column' as const, rings: 3, top: 254, bottom: 355.6, face: 50.8 }
    expect(basePartsOf({ kind: 'vine-column', shape: column })).toEqual(
      [254, 304.8, 355.6].map((outer) => ({ kind: 'grapevine', shape: { form: 'ring', outer, inner: outer - 101.6 }, count: 1 })),
    )
    expect(basePartsOf({ kind: 'wire-column', shape: { ...column, rings: 2, bottom: 254 } })).toMatchObject([
      { kind: 'wire-ring', count: 2 },
    ])
  })
})

describe('measures', () => {
  it.each(['oval', 'square', 'heart', 'gourd', 'pear'] as const)(
    'a %s finishes as wide and as high as asked, and its lines say so',
    (kind) => {
      for (const { shape } of BASE_SORTS[kind].sizes) {
        const base = { ...usualBase(kind), shape }
        const runs = runsOf(base)
        const outline = boundsOf(kind === 'pear' ? runs.slice(0, 1) : runs)
        if ('width' in shape) expect((outline.right - outline.left) / shape.width).toBeCloseTo(1, 2.3)
        if ('height' in shape) expect((outline.bottom - outline.top) / shape.height).toBeCloseTo(1, 2.3)
        for (const { name, value } of measureLines(base, runs, boundsOf(runs))) {
          const asked = (shape as unknown as Record<string, number>)[name]
          if (asked !== undefined) expect(value.value / asked).toBeCloseTo(1, 2.3)
        }
      }
    },
  )
  it('every letter finishes as high as asked, so that a word lines up', () => {
    for (const letter of LETTERS) {
      for (const height of [300, 406.4]) {
        const runs = runsOf({ shape: { form: 'letter', letter, height, face: 60 }, turn: 0 })
        const { top, bottom } = boundsOf(runs)
        expect(Math.abs((bottom - top) / height - 1), letter).toBeLessThan(0.005)
        expect(Math.abs(top + bottom)).toBeLessThan(1)
        expect(runs.length).toBeGreaterThan(0)
      }
    }
  })
  it('an opened ring hangs as deep as asked, up to what its length allows', () => {
    for (const drop of [0, 60, 200, 300, 330]) {
      const shape = { form: 'opened' as const, outer: 400, inner: 200, drop }
      const [run] = runsOf({ shape, turn: 0 })
      expect(stationAt(run!, run!.length).y).toBeCloseTo(drop, 1)
    }
    // By hand: an arc of 471.24 falls at most 0.7246 of its length.
    expect(
      BaseSchema.safeParse({ ...usualBase('opened-ring'), shape: { form: 'opened', outer: 400, inner: 200, drop: 341 } }).success,
    ).toBe(true)
    expect(
      BaseSchema.safeParse({ ...usualBase('opened-ring'), shape: { form: 'opened', outer: 400, inner: 200, drop: 342 } }).success,
    ).toBe(false)
  })
  it('a garland costs by its length, whatever its number of scallops', () => {
    const [, , largest] = BASE_SORTS.scallops.sizes
    const priceOf = (count: number) => usualPrice({ kind: 'scallops', shape: { ...(largest!.shape as ShapeOf<'scallops'>), count } })
    expect(priceOf(3)).toBe(5499)
    // By hand: 3 × 48 + 8 + 18 + 7 = 177 in cost 54.99; three more scallops are 144 in more.
    expect(priceOf(6)).toBe(Math.round((5499 * 321) / 177))
  })
  it('an area of a ring’s face', () => expect(faceArea([ring])).toBeCloseTo(Math.PI * (inches(6) ** 2 - inches(4) ** 2), 3))
  it('weighs what the scale said', () =>
    expect(baseMass({ ...usualBase('straw'), mass: 321 }, [ring], USUAL)).toMatchObject({ value: 321, basis: { kind: 'measured' } }))
})

describe('places', () => {
  it('are said by the clock on closed runs, by distance on open ones', () => {
    const [left, right] = runsOf(usualBase('tree-swag'))
    expect(say(anchorSays(ring, ring.length * 0.375), manner)).toBe('4:30')
    expect(say(anchorSays(left!, inches(7)), manner)).toBe('7 in left of the join')
    expect(say(anchorSays(right!, 0), manner)).toBe('the join')
  })
  it.each(['grapevine', 'oval', 'heart', 'square'] as const)('are found again on a %s by their clock position', (kind) => {
    const [run] = runsOf(usualBase(kind))
    fc.assert(
      fc.property(fc.double({ min: 0, max: 359.9, noNaN: true }), (angle) => {
        const found = clockAngle(run!, placeAtClock(run!, angle))
        expect(Math.abs(((found - angle + 540) % 360) - 180)).toBeLessThan(0.01)
      }),
      { numRuns: 40 },
    )
  })
  it('lie on the nearest of several runs', () => {
    const runs = runsOf(usualBase('animal'))
    const ear = runs.find(({ id }) => id === 'right-ear')!
    expect(nearestRun(runs, stationAt(ear, ear.length / 2)).run.id).toBe('right-ear')
  })
})

describe('turning', () => {
  it('takes join and hook of a ring with it, and leaves twelve at the top', () => {
    const base = { ...usualBase('grapevine'), join: 0.5, turn: 90 }
    const runs = runsOf(base)
    expect(stationAt(runs[0]!, 0).y).toBeLessThan(0)
    expect(clockAngle(runs[0]!, markOn(base, runs, base.join).s)).toBeCloseTo(270, 6)
  })
  it('turns any other form as a whole, but not what a wall holds', () => {
    const swagBase = usualBase('tree-swag')
    expect(boundsOf(runsOf({ ...swagBase, turn: 90 })).bottom).toBeCloseTo(boundsOf(runsOf(swagBase)).right, 3)
    const door = usualBase('door-garland')
    expect(canTurn(door.shape)).toBe(false)
    expect(boundsOf(runsOf({ ...door, turn: 90 }))).toEqual(boundsOf(runsOf(door)))
  })
})

describe('moving and turning a run', () => {
  // By hand: a point is moved, and then turned about the base's middle; once more, the same again.
  it('moves each point first and then turns it, one after another', () => {
    const run = pathRun({ id: 'r', name: 'r', segments: [line({ x: 10, y: 20 }, { x: 110, y: 20 })], width: 8 })
    const turned = (p: { x: number; y: number }, by: number) => {
      const [cos, sin] = [Math.cos((by * Math.PI) / 180), Math.sin((by * Math.PI) / 180)]
      return { x: p.x * cos - p.y * sin, y: p.x * sin + p.y * cos }
    }
    const twice = turnedRun(turnedRun(run, 30, { x: 5, y: -7 }), 50, { x: -40, y: 11 })
    for (const s of [0, 40, 100]) {
      const once = turned({ x: 10 + s + 5, y: 20 - 7 }, 30)
      const by = turned({ x: once.x - 40, y: once.y + 11 }, 50)
      const { x, y, tx, ty } = stationAt(twice, s)
      expect([x, y]).toEqual([expect.closeTo(by.x, 9), expect.closeTo(by.y, 9)])
      expect(Math.atan2(ty, tx)).toBeCloseTo((80 * Math.PI) / 180, 9)
    }
  })
  it('a rail seen in a mirror slopes the other way, and what is alike on both sides is the same', () => {
    const { shape } = usualBase('rail-garland')
    expect(mirrorShape(shape)).toEqual({ ...shape, slope: -(shape as { slope: number }).slope })
    const door = usualBase('door-garland').shape
    expect(mirrorShape(door)).toBe(door)
  })
  it('each arm of a swag is half of two trees, trunk over trunk', () => {
    // Two trees of 24 in that overlap by 5 in: 43 in, an arm 21.5 in.
    const base = usualBase('tree-swag')
    const shape = { ...base.shape, tree: inches(24), overlap: inches(5) }
    expect(runsOf({ ...base, shape } as typeof base).map(({ length }) => length / 25.4)).toEqual([
      expect.closeTo(21.5, 6),
      expect.closeTo(21.5, 6),
    ])
  })
})

describe('what cannot be is refused in words, at its place', () => {
  it.each([
    ['straw', { inner: inches(20) }, 'inner', /smaller than the ring/],
    ['oval', { width: 2000 }, 'width', /bent so wide/],
    ['oval', { face: 900 }, 'face', /leave a hole/],
    ['square', { face: 300 }, 'face', /narrower/],
    ['letter', { face: 300 }, 'face', /strokes/],
    ['animal', { face: 300 }, 'face', /thinner/],
    ['tree-swag', { overlap: 600 }, 'overlap', /overlap/],
  ] as const)('%s %j', (kind, change, at, says) => {
    const base = usualBase(kind)
    const read = BaseSchema.safeParse({ ...base, shape: { ...base.shape, ...change } })
    expect(read.error?.issues[0]).toMatchObject({ path: ['shape', at], message: expect.stringMatching(says) })
  })
  it('a form of another kind', () => expect(BaseSchema.safeParse({ ...usualBase('straw'), kind: 'oval' }).success).toBe(false))
})

it('takes the short way round a closed run, and the only one along an open one', () => {
  expect(wayTo({ closed: true, length: 100 }, 95, 5)).toBeCloseTo(10, 9)
  expect(wayTo({ closed: true, length: 100 }, 5, 95)).toBeCloseTo(-10, 9)
  expect(wayTo({ closed: false, length: 100 }, 95, 5)).toBeCloseTo(-90, 9)
})

describe.each(BASE_KINDS)('a turned %s', (kind) => {
  it('has tangents along the way that its places go, and normals across', () => {
    for (const run of runsOf({ ...usualBase(kind), turn: 33 })) {
      const at = run.length * 0.37
      const step = 0.01
      const [a, b] = [stationAt(run, at - step), stationAt(run, at + step)]
      const { tx, ty, nx, ny } = stationAt(run, at)
      expect((b.x - a.x) / (2 * step)).toBeCloseTo(tx, 3)
      expect((b.y - a.y) / (2 * step)).toBeCloseTo(ty, 3)
      expect(tx * nx + ty * ny).toBeCloseTo(0, 9)
      expect(Math.hypot(nx, ny)).toBeCloseTo(1, 9)
    }
  })
})

describe('rings in a column', () => {
  it('touch rim on rim, one under the other, and stand as high as all of them together', () => {
    const shape = { form: 'column' as const, rings: 3, top: 250, bottom: 350, face: 50 }
    const runs = runsOf({ shape, turn: 0 })
    // By hand: rings of 250, 300 and 350 mm, 900 mm high; the middle of the first 450 − 125 above the middle of all.
    expect(runs.map(({ name, length }) => [name, Math.round(length)])).toEqual([
      ['upper ring', Math.round(Math.PI * 200)],
      ['middle ring', Math.round(Math.PI * 250)],
      ['lower ring', Math.round(Math.PI * 300)],
    ])
    const { top, bottom, left, right } = boundsOf(runs)
    expect([top, bottom, left, right].map(Math.round)).toEqual([-450, 450, -175, 175])
    expect(BaseSchema.safeParse({ ...usualBase('vine-column'), shape: { ...shape, face: 120 } }).error?.issues[0]?.message).toBe(
      'The face must leave a hole in every ring.',
    )
  })
})

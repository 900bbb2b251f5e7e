import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inches } from '../measure'
import { along, chainRun, nearestOn, onRun, ringRun } from './run'
import { BASE_KINDS, BaseSchema } from './schema'
import { BASE_SORTS, runsOf, usualBase, usualPrice } from './kinds'

const ring = ringRun('ring', 'ring', inches(12), inches(8))
const swag = chainRun('swag', 'swag', [{ x: 0, y: 0 }, { x: 300, y: 0 }, { x: 300, y: 400 }], 40)

describe('ringRun', () => {
  it('starts at twelve and goes clockwise', () => {
    const radius = inches(5)
    expect(ring.at(0)).toMatchObject({ x: expect.closeTo(0), y: expect.closeTo(-radius), tx: expect.closeTo(1), nx: expect.closeTo(0), ny: expect.closeTo(-1), half: expect.closeTo(inches(1)) })
    expect(ring.at(ring.length / 4)).toMatchObject({ x: expect.closeTo(radius), y: expect.closeTo(0), ty: expect.closeTo(1), nx: expect.closeTo(1) })
  })
  it('comes back to its start', () => expect(ring.at(ring.length)).toEqual(ring.at(0)))
})

describe('chainRun', () => {
  it('measures true arc length round the corner', () => {
    expect(swag.length).toBe(700)
    expect(swag.at(500)).toMatchObject({ x: 300, y: 200, tx: 0, ty: 1, nx: 1, half: 40 })
    expect(swag.at(-5)).toEqual(swag.at(0))
    expect(swag.at(900)).toMatchObject({ x: 300, y: 400 })
  })
  it('closes when asked', () => {
    const frame = chainRun('f', 'frame', [{ x: 0, y: 0 }, { x: 100, y: 0 }, { x: 100, y: 100 }, { x: 0, y: 100 }], 10, true)
    expect(frame.length).toBe(400)
    expect(frame.at(450)).toMatchObject({ x: 50, y: 0 })
  })
  it('refuses what is no chain', () => {
    expect(() => chainRun('a', 'a', [{ x: 0, y: 0 }], 1)).toThrow(/two points/)
    expect(() => chainRun('a', 'a', [{ x: 0, y: 0 }, { x: 0, y: 0 }], 1)).toThrow(/same/)
  })
})

describe.each([['ring', ring], ['swag', swag]] as const)('any run: %s', (_, run) => {
  it('has unit tangents and normals at right angles', () => {
    fc.assert(fc.property(fc.double({ min: -2000, max: 4000, noNaN: true }), (s) => {
      const { tx, ty, nx, ny } = run.at(s)
      expect(Math.hypot(tx, ty)).toBeCloseTo(1, 9)
      expect(tx * nx + ty * ny).toBeCloseTo(0, 9)
    }))
  })
  it('finds the place nearest to a point on it', () => {
    fc.assert(fc.property(fc.double({ min: 0, max: 0.999, noNaN: true }), (share) => {
      const s = share * run.length
      const found = run.at(nearestOn(run, run.at(s)))
      expect(Math.hypot(found.x - run.at(s).x, found.y - run.at(s).y)).toBeLessThan(0.05)
    }))
  })
})

it('wraps on a closed run and stops on an open one', () => {
  expect(onRun(ring, -10)).toBeCloseTo(ring.length - 10, 9)
  expect(onRun(swag, -10)).toBe(0)
  expect(along(ring, ring.length - 5, 5)).toBeCloseTo(10, 9)
  expect(along(swag, 10, 5)).toBe(-5)
})

describe('bases', () => {
  it.each(BASE_KINDS)('%s: every usual size is a base with a run of its own length', (kind) => {
    for (const { outer, inner } of BASE_SORTS[kind].sizes) {
      const base = { ...usualBase(kind), outer, inner }
      expect(BaseSchema.safeParse(base).success).toBe(true)
      expect(runsOf(base)[0]!.length).toBeCloseTo(Math.PI * (outer + inner) / 2, 6)
    }
    expect(BASE_SORTS[kind].sizes.map(({ outer }) => outer)).toEqual(BASE_SORTS[kind].sizes.map(({ outer }) => outer).sort((a, b) => a - b))
  })
  it('takes the price of the nearest usual size', () => expect(usualPrice({ kind: 'grapevine', outer: inches(17) })).toBe(999))
  it('refuses a hole larger than the ring, in words', () => {
    const read = BaseSchema.safeParse({ ...usualBase('straw'), inner: inches(20) })
    expect(read.error?.issues[0]).toMatchObject({ path: ['inner'], message: 'The hole must be smaller than the ring.' })
  })
})

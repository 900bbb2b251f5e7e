import { mm } from '../../core/measure/expression'
import { describe, expect, it } from 'vitest'
import { advanceForCount, handLoops, overlapped, ragLoops } from '../../core/placement'
import { catenary, ellipse, runsOf, usualBase } from '../../core/base'
import { planCuts } from '../../core/cut'
import { hangerLength } from '../../core/hanging'
import { bareWire, beadsOff, bowPieces, figureOf, pinsOf, ribbonOf, sized, winding } from '../../core/constructions'
import { inches, toInches } from '../../core/measure'
import type { RibbonOf, Rule } from '../../core/piece'
import { usualRule } from '../../core/piece'
import { handBow, layerOf, pieceWith, shelf, takesOf } from '../../core/testing'
import { work } from '../../core/workings'

/** The length of a curve given by its speed, by composite Simpson: shares nothing with the quadrature of the core. */
function simpson(speed: (u: number) => number, from: number, to: number, n = 20_000): number {
  const h = (to - from) / n
  let sum = speed(from) + speed(to)
  for (let i = 1; i < n; i++) sum += (i % 2 ? 4 : 2) * speed(from + i * h)
  return (sum * h) / 3
}

describe('curves against numerical integrals', () => {
  // Source: the arc length integral of x = a cos u, y = b sin u.
  it.each([
    [7, 5],
    [9, 2],
    [4, 4],
    [120, 60],
  ])('an ellipse of %f by %f', (a, b) => {
    expect(ellipse(a, b).length).toBeCloseTo(
      simpson((u) => Math.hypot(a * Math.sin(u), b * Math.cos(u)), 0, 2 * Math.PI),
      4,
    )
  })
  // Source: the arc length integral of y = a cosh(x / a), with a found by bisection from the drop.
  it.each([
    [36, 9],
    [48, 8],
    [24, 20],
    [60, 1],
  ])('a catenary over %f that hangs %f', (span, drop) => {
    let [low, high] = [0.5, 1e6]
    for (let i = 0; i < 200; i++) {
      const a = (low + high) / 2
      if (!(a * (Math.cosh(span / 2 / a) - 1) <= drop)) low = a
      else high = a
    }
    const length = simpson((x) => Math.hypot(1, Math.sinh(x / high)), -span / 2, span / 2)
    expect(toInches(catenary({ x: 0, y: 0 }, inches(span), inches(drop)).length)).toBeCloseTo(length, 3)
  })
  /** The length of a helix wound `turns` times round a torus: centre circle `radius`, tube `tube` (differential geometry of the torus). */
  const torus = (turns: number, radius: number, tube: number): number =>
    simpson((u) => Math.hypot(radius + tube * Math.cos(turns * u), tube * turns), 0, 2 * Math.PI)
  // Source: a worked value of the trade (common practice): the true curve round a 12 in centre circle, tube 2 in thick, at 15 turns is 101.59 in.
  it('the helix round a ring: 101.59 in at 15 turns, and our sum within half of one in a hundred of it', () => {
    expect(torus(15, 6, 1)).toBeCloseTo(101.59, 2)
    const along = Math.PI * inches(12)
    expect(Math.abs(toInches(winding(along, along / 15, inches(2), 10, shelf).length.value) / 101.59 - 1)).toBeLessThan(0.005)
  })
  // A straight tube is a good stand-in for a ring as long as it is thin: the two part by less than half of one in a hundred.
  it.each([
    [15, 12, 2],
    [30, 14, 1],
    [60, 18, 1.5],
    [8, 10, 0.5],
  ])('%d turns round a %d in circle of %f in tube agree with the sum that is shown', (turns, across, tube) => {
    const along = Math.PI * inches(across)
    const ours = winding(along, along / turns, inches(tube), 10, shelf).length.value
    expect(toInches(ours) / torus(turns, across / 2, tube / 2)).toBeCloseTo(1, 2)
    expect(Math.abs(toInches(ours) / torus(turns, across / 2, tube / 2) - 1)).toBeLessThan(0.005)
  })
})

const made = (piece: Parameters<typeof work>[0], layer = 0) => work(piece, shelf).layers[layer]!.makeUp!
const usual = (kind: Rule['kind'], set: object): Rule => ({ ...usualRule(kind, ''), ...set }) as Rule

// Source of the rest: worked values of the trade (common practice).
describe('bases', () => {
  it('beads off a ring: pi x the change in diameter / bead, a whole number', () => {
    expect(beadsOff(inches(1), inches(0.5)).beads).toBe(6)
    expect(beadsOff(inches(2), 20).beads).toBe(8)
  })
  it('bare wire: turns x pi x (ring wire + own wire) + tail', () =>
    expect(bareWire(2, mm(6), 1, 10).value).toBeCloseTo(2 * Math.PI * 7 + 10, 9))
  it('beads on a rib: floor((rib - allowance) / bead)', () => {
    const pear = pieceWith([layerOf('a', 'bead-20', usual('beads', { allowance: inches(1) }), { run: 'rib-2' })], {
      base: usualBase('pear'),
    })
    const rib = runsOf(pear.base).find(({ id }) => id === 'rib-2')!.length
    expect(figureOf(made(pear), 'beads').value).toBe(Math.floor((rib - inches(1)) / shelf.materials['bead-20']!.length))
  })
})

describe('bundles and boughs', () => {
  it.each([
    [13, 3.5, 12, 3.4],
    [10, 3, 11, 2.86],
  ])('a %d in centre line at %f in: %d bundles at %f in', (across, advance, bundles, even) => {
    const run = { closed: true, length: Math.PI * inches(across) }
    const { count, step } = overlapped(run, inches(7), inches(advance))
    expect(count).toBe(bundles)
    expect(toInches(step)).toBeCloseTo(even, 2)
    expect(advanceForCount(run, inches(7), bundles)).toBeCloseTo(step, 9)
  })
  it('a door of 84 by 38 in, pieces of 16 in, overlap 6 in: 206 in; as one length 20 pieces', () => {
    expect(overlapped({ closed: false, length: inches(206) }, inches(16), inches(10)).count).toBe(20)
    const door = pieceWith(
      [layerOf('a', 'fir', usual('boughs', { overlap: inches(6), yields: inches(40) }), { run: 'each', cut: inches(16) })],
      { base: { ...usualBase('door-garland'), shape: { form: 'door', width: inches(38), height: inches(84), face: inches(8) } } },
    )
    expect(toInches(figureOf(made(door), 'length').value)).toBeCloseTo(206, 6)
    // In two runs, as a garland round a door is made: ceil((103 - 16) / 10) + 1 = 10 to each.
    expect(figureOf(made(door), 'pieces').value).toBe(20)
  })
  it('40 in of garland from a large bough: five do an interior door, and 196 in at 39.2 in take five as well', () => {
    const boughs = (run: number, yields: number) =>
      figureOf(
        made(
          pieceWith(
            [layerOf('a', 'fir', usual('boughs', { overlap: inches(6), yields: inches(yields) }), { run: 'garland', cut: inches(16) })],
            { base: { ...usualBase('mantel-garland'), shape: { form: 'mantel', width: inches(run), drops: 0, face: inches(8) } } },
          ),
        ),
        'boughs',
      ).value
    expect([boughs(206, 40), boughs(196, 39.2)]).toEqual([5, 5])
  })
})

describe('bows', () => {
  it('a 6 in loop uses 12 in when visible and 6 in as ribbon used', () => {
    expect(toInches(ribbonOf(handBow({ loops: 1, tails: [0, 0] }), 'visible'))).toBeCloseTo(12)
    expect(toInches(ribbonOf(handBow({ loops: 1, tails: [0, 0] }), 'ribbon used'))).toBeCloseTo(6)
  })
  it('tails 10 + 10 and eight loops of 6 in: 116 in (3.22 yd) or 68 in', () => {
    expect(toInches(ribbonOf(handBow({}), 'visible'))).toBeCloseTo(116)
    expect(toInches(ribbonOf(handBow({}), 'visible')) / 36).toBeCloseTo(3.22, 2)
    expect(toInches(ribbonOf(handBow({}), 'ribbon used'))).toBeCloseTo(68)
  })
  it('a strip of 40 in with 1 in over at each end: loops of 4.75 in come out four to the strip, of 6.33 in three', () => {
    const rag = (loop: number): RibbonOf<'rag'> => ({
      build: 'rag',
      strips: 1,
      strip: inches(40),
      overhang: inches(1),
      loop: inches(loop),
      taper: 0,
    })
    expect(ragLoops(rag(4.75), 'visible')).toBe(4)
    expect(ragLoops(rag(6.33), 'visible')).toBe(3)
    expect(ragLoops(rag(4.76), 'visible')).toBe(3)
    // The largest loop for k loops: (S - 2 overhang) / 2k.
    for (const [k, largest] of [
      [4, 4.75],
      [3, 6.33],
    ] as const)
      expect(toInches((sized(rag(largest), inches(largest), 'visible') as RibbonOf<'rag'>).strip)).toBeCloseTo(2 + 2 * k * largest, 2)
  })
  it('pinched strips take 4 loops + 2 tails; a coil layers x flat length; flat rounds rounds x 2 x width + strip', () => {
    expect(toInches(bowPieces({ build: 'strips', strips: 1, loop: inches(5), tail: inches(3) }, 'visible')[0]!.length)).toBeCloseTo(
      4 * 5 + 2 * 3,
    )
    expect(toInches(ribbonOf({ build: 'coil', layers: 9, flat: inches(8) }, 'visible'))).toBeCloseTo(72)
    expect(toInches(ribbonOf({ build: 'flat', rounds: 3, width: inches(7), strip: inches(5) }, 'visible'))).toBeCloseTo(3 * 2 * 7 + 5)
  })
  it('a stack is summed ribbon by ribbon, its width twice the longest loop', () => {
    const rule = usual('bow', { means: 'visible', ribbons: [handBow({ loop: inches(5) }), handBow({ loop: inches(4), loops: 6 })] })
    const stack = pieceWith(
      [
        layerOf('a', 'ribbon-slate', rule, {
          mix: ['ribbon-slate', 'ribbon-ochre'].map((material) => ({ material, share: 1, only: null })),
        }),
      ],
      { ring: { outer: inches(24), inner: inches(18) } },
    )
    expect(toInches(figureOf(made(stack), 'across').value)).toBeCloseTo(10)
    expect(takesOf(made(stack)).map(({ length }) => Math.round(toInches(length)))).toEqual([20 + 8 * 10, 20 + 6 * 8])
  })
  it('taper: outer loops longest', () =>
    expect(handLoops({ loops: 6, loop: 90, taper: 1 / 3, groups: null }).map(Math.round)).toEqual([90, 90, 75, 75, 60, 60]))
})

describe('mesh, wraps, twine', () => {
  it('a ribbon round a 12 in centre circle, tube 2 in thick, pitch 2.5 in: 15.08 turns, 101.97 in', () => {
    const {
      turns: { value: turns },
      length: { value: length },
    } = winding(Math.PI * inches(12), inches(2.5), inches(2), inches(1), shelf)
    expect(turns).toBeCloseTo(15.08, 2)
    expect(toInches(length)).toBeCloseTo(101.97, 2)
  })
  it('twine side by side: turns pi D / t, length turns x pi (d + t)', () => {
    const {
      turns: { value: turns },
      length: { value: length },
    } = winding(Math.PI * 300, null, 50, 2, shelf)
    expect(turns).toBeCloseTo((Math.PI * 300) / 2, 9)
    expect(length).toBeCloseTo(turns * Math.PI * 52, 6)
    // People underestimate it by far: 77 m for a ring of 30 cm.
    expect(length / 1000).toBeGreaterThan(70)
  })
  it('four pins to a strand of about 20 in', () => expect(pinsOf(inches(20), inches(20 / 3))).toBe(4))
  it('ruffles at 10 in from a roll of 10 yd: 36 pieces', () => {
    const mesh = pieceWith([layerOf('a', 'mesh-honey', usual('mesh', { ties: 18, count: 18, gathers: ['ruffle'], cut: inches(10) }))])
    expect(figureOf(made(mesh), 'per:mesh-honey').value).toBe(36)
  })
})

describe('cutting', () => {
  it('what one bow takes comes from as few rolls as the arithmetic says', () => {
    // Three bows of 116 in come from one roll of 360 in, with 12 in over; a fourth opens another.
    const plan = (count: number) =>
      planCuts({
        wants: [{ id: 'bow', length: inches(116), count, joins: false }],
        stocks: [{ from: 'roll', id: 'new', length: inches(360), price: 899, supply: null }],
        least: inches(6),
      })
    expect(plan(3)).toMatchObject({ opened: 1, proven: true })
    expect(toInches(plan(3).rolls[0]!.rest)).toBeCloseTo(12)
    expect(plan(4).opened).toBe(2)
  })
  it('rolls of two lengths: least cost, not least count', () => {
    const plan = planCuts({
      wants: [{ id: 'a', length: 1000, count: 3, joins: false }],
      stocks: [
        { from: 'roll', id: 'long', length: 3000, price: 1000, supply: null },
        { from: 'roll', id: 'short', length: 1000, price: 300, supply: null },
      ],
      least: 0,
    })
    expect(plan).toMatchObject({ opened: 3, cost: 900, proven: true })
  })
  it('a hanger goes round the base, up and down, and into its knot', () =>
    expect(toInches(hangerLength(mm(inches(2)), mm(inches(3)), shelf).value)).toBeCloseTo(2 * Math.PI + 6 + 4))
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { random } from '../../measure'
import { grow } from '../grow-species'
import type { Growth, SpeciesPart, Species } from '../species-grammar'
import { FINISHES } from '../species-grammar'
import type { Mark } from '../vector-marks'
import type { Pen } from '../vector-pen'
import { drawing } from '../vector-pen'
import { sound } from '../testing'
import { loopRibs, tailRibs } from './cloth'
import { Inks } from './palette'
import { leafOutline } from './leaf'

const palette = { a: '#558844', b: { of: 'a', l: 0.1, h: 30 } } as const
const species = (grown: readonly Growth[], stance: Species['stance'] = 'stem'): Species => ({
  name: 'part',
  family: 'Mechanics',
  size: [100, 40],
  stance,
  palette,
  grow: grown,
})
const drawn = (part: Growth, length = 100, width = 40, seed = 1, turned = 0): { marks: readonly Mark[]; bounds: Pen['bounds'] } => {
  const { pen, glyph } = drawing(random(seed), { turned })
  grow(pen, species([part]), { length, width, tint: null, words: null, bend: 0 })
  return glyph()
}
const cloth = { hue: 'a', second: 'b' } as const
const PARTS: readonly SpeciesPart[] = [
  { part: 'stalk', hue: 'a', thick: 0.02, knots: 4 },
  { part: 'leaf', hue: ['a', 'b'], veins: 3, gloss: 1, rim: 'b' },
  ...(['lobed', 'toothed', 'spined', 'crenate'] as const).map((kind): SpeciesPart => ({
    part: 'leaf',
    hue: 'a',
    edge: { kind, count: 5, depth: 0.5 },
  })),
  {
    part: 'leaf',
    hue: 'a',
    outline: [
      [0, 0.5],
      [0.5, 1],
      [0.9, 0.2],
    ],
  },
  { part: 'petal', hue: 'a', heart: 'b', cup: 1, ruffle: 1, notch: 0.2 },
  { part: 'needles', hue: 'a', size: 0.4, thick: 6, angle: [20, 60], stroke: 0.1, round: true, bundle: 2, droop: 0.4 },
  { part: 'spray', hue: 'a', thick: 0.04, angle: [30, 45], forks: [4, 3], reach: [0.6, 0.3] },
  { part: 'ball', hue: 'a', gloss: 0.8, eye: 'b', bloom: 0.3, squash: 0.2 },
  { part: 'disc', hue: 'a' },
  { part: 'hairs', hue: 'a', from: 'stem', count: 20, size: 0.5, curl: 20, stroke: 0.02 },
  { part: 'hairs', hue: 'a', from: 'heart', count: 20, size: 0.5, curl: 20, stroke: 0.02 },
  {
    part: 'blob',
    hue: 'a',
    outline: [
      [0, 0],
      [0.5, 1],
      [1, 0],
    ],
    mirror: true,
  },
  {
    part: 'lines',
    hue: 'a',
    stroke: 0.05,
    lines: [
      [
        [0, 0],
        [1, 1],
      ],
    ],
    mirror: true,
  },
  { part: 'dots', hue: 'a', count: 5, size: 0.05 },
  { part: 'glow', hue: 'a', size: 1, opacity: 0.5 },
  { part: 'grain', hue: 'a', count: 4, box: [0, 1, 0.8] },
  { part: 'words', hue: 'a', text: 'Ice-out', box: [0, 1, 1] },
  ...FINISHES.flatMap((finish): SpeciesPart[] => [
    {
      part: 'bow',
      finish,
      ...cloth,
      ribbon: 0.4,
      loops: [
        [0, 1],
        [180, 1],
      ],
      tails: [[10, 1]],
      cut: 'v',
    },
    { part: 'ribbon', finish, ...cloth, waves: 1, cut: 'slant' },
    { part: 'roll', finish, ...cloth, core: 'b' },
  ]),
  ...(['ruffle', 'petal', 'poof'] as const).map((how): SpeciesPart => ({ part: 'gather', how, finish: 'mesh', ...cloth })),
]

describe.each(PARTS.map((part, i) => [`${i} ${part.part}`, part] as const))('%s', (_, part) => {
  it('is sound at any size, seed and turn', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 4000, noNaN: true }),
        fc.double({ min: 0.1, max: 2000, noNaN: true }),
        fc.integer(),
        fc.integer({ min: 0, max: 359 }),
        (length, width, seed, turned) => {
          const { marks, bounds } = drawn(part, length, width, seed, turned)
          sound(marks)
          expect(Object.values(bounds).every(Number.isFinite)).toBe(true)
        },
      ),
      { numRuns: 12 },
    )
  })
  it('is the same from the same seed', () => expect(drawn(part)).toEqual(drawn(part)))
})

describe('habits', () => {
  const put: readonly Growth[] = [{ part: 'leaf', hue: 'a' }]
  /** How many leaves: each has one gradient across it. */
  const leaves = (growth: Growth): number => drawn(growth, 1000, 400).marks.filter(({ fill }) => typeof fill === 'object').length
  it('set as many as they say', () => {
    const along = { grow: 'along', count: 6, angle: 40, reach: 0.5, put } as const
    expect(leaves({ ...along, habit: 'alternate' })).toBe(6)
    expect(leaves({ ...along, habit: 'alternate', tipped: true })).toBe(7)
    expect(leaves({ ...along, habit: 'opposite' })).toBe(12)
    expect(leaves({ ...along, habit: 'whorl', ring: 4 })).toBe(24)
    expect(leaves({ ...along, habit: 'crowded' })).toBe(6)
    expect(leaves({ ...along, habit: 'fan' })).toBe(6)
    expect(leaves({ ...along, habit: 'alternate', count: { every: 0.25 }, from: 0, to: 1 })).toBe(10)
    expect(
      leaves({
        grow: 'rings',
        rings: [
          [5, 1, 0.3],
          [3, 0.5, 0.2],
        ],
        put,
      }),
    ).toBe(8)
    expect(leaves({ grow: 'spiral', count: 17, radius: 0.8, reach: [0.3, 0.3], put })).toBe(17)
    expect(leaves({ grow: 'put', at: 0.5, chance: 0, put })).toBe(0)
  })
  it('leave nothing where the reach is nothing', () =>
    expect(leaves({ grow: 'along', habit: 'alternate', count: 3, angle: 30, reach: 0, put })).toBe(0))
})

describe('leaves', () => {
  it('close, stay within their width and are widest at their belly', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 8, max: 500, noNaN: true }),
        fc.double({ min: 0.2, max: 200, noNaN: true }),
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (length, width, belly, tip, heart) => {
          const outline = leafOutline({ length, width, belly, tip, heart })
          for (const [u, v] of outline) {
            expect(u).toBeGreaterThanOrEqual(0)
            expect(u).toBeLessThanOrEqual(length + 1e-9)
            expect(Math.abs(v)).toBeLessThanOrEqual(width / 2 + 1e-9)
          }
          const widest = outline.reduce((best, point) => (Math.abs(point[1]) > Math.abs(best[1]) ? point : best))
          expect(Math.abs(widest[0] / length - belly)).toBeLessThan(0.16)
        },
      ),
    )
  })
  it('are brighter on the half towards the light, however they are turned', () => {
    for (const turned of [0, 90, 200]) {
      const { pen, glyph } = drawing(random(1), { turned })
      grow(pen, species([{ part: 'leaf', hue: 'a', lift: 0 }]), { length: 100, width: 40, tint: null, words: null, bend: 0 })
      const { fill } = glyph().marks.find(({ fill }) => typeof fill === 'object')!
      if (typeof fill !== 'object' || fill.kind !== 'linear') throw new Error('a leaf is filled across')
      const [x, y] = [fill.from[0] - fill.to[0], fill.from[1] - fill.to[1]]
      expect(x * pen.light[0] + y * pen.light[1]).toBeGreaterThan(0)
    }
  })
})

describe('cloth', () => {
  it('goes out and comes back in a loop, narrow at the tie and as wide as the ribbon at its end', () => {
    const ribs = loopRibs({ angle: 0, length: 100, width: 40, open: 0.5, tilt: 30 })
    expect(Math.hypot(...ribs[0]!.at)).toBeCloseTo(0, 6)
    expect(Math.hypot(...ribs.at(-1)!.at)).toBeCloseTo(0, 6)
    const far = ribs[ribs.length / 2 - 0.5]!
    expect(far.at[0]).toBeCloseTo(100, 6)
    expect(Math.hypot(...far.half)).toBeCloseTo(20, 1)
    expect(Math.hypot(...ribs[0]!.half)).toBeLessThan(8)
  })
  it('falls where down is, whichever way the bow is turned', () => {
    for (const turned of [0, 90, 180]) {
      const bow = (tails: readonly (readonly [number, number])[]) =>
        drawn(
          {
            part: 'bow',
            finish: 'plain',
            ...cloth,
            ribbon: 0.3,
            loops: [
              [0, 0.2],
              [180, 0.2],
            ],
            tails,
            cut: 'v',
          },
          100,
          100,
          1,
          turned,
        ).bounds
      const down = ((90 - turned) * Math.PI) / 180
      const [with_, without] = [bow([[0, 1.6]]), bow([])]
      const reach =
        Math.cos(down) > 0.5
          ? with_.right - without.right
          : Math.cos(down) < -0.5
            ? without.left - with_.left
            : Math.sin(down) > 0
              ? with_.bottom - without.bottom
              : without.top - with_.top
      expect(reach).toBeGreaterThan(40)
    }
  })
  it('is as long as it says in a tail', () => {
    const ribs = tailRibs({ angle: 90, length: 200, width: 40, waves: 1, pinched: false })
    expect(ribs.at(-1)!.at[1]).toBeCloseTo(200, 6)
  })
})

describe('inks', () => {
  it('mix from the palette, and refuse what it does not have', () => {
    const inks = new Inks(palette, null, random(1))
    expect(inks.flat('b').l).toBeCloseTo(inks.flat('a').l + 0.1, 9)
    expect(inks.flat(['a', 'b']).l).toBeCloseTo(inks.flat('a').l + 0.05, 9)
    expect(() => inks.flat('c')).toThrow(/no colour c/)
    expect(() => new Inks({ a: { of: 'later' } }, null, random(1))).toThrow(/after it or not at all/)
    expect(inks.span(3)).toBe(3)
    expect(inks.span([2, 4])).toBeGreaterThanOrEqual(2)
  })
})

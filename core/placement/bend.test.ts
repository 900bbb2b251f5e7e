import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { BASE_KINDS, onRun, ringRun, runsOf, stationAt, usualBase } from '../base'
import type { Run } from '../base'
import { degrees, inches, radians, say } from '../measure'
import type { Layer, Piece } from '../piece'
import { mirrorPiece, PieceSchema } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { arrange, BEND_STEP, bendSaid, footprint, HELD, spotAlong, turnAlong, turnOfRun } from '.'
import type { LyingLine } from '.'

const ring = ringRun('ring', 'ring', inches(16), inches(12))
const RADIUS = inches(7)
const compass = (count: number) => ({ kind: 'compass', count, start: 0 }) as const
const on = (run: Run, layer: Layer) => arrange(pieceWith([layer]), [run], shelf)[0]!.placements
const stems = (material: string, set: Partial<Layer>) => on(ring, layerOf('a', material, compass(12), { bend: 'run', ...set }))
const tipOf = (thing: LyingLine) => spotAlong(thing, thing.length * (1 - HELD), 0)
/** What a step of the bend may put a tip aside, mm: half a step of turn over the length. */
const slack = (length: number): number => (length * radians(BEND_STEP)) / 2

describe('the line of a bent stem', () => {
  it('ends where an arc of its length and turn ends: a chord of 2 r sin(θ/2), half the turn off its beginning', () => {
    fc.assert(
      fc.property(fc.integer({ min: -260, max: 260 }), fc.double({ min: 20, max: 900, noNaN: true }), (bend, length) => {
        const { x, y } = spotAlong({ x: 0, y: 0, bearing: 0, bend, length }, length, 0)
        const half = radians(bend) / 2
        const chord = bend === 0 ? length : (2 * length * Math.sin(half)) / (2 * half)
        expect(x).toBeCloseTo(chord * Math.cos(half), 6)
        expect(y).toBeCloseTo(chord * Math.sin(half), 6)
      }),
    )
  })
  it('covers as much as a straight one: what is even about a line keeps its area when the line is bent (Pappus)', () => {
    const area = (bend: number): number => {
      const points = footprint({ x: 3, y: 4, bearing: 33, bend, length: 300, width: 60 }, 'leaf')
      return (
        Math.abs(
          points.reduce((all, a, i) => all + a.x * points[(i + 1) % points.length]!.y - points[(i + 1) % points.length]!.x * a.y, 0),
        ) / 2
      )
    }
    for (const bend of [-90, 40, 120]) expect(area(bend) / area(0)).toBeCloseTo(1, 1.7)
  })
})

describe('a run', () => {
  it('that goes round once turns once round, whatever its shape (Hopf’s theorem of turning tangents)', () => {
    for (const kind of BASE_KINDS)
      for (const run of runsOf(usualBase(kind)))
        if (run.closed) expect(Math.abs(turnOfRun(run, run.length / 3, run.length)), kind).toBeCloseTo(360, 3)
  })
})

describe('the bend asked of a stem', () => {
  it('is the turn of a ring, and before a corner what ends it on the other side: of nine tenths of it twice the angle of 1 to 9', () => {
    expect(turnAlong(ring, 40, 200)).toBeCloseTo(turnOfRun(ring, 40, 200), 9)
    const [square] = runsOf({ ...usualBase('square'), shape: { form: 'square', width: 500, height: 500, face: 60 } })
    const side = square!.length / 4
    // Along each side the corner comes at other places: the one at which nothing turns any more tells where it was.
    const straight = Array.from({ length: 400 }, (_, i) => (i * side) / 400).filter((s) => turnOfRun(square!, s, 100) === 0)
    const corner = straight.at(-1)! + 100
    // A corner of a made frame is a little round, and the step of looking is a mm.
    expect(Math.abs(turnAlong(square!, corner - 90, 100))).toBeLessThan(2 * degrees(Math.atan(1 / 9)) + 2)
    expect(Math.abs(turnAlong(square!, corner - 90, 100))).toBeLessThan(Math.abs(turnOfRun(square!, corner - 90, 100)) + 1e-9)
    expect(turnAlong(square!, corner - 100, 90)).toBeCloseTo(0, 6)
  })
  it('ends a stem that takes it no farther from its run than a straight one or one that turns as the run does', () => {
    for (const kind of BASE_KINDS)
      for (const run of runsOf(usualBase(kind)))
        for (const share of [0.1, 0.37, 0.62, 0.9]) {
          const [s, length] = [share * run.length * 0.8, Math.min(180, run.length * 0.2)]
          const { x, y, tx, ty } = stationAt(run, s)
          const end = stationAt(run, onRun(run, s + length))
          const off = (bend: number): number => {
            const tip = spotAlong({ x, y, bearing: degrees(Math.atan2(ty, tx)), bend, length }, length, 0)
            return Math.hypot(tip.x - end.x, tip.y - end.y)
          }
          const asked = off(turnAlong(run, s, length))
          expect(asked, `${kind} ${run.id} ${share}`).toBeLessThan(off(0) + 1)
          expect(asked, `${kind} ${run.id} ${share}`).toBeLessThan(off(turnOfRun(run, s, length)) + 1)
        }
  })
})

describe('stems that follow their run', () => {
  it('along the middle of a ring end on it, where straight ones stand off', () => {
    for (const flow of ['clockwise', 'anticlockwise'] as const) {
      for (const thing of stems('olive', { flow })) {
        const { x, y } = tipOf(thing)
        expect(Math.abs(Math.hypot(x, y) - RADIUS)).toBeLessThan(slack(thing.length))
      }
      const [straight] = stems('olive', { flow, bend: 'straight' })
      expect(Math.hypot(tipOf(straight!).x, tipOf(straight!).y) - RADIUS).toBeGreaterThan(inches(7))
    }
  })
  it('keep their angle to the ring, as a spiral of Bernoulli does, and hold to a wider or a narrower circle at its edges', () => {
    for (const lean of [-25, 15, 40])
      for (const thing of stems('willow-leaf', { lean, cut: inches(9) })) {
        const { x, y } = tipOf(thing)
        const heading = radians(thing.bearing + thing.bend * (1 - HELD))
        const out = (Math.cos(heading) * x + Math.sin(heading) * y) / Math.hypot(x, y)
        // The bend is even and a spiral’s is not: some degrees at the end.
        expect(Math.abs((Math.asin(out) * 180) / Math.PI - lean), `lean ${lean}`).toBeLessThan(BEND_STEP)
      }
    for (const across of [-1, 1])
      for (const thing of stems('olive', { across, cut: inches(9) }))
        expect(Math.abs(Math.hypot(tipOf(thing).x, tipOf(thing).y) - (RADIUS + inches(2) * across))).toBeLessThan(slack(thing.length))
  })
  it('that point off it stay straight, and so does what is stiff, or lies along a straight run', () => {
    for (const { bend } of stems('olive', { flow: 'outward' })) expect(bend).toBe(0)
    for (const { bend } of stems('holly', {})) expect(bend).toBe(0)
    const rail = runsOf(usualBase('rail-garland'))[0]!
    const flat = on(rail, layerOf('a', 'olive', { kind: 'every', spacing: 200, start: 0 }, { bend: 'run' }))
    for (const { bend } of flat.filter(({ s, length }) => s > length && s < rail.length - length)) expect(Math.abs(bend)).toBeLessThan(90)
  })
  it('take no tighter a curve than they can, and say by how much they would have to', () => {
    const small = ringRun('ring', 'ring', inches(9), inches(7))
    const fir = layerOf('a', 'fir', compass(8), { bend: 'run' })
    const laid = on(small, fir)
    const curve = shelf.materials.fir!.curve!
    for (const { bend, length, tight } of laid) {
      expect(length / Math.abs(radians(bend))).toBeGreaterThanOrEqual(curve - 1e-6)
      expect(tight).toBeCloseTo(inches(4), 0)
    }
    const says = say(bendSaid(fir, laid, shelf), { units: 'in', currency: 'USD' })
    expect(says).toBe(
      'Fir tips take a radius of 8 in at the tightest. 8 fir tips would have to bend to 4 in here: they bend as far as they take.',
    )
    expect(say(bendSaid(layerOf('a', 'holly', compass(3)), [], shelf), { units: 'in', currency: 'USD' })).toBe('')
    // As far as they take is not asked too much.
    expect(
      work(pieceWith([fir], { ring: { outer: inches(9), inner: inches(7) } }), shelf).problems.filter(({ id }) => /tight/.test(id)),
    ).toEqual([])
  })
  it('lie in the mirror as they lie', () => {
    for (const kind of ['grapevine', 'heart', 'tree-swag', 'gourd'] as const)
      for (const bend of ['run', { radius: 140, toward: 'in' }] as const)
        for (const flow of ['clockwise', 'apart', 'outward'] as const) {
          const base = usualBase(kind)
          const run = runsOf(base).length > 1 ? 'each' : runsOf(base)[0]!.id
          const piece = pieceWith(
            [layerOf('a', 'olive', { ...compass(5), start: 0.03 }, { bend, flow, run, lean: 20, leanSpread: 15, uneven: 0.3 })],
            { base },
          )
          const tips = (of: Piece, side: 1 | -1) =>
            arrange(of, runsOf(of.base), shelf)[0]!
              .placements.map((thing) => ({ ...tipOf(thing), bend: thing.bend }))
              .map(({ x, y, bend: turn }) =>
                `${(side * x).toFixed(2)} ${y.toFixed(2)} ${side * turn}`.replaceAll(/-(0(\.00)?)\b(?!\.)/g, '$1'),
              )
              .sort()
          expect(tips(mirrorPiece(piece, 'twin', 'twin'), -1), `${kind} ${flow}`).toEqual(tips(piece, 1))
        }
  })
})

describe('stems that are bent to a radius', () => {
  const radius = inches(6)
  it('turn in or out by it, on both sides of a seat', () => {
    for (const flow of ['clockwise', 'apart'] as const) {
      const off = (bend: Layer['bend']) => stems('olive', { flow, bend }).map((thing) => Math.hypot(tipOf(thing).x, tipOf(thing).y))
      const [inward, straight, outward] = [off({ radius, toward: 'in' }), off('straight'), off({ radius, toward: 'out' })]
      straight.forEach((far, i) => expect([inward[i]! < far, outward[i]! > far], `${flow} ${i}`).toEqual([true, true]))
    }
    for (const { bend, length } of stems('olive', { bend: { radius, toward: 'in' } }))
      expect(Math.abs(radians(Math.abs(bend)) * radius - length)).toBeLessThan((radius * radians(BEND_STEP)) / 2 + 1e-9)
  })
  it('that they do not take is told, with the tightest that they do; what is stiff is laid straight', () => {
    const told = (material: string) =>
      work(pieceWith([layerOf('a', material, compass(4), { bend: { radius: 30, toward: 'in' } })]), shelf).problems.filter(({ id }) =>
        /:tight:/.test(id),
      )
    const [fir] = told('fir')
    expect(fir!.mends.map(({ edit }) => edit)).toEqual([
      { do: 'layer', layer: 'a', set: { bend: { radius: inches(8), toward: 'in' } } },
      { do: 'layer', layer: 'a', set: { bend: 'straight' } },
    ])
    const [holly] = told('holly')
    expect(holly!.mends).toHaveLength(1)
    expect(say(holly!.says, { units: 'in', currency: 'USD' })).toMatch(/stiff/)
    expect(told('bracken')).toHaveLength(1)
  })
  it('of nothing is refused, in words and at its place', () => {
    const piece = pieceWith([layerOf('a', 'fir', compass(4))])
    for (const bend of [{ radius: 0, toward: 'in' }, { radius: Number.NaN, toward: 'in' }, { toward: 'in' }]) {
      const read = PieceSchema.safeParse({ ...piece, layers: [{ ...piece.layers[0], bend }] })
      expect(JSON.stringify(read.error?.issues)).toMatch(/A bend needs a radius of 5 mm or more/)
    }
  })
})

describe('lengths that vary', () => {
  it('lie between all of a stem and so much less, none twice, in the same order every time', () => {
    const lengths = on(ring, layerOf('a', 'olive', compass(40), { uneven: 0.4 })).map(({ length }) => length)
    const whole = shelf.materials.olive!.length
    expect(Math.max(...lengths)).toBeLessThanOrEqual(whole)
    expect(Math.min(...lengths)).toBeGreaterThanOrEqual(0.6 * whole)
    expect(new Set(lengths.map((each) => each.toFixed(3))).size).toBe(40)
    expect(lengths.reduce((all, each) => all + each, 0) / 40 / whole).toBeCloseTo(0.8, 1.5)
    expect(stationAt(ring, 0).half).toBeCloseTo(inches(1), 6)
  })
})

import { describe, expect, it } from 'vitest'
import { ringRun, runsOf, topOf, usualBase } from '../base'
import { CATALOGUE } from '../material'
import { inches, say, showSum, USUAL } from '../measure'
import { mm } from '../measure/expression'
import type { Hanger, Layer, Piece } from '../piece'
import { edit, HOOKS, LOOPS, PieceSchema, usualRule } from '../piece'
import { layerOf, pieceWith, shelf, takesOf, usesOf } from '../testing'
import { work } from '../workings'
import { archLength, attachment, hangerLength, pivotOf, routeWords } from './hanger'
import { HANGING_HOOKS, HANGING_LOOPS, loopsFor } from './hanger-catalogue'
import { centreOfRuns } from './mass'
import { restAngle, rightingMass, turnedAbout } from './rest-angle'
import { dropOf } from './equilibrium'

const manner = { units: 'in', currency: 'USD' } as const
const HANGER: Hanger = { loop: 'twine loop', hook: 'nail', run: 'ring', at: 0, gap: 0, rise: null, rated: null, clear: null }
const hungBy = (piece: Piece, set: Partial<Hanger>): Piece => ({ ...piece, hanger: { ...HANGER, ...set } })
const problem = (piece: Piece, id: string) => work(piece, shelf).problems.find((each) => each.id === id)
const mended = (piece: Piece, id: string): Piece => {
  const edited = edit(piece, problem(piece, id)!.mends[0]!.edit!, 'mend')
  if (!edited.ok) throw new Error(edited.error)
  return edited.change.piece
}
const stones = (at: number, mass: number) => ({
  piece: pieceWith([layerOf('a', 'skep', { kind: 'single', at, drop: 0 })]),
  on: { ...shelf, materials: { ...shelf.materials, skep: { ...CATALOGUE['skep']!, mass } } },
})

describe('how far a piece stands out', () => {
  it('is the base, what lies on it and what lies on that: a 3 in ball on a 2 in ball stands 5 in over the base', () => {
    const ball = (id: string, width: number) => ({ ...CATALOGUE['cone-large']!, id, width, length: width })
    const on = { ...shelf, materials: { ...shelf.materials, two: ball('two', inches(2)), three: ball('three', inches(3)) } }
    const first = layerOf('a', 'cone-large', { kind: 'compass', count: 3, start: 0 }, { mix: [{ material: 'two', share: 1, only: null }] })
    const second = layerOf('b', 'cone-large', usualRule('on', 'a'), {
      mix: [{ material: 'three', share: 1, only: null }],
      run: 'each',
      clear: false,
      reserve: null,
    })
    const depth = (...layers: Layer[]) => work(pieceWith(layers), on).hung.depth.value
    const bare = depth()
    expect((depth(first) - bare) / 25.4).toBeCloseTo(2, 6)
    expect((depth(first, second) - bare) / 25.4).toBeCloseTo(5, 6)
    // A lower one on the base beside it is nothing to that.
    expect((depth(first, second, { ...first, id: 'c' }) - bare) / 25.4).toBeCloseTo(5, 6)
  })
})

describe('mass by part', () => {
  it('a ring alone balances in its middle, a half ring of weight beside it', () => {
    const middle = centreOfRuns([ringRun('r', 'ring', 400, 200)])
    expect([middle.x, middle.y]).toEqual([expect.closeTo(0, 9), expect.closeTo(0, 9)])
  })
  it('moments by hand: a weight at three o’clock draws the centre there by its share', () => {
    const { piece, on } = stones(0.25, 1000)
    const { mass } = work(piece, on)
    // The ring and its small things weigh the rest; the skep sits 5 in to the right on the middle of the face.
    const other = mass.parts.filter(({ id }) => id !== 'a:skep').reduce((all, part) => all + part.figure.value, 0)
    const moments = mass.parts.filter(({ id }) => id !== 'a:skep').reduce((all, part) => all + part.figure.value * part.at.x, 0)
    expect(mass.centre!.x.value).toBeCloseTo((1000 * inches(5) + moments) / (1000 + other), 6)
    expect(mass.whole.value).toBeCloseTo(1000 + other, 6)
  })
  it('a stem weighs halfway up it: 12 in long, held a tenth of that up, it weighs 4.8 in beyond where it is held', () => {
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'single', at: 0.25, drop: 0 }, { flow: 'outward' })])
    const { at } = work(piece, shelf).mass.parts.find(({ id }) => id === 'a:bracken')!
    expect([at.x / 25.4, at.y / 25.4]).toEqual([expect.closeTo(5 + 4.8, 6), expect.closeTo(0, 6)])
  })
  it('what the scale says counts, and is measured', () => {
    const { piece } = stones(0.25, 0)
    const weighed = { ...piece, weighed: [{ what: 'skep', grams: 640, of: 4 }] }
    const part = work(weighed, shelf).mass.parts.find(({ id }) => id === 'a:skep')!
    expect(part.figure).toMatchObject({ value: 160, basis: { kind: 'measured' } })
    const whole = work({ ...piece, weighed: [{ what: 'whole', grams: 700, of: 1 }] }, shelf).mass.whole
    expect(whole).toMatchObject({ value: 700, basis: { kind: 'measured' } })
  })
  it('weighing five and averaging weighs a stem that was cut by its share', () => {
    const piece = pieceWith([layerOf('a', 'eucalyptus', { kind: 'compass', count: 2, start: 0 }, { cut: inches(11) })])
    // Five of 22 in weigh 200 g: 40 g each, half of that as cut.
    const part = work({ ...piece, weighed: [{ what: 'eucalyptus', grams: 200, of: 5 }] }, shelf).mass.parts.find(
      ({ kind }) => kind === 'stems',
    )!
    expect(part.figure.value).toBeCloseTo(40, 9)
  })
  it('hooks stay in the wall and weigh nothing on the piece', () => {
    const ids = work(hungBy(pieceWith([]), { hook: 'over-door hook' }), shelf).mass.parts.map(({ id }) => id)
    expect(ids.some((id) => id.includes('over-door'))).toBe(false)
  })
})

describe('the rest angle', () => {
  it('trade’s own: 1.2 in right and 9 in below turn it 7.59°', () =>
    expect(restAngle({ x: 0, y: 0 }, { x: 1.2, y: 9 })).toBeCloseTo(7.59, 2))
  it('turned by it, the centre hangs straight below', () => {
    const [pivot, centre] = [
      { x: 3, y: -120 },
      { x: 40, y: 60 },
    ]
    const { x, y } = turnedAbout(centre, pivot, restAngle(pivot, centre))
    expect([x, y > pivot.y]).toEqual([expect.closeTo(3, 9), true])
  })
  it('a weight to the right turns it clockwise; moved over it, it hangs level', () => {
    const { piece, on } = stones(0.25, 500)
    const { hung } = work(piece, on)
    expect(hung.rest!.value).toBeGreaterThan(10)
    const level = work(hungBy(piece, { at: hung.level!.at }), on).hung
    expect(Math.abs(level.rest!.value)).toBeLessThan(0.2)
  })
  it.each([
    [0.25, 'right', 1],
    [0.75, 'left', -1],
  ] as const)('says to which side its weight lies, and how far: what it says comes to the angle (at %d)', (at, side, way) => {
    const { piece, on } = stones(at, 500)
    const { rest } = work(piece, on).hung
    const said = showSum(rest!, { units: 'cm', currency: 'USD' })
    const [, across, where, below] = /lies ([\d.]+) cm to the (\w+) and ([\d.]+) cm below/.exec(said)!
    expect(where).toBe(side)
    expect((Math.atan(Number(across) / Number(below)) * 180) / Math.PI).toBeCloseTo(way * rest!.value, 0)
    expect(said).toContain(`atan(${across} cm ÷ ${below} cm)`)
  })
  it('the mend that moves the hanger mends it', () => {
    const piece = pieceWith([layerOf('a', 'skep', { kind: 'compass', count: 3, start: 60 })])
    const one = { ...piece, layers: [layerOf('a', 'skep', { kind: 'single', at: 0.2, drop: 0 })] }
    expect(problem(one, 'hanger:tilt')).toBeDefined()
    expect(problem(mended(one, 'hanger:tilt'), 'hanger:tilt')).toBeUndefined()
  })
  it('what rights it, by moments: 1 kg that is 30 mm off wants 200 g at 150 mm', () => expect(rightingMass(1000, 30, 150)).toBe(200))
  it('an arch lifts what it turns about, so that it turns less', () => {
    const { piece, on } = stones(0.25, 500)
    const turns = (set: Partial<Hanger>) => work(hungBy(piece, set), on).hung.rest!.value
    expect(turns({ loop: 'arch', gap: 100, rise: 150 })).toBeLessThan(turns({}))
  })
})

describe('hangers', () => {
  it('lengths by hand: a loop, an arch, a cord in a lark’s head', () => {
    expect(hangerLength(mm(50), mm(75), USUAL).value).toBeCloseTo(Math.PI * 50 + 150 + inches(4), 9)
    expect(hangerLength(mm(50), mm(75), USUAL, 2).value).toBeCloseTo(2 * Math.PI * 50 + 150 + inches(4), 9)
    // gap + 2 × rise + two wraps at each of two ends.
    expect(archLength(mm(100), mm(50), mm(20), USUAL).value).toBeCloseTo(100 + 100 + 4 * Math.PI * 20, 9)
  })
  it('each takes what it is made of, and its hook', () => {
    const of = (set: Partial<Hanger>) => {
      const { needs } = work(hungBy(pieceWith([]), set), shelf).hung.make!
      return [
        ...takesOf({ needs }).map(({ material }) => material),
        ...usesOf({ needs }).map(({ material, count }) => `${count} ${material}`),
      ]
    }
    expect(of({})).toEqual(['jute-twine', '1 wall-nail'])
    expect(of({ loop: 'wire loop', hook: 'screw' })).toEqual(['1 stem-wire-18', '1 screw-hook'])
    expect(of({ loop: 'own hook', hook: 'suction cup' })).toEqual(['1 suction-cup'])
    expect(of({ loop: 'ribbon', hook: 'over the door' })).toEqual(['ribbon-burlap'])
    expect(of({ loop: 'coat hook', hook: 'magnets' })).toEqual(['1 coat-hook', '1 door-magnet'])
  })
  /** Hooks put up by hand: one at each of these ends and corners, then as few between two as leave no more than two feet. */
  const putUp = (stretches: readonly number[]): number =>
    stretches.reduce((all, length) => {
      let between = 0
      while (length / (between + 1) > inches(24)) between += 1
      return all + between
    }, stretches.length + 1)
  it.each([
    // Foot, corner, middle, corner, foot of a door 38 by 84 in.
    ['door-garland', [84, 19, 19, 84], 11],
    ['mantel-garland', [20, 60, 20], 6],
    ['rail-garland', [108], 6],
  ] as const)('a garland hangs on hooks at its ends and corners and every two feet, tied at each: %s', (kind, stretches, hooks) => {
    expect(putUp(stretches.map(inches))).toBe(hooks)
    const { hung, tasks } = work(pieceWith([], { base: usualBase(kind) }), shelf)
    expect(usesOf(hung.make!)).toEqual([
      { material: 'pipe-cleaner', use: 'hanger', count: hooks },
      { material: 'screw-hook', use: 'hook', count: hooks },
    ])
    const words = tasks.find(({ id }) => id === 'hang')!.says.map((each) => say(each, manner))
    expect(words.filter((each) => each.startsWith(`${hooks} hooks: `))).toHaveLength(1)
  })
  it('all have words, and a hook that goes with them', () => {
    for (const id of LOOPS) expect(HANGING_LOOPS[id].hooks.length, id).toBeGreaterThan(0)
    for (const id of HOOKS) {
      expect(HANGING_HOOKS[id].how).toMatch(/\.$/)
      expect(
        LOOPS.some((loop) => HANGING_LOOPS[loop].hooks.includes(id)),
        id,
      ).toBe(true)
    }
  })
  it('the hook is as far over the base as the loop rises; a ribbon’s is the top of the door', () => {
    const hookAt = (set: Partial<Hanger>, brief: Partial<Piece['brief']> = {}) => {
      const piece = hungBy(pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 6, start: 0 })], { brief }), set)
      const { hook, pivot } = work(piece, shelf).hung
      return [hook!.x / 25.4, hook!.y / 25.4, pivot!.y / 25.4].map((each) => Number(each.toFixed(6)))
    }
    // A 12 in ring: its top is 6 in over its middle, and a loop rises 3 in.
    expect(hookAt({})).toEqual([0, -9, -6])
    expect(hookAt({ rise: inches(5) })).toEqual([0, -11, -6])
    expect(hookAt({ loop: 'arch', gap: 100, rise: inches(2) })).toEqual([0, -8, -8])
    expect(hookAt({ loop: 'own hook' })).toEqual([0, -6, -6])
    // On a door of 80 in it hangs 70 % up: 24 in of door are over its middle.
    const door = { door: { width: inches(36), height: inches(80) } }
    expect(hookAt({ loop: 'ribbon', hook: 'over the door' }, door)).toEqual([0, -24, -6])
  })
  it('a base offers what can be tied to it', () => {
    const ids = (piece: Piece) => loopsFor(piece).map(({ id }) => id)
    expect(ids(pieceWith([], { base: usualBase('foam') }))).toContain('coat hook')
    expect(ids(pieceWith([]))).not.toContain('coat hook')
    const swag = usualBase('tree-swag')
    expect(ids(pieceWith([], { base: swag }))).not.toContain('coat hook')
    expect(ids(pieceWith([], { base: { ...swag, shape: { ...swag.shape, joined: 'hub' } as typeof swag.shape } }))).toContain('coat hook')
    expect(ids(pieceWith([], { base: usualBase('door-garland') }))).toEqual(['tied'])
    expect(ids(pieceWith([]))).not.toContain('own hook')
  })
  it('hang a swag that stands upright from its upper end, one that lies level from its middle', () => {
    const upright = runsOf({ ...usualBase('tree-swag'), turn: 90 })
    const top = topOf(upright)
    expect(attachment(upright, { run: top.run.id, at: top.s / top.run.length }).y).toBeCloseTo(
      Math.min(...upright.map((run) => -run.length)),
      6,
    )
    expect(topOf(runsOf(usualBase('tree-swag'))).s).toBe(0)
    expect(pivotOf({ base: usualBase('door-garland'), hanger: HANGER }, runsOf(usualBase('door-garland')), USUAL)).toBeNull()
  })
})

describe('problems of hanging', () => {
  const ringed = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 8, start: 0 })])
  it('a piece without a hanger says so, and is given one', () => {
    const bare = { ...ringed, hanger: null }
    expect(problem(bare, 'hanger')).toMatchObject({ severity: 'care' })
    expect(problem(mended(bare, 'hanger'), 'hanger')).toBeUndefined()
  })
  it.each([
    ['suction cup', 'boards', 'A suction cup holds on glass only.'],
    ['adhesive strip', 'boards', 'A strip does not stick to rough boards, brick or stone.'],
    ['nail', 'brick', 'A nail does not hold in brick, stone or glass.'],
    ['over-door hook', 'plaster', 'An over-door hook needs the top edge of a door.'],
  ] as const)('%s on %s', (hook, kind, says) => {
    const piece = hungBy({ ...ringed, brief: { ...ringed.brief, surface: { kind, colour: '#888888' } } }, { hook })
    expect(say(problem(piece, 'hanger:ground')!.says, manner)).toBe(says)
    expect(problem(mended(piece, 'hanger:ground'), 'hanger:ground')).toBeUndefined()
  })
  it('suction in frost and a strip outdoors are to be taken care of', () => {
    const glass = { ...ringed, brief: { ...ringed.brief, surface: { kind: 'glass' as const, colour: '#aabbcc' } } }
    expect(problem(hungBy(glass, { hook: 'suction cup' }), 'hanger:ground')).toMatchObject({ severity: 'care' })
    expect(
      problem(hungBy({ ...glass, brief: { ...glass.brief, weather: 'indoors' } }, { hook: 'suction cup' }), 'hanger:ground'),
    ).toBeUndefined()
  })
  it('no more than half of what the packet says: 600 g on a hook for a kilogram', () => {
    const piece = { ...ringed, weighed: [{ what: 'whole', grams: 600, of: 1 }] }
    expect(problem(hungBy(piece, { rated: 1000 }), 'hanger:load')).toMatchObject({ severity: 'care' })
    expect(problem(hungBy(piece, { rated: 1200 }), 'hanger:load')).toBeUndefined()
    expect(problem(hungBy(piece, { rated: 500 }), 'hanger:load')).toMatchObject({ severity: 'fault' })
  })
  it('a loop that this base cannot have is mended to one that it can', () => {
    const piece = hungBy(ringed, { loop: 'coat hook' })
    expect(problem(piece, 'hanger:suits')).toMatchObject({ severity: 'fault' })
    expect(problem(mended(piece, 'hanger:suits'), 'hanger:suits')).toBeUndefined()
  })
  it('too deep for the storm door', () => {
    expect(problem(hungBy(ringed, { clear: 30 }), 'hanger:depth')).toMatchObject({ severity: 'fault' })
    expect(problem(hungBy(ringed, { clear: 400 }), 'hanger:depth')).toBeUndefined()
  })
  it('a hook rated below nothing is refused in words', () => {
    const read = PieceSchema.safeParse(hungBy(ringed, { rated: -5 }))
    expect(read.success ? '' : read.error.issues[0]!.message).toMatch(/A hook is rated for something/)
    const edited = edit(ringed, { do: 'hanger', hanger: { ...HANGER, rated: -5 } }, 'rate it')
    expect(edited.ok).toBe(false)
  })
  it('a letter in a ring: (12 − 4) ÷ 2 below the rim', () => expect(dropOf(12, 4)).toBe(4))
})

describe('load paths', () => {
  const paths = (piece: Piece) => work(piece, shelf).loads
  const skep = (set: Partial<Piece['layers'][0]> = {}) => pieceWith([layerOf('a', 'skep', { kind: 'single', at: 0.25, drop: 0 }, set)])
  it('go from the thing over its place on the base to the hanger', () => {
    const [path] = paths(skep())
    expect(path).toMatchObject({ layer: 'a', sound: true })
    expect(path!.points.map(({ x, y }) => [Math.round(x / 25.4), Math.round(y / 25.4)])).toEqual([
      [5, 0],
      [5, 0],
      [0, -6],
    ])
    expect(path!.links.map(({ says }) => say(says, manner))).toEqual(['Wired with stem wire', 'Loop of twine', 'Nail'])
  })
  it.each([
    ['weatherproof glue', 'its only link is glue'],
    ['tuck', 'it is only tucked in'],
    ['cord', 'it hangs on one tie'],
  ] as const)('%s is a weak link', (fixing, why) => {
    const [path] = paths(skep({ fixing }))
    expect(path).toMatchObject({ sound: false })
    expect(path!.links[0]!.why).toBe(why)
  })
  it('a back-up makes it sound', () => expect(paths(skep({ fixing: 'cord', backup: 'zip tie' }))[0]).toMatchObject({ sound: true }))
  it('one that would let go is told, and mended', () => {
    const piece = skep({ fixing: 'cord' })
    expect(problem(piece, 'a:load:skep')).toMatchObject({ severity: 'care' })
    expect(problem(mended(piece, 'a:load:skep'), 'a:load:skep')).toBeUndefined()
  })
  it('light things hang on nothing that is traced', () =>
    expect(paths(pieceWith([layerOf('a', 'heather', { kind: 'compass', count: 6, start: 0 })]))).toEqual([]))
  it('without a hanger none is sound', () => expect(paths({ ...skep(), hanger: null })[0]).toMatchObject({ sound: false }))
})

it('says where the hooks of a garland go: at the corners of a shelf only where its ends hang down', () => {
  const of = usualBase('mantel-garland')
  const said = (drops: number): string =>
    say(routeWords({ base: { ...of, shape: { ...of.shape, drops } as typeof of.shape } }, 4, shelf), manner)
  expect(said(300)).toMatch(/^4 hooks: at both corners of the shelf, at both ends, and none farther/)
  expect(said(0)).toMatch(/^4 hooks: at both ends, and none farther/)
})

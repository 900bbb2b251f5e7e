import { describe, expect, it } from 'vitest'
import { inches, say } from '../measure'
import type { Layer, Piece, Rule, RuleOf } from '../piece'
import { startPiece, usualRule } from '../piece'
import { layerOf, pieceWith, shelf } from '../testing'
import { taskKey } from '../tasks'
import { work } from '../workings'

const compass = (count: number): Rule => ({ kind: 'compass', count, start: 0 })
const on = (of: string, set: Partial<RuleOf<'on'>> = {}): Rule => ({ ...usualRule('on', of), ...set })
const guest = (id: string, material: string, rule: Rule, set: Partial<Layer> = {}): Layer =>
  layerOf(id, material, rule, { run: 'each', clear: false, reserve: null, ...set })
const indoors = { brief: { weather: 'indoors' as const } }
const fixingsOn = (piece: Piece, layer: string) => work(piece, shelf).fixings.filter((each) => each.layer === layer)
const bow = layerOf('bow', 'ribbon-slate', { ...usualRule('bow', ''), means: 'visible' } as Rule)
const manner = { units: 'in', currency: 'USD' } as const

// What holds on what: common practice, from memory.
describe('what lies on another thing', () => {
  it.each([
    ['a berry on a leaf is tied', layerOf('h', 'bay', compass(3)), 'acorn', 'sprig', 'paddle wire'],
    ['a cone on a cone is glued', layerOf('h', 'cone-large', compass(3)), 'cone-small', 'cone', 'hot glue'],
    ['a small thing on a flower is glued at its heart', layerOf('h', 'dahlia', compass(3)), 'acorn', 'flower', 'hot glue'],
    ['a flower in a knot is wired', bow, 'spray-rose', 'ribbon', 'paddle wire'],
    ['a berry spray is a sprig itself', layerOf('h', 'berry-spray', compass(3)), 'acorn', 'sprig', 'paddle wire'],
    ['on wood it is glued', layerOf('h', 'plank-sign', { kind: 'single', at: 0, drop: 0 }), 'star-paper', 'board', 'hot glue'],
  ])('%s', (_name, host, material, ground, way) => {
    const piece = pieceWith([host, guest('g', material, on(host.id))], indoors)
    expect(fixingsOn(piece, 'g')).toMatchObject([{ ground, way, against: null }])
  })

  it('goes by what bears it and not by the base: glue that melts foam holds a cone on a cone', () => {
    const piece = pieceWith([layerOf('h', 'cone-large', compass(3)), guest('g', 'cone-small', on('h'))], {
      ...indoors,
      base: startPiece('p', 'P', 'foam').base,
    })
    expect(fixingsOn(piece, 'g')).toMatchObject([{ way: 'hot glue', against: null }])
    const pinned = { ...piece, layers: [piece.layers[0]!, { ...piece.layers[1]!, fixing: 'pins' as const }] }
    expect(work(pinned, shelf).problems.map(({ code }) => code)).toContain('fixing.will-not-hold')
    expect(work({ ...pinned, layers: [{ ...piece.layers[0]!, fixing: 'pins' }] }, shelf).problems.map(({ id }) => id)).not.toContain(
      'g:fixing:cone-small on cone',
    )
  })

  it('hot glue lets go out of doors here too', () => {
    const piece = pieceWith([layerOf('h', 'cone-large', compass(3)), guest('g', 'cone-small', on('h'))])
    expect(fixingsOn(piece, 'g')[0]!.way).toBe('weatherproof glue')
  })

  it('makes what bears something heavy be held as that, and only those that do', () => {
    const heads = layerOf('h', 'dahlia', compass(4))
    const piece = pieceWith([heads, guest('g', 'hare', on('h', { only: ['0'] }))], indoors)
    expect(fixingsOn(piece, 'h')).toMatchObject([
      { count: 1, hold: 'heavy', laden: true, way: 'stem wire', plural: 'wine dahlia that bears another' },
      { count: 3, hold: 'light', laden: false },
    ])
    // A gram more or less makes no difference where nothing heavy is borne.
    expect(fixingsOn(pieceWith([heads, guest('g', 'acorn', on('h'))], indoors), 'h')).toMatchObject([{ count: 4, laden: false }])
  })

  it('adds up: many light things on one make it heavy', () => {
    // Eight large baubles of 32 g one on another’s loops, say: 256 g on a bow is held with thick wire, from 250 g on.
    const piece = pieceWith(
      [
        layerOf('h', 'plank-sign', { kind: 'single', at: 0, drop: 0 }),
        ...[1, 2, 3, 4, 5].map((i) => guest(`g${i}`, 'bauble-large', on('h'))),
      ],
      indoors,
    )
    const [sign] = fixingsOn(piece, 'h')
    expect(sign!.joint.mass).toBe(120 + 5 * 32)
  })

  it('has a load path through what bears it to the hook', () => {
    const sign = layerOf('h', 'plank-sign', { kind: 'single', at: 0, drop: 0 })
    const piece = pieceWith([sign, guest('g', 'hare', on('h'))], indoors)
    const path = work(piece, shelf).loads.find(({ layer }) => layer === 'g')!
    expect(path.links.map(({ says }) => say(says, manner))).toEqual([
      'Wired to place and glued',
      'The plank sign wired with stem wire',
      'Loop of twine',
      'Nail',
    ])
    expect(path.sound).toBe(true)
    expect(path.points).toHaveLength(4)
    // Glue under the sign breaks both its own path and that of what stands on it.
    const glued = { ...piece, layers: [{ ...sign, fixing: 'hot glue' as const }, piece.layers[1]!] }
    expect(
      work(glued, shelf)
        .loads.filter(({ sound }) => !sound)
        .map(({ layer }) => layer),
    ).toEqual(['h', 'g'])
  })

  it('ties round what bears it: a cone is as thick as it is wide', () => {
    // By hand: two turns round a cone 114.3 mm thick are 2 × π × 114.3 = 718.2 mm, and 2 in of ends.
    const piece = pieceWith([layerOf('h', 'cone-large', compass(1)), guest('g', 'acorn', on('h'), { fixing: 'paddle wire' })], indoors)
    const taken = work(piece, shelf).taken.find(({ layer }) => layer === 'g')!
    expect(taken.figure.value).toBeCloseTo(2 * Math.PI * shelf.materials['cone-large']!.width + inches(2))
  })
})

describe('how it is made', () => {
  const ofLayer = (piece: Piece, id: string) => work(piece, shelf).tasks.find((task) => task.id === taskKey('lay', id))!
  const order = (piece: Piece) =>
    work(piece, shelf)
      .tasks.filter(({ kind }) => kind === 'lay')
      .map(({ layer }) => layer)

  it('says on what it lies, and where on that', () => {
    const lines = (host: Layer, set: Partial<RuleOf<'on'>>, material = 'acorn') =>
      ofLayer(pieceWith([host, guest('g', material, on(host.id, set))], indoors), 'g').says.map((line) => say(line, manner))
    const heads = layerOf('h', 'dahlia', compass(4))
    expect(lines(heads, {})[0]).toBe('On each of 4 wine dahlias, in the middle.')
    expect(lines(heads, { every: 2 })[0]).toBe('On 2 of 4 wine dahlias, in the middle.')
    // A dahlia is 4 in across: half of half of it is 1 in.
    expect(lines(heads, { spot: 'place', along: 0.5, across: -0.5 })[0]).toBe(
      'On each of 4 wine dahlias, 1 in clockwise and 1 in outward from the middle.',
    )
    expect(lines(layerOf('h', 'bay', compass(1)), { spot: 'tip' })[0]).toBe('On the bay sprig, at the tip.')
    expect(lines(bow, {}, 'spray-rose')[0]).toBe('On the bow of slate-blue ribbon, in its knot.')
    expect(lines(bow, { spot: 'loops' })[0]).toMatch(/one on each loop\.$/)
    expect(lines(layerOf('h', 'hare', { kind: 'single', at: 0, drop: 0 }), { spot: 'top' })[0]).toMatch(/at the upper edge\.$/)
    expect(lines(layerOf('h', 'bay', compass(2)), {}, 'heather').join(' ')).toContain('Turned as what bears it.')
  })

  it('comes after what bears it, whatever order layers have and whenever bows go on', () => {
    expect(order(pieceWith([guest('g', 'acorn', on('h')), layerOf('h', 'dahlia', compass(3))], indoors))).toEqual(['h', 'g'])
    const borne = pieceWith([bow, layerOf('x', 'bay', compass(3)), guest('g', 'spray-rose', on('bow'))], indoors)
    for (const when of ['first', 'last'] as const) {
      const all = order({ ...borne, making: { ...borne.making, bow: when } })
      expect(all.indexOf('g'), when).toBeGreaterThan(all.indexOf('bow'))
      expect(all).toHaveLength(3)
    }
  })

  it('waits until the glue under it has set', () => {
    const piece = pieceWith([layerOf('h', 'cone-large', compass(3), { fixing: 'weatherproof glue' }), guest('g', 'cone-small', on('h'))])
    expect(ofLayer(piece, 'g').after.find(({ id }) => id === taskKey('lay', 'h'))).toMatchObject({ why: { code: 'tasks.lies-on-it' } })
    expect(ofLayer(piece, 'g').after.find(({ id }) => id === taskKey('lay', 'h'))!.wet).toBeUndefined()
  })

  it('is put aside with what bears it', () => {
    const heads = layerOf('h', 'dahlia', compass(4), { hidden: true })
    const { needs, mass, scene } = work(pieceWith([heads, guest('g', 'acorn', on('h'))], indoors), shelf)
    expect(needs.some(({ material }) => material === 'acorn' || material === 'dahlia')).toBe(false)
    expect(mass.whole.value).toBeCloseTo(work(pieceWith([], indoors), shelf).mass.whole.value)
    expect(scene.items.every(({ hidden }) => hidden)).toBe(true)
  })
})

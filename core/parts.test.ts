import { describe, expect, it } from 'vitest'
import { usualBase } from './base'
import { readPiece, settleMaterials, writePiece } from './formats'
import { boundsAt, itemGlyph, silhouetteOf, withPartsOnShelf } from './looks'
import { tiesOf } from './daybook'
import { CATALOGUE, materialOf } from './material'
import { inches, say } from './measure'
import type { Layer, Part, Piece } from './piece'
import { edit, inPart, materialOfPart, mirrorPiece, partAsPiece, PieceSchema, startPart, withoutPart } from './piece'
import { partsOff } from './stock'
import { layerOf, pieceWith, shelf } from './testing'
import { inBrief, work } from './workings'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
const ofPart = (id: string, part: string, count: number, set: Partial<Layer> = {}): Layer =>
  layerOf(id, 'skep', compass(count), { mix: [{ material: materialOfPart(part), share: 1, only: null }], ...set })
/** A ring of 5 in that costs $3 and weighs 80 g, with three acorns and four tips of bay. */
const NEST: Part = {
  ...startPart('nest', 'nest', 'grapevine'),
  base: { ...usualBase('grapevine'), shape: { form: 'ring', outer: inches(5), inner: inches(2) }, price: 300, mass: 80 },
  layers: [layerOf('eggs', 'acorn', compass(3)), layerOf('rim', 'bay', compass(4), { cut: inches(3) })],
}
const laden = (count: number, part: Partial<Part> = {}): Piece => ({
  ...pieceWith([layerOf('greens', 'bracken', compass(8)), ofPart('nests', 'nest', count)]),
  parts: [{ ...NEST, ...part }],
})
const needed = (piece: Piece, material: string): number =>
  inBrief(piece, shelf).needs.reduce((n, need) => (need.material === material ? n + need.count : n), 0)
const refused = (piece: Piece): string[] => PieceSchema.safeParse(piece).error?.issues.map(({ message }) => message) ?? []
const edited = (piece: Piece, how: Parameters<typeof edit>[1]): Piece => {
  const done = edit(piece, how, 'try')
  if (!done.ok) throw new Error(done.error)
  return done.change.piece
}

describe('a part made beforehand', () => {
  it('takes for four nests twelve acorns, sixteen tips and four rings of its own, and one base', () => {
    const { needs } = work(laden(4), shelf)
    const own = needs.filter(({ layer }) => layer === 'part:nest')
    expect(own.flatMap(({ of, material, count }) => (of === 'lengths' ? [] : [[material, count]]))).toEqual([
      ['grapevine', 4],
      ['acorn', 12],
      ['bay', 16],
    ])
    expect(needs.filter(({ of }) => of === 'base').map(({ count, layer }) => [layer, count])).toEqual([
      ['base', 1],
      ['part:nest', 4],
    ])
  })
  it('weighs and costs what is in it, for each that is laid', () => {
    const [two, three] = [work(laden(2), shelf), work(laden(3), shelf)]
    const nests = (of: typeof two): number => of.mass.parts.find(({ material }) => material === 'part:nest')!.figure.value
    expect(nests(three) / nests(two)).toBeCloseTo(3 / 2, 9)
    // The ring, three acorns, a fifth of a bay sprig four times over, and a little wire.
    const [acorn, bay] = [CATALOGUE['acorn']!, CATALOGUE['bay']!]
    const things = 80 + 3 * acorn.mass + (4 * bay.mass * inches(3)) / bay.length
    expect(nests(two) / 2).toBeGreaterThan(things)
    expect(nests(two) / 2).toBeLessThan(things + 10)
  })
  it('is one task for all of them, before the layer that lays them and after nothing', () => {
    const { tasks } = work(laden(4, { dries: 90 }), shelf)
    const task = tasks.find(({ kind }) => kind === 'part')!
    expect([task.id, task.title, task.after, task.waits.value, task.counts]).toEqual([
      'part:nest',
      'Make 4 nests',
      [],
      90,
      { of: 'nests', count: 4 },
    ])
    const says = task.says.map((line) => say(line, { units: 'in', currency: 'USD' }))
    expect(says).toContain('Grapevine: outside 5 in, inside 2 in.')
    expect(says.at(-1)).toBe('Then let them dry or set for 1 h 30 min.')
    expect(tasks.find(({ id }) => id === 'layer:nests')!.after.map(({ id }) => id)).toContain('part:nest')
    expect(tasks.find(({ id }) => id === 'layer:greens')!.after.map(({ id }) => id)).not.toContain('part:nest')
  })
  it('lies nowhere: it takes nothing, and is told', () => {
    const piece = { ...laden(0), layers: [layerOf('greens', 'bracken', compass(8))] }
    expect(needed(piece, 'acorn')).toBe(0)
    const problem = work(piece, shelf).problems.find(({ code }) => code === 'placement.part-nowhere')!
    expect(edited(piece, problem.mends[0]!.edit!).parts).toEqual([])
  })
  it('that is bought ready-made takes that instead, and no hands', () => {
    const piece = laden(3, { bought: 'skep' })
    const { needs, tasks, placements, mass } = work(piece, shelf)
    expect([needed(piece, 'skep'), needed(piece, 'acorn')]).toEqual([3, 0])
    expect(needs.filter(({ of }) => of === 'base')).toHaveLength(1)
    expect(tasks.some(({ kind }) => kind === 'part')).toBe(false)
    expect(placements.filter(({ material }) => material === 'part:nest').map(({ length }) => length)).toEqual(
      Array.from({ length: 3 }, () => CATALOGUE['skep']!.length),
    )
    expect(mass.parts.find(({ material }) => material === 'part:nest')!.figure.value).toBeCloseTo(3 * CATALOGUE['skep']!.mass, 9)
  })
  it('is made where what is to be bought is not on the shelf, and that is told with its mend', () => {
    const piece = laden(2, { bought: 'no-such-thing' })
    const { problems } = work(piece, shelf)
    const problem = problems.find(({ code }) => code === 'placement.part-not-sold')!
    expect(needed(piece, 'acorn')).toBe(6)
    expect(edited(piece, problem.mends[0]!.edit!).parts[0]!.bought).toBeNull()
  })
  it('tells what is wrong in it, and is mended there', () => {
    const piece = laden(2, { layers: [layerOf('eggs', 'acorn', compass(3), { mix: [{ material: 'gone', share: 1, only: null }] })] })
    const problem = work(piece, shelf).problems.find(({ code }) => code === 'placement.unknown-material')!
    expect([problem.part, problem.layer]).toEqual(['nest', null])
    for (const { edit: how } of problem.mends) if (how) expect(edited(piece, how).layers).toEqual(piece.layers)
  })
  it('that is taken apart keeps what is glued in it for good', () => {
    const glued = (way: 'hot glue' | 'paddle wire') => {
      const piece = laden(2, { layers: NEST.layers.map((layer) => (layer.id === 'eggs' ? { ...layer, fixing: way } : layer)) })
      const { needs, fixings } = work(piece, shelf)
      return partsOff(piece, needs, fixings, 100, shelf)
        .filter(({ material }) => material === 'acorn')
        .map(({ count, back, why }) => [count, back, why])
    }
    expect(glued('hot glue')).toEqual([[6, false, 'glued for good']])
    expect(glued('paddle wire')).toEqual([[6, true, 'brittle, but whole']])
  })
  it('ties its piece to an occasion by what is in it', () => {
    expect(tiesOf(laden(1), shelf).map(({ layer, material, swap }) => [layer, material.id, swap])).toEqual([
      ['part:nest eggs', 'acorn', null],
    ])
  })
  it('keeps its things in weather and hazards as the least hardy and the most harmful of them', () => {
    const { material } = work(laden(2, { layers: [layerOf('a', 'heather', compass(3))] }), shelf).parts[0]!
    expect([material.hardy, material.hazards]).toEqual([CATALOGUE['heather']!.hardy, CATALOGUE['heather']!.hazards])
  })
  it.each([
    ['any way round', 'disc'],
    ['upright', 'disc'],
    ['like a stem', 'leaf'],
  ] as const)('that lies %s is drawn as large as it is said to be', (lies, form) => {
    const piece = laden(1, { lies })
    const { parts, placements } = work(piece, shelf)
    const { material } = parts[0]!
    const thing = placements.find((each) => each.material === 'part:nest')!
    expect([thing.form, thing.length, thing.width]).toEqual([form, material.length, material.width])
    const on = withPartsOnShelf(shelf, parts)
    const at = { ...thing, x: 0, y: 0, bearing: 0 }
    const box = boundsAt(silhouetteOf(at, on), at)
    // Its bare ring has no tendrils in the sum of its size; a stem is held a tenth up.
    expect(Math.abs(box.right - box.left - material.length)).toBeLessThan(inches(1.2))
    expect(Math.abs(box.bottom - box.top - material.width)).toBeLessThan(inches(1.2))
    if (lies === 'like a stem') expect(box.right).toBeGreaterThan(-3 * box.left)
    if (lies === 'upright') expect(thing.bearing).toBe(0)
  })
  it('is drawn of what it is made of: every mark of its things is in it', () => {
    const { scene } = work(laden(2), shelf)
    const item = scene.items.find(({ part }) => part !== null)!
    const inner = item.part!.things.reduce((n, thing) => n + itemGlyph(thing).marks.length, 0)
    expect(item.part!.things).toHaveLength(7)
    expect(itemGlyph(item).marks.length).toBeGreaterThan(inner)
  })
  it('is cut, tapered and trimmed by nothing: it is laid as it was made', () => {
    const piece = laden(3, { lies: 'like a stem' })
    const cut = { ...piece, layers: [ofPart('nests', 'nest', 3, { cut: 30, taper: 1 })] }
    const { placements, parts, tasks } = work(cut, shelf)
    expect(placements.map(({ length }) => length)).toEqual(Array.from({ length: 3 }, () => parts[0]!.material.length))
    expect(tasks.find(({ id }) => id === 'stems')!.says[0]).toEqual(['3 nests', ', left whole.'])
  })
  it('bears other things, and is borne', () => {
    const on = layerOf('bird', 'hare', { kind: 'on', of: 'nests', spot: 'middle' } as Layer['rule'], { run: 'each' })
    const rule = { ...on.rule, every: 1, from: 1, only: null, along: 0, across: 0, turns: false } as Layer['rule']
    const piece = laden(2)
    const { placements } = work({ ...piece, layers: [...piece.layers, { ...on, rule, clear: false, reserve: null }] }, shelf)
    expect(placements.filter(({ layer }) => layer === 'bird').map(({ bearer }) => bearer)).toEqual(['nests:0', 'nests:1'])
  })
})

describe('a part in its document', () => {
  it('holds no part, not even itself, and has an id of its own', () => {
    const piece = laden(2)
    expect(refused({ ...piece, parts: [{ ...NEST, layers: [ofPart('in', 'nest', 2)] }] })).toEqual([
      'A part is made of materials: it holds no part, not even itself.',
    ])
    expect(refused({ ...piece, parts: [NEST, NEST] })).toEqual(['Two parts have the id “nest”.'])
    expect(refused({ ...piece, parts: [{ ...NEST, bought: 'part:nest' }] })).toEqual([
      'A part is bought as a material, not as another part.',
    ])
    expect(refused({ ...piece, parts: [{ ...NEST, layers: [NEST.layers[0]!, NEST.layers[0]!] }] })).toEqual([
      'Two layers have the id “eggs”.',
    ])
    expect(refused({ ...piece, parts: [{ ...NEST, name: '  ' }] })).toEqual(['Give the part a name.'])
  })
  it('that a layer names and is not there is told, and nothing is lost', () => {
    const piece = { ...laden(2), parts: [] }
    const problem = work(piece, shelf).problems.find(({ code }) => code === 'placement.unknown-material')!
    expect(problem.says.join('')).toBe('The piece has no part “nest”. It is neither drawn nor counted.')
    expect(readPiece(writePiece(piece, shelf))).toMatchObject({ ok: true, piece })
  })
  it('is edited by itself: what is of base and layers is its own, all else the piece’s', () => {
    const piece = laden(2)
    const alone = partAsPiece(piece, piece.parts[0]!)
    const both = inPart('nest', {
      do: 'several',
      edits: [
        { do: 'layer', layer: 'eggs', set: { rule: compass(5) } },
        { do: 'brief', set: { light: 'lamp' } },
      ],
    })
    const now = edited(piece, both)
    expect(now.layers).toEqual(piece.layers)
    expect(now.parts[0]!.layers[0]!.rule).toEqual(compass(5))
    expect(now.brief.light).toBe('lamp')
    expect(work(alone, shelf).problems.some(({ id }) => id.startsWith('hanger'))).toBe(false)
    const taken = edit(now, { do: 'in part', part: 'nest', edit: { do: 'remove layer', layer: 'rim' } }, 'try')
    expect(taken.ok && taken.change.piece.parts[0]!.layers.map(({ id }) => id)).toEqual(['eggs'])
    expect(() => edit(piece, { do: 'in part', part: 'none', edit: { do: 'remove layer', layer: 'rim' } }, 'try')).toThrow(/no part none/)
  })
  it('goes with all that is laid of it, and leaves what it was mixed with', () => {
    const mixed = ofPart('mixed', 'nest', 4, {
      mix: [
        { material: 'part:nest', share: 1, only: null },
        { material: 'dahlia', share: 1, only: null },
      ],
    })
    const piece = { ...laden(2), layers: [...laden(2).layers, mixed] }
    const now = edited(piece, withoutPart(piece, 'nest'))
    expect([now.parts, now.layers.map(({ id, mix }) => [id, mix.map(({ material }) => material)])]).toEqual([
      [],
      [
        ['greens', ['bracken']],
        ['mixed', ['dahlia']],
      ],
    ])
  })
  it('takes its own materials along in a file, and comes in under their new names', () => {
    const own = { ...CATALOGUE['acorn']!, id: 'wax-egg', name: 'wax egg', plural: 'wax eggs' }
    const egg = (id: string): Part => ({
      ...NEST,
      layers: [{ ...NEST.layers[0]!, mix: [{ material: id, share: 1, only: null }] }],
      bought: id,
    })
    const piece = { ...laden(2), parts: [egg('wax-egg')] }
    const written = JSON.parse(writePiece(piece, { materials: { ...CATALOGUE, 'wax-egg': own } })) as { materials: unknown[] }
    expect(written.materials).toEqual([own])
    const there = { materials: { ...CATALOGUE, 'wax-egg': { ...own, mass: 1 } } }
    const settled = settleMaterials({ piece, materials: [own] }, there, () => 'wax-egg-2')
    expect(settled.piece.parts).toEqual([egg('wax-egg-2')])
    expect(materialOf({ materials: { 'wax-egg-2': settled.materials[0]! } }, 'wax-egg-2')!.mass).toBe(own.mass)
  })
  it('is the mirror image of itself in the other of a pair', () => {
    const piece = laden(2, { layers: [layerOf('eggs', 'acorn', { kind: 'single', at: 0.2, drop: 0 })] })
    const twin = mirrorPiece(piece, 'q', 'Q')
    const [one, other] = [piece, twin].map((each) => work(partAsPiece(each, each.parts[0]!), shelf).placements[0]!)
    expect([other!.x, other!.y]).toEqual([expect.closeTo(-one!.x, 6), expect.closeTo(one!.y, 6)])
  })
})

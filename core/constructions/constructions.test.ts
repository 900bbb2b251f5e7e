import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { beadsOn } from '../placement'
import { runsOf, usualBase } from '../base'
import { inches, say, showSum } from '../measure'
import type { Layer, Rule, RuleOf } from '../piece'
import { edit, usualRule } from '../piece'
import { benchOf, layerOf, pieceWith, shelf, takesOf, usesOf } from '../testing'
import { lineSaid } from '../price'
import { work } from '../workings'
import { trunkTies } from './base'
import { beadsOff } from './beads'
import { stretched } from './bundles'
import { figureOf } from './construction'
import { piecesPerRoll } from './mesh'
import { pinsOf } from './pin-ties'
import { winding, windingChoices } from './wraps'

const valuesOf = ({ turns, length }: ReturnType<typeof winding>) => ({ turns: turns.value, length: length.value })
const manner = { units: 'in', currency: 'USD' } as const
const usual = <K extends Rule['kind']>(kind: K, set: Partial<RuleOf<K>> = {}): Rule => ({ ...usualRule(kind, ''), ...set }) as Rule
/** A ring whose centre circle is 12 in, with one layer. */
const ring = (material: string, rule: Rule, set: Partial<Layer> = {}) =>
  pieceWith([layerOf('a', material, rule, set)], { ring: { outer: inches(13), inner: inches(11) } })
const made = (piece: Parameters<typeof work>[0]) => work(piece, shelf).layers[0]!.makeUp!
const problem = (piece: Parameters<typeof work>[0], id: string) => work(piece, shelf).problems.find((each) => each.id === id)
/** The problem in words, and whether its first mend mends it. */
function mended(piece: Parameters<typeof work>[0], id: string): { readonly text: string; readonly gone: boolean } {
  const found = problem(piece, id)!
  const after = edit(piece, found.mends[0]!.edit!, 'mend')
  return { text: say(found.says, manner), gone: after.ok && problem(after.change.piece, id) === undefined }
}

describe('what is wound round', () => {
  it('says turns, length, rolls and time, with the pins', () => {
    const up = made(ring('ribbon-slate', usual('wound', { pitch: inches(2.5), thick: inches(2), ends: 0 })))
    expect(figureOf(up, 'turns').value).toBe(15)
    expect(showSum(figureOf(up, 'turns'), manner)).toContain('= 15.08')
    expect(figureOf(up, 'length').value / 25.4).toBeCloseTo(101.97, 2)
    expect(figureOf(up, 'rolls').value).toBe(1)
    expect(figureOf(up, 'time')).toMatchObject({ unit: 'time', value: expect.closeTo((15.08 * 8) / 60, 2) })
    // A pin holds in straw and foam, not in vine: there it is tied.
    expect(usesOf(up)).toEqual([{ material: 'pipe-cleaner', use: 'ties', count: 2 }])
    const straw = ring('ribbon-slate', usual('wound'))
    expect(usesOf(made({ ...straw, base: { ...straw.base, kind: 'straw' } }))).toEqual([{ material: 'floral-pin', use: 'pins', count: 2 }])
    expect(takesOf(up)).toEqual([
      { material: 'ribbon-slate', use: 'winding', length: expect.closeTo(inches(101.97), 0), count: 1, joins: false },
    ])
    expect(usesOf(made(ring('ribbon-slate', usual('wound', { every: inches(6) }))))[0]!.count).toBe(Math.ceil((12 * Math.PI) / 6) + 1)
  })
  it('grows by its turns, and side by side lies on its own thickness', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        (along, pitch, thick) => {
          const { turns, length } = valuesOf(winding(along, pitch, thick, 30, shelf))
          expect(length).toBeGreaterThanOrEqual(turns * Math.PI * thick - 1e-6)
          expect(length).toBeGreaterThanOrEqual(along - 1e-6)
          expect(valuesOf(winding(along * 2, pitch, thick, 30, shelf)).length).toBeCloseTo(2 * length, 4)
        },
      ),
    )
    const twine = valuesOf(winding(Math.PI * 300, null, 40, 2, shelf))
    expect(twine.turns).toBeCloseTo((Math.PI * 300) / 2)
    expect(twine.length).toBeCloseTo(twine.turns * Math.PI * 42)
  })
  it('offers each way with what it takes before it is chosen', () => {
    const ways = windingChoices(1000, 40, shelf.materials['ribbon-slate']!, shelf)
    expect(ways.map(({ name }) => name)).toEqual(['Overlapped by half', 'Edge to edge', 'A width between'])
    for (const way of ways) expect(way.rolls).toBe(Math.ceil(way.length / shelf.materials['ribbon-slate']!.length))
    expect(windingChoices(1000, 40, shelf.materials['jute-twine']!, shelf)[0]).toMatchObject({ pitch: null, name: 'Side by side' })
  })
  it('says as many rolls as the bill opens: three lengths of 0.6 of a roll are three', () => {
    const base = usualBase('animal')
    const [head] = runsOf(base)
    const pitch = shelf.materials['ribbon-slate']!.width
    const thick = (0.6 * shelf.materials['ribbon-slate']!.length * pitch) / (Math.PI * head!.length)
    const piece = pieceWith([layerOf('a', 'ribbon-slate', usual('wound', { pitch, thick, ends: 0 }), { run: 'each' })], { base })
    const { layers, bill } = benchOf(piece)
    const line = bill.lines.find(({ id }) => id === 'ribbon-slate')!
    expect(figureOf(layers[0]!.makeUp!, 'rolls').value).toBe(line.packs.value)
  })
  it('covers the face where twine lies side by side, and lets it show where ribbon is spaced', () => {
    const cover = (rule: Rule, material: string) => work(ring(material, rule), shelf).cover.share.value
    expect(cover(usual('wound', { pitch: null }), 'jute-twine')).toBeGreaterThan(0.97)
    const spaced = cover(usual('wound', { pitch: inches(6) }), 'ribbon-slate')
    expect(spaced).toBeGreaterThan(0.3)
    expect(spaced).toBeLessThan(0.6)
  })
  it('tells what cannot be wound so', () => {
    expect(mended(ring('ribbon-slate', usual('wound', { pitch: 5 })), 'a:pitch')).toEqual({
      text: expect.stringContaining('lie four deep'),
      gone: true,
    })
    expect(mended(ring('ribbon-slate', usual('wound', { pitch: 2000 })), 'a:turn')).toEqual({
      text: expect.stringContaining('not one goes round'),
      gone: true,
    })
    expect(say(problem(ring('bay', usual('wound')), 'a:length')!.says, manner)).toBe('bay sprig does not come by the length.')
  })
})

describe('what is laid in laps', () => {
  it('says how much, how many strands, how far one reaches and half of one, and its pins', () => {
    const up = made(ring('heather-strand', usual('laid', { laps: 2, tuck: inches(2), every: inches(20 / 3) })))
    const length = 2 * 12 * Math.PI + 2
    // Four strands of 20 in with three laps of 25 mm reach 77.05 in, a third of an inch short: it takes five.
    const lap = 25 / 25.4
    expect(figureOf(up, 'length').value / 25.4).toBeCloseTo(length, 3)
    expect(figureOf(up, 'strands').value).toBe(Math.ceil((length - lap) / (20 - lap)))
    expect(figureOf(up, 'reach').value).toBeCloseTo(20 / (12 * Math.PI), 6)
    expect(say(figureOf(up, 'reach').sum, manner)).toContain('half of one 0.27')
    // Four to a whole strand of 20 in.
    expect(pinsOf(inches(20), inches(20 / 3))).toBe(4)
    // Both ends of each strand: five strands, each with four.
    expect(figureOf(up, 'pins').value).toBe(20)
  })
  it('lies lap beside lap over the face', () => {
    const { placements } = work(ring('heather-strand', usual('laid', { laps: 3 })), shelf)
    expect(new Set(placements.map(({ t }) => t.toFixed(3))).size).toBe(3)
    expect(placements.every(({ made: what }) => what?.as === 'strand')).toBe(true)
  })
  it('goes once along an open run at the most that it is long', () => {
    const swag = pieceWith([layerOf('a', 'garland-pine', usual('laid', { laps: 1 }), { run: 'each' })], {
      base: usualBase('mantel-garland'),
    })
    const [run] = runsOf(swag.base)
    expect(figureOf(made(swag), 'length').value).toBeCloseTo(run!.length + inches(2))
  })
})

describe('strands on several runs', () => {
  it('are cut run by run, each as long as its own', () => {
    const pear = pieceWith([layerOf('a', 'garland-bead', usual('laid', { laps: 1, tuck: inches(1) }), { run: 'each' })], {
      base: usualBase('pear'),
    })
    const takes = takesOf(made(pear))
    expect(takes.map(({ length }) => length)).toEqual(runsOf(pear.base).map((run) => expect.closeTo(run.length + inches(1), 6)))
    expect(takes.reduce((all, { length }) => all + length, 0)).toBeCloseTo(figureOf(made(pear), 'length').value)
  })
  it('are pinned run by run: a short run takes no pins off a long one', () => {
    const short = { ...shelf.materials['garland-bead']!, length: 400 }
    const pear = pieceWith([layerOf('a', 'garland-bead', usual('laid', { laps: 1, tuck: 0, every: 90 }), { run: 'each' })], {
      base: usualBase('pear'),
    })
    // Laid strand by strand, a pin put down at its start, after every 90 and at its end.
    const lengths = runsOf(pear.base).map(({ length }) => length)
    expect(Math.min(...lengths)).toBeLessThan(100)
    expect(Math.max(...lengths)).toBeGreaterThan(400)
    let pins = 0
    for (const length of lengths) {
      for (let from = 0; from < length; from += 400) {
        const strand = Math.min(400, length)
        for (let at = 0; at < strand; at += 90) pins += 1
        pins += 1
      }
    }
    const up = work(pear, { ...shelf, materials: { ...shelf.materials, 'garland-bead': short } }).layers[0]!.makeUp!
    expect(figureOf(up, 'pins').value).toBe(pins)
    expect(usesOf(up)[0]!.count).toBe(pins)
  })
})

describe('mesh in ties', () => {
  const mesh = (set: Partial<RuleOf<'mesh'>> = {}, layer: Partial<Layer> = {}) =>
    ring('mesh-honey', usual('mesh', set), {
      mix: [
        { material: 'mesh-honey', share: 1, only: null },
        { material: 'mesh-cream', share: 1, only: null },
      ],
      ...layer,
    })
  it('counts pieces by colour: one to a ruffle, one of each to a cluster', () => {
    const up = made(mesh({ ties: 18, count: 12, gathers: ['ruffle', 'cluster'], cut: inches(10) }))
    expect(up.title).toBe('6 ruffles and 6 clusters of honey mesh and cream mesh')
    expect(figureOf(up, 'pieces:mesh-honey').value + figureOf(up, 'pieces:mesh-cream').value).toBe(6 + 12)
    expect(figureOf(up, 'per:mesh-honey').value).toBe(36)
    expect(takesOf(up)).toEqual(
      ['mesh-honey', 'mesh-cream'].map((material) => ({ material, use: 'pieces of mesh', length: inches(10), count: 9, joins: false })),
    )
    expect(figureOf(up, 'share:mesh-honey').value).toBeCloseTo(90 / 360)
    expect(piecesPerRoll(inches(360), inches(10)).value).toBe(36)
  })
  it('no more gathers than ties: the rest have nowhere to go', () => {
    const piece = mesh({ ties: 10, count: 14, gathers: ['petal'] })
    expect(work(piece, shelf).placements).toHaveLength(10)
    expect(mended(piece, 'a:ties')).toEqual({ text: '14 gathers, but the base has 10 ties. 4 have nowhere to go.', gone: true })
  })
  it('a piece longer than its roll is told', () => {
    const short = { ...shelf, materials: { ...shelf.materials, 'mesh-honey': { ...shelf.materials['mesh-honey']!, length: 100 } } }
    const found = work(mesh({ cut: inches(10) }), short).problems.find(({ id }) => id === 'a:roll')!
    expect(say(found.says, manner)).toBe('A piece of 10 in is longer than the roll of honey mesh, which has 3⅞ in.')
  })
  it('leaves the ties empty where a place is kept', () => {
    const kept = layerOf('bow', 'bow-slate', { kind: 'single', at: 0.5, drop: 0 })
    const full = mesh({ ties: 20, count: 20, gathers: ['ruffle'] }, { clear: true })
    const piece = { ...full, layers: [...full.layers, kept] }
    const laid = work(piece, shelf).placements.filter(({ layer }) => layer === 'a')
    expect(laid.length).toBeLessThan(20)
    expect(laid.length).toBeGreaterThan(12)
    const up = made(piece)
    expect(figureOf(up, 'ties').value).toBe(laid.length)
    expect(takesOf(up).reduce((n, { count }) => n + count, 0)).toBe(laid.length)
  })
  it('poofs go from tie to tie, pass by pass', () => {
    const up = made(ring('mesh-honey', usual('poofs', { ties: 12, passes: 2, uses: inches(10) })))
    expect(figureOf(up, 'poofs').value).toBe(24)
    expect(figureOf(up, 'height').value).toBeCloseTo(inches(5))
    expect(figureOf(up, 'length').value).toBeCloseTo(inches(240))
    const two = made(
      ring('mesh-honey', usual('poofs', { ties: 12, passes: 2, uses: inches(10) }), {
        mix: ['mesh-honey', 'mesh-cream'].map((material) => ({ material, share: 1, only: null })),
      }),
    )
    for (const id of ['mesh-honey', 'mesh-cream']) expect(figureOf(two, `share:${id}`).value).toBeCloseTo(120 / 360)
    const open = pieceWith([layerOf('a', 'mesh-honey', usual('poofs', { ties: 6 }), { run: 'left' })], { base: usualBase('tree-swag') })
    expect(figureOf(made(open), 'poofs').value).toBe(5)
    expect(mended({ ...open, layers: [layerOf('a', 'mesh-honey', usual('poofs', { ties: 1 }), { run: 'left' })] }, 'a:ties').gone).toBe(
      true,
    )
  })
})

describe('beads', () => {
  it('as many as go on, with bare wire at both ends', () => {
    const bead = shelf.materials['bead-20']!
    const piece = ring('bead-20', usual('beads', { allowance: inches(1), own: 0.8, turns: 2, tail: 12 }))
    const up = made(piece)
    expect(figureOf(up, 'beads').value).toBe(Math.floor((inches(12 * Math.PI) - inches(1)) / bead.length))
    expect(figureOf(up, 'bare').value).toBeCloseTo(2 * Math.PI * (inches(1) + 0.8) + 12)
    expect(benchOf(piece).bill.lines.find(({ id }) => id === 'bead-20')!.stems.value).toBe(figureOf(up, 'beads').value)
  })
  it('come off a ring by whole ones', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 300, noNaN: true }), fc.double({ min: 5, max: 60, noNaN: true }), (change, bead) => {
        const off = beadsOff(change, bead)
        expect(Number.isInteger(off.beads)).toBe(true)
        expect(Math.abs(off.change - change) * Math.PI).toBeLessThanOrEqual(bead / 2 + 1e-9)
      }),
    )
    expect(beadsOn(100, 120, 10)).toBe(0)
  })
  it('none where there is no room, in words', () => {
    const piece = pieceWith([layerOf('a', 'bead-20', usual('beads', { allowance: 1000 }))], {
      ring: { outer: inches(6), inner: inches(5) },
    })
    expect(mended(piece, 'a:none')).toEqual({ text: expect.stringContaining('No bead of'), gone: true })
  })
  it('on the pear they are threaded run by run', () => {
    const pear = pieceWith([layerOf('a', 'bead-16', usual('beads'), { run: 'each' })], { base: usualBase('pear') })
    const up = made(pear)
    const each = runsOf(pear.base).map(({ id }) => figureOf(up, `beads:${id}`).value)
    expect(each.reduce((a, b) => a + b, 0)).toBe(figureOf(up, 'beads').value)
    expect(work(pear, shelf).placements).toHaveLength(figureOf(up, 'beads').value)
  })
})

describe('sprays, trunks, cords and hangers', () => {
  it('a spray is pairs and one odd, longest in the middle, bound once', () => {
    const piece = pieceWith(
      [
        layerOf('a', 'fir', usual('spray', { pairs: 3, odd: true, spread: 45, wraps: 3, bound: inches(1) }), {
          taper: 0.5,
          cut: inches(16),
          run: 'left',
          lean: 0,
        }),
      ],
      { base: usualBase('tree-swag') },
    )
    const { placements } = work(piece, shelf)
    const up = made(piece)
    expect(placements).toHaveLength(7)
    expect(figureOf(up, 'stems').value).toBe(7)
    expect(placements.map(({ length }) => Math.round(length / 2.54) / 10)).toEqual([8, 8, 10.7, 10.7, 13.3, 13.3, 16])
    expect(new Set(placements.map(({ s }) => s)).size).toBe(1)
    const off = placements.map(({ bearing }) => ((bearing - placements[6]!.bearing + 540) % 360) - 180)
    expect(off.map(Math.round)).toEqual([-45, 45, -30, 30, -15, 15, 0].map((each) => each * Math.sign(-off[0]!)))
    expect(figureOf(up, 'wire').value).toBeCloseTo(3 * Math.PI * inches(1) + inches(8))
  })
  it('trunks are tied two to four times', () => {
    expect([0, 60, 127, 140, 180, 400].map((overlap) => trunkTies(overlap, shelf).value)).toEqual([2, 2, 3, 3, 4, 4])
    const { base } = work(pieceWith([], { base: usualBase('tree-swag') }), shelf)
    expect(usesOf(base.makeUp)).toEqual([{ material: 'zip-tie', use: 'ties of the trunks', count: 3 }])
    expect(base.makeUp.figures.map(({ id }) => id)).toEqual(['trees', 'ties'])
  })
  it('of rings in a column go two to each place where rings touch, and each ring is bought as what it is', () => {
    const shape = { form: 'column' as const, rings: 3, top: inches(10), bottom: inches(14), face: inches(2) }
    const piece = pieceWith([], { base: { ...usualBase('vine-column'), shape } })
    const { needs, base } = work(piece, shelf)
    expect(figureOf(base.makeUp, 'ties').value).toBe(4)
    expect(usesOf(base.makeUp)).toEqual([{ material: 'zip-tie', use: 'ties of the rings', count: 4 }])
    // It weighs what its rings weigh, each on its own.
    const alone = [10, 12, 14].map((outer) => {
      const ring = { ...usualBase('grapevine'), shape: { form: 'ring' as const, outer: inches(outer), inner: inches(outer - 4) } }
      return work(pieceWith([], { base: ring }), shelf).base.mass.value
    })
    expect(base.mass.value).toBeCloseTo(
      alone.reduce((all, each) => all + each, 0),
      6,
    )
    // Rings of 10, 12 and 14 in.
    expect(needs.flatMap((need) => (need.of === 'base' ? [[need.material, need.count, Math.round(need.width / 25.4)]] : []))).toEqual([
      ['grapevine', 1, 10],
      ['grapevine', 1, 12],
      ['grapevine', 1, 14],
    ])
    const { lines } = benchOf(piece).bill
    expect(new Set(lines.map(({ id }) => id)).size).toBe(lines.length)
    expect(lines.filter(({ of }) => of === 'base').map((line) => say(lineSaid(line), manner))).toEqual([
      'grapevines, 10 in wide',
      'grapevines, 12 in wide',
      'grapevines, 14 in wide',
    ])
  })
  it('what hangs on cords takes two of them, and a ring its hanger', () => {
    const sign = pieceWith([layerOf('a', 'ticket-sign', { kind: 'single', at: 0, drop: inches(6) })])
    const { base, hung } = work(sign, shelf)
    expect(takesOf(base.makeUp)).toEqual([{ material: 'jute-twine', use: 'cords', length: inches(10), count: 2, joins: false }])
    expect(takesOf(hung.make!)).toEqual([
      { material: 'jute-twine', use: 'hanger', length: Math.PI * inches(2) + 2 * inches(3) + inches(4), count: 1, joins: false },
    ])
    expect(takesOf(work(pieceWith([], { base: { ...usualBase('gourd') } }), shelf).base.makeUp)).toEqual([])
  })
})

describe('sprigs in hand', () => {
  const run = { length: 1000, closed: true }
  it('stretch round in whole bundles, and lie so deep', () => {
    expect(stretched(run, 200, 4, 1, 41)).toEqual({ bundles: 10, advance: 100, depth: 2, looks: 'good' })
    expect(stretched(run, 200, 4, 2, 41)).toEqual({ bundles: 5, advance: 200, depth: 1, looks: 'thin' })
    expect(stretched(run, 200, 4, 1, 3)).toBeNull()
    expect(stretched({ length: 1000, closed: false }, 200, 1, 1, 5)).toEqual({ bundles: 5, advance: 200, depth: 1, looks: 'thin' })
  })
  it('both faces take twice the sprigs, on the bill as well', () => {
    const of = (faces: number) => work(ring('bay', usual('bundles', { faces }), { cut: inches(7) }), shelf)
    expect(figureOf(of(2).layers[0]!.makeUp!, 'sprigs').value).toBe(2 * figureOf(of(1).layers[0]!.makeUp!, 'sprigs').value)
    expect(of(2).stems.value).toBe(2 * of(1).stems.value)
    expect(of(2).placements).toHaveLength(of(1).placements.length)
  })
  it('a bound ring says how wide it comes out and what hole it leaves', () => {
    const up = made(ring('bay', usual('bundles'), { cut: inches(7) }))
    expect(figureOf(up, 'outer').value).toBeGreaterThan(inches(13))
    expect(figureOf(up, 'inner').value).toBeLessThan(inches(11))
    expect(figureOf(up, 'inner').value).toBeGreaterThan(inches(5))
  })
})

import { describe, expect, it } from 'vitest'
import { against, arrange, clashesOf, fitTo, swap } from './placement'
import { runsOf, usualBase, stationAt } from './base'
import { listPriceOf, packsOver } from './price'
import { readPiece, writePiece } from './formats'
import type { Material } from './material'
import { CATALOGUE, plainShelf } from './material'
import { inches, parseLength, say, showSum, toInches } from './measure'
import type { Edit, Layer, Piece, Rule } from './piece'
import { edit, usualRule } from './piece'
import { benchOf, layerOf, pieceWith, shelf, shopOf, takesOf, usesOf } from './testing'
import { work } from './workings'

// Numbers that once misled a maker, each with its value worked by hand beside it.
const manner = { units: 'in', currency: 'USD' } as const
const usual = (kind: Rule['kind'], set: object = {}): Rule => ({ ...usualRule(kind, ''), ...set }) as Rule
const after = (piece: Piece, how: Edit): Piece => {
  const edited = edit(piece, how, 'mend')
  if (!edited.ok) throw new Error(edited.error)
  return edited.change.piece
}
const only = (material: string, n: number) => ({ mix: [{ material, share: 1, only: n }] })
const count = (piece: Piece, layer: number, material: string) =>
  arrange(piece, runsOf(piece.base), shelf)[layer]!.placements.filter((each) => each.material === material).length
const wordsOf = (piece: Piece) =>
  work(piece, shelf)
    .tasks.flatMap(({ says }) => says.map((each) => say(each, manner)))
    .join('\n')

describe('placing', () => {
  const line = { closed: true, length: 1200 }
  it('6 among 4 are dealt 2-1-2-1, wherever the four start', () => {
    for (const start of [0, 0.125, 0.37]) {
      const four = [0, 1, 2, 3].map((i) => ((start + i / 4) % 1) * 1200)
      const { dealt } = against(line, four, 6, 'dealt')
      const gaps = [...four]
        .sort((a, b) => a - b)
        .map((s, i, all) => dealt.points.filter((p) => (all[i + 1] === undefined ? p > s || p < all[0]! : p > s && p < all[i + 1]!)).length)
      expect([['2', '1', '2', '1'].join(), ['1', '2', '1', '2'].join()]).toContain(gaps.join())
    }
  })
  // Brute force over every way to share out so many among the gaps.
  it('the dealing keeps the largest smallest gap there is, on open runs too', () => {
    for (const [points, n] of [
      [[100, 150, 900], 4],
      [[300, 320, 700, 1100], 3],
      [[600], 5],
      [[50, 1150], 6],
    ] as const) {
      const run = { closed: false, length: 1200 }
      const gaps = [0, ...points].map((s, i) => (points[i] ?? 1200) - s)
      let best = 0
      const share = (i: number, left: number, least: number): void => {
        if (i === gaps.length) {
          if (left === 0) best = Math.max(best, least)
          return
        }
        for (let k = 0; k <= left; k++) share(i + 1, left - k, k ? Math.min(least, gaps[i]! / (k + 1)) : least)
      }
      share(0, n, Infinity)
      expect(against(run, points, n, 'dealt').dealt.least).toBeCloseTo(best, 6)
    }
  })
  it('an even pattern on an open run is turned to the best place: every turn tried to the millimetre', () => {
    for (const [points, n] of [
      [[90, 400], 3],
      [[10, 220, 510, 780], 4],
      [[300], 2],
    ] as const) {
      const run = { closed: false, length: 800 }
      const step = 800 / n
      let best = 0
      for (let turn = -step / 2; turn <= step / 2 + 1e-9; turn += 1)
        best = Math.max(
          best,
          Math.min(...Array.from({ length: n }, (_, i) => Math.min(...points.map((p) => Math.abs((i + 0.5) * step + turn - p))))),
        )
      expect(against(run, points, n, 'even').even.least).toBeGreaterThanOrEqual(best - 0.51)
    }
  })
  it('what goes halfway goes halfway between things as they lie, clear of what is reserved', () => {
    const piece = pieceWith([
      layerOf('bow', 'bow-honey', { kind: 'single', at: 0.5, drop: 0 }, { reserve: 30 }),
      layerOf('a', 'rose', { kind: 'compass', count: 6, start: 0.04 }, { clear: true }),
      layerOf('b', 'berry-spray', { kind: 'halfway', of: 'a' }, { clear: false }),
    ])
    const [, a, b] = arrange(piece, runsOf(piece.base), shelf)
    const places = a!.placements.map(({ s }) => s).sort((x, y) => x - y)
    const length = runsOf(piece.base)[0]!.length
    const middles = places
      .map((s, i) => (i + 1 < places.length ? (s + places[i + 1]!) / 2 : ((s + places[0]! + length) / 2) % length))
      .sort((x, y) => x - y)
    expect(b!.placements.map(({ s }) => s).sort((x, y) => x - y)).toEqual(middles.map((s) => expect.closeTo(s, 6)))
  })
  it('the gap that N against M says is the gap that there is', () => {
    const piece = pieceWith([
      layerOf('bow', 'bow-honey', { kind: 'single', at: 0.5, drop: 0 }, { reserve: 30 }),
      layerOf('a', 'rose', { kind: 'compass', count: 5, start: 0 }, { clear: true }),
      layerOf('b', 'daisy', { kind: 'against', of: 'a', count: 4, pattern: 'better' }, { clear: true }),
    ])
    const { placements, layers } = work(piece, shelf)
    const length = runsOf(piece.base)[0]!.length
    const of = (id: string) => placements.filter(({ layer }) => layer === id).map(({ s }) => s)
    const least = Math.min(...of('b').flatMap((s) => of('a').map((other) => Math.min(Math.abs(s - other), length - Math.abs(s - other)))))
    const { against: said } = layers[2]!
    expect(Math.abs(said![said!.chosen].value - least)).toBeLessThan(0.6)
  })
  it('only two are two, by a seat, in arms and in a spray; only three in eight places are three', () => {
    for (const rule of [usual('mirror', { count: 10 }), usual('arms', { count: 10 }), usual('spray', { pairs: 5, odd: false })]) {
      const piece = pieceWith([
        layerOf('a', 'bay', rule, {
          mix: [
            { material: 'bay', share: 1, only: null },
            { material: 'holly', share: 1, only: 2 },
          ],
        }),
      ])
      expect([rule.kind, count(piece, 0, 'holly')]).toEqual([rule.kind, 2])
    }
    expect(count(pieceWith([layerOf('a', 'holly', { kind: 'compass', count: 8, start: 0 }, only('holly', 3))]), 0, 'holly')).toBe(3)
    // One of three cannot be paired, and that is told.
    const odd = pieceWith([
      layerOf('a', 'bay', usual('mirror', { count: 10 }), {
        mix: [
          { material: 'bay', share: 1, only: null },
          { material: 'holly', share: 1, only: 3 },
        ],
      }),
    ])
    expect(count(odd, 0, 'holly')).toBe(2)
    expect(work(odd, shelf).problems.map(({ id }) => id)).toContain('a:unpaired:holly')
  })
  it('a reserved place moves a cluster as a whole', () => {
    const cluster = layerOf('a', 'rose', { kind: 'cluster', at: [0.5], size: 3 }, { clear: true })
    const spread = (piece: Piece, layer: number) => {
      const [run] = runsOf(piece.base)
      const at = arrange(piece, runsOf(piece.base), shelf)[layer]!.placements.map(({ s }) => s)
      return Math.max(...at.flatMap((s) => at.map((t) => Math.min(Math.abs(s - t), run!.length - Math.abs(s - t)))))
    }
    const alone = spread(pieceWith([cluster]), 0)
    const kept = pieceWith([layerOf('bow', 'bow-honey', { kind: 'single', at: 0.5, drop: 0 }, { reserve: 20 }), cluster])
    expect(spread(kept, 1)).toBeCloseTo(alone, 6)
    const { zones } = arrange(kept, runsOf(kept.base), shelf)[0]!
    for (const { s } of arrange(kept, runsOf(kept.base), shelf)[1]!.placements)
      for (const { from, length } of zones) expect(s > from + 1 && s < from + length - 1).toBe(false)
  })
  it('what is in hand is never passed: 24 sprigs on both faces, round a door, and 15 in clusters of four', () => {
    const ring = pieceWith([])
    const bundles = layerOf('a', 'bay', usual('bundles', { sprigs: 3, faces: 2 }), { cut: inches(6) })
    const fitted = fitTo(bundles, 8, runsOf(ring.base), shelf)!
    expect(fitted.pieces).toBeLessThanOrEqual(8 * 2)
    const laid = { ...bundles, rule: fitted.rule }
    expect(work(pieceWith([laid]), shelf).stems.value).toBe(fitted.pieces)
    const door = usualBase('door-garland')
    const open = layerOf('a', 'bay', usual('bundles', { sprigs: 2, faces: 1 }), { run: 'each', cut: inches(8) })
    const two = fitTo(open, 16, runsOf(door), shelf)!
    expect(two.pieces).toBeLessThanOrEqual(32)
    expect(work(pieceWith([{ ...open, rule: two.rule }], { base: door }), shelf).stems.value).toBe(two.pieces)
    const clusters = fitTo(layerOf('a', 'rose', { kind: 'cluster', at: [0, 0.25, 0.5, 0.75], size: 2 }), 15, runsOf(ring.base), shelf)!
    expect(clusters.pieces).toBe(12)
  })
  it('a swap says what it really lays, on several runs, both faces and boughs', () => {
    const door = usualBase('door-garland')
    const of: [Piece, string, string][] = [
      [pieceWith([layerOf('a', 'fir', usual('boughs'), { run: 'each', cut: inches(16) })], { base: door }), 'fir', 'rosemary'],
      [pieceWith([layerOf('a', 'bay', usual('bundles', { faces: 2 }), { cut: inches(6) })]), 'bay', 'rosemary'],
      [
        pieceWith([layerOf('a', 'fir', { kind: 'compass', count: 10, start: 0 }, { run: 'each' })], { base: usualBase('tree-swag') }),
        'fir',
        'rosemary',
      ],
    ]
    for (const [piece, from, to] of of) {
      const runs = runsOf(piece.base)
      const how = swap({ piece, runs, shelf }, arrange(piece, runs, shelf)[0]!, from, to)!
      expect(how.before).toBe(work(piece, shelf).stems.value)
      expect(how.after).toBe(work(after(piece, how.edit), shelf).stems.value)
    }
  })
  it('a clash that is slid away is gone, and makes no other', () => {
    let tried = 0
    for (const role of ['accent', 'focal'] as const) {
      for (let i = 0; i < 24; i++) {
        const piece = pieceWith([
          layerOf('bow', i % 2 ? 'bow-honey' : 'bow-check', { kind: 'single', at: 0.5, drop: 0 }, { role: 'bow' }),
          layerOf('sign', 'oar-sign', { kind: 'single', at: 0.2, drop: 0 }, { role: 'sign' }),
          layerOf('cones', 'pine-cone', usual('crescent', { from: 0.6, to: 0.72, count: 4 }), { role: 'accent', clear: false }),
          layerOf('a', 'rose', { kind: 'single', at: 0.42 + 0.007 * i, drop: 0 }, { role, clear: false, across: i % 3 ? 0 : 0.5 }),
        ])
        const own = (of: typeof piece) =>
          clashesOf(arrange(of, runsOf(of.base), shelf)).filter(({ thing, against: other }) => thing.layer === 'a' || other.layer === 'a')
        const problem = work(piece, shelf).problems.find(({ id }) => id.startsWith('clash:a'))
        if (!own(piece).some(({ thing }) => thing.layer === 'a') || !problem) continue
        tried += 1
        expect(own(after(piece, problem.mends[0]!.edit!)), `${role} at ${i}`).toEqual([])
      }
    }
    expect(tried).toBeGreaterThan(20)
  })
  it('ties are counted over all layers that gather in them', () => {
    const gathers = (id: string, n: number) => layerOf(id, 'mesh-honey', usual('mesh', { ties: 18, count: n, gathers: ['ruffle'] }))
    const ids = (...n: number[]) =>
      work(pieceWith(n.map((each, i) => gathers(`m${i}`, each))), shelf)
        .problems.map(({ id }) => id)
        .filter((id) => id.includes('shared-ties'))
    expect(ids(9, 9)).toEqual([])
    expect(ids(12, 9)).toEqual(['m1:shared-ties:ring'])
    const piece = pieceWith([gathers('m0', 12), gathers('m1', 9)])
    const [mend] = work(piece, shelf).problems.find(({ id }) => id.includes('shared-ties'))!.mends
    expect(work(after(piece, mend!.edit!), shelf).problems.some(({ id }) => id.includes('shared-ties'))).toBe(false)
  })
  it('spacing of arms leaves the seat out, and the sum adds up what it says', () => {
    // By hand: six to a side over half of the centre line from 0.2 to 0.8 of it: 0.1 of half the line apart.
    const piece = pieceWith([layerOf('a', 'bay', { kind: 'arms', count: 12, from: 0.2, to: 0.8 })])
    const half = ((Math.PI * 20) / 4 / 2) * 2
    expect(toInches(work(piece, shelf).layers[0]!.spacing!.centre.value)).toBeCloseTo((half * 1 * 0.6) / 6, 6)
    const swag = pieceWith([layerOf('a', 'bay', { kind: 'compass', count: 5, start: 0 }, { run: 'each' })], {
      base: usualBase('tree-swag'),
    })
    expect(showSum(work(swag, shelf).layers[0]!.spacing!.centre, manner)).toContain('the 2 runs added up, ÷ 8 gaps')
  })
})

describe('mass', () => {
  const mass = (piece: Piece) => work(piece, shelf).mass
  it('24 tips of 7 in weigh what 24 × 7 of 22 in weigh, not 24 stems', () => {
    // By hand: 24 × 20 g × 7 ÷ 22 = 152.7 g.
    expect(
      mass(pieceWith([layerOf('a', 'eucalyptus', { kind: 'compass', count: 24, start: 0 }, { cut: inches(7) })])).on.value,
    ).toBeGreaterThan(152.7)
    expect(
      mass(pieceWith([layerOf('a', 'eucalyptus', { kind: 'compass', count: 24, start: 0 }, { cut: inches(7) })])).on.value,
    ).toBeLessThan(153.6)
    expect(mass(pieceWith([layerOf('a', 'rose', { kind: 'compass', count: 4, start: 0 }, { cut: inches(1) })])).on.value).toBeGreaterThan(
      48,
    )
  })
  it('counts what comes by the length, cords and ties, and adds the base', () => {
    // By hand: 90 in of a 360 in roll weigh a quarter of it.
    const roll = CATALOGUE['ribbon-slate']!
    const wound = pieceWith([layerOf('a', 'ribbon-slate', usual('wound', { pitch: null, thick: 10, ends: 0 }))])
    const { layers, mass: masses } = work(wound, shelf)
    const length = takesOf(layers[0]!.makeUp!).reduce((all, each) => all + each.length * each.count, 0)
    const ties = usesOf(layers[0]!.makeUp!).reduce((all, each) => all + each.count * CATALOGUE[each.material]!.mass, 0)
    const cord = takesOf(work(wound, shelf).hung.make!).reduce(
      (all, each) => all + (each.length * each.count * CATALOGUE[each.material]!.mass) / CATALOGUE[each.material]!.length,
      0,
    )
    expect(masses.on.value).toBeCloseTo((roll.mass * length) / roll.length + ties + cord, 6)
    expect(masses.whole.value).toBeCloseTo(masses.on.value + masses.base.value, 9)
    expect(cord).toBeGreaterThan(0)
  })
  it('a garland of boughs has no other base, to weigh or to pay', () => {
    const piece = pieceWith([layerOf('a', 'fir', usual('boughs'), { run: 'each' })], { base: usualBase('door-garland') })
    const { mass: masses, bill } = benchOf(piece)
    expect(masses.base.value).toBe(0)
    expect(bill.lines.map(({ id }) => id)).not.toContain('base')
    expect(benchOf({ ...piece, base: { ...piece.base, price: 500 } }).bill.lines[0]).toMatchObject({ id: 'base', opened: { value: 500 } })
  })
  it('a garland that is cut is bought and weighed by its length', () => {
    const fir = CATALOGUE['garland-fir']!
    const piece = pieceWith([layerOf('a', 'garland-fir', { kind: 'single', at: 0, drop: 0 }, { cut: inches(30) })])
    expect(work(piece, shelf).placements[0]!.length).toBeCloseTo(inches(30), 6)
    expect(work(piece, shelf).mass.on.value).toBeLessThan((fir.mass * 30) / 300 + 20)
  })
})

describe('money', () => {
  it('13 from packs of 12 at 10.00 and singles at 1.50 cost 11.50', () => {
    expect(packsOver(13, [listPriceOf('s', 12, 1000), listPriceOf('s', 1, 150)]).map(({ holds, packs }) => [holds, packs])).toEqual([
      [12, 1],
      [1, 1],
    ])
    const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 13, start: 0 })])
    const shop = shopOf('s', 'bracken', [
      [12, 1000],
      [1, 150],
    ])
    const line = benchOf(piece, plainShelf({ 'construct.spare': 0 }), { shops: [shop] }).bill.lines.find(({ id }) => id === 'bracken')!
    expect([line.opened.value, showSum(line.opened, manner)]).toEqual([1150, '1 × $10.00 + 1 × $1.50 = $11.50'])
  })
  // Brute force over every number of each pack.
  it('packs are the cheapest that hold enough', () => {
    const packs = [
      [7, 640],
      [3, 310],
      [10, 820],
    ] as const
    for (let wanted = 0; wanted <= 60; wanted++) {
      let best = Infinity
      for (let a = 0; a <= 10; a++)
        for (let b = 0; b <= 21; b++)
          for (let c = 0; c <= 7; c++) if (7 * a + 3 * b + 10 * c >= wanted) best = Math.min(best, 640 * a + 310 * b + 820 * c)
      const bought = packsOver(
        wanted,
        packs.map(([holds, price]) => listPriceOf(null, holds, price)),
      )
      expect(bought.reduce((sum, each) => sum + each.packs * each.price, 0)).toBe(best)
      expect(bought.reduce((sum, each) => sum + each.packs * each.holds, 0)).toBeGreaterThanOrEqual(wanted)
    }
    const many = packsOver(500_000, [listPriceOf(null, 12, 1000), listPriceOf(null, 1, 150)])
    expect(many.reduce((sum, each) => sum + each.packs * each.price, 0)).toBe(41_666_000 + Math.min(1000, 8 * 150))
  })
  it('every offer to drop a few saves what it says', () => {
    let offers = 0
    for (const material of ['bay', 'bracken', 'eucalyptus', 'wheat']) {
      for (let n = 9; n <= 44; n += 5) {
        const piece = pieceWith([layerOf('a', material, { kind: 'compass', count: n, start: 0 }, { cut: inches(5) })], {
          brief: { budget: 100, copies: (n % 3) + 1 },
        })
        const before = benchOf(piece).bill.opened.value
        for (const { says, edit: how } of benchOf(piece).problems.find(({ id }) => id === 'over budget')!.mends) {
          if (!how) continue
          offers += 1
          const said = says.find((part) => typeof part === 'object' && part.unit === 'money') as { value: number }
          const less = after(piece, how)
          expect(before - benchOf(less).bill.opened.value, `${material} ${n}`).toBe(said.value)
          // One less dropped saves nothing: it is the least that does.
          const layer = less.layers[0]!
          const almost = {
            ...less,
            layers: [{ ...layer, rule: { ...layer.rule, count: (layer.rule as { count: number }).count + 1 } as typeof layer.rule }],
          }
          expect(benchOf(almost).bill.opened.value, `${material} ${n}`).toBe(before)
        }
      }
    }
    expect(offers).toBeGreaterThan(8)
  })
  it('dried and preserved heads want spare, made things none', () => {
    const spare = (id: string) =>
      benchOf(pieceWith([layerOf('a', id, { kind: 'compass', count: 20, start: 0 })])).bill.lines.find((line) => line.id === id)!.spare
        .value
    expect([spare('sea-holly'), spare('rose'), spare('oar-sign')]).toEqual([2, 0, 0])
  })
})

describe('said', () => {
  it('speaks of trunks only where there are any, and of above and below where a swag hangs upright', () => {
    expect(
      wordsOf(pieceWith([layerOf('a', 'rose', { kind: 'single', at: 0, drop: 0 }, { run: 'left' })], { base: usualBase('opened-ring') })),
    ).not.toContain('trunk')
    expect(
      wordsOf(
        pieceWith([layerOf('a', 'fir', { kind: 'arms', count: 6, from: 0, to: 1 }, { run: 'each' })], { base: usualBase('tree-swag') }),
      ),
    ).toContain('round both trunks')
    const upright = { ...usualBase('tree-swag'), turn: 90 }
    const names = runsOf(upright).map(({ name, reads }) => [name, reads.kind === 'from' ? reads.words : ''])
    expect(names.map(([, words]) => words).sort()).toEqual(['above the join', 'below the join'])
    const below = runsOf(upright).find(({ reads }) => reads.kind === 'from' && reads.words.startsWith('below'))!
    expect(stationAt(below, below.length).y).toBeGreaterThan(stationAt(below, 0).y)
  })
  it('has ready what a piece of one bow wants', () => {
    const piece = pieceWith([layerOf('bow', 'ribbon-slate', usual('bow', { means: 'visible' }))])
    const ready = wordsOf(piece)
      .split('\n')
      .find((line) => line.startsWith('Have ready'))
    expect(ready).toMatch(/stem wire/)
    expect(ready).toMatch(/jute twine/)
  })
  it('a seat a quarter along is not called the middle', () => {
    const piece = (seat: number) =>
      pieceWith([layerOf('a', 'fir', { kind: 'compass', count: 6, start: 0 }, { run: 'garland', flow: 'apart', seat })], {
        base: usualBase('mantel-garland'),
      })
    expect(wordsOf(piece(0.25))).not.toContain('away from the middle')
    expect(wordsOf(piece(0.5))).toContain('away from the middle')
  })
  it('says laps and turns as hands count them', () => {
    const words = wordsOf(
      pieceWith([
        layerOf('a', 'heather-strand', usual('laid', { laps: 4 / 3, tuck: 0 })),
        layerOf('b', 'jute-twine', usual('wound', { pitch: null, thick: 40 })),
      ]),
    )
    expect(words).toContain('1.33 times')
    expect(words).not.toMatch(/1\.333|\d\.\d\d turns|in 1 lengths|Tuck the last 0/)
  })
  it('a rule that asks for more than a layer holds says so', () => {
    const tiny: Material = { ...CATALOGUE['daisy']!, id: 'tiny', length: 5, width: 1.5 }
    const on = { ...shelf, materials: { ...shelf.materials, tiny } }
    const told = (layer: Layer) =>
      work(pieceWith([layer], { ring: { outer: 900, inner: 700 } }), on).problems.some(({ id }) => id === 'a:many')
    expect(told({ ...layerOf('a', 'daisy', usual('bands', { between: 0 })), mix: [{ material: 'tiny', share: 1, only: null }] })).toBe(true)
    expect(told(layerOf('a', 'rosemary', usual('boughs', { overlap: 20 }), { cut: 22 }))).toBe(true)
    expect(told(layerOf('a', 'rosemary', usual('boughs', { overlap: 20 }), { cut: 90 }))).toBe(false)
  })
})

describe('typed and read', () => {
  it.each([
    ['6\'8"', 'cm', 80 * 25.4],
    ["6'8", 'cm', 80 * 25.4],
    ['6’8”', 'in', 80 * 25.4],
    ['3 1⁄2', 'in', 3.5 * 25.4],
    ['3-1/2', 'in', 3.5 * 25.4],
    ["12''", 'in', 12 * 25.4],
    ['12in.', 'in', 12 * 25.4],
    ['5.', 'in', 5 * 25.4],
    ['⅕', 'in', 25.4 / 5],
    ['⅚ in', 'in', (25.4 * 5) / 6],
    ['4m20', 'in', 4200],
    ['1 000 mm', 'in', 1000],
    ['1,299.50 mm', 'in', 1299.5],
    ['0,125 m', 'in', 125],
  ] as const)('%s in %s', (text, units, mm) => expect(parseLength(text, units)).toEqual({ ok: true, value: expect.closeTo(mm, 5) }))
  it.each(['1,200 mm', '3 4', '5 3', '1.5.5', '12.5.5', '3,5,2', '18 in 18 in', '1,234', '2 in 3 ft', '4m2'])(
    '“%s” is asked, not guessed',
    (text) => {
      const read = parseLength(text, 'in')
      expect(read.ok).toBe(false)
      expect(!read.ok && read.error.length).toBeGreaterThan(10)
    },
  )
  it('a file nested two hundred thousand deep, or with a key twice, is told', () => {
    expect(readPiece('['.repeat(200_000))).toMatchObject({ ok: false, faults: [{ says: expect.stringContaining('nested') }] })
    const text = writePiece(pieceWith([]))
    const twice = text.replace('"stage": "planned"', '"stage": "planned",\n  "stage": "hung"')
    expect(readPiece(twice)).toMatchObject({ ok: false, faults: [{ says: '“stage” stands there twice.', line: 6 }] })
    expect(readPiece(text)).toMatchObject({ ok: true })
  })
})

import { describe, expect, it } from 'vitest'
import { BOUGHT_KINDS, BASE_SORTS, usualBase, usualPrice, askedSizeOf } from '../base'
import type { Lengths, Material, Need, Things } from '../material'
import { CATALOGUE } from '../material'
import { inches } from '../measure'
import type { Fixing } from '../fixing'
import { layerOf, pieceWith, shelf } from '../testing'
import { work } from '../workings'
import { lotsOff, partsOff } from './take-apart'
import { baseLots, lotOf, LotSchema } from './lot'
import { lowStock, worthOf, worthOfAll } from './lot-value'

const things = (material: string, count: number, cut: number | null = null, layer = 'a'): Things => ({
  of: 'things',
  material,
  use: 'laid',
  layer,
  count,
  cut,
  spare: 0,
})
const ribbon = (length: number, count: number, joins = false): Lengths => ({
  of: 'lengths',
  material: 'ribbon-slate',
  use: 'loops',
  layer: 'bow',
  length,
  count,
  joins,
})
const base: Need = { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price: 600, width: 305 }
const glued = { layer: 'a', material: 'berry-spray', way: 'hot glue' } as Fixing
const piece = pieceWith([], { brief: { copies: 1, name: 'Old ring' } })
const parts = (needs: readonly Need[], of = piece) =>
  partsOff(of, needs, [glued], inches(6), shelf).map(({ material, count, cut, length, back, why }) => [
    material,
    count,
    length ?? cut,
    back,
    why,
  ])

describe('taking a piece apart', () => {
  it('what is fresh is wilted, what is glued stays glued, what is short is lost, the rest comes back as it is cut', () => {
    expect(
      parts([
        base,
        things('bay', 12),
        things('berry-spray', 3),
        things('berry-blue', 3, null, 'b'),
        things('sword-fern', 9, inches(7)),
        things('sword-fern', 4, inches(2)),
        things('sea-holly', 5),
        things('floral-pin', 20),
        things('zip-tie', 2),
      ]),
    ).toEqual([
      [baseLots('straw'), 1, 305, true, 'bare again'],
      ['bay', 12, null, false, 'wilted'],
      ['berry-spray', 3, null, false, 'glued for good'],
      ['berry-blue', 3, null, true, 'comes off whole'],
      ['sword-fern', 9, inches(7), true, 'comes off whole'],
      ['sword-fern', 4, inches(2), false, 'cut too short'],
      ['sea-holly', 5, null, true, 'brittle, but whole'],
      ['floral-pin', 20, null, true, 'comes off whole'],
      ['zip-tie', 2, null, false, 'used up'],
    ])
  })
  it('ribbon comes back by its lengths, from the least that is of use; wire is cut off', () => {
    expect(
      parts([ribbon(inches(20), 3), ribbon(inches(6), 1), ribbon(inches(5), 2), { ...ribbon(300, 1, true), material: 'paddle-wire' }]),
    ).toEqual([
      ['ribbon-slate', 3, inches(20), true, 'comes off whole'],
      ['ribbon-slate', 1, inches(6), true, 'comes off whole'],
      ['ribbon-slate', 2, inches(5), false, 'cut too short'],
      ['paddle-wire', 1, 300, false, 'cut off'],
    ])
  })
  it('counts every copy', () => {
    const two = { ...piece, brief: { ...piece.brief, copies: 2 } }
    expect(parts([things('berry-blue', 3, null, 'b')], two)).toEqual([['berry-blue', 6, null, true, 'comes off whole']])
  })
  it('goes back as lots that say where they are from: lengths one by one', () => {
    let n = 0
    const off = partsOff(piece, [base, things('sea-holly', 5), things('bay', 2), ribbon(inches(20), 2)], [], inches(6), shelf)
    const lots = lotsOff({ parts: off }, piece, '2026-11-01', () => `n${n++}`)
    expect(lots.every((lot) => LotSchema.safeParse(lot).success)).toBe(true)
    expect(lots.map(({ material, things: count, length, cut, condition }) => [material, count, length, cut, condition])).toEqual([
      [baseLots('straw'), 1, null, 305, 'good'],
      ['sea-holly', 5, null, null, 'worn'],
      ['ribbon-slate', null, inches(20), null, 'good'],
      ['ribbon-slate', null, inches(20), null, 'good'],
    ])
    expect(lots[0]).toMatchObject({
      source: { kind: 'piece', piece: 'test', name: 'Old ring' },
      day: '2026-11-01',
      paid: null,
      reserved: null,
    })
  })
  it('of a whole piece gives every kind of thing that it needs', () => {
    const ring = pieceWith([
      layerOf('a', 'sea-holly', { kind: 'compass', count: 9, start: 0 }),
      layerOf('b', 'bay', { kind: 'compass', count: 12, start: 0 }, { cut: inches(7) }),
    ])
    const { needs, fixings } = work(ring, shelf)
    const off = partsOff(ring, needs, fixings, inches(6), shelf)
    expect(new Set(off.map(({ material }) => material.replace('base:', '')))).toEqual(new Set(needs.map(({ material }) => material)))
  })
})

describe('what it is worth', () => {
  it('is what was paid, else its part of a pack, and nothing for what was found', () => {
    const { price, holds } = CATALOGUE['ivy']!.pack
    expect(worthOf(lotOf('a', 'ivy', { things: 3, paid: 55 }), shelf)).toBe(55)
    expect(worthOf(lotOf('a', 'ivy', { things: 3 }), shelf)).toBe(Math.round((price * 3) / holds))
    expect(worthOf(lotOf('a', 'ivy', { things: 3, source: { kind: 'found' } }), shelf)).toBe(0)
    // Half a roll of 360 in at 8.99.
    expect(worthOf(lotOf('a', 'ribbon-slate', { length: inches(180) }), shelf)).toBe(450)
    // A bare base as its bill says, in every usual size; a garland by its length.
    for (const kind of BOUGHT_KINDS)
      for (const { shape } of BASE_SORTS[kind].sizes) {
        const base = { ...usualBase(kind), shape }
        expect(worthOf(lotOf('a', baseLots(kind), { cut: askedSizeOf(base) }), shelf)).toBe(usualPrice(base))
      }
    expect(worthOfAll([lotOf('a', 'ivy', { paid: 5 }), lotOf('b', 'nothing', {})], shelf)).toBe(5)
  })
  it('small things run low when the plan leaves less than a quarter of a pack', () => {
    const pins = CATALOGUE['floral-pin'] as Material
    const lots = [
      lotOf('a', 'floral-pin', { things: pins.pack.holds }),
      lotOf('b', 'ivy', {}),
      lotOf('c', 'floral-pin', { things: 50, reserved: { piece: 'p', want: null } }),
    ]
    expect(lowStock(lots, new Map(), 0.25, shelf)).toEqual([])
    expect(
      lowStock(lots, new Map([['floral-pin', pins.pack.holds + 40]]), 0.25, shelf).map(({ material, left }) => [material.id, left]),
    ).toEqual([['floral-pin', 10]])
    // What a piece keeps is there until it is used: of a hundred ties that are all kept and of which ninety go in, ten are left.
    const kept = [lotOf('d', 'pipe-cleaner', { things: 100, reserved: { piece: 'p', want: null } })]
    expect(lowStock(kept, new Map([['pipe-cleaner', 20]]), 0.25, shelf)).toEqual([])
    expect(lowStock(kept, new Map([['pipe-cleaner', 90]]), 0.25, shelf).map(({ left }) => left)).toEqual([10])
  })
})

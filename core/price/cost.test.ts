import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arrange } from '../placement'
import { runsOf } from '../base'
import { needsOf } from '../constructions'
import type { Lengths, Things } from '../material'
import { CATALOGUE, piecesPerStem, pieceLength } from '../material'
import { inches, say, showSum } from '../measure'
import type { Piece } from '../piece'
import { edit } from '../piece'
import { lotOf } from '../stock'
import { benchOf, layerOf, pieceWith, plainPricing, shelf, shopOf } from '../testing'
import { billOf } from './bill'
import { lengthLine, materialLine, perCopy } from './cost-lines'
import { OVER_BUDGET } from './problems'

const bracken = CATALOGUE['bracken']!
const manner = { units: 'in', currency: 'USD' } as const
const laidOf = (piece: Piece) => arrange(piece, runsOf(piece.base), shelf)
const needs = (piece: Piece) => needsOf(piece, laidOf(piece), [], shelf)
const bill = (piece: Piece) =>
  billOf({ id: piece.id, needs: needs(piece), copies: piece.brief.copies, budget: piece.brief.budget }, plainPricing())
/** What all of it comes to, with what holds and hangs it. */
const whole = (piece: Piece) => benchOf(piece).bill
const problems = (piece: Piece) => benchOf(piece).problems.filter(({ id }) => id === OVER_BUDGET)
const things = (count: number, cut: number | null = null, spare = 0.1, material = 'bracken'): Things[] => [
  { of: 'things', material, use: 'laid', layer: 'a', count, cut, spare },
]
const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })

describe('materialLine', () => {
  it('rounds packs up over spare and copies', () => {
    const line = materialLine(bracken, things(16), { id: 'a', copies: 2 }, plainPricing())
    expect(line.stems.value).toBe(32)
    expect(line.spare.value).toBe(4)
    expect(line.packs.value).toBe(4)
    expect(line.left).toBe(8)
    expect(line.opened.value).toBe(4 * 899)
    expect(line.used.value).toBe(Math.round((4 * 899 * 32) / 40))
    expect(showSum(line.packs, manner)).toBe('(32 + 4 spare) ÷ 10 in a bunch, rounded up = 4')
  })
  it('cuts several pieces from a stem that may be divided', () => {
    const eucalyptus = CATALOGUE['eucalyptus']!
    expect(piecesPerStem(eucalyptus, inches(7))).toBe(3)
    expect(piecesPerStem(eucalyptus, inches(22))).toBe(1)
    expect(piecesPerStem(bracken, inches(2))).toBe(1)
    expect(pieceLength(bracken, inches(20))).toBe(bracken.length)
    const line = materialLine(eucalyptus, things(10, inches(7)), { id: 'a', copies: 1 }, plainPricing())
    expect(line.stems.value).toBe(4)
    expect(showSum(line.stems, manner)).toBe('10 × 1 copy ÷ 3 pieces a stem, rounded up = 4')
  })
  it('wants no spare of what does not break', () => {
    expect(materialLine(CATALOGUE['oar-sign']!, things(1, null, 0), { id: 'a', copies: 1 }, plainPricing()).spare.value).toBe(0)
    expect(
      needs(pieceWith([layerOf('a', 'oar-sign', { kind: 'single', at: 0, drop: 0 })])).map((need) => ('spare' in need ? need.spare : null)),
    ).toEqual([null, 0])
  })
  it('takes the offer at which this many cost least', () => {
    const two = plainPricing(shelf, { shops: [shopOf('small', 'bracken', [[4, 300]]), shopOf('large', 'bracken', [[50, 2000]])] })
    expect(materialLine(bracken, things(3, null, 0), { id: 'a', copies: 1 }, two)).toMatchObject({
      bought: [{ shop: 'small' }],
      packs: { value: 1 },
    })
    expect(materialLine(bracken, things(40, null, 0), { id: 'a', copies: 1 }, two)).toMatchObject({
      bought: [{ shop: 'large' }],
      packs: { value: 1 },
    })
    expect(materialLine(bracken, things(3), { id: 'a', copies: 1 }, plainPricing()).bought[0]!.shop).toBeNull()
  })
  it('never buys too little, nor a pack too many, nor uses more than it opens', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 800 }),
        fc.integer({ min: 1, max: 40 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (pieces, copies, spare) => {
          const line = materialLine(bracken, things(pieces, null, spare), { id: 'a', copies: copies }, plainPricing())
          const bought = line.packs.value * bracken.pack.holds
          const wanted = line.stems.value + line.spare.value
          expect(bought).toBeGreaterThanOrEqual(wanted)
          expect(bought - wanted).toBeLessThan(bracken.pack.holds)
          expect(line.used.value).toBeLessThanOrEqual(line.opened.value)
          expect(Number.isInteger(line.used.value)).toBe(true)
        },
      ),
    )
  })
})

describe('billOf', () => {
  it('adds its lines up to the cent, base first', () => {
    const piece = pieceWith(
      [
        layerOf('a', 'bracken', compass(12)),
        layerOf('b', 'bracken', compass(3)),
        layerOf('c', 'bow-slate', { kind: 'single', at: 0.5, drop: 0 }),
      ],
      { brief: { copies: 3, budget: 4000 } },
    )
    const { lines, opened, used, left, openedEach, room } = bill(piece)
    expect(lines.map(({ id }) => id)).toEqual(['base', 'bracken', 'bow-slate'])
    expect(lines[1]!.each.value).toBe(15)
    expect(opened.value).toBe(lines.reduce((sum, line) => sum + line.opened.value, 0))
    expect(left.value).toBe(opened.value - used.value)
    expect(openedEach.value).toBe(Math.ceil(opened.value / 3))
    expect(room!.value).toBe(4000 - openedEach.value)
  })
  it('takes the base’s own price, and no budget', () => {
    expect(bill(pieceWith([], { base: { price: 123 } }))).toMatchObject({ opened: { value: 123 }, room: null })
  })
  it('shares out so that no copy is dearer than said', () => {
    expect(perCopy(100, 3)).toBe(34)
    expect(perCopy(0, 4)).toBe(0)
  })
})

describe('costProblems', () => {
  const over = pieceWith([layerOf('a', 'bracken', compass(19))], { brief: { budget: 1500 } })
  it('is silent within the budget and without one', () => {
    expect(problems({ ...over, brief: { ...over.brief, budget: 99999 } })).toEqual([])
    expect(problems({ ...over, brief: { ...over.brief, budget: null } })).toEqual([])
  })
  it('says by how much it is over, and offers what saves a pack', () => {
    const [problem] = problems(over)
    expect(say(problem!.says, manner)).toBe(`Over the budget by $${((whole(over).opened.value - 1500) / 100).toFixed(2)}.`)
    // By hand: 19 + 2 take three bunches at 8.99, 18 + 2 take two.
    const [mend] = problem!.mends
    expect(say(mend!.says, manner)).toBe('1 bracken frond fewer saves $8.99')
    const mended = edit(over, mend!.edit!, 'mend')
    expect(mended.ok && whole(mended.change.piece).opened.value).toBe(whole(over).opened.value - 899)
  })
  it('offers to drop as few as save a pack, and no fewer', () => {
    // With a tenth that breaks, rounded up: 20 + 2 and 19 + 2 take three bunches of ten, 18 + 2 take two.
    const [mend] = problems(pieceWith([layerOf('a', 'bracken', compass(20))], { brief: { budget: 100 } }))[0]!.mends
    expect(say(mend!.says, manner)).toBe('2 bracken fronds fewer saves $8.99')
    expect(mend!.edit).toMatchObject({ set: { rule: { count: 18 } } })
  })
  it('says when only the whole packs are over', () => {
    const piece = pieceWith([layerOf('a', 'bracken', compass(2))], { brief: { budget: 800 } })
    expect(say(problems(piece)[0]!.says, manner)).toContain('what is used of them fits')
  })
})

describe('lengthLine', () => {
  const ribbon = CATALOGUE['ribbon-slate']!
  const bows = (count: number, length = 116): Lengths[] => [
    { of: 'lengths', layer: 'a', material: ribbon.id, use: 'bow', length: inches(length), count, joins: false },
  ]
  const stashed = (count: number) => plainPricing(shelf, { lots: [lotOf('l', ribbon.id, { things: count })] })
  it('opens the fewest rolls that the pieces can be cut from, over all copies', () => {
    const line = lengthLine(ribbon, bows(2), { id: 'a', copies: 2 }, plainPricing())
    // Three to a roll of 360 in, so four open a second, though all of them together are shorter than 1.3 rolls.
    expect(line.packs.value).toBe(2)
    expect(line.of).toBe('length')
    expect(line.stems).toMatchObject({ unit: 'length', value: inches(464) })
    expect(line.opened.value).toBe(2 * 899)
    expect(line.used.value).toBeGreaterThan(899)
    expect(line.used.value).toBeLessThan(1.31 * 899)
    expect(showSum(line.packs, manner)).toContain('the fewest of 360 in that its pieces can be cut from, 2 = 2')
  })
  it('takes what is in the house first: three bows of its roll, and one of a new one', () => {
    const line = lengthLine(ribbon, bows(4), { id: 'a', copies: 1 }, stashed(1))
    expect(line.packs.value).toBe(1)
    expect(line.stash.value).toBeCloseTo(3 * inches(116), 6)
    expect(lengthLine(ribbon, bows(4), { id: 'a', copies: 1 }, stashed(5))).toMatchObject({
      packs: { value: 0 },
      opened: { value: 0 },
      used: { value: 0 },
    })
  })
  it('buys where it costs least', () => {
    const shop = shopOf('s', ribbon.id, [
      [3, 900],
      [1, 400],
    ])
    expect(lengthLine(ribbon, bows(1), { id: 'a', copies: 1 }, plainPricing(shelf, { shops: [shop] })).opened.value).toBe(400)
    expect(lengthLine(ribbon, bows(9), { id: 'a', copies: 1 }, plainPricing(shelf, { shops: [shop] })).opened.value).toBe(900)
  })
  it('never opens fewer than the length alone would take', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30 }),
        fc.integer({ min: 1, max: 8 }),
        fc.double({ min: 10, max: 350, noNaN: true }),
        (count, copies, length) => {
          const line = lengthLine(ribbon, bows(count, length), { id: 'a', copies }, plainPricing())
          expect(line.packs.value).toBeGreaterThanOrEqual(Math.ceil((inches(length) * count * copies) / ribbon.length - 1e-6))
          expect(line.packs.value).toBe(Math.ceil((count * copies) / Math.floor(ribbon.length / inches(length) + 1e-9)))
        },
      ),
      { numRuns: 40 },
    )
  })
})

it('what was cut for another piece serves none but that one', () => {
  const material = CATALOGUE['ribbon-slate']!
  const bow: Lengths = { of: 'lengths', material: material.id, length: 900, count: 2, layer: 'a', use: 'bow', joins: false }
  const cutFor = (piece: string) => lotOf(`of ${piece}`, material.id, { length: 900, reserved: { piece, want: 'a:bow:0' } })
  const lineWith = (...pieces: string[]) =>
    lengthLine(material, [bow], { id: 'ours', copies: 1 }, { ...plainPricing(shelf), lots: pieces.map(cutFor) })
  expect([lineWith().stash.value, lineWith('theirs').stash.value, lineWith('ours').stash.value]).toEqual([0, 0, 900])
  expect([lineWith('theirs').parts[0], lineWith('ours').parts[0]]).toEqual([1800, 900])
})

import { describe, expect, it } from 'vitest'
import type { Lengths, Need, Things } from '../material'
import { CATALOGUE } from '../material'
import { deltaOf, inches, say } from '../measure'
import { billOf } from '../price'
import type { Lot } from '../stock'
import { baseLots, lotOf } from '../stock'
import { benchOf, layerOf, pieceWith, plainPricing, shelf, shopOf } from '../testing'
import { work } from '../workings'
import type { InHand, Plan, Workroom } from '.'
import { onBench, planWorkroom, rememberingBench } from '.'

const ribbon = CATALOGUE['ribbon-slate']!
const bow = (count: number, length = 116, layer = 'bow'): Lengths => ({
  of: 'lengths',
  material: ribbon.id,
  use: 'bow',
  layer,
  length: inches(length),
  count,
  joins: false,
})
const stems = (count: number): Things => ({ of: 'things', material: 'bracken', use: 'laid', layer: 'a', count, cut: null, spare: 0 })
const inHand = (id: string, needs: readonly Need[], copies = 1): InHand => ({ id, name: `Piece ${id}`, copies, needs })
const room = (pieces: readonly InHand[], set: Partial<Workroom> = {}): Workroom => ({ ...plainPricing(), pieces, list: [], ...set })
const rolls = (count: number): Lot => lotOf('rolls', ribbon.id, { things: count })
const oneCut = lotOf('c', ribbon.id, {
  length: inches(116),
  source: { kind: 'cut', from: null },
  reserved: { piece: 'a', want: 'bow:bow:0' },
})

function planned(workroom: Workroom, stop = false): Plan {
  const going = planWorkroom(workroom)
  let next = going.next()
  while (!next.done) next = going.next(stop)
  return next.value
}
const NOTHING = { alone: { opened: [0, 0], used: [0, 0] }, share: { opened: [0, 0], used: [0, 0] } }
const lineOf = (plan: Plan, id: string) => plan.materials.find((each) => each.id === id)!
const basesOf = (plan: Plan) => plan.materials.find(({ base }) => base)!

// By hand: a roll of 360 in gives three bows of 116 in and has 12 in over; a bunch holds 10 fronds for 8.99.
describe('one plan for all that is in hand', () => {
  it('two pieces that want a bow each share one roll: alone each opens one', () => {
    const plan = planned(room([inHand('a', [bow(1)]), inHand('b', [bow(2)])]))
    expect(lineOf(plan, ribbon.id)).toMatchObject({
      packs: { value: 1 },
      opened: { value: 899 },
      left: { value: expect.closeTo(inches(12), 1) },
    })
    // A third and two thirds of it, to the cent.
    const [a, b] = [plan.ledgers['a']!, plan.ledgers['b']!]
    expect([a.alone.opened, b.alone.opened, a.share.opened[1] + b.share.opened[1]]).toEqual([[899, 899], [899, 899], 899])
    expect(Math.abs(a.share.opened[1] - 899 / 3)).toBeLessThan(1)
    expect([plan.opened.value, plan.apart.value, plan.saved.value]).toEqual([899, 1798, 899])
  })
  it('two pieces share packs of stems: 6 and 4 fronds are one bunch', () => {
    const plan = planned(room([inHand('a', [stems(6)]), inHand('b', [stems(4)])]))
    expect(lineOf(plan, 'bracken')).toMatchObject({ packs: { value: 1 }, opened: { value: 899 }, left: { value: 0 } })
    expect(plan.saved.value).toBe(899)
  })
  it('what is in the house goes first, and no roll of it twice', () => {
    const plan = planned(room([inHand('a', [bow(3)]), inHand('b', [bow(3)])], { lots: [rolls(1)] }))
    // One roll is there and gives three; the other three open one. Each alone would open none.
    expect(lineOf(plan, ribbon.id)).toMatchObject({ packs: { value: 1 }, fromHouse: { value: expect.closeTo(3 * inches(116), 3) } })
    expect([plan.ledgers['a']!.alone.opened[1], plan.ledgers['b']!.alone.opened[1], plan.opened.value]).toEqual([0, 0, 899])
  })
  it('the bill of one piece and the plan of that piece alone agree, whatever is in the house', () => {
    for (const count of [0, 1, 2, 3]) {
      for (const bows of [1, 3, 4, 7]) {
        const lots = count ? [rolls(count)] : []
        const plan = planned(room([inHand('a', [bow(bows), stems(13)])], { lots }))
        const bill = billOf({ id: 'a', needs: [bow(bows), stems(13)], copies: 1, budget: null }, { ...plainPricing(), lots })
        expect([plan.opened.value, plan.saved.value], `${bows} bows, ${count} rolls`).toEqual([bill.opened.value, 0])
        expect(Math.abs(plan.used.value - bill.used.value), `${bows} bows, ${count} rolls`).toBeLessThanOrEqual(2)
        // Three to a roll.
        expect(lineOf(plan, ribbon.id).packs.value, `${bows} bows, ${count} rolls`).toBe(Math.max(0, Math.ceil(bows / 3) - count))
      }
    }
  })
  it('counts copies, each with a base of its own, and shares to the cent', () => {
    const base: Need = { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price: 649, width: 300 }
    const plan = planned(room([inHand('a', [base, stems(3)], 3), inHand('b', [base, stems(2)])]))
    expect(basesOf(plan)).toMatchObject({ needed: { value: 4 }, opened: { value: 4 * 649 }, taken: { a: 3, b: 1 } })
    expect(Object.values(plan.ledgers).reduce((sum, { share }) => sum + share.opened[1], 0)).toBe(plan.opened.value)
  })
  it('counts the lengths of every copy, and opens for what is longer than a roll as many as it takes', () => {
    // Two bows on each of three: six, three to a roll.
    const plan = planned(room([inHand('a', [bow(2)], 3)]))
    expect(lineOf(plan, ribbon.id)).toMatchObject({ packs: { value: 2 }, cutting: { wants: [{ count: 6 }] } })
    // 400 in of rolls of 360 in: the bill opens two, and says so.
    const [line] = billOf({ id: 'a', needs: [bow(1, 400)], copies: 1, budget: null }, plainPricing()).lines
    expect(say(line!.packs.sum, { units: 'in', currency: 'USD' })).toMatch(/, 2 = 2$/)
    expect(line!.packs.value).toBe(2)
  })
  it('takes stems that are in the house before it opens a bunch', () => {
    const fronds = (things: number): Lot => lotOf('fronds', 'bracken', { things })
    // 13 of bunches of ten: two. With seven in the house six are wanted, one bunch, and four of it are left.
    expect(lineOf(planned(room([inHand('a', [stems(13)])])), 'bracken')).toMatchObject({ packs: { value: 2 }, fromHouse: { value: 0 } })
    const plan = planned(room([inHand('a', [stems(13)])], { lots: [fronds(7)] }))
    expect(lineOf(plan, 'bracken')).toMatchObject({ packs: { value: 1 }, fromHouse: { value: 7 }, left: { value: 4 } })
    expect(lineOf(planned(room([inHand('a', [stems(13)])], { lots: [fronds(40)] })), 'bracken')).toMatchObject({ fromHouse: { value: 13 } })
  })
  it('what was cut for a piece is cut: it is wanted no more, and when its piece goes it can be cut again', () => {
    const alone = planned(room([inHand('a', [bow(1)])], { lots: [oneCut] }))
    expect([alone.opened.value, alone.ledgers['a'], lineOf(alone, ribbon.id).fromHouse.value]).toEqual([0, NOTHING, inches(116)])
    // One that is cut for another is not this one's.
    expect(billOf({ id: 'b', needs: [bow(1)], copies: 1, budget: null }, { ...plainPricing(), lots: [oneCut] }).opened.value).toBe(899)
    const served = lineOf(planned(room([inHand('a', [bow(2)])], { lots: [oneCut] })), ribbon.id)
    expect(served.cutting!.wants).toMatchObject([{ made: 1, count: 2, piece: 'Piece a' }])
    expect(served.cutting!.plan.rolls.flatMap(({ cuts }) => cuts)).toHaveLength(1)
    const gone = lineOf(planned(room([inHand('b', [bow(1, 100)])], { lots: [oneCut] })), ribbon.id)
    expect(gone.cutting!.over).toMatchObject([{ id: 'c' }])
    expect(gone.packs.value).toBe(0)
  })
  it('asks nothing of a piece for a roll that is opened for another, when its own is cut', () => {
    const plan = planned(room([inHand('a', [bow(1)]), inHand('b', [bow(1)])], { lots: [oneCut] }))
    expect([plan.ledgers['a']!.share.opened[1], plan.ledgers['b']!.share.opened[1]]).toEqual([0, 899])
  })
  it('opens as many rolls as the bill for what is longer than one', () => {
    const plan = planned(room([inHand('a', [bow(1, 400)])]))
    expect(lineOf(plan, ribbon.id)).toMatchObject({ packs: { value: 2 }, opened: { value: 2 * 899 } })
    expect([plan.ledgers['a']!.alone.opened, plan.ledgers['a']!.share.opened, plan.saved.value]).toEqual([[1798, 1798], [1798, 1798], 0])
  })
  it('with nothing in hand there is nothing to open, and the sums say so', () => {
    const { opened, apart, saved, materials, ledgers } = planned(room([]))
    expect([opened.value, apart.value, saved.value, materials, ledgers]).toEqual([0, 0, 0, [], {}])
    expect([opened, apart].map((each) => say(each.sum, { units: 'in', currency: 'USD' }))).toEqual(['$0.00', '$0.00'])
  })
  it('adds up what is opened by name, and leaves out what is free', () => {
    const plan = planned(room([inHand('a', [bow(1), stems(6)])], { lots: [rolls(1)] }))
    expect(say(plan.opened.sum, { units: 'in', currency: 'USD' })).toBe('bracken fronds $8.99 = $8.99')
  })
  it('what was cut stays cut when another layer comes before it', () => {
    const plan = planned(room([inHand('a', [bow(1, 40, 'winding'), bow(1)])], { lots: [oneCut] }))
    expect(lineOf(plan, ribbon.id).cutting).toMatchObject({ over: [], wants: [{ made: 0 }, { made: 1 }] })
  })
  it('takes the list of other pieces along, which is nobody’s share', () => {
    const plan = planned(room([], { list: [{ id: 'l', material: ribbon.id, use: 'Tail', length: inches(18), count: 2, joins: false }] }))
    expect(lineOf(plan, ribbon.id)).toMatchObject({ packs: { value: 1 }, taken: {}, cutting: { wants: [{ piece: null, use: 'Tail' }] } })
    expect(plan.opened.value).toBe(899)
  })
  it('what breaks is opened and not used, on the bill as in the plan: of ten with two spare, ten', () => {
    // Twelve are two bunches at 8.99; ten of twenty are used: 8.99.
    const spared: Things = { ...stems(10), spare: 0.2 }
    const plan = planned(room([inHand('a', [spared])]))
    const bill = billOf({ id: 'a', needs: [spared], copies: 1, budget: null }, plainPricing())
    expect([plan.opened.value, plan.used.value, bill.used.value]).toEqual([1798, 899, 899])
    expect(plan.ledgers['a']!.share).toEqual(plan.ledgers['a']!.alone)
    // What is in the house goes first: of three there seven are used of the packs.
    const lots = [lotOf('f', 'bracken', { things: 3 })]
    const less = planned(room([inHand('a', [spared])], { lots }))
    expect(less.used.value).toBe(billOf({ id: 'a', needs: [spared], copies: 1, budget: null }, { ...plainPricing(), lots }).used.value)
  })
  it('what is only listed is paid by nobody, also where a piece wants of the same roll', () => {
    // One bow of 116 in and a tail of 232 in are one roll: a third of it is the piece's.
    const plan = planned(
      room([inHand('a', [bow(1)])], { list: [{ id: 'l', material: ribbon.id, use: 'Tail', length: inches(232), count: 1, joins: false }] }),
    )
    expect([plan.opened.value, plan.ledgers['a']!.share.opened[1]]).toEqual([899, 300])
  })
  it('takes a roll of another length where that costs less, on the bill as in the plan', () => {
    const own = [{ id: 'short', material: ribbon.id, length: inches(120), price: 100 }]
    const plan = planned(room([inHand('a', [bow(2)])], { rolls: own }))
    expect([
      plan.opened.value,
      billOf({ id: 'a', needs: [bow(2)], copies: 1, budget: null }, { ...plainPricing(), rolls: own }).opened.value,
    ]).toEqual([200, 200])
  })
  it('prices rolls as the shops do, in packs of several', () => {
    const shop = shopOf('s', ribbon.id, [
      [3, 900],
      [1, 400],
    ])
    const plan = planned(room([inHand('a', [bow(9)])], { shops: [shop] }))
    expect(lineOf(plan, ribbon.id)).toMatchObject({ packs: { value: 3 }, opened: { value: 900 }, bought: [{ holds: 3, packs: 1 }] })
  })
  it('stopped, it still has a plan of every material, and says when what is longer than anything cannot be cut', () => {
    const plan = planned(
      room([inHand('a', [bow(7, 71), bow(5, 63, 'b'), bow(9, 47, 'c'), { ...bow(1, 400), material: 'ribbon-ochre' }])]),
      true,
    )
    expect(lineOf(plan, ribbon.id).cutting!.plan.short).toEqual([])
    expect(lineOf(plan, 'ribbon-ochre').cutting!.plan.short).toMatchObject([{ count: 1 }])
  })
  it('what is kept for a piece is for it alone: three rolls kept for the one leave the other to buy', () => {
    const kept = lotOf('kept', ribbon.id, { things: 3, reserved: { piece: 'a', want: null } })
    const plan = planned(room([inHand('a', [bow(3)]), inHand('b', [bow(3)])], { lots: [kept] }))
    expect(lineOf(plan, ribbon.id)).toMatchObject({
      packs: { value: 1 },
      toBuy: 1,
      fromHouse: { value: expect.closeTo(3 * inches(116), 3) },
    })
    expect([plan.ledgers['a']!.share.opened, plan.ledgers['b']!.share.opened]).toEqual([
      [0, 0],
      [899, 899],
    ])
    expect(plan.ledgers['b']!.alone.opened).toEqual([899, 899])
    // What it keeps and what is longer than that: a fourth bow opens a roll, and is its own to pay.
    const more = planned(room([inHand('a', [bow(10)])], { lots: [kept] }))
    expect([lineOf(more, ribbon.id).toBuy, more.ledgers['a']!.share.opened[1]]).toEqual([1, 899])
  })
  it('what stems a piece keeps takes no part of the packs, its spare with it', () => {
    const lots = [lotOf('kept', 'bracken', { things: 12, reserved: { piece: 'a', want: null } })]
    const spared = (count: number): Things => ({ ...stems(count), spare: 0.1 })
    // Ten and one that breaks are kept, and one more; the other's ten want eleven: two bunches, less the one that is over.
    const plan = planned(room([inHand('a', [spared(10)]), inHand('b', [spared(10)])], { lots }))
    expect(lineOf(plan, 'bracken')).toMatchObject({ toBuy: 10, packs: { value: 1 } })
    expect([plan.ledgers['a']!.share.opened[1], plan.ledgers['b']!.share.opened[1]]).toEqual([0, 899])
  })
  it('what is cut already serves what is as short, before a bunch is opened', () => {
    const lots = [lotOf('cut', 'bracken', { things: 5, cut: 200 })]
    const short = (cut: number): Things => ({ ...stems(8), cut })
    expect(lineOf(planned(room([inHand('a', [short(150)])], { lots })), 'bracken')).toMatchObject({ toBuy: 3, fromHouse: { value: 5 } })
    expect(lineOf(planned(room([inHand('a', [short(250)])], { lots })), 'bracken')).toMatchObject({ toBuy: 8, fromHouse: { value: 0 } })
    // Of two copies sixteen are wanted, of which twelve are there.
    const twelve = [lotOf('cut', 'bracken', { things: 12, cut: 200 })]
    expect(lineOf(planned(room([inHand('a', [short(150)], 2)], { lots: twelve })), 'bracken')).toMatchObject({
      toBuy: 4,
      fromHouse: { value: 12 },
    })
    expect(
      billOf({ id: 'a', needs: [short(150)], copies: 1, budget: null }, { ...plainPricing(), lots }).lines.map(({ stems: n, stash }) => [
        n.value,
        stash.value,
      ]),
    ).toEqual([[3, 5]])
  })
  it('takes a bare base of the house for each piece that it fits, and no base twice', () => {
    const base: Need = { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price: 649, width: 305 }
    const lots = [lotOf('b', baseLots('straw'), { things: 2, cut: 300 }), lotOf('c', baseLots('straw'), { things: 9, cut: 500 })]
    const plan = planned(room([inHand('a', [base]), inHand('b', [base]), inHand('c', [base])], { lots }))
    expect(basesOf(plan)).toMatchObject({ fromHouse: { value: 2 }, packs: { value: 1 }, opened: { value: 649 } })
    expect(plan.ledgers['c']!.alone.opened).toEqual([0, 0])
  })
  it('has both ledgers with their ranges and the tax of the place: 8.99 less 40 to 50 % is 4.50 to 5.39', () => {
    const off = { kind: 'off' as const, share: [0.4, 0.5] as [number, number], from: null, until: null }
    const shops = [shopOf('s', 'bracken', [[10, 899, [off]]])]
    const plan = planned(
      room([inHand('a', [stems(4)]), inHand('b', [stems(1)])], { shops, tax: { share: 0.1, by: 'bill', included: false, known: true } }),
    )
    // With a tenth of tax 4.95 to 5.93; five of ten are used; four fifths are the one's.
    expect([plan.opened.range, plan.tax!.value]).toEqual([[495, 593], 54])
    expect(plan.ledgers['a']!.share.opened[0] + plan.ledgers['b']!.share.opened[0]).toBe(495)
    expect(plan.ledgers['a']!.share.opened[1] + plan.ledgers['b']!.share.opened[1]).toBe(593)
    expect(plan.ledgers['a']!.share.opened[1]).toBe(474)
    expect(Math.abs(plan.used.value - 593 / 2)).toBeLessThan(2)
  })
  it('is plain data', () => {
    const plan = planned(room([inHand('a', [bow(1), stems(2)])]))
    expect(structuredClone(plan)).toEqual(plan)
  })
})

describe('needs', () => {
  const piece = pieceWith([
    layerOf('a', 'heather', { kind: 'compass', count: 10, start: 0 }),
    layerOf('b', ribbon.id, {
      kind: 'bow',
      at: 0.5,
      means: 'visible',
      ribbons: [{ build: 'folded', loop: inches(4), tail: inches(8), strip: 0 }],
      ends: 'v',
      hem: 0,
      tied: 'paddle-wire',
      fixes: false,
    }),
  ])
  it('are all that one copy takes, each by what it is for: base, stems with spare, ribbon, tie and cord', () => {
    const { needs, tasks } = work(piece, shelf)
    expect(needs.map(({ of, material, use, layer, count }) => [of, material, use, layer, count])).toEqual([
      ['base', 'grapevine', 'base', 'base', 1],
      ['things', 'heather', 'laid', 'a', 10],
      ['lengths', ribbon.id, 'bow loops', 'b', 1],
      ['lengths', ribbon.id, 'bow tails', 'b', 1],
      ['lengths', 'paddle-wire', 'tie of the bow', 'b', 1],
      ['things', 'stem-wire-20', 'fixing', 'b', 2],
      ['lengths', 'jute-twine', 'hanger', 'base', 1],
      ['things', 'wall-nail', 'hook', 'base', 1],
    ])
    // Each belongs to one task.
    expect(tasks.flatMap((task) => task.needs).length).toBe(needs.length)
    expect(tasks.find(({ id }) => id === 'hang')!.needs.map(({ use }) => use)).toEqual(['hanger', 'hook'])
    expect(new Set(tasks.map(({ id }) => id)).size).toBe(tasks.length)
  })
})

describe('a piece on the bench', () => {
  const piece = pieceWith([layerOf('a', 'bracken', { kind: 'compass', count: 19, start: 0 })], { brief: { budget: 1500 } })
  it('has its problems with its budget among the others, worst first', () =>
    expect(benchOf(piece).problems.map(({ id }) => id)).toContain('over budget'))
  it('remembered, it is what it would be afresh: nudged, with another budget, with more in the house', () => {
    const remembering = rememberingBench()
    const pricing = plainPricing()
    const more = {
      ...pricing,
      lots: [lotOf('f', 'bracken', { things: 30 })],
    }
    const nudged = {
      ...piece,
      layers: [{ ...piece.layers[0]!, nudges: { 3: { along: 9, across: 0, turn: 0, lift: 0, trim: null, pinned: false } } }],
    }
    for (const [of, by] of [
      [piece, pricing],
      [nudged, pricing],
      [{ ...nudged, brief: { ...piece.brief, budget: null } }, pricing],
      [{ ...piece, brief: { ...piece.brief, budget: null, copies: 3 } }, pricing],
      [{ ...piece, brief: { ...piece.brief, budget: null, copies: 3 } }, more],
    ] as const) {
      expect(deltaOf(remembering(of, by), onBench(work(of, by.shelf), of, by))).toBe(0)
    }
  })
})

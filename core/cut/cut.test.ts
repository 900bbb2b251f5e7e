import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { packBest } from './knapsack'
import type { Stock, Want } from './cutting-job'
import { JOIN_LAP } from './cutting-job'
import { planCuts, planning } from './plan'
import { reckon } from './match-cut-pieces'
import { fewestRolls, houseStock, newRoll, otherRoll } from './new-rolls'

const want = (id: string, length: number, count = 1, joins = false): Want => ({ id, length, count, joins })
const roll = (length: number, price = 500, id = 'roll'): Stock => ({ from: 'roll', id, length, price, supply: null })
const offcut = (id: string, length: number): Stock => ({ from: 'house', id, length, price: 0, supply: 1 })

describe('the knapsack', () => {
  it('packs the best within the room and the counts', () => {
    expect(
      packBest(
        [
          { size: 5, worth: 6, most: 9 },
          { size: 3, worth: 3.5, most: 2 },
        ],
        13,
      ),
    ).toEqual({ counts: [2, 1], worth: 15.5 })
    expect(packBest([{ size: 20, worth: 6, most: 9 }], 13)).toEqual({ counts: [0], worth: 0 })
    expect(packBest([], 13).worth).toBe(0)
  })
})

describe('a cutting plan', () => {
  it('takes offcuts first, longest pieces first, and keeps the longest rest', () => {
    const plan = planCuts({ wants: [want('tail', 450, 2), want('loop', 300, 4)], stocks: [roll(2000), offcut('end', 480)], least: 100 })
    expect(plan.rolls.map(({ stock }) => stock)).toEqual(['end', 'roll'])
    expect(plan.rolls[0]!.cuts.map(({ want: of }) => of)).toEqual(['tail'])
    expect(plan.rolls[1]!.cuts.map(({ length }) => length)).toEqual([450, 300, 300, 300, 300])
    expect([plan.cost, plan.proven, plan.rolls[1]!.rest]).toEqual([500, true, 350])
    expect([plan.opened, plan.kept, plan.rolls.map(({ usable }) => usable)]).toEqual([1, 350, [false, true]])
  })
  it('buys the cheapest, not the fewest', () => {
    const plan = planCuts({ wants: [want('a', 900, 3)], stocks: [roll(3000, 2000, 'long'), roll(1000, 300, 'short')], least: 100 })
    expect(plan.rolls.map(({ stock }) => stock)).toEqual(['short', 'short', 'short'])
    expect(plan.cost).toBe(900)
  })
  it('gathers what is over on one roll: nothing of it goes into another’s rest, nor in place of something shorter', () => {
    const gathered = (wants: Want[], stocks: Stock[], steps: number) => {
      const going = planning({ wants, stocks, least: 100 })
      let next = going.next()
      for (let i = 0; !next.done; i++) next = going.next(i >= steps)
      const { rolls } = next.value
      const keep = rolls.reduce((best, each) => (each.rest > best.rest ? each : best))
      for (const other of rolls.filter((each) => each !== keep)) {
        for (const { length } of keep.cuts) {
          expect(length).toBeGreaterThan(other.rest)
          for (const shorter of other.cuts.filter((each) => each.length < length))
            expect(length - shorter.length).toBeGreaterThan(other.rest)
        }
      }
    }
    const stocks = [roll(2000), roll(3300, 800, 'long'), { ...offcut('end', 1500), supply: 2 }]
    const mixed = [1200, 1200, 1050, 1125, 1525, 1525, 1525, 1775, 375, 325, 100]
    const counts = [7, 9, 2, 8, 6, 6, 1, 9, 2, 3, 8]
    gathered(
      mixed.map((length, i) => want(String(i), length, counts[i])),
      stocks,
      Infinity,
    )
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 4, max: 73 }), fc.integer({ min: 1, max: 9 })), { minLength: 3, maxLength: 14 }),
        fc.integer({ min: 0, max: 12 }),
        (wants, steps) =>
          gathered(
            wants.map(([length, count], i) => want(String(i), 25 * length, count)),
            stocks,
            steps,
          ),
      ),
      { numRuns: 300 },
    )
  })
  it('calls a plan proven only where it costs no more than its floor', () => {
    // 3 × 1,900 + 2 × 1,500 + 2 × 600 = 9,900, under five rolls of 2,000; but 1,900 leaves too little for anything else.
    const plan = planCuts({ wants: [want('a', 1900, 3), want('wrap', 1500, 2, true), want('b', 600, 2)], stocks: [roll(2000)], least: 100 })
    expect([plan.floor, plan.cost, plan.proven]).toEqual([2500, 3000, false])
  })
  it('says what is longer than every roll, and plans the rest', () => {
    const plan = planCuts({ wants: [want('long', 2500), want('a', 500, 2)], stocks: [roll(2000)], least: 100 })
    expect(plan.short).toEqual([{ want: 'long', count: 1 }])
    expect(plan.rolls).toHaveLength(1)
    expect(planCuts({ wants: [want('a', 500, 3)], stocks: [], least: 100 }).short).toEqual([{ want: 'a', count: 3 }])
    expect(planCuts({ wants: [want('a', 500, 3)], stocks: [offcut('one', 1200)], least: 100 }).short).toEqual([{ want: 'a', count: 1 }])
  })
  it('joins what may be joined, each join lapping', () => {
    const plan = planCuts({ wants: [want('wrap', 2500, 1, true)], stocks: [roll(2000)], least: 100 })
    const cuts = plan.rolls.flatMap(({ cuts: own }) => own)
    expect(cuts.map(({ part }) => part)).toEqual([true, true])
    expect(cuts.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(2500 + JOIN_LAP)
    expect(plan.short).toEqual([])
  })
  it('joins nothing that need not be joined, and takes what is in the house first', () => {
    expect(planCuts({ wants: [want('wrap', 500, 1, true)], stocks: [offcut('end', 1000), roll(2000)], least: 100 })).toMatchObject({
      cost: 0,
      opened: 0,
      rolls: [{ stock: 'end' }],
    })
    const three = planCuts({ wants: [want('wrap', 1900, 3, true)], stocks: [roll(2000), roll(6000, 900, 'long')], least: 100 })
    expect([three.cost, three.proven, three.rolls.flatMap(({ cuts }) => cuts).some(({ part }) => part)]).toEqual([900, true, false])
    // Joined, three of 1,300 come out of two rolls of 2,000; whole they take three.
    const thrift = planCuts({ wants: [want('wrap', 1300, 3, true)], stocks: [roll(2000)], least: 100 })
    expect(thrift.cost).toBe(1000)
    for (const [wants, stocks] of [
      [[want('wrap', 2100, 1, true)], [roll(2000)]],
      [[want('wrap', 3900, 2, true)], [roll(2000), offcut('a', 300)]],
    ] as const) {
      const plan = planCuts({ wants, stocks, least: 100 })
      expect(plan.short).toEqual([])
      for (const { length } of plan.rolls.flatMap(({ cuts }) => cuts)) expect(length).toBeGreaterThanOrEqual(150 - 1e-6)
    }
  })
  it('proves nothing of a plan that leaves something out, and takes a roll at no price for nothing', () => {
    expect(planCuts({ wants: [want('long', 2500), want('a', 500, 2)], stocks: [roll(2000)], least: 100 }).proven).toBe(false)
    expect(planCuts({ wants: [want('a', 500, 3)], stocks: [roll(2000, 0)], least: 100 })).toMatchObject({
      cost: 0,
      opened: 1,
      proven: true,
    })
    expect(planCuts({ wants: [want('a', 500, 9)], stocks: [roll(2000, 0)], least: 100 })).toMatchObject({ cost: 0, opened: 3 })
  })
  it('keeps the longest rest of many pieces by moving them', () => {
    // Two rolls of 1,000 take 70 pieces of 20 with room to spare: all of the spare on one of them.
    const plan = planCuts({ wants: [want('a', 20, 70)], stocks: [roll(1000)], least: 100 })
    expect([plan.opened, plan.kept]).toEqual([2, 600])
  })
  it('gives nothing for nothing', () => {
    expect(planCuts({ wants: [], stocks: [roll(2000)], least: 100 })).toEqual({
      rolls: [],
      opened: 0,
      kept: 0,
      cost: 0,
      floor: 0,
      proven: true,
      short: [],
    })
    expect(planCuts({ wants: [want('a', 500, 0)], stocks: [roll(2000)], least: 100 }).rolls).toEqual([])
  })
  it('plans two thousand pieces, and can be stopped with the best so far and its bound', () => {
    const wants = Array.from({ length: 40 }, (_, i) => want(`w${i}`, 150 + i * 37, 50))
    const steps = planning({ wants, stocks: [roll(9144)], least: 100 })
    let next = steps.next()
    for (let i = 0; i < 3 && !next.done; i++) next = steps.next()
    if (!next.done) next = steps.next(true)
    expect(next.done).toBe(true)
    const plan = next.value as ReturnType<typeof planCuts>
    expect(plan.rolls.flatMap(({ cuts }) => cuts)).toHaveLength(2000)
    expect(plan.cost).toBeGreaterThanOrEqual(plan.floor)
    expect(plan.floor).toBeGreaterThan(plan.cost * 0.9)
  })
})

describe('what is cut already', () => {
  it('is taken off what is wanted while it fits', () => {
    const cut = [
      { id: '1', want: 'tail', length: 450 },
      { id: '2', want: 'tail', length: 450 },
      { id: '3', want: 'gone', length: 200 },
    ]
    expect(reckon([want('tail', 450, 3)], cut)).toMatchObject({ left: [{ id: 'tail', count: 1 }], over: [{ id: '3' }] })
    const changed = reckon([want('tail', 400, 3)], cut)
    expect(changed.left).toEqual([want('tail', 400, 3)])
    expect(
      houseStock(changed.over)
        .map(({ length }) => length)
        .sort(),
    ).toEqual([200, 450, 450])
    expect(
      reckon([want('tail', 450, 1)], cut)
        .over.map(({ id }) => id)
        .sort(),
    ).toEqual(['2', '3'])
  })
  it('counts parts of joined pieces by their length', () => {
    const parts = [
      { id: '1', want: 'wrap', length: 700 },
      { id: '2', want: 'wrap', length: 500 },
    ]
    // By hand: 700 of 1,000 leaves 300 and a lap of 25; 500 begins the other, which leaves 525.
    expect(reckon([want('wrap', 1000, 2, true)], parts).left.map(({ length }) => length)).toEqual([325, 525])
    expect(reckon([want('wrap', 1000, 1, true)], parts)).toMatchObject({ left: [], over: [] })
    const of = (...lengths: number[]) => lengths.map((length, i) => ({ id: String(i), want: 'wrap', length }))
    expect(reckon([want('wrap', 2500, 2, true)], of(2000, 525)).left).toEqual([want('wrap', 2500, 1, true)])
    expect(reckon([want('wrap', 2500, 1, true)], of(2000)).left).toEqual([want('wrap', 525, 1, true)])
    expect(reckon([want('wrap', 2500, 1, true)], of(2000, 525))).toMatchObject({ left: [], over: [] })
    expect(reckon([want('wrap', 300, 1, true)], of(300, 300)).over).toHaveLength(1)
  })
})

describe('one roll of a plan', () => {
  const wants = [want('short', 300), want('long', 400), want('least', 100)]
  const planned = (least: number) => planCuts({ wants, stocks: [roll(1000)], least }).rolls[0]!
  it('is cut from the longest to the shortest', () => expect(planned(50).cuts.map(({ length }) => length)).toEqual([400, 300, 100]))
  it('leaves a rest that is of use from just the length that is', () => {
    expect(planned(200)).toMatchObject({ rest: 200, usable: true })
    expect(planned(200.1)).toMatchObject({ rest: 200, usable: false })
  })
})

describe('rolls that a shop has', () => {
  it('are told from what lies in the house, whatever either is called', () => {
    const stocks = [
      ...houseStock([{ id: 'x', length: 700 }]),
      newRoll({ length: 500 }, 200),
      otherRoll({ id: 'x', length: 1000, price: 300 }),
    ]
    const { rolls, opened, cost } = planCuts({ wants: [want('a', 690), want('b', 490), want('c', 990)], stocks, least: 100 })
    expect(rolls.map(({ from, length }) => [from, length])).toEqual([
      ['house', 700],
      ['other roll', 1000],
      ['roll', 500],
    ])
    expect([opened, cost]).toEqual([2, 500])
  })
  it('the fewest of one length is what the plan opens', () => {
    const wants = [
      { length: 700, count: 3, joins: false },
      { length: 300, count: 4, joins: false },
    ]
    expect(fewestRolls(1000, wants)).toBe(4)
    expect(fewestRolls(1000, wants)).toBe(4)
    expect(fewestRolls(1000, [{ length: 250, count: 8, joins: false }])).toBe(2)
    expect(fewestRolls(1000, [])).toBe(0)
  })
})

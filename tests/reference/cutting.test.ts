import { tries } from '../amount'
import fc from 'fast-check'
import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import type { CutJob, CutPlan } from '../../core/cut'
import { JOIN_LAP, planCuts, houseStock, otherRoll } from '../../core/cut'
import { random } from '../../core/measure'

/**
 * Source: HiGHS (registry), which solves the cutting problem written as an integer program over every way that each
 * stock can be cut. It shares nothing with our planner but the question.
 */
const highs = await highsLoader()

function waysToCut(lengths: readonly number[], room: number): number[][] {
  const ways: number[][] = []
  const counts = lengths.map(() => 0)
  const from = (i: number, rest: number): void => {
    if (i === lengths.length) {
      ways.push([...counts])
      return
    }
    for (let n = Math.floor(rest / lengths[i]!); n >= 0; n--) {
      counts[i] = n
      from(i + 1, rest - n * lengths[i]!)
    }
    counts[i] = 0
  }
  from(0, room)
  return ways
}

function leastCost({ wants, stocks }: CutJob): number {
  const columns = stocks.flatMap((stock, k) =>
    waysToCut(
      wants.map(({ length }) => length),
      stock.length,
    ).map((counts, p) => ({ name: `x${k}_${p}`, k, counts, price: stock.price })),
  )
  const total = (terms: readonly (readonly [number, string])[]): string => terms.map(([n, name]) => `${n} ${name}`).join(' + ')
  const program = [
    'Minimize',
    ` cost: ${total(columns.filter(({ price }) => price > 0).map(({ price, name }) => [price, name]))}`,
    'Subject To',
    ...wants.map(
      ({ count }, i) =>
        ` want${i}: ${total(columns.filter(({ counts }) => counts[i]! > 0).map(({ counts, name }) => [counts[i]!, name]))} >= ${count}`,
    ),
    ...stocks.flatMap(({ supply }, k) =>
      supply === null ? [] : [` supply${k}: ${total(columns.filter((each) => each.k === k).map(({ name }) => [1, name]))} <= ${supply}`],
    ),
    'General',
    ` ${columns.map(({ name }) => name).join(' ')}`,
    'End',
  ].join('\n')
  const { Status, ObjectiveValue } = highs.solve(program, { mip_rel_gap: 0 })
  expect(Status).toBe('Optimal')
  return Math.round(ObjectiveValue)
}

/** Every piece is cut, from rolls that are there, and none is cut from more than it has. */
function expectSound({ wants, stocks }: CutJob, plan: CutPlan): void {
  for (const roll of plan.rolls) {
    const { length } = stocks.find(({ id }) => id === roll.stock)!
    const cut = roll.cuts.reduce((sum, each) => sum + each.length, 0)
    expect(cut).toBeLessThanOrEqual(length + 0.051 * roll.cuts.length)
    expect(Math.abs(roll.rest - Math.max(0, length - cut))).toBeLessThan(0.051 * (roll.cuts.length + 1))
  }
  for (const { id, supply } of stocks)
    if (supply !== null) expect(plan.rolls.filter(({ stock }) => stock === id).length).toBeLessThanOrEqual(supply)
  for (const { id, length, count, joins } of wants) {
    const cuts = plan.rolls.flatMap(({ cuts: own }) => own).filter(({ want }) => want === id)
    if (!joins) expect(cuts.map((each) => each.length)).toEqual(Array.from({ length: count }, () => length))
    else expect(cuts.reduce((sum, each) => sum + each.length, 0)).toBeCloseTo(length * count + JOIN_LAP * (cuts.length - count), 1)
  }
}

/** The least cost, and the longest rest of use among plans at that cost: every piece is tried in every open roll and in a new one of each kind. */
function bruteForce({ wants, stocks, least }: CutJob): { readonly cost: number; readonly kept: number } {
  const pieces = wants.flatMap(({ length, count }) => Array.from({ length: count }, () => length)).sort((a, b) => b - a)
  let best = { cost: Infinity, kept: 0 }
  const open: { readonly stock: number; rest: number }[] = []
  const from = (i: number, cost: number): void => {
    if (cost > best.cost) return
    if (i === pieces.length) {
      const kept = Math.max(0, ...open.map(({ rest }) => (rest >= least ? rest : 0)))
      if (cost < best.cost || kept > best.kept) best = { cost, kept }
      return
    }
    for (const roll of open) {
      if (roll.rest < pieces[i]!) continue
      roll.rest -= pieces[i]!
      from(i + 1, cost)
      roll.rest += pieces[i]!
    }
    stocks.forEach(({ length, price, supply }, stock) => {
      if (length < pieces[i]! || (supply !== null && open.filter((roll) => roll.stock === stock).length >= supply)) return
      open.push({ stock, rest: length - pieces[i]! })
      from(i + 1, cost + price)
      open.pop()
    })
  }
  from(0, 0)
  return best
}

const job = (wants: readonly (readonly [length: number, count: number])[], stocks: CutJob['stocks']): CutJob => ({
  wants: wants.map(([length, count], i) => ({ id: `w${i}`, length, count, joins: false })),
  stocks,
  least: 50,
})

describe('the cutting plan is the true minimum', () => {
  it('takes 73 rolls for the published paper-roll instance', () => {
    // Source: the paper mill example of the cutting-stock literature (Gilmore and Gomory’s method), as in the trade notes of this project.
    const widths = [1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200]
    const wanted = [22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20]
    const paper = job(
      widths.map((width, i) => [width, wanted[i]!]),
      [{ from: 'roll', id: 'roll', length: 5600, price: 1, supply: null }],
    )
    const plan = planCuts(paper)
    expect([plan.rolls.length, plan.cost, plan.floor, plan.proven]).toEqual([73, 73, 73, true])
    expectSound(paper, plan)
  })

  const kinds = ['one roll', 'rolls of several lengths and prices', 'offcuts first'] as const
  it.each(kinds.flatMap((kind) => Array.from({ length: tries(15, 8) }, (_, i) => [kind, i + 1] as const)))(
    '%s, random instance %i: as cheap as the integer program',
    (kind, seed) => {
      const { between, below } = random(seed * 7919 + kinds.indexOf(kind))
      const roll = Math.round(between(1500, 4000))
      const stocks: CutJob['stocks'][number][] = [{ from: 'roll', id: 'roll', length: roll, price: 500, supply: null }]
      if (kind === 'rolls of several lengths and prices')
        stocks.push(
          { from: 'roll', id: 'long', length: roll * 2, price: Math.round(between(700, 1050)), supply: null },
          { from: 'roll', id: 'short', length: Math.round(roll * 0.6), price: Math.round(between(280, 420)), supply: null },
        )
      if (kind === 'offcuts first')
        for (let i = 0; i < 3; i++)
          stocks.push({ from: 'house', id: `left${i}`, length: Math.round(between(300, roll)), price: 0, supply: 1 })
      const shortest = kind === 'rolls of several lengths and prices' ? 0.3 : 0.12
      const wants = Array.from({ length: 3 + below(3) }, () => [Math.round(between(shortest, 0.58) * roll), 1 + below(9)] as const)
      const one = job(wants, stocks)
      const plan = planCuts(one)
      expectSound(one, plan)
      expect(plan.short).toEqual([])
      expect(plan.cost).toBe(leastCost(one))
      expect(plan.proven).toBe(true)
    },
  )

  // Source: brute force over every way to part the pieces among rolls.
  it('keeps the longest usable rest of all plans that cost as little', () => {
    for (let seed = 1; seed <= tries(12, 8); seed++) {
      const { between, below } = random(seed * 31 + 7)
      const stocks: CutJob['stocks'][number][] = [
        { from: 'roll', id: 'roll', length: 2000, price: 500, supply: null },
        ...(seed % 3 ? [] : houseStock([{ id: 'end', length: Math.round(between(400, 1500)) }])),
        ...(seed % 4 ? [] : [otherRoll({ id: 'long', length: 3500, price: 800 })]),
      ]
      const one = {
        ...job(
          Array.from({ length: 3 }, () => [Math.round(between(250, 1300)), 1 + below(2)] as const),
          stocks,
        ),
        least: 100,
      }
      const plan = planCuts(one)
      expectSound(one, plan)
      const best = bruteForce(one)
      expect([plan.cost, Math.round(plan.kept)], `seed ${seed}`).toEqual([best.cost, Math.round(best.kept)])
    }
  })

  it('never costs less than its floor, whatever is asked of it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 40, max: 3500 }), fc.integer({ min: 0, max: 40 }), fc.boolean()), { maxLength: 9 }),
        fc.array(
          fc.tuple(fc.integer({ min: 100, max: 9144 }), fc.integer({ min: 0, max: 900 }), fc.option(fc.integer({ min: 0, max: 3 }))),
          { minLength: 1, maxLength: 4 },
        ),
        (wanted, kept) => {
          const one: CutJob = {
            wants: wanted.map(([length, count, joins], i) => ({ id: `w${i}`, length, count, joins })),
            stocks: kept.map(([length, price, supply], i) => ({
              from: supply === null ? 'roll' : 'house',
              id: `s${i}`,
              length,
              price,
              supply,
            })),
            least: 50,
          }
          const plan = planCuts(one)
          if (!plan.short.length) expect(plan.floor).toBeLessThanOrEqual(plan.cost + 1e-6)
          for (const { rest, cuts } of plan.rolls) {
            expect(rest).toBeGreaterThanOrEqual(0)
            for (const { length } of cuts) expect(Number.isFinite(length) && length > 0).toBe(true)
          }
          if (!plan.short.length) expectSound(one, plan)
        },
      ),
      { numRuns: tries(25), seed: 20 },
    )
  })
})

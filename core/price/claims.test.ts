import { describe, expect, it } from 'vitest'
import type { BareBase, Need, Things } from '../material'
import { say } from '../measure'
import type { Claim } from '../piece'
import { lotOf } from '../stock'
import { plainPricing, shelf, shopOf } from '../testing'
import { claimSaid, conditionSaid, judge } from './claims'
import type { Pricing } from './cost-lines'
import { dealsOf } from './deals'
import { billOf } from './bill'
import type { Reduction } from './reduction'
import { UNKNOWN_TAX } from './tax'

const manner = { units: 'in', currency: 'USD' } as const
const base: BareBase = { of: 'base', material: 'straw', use: 'base', layer: 'base', count: 1, name: 'straw ring', price: 600, width: 300 }
const bay = (count: number): Things => ({ of: 'things', material: 'bay', use: 'laid', layer: 'a', count, cut: null, spare: 0 })
const off = (least: number, most = least): Reduction => ({ kind: 'off', share: [least, most], from: null, until: null })
/** Bay in bunches of 8 at 9.00. */
const pricing = (reductions: readonly Reduction[] = [], set: Partial<Pricing> = {}): Pricing =>
  plainPricing(shelf, { shops: [shopOf('netherby', 'bay', [[8, 900, reductions]])], ...set })
const claim = (set: Partial<Claim>): Claim => ({
  id: 'c',
  kind: 'under',
  amount: 2500,
  of: 'each',
  ledger: 'opened',
  copies: null,
  lines: null,
  off: null,
  ...set,
})
const judged = (set: Partial<Claim>, by: Pricing, needs: readonly Need[] = [base, bay(16)], copies = 1) =>
  judge(claim(set), { id: 'p', copies, needs, budget: null }, by)
const condition = (of: ReturnType<typeof judged>, kind: string, line?: string) =>
  of.conditions.find((each) => each.of === kind && (line === undefined || ('line' in each && each.line === line)))

// By hand: a straw ring at 6.00 and two bunches at 9.00 are 24.00.
describe('a claim against a bill worked by hand', () => {
  it('“under 25” of 24.00 holds, up to a tax of 4.145 %: 24.00 × 1.04145 = 24.9948, which is 24.99; at 4.146 % it is 25.00', () => {
    const of = judged({}, pricing())
    expect([of.verdict, of.total.value]).toEqual(['holds', 2400])
    expect(condition(of, 'tax')).toEqual({ of: 'tax', share: 0.04145 })
  })
  it('rounded on each line the tax that breaks it is another: 6.00 and 18.00 by themselves', () => {
    // At 4.194 % 18.00 takes 0.75 (0.75492) and 6.00 takes 0.25 (0.25164): 25.00. At 4.1388 % 18.00 takes 0.74 and 6.00 0.25: 24.99.
    const of = judged({}, pricing([], { tax: { share: 0, by: 'line', included: false, known: true } }))
    expect(condition(of, 'tax')).toEqual({ of: 'tax', share: 0.04138 })
  })
  it('“no more than 24” is met exactly, “under 24” is not', () => {
    expect(judged({ kind: 'at most', amount: 2400 }, pricing()).verdict).toBe('holds')
    const of = judged({ amount: 2400 }, pricing())
    expect(of.verdict).toBe('fails')
    expect(say(of.says, manner)).toBe('Fails: it comes to $24.00, not under it, and would hold from 0.1 % off all of it on.')
  })
  it('breaks at the price to the cent: a bunch may cost 9.49, for 6.00 + 2 × 9.49 = 24.98, and the ring 6.99', () => {
    const of = judged({}, pricing())
    expect(condition(of, 'price', 'bay')).toMatchObject({ price: 949, now: 900 })
    expect(condition(of, 'price', 'base')).toMatchObject({ price: 699, now: 600 })
    // The one that has to change least comes first: 5 % of bay against 17 % of the ring.
    expect(of.conditions.filter((each) => each.of === 'price').map(({ line }) => line)).toEqual(['bay', 'base'])
  })
  it('a reduction that is a range: 40 to 50 % off leaves 16.80 to 15.00; “under 16” hangs, from 44.5 % on', () => {
    const of = judged({ amount: 1600 }, pricing([off(0.4, 0.5)]))
    expect([of.verdict, of.total.range]).toEqual(['hangs', [1500, 1680]])
    // 18.00 less 44.5 % is 9.99: 15.99. Less 44.4 % it is 10.008, which is 10.01: 16.01.
    expect(condition(of, 'reduction', 'bay')).toEqual({ of: 'reduction', line: 'bay', name: 'bay sprigs', share: 0.445, span: [0.4, 0.5] })
    expect(say(of.says, manner)).toBe(
      'Hangs on a reduction: it holds from 44.5 % off bay sprigs on, which is 40 % to 50 %; it comes to $15.00 to $16.80.',
    )
    expect(judged({ amount: 1500 }, pricing([off(0.4, 0.5)])).verdict).toBe('fails')
    expect(judged({ amount: 1681 }, pricing([off(0.4, 0.5)])).verdict).toBe('holds')
  })
  it('“if the bay is reduced”: under 20 from 22.3 % on, for 18.00 less 22.3 % is 13.99', () => {
    const of = judged({ amount: 2000, off: { material: 'bay', share: null } }, pricing())
    expect(of.verdict).toBe('hangs')
    expect(of.conditions[0]).toEqual({ of: 'reduction', line: 'bay', name: 'bay sprigs', share: 0.223, span: null })
    expect(judged({ off: { material: 'bay', share: null } }, pricing()).verdict).toBe('holds')
    expect(judged({ amount: 500, off: { material: 'bay', share: null } }, pricing()).verdict).toBe('fails')
  })
  it('“70 % off makes it 7.20”: 0.3 × 6.00 + 0.3 × 18.00; 7.21 it does not make', () => {
    expect(judged({ kind: 'makes', amount: 720, off: { material: null, share: 0.7 } }, pricing()).verdict).toBe('holds')
    const of = judged({ kind: 'makes', amount: 721, off: { material: null, share: 0.7 } }, pricing())
    expect([of.verdict, say(of.says, manner)]).toEqual(['fails', 'Fails: it comes to $7.20, $0.01 less already.'])
  })
  it('“no more than 22 each for 14”: one bunch serves four of two sprigs: 14 × 6.00 + 4 × 9.00 = 120.00, 8.58 each', () => {
    const of = judged({ kind: 'at most', amount: 1000, copies: 14 }, pricing(), [base, bay(2)])
    expect([of.verdict, of.total.value]).toEqual(['holds', 858])
    // Alone one opens a whole bunch: 15.00.
    expect(judged({ kind: 'at most', amount: 1000 }, pricing(), [base, bay(2)]).total.value).toBe(1500)
    expect(judged({ of: 'all', copies: 14, amount: 12_001 }, pricing(), [base, bay(2)]).verdict).toBe('holds')
  })
  it('of what is used: 6.00 and two of eight at 9.00 are 8.25', () => {
    expect(judged({ ledger: 'used', kind: 'makes', amount: 825 }, pricing(), [base, bay(2)]).verdict).toBe('holds')
  })
  it('a tax that nobody has said: under 25 hangs on it, under 31 holds whatever it may be', () => {
    const unknown = pricing([], { tax: UNKNOWN_TAX })
    const of = judged({}, unknown)
    expect(of.verdict).toBe('hangs')
    expect(say(of.says, manner)).toBe('Hangs on the tax, which nobody has said: it holds up to a tax of 4.145 %; it comes to $24.00.')
    expect(judged({ amount: 3100 }, unknown).verdict).toBe('holds')
    expect(judged({}, pricing([], { tax: { ...UNKNOWN_TAX, included: true } })).verdict).toBe('holds')
  })
  it('hangs on the tax, not on a reduction that is sure: 6.00 + 18.00 less a half are 15.00, under 16 up to 6.63 %', () => {
    // 15.00 × 1.0663 = 15.9945, which is 15.99; at 6.64 % it is 15.996, which is 16.00.
    const of = judged({ amount: 1600 }, pricing([off(0.5)], { tax: UNKNOWN_TAX }))
    expect(say(of.says, manner)).toMatch(
      /^Hangs on the tax, which nobody has said: it holds up to a tax of 6\.63\d? %; it comes to \$15\.00\.$/,
    )
  })
  it('of two reductions it hangs on the one that is not sure', () => {
    // Ring 6.00, bay 18.00 less 50 % are 9.00, wheat two packs of 10.00 less 40 to 50 %: 12.00 to 10.00. Together 27.00 to 25.00.
    const by = pricing([], {
      shops: [shopOf('netherby', 'bay', [[8, 900, [off(0.5)]]]), shopOf('garth', 'wheat', [[10, 1000, [off(0.4, 0.5)]]])],
    })
    const wheat: Things = { ...bay(20), material: 'wheat' }
    const of = judged({ amount: 2600 }, by, [base, bay(16), wheat])
    expect(of.total.range).toEqual([2500, 2700])
    // Under 26.00 the wheat may come to 10.99, which is 45.05 % off 20.00: from 45.1 % on.
    expect(say(of.says, manner)).toBe(
      'Hangs on a reduction: it holds from 45.1 % off wheat ears on, which is 40 % to 50 %; it comes to $25.00 to $27.00.',
    )
  })
  it('counts what is in the house', () => {
    const by = pricing([], { lots: [lotOf('b', 'bay', { things: 9 })] })
    expect(judged({}, by).total.value).toBe(1500)
  })
  it('is said as one says it', () => {
    const name = () => 'bay'
    expect(say(claimSaid(claim({ kind: 'at most', amount: 1000, copies: 14 }), name), manner)).toBe(
      'no more than $10.00 each for 14, opened',
    )
    expect(say(claimSaid(claim({ off: { material: 'bay', share: 0.7 }, of: 'all', ledger: 'used' }), name), manner)).toBe(
      'under $25.00 in all, used, at 70 % off the bay',
    )
    expect(say(conditionSaid({ of: 'tax', share: 0.08625 }), manner)).toBe('up to a tax of 8.625 %')
  })
})

const makingOf = (needs: readonly Need[]) => ({ id: 'p', copies: 1, needs, budget: null })

describe('deals', () => {
  const deals = (needs: readonly Need[], by: Pricing) =>
    dealsOf(makingOf(needs), billOf(makingOf(needs), by), by).map(({ kind, saves, says }) => [kind, saves, say(says, manner)])
  it('one sprig fewer saves a bunch, and what a bunch has besides costs nothing', () => {
    expect(deals([bay(17)], pricing())).toEqual([
      ['fewer things', 900, '1 bay sprig fewer saves $9.00'],
      ['more things', 0, '7 more bay sprigs at no cost: the packs hold 24'],
    ])
    expect(deals([bay(16)], pricing())).toEqual([])
  })
  it('what is cut already in the house is not taken off twice: 20 sprigs, of which 3 are there at their length, are two bunches and one', () => {
    // 17 are to be bought: a third bunch for one of them. One fewer opens two; the three bunches hold 24, 7 more than 17.
    // A sprig is 16 in long and gives one of 12 in.
    const short = { ...bay(20), cut: 304.8 }
    expect(deals([short], pricing()).map(([, , said]) => said)).toEqual([
      '4 bay sprigs fewer saves $9.00',
      '4 more bay sprigs at no cost: the packs hold 24',
    ])
    expect(deals([short], pricing([], { lots: [lotOf('c', 'bay', { things: 3, cut: 304.8 })] })).map(([, , said]) => said)).toEqual([
      '1 bay sprig fewer saves $9.00',
      '7 more bay sprigs at no cost: the packs hold 24',
    ])
  })
  it('a third bunch is free', () => {
    const three: Reduction = { kind: 'free', buy: 2, get: 1, from: null, until: null }
    expect(deals([bay(16)], pricing([three])).map(([kind]) => kind)).toContain('more packs')
    expect(deals([bay(24)], pricing([three])).map(([kind]) => kind)).not.toContain('more packs')
  })
  it('a little less ribbon saves a roll: four of 92 in take two rolls of 360 in, 2.2 % shorter one', () => {
    const need: Need = { of: 'lengths', material: 'ribbon-slate', use: 'tail', layer: 'a', length: 92 * 25.4, count: 4, joins: false }
    const [deal] = deals([need], plainPricing())
    expect(deal?.[0]).toBe('shorter')
    expect(deal?.[2]).toMatch(/^All lengths of slate-blue ribbon 2\.[2-4] % shorter saves a roll, \$8\.99$/)
  })
})

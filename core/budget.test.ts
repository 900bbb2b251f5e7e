import { everyNth } from '../tests/amount'
import { describe, expect, it } from 'vitest'
import type { Fitted, Proposal } from './budget'
import { fitBudget, lossSaid } from './budget'
import { inches, say } from './measure'
import type { Piece } from './piece'
import { edit } from './piece'
import type { Pricing } from './price'
import { billOf } from './price'
import { lotOf } from './stock'
import { layerOf, pieceWith, plainPricing, shopOf } from './testing'
import { work } from './workings'

const compass = (count: number) => ({ kind: 'compass' as const, count, start: 0 })
const ring = (budget: number | null, set: Partial<Piece['brief']> = {}): Piece =>
  pieceWith(
    [
      layerOf('green', 'bay', compass(22), { cut: inches(7) }),
      layerOf('focal', 'dahlia', compass(5)),
      layerOf('fill', 'heather', compass(18)),
    ],
    { brief: { budget, ...set } },
  )
function fitted(piece: Piece, pricing: Pricing, stopAfter = Infinity): Fitted | null {
  const going = fitBudget(piece, pricing)
  let next = going.next()
  for (let i = 0; !next.done; i++) next = going.next(i >= stopAfter)
  return next.value
}
/** What one costs with all of these taken, worked out whole. */
function costWith(piece: Piece, chosen: readonly Proposal[], pricing: Pricing): number {
  const changed = chosen.reduce((of, { edit: how }) => {
    if (!how) return of
    const done = edit(of, how, 'test')
    if (!done.ok) throw new Error(done.error)
    return done.change.piece
  }, piece)
  const shunned = pricing.shunned.filter((id) => !chosen.some(({ shop }) => shop === id))
  const { needs } = work(changed, pricing.shelf)
  return billOf({ id: piece.id, needs, copies: piece.brief.copies, budget: null }, { ...pricing, shunned }).openedEach.value
}
/** Every choice of at most one of each group. */
function choices(all: readonly Proposal[]): Proposal[][] {
  return [...new Set(all.map(({ group }) => group))].reduce<Proposal[][]>(
    (found, group) => found.flatMap((chosen) => [chosen, ...all.filter((each) => each.group === group).map((each) => [...chosen, each])]),
    [[]],
  )
}

/** All by the piece, so that every one fewer saves. */
const byThePiece = plainPricing(undefined, {
  shops: [
    shopOf('quay', 'dahlia', [[1, 250]]),
    shopOf('near', 'bay', [[1, 94]]),
    shopOf('far', 'heather', [[1, 40]]),
    shopOf('town', 'dahlia', [[1, 330]]),
  ],
  shunned: ['quay'],
  lots: [lotOf('ivy', 'ivy', { things: 40 })],
})

describe('fitting to a budget', () => {
  it('asks nothing of a piece without one, and proposes nothing where it is met', () => {
    expect(fitted(ring(null), plainPricing())).toBeNull()
    expect(fitted(ring(100_000), plainPricing())).toMatchObject({ reached: true, chosen: [], loss: 0, proven: true })
  })
  it.each(everyNth(3, [0.97, 0.95, 0.9, 0.85, 0.8, 0.75, 0.7, 0.65]))(
    'finds the least loss that reaches %d of the cost: against every choice, each worked out whole',
    (share) => {
      const before = costWith(ring(0), [], byThePiece)
      const piece = ring(Math.round(before * share))
      const found = fitted(piece, byThePiece)!
      expect(found.before).toBe(before)
      const all = choices(found.all).map((chosen) => ({ loss: chosen.reduce((n, each) => n + each.loss, 0), chosen }))
      expect(all.length).toBeGreaterThan(100)
      // Only those with less loss have to fail; the one that was found has to reach it, and what it says it costs it costs.
      const fails = all.filter(({ loss }) => loss < found.loss - 1e-9)
      expect(found.reached).toBe(true)
      for (const { chosen } of fails) expect(costWith(piece, chosen, byThePiece)).toBeGreaterThan(piece.brief.budget!)
      expect(costWith(piece, found.chosen, byThePiece)).toBe(found.after)
      expect(found.after).toBeLessThanOrEqual(piece.brief.budget!)
      expect(found.proven).toBe(true)
    },
    120_000,
  )
  it('each proposal saves what it says, taken alone, and is undone by an undo', () => {
    const piece = ring(3000)
    const { all, before } = fitted(piece, plainPricing())!
    for (const each of all)
      expect(before - costWith(piece, [each], plainPricing()), say(each.says, { units: 'in', currency: 'USD' })).toBe(each.saves)
    expect(all.every(({ saves, loss }) => saves > 0 && loss >= 0)).toBe(true)
  })
  it('where nothing reaches it, it says how near one comes', () => {
    const found = fitted(ring(10), plainPricing())!
    expect([found.reached, found.after > 10, found.after < found.before]).toEqual([false, true, true])
  })
  it('a bow gives up one loop to a side, and a sparse piece loses little by fewer', () => {
    const withBow: Piece = {
      ...pieceWith([
        layerOf('bow', 'ribbon-slate', {
          kind: 'bow',
          at: 0.5,
          means: 'visible',
          ribbons: [{ build: 'hand', loops: 14, loop: inches(14), taper: 0, groups: null, tails: [0, 0], centre: 0, twist: 0 }],
          ends: 'v',
          hem: 0,
          tied: 'paddle-wire',
          fixes: false,
        }),
      ]),
    }
    // Fourteen loops of twice 14 in are 392 in, more than a roll of 360 in; twelve are 336 in: a roll of 8.99 less.
    const found = fitted({ ...withBow, brief: { ...withBow.brief, budget: 100, copies: 1 } }, plainPricing())!
    const bow = found.all.find(({ kind }) => kind === 'bow')
    expect(bow?.saves).toBe(899)
    const full = fitted(ring(3000), plainPricing())!.all.find(({ id }) => id.startsWith('green:fewer'))!
    const sparse = fitted(ring(3000, { fullness: 'sparse' }), plainPricing())!.all.find(({ id }) => id === full.id)!
    expect(sparse.loss).toBeLessThan(full.loss)
  })
  it('stopped, it answers with what it has tried', () => {
    const some = fitted(ring(3000), plainPricing(), 5)!
    expect(some.all.length).toBeLessThanOrEqual(6)
    expect(some.proven).toBe(false)
  })
  it('stopped among the choices, it takes what saves most for its loss, and claims no more', () => {
    const whole = fitted(ring(10), byThePiece)!
    const going = fitBudget(ring(10), byThePiece)
    let next = going.next()
    // The ideas are few; the choices are thousands.
    while (!next.done) next = going.next(next.value.of > 1000)
    const some = next.value!
    expect(some.all).toEqual(whole.all)
    expect([whole.proven, some.proven, some.reached]).toEqual([true, false, false])
    expect(some.after).toBeLessThan(some.before)
    expect(some.after).toBeGreaterThanOrEqual(whole.after)
  })
  it('says what is lost in words', () => {
    const manner = { units: 'in', currency: 'USD' } as const
    expect(say(lossSaid({ cover: 2.13, balance: 0.02, carry: 1, look: 0 }), manner)).toBe(
      '2.1 points of cover; 2 % off balance; a colour gone from 1 side',
    )
    expect(say(lossSaid({ cover: 0, balance: 0, carry: 0, look: 0 }), manner)).toBe('nothing that is seen')
  })
})

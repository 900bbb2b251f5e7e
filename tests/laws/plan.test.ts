import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lotsOff, partsOff } from '../../core/stock'
import type { Bought } from '../../core/price'
import {
  billOf,
  dealsOf,
  dropped,
  judge,
  keepAll,
  keepNeeds,
  lineCost,
  packsOver,
  rangeOf,
  together,
  useUp,
  withTax,
} from '../../core/price'
import { say } from '../../core/measure'
import { shelf } from '../../core/testing'
import { handOut, kitMoney, kitParts, startKit } from '../../core/season'
import { amounts, after, hold, ids, lots, need, pieces, planned, shops, shopsTogether, workrooms } from './workrooms'

const NEVER_MORE = 1e-9
/** What packs cost at most, bought together. */
const costTogether = (bought: readonly Bought[]): number => together(bought).reduce((all, { cost }) => all + cost[1], 0)

describe('the plan of everything in hand', () => {
  it('shares what is opened to the cent, at its least and at its most', () =>
    hold(workrooms({ list: [] }), (room) => {
      const { ledgers, opened } = planned(room)
      for (const end of [0, 1] as const)
        expect(Object.values(ledgers).reduce((all, { share }) => all + share.opened[end], 0)).toBe(rangeOf(opened)[end])
    }))
  it('shares what is used to the cent as well', () =>
    hold(workrooms({ list: [] }), (room) => {
      const { ledgers, used } = planned(room)
      expect(Object.values(ledgers).reduce((all, { share }) => all + share.used[1], 0)).toBe(used.value)
    }))
  it('has no range turned round, and uses no more than it opens', () =>
    hold(workrooms(), (room) => {
      const { ledgers, opened, used } = planned(room)
      for (const { alone, share } of [
        ...Object.values(ledgers),
        { alone: { opened: rangeOf(opened), used: rangeOf(used) }, share: { opened: rangeOf(opened), used: rangeOf(used) } },
      ])
        for (const { opened: all, used: part } of [alone, share]) {
          expect(all[0]).toBeLessThanOrEqual(all[1])
          expect(part[0]).toBeLessThanOrEqual(part[1])
          expect(part[1]).toBeLessThanOrEqual(all[1])
        }
    }))
  it('never costs more than each bought for by itself', () =>
    hold(workrooms({ list: [] }), (room) => {
      const { saved } = planned({ ...room, lots: room.lots.map((lot) => ({ ...lot, reserved: null })) })
      // Each line is rounded to the cent by itself, with and without the others, and so may its tax be.
      const lines = room.pieces.reduce((n, { needs }) => n + needs.length, 0)
      expect(saved.value).toBeGreaterThanOrEqual(-2 * lines)
    }))
  it('saves what it says: the difference of the two', () =>
    hold(workrooms({ list: [] }), (room) => {
      const { saved, apart, opened } = planned(room)
      expect(saved.value).toBe(apart.value - opened.value)
    }))
  it('of one piece alone is its bill', () =>
    hold(workrooms({ list: [] }), (room) => {
      const [piece] = room.pieces
      const one = { ...room, pieces: [piece!], lots: room.lots.filter(({ reserved }) => !reserved || reserved.piece === piece!.id) }
      const [plan, bill] = [planned(one), billOf({ ...piece!, budget: null }, one)]
      expect([plan.opened.value, rangeOf(plan.opened)]).toEqual([bill.opened.value, rangeOf(bill.opened)])
      expect(Math.abs(plan.used.value - bill.used.value)).toBeLessThanOrEqual(1)
      expect(Math.abs(plan.left.value - bill.left.value)).toBeLessThanOrEqual(1)
    }))
  it('does not hang on the order of pieces, nor does what each costs by itself and what is saved', () =>
    hold(workrooms(), (room) => {
      const [plan, other] = [planned(room), planned({ ...room, pieces: [...room.pieces].reverse() })]
      for (const of of ['opened', 'apart', 'saved'] as const) expect(other[of].value).toBe(plan[of].value)
    }))
  it('does not hang on what pieces are called, nor does what was cut for them', () =>
    hold(workrooms(), (room) => {
      const maker = room.pieces.at(-1)!
      const kept = after(room.lots, keepNeeds(maker, room, ids()))
      const cut = { ...room, lots: after(kept, useUp(maker, { shelf: room.shelf, lots: kept }, ids())) }
      // Names of which one begins as another does.
      const named = (id: string): string => `a${':a'.repeat(Number(id.slice(1)))}`
      const renamed = {
        ...cut,
        pieces: cut.pieces.map((piece) => ({ ...piece, id: named(piece.id) })),
        lots: cut.lots.map((lot) =>
          lot.reserved?.piece ? { ...lot, reserved: { ...lot.reserved, piece: named(lot.reserved.piece) } } : lot,
        ),
      }
      const [plan, other] = [planned(cut), planned(renamed)]
      expect([other.opened.value, other.used.value]).toEqual([plan.opened.value, plan.used.value])
      expect(cut.pieces.map(({ id }) => other.ledgers[named(id)])).toEqual(cut.pieces.map(({ id }) => plan.ledgers[id]))
    }))
  it('does not hang on the order of lots', () =>
    hold(workrooms(), (room) => {
      expect(planned({ ...room, lots: [...room.lots].reverse() }).opened.value).toBe(planned(room).opened.value)
    }))
  it('does not hang on the order of shops', () =>
    hold(workrooms(), (room) => {
      expect(planned({ ...room, shops: [...room.shops].reverse() }).opened.value).toBe(planned(room).opened.value)
    }))
  it('never costs more for one more lot in the house', () =>
    hold(fc.tuple(workrooms(), lots), ([room, [more]]) => {
      if (!more) return
      const lot = { ...more, id: 'more', reserved: null }
      expect(planned({ ...room, lots: [...room.lots, lot] }).opened.value).toBeLessThanOrEqual(planned(room).opened.value)
    }))
  it('never costs less for one more piece', () =>
    hold(workrooms(), (room) => {
      const fewer = { ...room, pieces: room.pieces.slice(1) }
      const kept = new Set(fewer.pieces.map(({ id }) => id))
      const less = { ...fewer, lots: fewer.lots.filter(({ reserved }) => !reserved || kept.has(reserved.piece!)) }
      expect(planned(less).opened.value).toBeLessThanOrEqual(planned({ ...room, lots: less.lots }).opened.value)
    }))
  it('adds up: its materials, and the tax of the place', () =>
    hold(workrooms(), (room) => {
      const { materials, opened } = planned(room)
      expect(
        withTax(
          materials.map((each) => each.opened.value),
          room.tax,
        ),
      ).toBe(opened.value)
    }))
  it('buys what it wants, and takes no more of the house than there is', () =>
    hold(workrooms(), (room) => {
      const there = amounts(room.lots)
      for (const { id, of, bought, toBuy, drawn, base } of planned(room).materials) {
        expect(bought.reduce((n, { packs, holds }) => n + packs * holds, 0)).toBeGreaterThanOrEqual(of === 'length' ? 0 : toBuy)
        if (base) continue
        expect(drawn).toBeLessThanOrEqual((of === 'length' ? there[id]?.length : there[id]?.things) ?? 0)
      }
    }))
  it('is plain data', () =>
    hold(
      workrooms(),
      (room) => {
        const plan = planned(room)
        expect(structuredClone(plan)).toEqual(plan)
      },
      0.1,
    ))
  it('counts what runs low by what is there when all is made', () =>
    hold(workrooms(), (room) => {
      const there = amounts(room.lots)
      const plan = planned(room)
      for (const { material, left } of plan.low) {
        const of = plan.materials.find(({ id }) => id === material.id)
        const all = there[material.id]!
        const have = of?.of === 'length' || all.length > 0 ? all.length : all.things
        expect(left).toBeCloseTo(Math.max(0, have - (of?.drawn ?? 0)), 4)
      }
    }))
})

describe('where shops count several kinds together', () => {
  const counted = fc.tuple(workrooms({ list: [] }), shopsTogether).map(([room, own]) => ({ ...room, shops: own }))
  it('the plan adds up, and so do its shares, to the cent', () =>
    hold(counted, (room) => {
      const { ledgers, opened, used, materials } = planned(room)
      for (const end of [0, 1] as const)
        expect(Object.values(ledgers).reduce((all, { share }) => all + share.opened[end], 0)).toBe(rangeOf(opened)[end])
      expect(Object.values(ledgers).reduce((all, { share }) => all + share.used[1], 0)).toBe(used.value)
      expect(
        withTax(
          materials.map((each) => each.opened.value),
          room.tax,
        ),
      ).toBe(opened.value)
      for (const { opened: all, used: part } of materials)
        for (const end of [0, 1] as const) expect(rangeOf(part)[end]).toBeLessThanOrEqual(rangeOf(all)[end])
    }))
  it('nothing costs more than line by line', () =>
    hold(counted, (room) => {
      const apart = room.shops.map((shop) => ({
        ...shop,
        offers: shop.offers.map((offer) => ({
          ...offer,
          reductions: offer.reductions.map((each) => (each.kind === 'free' ? { ...each, among: undefined } : each)),
        })),
      }))
      expect(planned(room).opened.value).toBeLessThanOrEqual(planned({ ...room, shops: apart as typeof room.shops }).opened.value)
    }))
  it('a plan of one piece alone is its bill, and one more pack that is said to be free is', () =>
    hold(counted, (room) => {
      const [piece] = room.pieces
      const one = { ...room, pieces: [piece!], lots: [] }
      const making = { ...piece!, budget: null }
      const bill = billOf(making, one)
      expect(planned(one).opened.value).toBe(bill.opened.value)
      for (const { kind, line, says } of dealsOf(making, bill, one)) {
        if (kind !== 'more packs') continue
        // One of its offers takes one pack more for nothing.
        const costs = bill.lines
          .find(({ id }) => id === line)!
          .bought.map((each) =>
            costTogether(
              bill.lines.flatMap(({ bought }) => bought).map((all) => (all === each ? { ...all, packs: all.packs + 1, free: 0 } : all)),
            ),
          )
        expect(Math.min(...costs), say(says, { units: 'in', currency: 'USD' })).toBe(
          costTogether(bill.lines.flatMap(({ bought }) => bought)),
        )
      }
    }))
  it('a claim of one line goes by what that line costs on the bill of all', () =>
    hold(
      counted,
      (room) => {
        const making = { ...room.pieces[0]!, budget: null }
        const one = { ...room, lots: [] }
        for (const { id, opened } of billOf(making, one).lines) {
          const { total } = judge(
            { id: 'c', kind: 'at most', amount: 1, of: 'all', ledger: 'opened', copies: null, off: null, lines: [id] },
            making,
            one,
          )
          expect(total.value).toBe(withTax([opened.value], room.tax))
        }
      },
      0.3,
    ))
  it('does not hang on the order of pieces', () =>
    hold(counted, (room) => {
      expect(planned({ ...room, pieces: [...room.pieces].reverse() }).opened.value).toBe(planned(room).opened.value)
    }))
})

describe('lots that change hands', () => {
  const house = fc.tuple(pieces, lots)
  it('keeping for pieces loses no thing, no length and no money', () =>
    hold(house, ([all, there]) => {
      expect(amounts(after(there, keepAll(all, { shelf, lots: there }, ids())))).toEqual(amounts(there))
    }))
  it('keeping twice writes nothing the second time', () =>
    hold(house, ([[piece], there]) => {
      const once = after(there, keepNeeds(piece!, { shelf, lots: there }, ids()))
      expect(keepNeeds(piece!, { shelf, lots: once }, ids())).toEqual({ put: [], gone: [] })
    }))
  it('keeping takes nothing of what another piece keeps', () =>
    hold(house, ([all, there]) => {
      const [piece] = all
      const others = (of: typeof there) => amounts(of.filter(({ reserved }) => reserved && reserved.piece !== piece!.id))
      expect(others(after(there, keepNeeds(piece!, { shelf, lots: there }, ids())))).toEqual(others(there))
    }))
  it('a piece costs the same when it keeps what it would take', () =>
    hold(house, ([[piece], there]) => {
      const free = there.map((lot) => ({ ...lot, reserved: null }))
      const pricing = (of: typeof there) => ({
        shelf,
        lots: of,
        rolls: [],
        shops: [],
        shunned: [],
        tax: { share: 0, by: 'bill' as const, included: false, known: true },
        day: null,
      })
      const kept = after(free, keepNeeds(piece!, { shelf, lots: free }, ids()))
      expect(billOf({ ...piece!, budget: null }, pricing(kept)).opened.value).toBe(
        billOf({ ...piece!, budget: null }, pricing(free)).opened.value,
      )
    }))
  it('making uses up what went in, and all else is the house’s: no thing and no money is lost', () =>
    hold(house, ([[piece], there]) => {
      const kept = after(there, keepNeeds(piece!, { shelf, lots: there }, ids()))
      const made = after(kept, useUp(piece!, { shelf, lots: kept }, ids()))
      const [a, b] = [amounts(kept), amounts(made)]
      for (const [material, { things, length, paid }] of Object.entries(a)) {
        expect(b[material]?.things ?? 0).toBe(things)
        expect(b[material]?.paid ?? 0).toBe(paid)
        // Rests that are too short are waste.
        expect(b[material]?.length ?? 0).toBeLessThanOrEqual(length + 1e-6)
      }
    }))
  it('making twice writes nothing the second time', () =>
    hold(house, ([[piece], there]) => {
      const kept = after(there, keepNeeds(piece!, { shelf, lots: there }, ids()))
      const made = after(kept, useUp(piece!, { shelf, lots: kept }, ids()))
      expect(useUp(piece!, { shelf, lots: made }, ids())).toEqual({ put: [], gone: [] })
    }))
  it('a piece that is made holds no uncut roll, and no more than it needs', () =>
    hold(house, ([[piece], there]) => {
      const kept = after(there, keepNeeds(piece!, { shelf, lots: there }, ids()))
      const made = after(kept, useUp(piece!, { shelf, lots: kept }, ids()))
      const own = made.filter(({ reserved }) => reserved?.piece === piece!.id)
      const wanted = new Map<string, number>()
      for (const each of piece!.needs)
        if (each.of === 'lengths') wanted.set(each.material, (wanted.get(each.material) ?? 0) + each.length * each.count * piece!.copies)
      for (const [material, { length }] of Object.entries(amounts(own))) {
        // Parts of what is joined lap: a bit more.
        expect(length).toBeLessThanOrEqual((wanted.get(material) ?? 0) + 25 * own.length + 1e-6)
      }
    }))
  it('what is taken apart brings back no more money than went in', () =>
    hold(house, ([[piece], there]) => {
      const known = there.map((lot) => ({ ...lot, paid: lot.paid ?? 0 }))
      const kept = after(known, keepNeeds(piece!, { shelf, lots: known }, ids()))
      const made = after(kept, useUp(piece!, { shelf, lots: kept }, ids()))
      const had = made.filter(({ reserved }) => reserved?.piece === piece!.id)
      const of = { id: piece!.id, brief: { copies: piece!.copies, name: 'P' } } as Parameters<typeof partsOff>[0]
      const off = partsOff(of, piece!.needs, [], 150, shelf)
      const back = lotsOff({ parts: off, had }, of, '2026-11-30', ids())
      for (const [material, { paid }] of Object.entries(amounts(back))) expect(paid).toBeLessThanOrEqual(amounts(had)[material]?.paid ?? 0)
    }))
})

describe('money', () => {
  const offers = fc.array(
    fc.record({
      shop: fc.constant('s'),
      holds: fc.integer({ min: 1, max: 9 }),
      price: fc.integer({ min: 1, max: 900 }),
      stock: fc.option(fc.integer({ min: 0, max: 5 }), { nil: null }),
      reductions: fc.constant([]),
    }),
    { minLength: 1, maxLength: 3 },
  )
  it('the packs of more never cost less', () =>
    hold(fc.tuple(offers, fc.integer({ min: 1, max: 40 })), ([all, n]) => {
      const cost = (count: number): number => packsOver(count, all).reduce((sum, { cost: of }) => sum + of[1], 0)
      expect(cost(n)).toBeGreaterThanOrEqual(cost(n - 1) - NEVER_MORE)
    }))
  it('a line of more packs never costs less, and never more than each at its list price', () =>
    hold(fc.tuple(shops, fc.integer({ min: 1, max: 12 })), ([all, packs]) => {
      for (const { price, reductions } of all.flatMap((shop) => shop.offers)) {
        expect(lineCost(price, packs, reductions, 'least')).toBeGreaterThanOrEqual(lineCost(price, packs - 1, reductions, 'least'))
        expect(lineCost(price, packs, reductions, 'least')).toBeLessThanOrEqual(price * packs)
        expect(lineCost(price, packs, reductions, 'most')).toBeLessThanOrEqual(lineCost(price, packs, reductions, 'least'))
      }
    }))
  it('what a deal says it saves is no more than what its line costs, and it never costs anything', () =>
    hold(workrooms(), (room) => {
      const making = { ...room.pieces[0]!, budget: null }
      const bill = billOf(making, room)
      for (const { saves, line } of dealsOf(making, bill, room)) {
        const of = bill.lines.find(({ id }) => id === line)!
        expect(saves).toBeGreaterThanOrEqual(0)
        expect(saves).toBeLessThanOrEqual(withTax([of.opened.value], room.tax) + 1)
      }
    }))
  it('a deal of a few fewer is the first that saves, and saves what the bill without them does', () =>
    hold(
      workrooms(),
      (room) => {
        const making = { ...room.pieces[0]!, budget: null }
        const bill = billOf(making, room)
        for (const line of bill.lines.filter(({ of }) => of === 'stems')) {
          const all = making.needs.reduce((n, need) => n + (need.material === line.id ? need.count : 0), 0)
          const less = (n: number): number => {
            const own = making.needs.filter(({ material }) => material === line.id)
            const others = making.needs.filter(({ material }) => material !== line.id)
            return bill.opened.value - billOf({ ...making, needs: [...others, ...dropped(own, n)] }, room).opened.value
          }
          const told = dealsOf(making, bill, room).find(({ line: id, kind }) => id === line.id && kind === 'fewer things')
          const counts = Array.from({ length: Math.floor(all) }, (_, i) => i + 1)
          const first = counts.find((n) => less(n) > 0)
          if (told) expect(told.saves).toBe(less(first!))
        }
      },
      0.3,
    ))
  it('a class costs on its own page what it does in the workroom, were it alone there', () =>
    hold(
      fc.tuple(workrooms({ list: [] }), fc.integer({ min: 1, max: 9 }), fc.integer({ min: 0, max: 2 })),
      ([room, heads, spares]) => {
        const [piece] = room.pieces
        const kit = { ...startKit('class', piece!.id, 'Class', heads), heads, spares }
        const needs = handOut(piece!.needs, heads + spares, kit.swaps)
        const house = { ...room, lots: room.lots.filter(({ reserved }) => !reserved) }
        const plan = planned({ ...house, pieces: [{ id: kit.id, name: 'Class', copies: 1, needs }] })
        expect(rangeOf(kitMoney(kit, piece!.needs, [], house).materials)).toEqual(rangeOf(plan.opened))
      },
      0.3,
    ))
  it('a bill at list prices is no less than with reductions, and the two differ by what is saved', () =>
    hold(workrooms(), (room) => {
      const { full, opened, reduced } = billOf({ ...room.pieces[0]!, budget: null }, room)
      expect(full.value - (reduced ? rangeOf(reduced)[0] : 0)).toBe(opened.value)
    }))
  it('materials are worth what is used of what is opened, and more only by what the house gives', () =>
    hold(workrooms(), (room) => {
      const { lines, usedEach, materialsEach } = billOf({ ...room.pieces[0]!, copies: 1, budget: null }, room)
      expect(materialsEach.value - usedEach.value).toBe(lines.reduce((all, { house }) => all + house, 0))
    }))
})

describe('kits', () => {
  it('what is handed out is what is in the kits, one by one', () =>
    hold(fc.tuple(fc.array(need, { minLength: 1, maxLength: 5 }), fc.integer({ min: 1, max: 6 })), ([needs, copies]) => {
      const all = handOut(needs, copies, [])
      const inKits = kitParts(needs, [], 1, shelf)
      const total = (material: string): number =>
        all
          .filter((each) => each.material === material)
          .reduce((n, each) => n + each.count * (each.of === 'lengths' && each.joins ? each.length : 1), 0)
      for (const material of new Set(inKits.map((part) => part.material)))
        expect(inKits.filter((part) => part.material === material).reduce((n, { amount }) => n + amount, 0) * copies).toBeCloseTo(
          total(material),
          6,
        )
    }))
  it('a swap moves what it names, and nothing else', () =>
    hold(fc.tuple(fc.array(need, { minLength: 1, maxLength: 5 }), fc.integer({ min: 2, max: 6 })), ([needs, copies]) => {
      const swapped = handOut(needs, copies, [{ kits: [1], from: 'bay', to: 'ivy' }])
      const count = (of: typeof swapped, ...materials: string[]): number =>
        of.filter(({ material }) => materials.includes(material)).reduce((n, each) => n + each.count, 0)
      expect(count(swapped, 'bay', 'ivy')).toBeCloseTo(count(handOut(needs, copies, []), 'bay'), 6)
      expect(swapped.filter(({ material }) => material !== 'bay' && material !== 'ivy')).toEqual(
        handOut(needs, copies, []).filter(({ material }) => material !== 'bay'),
      )
    }))
})

import type { BaseKind } from '../base'
import { planSoon, reckon } from '../cut'
import { byMaterial, lengthsIn, materialOf, thingsIn } from '../material'
import type { Asked, AskedBase, Lot, Moved } from '../stock'
import { baseLots, cutOf, cutThingsOf, fromCut, giveBack, keepFor, lengthsOf, plentyOf } from '../stock'
import type { Making } from './bill'
import type { Pricing } from './line'
import { wantsOf } from './line'
import { piecesLeft, piecesOf, spareOf, stemsOf } from './stems'

/**
 * Keeps for a piece what of its needs the house can give: what is cut already where that suits, whole things with what breaks of
 * them, the rolls and rests that its lengths can be cut from, and its bases. What other pieces have is left to them.
 */
export function keepNeeds(
  { id, copies, needs }: Omit<Making, 'budget'>,
  pricing: Pick<Pricing, 'shelf' | 'lots'>,
  newId: () => string,
): Moved {
  const lots = giveBack(id, pricing.lots)
  const asked = new Map<string, Asked>()
  for (const [material, own] of byMaterial(thingsIn(needs))) {
    const of = materialOf(pricing.shelf, material)
    if (!of) continue
    const wants = piecesOf(of, own, copies)
    const had = fromCut(wants, cutThingsOf(lots, material))
    const { stems } = stemsOf(of, piecesLeft(wants, had))
    asked.set(material, {
      material,
      things: stems + spareOf(stems, Math.max(0, ...own.map(({ spare }) => spare))),
      cut: wants.flatMap(({ cut }, i) => (cut !== null && had[i]! > 0 ? [{ cut, count: had[i]! }] : [])),
      rolls: new Map(),
    })
  }
  for (const [material, own] of byMaterial(lengthsIn(needs))) {
    const of = materialOf(pricing.shelf, material)
    if (!of) continue
    const { left } = reckon(
      wantsOf({ id, copies }, own),
      cutOf(lots, material).filter(({ want }) => want.startsWith(`${id}:`)),
    )
    const there = lengthsOf(lots, of)
    const stocks = (plentyOf(left, there) ?? there).map((each) => ({ id: each.id, length: each.length, price: 0, supply: each.count }))
    const rolls = new Map<string, number>()
    for (const { stock } of stocks.length ? planSoon({ wants: left, stocks, least: 0 }).rolls : [])
      rolls.set(stock, (rolls.get(stock) ?? 0) + 1)
    asked.set(material, { material, things: 0, cut: [], ...asked.get(material), rolls })
  }
  const bases = needs.flatMap((need): AskedBase[] =>
    need.of === 'base' ? [{ kind: need.material as BaseKind, width: need.width, count: need.count * copies }] : [],
  )
  return keepFor(id, [...asked.values()], bases, pricing.lots, newId)
}

/**
 * The same for several pieces, the first before the others, each by only those lots that are of what it needs or keeps: thousands
 * of lots are looked through once.
 */
export function keepAll(
  makings: readonly Omit<Making, 'budget'>[],
  { shelf, lots }: Pick<Pricing, 'shelf' | 'lots'>,
  newId: () => string,
): Moved {
  const house = new Map<string, Map<string, Lot>>()
  const of = (material: string): Map<string, Lot> => {
    const known = house.get(material) ?? new Map<string, Lot>()
    house.set(material, known)
    return known
  }
  const keeps = new Map<string, Set<string>>()
  for (const lot of lots) {
    of(lot.material).set(lot.id, lot)
    const piece = lot.reserved?.piece
    if (piece) keeps.set(piece, (keeps.get(piece) ?? new Set()).add(lot.material))
  }
  const put = new Map<string, Lot>()
  const gone = new Map<string, string>()
  for (const making of makings) {
    const needed = making.needs.map((need) => (need.of === 'base' ? baseLots(need.material as BaseKind) : need.material))
    const materials = new Set([...needed, ...(keeps.get(making.id) ?? [])])
    const own = [...materials].flatMap((material) => [...of(material).values()])
    const moved = keepNeeds(making, { shelf, lots: own }, newId)
    for (const lot of moved.put) {
      of(lot.material).set(lot.id, lot)
      put.set(lot.id, lot)
    }
    for (const id of moved.gone) {
      const { material } = own.find((lot) => lot.id === id)!
      of(material).delete(id)
      put.delete(id)
      gone.set(id, material)
    }
  }
  const before = new Set(lots.map(({ id }) => id))
  return { put: [...put.values()], gone: [...gone.keys()].filter((id) => before.has(id)) }
}

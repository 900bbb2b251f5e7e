import type { BaseKind } from '../base'
import { planSoon, reckon } from '../cut'
import { byMaterial, lengthsIn, materialOf, thingsIn } from '../material'
import type { Asked, AskedBase, Moved } from '../stock'
import { cutOf, cutThingsOf, fromCut, giveBack, keepFor, lengthsOf } from '../stock'
import type { Making } from './bill'
import type { Pricing } from './line'
import { cutTo, spareOf, stemsFor, wantsOf } from './line'

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
    const wants = own.map(({ count, cut }) => ({ cut: cutTo(of, cut), count: count * copies }))
    const had = fromCut(wants, cutThingsOf(lots, material))
    const { stems } = stemsFor(of, own, copies, had)
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
    const stocks = lengthsOf(lots, of).map((each) => ({ id: each.id, length: each.length, price: 0, supply: each.count }))
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

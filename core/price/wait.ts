import type { Material } from '../material'
import { materialOf } from '../material'
import type { Day, Said } from '../measure'
import { dayNumber, dayOf, daySaid, quantity, sum } from '../measure'
import type { Pricing } from './line'
import { pricesOf } from './line'
import type { Shop } from './offer'
import { listed, offersOf, priceOn, soldOn } from './offer'
import type { Bought } from './packs'
import { packsOver } from './packs'
import type { Span } from './reduction'
import { holdsOn } from './reduction'

/** What all that is wanted would cost, bought on a day. Without tax and trips. */
export interface BuyingDay {
  readonly day: Day
  readonly cost: Span
  /** How many of the things that are wanted are likely gone by then, in the mean. */
  readonly gone: number
  /** What it comes to with what must then be bought at usual prices. */
  readonly expected: number
}

export interface Waiting {
  readonly days: readonly BuyingDay[]
  readonly best: BuyingDay
  readonly says: Said
}

/** Things or rolls that are wanted, whatever packs they come in. */
export interface ToBuy {
  readonly material: string
  readonly count: number
}

/** The longest that is looked ahead, days. */
export const LOOK_AHEAD = 70

/**
 * Whether to buy today or to wait: what it all costs on every day up to the one it is needed by, by the reductions that the shops
 * have then, and the risk that what they have few of is gone. Of equal days the first.
 * @param from today @param by the last day on which it may be bought
 */
export function waitOrBuy(wants: readonly ToBuy[], from: Day, by: Day, pricing: Pricing): Waiting {
  const [first, last] = [dayNumber(from) ?? 0, dayNumber(by) ?? 0]
  const count = Math.min(LOOK_AHEAD, Math.max(0, last - first))
  const shops = pricing.shops.filter(({ id }) => !pricing.shunned.includes(id))
  const known = wants.flatMap(({ material, count: n }) => {
    const of = materialOf(pricing.shelf, material)
    return of && n > 0 ? [{ of, n }] : []
  })
  const remembered = new Map<string, Bought[]>()
  const days = Array.from({ length: count + 1 }, (_, i): BuyingDay => {
    const day = dayOf(first + i)
    let [least, most, expected, gone] = [0, 0, 0, 0]
    for (const { of, n } of known) {
      const bought = boughtOn(of, n, day, shops, remembered)
      const cost = bought.reduce((all, each) => all + each.cost[1], 0)
      least += bought.reduce((all, each) => all + each.cost[0], 0)
      most += cost
      const stays = bought.reduce(
        (all, { stock, shop }) => all * (stock === null ? 1 : (1 - (shops.find(({ name }) => name === shop)?.sells ?? 0)) ** (i / 7)),
        1,
      )
      const usual = packsOver(n, pricesOf(of, { shops: [], shunned: [], day: null })).reduce((all, each) => all + each.cost[1], 0)
      expected += stays * cost + (1 - stays) * Math.max(cost, usual)
      gone += 1 - stays
    }
    return { day, cost: [least, most], gone, expected: Math.round(expected) }
  })
  const best = days.reduce((found, each) => (each.expected < found.expected ? each : found))
  return { days, best, says: said(days[0]!, best, known.length) }
}

/** What so many are bought in on a day: where no shop has them then, at the usual price. */
function boughtOn(material: Material, count: number, day: Day, shops: readonly Shop[], remembered: Map<string, Bought[]>): Bought[] {
  const offers = shops.flatMap((shop) => offersOf(shop, material.id).flatMap((offer) => (soldOn(offer, day) ? [{ shop, offer }] : [])))
  const key = JSON.stringify([
    material.id,
    count,
    offers.map(({ shop, offer }) => [shop.id, offer.holds, offer.reductions.map((each) => holdsOn(each, day))]),
  ])
  const before = remembered.get(key)
  if (before) return before
  const usual = listed(null, material.pack.holds, material.pack.price)
  const bought = packsOver(count, offers.length ? offers.map(({ shop, offer }) => priceOn(shop.name, offer, day)) : [usual])
  const short = count - bought.reduce((all, { packs, holds }) => all + packs * holds, 0)
  const found = short > 0 ? [...bought, ...packsOver(short, [usual])] : bought
  remembered.set(key, found)
  return found
}

function said(today: BuyingDay, best: BuyingDay, of: number): Said {
  if (best.day === today.day) return sum`Buy today: no later day is likely to cost less.`
  const saves = today.expected - best.expected
  return [
    ...sum`Wait until ${daySaid(best.day)}: it saves about ${quantity.money(saves)}`,
    ...(best.gone >= 0.5
      ? sum`, though about ${quantity.count(Math.round(best.gone))} of ${quantity.count(of)} things may be gone by then`
      : []),
    '.',
  ]
}

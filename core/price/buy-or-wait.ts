import type { BareBase, Shelf } from '../material'
import { materialOf } from '../material'
import type { Day, Said } from '../measure'
import { dayNumber, dayOf, daySaid, kept, quantity, sum } from '../measure'
import { together } from './among'
import type { Pricing } from './cost-lines'
import { packsFor, pricesOf } from './cost-lines'
import type { Shop, Sold } from './offer'
import { soldBase, soldOn } from './offer'
import type { Bought } from './packs'
import type { PriceRange } from './reduction'

/** What all that is wanted would cost, bought on a day. Without tax and trips. */
export interface BuyingDay {
  readonly day: Day
  readonly cost: PriceRange
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
  /** A material's id; for bare bases what their plan is known by. */
  readonly material: string
  readonly count: number
  /** The bare base that it is; none for all else. */
  readonly base?: BareBase | null
}

/** What is to be bought, as shops know it; null where the shelf no longer does. */
export const soldOf = ({ material, base }: Omit<ToBuy, 'count'>, shelf: Pick<Shelf, 'materials'>): Sold | null =>
  base ? soldBase(base) : (materialOf(shelf, material) ?? null)

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
  const sells = new Map(pricing.shops.map((shop) => [shop.name, shop.sells]))
  const known = wants.flatMap((want) => {
    const of = soldOf(want, pricing.shelf)
    return of && want.count > 0 ? [{ of, n: want.count }] : []
  })
  // The rhythm repeats itself: few days are like no other.
  const remembered = kept<readonly Bought[]>(5000)
  const weekdays = Array.from({ length: Math.min(7, count + 1) }, (_, i) => soldOnly(pricing.shops, dayOf(first + i)))
  const days = Array.from({ length: count + 1 }, (_, i): BuyingDay => {
    const day = dayOf(first + i)
    const on = { shops: weekdays[i % 7]!, shunned: pricing.shunned, day }
    let [least, most, expected, gone] = [0, 0, 0, 0]
    const alone = known.map(({ of, n }) => remembered(JSON.stringify([of.id, n, pricesOf(of, on)]), () => packsFor(n, of, on)))
    const beside = together(alone.flat())
    let at = 0
    for (const [k, { of, n }] of known.entries()) {
      const bought = beside.slice(at, (at += alone[k]!.length))
      const cost = bought.reduce((all, each) => all + each.cost[1], 0)
      least += bought.reduce((all, each) => all + each.cost[0], 0)
      most += cost
      const stays = bought.reduce((all, { stock, shop }) => all * (stock === null ? 1 : (1 - (sells.get(shop ?? '') ?? 0)) ** (i / 7)), 1)
      const usual = packsFor(n, of, { shops: [], shunned: [], day: null }).reduce((all, each) => all + each.cost[1], 0)
      expected += stays * cost + (1 - stays) * Math.max(cost, usual)
      gone += 1 - stays
    }
    return { day, cost: [least, most], gone, expected: Math.round(expected) }
  })
  const best = days.reduce((found, each) => (each.expected < found.expected ? each : found))
  return { days, best, says: said(days[0]!, best, known.length) }
}

/** The shops with nothing but what can be had on a day of the week. */
const soldOnly = (shops: readonly Shop[], day: Day): readonly Shop[] =>
  shops.map((shop) => ({ ...shop, offers: shop.offers.filter((offer) => soldOn(offer, day)) }))

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

import { z } from 'zod'
import type { Minor, Said } from '../measure'
import { quantity, several, sum } from '../measure'
import { together } from './among'
import type { Price, Shop } from './offer'
import { listPriceOf, OfferSchema, offersOf, priceOn, ShopSchema, soldOn } from './offer'
import type { Bought } from './packs'
import { packsOver } from './packs'
import type { Pricing } from './cost-lines'
import type { PriceRange } from './reduction'
import { DEAREST, LARGEST_PACK, lineCost, lineRange } from './reduction'
import type { ToBuy } from './buy-or-wait'
import { soldOf } from './buy-or-wait'

export const MOST_WANTS = 400
export const MOST_SHOPS = 12

/** What is wanted, and who has it today: all that a basket is reckoned from. */
export const BasketJobSchema = z.strictObject({
  wants: z
    .array(
      z.strictObject({
        material: z.string().min(1).max(60).describe('what the want is known by, and the offers that are of it'),
        of: z.strictObject({ material: z.string().min(1).max(60), width: z.number().nullable() }).describe('what lots of it are of'),
        count: z.int().min(1).max(1_000_000).describe('things or rolls'),
        usual: z
          .strictObject({ holds: z.int().min(1).max(LARGEST_PACK), price: z.int().min(0).max(DEAREST) })
          .describe('a pack at its usual price, elsewhere'),
      }),
    )
    .max(MOST_WANTS),
  shops: z
    .array(
      ShopSchema.pick({ id: true, name: true, trip: true, minimum: true }).extend({
        offers: z.array(OfferSchema.omit({ days: true })).max(2000),
      }),
    )
    .max(MOST_SHOPS)
    .describe('with the offers of what is wanted, as they are today'),
})
export type BasketJob = z.infer<typeof BasketJobSchema>

/** So many packs of an offer at a shop: the shop, the offer's place there, packs. */
export interface PacksChosen {
  readonly shop: string
  readonly offer: number
  readonly packs: number
}

/** What a solver answers: choices, what none can beat, and whether they are the best. */
export const SolvedSchema = z.strictObject({
  choices: z.array(z.strictObject({ shop: z.string(), offer: z.int().min(0), packs: z.int().min(1) })),
  floor: z.number().nullable().describe('no basket costs less, minor units; null when none was found'),
  proven: z.boolean(),
})
export type Solved = z.infer<typeof SolvedSchema>

/** So much of one thing that is wanted. */
export interface Line {
  /** What the want is known by. */
  readonly material: string
  /** What lots of it are of, and how wide a bare base is, mm. */
  readonly of: BasketJob['wants'][number]['of']
  readonly bought: Bought
}

/** What is bought at one shop. */
export interface ShopStop {
  readonly shop: string
  readonly name: string
  readonly lines: readonly Line[]
  readonly goods: PriceRange
  readonly trip: Minor
  /** Whether it reaches the least that is sold in one order, which counts each line by itself, before coupons. */
  readonly enough: boolean
}

/** What is bought where, for all that is wanted. Without tax. */
export interface Basket {
  readonly stops: readonly ShopStop[]
  /** What no shop of it has enough of: at the usual price, elsewhere. */
  readonly elsewhere: readonly Line[]
  /** Goods, trips, and what is bought elsewhere. */
  readonly cost: PriceRange
}

/** The job of buying so much on the day that it is, from the shops that one goes to. */
export function basketJob(wants: readonly ToBuy[], pricing: Pricing): BasketJob {
  const asked = wants.flatMap((want) => {
    const of = soldOf(want, pricing.shelf)
    return of && want.count > 0 ? [{ want, of }] : []
  })
  const on = (shop: Shop): BasketJob['shops'][number]['offers'] =>
    asked.flatMap(({ want: { material }, of }) =>
      offersOf(shop, of).flatMap((offer) => {
        if (!soldOn(offer, pricing.day) || offer.stock === 0) return []
        const { holds, price, reductions, stock } = priceOn(shop.name, offer, pricing.day)
        return [{ material, holds, price, stock, reductions: reductions.map((each) => ({ ...each, from: null, until: null })) }]
      }),
    )
  return {
    wants: asked.map(({ want: { material, count }, of }) => ({
      material,
      of: { material: of.id, width: of.width ?? null },
      count,
      usual: { holds: of.pack.holds, price: of.pack.price },
    })),
    shops: pricing.shops
      .filter(({ id }) => !pricing.shunned.includes(id))
      .map((shop) => ({ id: shop.id, name: shop.name, trip: shop.trip, minimum: shop.minimum, offers: on(shop) }))
      .filter(({ offers }) => offers.length > 0),
  }
}

/** The exact cost of choices, each line rounded to the cent; what they leave wanting is bought elsewhere. @throws RangeError for a choice that is of no shop or offer of the job */
export function basketOf({ wants, shops }: BasketJob, choices: readonly PacksChosen[]): Basket {
  const had = new Map<string, number>()
  const wanted = new Map(wants.map(({ material, of }) => [material, of]))
  const stops = shops.flatMap((shop): ShopStop[] => {
    const lines = choices
      .filter((choice) => choice.shop === shop.id && choice.packs > 0)
      .map(({ offer, packs }) => {
        const of = shop.offers[offer]
        if (!of) throw new RangeError(`${shop.id} has no offer ${offer}`)
        had.set(of.material, (had.get(of.material) ?? 0) + packs * of.holds)
        const price: Price = { shop: shop.name, holds: of.holds, price: of.price, reductions: of.reductions, stock: of.stock }
        return {
          material: of.material,
          of: wanted.get(of.material) ?? { material: of.material, width: null },
          bought: { ...price, packs, cost: lineRange(of.price, packs, of.reductions) },
        }
      })
    if (!lines.length) return []
    const bought = together(lines.map((line) => line.bought))
    const goods = added(bought.map(({ cost }) => cost))
    const counts = lines.reduce(
      (all, { bought: { price, packs, reductions } }) =>
        all +
        lineCost(
          price,
          packs,
          reductions.filter(({ kind }) => kind !== 'coupon'),
          'least',
        ),
      0,
    )
    return [
      {
        shop: shop.id,
        name: shop.name,
        lines: lines.map((line, i) => ({ ...line, bought: bought[i]! })),
        goods,
        trip: shop.trip,
        enough: counts >= shop.minimum,
      },
    ]
  })
  if (choices.some(({ shop }) => !shops.some(({ id }) => id === shop))) throw new RangeError('a choice of a shop that is not there')
  const elsewhere = wants.flatMap(({ material, of, count, usual }) => {
    const short = count - (had.get(material) ?? 0)
    return short > 0 ? packsOver(short, [listPriceOf(null, usual.holds, usual.price)]).map((bought) => ({ material, of, bought })) : []
  })
  const trips = stops.reduce((all, { trip }) => all + trip, 0)
  const [least, most] = added([...stops.map(({ goods }) => goods), ...elsewhere.map(({ bought }) => bought.cost)])
  return { stops, elsewhere, cost: [least + trips, most + trips] }
}

const added = (spans: readonly PriceRange[]): PriceRange => [
  spans.reduce((all, [a]) => all + a, 0),
  spans.reduce((all, [, b]) => all + b, 0),
]

/** Baskets from fewer and more shops. */
export interface Baskets {
  readonly best: Basket
  /** The best from one shop alone, and from two; null where no shop has anything. */
  readonly one: Basket | null
  readonly two: Basket | null
  /** What all that is wanted of a material costs in a shop by itself, by shop and material; not there where the shop has not so much. */
  readonly alone: Readonly<Record<string, Readonly<Record<string, Minor>>>>
  /** What none can beat, where it is known. */
  readonly floor: number | null
  readonly proven: boolean
}

/** Whether a second stop is worth its trip; null where there is nothing to choose. */
export function secondStop({ best, one, two }: Pick<Baskets, 'best' | 'one' | 'two'>): Said | null {
  if (!one || !two || two.stops.length < 2) return best.stops.length === 1 ? ['One stop has it all for least.'] : null
  const more = one.elsewhere.length - two.elsewhere.length
  if (more > 0) return [`The second stop is worth it: it has ${several(more, 'thing', 'things')} that the first has not.`]
  const saves = one.cost[1] - two.cost[1]
  if (saves > 0) return sum`The second stop is worth it: it saves ${quantity.money(saves)}, its trip paid.`
  return saves < 0
    ? sum`The second stop is not worth it: it would cost ${quantity.money(-saves)} more.`
    : ['The second stop is not worth it: with its trip it costs the same.']
}

/** More shops than this are not tried in every combination. */
const TRIED = 8

/**
 * A good basket, worked at once: every set of shops is tried, each line bought where it costs least in that set. It does not
 * buy more than is wanted to reach the least that a shop sells, so that it may miss the best: it is not proven.
 */
export function basketSoon(job: BasketJob): Baskets {
  const shops = job.shops.slice(0, TRIED)
  const empty = basketOf(job, [])
  let best = empty
  const of: (Basket | null)[] = [empty, null, null]
  const remembered = new Map<string, PacksChosen[]>()
  for (let set = 1; set < 1 << shops.length; set++) {
    const own = shops.filter((_, i) => set & (1 << i))
    const choices = job.wants.flatMap((want) => bought(want, own, remembered))
    const basket = basketOf(job, choices)
    if (basket.stops.some(({ enough }) => !enough)) continue
    if (isBetter(basket, best)) best = basket
    const stops = basket.stops.length
    for (const n of [1, 2]) if (stops > 0 && stops <= n && (!of[n] || isBetter(basket, of[n]))) of[n] = basket
  }
  return { best, one: of[1]!, two: of[2]!, alone: aloneIn(job, remembered), floor: null, proven: false }
}

function aloneIn(job: BasketJob, remembered: Map<string, PacksChosen[]>): Baskets['alone'] {
  return Object.fromEntries(
    job.shops.map((shop) => [
      shop.id,
      Object.fromEntries(
        job.wants.flatMap((want) => {
          const packs = bought(want, [shop], remembered).map(({ offer, packs: n }) => ({ of: shop.offers[offer]!, n }))
          if (packs.reduce((had, { of, n }) => had + n * of.holds, 0) < want.count) return []
          return [[want.material, packs.reduce((all, { of, n }) => all + lineRange(of.price, n, of.reductions)[1], 0)]]
        }),
      ),
    ]),
  )
}

/** Whether a basket leaves less to be found elsewhere, or as much and costs less. */
export function isBetter(a: Basket, b: Basket): boolean {
  const missing = ({ elsewhere }: Basket): number => elsewhere.length
  if (missing(a) !== missing(b)) return missing(a) < missing(b)
  return a.cost[1] !== b.cost[1] ? a.cost[1] < b.cost[1] : a.cost[0] < b.cost[0]
}

function bought(
  { material, count }: BasketJob['wants'][number],
  shops: BasketJob['shops'],
  remembered: Map<string, PacksChosen[]>,
): PacksChosen[] {
  const offers = shops.flatMap((shop) =>
    shop.offers.flatMap((offer, i) =>
      offer.material === material ? [{ ...offer, shop: shop.name, at: { shop: shop.id, offer: i } }] : [],
    ),
  )
  if (!offers.length) return []
  const key = `${material} ${offers.map(({ at }) => `${at.shop}:${at.offer}`).join(' ')}`
  const before = remembered.get(key)
  if (before) return before
  const found = packsOver(count, offers).map((each) => ({
    ...(each as Bought & { at: { shop: string; offer: number } }).at,
    packs: each.packs,
  }))
  remembered.set(key, found)
  return found
}

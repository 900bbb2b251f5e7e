import { z } from 'zod'
import type { BaseKind } from '../base'
import type { BareBase } from '../material'
import type { Day, Minor } from '../measure'
import { onceFor, weekdayOf } from '../measure'
import { baseLots, servesAs } from '../stock'
import { DEAREST, holdsOn, LARGEST_PACK, ReductionSchema } from './reduction'
import type { Reduction } from './reduction'

/** What a shop asks for a pack of something. */
export const OfferSchema = z.strictObject({
  material: z.string().min(1).max(60).describe('a material’s id, or `base:` and the kind of a bare base'),
  width: z.number().min(5).max(100_000).optional().describe('of a bare base, mm; not there for all else'),
  holds: z.int().min(1, 'A pack holds one at least.').max(LARGEST_PACK),
  price: z.int().min(1, 'A price is over nothing.').max(DEAREST).describe('list price of a pack, minor units'),
  reductions: z.array(ReductionSchema).max(40),
  stock: z.int().min(0).max(100_000).nullable().describe('packs that are there today; null is as many as one wants'),
  days: z.array(z.int().min(0).max(6)).max(7).describe('days of the week on which it is to be had, Sunday 0; empty is every day'),
})
export type Offer = z.infer<typeof OfferSchema>

/** A price list, and what it takes to go there. */
export const ShopSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1).max(60),
  note: z.string().max(200),
  trip: z.int().min(0).max(DEAREST).describe('what going there once costs, or having it sent, minor units'),
  minimum: z.int().min(0).max(DEAREST).describe('the least that is sold in one order, minor units'),
  sells: z.number().min(0).max(1).describe('how likely something that is there is gone a week later'),
  offers: z.array(OfferSchema).max(5000),
})
export type Shop = z.infer<typeof ShopSchema>

const indexed = onceFor<Shop, ReadonlyMap<string, readonly Offer[]>>()
/** What a shop has of one thing. */
export const offersOf = (shop: Shop, sold: Sold): readonly Offer[] => {
  const own =
    indexed(shop, () => {
      const found = new Map<string, Offer[]>()
      for (const offer of shop.offers) found.set(offer.material, [...(found.get(offer.material) ?? []), offer])
      return found
    }).get(sold.id) ?? []
  return sold.width === undefined ? own : own.filter((offer) => isOf(offer, sold))
}

/** What `GET /api/shops` answers: who there is to ask. */
export const ShopNamesSchema = z.strictObject({ shops: z.array(ShopSchema.pick({ id: true, name: true, note: true })).max(50) })

/** Something that is sold: what offers know it by, how wide a bare base is, and a pack of it at its usual price. */
export interface Sold {
  readonly id: string
  readonly width?: number
  /** Whether its maker says what it costs: then no shop is asked. */
  readonly ownPrice?: boolean
  readonly pack: { readonly name: string; readonly holds: number; readonly price: Minor }
}

/** A bare base as it is sold. */
export const soldBase = ({ material, width, price, ownPrice }: Pick<BareBase, 'material' | 'width' | 'price' | 'ownPrice'>): Sold => ({
  id: baseLots(material as BaseKind),
  width,
  ...(ownPrice ? { ownPrice } : {}),
  pack: { name: 'base', holds: 1, price },
})

/** Whether an offer is of what is wanted: a bare base by its width as well. */
export const isOf = (offer: Pick<Offer, 'material' | 'width'>, { id, width, ownPrice }: Sold): boolean =>
  offer.material === id && !ownPrice && (width === undefined || servesAs({ cut: offer.width ?? null }, width))

/** A pack that something can be bought in, as it is today. */
export interface Price {
  /** The shop's name; null is the catalogue's usual price. */
  readonly shop: string | null
  readonly holds: number
  /** Of one pack before reductions. */
  readonly price: Minor
  /** Those that hold today. */
  readonly reductions: readonly Reduction[]
  /** How many packs there are; null is as many as one wants. */
  readonly stock: number | null
}

/** A price without reductions, of which there is as much as one wants. */
export const listPriceOf = (shop: string | null, holds: number, price: Minor): Price => ({
  shop,
  holds,
  price,
  reductions: [],
  stock: null,
})

/** Whether it can be had on a day; without a day, it can. */
export function soldOn({ days }: Pick<Offer, 'days'>, day: Day | null): boolean {
  // Documents of shops count from Sunday.
  return days.length === 0 || day === null || days.includes((weekdayOf(day) + 1) % 7)
}

/** An offer as it is on a day. */
export const priceOn = (shop: string, { holds, price, reductions, stock }: Offer, day: Day | null): Price => ({
  shop,
  holds,
  price,
  reductions: reductions.filter((each) => holdsOn(each, day)),
  stock,
})

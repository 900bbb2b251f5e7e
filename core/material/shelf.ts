import { z } from 'zod'
import type { Material } from './schema'
import { CATALOGUE } from './catalogue'

export const OfferSchema = z.strictObject({
  material: z.string().min(1).max(60),
  holds: z.int().min(1).max(10_000),
  price: z.int().min(0).max(10_000_000),
})

export const ShopSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1).max(60),
  note: z.string().max(200),
  offers: z.array(OfferSchema).max(5000),
})

/** What `GET /api/shops` answers. */
export const ShopsSchema = z.strictObject({ shops: z.array(ShopSchema).max(50) })

export type Offer = z.infer<typeof OfferSchema>
export type Shop = z.infer<typeof ShopSchema>

/** What is known besides the piece: materials, prices, what is in stash, and the maker's own rules of thumb. */
export interface Shelf {
  readonly materials: Readonly<Record<string, Material>>
  readonly shops: readonly Shop[]
  /** Pieces in the stash, by material. */
  readonly stash: Readonly<Record<string, number>>
  /** Extra of fresh, dried and preserved stems, as a share of what is needed: rule of thumb, 0 to 1. */
  readonly spare: number
}

export const SPARE = 0.1

/** The catalogue with nothing of one's own. */
export const plainShelf = (shops: readonly Shop[] = [], spare = SPARE): Shelf => ({ materials: CATALOGUE, shops, stash: {}, spare })

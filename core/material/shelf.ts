import { z } from 'zod'
import type { Rates } from '../measure'
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

/** What is known besides the piece: materials, prices, and the maker's own rules of thumb. */
export interface Shelf {
  readonly materials: Readonly<Record<string, Material>>
  readonly shops: readonly Shop[]
  /** The maker's own rules of thumb, by id; what is not there is as usual. */
  readonly rates: Rates
}

/** A material by its id, which may be any word that a file or a person gives: only what the shelf itself has counts. */
export const materialOf = ({ materials }: Pick<Shelf, 'materials'>, id: string): Material | undefined =>
  Object.hasOwn(materials, id) ? materials[id] : undefined

/** The catalogue with nothing of one's own. */
export const plainShelf = (shops: readonly Shop[] = [], rates: Rates = {}): Shelf => ({ materials: CATALOGUE, shops, rates })

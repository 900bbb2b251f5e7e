import type { Day } from '#core/measure'
import type { Shop } from '#core/price'
import { ShopNamesSchema, ShopSchema } from '#core/price'
import { addressOf } from './address'
import { askFor, NoAnswer } from './http'

/** How long a shop may take, ms. */
export const PATIENCE = 4000

/** Who there is to ask. @throws NoAnswer */
export const askNames = async (): Promise<readonly { readonly id: string; readonly name: string; readonly note: string }[]> =>
  (await askFor({ address: addressOf('api/shops'), patience: PATIENCE, schema: ShopNamesSchema, what: 'list of shops' })).shops

/** A shop's price list of a day. @throws NoAnswer with what is wrong with it */
export async function askShop(id: string, day: Day): Promise<Shop> {
  const address = addressOf(`api/shops/${encodeURIComponent(id)}?day=${day}`)
  const shop = await askFor({ address, patience: PATIENCE, schema: ShopSchema, what: 'price list' })
  if (shop.id !== id) throw new NoAnswer('sent what is no price list')
  return shop
}

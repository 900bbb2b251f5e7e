import { defineEventHandler } from 'h3'
import { ShopNamesSchema } from '../../../core/price'
import { SHOPS } from '../../shops/assortments'

/** Who there is to ask. */
export default defineEventHandler(() => ShopNamesSchema.parse({ shops: SHOPS.map(({ id, name, note }) => ({ id, name, note })) }))

import { setTimeout as wait } from 'node:timers/promises'
import { createError, defineEventHandler, getQuery, getRouterParam } from 'h3'
import { DaySchema } from '../../../core/measure'
import { ShopSchema } from '../../../core/price'
import { mannersOf, shopOn } from '../../shops/promotions'

/** The stand-in shop with its price list of a day: `/api/shops/pinfold?day=2026-10-20`. */
export default defineEventHandler(async (event) => {
  const query = getQuery(event)
  const read = DaySchema.safeParse(query.day)
  if (!read.success) throw createError({ statusCode: 400, statusMessage: 'Say of which day: day=2026-10-20.' })
  const day = read.data
  const id = getRouterParam(event, 'shop') ?? ''
  const shop = shopOn(id, day)
  if (!shop) throw createError({ statusCode: 404, statusMessage: 'There is no such shop.' })
  const { waits, out } = mannersOf(id, day)
  if (out) throw createError({ statusCode: 503, statusMessage: 'Nobody answers today.' })
  if (waits) await wait(waits)
  return ShopSchema.parse(shop)
})

import { defineStore } from 'pinia'
import { computed } from 'vue'
import type { Shelf } from '#core/material'
import { CATALOGUE } from '#core/material'
import type { Day } from '#core/measure'
import { recordOf } from '#core/measure'
import type { Shop } from '#core/price'
import type { ShopRecord } from '~/db'
import { db } from '~/db'
import { followed } from './live-query'
import { useMaterials } from './materials'
import { useDaybook } from './daybook'
import { useNotices } from './notices'
import { useAsking } from './shops-asked'
import { useSettings } from './settings'

/**
 * The shops with their prices of the day, those of one's own beside them. One that does not answer is known by what it said last;
 * the app works the same when none does.
 */
export const useShops = defineStore('shops', () => {
  const daybook = useDaybook()
  const settings = useSettings()
  const materials = useMaterials()
  const notices = useNotices()
  const records = followed<readonly ShopRecord[]>(() => db().shops.toArray(), [])
  const { answers, state, day, load } = useAsking(records)

  /** In the order in which they are asked, then those of one's own. */
  const shops = computed<readonly Shop[]>(() => {
    const order = new Map(answers.value.map(({ id }, i) => [id, i]))
    const at = ({ id, own }: ShopRecord): number => (own ? Infinity : (order.get(id) ?? 1000))
    return [...records.value].sort((a, b) => at(a) - at(b) || a.shop.name.localeCompare(b.shop.name)).map(({ shop }) => shop)
  })
  const shelf = computed<Shelf>(() => ({
    materials: recordOf(Object.entries({ ...CATALOGUE, ...materials.own })),
    rates: settings.rates,
    ...(Object.keys(daybook.measured).length ? { measured: daybook.measured } : {}),
  }))

  return {
    shops,
    records,
    answers,
    state,
    day,
    load: (today: Day): Promise<boolean> => notices.tell('The shops could not be asked', load(today)),
    shelf,
    /** Keeps a price list of one's own. */
    keep: (shop: Shop): Promise<unknown> => db().shops.put({ id: shop.id, shop, own: true, at: Date.now() }),
    forget: (id: string): Promise<void> => db().shops.delete(id),
  }
})

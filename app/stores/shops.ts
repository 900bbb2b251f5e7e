import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Shelf } from '#core/material'
import { CATALOGUE } from '#core/material'
import type { Day } from '#core/measure'
import { recordOf } from '#core/measure'
import type { Shop } from '#core/price'
import { NoAnswer } from '~/utils/http'
import { askNames, askShop } from '~/utils/shops-api'
import type { ShopRecord } from '~/db'
import { db } from '~/db'
import { followed } from './live-query'
import { useMaterials } from './materials'
import { useDaybook } from './daybook'
import { useNotices } from './notices'
import { useSettings } from './settings'

/** How a shop answered. */
export interface Answered {
  readonly id: string
  readonly name: string
  readonly note: string
  readonly state: 'asking' | 'answered' | 'silent'
  /** Why it is silent: "took too long to answer". */
  readonly why: string
}

/**
 * The shops with their prices of the day, those of one's own beside them. One that does not answer is known by what it said last;
 * the app works the same when none does.
 */
export const useShops = defineStore('shops', () => {
  const daybook = useDaybook()
  const settings = useSettings()
  const materials = useMaterials()
  const notices = useNotices()
  const answers = shallowRef<readonly Answered[]>([])
  const state = ref<'asking' | 'answered' | 'silent'>('asking')
  const day = ref<Day | null>(null)
  const records = followed<readonly ShopRecord[]>(() => db().shops.toArray(), [])

  async function load(today: Day): Promise<void> {
    day.value = today
    const known = await db()
      .shops.filter(({ own }) => !own)
      .toArray()
    const names = await askNames().catch((error: unknown) => {
      if (!(error instanceof NoAnswer)) throw error
      return known.map(({ shop: { id, name, note } }) => ({ id, name, note }))
    })
    answers.value = names.map((each) => ({ ...each, state: 'asking', why: '' }))
    await Promise.all(names.map(({ id }) => askOne(id, today)))
    state.value = answers.value.some((each) => each.state === 'answered') ? 'answered' : 'silent'
  }
  async function askOne(id: string, today: Day): Promise<void> {
    const tell = (how: Pick<Answered, 'state' | 'why'>): void => {
      answers.value = answers.value.map((each) => (each.id === id ? { ...each, ...how } : each))
    }
    try {
      const shop = await askShop(id, today)
      await db().shops.put({ id, shop, own: false, at: Date.now() })
      // What is priced by it need not wait for the database to say so.
      records.value = [...records.value.filter((each) => each.id !== id), { id, shop, own: false, at: Date.now() }]
      tell({ state: 'answered', why: '' })
    } catch (error) {
      if (!(error instanceof NoAnswer)) throw error
      tell({ state: 'silent', why: error.message })
    }
  }

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

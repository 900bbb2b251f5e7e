import type { ShallowRef } from 'vue'
import { ref, shallowRef } from 'vue'
import type { Day } from '#core/measure'
import type { ShopRecord } from '~/db'
import { db } from '~/db'
import { NoAnswer } from '~/utils/http'
import { askNames, askShop } from '~/utils/shops-api'

/** How a shop answered. */
export interface Answered {
  readonly id: string
  readonly name: string
  readonly note: string
  readonly state: 'asking' | 'answered' | 'silent'
  /** Why it is silent: "took too long to answer". */
  readonly why: string
}

/** Asks the shops for their prices of a day. @param records of all shops, as they were last known */
export function useAsking(records: ShallowRef<readonly ShopRecord[]>) {
  const answers = shallowRef<readonly Answered[]>([])
  const state = ref<'asking' | 'answered' | 'silent'>('asking')
  const day = ref<Day | null>(null)

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

  return { answers, state, day, load }
}

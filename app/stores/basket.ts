import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Day } from '#core/measure'
import type { Baskets, BasketJob, Pricing, Solved, ToBuy } from '#core/price'
import { basketJob, basketOf, isBetter } from '#core/price'
import { NoAnswer } from '~/utils/http'
import { askBasket } from '~/utils/basket-api'
import { askBasketSoon } from '~/workers/plan'
import { useLookers } from './lookers'
import { useNotices } from './notices'
import { useShops } from './shops'
import { useStock } from './stock'
import { useWorkroom } from './workroom'

/** The best basket, and the best with one stop and with two, as the server solved them. @param soon the good one there is already @throws NoAnswer */
async function asSolved(of: BasketJob, soon: Baskets): Promise<Baskets> {
  const take = (solved: Solved) => basketOf(of, solved.choices)
  const any = await askBasket(of, null)
  const best = take(any)
  const fewer = async (most: number) => {
    if (best.stops.length <= most) return best
    const found = take(await askBasket(of, most))
    return found.stops.length ? found : null
  }
  const [one, two] = await Promise.all([fewer(1), fewer(2)])
  return { ...soon, best: isBetter(soon.best, best) ? soon.best : best, one, two, floor: any.floor, proven: any.proven }
}

/** What to buy where for all that is in hand: a good basket at once, and the best as soon as the server has solved it. */
export const useBasket = defineStore('basket', () => {
  const workroom = useWorkroom()
  const stock = useStock()
  const shops = useShops()
  const notices = useNotices()
  /** When one goes shopping; null is today. */
  const on = ref<Day | null>(null)
  const baskets = shallowRef<Baskets | null>(null)
  const state = ref<'solving' | 'solved' | 'by itself'>('solving')
  /** Why nobody solved it. */
  const why = ref('')

  const wants = computed<readonly ToBuy[]>(() =>
    (workroom.plan?.materials ?? []).flatMap(({ id, base, toBuy }) => (toBuy > 0 ? [{ material: id, count: toBuy, base }] : [])),
  )
  const pricing = computed<Pricing>(() => ({ ...stock.pricing, day: on.value ?? shops.day }))
  const job = computed<BasketJob | null>(() => (workroom.plan && shops.state !== 'asking' ? basketJob(wants.value, pricing.value) : null))

  let turn = 0
  async function solve(of: BasketJob): Promise<void> {
    turn += 1
    const own = turn
    const soon = await askBasketSoon(of)
    if (own !== turn) return
    baskets.value = soon
    state.value = 'solving'
    why.value = ''
    try {
      const solved = await asSolved(of, soon)
      if (own !== turn) return
      baskets.value = solved
      state.value = 'solved'
    } catch (error) {
      if (!(error instanceof NoAnswer)) throw error
      if (own !== turn) return
      state.value = 'by itself'
      why.value = error.message
    }
  }
  const { lookers, look } = useLookers()
  let asked = ''
  watch(
    [job, lookers],
    ([of]) => {
      const key = JSON.stringify(of)
      // What is planned anew mostly asks for the same.
      if (!of || !lookers.value || (key === asked && state.value === 'solved')) return
      asked = key
      void notices.tell('The basket could not be worked out', solve(of))
    },
    { immediate: true },
  )
  return { on, baskets, state, why, wants, pricing, job, look }
})

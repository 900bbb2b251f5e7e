import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { InHand, Plan, PlanProgress, Workroom } from '#core/workroom'
import { inHandSaid } from '#core/workroom'
import { planInHand } from '~/workers/plan'
import { useLookers } from './lookers'
import { useOrders } from './orders'
import { useNewestOrder, usePlanning } from './planning'
import { useShops } from './shops'
import { useStock } from './stock'

/** Everything in hand, and the one plan that follows from it; made while a page looks at it. */
export const useWorkroom = defineStore('workroom', () => {
  const shops = useShops()
  const stock = useStock()

  const orders = useOrders()
  const { wanting, kits, gather, gatherKits } = orders
  const inHand = shallowRef<readonly InHand[] | null>(null)
  const plan = shallowRef<Plan | null>(null)
  const { lookers, look } = useLookers()
  const { progress, begin, follow, stop } = useNewestOrder<Plan, PlanProgress>()

  async function make(): Promise<void> {
    const isNewest = begin()
    if (!wanting.value || !lookers.value || shops.state === 'asking') return
    const gathered = [...(await gather(wanting.value)), ...(await gatherKits())]
    if (!isNewest()) return
    inHand.value = gathered
    const workroom: Workroom = { ...stock.pricing, lots: stock.here, pieces: gathered, list: stock.list }
    plan.value = (await follow(isNewest, (tell) => planInHand(workroom, tell))) ?? plan.value
  }
  const { noPlan, again } = usePlanning('What is in hand could not be planned', make)
  watch([wanting, kits, () => stock.pricing, () => stock.here, () => stock.list, () => shops.state, lookers], () => {
    void again()
  })

  /** Whether the plan is of what is in hand now: until it is, nothing is said of it. */
  const current = computed(
    () => inHand.value !== null && inHand.value.every(({ id }) => plan.value !== null && Object.hasOwn(plan.value.ledgers, id)),
  )
  /** How many pieces and classes are in hand, as it is said. */
  const counted = computed(() => inHandSaid(inHand.value ?? [], kits.value))
  return {
    plan,
    noPlan,
    again,
    current,
    counted,
    progress,
    inHand,
    ...orders,
    look,
    stop,
  }
})

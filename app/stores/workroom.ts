import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { STAGE_SORTS } from '#core/piece'
import type { Kit } from '#core/season'
import type { InHand, Plan, PlanProgress, Workroom } from '#core/workroom'
import { classInHand, inHandOf, inHandSaid } from '#core/workroom'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { planInHand } from '~/workers/plan'
import { useBriefs } from './briefs'
import { followed } from './live-query'
import { useLookers } from './lookers'
import { usePieces } from './pieces'
import { useNewestOrder, usePlanning } from './planning'
import { useShops } from './shops'
import { useStock } from './stock'

/** Everything in hand, and the one plan that follows from it; made while a page looks at it. */
export const useWorkroom = defineStore('workroom', () => {
  const pieces = usePieces()
  const shops = useShops()
  const stock = useStock()

  const briefs = useBriefs()
  const kits = followed<readonly Kit[]>(() => db().kits.toArray(), [])
  const inHand = shallowRef<readonly InHand[] | null>(null)
  const plan = shallowRef<Plan | null>(null)
  const { lookers, look } = useLookers()
  const { progress, begin, follow, stop } = useNewestOrder<Plan, PlanProgress>()

  /** Pieces that are still to be made. */
  const wanting = computed(() => pieces.records?.filter(({ piece }) => STAGE_SORTS[piece.stage].toMake) ?? null)

  /** What pieces need, for one copy of each. */
  async function gather(records: readonly PieceRecord[]): Promise<InHand[]> {
    const found = await briefs(records)
    return records.flatMap(({ id, piece }) => (found.has(id) ? [inHandOf(piece, found.get(id)!.needs)] : []))
  }

  /** The pieces that classes make. */
  const taught = computed(() => (pieces.records ?? []).filter(({ id }) => kits.value.some((kit) => kit.piece === id)))
  /** Whether what is in hand is a class, and no piece. */
  const isClass = (id: string): boolean => kits.value.some((kit) => kit.id === id)

  /** What classes need. */
  async function gatherKits(): Promise<InHand[]> {
    const found = await briefs(taught.value)
    return kits.value.flatMap((kit) => (found.has(kit.piece) ? [classInHand(kit, found.get(kit.piece)!.needs)] : []))
  }

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
    wanting,
    kits,
    taught,
    isClass,
    briefs,
    look,
    gather,
    gatherKits,
    stop,
  }
})

import { STAGE_SORTS } from '#core/piece'
import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { several } from '#core/measure'
import type { Kit } from '#core/season'
import { handOut } from '#core/season'
import type { InBrief } from '#core/workings'
import type { InHand, Plan, PlanProgress, Workroom } from '#core/workroom'
import { usePlanning } from '~/stores/planning'
import { useCacheKey } from '~/stores/cache-key'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { following } from '~/stores/live-query'
import type { Going } from '~/workers/jobs'
import { planInHand } from '~/workers/plan'
import { askBriefs } from '~/workers/workings'
import { useNotices } from './notices'
import { usePieces } from './pieces'
import { useShops } from './shops'
import { useStock } from './stock'

/** Pieces that are asked for together. */
const AT_ONCE = 20

/**
 * Everything in hand, and the one plan that follows from it. What a piece needs is kept by its revision, in memory and in
 * the database, so that 200 of them need not be worked out again; the plan is made while a page looks at it.
 */
export const useWorkroom = defineStore('workroom', () => {
  const notices = useNotices()
  const pieces = usePieces()
  const shops = useShops()
  const stock = useStock()
  const keyOf = useCacheKey('sums')

  const known = new Map<string, InBrief & { readonly key: string }>()
  const kits = shallowRef<readonly Kit[]>([])
  following(
    () => db().kits.toArray(),
    (all) => {
      kits.value = all
    },
  )
  /** Pieces that could not be worked out, by what they were: told once, and left out. */
  const failed = new Map<string, string>()
  const inHand = shallowRef<readonly InHand[] | null>(null)
  const plan = shallowRef<Plan | null>(null)
  const progress = shallowRef<PlanProgress | null>(null)
  /** How many pages look at the plan. */
  const lookers = ref(0)
  let going: Going<Plan> | null = null
  let turn = 0

  /** Pieces that are still to be made. */
  const wanting = computed(() => pieces.records?.filter(({ piece }) => STAGE_SORTS[piece.stage].toMake) ?? null)

  let before: Promise<unknown> = Promise.resolve()
  /** Pieces in brief, by their ids; without those that cannot be worked out. One question after the other: what the first had worked out, the next need not. */
  function briefs(records: readonly PieceRecord[]): Promise<ReadonlyMap<string, InBrief>> {
    const answer = before.then(() => workOut(records))
    before = answer.catch(() => {})
    return answer
  }
  async function workOut(records: readonly PieceRecord[]): Promise<ReadonlyMap<string, InBrief>> {
    const unknown = records.filter((record) => known.get(record.id)?.key !== keyOf(record))
    const kept = await db().needs.bulkGet(unknown.map(({ id }) => id))
    unknown.forEach((record, i) => {
      if (kept[i]?.key === keyOf(record)) known.set(record.id, kept[i])
    })
    const missing = unknown.filter((record) => known.get(record.id)?.key !== keyOf(record) && failed.get(record.id) !== keyOf(record))
    for (let i = 0; i < missing.length; i += AT_ONCE) {
      const some = missing.slice(i, i + AT_ONCE)
      const answers = await askBriefs(
        some.map(({ piece }) => piece),
        stock.pricing,
      )
      const found = some.flatMap((record, k) => {
        const answer = answers[k]!
        if (answer.ok) return [{ id: record.id, key: keyOf(record), needs: answer.needs, tasks: answer.tasks }]
        failed.set(record.id, keyOf(record))
        notices.fault(`What “${record.piece.brief.name}” needs could not be worked out`, `${answer.error}\nThe plan is without it.`)
        return []
      })
      await db().needs.bulkPut(found)
      for (const each of found) known.set(each.id, each)
    }
    return new Map(records.flatMap(({ id }) => (known.has(id) ? [[id, known.get(id)!] as const] : [])))
  }

  /** What pieces need, for one copy of each. */
  async function gather(records: readonly PieceRecord[]): Promise<InHand[]> {
    const found = await briefs(records)
    return records.flatMap(({ id, piece: { brief } }): InHand[] => {
      const needs = found.get(id)?.needs
      if (!needs) return []
      return [{ id, name: brief.name, copies: brief.copies, needs }]
    })
  }

  /** The pieces that classes make. */
  const taught = computed(() => (pieces.records ?? []).filter(({ id }) => kits.value.some((kit) => kit.piece === id)))
  /** Whether what is in hand is a class, and no piece. */
  const isClass = (id: string): boolean => kits.value.some((kit) => kit.id === id)

  /** What classes need: each an order of its own, beside the piece. */
  async function gatherKits(): Promise<InHand[]> {
    const found = await briefs(taught.value)
    return kits.value.flatMap((kit): InHand[] => {
      const needs = found.get(kit.piece)?.needs
      return needs ? [{ id: kit.id, name: `${kit.name}, kits`, copies: 1, needs: handOut(needs, kit.heads + kit.spares, kit.swaps) }] : []
    })
  }

  /** Only the newest order is followed to its end. */
  async function make(): Promise<void> {
    turn += 1
    const own = turn
    going?.stop()
    progress.value = null
    if (!wanting.value || !lookers.value || shops.state === 'asking') return
    const gathered = [...(await gather(wanting.value)), ...(await gatherKits())]
    if (own !== turn) return
    inHand.value = gathered
    const workroom: Workroom = { ...stock.pricing, lots: stock.here, pieces: gathered, list: stock.list }
    const job = planInHand(workroom, (told) => {
      if (own === turn) progress.value = told
    })
    going = job
    try {
      const answer = await job.done
      if (own === turn) plan.value = answer
    } finally {
      if (own === turn) progress.value = null
    }
  }
  const { noPlan, again } = usePlanning('What is in hand could not be planned', make)
  watch([wanting, kits, () => stock.pricing, () => stock.here, () => stock.list, () => shops.state, lookers], () => {
    void again()
  })

  /** Keeps the plan made for as long as a page is there. */
  function look(): void {
    lookers.value += 1
    onScopeDispose(() => {
      lookers.value -= 1
    })
  }
  /** Whether the plan is of what is in hand now: until it is, nothing is said of it. */
  const current = computed(
    () => inHand.value !== null && inHand.value.every(({ id }) => plan.value !== null && Object.hasOwn(plan.value.ledgers, id)),
  )
  /** How many pieces and classes are in hand, as it is said. */
  const counted = computed(() => {
    const classes = inHand.value?.filter(({ id }) => isClass(id)).length ?? 0
    const made = several((inHand.value?.length ?? 0) - classes, 'piece', 'pieces')
    return classes > 0 ? `${made} and ${several(classes, 'class', 'classes')}` : made
  })
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
    stop: (): void => going?.stop(),
  }
})

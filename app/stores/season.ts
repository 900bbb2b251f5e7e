import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Day } from '#core/measure'
import type { Batch, Kit, Season, SeasonJob, SeasonMend, SeasonPlan, SeasonProgress, ToMake } from '#core/season'
import { changedBy, classToMake, freshDaysOf, KitSchema, toMakeOf, usualSeason } from '#core/season'
import type { MakingProgress } from '~/db'
import { db } from '~/db'
import { changeSeason, joinBatch, leaveBatch, seasonNow } from '~/commands/season'
import { planTheSeason } from '~/workers/plan'
import { followed, following } from './live-query'
import { useLookers } from './lookers'
import { newId, usePieces } from './pieces'
import { useNewestOrder, usePlanning } from './planning'
import { useShops } from './shops'
import { useStock } from './stock'
import { useWorkroom } from './workroom'

interface Planned {
  readonly plan: SeasonPlan
  readonly mends: readonly SeasonMend[]
}

/** Everything that is to be made, by days: what was decided of it, and the one plan that follows; made while a page looks at it. */
export const useSeason = defineStore('season', () => {
  const workroom = useWorkroom()
  const shops = useShops()
  const stock = useStock()
  const pieces = usePieces()

  const season = shallowRef<Season>(usualSeason())
  const ready = ref(false)
  following(
    () => seasonNow(db()),
    (now) => {
      season.value = now
      ready.value = true
    },
  )
  const batches = followed<readonly Batch[]>(() => db().batches.toArray(), [])
  const progress = followed<ReadonlyMap<string, MakingProgress>>(
    async () => new Map((await db().progress.toArray()).map((each) => [each.piece, each])),
    new Map(),
  )

  const toMake = shallowRef<readonly ToMake[] | null>(null)
  const planned = shallowRef<Planned | null>(null)
  const { lookers, look } = useLookers()
  const { progress: under, begin, follow, stop } = useNewestOrder<Planned, SeasonProgress>()

  const freshDays = computed(() => freshDaysOf(stock.pricing))

  async function gather(): Promise<ToMake[]> {
    const records = workroom.wanting ?? []
    const { taught } = workroom
    const briefs = await workroom.briefs([...records, ...taught])
    const own = records.flatMap(({ id, piece }) => {
      const brief = briefs.get(id)
      return brief ? [toMakeOf(piece, brief.tasks, progress.value.get(id)?.done ?? [])] : []
    })
    const classes = workroom.kits.flatMap((kit) => {
      const record = taught.find(({ id }) => id === kit.piece)
      const brief = briefs.get(kit.piece)
      return record && brief ? [classToMake(kit, record.piece, brief.tasks, shops.shelf)] : []
    })
    return [...own, ...classes]
  }

  async function make(today: Day): Promise<void> {
    const isNewest = begin()
    if (!lookers.value || !workroom.wanting || !ready.value || !today) return
    const pieces = await gather()
    if (!isNewest()) return
    toMake.value = pieces
    const { rates, measured } = shops.shelf
    const job: SeasonJob = {
      season: season.value,
      batches: batches.value,
      pieces,
      today,
      rates: { rates, ...(measured ? { measured } : {}) },
      freshDays: freshDays.value,
    }
    planned.value = (await follow(isNewest, (tell) => planTheSeason(job, tell))) ?? planned.value
  }
  const { noPlan, again } = usePlanning('The season could not be planned', () => make(shops.day ?? ''))
  watch(
    [() => workroom.wanting, () => workroom.kits, () => shops.shelf, freshDays, season, batches, progress, ready, lookers, () => shops.day],
    () => void again(),
  )

  /** Changes something of the season. @returns what is wrong with it, or null */
  async function set(change: (now: Season) => Partial<Season>): Promise<string | null> {
    const wrong = await changeSeason(db(), change)
    if (wrong === null) season.value = await seasonNow(db())
    return wrong
  }

  /** Puts a piece on a day, or lets it go where it fits. */
  const pin = (piece: string, day: Day | null): Promise<string | null> =>
    set(({ pins }) => {
      const { [piece]: _before, ...others } = pins
      return { pins: day === null ? others : { ...others, [piece]: day } }
    })

  /** Does what would bring the season nearer to fitting, to the season as it is by then. */
  async function mend({ change }: SeasonMend): Promise<void> {
    if (change.kind === 'fewer') await pieces.edit(change.piece, { do: 'brief', set: { copies: change.copies } }, 'set how many are made')
    const wrong = await set((now) => changedBy(change, now))
    if (wrong) throw new Error(wrong)
  }

  return {
    season,
    batches,
    toMake,
    planned,
    under,
    noPlan,
    again,
    ready,
    look,
    set,
    pin,
    mend,
    batchWith: (pieces: readonly string[], name: string): Promise<void> => joinBatch(db(), pieces, name, newId()),
    leaveBatch: (piece: string): Promise<void> => leaveBatch(db(), piece),
    /** @throws when it is no kit */
    keepKit: (kit: Kit): Promise<unknown> => db().kits.put(KitSchema.parse(kit)),
    removeKit: (id: string): Promise<void> => db().kits.delete(id),
    stop,
  }
})

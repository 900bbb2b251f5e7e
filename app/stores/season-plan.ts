import type { Ref, ShallowRef } from 'vue'
import { computed, shallowRef, watch } from 'vue'
import type { Day } from '#core/measure'
import type { Batch, Season, SeasonJob, SeasonMend, SeasonPlan, SeasonProgress, ToMake } from '#core/season'
import { classToMake, freshDaysOf, toMakeOf } from '#core/season'
import type { MakingProgress } from '~/db'
import { planTheSeason } from '~/workers/plan'
import { useLookers } from './lookers'
import { useNewestOrder, usePlanning } from './planning'
import { useShops } from './shops'
import { useStock } from './stock'
import { useWorkroom } from './workroom'

interface Planned {
  readonly plan: SeasonPlan
  readonly mends: readonly SeasonMend[]
}

/** What was decided of a season, and how far making is. */
interface Decided {
  readonly season: ShallowRef<Season>
  readonly batches: ShallowRef<readonly Batch[]>
  readonly progress: ShallowRef<ReadonlyMap<string, MakingProgress>>
  /** Whether it is known yet. */
  readonly ready: Ref<boolean>
}

/** The plan of a season; made while a page looks at it. */
export function useSeasonPlan({ season, batches, progress, ready }: Decided) {
  const workroom = useWorkroom()
  const shops = useShops()
  const stock = useStock()
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

  return { toMake, planned, under, noPlan, again, look, stop }
}

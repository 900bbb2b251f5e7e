import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { materialOf } from '#core/material'
import type { Day } from '#core/measure'
import type { Batch, Kit, Season, SeasonJob, SeasonMend, SeasonPlan, SeasonProgress, ToMake } from '#core/season'
import { changedBy, KitSchema, teaching, usualSeason } from '#core/season'
import { usePlanning } from '~/stores/planning'
import type { MakingProgress } from '~/db'
import { db } from '~/db'
import { following } from '~/stores/live-query'
import { changeSeason, joinBatch, leaveBatch, seasonNow } from '~/commands/season'
import { planTheSeason } from '~/workers/plan'
import type { Going } from '~/workers/jobs'
import { newId, usePieces } from './pieces'
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
  const batches = shallowRef<readonly Batch[]>([])
  const progress = shallowRef<ReadonlyMap<string, MakingProgress>>(new Map())
  const ready = ref(false)
  following(
    () => seasonNow(db()),
    (now) => {
      season.value = now
      ready.value = true
    },
  )
  following(
    () => db().batches.toArray(),
    (all) => {
      batches.value = all
    },
  )
  following(
    () => db().progress.toArray(),
    (all) => {
      progress.value = new Map(all.map((each) => [each.piece, each]))
    },
  )

  const toMake = shallowRef<readonly ToMake[] | null>(null)
  const planned = shallowRef<Planned | null>(null)
  const under = shallowRef<SeasonProgress | null>(null)
  const lookers = ref(0)
  let going: Going<Planned> | null = null
  let turn = 0

  /** On which days of the week fresh things can be had, 0 Monday: those of all shops together; none where any has them always. */
  const freshDays = computed<number[]>(() => {
    const offers = shops.shops.flatMap((shop) => (stock.pricing.shunned.includes(shop.id) ? [] : shop.offers))
    const fresh = offers.filter(({ material }) => materialOf(shops.shelf, material)?.state === 'fresh')
    if (!fresh.length || fresh.some(({ days }) => !days.length)) return []
    return [...new Set(fresh.flatMap(({ days }) => days.map((day) => (day + 6) % 7)))].sort()
  })

  async function gather(): Promise<ToMake[]> {
    const records = workroom.wanting ?? []
    const { taught } = workroom
    const briefs = await workroom.briefs([...records, ...taught])
    // A class is an order of its own, beside the piece.
    const classes = workroom.kits.flatMap((kit): ToMake[] => {
      const piece = taught.find(({ id }) => id === kit.piece)?.piece
      const brief = briefs.get(kit.piece)
      if (!piece || !brief) return []
      const one: ToMake = {
        id: kit.id,
        name: piece.brief.name,
        copies: 1,
        due: kit.day,
        tasks: brief.tasks,
        done: [],
        hangs: null,
        indoors: piece.brief.weather === 'indoors',
      }
      return [teaching(kit, one, shops.shelf)]
    })
    const own = records.flatMap(({ id, piece }): ToMake[] => {
      const brief = briefs.get(id)
      if (!brief) return []
      const own: ToMake = {
        id,
        name: piece.brief.name,
        copies: piece.brief.copies,
        due: piece.making.day,
        tasks: brief.tasks,
        // What is ticked off is done of the first one: of several, the others are still to do.
        done: piece.brief.copies === 1 ? (progress.value.get(id)?.done ?? []) : [],
        hangs: piece.making.hangs,
        indoors: piece.brief.weather === 'indoors',
      }
      return [own]
    })
    return [...own, ...classes]
  }

  async function make(today: Day): Promise<void> {
    turn += 1
    const own = turn
    going?.stop()
    under.value = null
    if (!lookers.value || !workroom.wanting || !ready.value || !today) return
    const pieces = await gather()
    if (own !== turn) return
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
    going = planTheSeason(job, (told) => {
      if (own === turn) under.value = told
    })
    try {
      const answer = await going.done
      if (own === turn) planned.value = answer
    } finally {
      if (own === turn) under.value = null
    }
  }
  const { noPlan, again } = usePlanning('The season could not be planned', () => make(shops.day ?? ''))
  watch(
    [() => workroom.wanting, () => workroom.kits, () => shops.shelf, freshDays, season, batches, progress, ready, lookers, () => shops.day],
    () => void again(),
  )

  /** Keeps the plan made for as long as a page is there. */
  function look(): void {
    lookers.value += 1
    onScopeDispose(() => {
      lookers.value -= 1
    })
  }

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
    stop: (): void => going?.stop(),
  }
})

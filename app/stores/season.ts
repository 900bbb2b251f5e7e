import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Day } from '#core/measure'
import type { Batch, Kit, Season, SeasonMend } from '#core/season'
import { changedBy, KitSchema, usualSeason } from '#core/season'
import type { MakingProgress } from '~/db'
import { db } from '~/db'
import { changeSeason, joinBatch, leaveBatch, seasonNow } from '~/commands/season'
import { followed, following } from './live-query'
import { usePieces } from './pieces'
import { newId } from '~/utils/new-id'
import { useSeasonPlan } from './season-plan'

/** Everything that is to be made, by days: what was decided of it, and the one plan that follows. */
export const useSeason = defineStore('season', () => {
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

  const planning = useSeasonPlan({ season, batches, progress, ready })

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
    ...planning,
    ready,
    set,
    pin,
    mend,
    batchWith: (pieces: readonly string[], name: string): Promise<void> => joinBatch(db(), pieces, name, newId()),
    leaveBatch: (piece: string): Promise<void> => leaveBatch(db(), piece),
    /** @throws when it is no kit */
    keepKit: (kit: Kit): Promise<unknown> => db().kits.put(KitSchema.parse(kit)),
    removeKit: (id: string): Promise<void> => db().kits.delete(id),
  }
})

import { computed } from 'vue'
import { useRuntimeConfig } from '#app'
import type { Shelf } from '#core/material'
import { seedOf } from '#core/measure'
import type { PieceRecord } from '~/db'
import { stampOf } from '~/db/piece-list'
import { useShops } from '~/stores/shops'

/**
 * What follows from a piece is kept by what it followed from: its state, the shelf or what of it is seen, and the app's own version of all
 * that works a piece out and paints it, which the files' contents make, so that nobody can forget to count it up.
 */
export function useCacheKey(of: 'sums' | 'looks'): (record: Pick<PieceRecord, 'revision' | 'savedAt'>) => string {
  const shops = useShops()
  const shelf = computed(() => seedOf(JSON.stringify(of === 'sums' ? shops.shelf : looksOf(shops.shelf))).toString(36))
  const made = (useRuntimeConfig().public.made as Record<typeof of, string>)[of]
  return (record) => `${stampOf(record)}.${shelf.value}.${made}`
}

/** Rules that nothing in a drawing goes by: how long things take and cost, and what only a new layer begins with. */
const UNSEEN =
  /^(steps|price|stock|season|daybook|cut)\.|^(construct\.spare|fix\.(stick|tube)-dots|cover\.(as-laid|second-seen|unseen-under)|piece\.(bundle-advance|bough-yields))$/

/** A shelf as far as drawings go by it. */
function looksOf({ materials, rates, measured }: Shelf): Shelf {
  const seen = <T>(all: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(Object.entries(all).filter(([id]) => !UNSEEN.test(id)))
  const own = seen(measured ?? {})
  return { materials, rates: seen(rates), ...(Object.keys(own).length ? { measured: own } : {}) }
}

import { computed } from 'vue'
import { useRuntimeConfig } from '#app'
import { seedOf } from '#core/measure'
import type { PieceRecord } from '~/db'
import { useShops } from '~/stores/shops'

/**
 * What follows from a piece is kept by what it followed from: its revision, the shelf, and the app's own version of all
 * that works a piece out and paints it, which the files' contents make, so that nobody can forget to count it up.
 */
export function useRevisionKey(): (record: Pick<PieceRecord, 'revision'>) => string {
  const shops = useShops()
  const shelf = computed(() => seedOf(JSON.stringify(shops.shelf)).toString(36))
  const painter = String(useRuntimeConfig().public.painter)
  return ({ revision }) => `${revision}.${shelf.value}.${painter}`
}

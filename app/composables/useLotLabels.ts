import { computed } from 'vue'
import { quantity, show } from '#core/measure'
import type { Lot } from '#core/stock'
import { lotSaid, ownerSaid, sourceSaid } from '#core/stock'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** What one says of a lot, by the shelf, the pieces and the manner of this workroom. */
export function useLotLabels() {
  const settings = useSettings()
  const shops = useShops()
  const pieces = usePieces()
  const names = computed(() => new Map((pieces.records ?? []).map(({ id, piece }) => [id, piece.brief.name])))
  return {
    amount: (lot: Lot): string => lotSaid(lot, shops.shelf, settings.manner),
    from: sourceSaid,
    owner: (lot: Lot): string => ownerSaid(lot, names.value),
    length: (mm: number): string => show(quantity.length(mm), settings.manner),
  }
}

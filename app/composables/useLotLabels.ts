import { computed } from 'vue'
import { isCut, materialOf } from '#core/material'
import { daySaid, quantity, several, show } from '#core/measure'
import type { Lot, Source } from '#core/stock'
import { baseOfLot } from '#core/stock'
import { usePieces } from '~/stores/pieces'
import { useSettings } from '~/stores/settings'
import { useShops } from '~/stores/shops'

/** What one says of a lot: how much it is, where it came from, whose it is. */
export function useLotLabels() {
  const settings = useSettings()
  const shops = useShops()
  const pieces = usePieces()
  const names = computed(() => new Map((pieces.records ?? []).map(({ id, piece }) => [id, piece.brief.name])))
  const length = (mm: number): string => show(quantity.length(mm), settings.manner)

  /** "180 in of 360 in", "2 whole ones", "11 of them", "4, cut to 7 in", "1, 14 in wide" */
  function amount({ things, length: mm, cut, material }: Lot): string {
    if (mm !== null) {
      const full = materialOf(shops.shelf, material)?.length ?? 0
      return `${length(mm)}${full ? ` of ${length(full)}` : ''}`
    }
    const of = materialOf(shops.shelf, material)
    if (cut === null) return of && isCut(of) ? several(things!, 'whole one', 'whole ones') : things === 1 ? 'one' : `${things} of them`
    return baseOfLot({ material }) ? `${things}, ${length(cut)} wide` : `${things}, cut to ${length(cut)}`
  }
  const FROM: { readonly [K in Source['kind']]: (source: Extract<Source, { kind: K }>) => string } = {
    counted: () => 'counted',
    offcut: () => 'put in by hand',
    cut: () => 'cut of a roll',
    shop: ({ shop }) => `bought at ${shop}`,
    piece: ({ name }) => `of “${name}”`,
    found: () => 'found',
    gift: () => 'a gift',
  }
  const from = ({ source, day }: Lot): string => `${(FROM[source.kind] as (of: Source) => string)(source)}${day ? `, ${daySaid(day)}` : ''}`
  /** The name of the piece that has it. */
  function owner({ reserved }: Lot): string {
    if (!reserved) return ''
    if (reserved.piece === null) return 'cut for the list'
    const name = names.value.get(reserved.piece) ?? 'a piece that is gone'
    return reserved.want === null ? name : `cut for ${name}`
  }
  return { amount, from, owner, length }
}

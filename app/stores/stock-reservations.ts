import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { STAGE_SORTS } from '#core/piece'
import type { PieceRecord } from '~/db'
import { stampOf } from '~/db/piece-list'
import { useNotices } from './notices'
import { usePieces } from './pieces'
import { useStock } from './stock'
import { useWorkroom } from './workroom'

/**
 * Keeps what is in the house for the pieces that are gathered for or made, as they are now, and gives back what they need no
 * more. Whoever began first has it: what another piece keeps is left to it, also when that was in another tab.
 */
export const useReserving = defineStore('reserving', () => {
  const pieces = usePieces()
  const stock = useStock()
  const workroom = useWorkroom()
  const notices = useNotices()
  /** By piece: its stage, and of which state it keeps what it keeps. */
  const settled = new Map<string, string>()

  async function settle(records: readonly PieceRecord[]): Promise<void> {
    const keyOf = (record: PieceRecord): string => {
      const { stage } = record.piece
      const how = STAGE_SORTS[stage].stock
      return how === 'keeps' ? `${stage} ${stampOf(record)}` : how
    }
    const changed = records.filter((record) => settled.get(record.id) !== keyOf(record))
    const kept = new Set(stock.lots.flatMap(({ reserved }) => (reserved && reserved.want === null ? [reserved.piece] : [])))
    for (const { id, piece } of changed) if (STAGE_SORTS[piece.stage].stock === 'gives back' && kept.has(id)) await stock.release(id)
    const keeping = changed.filter(({ piece }) => STAGE_SORTS[piece.stage].stock === 'keeps')
    if (keeping.length) await stock.keepFor(await workroom.gather(keeping))
    // What a piece kept and did not take is the house's as soon as it is made.
    const made = changed.filter(({ id, piece }) => STAGE_SORTS[piece.stage].stock === 'has' && kept.has(id))
    if (made.length) await stock.useUp(await workroom.gather(made))
    for (const record of changed) settled.set(record.id, keyOf(record))
  }
  let seen: unknown = null
  watchDebounced(
    [() => pieces.records, () => stock.lots] as const,
    ([records, lots]) => {
      if (!records) return
      // More in the house may serve what could not be kept before; where it does not, nothing is written.
      if (lots !== seen) for (const [id, key] of settled) if (key !== 'has') settled.delete(id)
      seen = lots
      void notices.tell('What is in the house could not be kept for the pieces', settle(records))
    },
    { debounce: 600, immediate: true },
  )
  return {}
})

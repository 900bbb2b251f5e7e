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
 * Reconciles what is kept in the house with the pieces as they are: at the start, as a piece that is gathered for is edited, when
 * more comes into the house, and when another tab wrote. Setting a stage does so by itself, in one write (`saveStage`).
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
    // A piece that keeps nothing has nothing to give back, and nothing that could be in it.
    const open = changed.filter(({ id, piece }) => STAGE_SORTS[piece.stage].stock === 'keeps' || kept.has(id))
    await stock.settle(await workroom.makings(open))
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

import { watchDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Piece, Stage } from '#core/piece'
import type { PieceRecord } from '~/db'
import { useNotices } from './notices'
import { usePieces } from './pieces'
import { useStock } from './stock'
import { useWorkroom } from './workroom'

/** From here on a piece has what it needs; once it hangs, that is in it. */
const KEEPS: Readonly<Record<Stage, 'keeps' | 'has' | 'gives back'>> = {
  planned: 'gives back',
  gathering: 'keeps',
  making: 'keeps',
  hung: 'has',
  'taken apart': 'gives back',
}

/**
 * Keeps what is in the house for the pieces that are gathered for or made, as they are now, and gives back what they need no
 * more. Whoever began first has it: what another piece keeps is left to it, also when that was in another tab.
 */
export const useReserving = defineStore('reserving', () => {
  const pieces = usePieces()
  const stock = useStock()
  const workroom = useWorkroom()
  const notices = useNotices()
  /** By piece: the revision for which it keeps what it keeps, and its stage. */
  const settled = new Map<string, string>()
  const busy = shallowRef(false)

  async function settle(records: readonly PieceRecord[]): Promise<void> {
    for (const record of records) {
      const { piece } = record
      const how = KEEPS[piece.stage]
      const key = how === 'keeps' ? `${piece.stage} ${record.revision}` : how
      if (settled.get(record.id) === key) continue
      const before = settled.get(record.id)
      if (how === 'keeps') await keep(record, piece)
      // On the first look nothing was kept that could be given back but what an earlier page kept.
      else if (how === 'gives back' && (before !== undefined || stock.lots.some(({ reserved }) => reserved?.piece === record.id)))
        await stock.release(record.id)
      settled.set(record.id, key)
    }
  }
  async function keep(record: PieceRecord, { id, brief }: Piece): Promise<void> {
    const needs = await workroom.needsOf(record)
    if (needs) await stock.keepFor({ id, copies: brief.copies, needs })
  }
  let seen: unknown = null
  watchDebounced(
    [() => pieces.records, () => stock.lots] as const,
    ([records, lots]) => {
      if (!records) return
      // More in the house may serve what could not be kept before; where it does not, nothing is written.
      if (lots !== seen) for (const [id, key] of settled) if (key !== 'has' && key !== 'gives back') settled.delete(id)
      seen = lots
      busy.value = true
      void notices.tell('What is in the house could not be kept for the pieces', settle(records)).finally(() => {
        busy.value = false
      })
    },
    { debounce: 600, immediate: true },
  )
  return { busy }
})

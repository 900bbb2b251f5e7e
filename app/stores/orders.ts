import { computed } from 'vue'
import { STAGE_SORTS } from '#core/piece'
import type { Kit } from '#core/season'
import type { InHand } from '#core/workroom'
import { classInHand, inHandOf } from '#core/workroom'
import type { Making } from '~/commands/lots'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { useBriefs } from './briefs'
import { followed } from './live-query'
import { usePieces } from './pieces'

/** What is to be made: pieces, and classes, and what each of them needs. */
export function useOrders() {
  const pieces = usePieces()
  const briefs = useBriefs()
  const kits = followed<readonly Kit[]>(() => db().kits.toArray(), [])

  /** Pieces that are still to be made. */
  const wanting = computed(() => pieces.records?.filter(({ piece }) => STAGE_SORTS[piece.stage].toMake) ?? null)

  /** What pieces need, for one copy of each. */
  async function gather(records: readonly PieceRecord[]): Promise<InHand[]> {
    const found = await briefs(records)
    return records.flatMap(({ id, piece }) => (found.has(id) ? [inHandOf(piece, found.get(id)!.needs)] : []))
  }

  /** The same with their stage, for what they have of the house: what is given back is given back whatever was needed. */
  async function makings(records: readonly PieceRecord[]): Promise<Making[]> {
    const givesBack = ({ piece }: PieceRecord): boolean => STAGE_SORTS[piece.stage].stock === 'gives back'
    const needed = new Map((await gather(records.filter((record) => !givesBack(record)))).map(({ id, needs }) => [id, needs]))
    return records.flatMap((record): Making[] => {
      const { id, stage, brief } = record.piece
      const needs = givesBack(record) ? [] : needed.get(id)
      return needs ? [{ id, stage, copies: brief.copies, needs }] : []
    })
  }

  /** The pieces that classes make. */
  const taught = computed(() => (pieces.records ?? []).filter(({ id }) => kits.value.some((kit) => kit.piece === id)))
  /** Whether what is in hand is a class, and no piece. */
  const isClass = (id: string): boolean => kits.value.some((kit) => kit.id === id)

  /** What classes need. */
  async function gatherKits(): Promise<InHand[]> {
    const found = await briefs(taught.value)
    return kits.value.flatMap((kit) => (found.has(kit.piece) ? [classInHand(kit, found.get(kit.piece)!.needs)] : []))
  }

  return { wanting, kits, taught, isClass, briefs, gather, makings, gatherKits }
}

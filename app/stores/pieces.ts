import type { Lot } from '#core/stock'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Edit, Piece } from '#core/piece'
import { mirrorPiece, startPiece } from '#core/piece'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { pieceList } from '~/db/piece-list'
import { following } from '~/stores/live-query'
import { editPiece, removePiece, savePiece, takeApart, takeUpRescues } from '~/commands/pieces'
import { joinBatch } from '~/commands/season'
import { newId } from '~/utils/new-id'
import { useImporting } from './pieces-imported'

/** All pieces of this browser, newest first; follows what other tabs do. */
export const usePieces = defineStore('pieces', () => {
  const records = shallowRef<readonly PieceRecord[] | null>(null)
  following(pieceList(db()), (all) => {
    records.value = all
  })

  async function add(piece: Piece): Promise<void> {
    const saved = await savePiece(db(), piece, 0, Date.now())
    if (!saved.ok) throw new Error('A piece of that id is there already.')
  }

  async function start(name: string): Promise<string> {
    const piece = startPiece(newId(), name)
    await add(piece)
    return piece.id
  }

  const importing = useImporting(add)

  /** Makes the other of a pair, mirrored. @returns its name */
  async function makeTwin(piece: Piece): Promise<string> {
    const name = `${piece.brief.name.slice(0, 60)}, the other one`
    const twin = mirrorPiece(piece, newId(), name)
    await add(twin)
    await joinBatch(db(), [piece.id, twin.id], `${piece.brief.name.slice(0, 60)}, a pair`, newId())
    return name
  }

  return {
    records,
    start,
    ...importing,
    makeTwin,
    /** Makes an edit of a piece that is on no bench. @throws when it cannot be so, or is gone */
    edit: (id: string, how: Edit, words: string): Promise<Piece> => editPiece(db(), id, how, words, Date.now()),
    add,
    takeApart: (record: Pick<PieceRecord, 'piece' | 'revision'>, partsOf: (had: readonly Lot[]) => readonly Lot[]): Promise<void> =>
      takeApart(db(), record, partsOf, Date.now()),
    remove: (id: string) => removePiece(db(), id),
    takeUpRescues: () => takeUpRescues(db(), newId, Date.now()),
  }
})

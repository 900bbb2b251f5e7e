import type { Lot } from '#core/stock'
import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { FileFault, PieceFile } from '#core/formats'
import { settleMaterials, tooLarge } from '#core/formats'
import type { Currency } from '#core/measure'
import { deltaOf } from '#core/measure'
import type { Edit, Piece } from '#core/piece'
import { edit, mirrorPiece, startPiece } from '#core/piece'
import type { PieceRecord } from '~/db'
import { db } from '~/db'
import { pieceList } from '~/db/piece-list'
import { following } from '~/stores/live-query'
import { editPiece, removePiece, savePiece, takeApart, takeUpRescues } from '~/commands/pieces'
import { joinBatch } from '~/commands/season'
import { textOf } from '~/utils/files'
import { askReading } from '~/workers/workings'
import { useMaterials } from './materials'
import { useShops } from './shops'

export type Imported =
  | {
      readonly ok: true
      readonly piece: Piece
      readonly how: 'new' | 'same' | 'copy'
      readonly materials: number
      readonly money: Currency | null
    }
  | { readonly ok: false; readonly faults: readonly FileFault[] }

export const newId = (): string => crypto.randomUUID()

/** All pieces of this browser, newest first; follows what other tabs do. */
export const usePieces = defineStore('pieces', () => {
  const materials = useMaterials()
  const shops = useShops()
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

  /** Takes a file in, or says what is wrong with it and changes nothing. A piece that differs from ours by the same id comes in beside it, with the materials of its maker's own. */
  async function importFile(file: File): Promise<Imported> {
    const large = tooLarge(file.size)
    if (large) return { ok: false, faults: [large] }
    const text = await textOf(file)
    if (!text.ok || text.guessed)
      return { ok: false, faults: [{ says: 'The file is not UTF-8 text, as our files are.', at: '', line: null }] }
    const read = await askReading(text.text)
    if (!read.ok) return read
    return take(read)
  }

  /** Takes a piece in that was read from somewhere, with the materials of its maker's own: beside ours, where that differs by the same id. */
  async function take(read: PieceFile): Promise<Extract<Imported, { ok: true }>> {
    const settled = settleMaterials(read, shops.shelf, materials.freshIds())
    if (settled.materials.length) await materials.saveAll(settled.materials)
    const took = { ok: true as const, materials: settled.materials.length, money: read.money }
    const ours = await db().pieces.get(settled.piece.id)
    if (!ours) {
      await add(settled.piece)
      return { ...took, piece: settled.piece, how: 'new' }
    }
    if (deltaOf(ours.piece, settled.piece) === 0) return { ...took, piece: ours.piece, how: 'same' }
    const copy = { ...settled.piece, id: newId() }
    await add(copy)
    return { ...took, piece: copy, how: 'copy' }
  }

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
    importFile,
    take,
    makeTwin,
    /** Makes an edit of a piece that is on no bench. @throws when it cannot be so, or is gone */
    edit: (id: string, how: Edit, words: string): Promise<Piece> => editPiece(db(), id, how, words, Date.now()),
    add,
    /**
     * Takes a piece apart: what can be used again goes into the stash, in the same transaction. @param partsOf the lots that come of those that it had
     * @throws Error when another tab changed it meanwhile
     */
    async takeApart({ piece, revision }: Pick<PieceRecord, 'piece' | 'revision'>, partsOf: (had: readonly Lot[]) => readonly Lot[]) {
      const done = edit(piece, { do: 'stage', stage: 'taken apart' }, 'take it apart')
      if (!done.ok) throw new RangeError(done.error)
      const saved = await takeApart(db(), done.change.piece, revision, partsOf, Date.now())
      if (!saved.ok) throw new Error('Another tab changed the piece meanwhile.')
    },
    remove: (id: string) => removePiece(db(), id),
    takeUpRescues: () => takeUpRescues(db(), newId, Date.now()),
  }
})

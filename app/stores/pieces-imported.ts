import type { FileFault, PieceFile } from '#core/formats'
import { settleMaterials, tooLarge } from '#core/formats'
import type { Currency } from '#core/measure'
import { deltaOf } from '#core/measure'
import type { Piece } from '#core/piece'
import { db } from '~/db'
import { textOf } from '~/utils/files'
import { askReading } from '~/workers/workings'
import { useMaterials } from './materials'
import { newId } from '~/utils/new-id'
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

/** Pieces that come in from files and addresses. @param add keeps a new piece */
export function useImporting(add: (piece: Piece) => Promise<void>) {
  const materials = useMaterials()
  const shops = useShops()

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

  return { importFile, take }
}

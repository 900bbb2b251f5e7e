import type { Piece } from '#core/piece'
import type { BenchDatabase, PieceRecord, Snapshot } from './index'

export type Saved =
  | { readonly ok: true, readonly revision: number }
  /** Another tab saved in between, or threw the piece away: nothing was written. */
  | { readonly ok: false, readonly current: PieceRecord | null }

/** Snapshots kept for each piece. */
const SNAPSHOTS_KEPT = 30

/**
 * Writes a piece if nobody else has since revision `known`.
 * @param known the revision this one was made from; 0 for a new piece
 */
export function savePiece(db: BenchDatabase, piece: Piece, known: number, now: number): Promise<Saved> {
  return db.transaction('rw', db.pieces, async () => {
    const current = await db.pieces.get(piece.id)
    if ((current?.revision ?? 0) !== known) return { ok: false as const, current: current ?? null }
    await db.pieces.put({ id: piece.id, piece, revision: known + 1, savedAt: now })
    return { ok: true as const, revision: known + 1 }
  })
}

/** Keeps the piece as it is now, unless the last snapshot is the same; the oldest beyond the limit go. */
export function snapPiece(db: BenchDatabase, piece: Piece, now: number): Promise<void> {
  return db.transaction('rw', db.snapshots, async () => {
    const all = await snapshotsOf(db, piece.id)
    if (all[0] && JSON.stringify(all[0].piece) === JSON.stringify(piece)) return
    await db.snapshots.add({ pieceId: piece.id, at: now, piece })
    await db.snapshots.bulkDelete(all.slice(SNAPSHOTS_KEPT - 1).map(({ id }) => id))
  })
}

/** Newest first. */
export async function snapshotsOf(db: BenchDatabase, pieceId: string): Promise<Snapshot[]> {
  const found = await db.snapshots.where('[pieceId+at]').between([pieceId, -Infinity], [pieceId, Infinity]).toArray()
  return found.reverse()
}

export function removePiece(db: BenchDatabase, id: string): Promise<void> {
  return db.transaction('rw', db.pieces, db.snapshots, async () => {
    await db.pieces.delete(id)
    await db.snapshots.where('[pieceId+at]').between([id, -Infinity], [id, Infinity]).delete()
  })
}

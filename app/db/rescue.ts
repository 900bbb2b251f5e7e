import type { Piece } from '#core/piece'
import { PieceSchema } from '#core/piece'

/**
 * The last edit of a page that is going away. A database write may not finish by then; local storage is written
 * at once. It counts only until the piece is next saved.
 */
const KEY = 'ruddy-bramble:rescue:'

export function writeRescue(piece: Piece, revision: number): void {
  localStorage.setItem(KEY + piece.id, JSON.stringify({ revision, piece }))
}

/** The rescued piece, if it was made from this very revision. */
export function rescueOf(id: string, revision: number): Piece | null {
  const text = localStorage.getItem(KEY + id)
  if (!text) return null
  const kept = JSON.parse(text) as { revision?: unknown, piece?: unknown }
  const read = PieceSchema.safeParse(kept.piece)
  if (kept.revision === revision && read.success) return read.data
  forgetRescue(id)
  return null
}

export const forgetRescue = (id: string): void => localStorage.removeItem(KEY + id)

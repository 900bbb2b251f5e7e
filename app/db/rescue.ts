import { z } from 'zod'
import type { Piece } from '#core/piece'
import { PieceSchema } from '#core/piece'

/**
 * The last edits of pieces that could not be written to the database, or not in time: a database write may not
 * finish while a page goes away; local storage is written at once. What lies here counts until the piece is saved.
 */
const KEY = 'ruddy-bramble:rescue:'
/** Each tab has its own place, so that two tabs that fail at once do not write over each other. */
const TAB = crypto.randomUUID()
const RescueSchema = z.object({ revision: z.int(), piece: PieceSchema })

export interface Rescue {
  readonly key: string
  readonly revision: number
  readonly piece: Piece
}

/** @returns whether it could be written; it cannot when local storage is blocked or full */
export function writeRescue(piece: Piece, revision: number): boolean {
  try {
    localStorage.setItem(`${KEY}${piece.id}:${TAB}`, JSON.stringify({ revision, piece }))
    return true
  } catch {
    return false
  }
}

/** All that was rescued, of one piece or of any; what is not sound counts as nothing. Where local storage is blocked there is nothing. */
export function rescues(id?: string): Rescue[] {
  let keys: string[]
  try {
    keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!)
  } catch {
    return []
  }
  return keys
    .filter((key) => key.startsWith(KEY) && (id === undefined || key.slice(KEY.length).split(':')[0] === id))
    .flatMap((key) => {
      try {
        return [{ key, ...RescueSchema.parse(JSON.parse(localStorage.getItem(key) ?? '')) }]
      } catch {
        forget(key)
        return []
      }
    })
}

/** Forgets what this tab rescued of a piece. */
export const forgetRescue = (id: string): void => forget(`${KEY}${id}:${TAB}`)

export function forget(key: string): void {
  try {
    localStorage.removeItem(key)
  } catch {
    /* blocked: nothing can be there */
  }
}

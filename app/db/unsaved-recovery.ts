import { z } from 'zod'
import type { Piece } from '#core/piece'
import { StoredPieceSchema } from '#core/formats'
import { faultsSaid } from './sound'

/**
 * The last edits of pieces that could not be written to the database, or not in time: a database write may not
 * finish while a page goes away; local storage is written at once. What lies here counts until the piece is saved.
 */
const KEY = 'ruddy-bramble:rescue:'
/** Each tab has its own place, so that two tabs that fail at once do not write over each other. */
const TAB = crypto.randomUUID()
const RescueSchema = z.object({ revision: z.int(), piece: StoredPieceSchema })

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

/** What was rescued and cannot be read, as it lies there. */
export interface UnreadRescue {
  readonly key: string
  readonly text: string
  readonly why: string
}

/** All that was rescued, of one piece or of any, brought to today's format; what cannot be read stays where it is. Where local storage is blocked there is nothing. */
export function rescues(id?: string): { readonly sound: readonly Rescue[]; readonly unread: readonly UnreadRescue[] } {
  let kept: { readonly key: string; readonly text: string }[]
  try {
    kept = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!)
      .filter((key) => key.startsWith(KEY) && (id === undefined || key.slice(0, key.lastIndexOf(':')) === `${KEY}${id}`))
      .map((key) => ({ key, text: localStorage.getItem(key) ?? '' }))
  } catch {
    return { sound: [], unread: [] }
  }
  const sound: Rescue[] = []
  const unread: UnreadRescue[] = []
  for (const { key, text } of kept) {
    const read = readRescue(text)
    if (read.ok) sound.push({ key, ...read.rescue })
    else unread.push({ key, text, why: read.why })
  }
  return { sound, unread }
}

type ReadRescue = { readonly ok: true; readonly rescue: Omit<Rescue, 'key'> } | { readonly ok: false; readonly why: string }

function readRescue(text: string): ReadRescue {
  try {
    const read = RescueSchema.safeParse(JSON.parse(text))
    return read.success ? { ok: true, rescue: read.data } : { ok: false, why: faultsSaid(read.error.issues) }
  } catch (error) {
    return { ok: false, why: `It is no JSON: ${error instanceof Error ? error.message : String(error)}` }
  }
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

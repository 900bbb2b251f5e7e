import type { Saved } from '~/db/autosave'
import type { Need, Shelf } from '#core/material'
import { deltaOf } from '#core/measure'
import type { Edit, Piece } from '#core/piece'
import { edit } from '#core/piece'
import type { BenchDatabase, PieceRecord, Snapshot } from '../db/index'
import type { Lot } from '#core/stock'
import { release } from '#core/stock'
import { move, settleStock } from './lots'
import { forget, rescues } from '../db/unsaved-recovery'
import { soundOf } from '../db/sound'

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

/**
 * Writes a piece whose stage was set, and with it what it has of the house. All or nothing.
 * @param needs of one copy
 */
export function saveStage(
  db: BenchDatabase,
  { piece, revision, needs }: Pick<PieceRecord, 'piece' | 'revision'> & { readonly needs: readonly Need[] },
  { shelf, newId, now }: { readonly shelf: Shelf; readonly newId: () => string; readonly now: number },
): Promise<Saved> {
  return db.transaction('rw', [db.pieces, db.lots], async () => {
    const saved = await savePiece(db, piece, revision, now)
    if (saved.ok) await settleStock(db, [{ id: piece.id, stage: piece.stage, copies: piece.brief.copies, needs }], shelf, newId)
    return saved
  })
}

/** A piece is no longer there. */
class PieceGone extends Error {
  constructor() {
    super('Meanwhile it was thrown away: nothing was written.')
  }
}

/** Makes an edit of a piece that is on no bench, and keeps it as it was among its versions. All or nothing. @throws PieceGone; RangeError when it cannot be so */
export function editPiece(db: BenchDatabase, id: string, how: Edit, words: string, now: number): Promise<Piece> {
  return db.transaction('rw', [db.pieces, db.snapshots], async () => {
    const record = await db.pieces.get(id)
    if (!record) throw new PieceGone()
    const edited = edit(record.piece, how, words)
    if (!edited.ok) throw new RangeError(edited.error)
    await snapPiece(db, record.piece, now)
    await savePiece(db, edited.change.piece, record.revision, now)
    return edited.change.piece
  })
}

/** Keeps the piece as it is now, unless the last snapshot is the same; the oldest beyond the limit go. */
export function snapPiece(db: BenchDatabase, piece: Piece, now: number): Promise<void> {
  return db.transaction('rw', db.snapshots, async () => {
    const all = await snapshotsOf(db, piece.id)
    if (all[0] && deltaOf(all[0].piece, piece) === 0) return
    // With the clock set back it is still the newest: none is dropped for being of a later hour.
    await db.snapshots.add({ pieceId: piece.id, at: Math.max(now, (all[0]?.at ?? 0) + 1), piece })
    await db.snapshots.bulkDelete(all.slice(SNAPSHOTS_KEPT - 1).map(({ id }) => id))
  })
}

/** Newest first. */
export async function snapshotsOf(db: BenchDatabase, pieceId: string): Promise<Snapshot[]> {
  const found = await db.snapshots.where('[pieceId+at]').between([pieceId, -Infinity], [pieceId, Infinity]).toArray()
  return soundOf('snapshots', found).reverse()
}

/** A piece of its own made of one that goes on beside another: a new id, and a name that says so and no other piece has. */
export async function apartFrom(db: BenchDatabase, piece: Piece, newId: () => string, why: string): Promise<Piece> {
  const names = new Set((await db.pieces.toArray()).map((record) => record.piece.brief.name))
  const own = piece.brief.name.replace(/ \((kept from this tab|rescued)(, \d+)?\)$/, '')
  for (let n = 1; ; n++) {
    const end = n === 1 ? ` (${why})` : ` (${why}, ${n})`
    const name = own.slice(0, 80 - end.length) + end
    if (!names.has(name)) return { ...piece, id: newId(), brief: { ...piece.brief, name } }
  }
}

/**
 * Takes up what pages left behind that went away before they could write: into its piece if nothing was saved since,
 * else beside it. What cannot be read is put aside as it is. @param id of one piece only @returns the names of those that came in beside
 */
export async function takeUpRescues(db: BenchDatabase, newId: () => string, now: number, id?: string): Promise<string[]> {
  const beside: string[] = []
  const { sound, unread } = rescues(id)
  for (const { key, text, why } of unread) {
    await db.unread.add({ table: 'rescued', record: text, why, at: now })
    forget(key)
  }
  for (const { key, revision, piece } of sound) {
    const current = await db.pieces.get(piece.id)
    const saved =
      current && (deltaOf(current.piece, piece) === 0 || (current.revision === revision && (await savePiece(db, piece, revision, now)).ok))
    if (!saved) {
      const copy = await apartFrom(db, piece, newId, 'rescued')
      await savePiece(db, copy, 0, now)
      beside.push(copy.brief.name)
    }
    forget(key)
  }
  return beside
}

/**
 * Takes a piece apart, as it is known to be, and puts its parts on the shelf in place of all that had gone into it. All or nothing.
 * @param partsOf the parts as lots, by the lots that had gone into it
 * @throws Error when another tab changed the piece meanwhile; RangeError when it cannot be taken apart
 */
export function takeApart(
  db: BenchDatabase,
  { piece, revision }: Pick<PieceRecord, 'piece' | 'revision'>,
  partsOf: (had: readonly Lot[]) => readonly Lot[],
  now: number,
): Promise<void> {
  const done = edit(piece, { do: 'stage', stage: 'taken apart' }, 'take it apart')
  if (!done.ok) throw new RangeError(done.error)
  return db.transaction('rw', [db.pieces, db.lots], async () => {
    if (!(await savePiece(db, done.change.piece, revision, now)).ok) throw new Error('Another tab changed the piece meanwhile.')
    const had = await db.lots.where('reserved.piece').equals(piece.id).toArray()
    await db.lots.bulkDelete(had.map(({ id }) => id))
    await db.lots.bulkAdd([...partsOf(had)])
  })
}

/** Throws a piece away, with all that is kept of it. */
export function removePiece(db: BenchDatabase, id: string): Promise<void> {
  return db.transaction('rw', [db.pieces, db.snapshots, db.previews, db.needs, db.progress, db.lots, db.kits, db.batches], async () => {
    // What hung goes with all that is in it; what was only kept is nobody's again.
    if ((await db.pieces.get(id))?.piece.stage === 'hung') await db.lots.where('reserved.piece').equals(id).delete()
    else await move(db, release(id, await db.lots.toArray()))
    await db.pieces.delete(id)
    await db.previews.delete(id)
    await db.needs.delete(id)
    await db.progress.delete(id)
    await db.kits.where({ piece: id }).delete()
    for (const batch of await db.batches.toArray()) {
      if (!batch.pieces.includes(id)) continue
      const pieces = batch.pieces.filter((each) => each !== id)
      await (pieces.length ? db.batches.put({ ...batch, pieces }) : db.batches.delete(batch.id))
    }
    await db.snapshots.where('[pieceId+at]').between([id, -Infinity], [id, Infinity]).delete()
  })
}

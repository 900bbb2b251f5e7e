import type { Shelf } from '#core/material'
import { deltaOf } from '#core/measure'
import type { BilledPiece } from '#core/price'
import { keepAll, useUp } from '#core/price'
import type { Lot, LotChanges } from '#core/stock'
import { release } from '#core/stock'
import type { BenchDatabase, Purchase } from '../db/index'
import { Changed } from '../db/merged'

/** Writes what changed hands. Inside a transaction of its caller's. */
export async function move(db: BenchDatabase, { put, gone }: LotChanges): Promise<void> {
  if (gone.length) await db.lots.bulkDelete([...gone])
  if (put.length) await db.lots.bulkPut([...put])
}

/** Keeps for pieces what of their needs the house can give, by the lots as they are at that moment: what another tab has kept meanwhile is that one's. @returns what was written */
export function keepForPieces(
  db: BenchDatabase,
  makings: readonly Omit<BilledPiece, 'budget'>[],
  shelf: Shelf,
  newId: () => string,
): Promise<LotChanges> {
  return db.transaction('rw', db.lots, async () => {
    const moved = keepAll(makings, { shelf, lots: await db.lots.toArray() }, newId)
    await move(db, moved)
    return moved
  })
}

/** Uses up for pieces that are made what went into them; all else that they kept is the house's again. @returns what was written */
export function useUpForPieces(
  db: BenchDatabase,
  makings: readonly Omit<BilledPiece, 'budget'>[],
  shelf: Shelf,
  newId: () => string,
): Promise<void> {
  return db.transaction('rw', db.lots, async () => {
    for (const making of makings)
      await move(db, useUp(making, { shelf, lots: await db.lots.where('reserved.piece').equals(making.id).toArray() }, newId))
  })
}

/** Gives back what was kept for a piece. */
export function releasePiece(db: BenchDatabase, piece: string): Promise<LotChanges> {
  return db.transaction('rw', db.lots, async () => {
    const moved = release(piece, await db.lots.toArray())
    await move(db, moved)
    return moved
  })
}

/** Writes a lot anew, if it is still what it was. @throws Changed when it is not, or is gone: then nothing is written */
export function changeLot(db: BenchDatabase, before: Lot, after: Lot): Promise<void> {
  return db.transaction('rw', db.lots, async () => {
    const now = await db.lots.get(before.id)
    if (!now || deltaOf(now, before) !== 0) throw new Changed()
    await db.lots.put(after)
  })
}

/** A lot cannot go: a piece has it. */
export class Kept extends Error {
  constructor(readonly piece: string) {
    super('A piece has it.')
  }
}

/** Takes lots off the shelf. @param even when pieces have them @throws Kept when one of them is kept for a piece: then none goes */
export function removeLots(db: BenchDatabase, ids: readonly string[], even = false): Promise<void> {
  return db.transaction('rw', db.lots, async () => {
    for (const lot of await db.lots.bulkGet([...ids]))
      if (lot?.reserved?.piece && lot.reserved.want === null && !even) throw new Kept(lot.reserved.piece)
    await db.lots.bulkDelete([...ids])
  })
}

/** What was bought goes on the shelf, for what was really paid. All or nothing. @returns null when it lies in the bag already */
export function tickOff(db: BenchDatabase, id: string, lot: Lot, paid: number): Promise<Purchase | null> {
  return db.transaction('rw', [db.purchases, db.lots], async () => {
    const line = await db.purchases.get(id)
    if (!line || line.lot !== null) return null
    const bought = { ...line, paid, lot: lot.id }
    await db.purchases.put(bought)
    await db.lots.add({ ...lot, paid })
    return bought
  })
}

/** Takes what was ticked off back out of the bag, and its lot off the shelf, as long as nothing has been taken from it. @returns whether it could */
export function untick(db: BenchDatabase, id: string): Promise<boolean> {
  return db.transaction('rw', [db.purchases, db.lots], async () => {
    const line = await db.purchases.get(id)
    if (!line || line.lot === null) return false
    const lot = await db.lots.get(line.lot)
    if (!lot || lot.reserved !== null || lot.things !== line.packs * line.holds) return false
    await db.lots.delete(lot.id)
    await db.purchases.put({ ...line, paid: null, lot: null })
    return true
  })
}

import type { Shelf } from '#core/material'
import { deltaOf } from '#core/measure'
import type { Piece, StageSort } from '#core/piece'
import { STAGE_SORTS } from '#core/piece'
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

/** A piece with what it needs for one copy. */
export type Making = Omit<BilledPiece, 'budget'> & Pick<Piece, 'stage'>

/**
 * Brings what pieces have of the house to what their stage says: kept from gathering on, in it once it is made, given back
 * otherwise; by the lots as they are at that moment. What another piece keeps, also in another tab, is left to it. Doing it twice changes nothing.
 */
export function settleStock(db: BenchDatabase, makings: readonly Making[], shelf: Shelf, newId: () => string): Promise<void> {
  return db.transaction('rw', db.lots, async () => {
    const ofSort = (sort: StageSort['stock']): readonly Making[] => makings.filter(({ stage }) => STAGE_SORTS[stage].stock === sort)
    const keptBy = (id: string): Promise<Lot[]> => db.lots.where('reserved.piece').equals(id).toArray()
    for (const { id } of ofSort('gives back')) if ((await keptBy(id)).length) await move(db, release(id, await db.lots.toArray()))
    const keeping = ofSort('keeps')
    if (keeping.length) await move(db, keepAll(keeping, { shelf, lots: await db.lots.toArray() }, newId))
    for (const making of ofSort('has')) await move(db, useUp(making, { shelf, lots: await keptBy(making.id) }, newId))
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

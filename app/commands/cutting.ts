import type { Cut, CutRoll } from '#core/cut'
import type { Lot, Reserved } from '#core/stock'
import { cutFrom } from '#core/stock'
import type { BenchDatabase } from '../db/index'

/** A roll of a plan from which something is cut. */
export interface RollCut {
  readonly material: string
  readonly roll: CutRoll
  readonly cut: Cut
  /** What it is cut for. */
  readonly want: Reserved
  /** A rest shorter than this is not kept, mm. */
  readonly least: number
}

/** Cuts one piece: it is kept as a lot reserved for what it was cut for, and so is what is left of the roll. All or nothing. @returns what is left; null when that is waste */
export function cutPiece(db: BenchDatabase, { material, roll, cut, want, least }: RollCut, newId: () => string): Promise<Lot | null> {
  return db.transaction('rw', db.lots, async () => {
    const lot = roll.from === 'house' ? await db.lots.get(roll.stock) : null
    if (lot === undefined) throw new Error('That is gone: another tab has cut from it.')
    const count = lot?.things ?? 1
    const each = lot?.paid == null ? null : Math.round(lot.paid / count)
    // What is left serves the next cut of this roll, however short that is.
    const shortest = Math.min(least, ...roll.cuts.filter((other) => other !== cut).map(({ length }) => length))
    const { piece, rest } = cutFrom(
      {
        lot,
        material,
        length: roll.length,
        cut: cut.length,
        want,
        least: shortest,
        paid: each,
      },
      newId,
    )
    if (lot && count > 1)
      await db.lots.put({ ...lot, things: count - 1, paid: lot.paid === null || each === null ? null : lot.paid - each })
    else if (lot) await db.lots.delete(lot.id)
    await db.lots.bulkAdd(rest ? [piece, rest] : [piece])
    return rest
  })
}

import type { Cut, CutRoll } from '#core/cut'
import type { BenchDatabase } from './index'

/** A roll of a plan from which something is cut. */
export interface Cutting {
  readonly material: string
  readonly roll: CutRoll
  readonly cut: Cut
  /** What the roll is cut from: a new one, an offcut, or a piece that nothing wants any more. */
  readonly from: 'new' | 'offcut' | 'piece'
  /** A rest shorter than this is not kept, mm. */
  readonly least: number
}

/** How the roll that was cut from is known afterwards: by its offcut, or null when what is left is waste. */
export type Rest = { readonly id: string, readonly length: number } | null

/** Cuts one piece: it is kept as cut, and what is left of the roll as an offcut. All or nothing. */
export function cutPiece(db: BenchDatabase, { material, roll, cut, from, least }: Cutting, newId: () => string): Promise<Rest> {
  return db.transaction('rw', db.offcuts, db.cutPieces, async () => {
    if (from === 'offcut' && !await db.offcuts.get(roll.stock)) throw new Error('That offcut is gone: another tab has cut from it.')
    if (from === 'piece' && !await db.cutPieces.get(roll.stock)) throw new Error('That piece is gone: another tab has cut it.')
    await db.cutPieces.add({ id: newId(), material, want: cut.want, length: cut.length })
    if (from === 'offcut') await db.offcuts.delete(roll.stock)
    if (from === 'piece') await db.cutPieces.delete(roll.stock)
    const length = Math.round((roll.length - cut.length) * 100) / 100
    // What is left serves the next cut of this roll, however short that is.
    if (length < Math.min(least, ...roll.cuts.filter((each) => each !== cut).map((each) => each.length))) return null
    const rest = { id: newId(), material, length }
    await db.offcuts.add(rest)
    return { id: rest.id, length }
  })
}

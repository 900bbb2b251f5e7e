import type { BaseKind, BaseShape } from '../base'
import { BASE_SORTS, scaledShape, usualBase, usualPrice, askedSizeOf } from '../base'
import type { Material, Shelf } from '../material'
import { isCut, materialOf } from '../material'
import type { Minor } from '../measure'
import { onceWith } from '../measure'
import type { Lot } from './lot'
import { baseOfLot, isUncut, lotsOf } from './lot'

/** What a lot is worth: what was paid for it; where that is not known, its part of a pack at the usual price. What was found is worth nothing. */
export function worthOf(lot: Lot, shelf: Pick<Shelf, 'materials'>): Minor {
  if (lot.paid !== null) return lot.paid
  if (lot.source.kind === 'found') return 0
  const kind = baseOfLot(lot)
  if (kind) return lot.things! * usualBasePrice(kind, lot.cut)
  const material = materialOf(shelf, lot.material)
  if (!material) return 0
  const { price, holds } = material.pack
  const share = lot.length !== null ? lot.length / material.length : lot.things! * (lot.cut === null ? 1 : lot.cut / material.length)
  return Math.round((price * share) / holds)
}

/** What a bare base so wide usually costs, as the nearest usual size made that wide; its middle size where that is not said. */
function usualBasePrice(kind: BaseKind, width: number | null): Minor {
  const usual = usualBase(kind)
  if (width === null) return usualPrice(usual)
  const wide = (shape: BaseShape): number => askedSizeOf({ ...usual, shape })
  const off = (shape: BaseShape): number => Math.abs(wide(shape) - width)
  const { shape } = BASE_SORTS[kind].sizes.reduce((best, each) => (off(each.shape) < off(best.shape) ? each : best))
  return usualPrice({ kind, shape: scaledShape(shape, width / wide(shape)) ?? shape })
}

/** What so much of some lots is worth, things or mm, each taken alike. @param amount of all of them; at most what they have */
export function worthOfPart(lots: readonly Lot[], amount: number, shelf: Pick<Shelf, 'materials'>): Minor {
  const sizeOf = (lot: Lot): number => lot.length ?? lot.things!
  const all = lots.reduce((n, lot) => n + sizeOf(lot), 0)
  return all > 0 ? Math.round((worthOfAll(lots, shelf) * Math.min(amount, all)) / all) : 0
}

const worths = onceWith<readonly Lot[], Minor>()
export const worthOfAll = (lots: readonly Lot[], shelf: Pick<Shelf, 'materials'>): Minor =>
  worths(lots, [shelf.materials], () => lots.reduce((all, lot) => all + worthOf(lot, shelf), 0))

/** Something of which too little is left. */
export interface Low {
  readonly material: Material
  /** What is left when all that is planned is made, and what a pack has: things, or mm. */
  readonly left: number
  readonly pack: number
}

/**
 * Small things that run out: what is in the house, kept for a piece or nobody's, less what the plan takes of it, is less than a share of a pack.
 * @param taken of each material of what is not cut for anything yet, things or mm @param share of a pack, from 0
 */
export function lowStock(lots: readonly Lot[], taken: ReadonlyMap<string, number>, share: number, shelf: Pick<Shelf, 'materials'>): Low[] {
  return [...new Set(lots.map(({ material }) => material))].flatMap((id): Low[] => {
    const material = materialOf(shelf, id)
    if (!material || material.kind !== 'mechanic') return []
    const cut = isCut(material)
    const have = lotsOf(lots, id).reduce(
      (all, lot) => all + (isUncut(lot) ? (cut ? (lot.length ?? lot.things! * material.length) : (lot.things ?? 0)) : 0),
      0,
    )
    const pack = cut ? material.length : material.pack.holds
    const left = Math.max(0, have - (taken.get(id) ?? 0))
    return left < pack * share ? [{ material, left, pack }] : []
  })
}

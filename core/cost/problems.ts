import { quantity, several, sum } from '../measure'
import type { Layer, Mend, Piece, Problem } from '../piece'
import type { Bill } from './bill'
import type { CostLine } from './line'

export function costProblems(piece: Piece, bill: Bill): Problem[] {
  if (!bill.room || bill.room.value >= 0) return []
  const over = -bill.room.value
  const mends = bill.lines.flatMap((line) => saving(piece, line)).slice(0, 2)
  const usedFits = bill.usedEach.value <= piece.brief.budget!
  return [{
    id: 'over budget', weight: 'care', layer: null,
    says: usedFits
      ? sum`Over the budget by ${quantity.money(over)} when whole packs count; what is used of them fits.`
      : sum`Over the budget by ${quantity.money(over)}.`,
    mends: mends.length ? mends : [{ says: sum`Fewer of the dearest, or a larger budget`, edit: null }],
  }]
}

/** The most stems one would drop to save a pack: a quarter of it, rule of thumb. */
const DROP_AT_MOST = 0.25

/** Dropping a few so that one pack fewer is opened. */
function saving(piece: Piece, line: CostLine): Mend[] {
  if (line.of !== 'stems') return []
  const packs = line.packs.value
  const into = line.stems.value + line.spare.value - (packs - 1) * line.packHolds
  if (packs < 2 || into > Math.max(1, line.packHolds * DROP_AT_MOST)) return []
  const fewer = Math.ceil(into / piece.brief.copies)
  const layer = piece.layers.find((each) => each.mix.length === 1 && each.mix[0]!.material === line.id)
  const rule = layer && counted(layer, fewer)
  return [{
    says: sum`${several(fewer, line.name, line.plural)} fewer saves a ${line.packName}: ${quantity.money(line.opened.value / packs)}`,
    edit: rule ? { do: 'layer', layer: layer.id, set: { rule } } : null,
  }]
}

function counted({ rule }: Layer, fewer: number): Layer['rule'] | null {
  return (rule.kind === 'compass' || rule.kind === 'crescent') && rule.count > fewer ? { ...rule, count: rule.count - fewer } : null
}

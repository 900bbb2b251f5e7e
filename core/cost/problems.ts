import { quantity, rate, several, sum } from '../measure'
import type { LaidLayer } from '../arrange'
import type { Shelf } from '../material'
import { materialOf } from '../material'
import type { Layer, Mend, Piece, Problem } from '../piece'
import { EACH } from '../piece'
import type { Bill } from './bill'
import type { CostLine } from './line'
import { materialLine, usesOf } from './line'
import { DROP_AT_MOST } from './thumbs'

export function costProblems(piece: Piece, bill: Bill, laid: readonly LaidLayer[], shelf: Shelf): Problem[] {
  if (!bill.room || bill.room.value >= 0) return []
  const over = -bill.room.value
  const mends = bill.lines.flatMap((line) => saving(piece, line, laid, shelf)).slice(0, 2)
  const usedFits = bill.usedEach.value <= piece.brief.budget!
  return [{
    id: 'over budget', severity: 'care', layer: null,
    says: usedFits
      ? sum`Over the budget by ${quantity.money(over)} when whole packs count; what is used of them fits.`
      : sum`Over the budget by ${quantity.money(over)}.`,
    mends: mends.length ? mends : [{ says: sum`Fewer of the dearest, or a larger budget`, edit: null }],
  }]
}

/** Dropping a few so that less has to be opened: as few as do it, worked out anew with the rest of the line. */
function saving(piece: Piece, line: CostLine, laid: readonly LaidLayer[], shelf: Shelf): Mend[] {
  const material = materialOf(shelf, line.id)
  if (line.of !== 'stems' || !material) return []
  const layer = piece.layers.find((each) => each.mix.length === 1 && each.mix[0]!.material === line.id && fewerIn(each, 1))
  const uses = usesOf(laid, []).get(line.id)
  const own = layer && laid.find((each) => each.layer.id === layer.id)
  if (!layer || !uses || !own) return []
  const saved = (fewer: number): number => {
    let left = fewer
    const dropped = uses.map((use) => {
      const taken = use.cut === layer.cut ? Math.min(left, use.pieces) : 0
      left -= taken
      return { ...use, pieces: use.pieces - taken }
    })
    return line.opened.value - materialLine(material, dropped, piece.brief.copies, shelf).opened.value
  }
  // Fewer never cost more, so that the least that saves is found by halves.
  let [low, high] = [1, Math.max(1, Math.floor(own.placements.length * rate(DROP_AT_MOST, shelf)))]
  if (!fewerIn(layer, high) || saved(high) <= 0) return []
  while (low < high) {
    const middle = (low + high) >> 1
    if (saved(middle) > 0) high = middle
    else low = middle + 1
  }
  const edit = { do: 'layer', layer: layer.id, set: { rule: fewerIn(layer, low)! } } as const
  return [{ says: sum`${several(low, line.name, line.plural)} fewer${piece.brief.copies > 1 ? ' on each' : ''} saves ${quantity.money(saved(low))}`, edit }]
}

/** The same rule with so many fewer places; null when its count is not simply its own, or would be none. */
function fewerIn({ rule, run, taken }: Layer, fewer: number): Layer['rule'] | null {
  const simple = rule.kind === 'compass' || rule.kind === 'crescent' || rule.kind === 'scatter'
  return simple && run !== EACH && !taken.length && rule.count > fewer ? { ...rule, count: rule.count - fewer } : null
}

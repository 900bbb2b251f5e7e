import type { Need } from '../material'
import { materialOf, thingsIn } from '../material'
import { quantity, rate, several, sum } from '../measure'
import type { Layer, Mend, Piece, Problem } from '../piece'
import { EACH } from '../piece'
import type { Bill } from './bill'
import type { CostLine, Pricing } from './line'
import { materialLine } from './line'
import { DROP_AT_MOST } from './thumbs'

/** What a piece is over its budget by, were it alone in hand, and what would mend that. @param counts how many things lie in each layer */
export function costProblems(
  piece: Pick<Piece, 'id' | 'brief' | 'layers'>,
  bill: Bill,
  needs: readonly Need[],
  counts: ReadonlyMap<string, number>,
  pricing: Pricing,
): Problem[] {
  if (!bill.room || bill.room.value >= 0) return []
  const over = -bill.room.value
  const mends = bill.lines.flatMap((line) => saving(piece, line, needs, counts, pricing)).slice(0, 2)
  const usedFits = bill.usedEach.value <= piece.brief.budget!
  return [
    {
      id: 'over budget',
      severity: 'care',
      layer: null,
      says: usedFits
        ? sum`Over the budget by ${quantity.money(over)} when whole packs count; what is used of them fits.`
        : sum`Over the budget by ${quantity.money(over)}.`,
      mends: mends.length ? mends : [{ says: sum`Fewer of the dearest, or a larger budget`, edit: null }],
    },
  ]
}

/** Dropping a few so that less has to be opened: as few as do it, worked out anew with the rest of the line. */
function saving(
  piece: Pick<Piece, 'id' | 'brief' | 'layers'>,
  line: CostLine,
  needs: readonly Need[],
  counts: ReadonlyMap<string, number>,
  pricing: Pricing,
): Mend[] {
  const material = materialOf(pricing.shelf, line.id)
  if (line.of !== 'stems' || !material) return []
  const layer = piece.layers.find((each) => each.mix.length === 1 && each.mix[0]!.material === line.id && fewerIn(each, 1))
  const own = thingsIn(needs).filter((need) => need.material === line.id)
  const laid = layer && counts.get(layer.id)
  if (!layer || !laid) return []
  const saved = (fewer: number): number => {
    let left = fewer
    const dropped = own.map((need) => {
      const less = need.layer === layer.id ? Math.min(left, need.count) : 0
      left -= less
      return { ...need, count: need.count - less }
    })
    return line.opened.value - materialLine(material, dropped, { id: piece.id, copies: piece.brief.copies }, pricing).opened.value
  }
  // Fewer never cost more, so that the least that saves is found by halves.
  let [low, high] = [1, Math.max(1, Math.floor(laid * rate(DROP_AT_MOST, pricing.shelf)))]
  if (!fewerIn(layer, high) || saved(high) <= 0) return []
  while (low < high) {
    const middle = (low + high) >> 1
    if (saved(middle) > 0) high = middle
    else low = middle + 1
  }
  const edit = { do: 'layer', layer: layer.id, set: { rule: fewerIn(layer, low)! } } as const
  return [
    {
      says: sum`${several(low, line.name, line.plural)} fewer${piece.brief.copies > 1 ? ' on each' : ''} saves ${quantity.money(saved(low))}`,
      edit,
    },
  ]
}

/** The same rule with so many fewer places; null when its count is not simply its own, or would be none. */
function fewerIn({ rule, run, taken }: Layer, fewer: number): Layer['rule'] | null {
  const simple = rule.kind === 'compass' || rule.kind === 'crescent' || rule.kind === 'scatter'
  return simple && run !== EACH && !taken.length && rule.count > fewer ? { ...rule, count: rule.count - fewer } : null
}

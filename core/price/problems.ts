import type { Need } from '../material'
import { materialOf } from '../material'
import type { Minor } from '../measure'
import { leastThat, rate } from '../measure'
import type { Edit, Layer, Mend, Piece, Problem } from '../piece'
import { EACH } from '../piece'
import type { Bill } from './bill'
import type { CostLine, Pricing } from './cost-lines'
import { dropped, savedBy } from './deals'
import { DROP_AT_MOST } from './rules-of-thumb'
import { priceMessage } from './words'

/** What the problem of a budget is known by. */
export const OVER_BUDGET = 'over budget'

/** What all copies of a piece would cost, opened, with an edit made; null where it cannot be made. */
export type CostWith = (edit: Edit) => Minor | null

/** A piece with its bill, and what it would cost otherwise. */
export interface CostedPiece {
  readonly piece: Pick<Piece, 'id' | 'brief' | 'layers'>
  readonly bill: Bill
  readonly needs: readonly Need[]
  /** How many things lie in each layer. */
  readonly counts: ReadonlyMap<string, number>
  readonly pricing: Pricing
  readonly costWith: CostWith
}

/** What a piece is over its budget by, were it alone in hand, and what would mend that. */
export function costProblems(of: CostedPiece): Problem[] {
  const { piece, bill } = of
  if (!bill.room || bill.room.value >= 0) return []
  const over = -bill.room.value
  const mends = bill.lines.flatMap((line) => saving(line, of)).slice(0, 2)
  const usedFits = bill.usedEach.value <= piece.brief.budget!
  return [
    {
      id: OVER_BUDGET,
      severity: 'care',
      layer: null,
      ...priceMessage('over-budget', { over, usedFits }),
      mends: mends.length ? mends : [{ ...priceMessage('fewer-or-larger-budget', {}), edit: null }],
    },
  ]
}

/** Dropping a few so that less has to be opened: as few as do it, worked out anew with the rest of the line. */
function saving(line: CostLine, { piece, bill, needs, counts, pricing, costWith }: CostedPiece): Mend[] {
  const material = materialOf(pricing.shelf, line.id)
  if (line.of !== 'stems' || !material) return []
  const layer = piece.layers.find((each) => each.mix.length === 1 && each.mix[0]!.material === line.id && fewerIn(each, 1))
  const own = needs.filter((need) => need.material === line.id)
  const laid = layer && counts.get(layer.id)
  if (!layer || !laid) return []
  const making = { id: piece.id, copies: piece.brief.copies, budget: null, needs }
  const saved = (fewer: number): Minor =>
    savedBy(
      line,
      dropped(own, fewer, (need) => need.layer === layer.id),
      making,
      bill,
      pricing,
    )
  const most = Math.max(1, Math.floor(laid * rate(DROP_AT_MOST, pricing.shelf)))
  // Fewer never cost more.
  const n = fewerIn(layer, most) ? leastThat(1, most, (fewer) => saved(fewer) > 0) : null
  if (n === null) return []
  const edit = { do: 'layer', layer: layer.id, set: { rule: fewerIn(layer, n)! } } as const
  // What refers to the layer changes with it: what is said is the difference of the two pieces, each worked out whole.
  const after = costWith(edit)
  const saves = after === null ? 0 : bill.opened.value - after
  if (saves <= 0) return []
  return [
    {
      ...priceMessage('fewer-saves', { count: n, name: line.name, plural: line.plural, each: piece.brief.copies > 1, saves }),
      edit,
    },
  ]
}

/** The same rule with so many fewer places; null when its count is not simply its own, or would be none. */
function fewerIn({ rule, run, taken }: Layer, fewer: number): Layer['rule'] | null {
  const simple = rule.kind === 'compass' || rule.kind === 'crescent' || rule.kind === 'scatter'
  return simple && run !== EACH && !taken.length && rule.count > fewer ? { ...rule, count: rule.count - fewer } : null
}

import type { Material, Need } from '../material'
import { byMaterial, lengthsIn, materialOf, thingsIn } from '../material'
import type { Figure, Minor, Term } from '../measure'
import { COUNTED, figure, quantity, several, sum } from '../measure'
import { given, named, plusAll, worked } from '../measure/term'
import type { Copies, CostLine, Pricing } from './line'
import { baseLine, lengthLine, materialLine, perCopy } from './line'

/** The two ledgers, always both: whole packs, and the share of each that is used. */
export interface Bill {
  readonly lines: readonly CostLine[]
  /** Whole packs for all copies. */
  readonly opened: Figure
  readonly used: Figure
  /** The same for one copy. */
  readonly openedEach: Figure
  readonly usedEach: Figure
  /** Worth of what is left over. */
  readonly left: Figure
  /** Budget less opened, for one; null without a budget. */
  readonly room: Figure | null
}

/** What is made of something, and for how much. */
export interface Making extends Copies {
  readonly needs: readonly Need[]
  readonly budget: number | null
}

/** Amounts by their names, added up. */
export const moneyTogether = (parts: readonly (readonly [name: string, amount: Minor])[]): Term =>
  plusAll(
    parts.map(([name, amount]) => named(name, quantity.money(amount), COUNTED)),
    given(quantity.money(0), COUNTED),
  )

/** What a piece costs, were it alone in hand. */
export function billOf({ id: piece, needs, copies, budget }: Making, pricing: Pricing): Bill {
  const known = (id: string, line: (material: Material) => CostLine): CostLine[] => {
    const material = materialOf(pricing.shelf, id)
    return material ? [line(material)] : []
  }
  const lines = [
    ...needs.flatMap((need) => (need.of === 'base' ? [baseLine(need, copies)] : [])),
    ...[...byMaterial(thingsIn(needs))].flatMap(([id, own]) => known(id, (material) => materialLine(material, own, copies, pricing))),
    ...[...byMaterial(lengthsIn(needs))].flatMap(([id, own]) =>
      known(id, (material) => lengthLine(material, own, { id: piece, copies }, pricing)),
    ),
  ]
  const total = (of: 'opened' | 'used') => lines.reduce((amount, line) => amount + line[of].value, 0)
  const opened = total('opened')
  const used = total('used')
  const added = (of: 'opened' | 'used'): Figure => worked(moneyTogether(lines.map((line) => [line.name, line[of].value])))
  const each = (all: number): Figure =>
    figure(
      quantity.money(perCopy(all, copies)),
      sum`${quantity.money(all)} ÷ ${several(copies, 'copy', 'copies')}, rounded up = ${quantity.money(perCopy(all, copies))}`,
      COUNTED,
    )
  const openedEach = copies > 1 ? each(opened) : added('opened')
  return {
    lines,
    opened: added('opened'),
    used: added('used'),
    openedEach,
    usedEach: copies > 1 ? each(used) : added('used'),
    left: figure(
      quantity.money(opened - used),
      sum`opened ${quantity.money(opened)} − used ${quantity.money(used)} = ${quantity.money(opened - used)}`,
      COUNTED,
    ),
    room:
      budget === null
        ? null
        : figure(
            quantity.money(budget - openedEach.value),
            sum`budget ${quantity.money(budget)} − opened ${quantity.money(openedEach.value)} = ${quantity.money(budget - openedEach.value)}`,
            COUNTED,
          ),
  }
}

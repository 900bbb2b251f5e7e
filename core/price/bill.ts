import type { Material, Need } from '../material'
import { byMaterial, lengthsIn, materialOf, thingsIn } from '../material'
import type { Figure, Minor, Said, Term } from '../measure'
import { COUNTED, figure, quantity, several, sum, given, named, plusAll, worked } from '../measure'
import { boughtTogether } from './among'
import { basesGiven } from './bases'
import type { Copies, CostLine, Pricing } from './cost-lines'
import { baseLine, lengthLine, materialLine, perCopy } from './cost-lines'
import { moneyFigure, usedShare } from './opened'
import type { PriceRange } from './reduction'
import type { Tax } from './tax'
import { taxIn, taxOn } from './tax'

/** The two ledgers, always both: whole packs, and the share of each that is used. With the tax of the place. */
export interface Bill {
  readonly lines: readonly CostLine[]
  /** Tax on what is opened, on top or in it; null where there is none. */
  readonly tax: Figure | null
  /** Whole packs for all copies. */
  readonly opened: Figure
  readonly used: Figure
  /** The same for one copy. */
  readonly openedEach: Figure
  readonly usedEach: Figure
  /** What the material in one is worth: what is used of what is opened, and what was paid for what comes from the house. */
  readonly materialsEach: Figure
  /** The same packs at their list prices, and what reductions take off: nothing where there are none. With tax. */
  readonly full: Figure
  readonly reduced: Figure | null
  /** Worth of what is left over. */
  readonly left: Figure
  /** Budget less opened, for one; null without a budget. */
  readonly room: Figure | null
}

/** What is made of something, and for how much. */
export interface BilledPiece extends Copies {
  readonly needs: readonly Need[]
  readonly budget: number | null
}

/** Amounts by their names, added up. */
export const moneyTogether = (parts: readonly (readonly [name: string, amount: Minor])[]): Term =>
  plusAll(
    parts.map(([name, amount]) => named(name, quantity.money(amount), COUNTED)),
    given(quantity.money(0), COUNTED),
  )

/** The least and the most of a figure; both the same where it is one number. */
export const rangeOf = ({ value, range }: Pick<Figure, 'value' | 'range'>): PriceRange => range ?? [value, value]

/** What lines come to with the tax of the place. */
export const withTax = (lines: readonly Minor[], tax: Tax): Minor => lines.reduce((all, line) => all + line, 0) + taxOn(lines, tax)

/** What a figure comes to at its least, or at its most. */
const endOf = (figures: readonly Figure[], end: 0 | 1): Minor[] => figures.map((each) => rangeOf(each)[end])

/** Lines added up by their names, with tax. @param parts by name */
export function totalOf(
  parts: readonly (readonly [name: string, amount: Figure])[],
  tax: Tax,
): { readonly total: Figure; readonly tax: Figure | null } {
  const figures = parts.map(([, each]) => each)
  const most = endOf(figures, 1)
  const share = quantity.share(tax.share)
  const on = taxOn(most, tax)
  const inside = taxIn(most, tax)
  const sums = worked(moneyTogether([...parts.map(([name, each]) => [name, each.value] as const), ...(on ? ([['tax', on]] as const) : [])]))
  const said: Said = [
    ...sum`${share} of ${quantity.money(most.reduce((all, each) => all + each, 0))}, rounded `,
    tax.by === 'line' ? 'on each line' : 'on the whole bill',
    ' = ',
    quantity.money(on || inside),
  ]
  return {
    total: moneyFigure([withTax(endOf(figures, 0), tax), withTax(most, tax)], sums.sum),
    tax: tax.share > 0 ? figure(quantity.money(on || inside), tax.included ? ['in it: ', ...said] : said, COUNTED) : null,
  }
}

/** The lines of a bill, without what they come to together. */
export function linesOf({ id, needs, copies }: Omit<BilledPiece, 'budget'>, pricing: Pricing): CostLine[] {
  const known = (material: string, line: (material: Material) => CostLine): CostLine[] => {
    const found = materialOf(pricing.shelf, material)
    return found ? [line(found)] : []
  }
  const piece = { id, copies }
  const given = [...basesGiven([{ id, needs, copies }], pricing).values()].flat()
  return [
    ...needs.flatMap((need) =>
      given.flatMap((base) => (base.need === need ? [baseLine(base.need, base.own + base.had, piece, pricing)] : [])),
    ),
    ...[...byMaterial(thingsIn(needs))].flatMap(([material, own]) => known(material, (of) => materialLine(of, own, piece, pricing))),
    ...[...byMaterial(lengthsIn(needs))].flatMap(([material, own]) => known(material, (of) => lengthLine(of, own, piece, pricing))),
  ]
}

/** What a piece costs, were it alone in hand. */
export const billOf = (making: BilledPiece, pricing: Pricing): Bill => billFrom(linesOf(making, pricing), making, pricing.tax)

/** What is opened of some things and what of that is used, both with the tax of the place: the ledgers of a piece, and of everything. */
export function ledgerOf(
  lines: readonly { readonly name: string; readonly opened: Figure; readonly used: Figure }[],
  tax: Tax,
): Pick<Bill, 'opened' | 'used' | 'tax'> {
  const { total: opened, tax: taxed } = totalOf(
    lines.map((line) => [line.name, line.opened]),
    tax,
  )
  const all = (figures: readonly Figure[], end: 0 | 1): Minor => endOf(figures, end).reduce((n, each) => n + each, 0)
  const used = lines.map((line) => line.used)
  const net = lines.map((line) => line.opened)
  const added = tax.share > 0 && !tax.included
  // Tax is used as what it is on.
  const end = (at: 0 | 1): Minor => (added ? usedShare([0, rangeOf(opened)[at]], all(used, at), all(net, at))[1] : all(used, at))
  const span: PriceRange = [Math.min(end(0), end(1)), end(1)]
  const parts = worked(moneyTogether(lines.map((line) => [line.name, line.used.value])))
  const onTop = span[1] - parts.value
  return {
    opened,
    tax: taxed,
    used: moneyFigure(
      span,
      added && onTop > 0
        ? worked(moneyTogether([...lines.map((line) => [line.name, line.used.value] as const), ['its part of the tax', onTop]])).sum
        : parts.sum,
    ),
  }
}

/** @param alone all its lines, each as if it were bought by itself */
export const billFrom = (alone: readonly CostLine[], making: Pick<BilledPiece, 'copies' | 'budget'>, tax: Tax): Bill =>
  billOfLines(boughtTogether(alone), making, tax)

/** @param lines as they cost beside the others, also where only some of them are asked for */
export function billOfLines(lines: readonly CostLine[], { copies, budget }: Pick<BilledPiece, 'copies' | 'budget'>, tax: Tax): Bill {
  const { opened, used, tax: taxed } = ledgerOf(lines, tax)
  const each = (all: Figure): Figure => {
    const [least, most] = rangeOf(all)
    return moneyFigure(
      [perCopy(least, copies), perCopy(most, copies)],
      sum`${quantity.money(most)} ÷ ${several(copies, 'copy', 'copies')}, rounded up = ${quantity.money(perCopy(most, copies))}`,
    )
  }
  const openedEach = copies > 1 ? each(opened) : opened
  const house = lines.reduce((all, line) => all + line.house, 0)
  const materials = house
    ? moneyFigure(
        [rangeOf(used)[0] + house, used.value + house],
        sum`used of what is opened ${quantity.money(used.value)} + from the house ${quantity.money(house)} = ${quantity.money(used.value + house)}`,
      )
    : used
  const atList = lines.map((line) => ({ name: line.name, cost: line.bought.reduce((all, { price, packs }) => all + price * packs, 0) }))
  const fullNet = worked(moneyTogether(atList.map(({ name, cost }) => [name, cost])))
  const fullValue = withTax(
    atList.map(({ cost }) => cost),
    tax,
  )
  const full = moneyFigure(
    [fullValue, fullValue],
    fullValue === fullNet.value
      ? fullNet.sum
      : worked(moneyTogether([...atList.map(({ name, cost }) => [name, cost] as const), ['tax', fullValue - fullNet.value]])).sum,
  )
  return {
    lines,
    tax: taxed,
    opened,
    used,
    openedEach,
    usedEach: copies > 1 ? each(used) : used,
    materialsEach: copies > 1 ? each(materials) : materials,
    full,
    reduced:
      fullValue > opened.value
        ? moneyFigure(
            [fullValue - opened.value, fullValue - rangeOf(opened)[0]],
            sum`at list prices ${quantity.money(fullValue)} − at the least ${quantity.money(rangeOf(opened)[0])} = ${quantity.money(fullValue - rangeOf(opened)[0])}`,
          )
        : null,
    left: leftOf(opened, used),
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

/** What is opened and not used: it is left for the stash. */
export const leftOf = (opened: Figure, used: Figure): Figure =>
  moneyFigure(
    [rangeOf(opened)[0] - rangeOf(used)[0], opened.value - used.value],
    sum`opened ${quantity.money(opened.value)} − used ${quantity.money(used.value)} = ${quantity.money(opened.value - used.value)}`,
  )

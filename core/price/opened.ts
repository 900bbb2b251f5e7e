import type { Figure, Minor, Quantity, Said } from '../measure'
import { apportion, COUNTED, figure, quantity, sum } from '../measure'
import type { Bought } from './packs'
import type { PriceRange } from './reduction'
import { reductionSaid } from './reduction'

/** An amount that may be anything from the least to the most: told by the most. */
export function moneyFigure([least, most]: PriceRange, how: Said): Figure {
  const of = figure(quantity.money(most), how, COUNTED)
  return least < most ? { ...of, range: [least, most] } : of
}

/** What packs come to: how many, what they hold, what they cost, and that in words. */
export function openedBy(bought: readonly Bought[]): {
  readonly packs: number
  readonly holds: number
  readonly cost: PriceRange
  readonly words: Said
} {
  const total = (of: (each: Bought) => number): number => bought.reduce((sum, each) => sum + of(each), 0)
  return {
    packs: total(({ packs }) => packs),
    holds: total(({ packs, holds }) => packs * holds),
    cost: [total(({ cost }) => cost[0]), total(({ cost }) => cost[1])],
    words: bought.length
      ? bought.flatMap(({ packs, price, reductions, free }, i) => [
          ...(free
            ? sum`${i ? ' + ' : ''}(${quantity.count(packs)} − ${quantity.count(free)} free with the others) × ${quantity.money(price)}`
            : sum`${i ? ' + ' : ''}${quantity.count(packs)} × ${quantity.money(price)}`),
          ...reductions.flatMap((each) => [', ', ...reductionSaid(each)]),
        ])
      : sum`${quantity.count(0)}`,
  }
}

/** What of an amount is used, to the cent: by largest remainder, so that it and the rest add up. @param used of `all`, both from 0 */
export function usedShare([least, most]: PriceRange, used: number, all: number): PriceRange {
  const part = (amount: Minor): Minor => (amount > 0 && all > 0 ? apportion(amount, [used, Math.max(0, all - used)])[0]! : 0)
  return [part(least), part(most)]
}

/** What of packs is used, with the sum that says it. @param used of `all`, both from 0 */
export function usedFigure(cost: PriceRange, used: number, all: number, said: (n: number) => Quantity): Figure {
  const part = usedShare(cost, used, all)
  return all > 0
    ? moneyFigure(part, sum`${quantity.money(cost[1])} × ${said(used)} used ÷ ${said(all)} opened = ${quantity.money(part[1])}`)
    : moneyFigure(part, sum`nothing opened = ${quantity.money(0)}`)
}

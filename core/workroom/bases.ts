import { COUNTED, figure, quantity, sum } from '../measure'
import type { GivenBase } from '../price'
import { basesGiven, moneyFigure, openedBy, packsFor, soldBase, usedFigure } from '../price'
import type { InHand, MaterialPlan, Workroom } from './workroom'

/** Every piece has a base of its own: one that is kept for it, one that is nobody's and as wide, or a new one. So have its parts. */
export const basesPlans = (pieces: readonly InHand[], workroom: Workroom): MaterialPlan[] =>
  [...basesGiven(pieces, workroom)].map(([id, own]) => basePlan(id, own, workroom))

/** One kind and width of base, for all pieces that want it. */
function basePlan(id: string, own: readonly GivenBase<InHand>[], workroom: Workroom): MaterialPlan {
  const { need } = own[0]!
  const total = (of: (want: GivenBase<InHand>) => number): number => own.reduce((n, each) => n + of(each), 0)
  const [toBuy, there] = [total(({ open }) => open), total((each) => each.own + each.had)]
  const bought = packsFor(toBuy, soldBase(need), workroom)
  const { packs, holds, cost, words } = openedBy(bought)
  return {
    id,
    base: need,
    name: need.name,
    of: 'base',
    bought,
    parts: [toBuy, holds],
    toBuy,
    cutting: null,
    taken: Object.fromEntries(own.map(({ piece, open }) => [piece.id, open])),
    listed: 0,
    drawn: there,
    needed: figure(
      quantity.count(toBuy + there),
      [
        ...own.flatMap(({ piece, open, own: kept, had }, i) => [i ? ' + ' : '', `${open + kept + had} for ${piece.name}`]),
        ...sum` = ${quantity.count(toBuy + there)}`,
      ],
      COUNTED,
    ),
    fromHouse: figure(quantity.count(there), there ? sum`of the kind and width that is wanted` : sum`none`, COUNTED),
    packs: figure(quantity.count(packs), sum`${quantity.count(toBuy + there)} − ${quantity.count(there)} from the house`, COUNTED),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, toBuy, holds, (n) => quantity.count(n)),
    left: figure(quantity.count(holds - toBuy), sum`${quantity.count(holds)} bought − ${quantity.count(toBuy)} needed of them`, COUNTED),
  }
}

import type { BaseKind } from '../base'
import type { BareBase } from '../material'
import { COUNTED, figure, quantity, sum } from '../measure'
import type { WantedBase } from '../price'
import { giveOutBases, moneyFigure, openedBy, packsFor, soldBase, usedFigure } from '../price'
import type { Lot } from '../stock'
import { baseLots, baseOfLot, isFree, lotsOf, servesAs } from '../stock'
import type { InHand, MaterialPlan, Workroom } from './workroom'

/** What the plan of a kind and width of base is known by. */
const baseKey = ({ material, width, ownPrice, price }: BareBase): string =>
  [baseLots(material as BaseKind), Math.round(width * 10) / 10, ...(ownPrice ? [price] : [])].join(':')

/** Bases that are wanted for a piece, and how many of them are kept for it. */
interface BaseWant extends WantedBase {
  readonly piece: InHand
  own: number
}

/** Every piece has a base of its own: one that is kept for it, one that is nobody's and as wide, or a new one. */
export function basesPlans(pieces: readonly InHand[], workroom: Workroom): MaterialPlan[] {
  const { lots } = workroom
  const wants = pieces
    .flatMap((piece) =>
      piece.needs.flatMap((need): BaseWant[] =>
        need.of === 'base' ? [{ piece, need, open: need.count * piece.copies, own: 0, had: 0 }] : [],
      ),
    )
    .sort((a, b) => a.need.width - b.need.width)
  takeKept(wants, lots)
  const groups = new Map<string, BaseWant[]>()
  for (const want of wants) groups.set(baseKey(want.need), [...(groups.get(baseKey(want.need)) ?? []), want])
  for (const kind of new Set(wants.map(({ need }) => need.material as BaseKind)))
    giveOutBases(
      [...groups.values()].filter(([first]) => first!.need.material === kind),
      lotsOf(lots, baseLots(kind)).filter((lot) => isFree(lot)),
      workroom,
    )
  return [...groups].map(([id, own]) => basePlan(id, own, workroom))
}

/** Gives each piece the bases that are kept for it, as far as they are wide enough. */
function takeKept(wants: readonly BaseWant[], lots: readonly Lot[]): void {
  const left = new Map(lots.flatMap((lot): [string, number][] => (baseOfLot(lot) ? [[lot.id, lot.things ?? 0]] : [])))
  for (const want of wants)
    for (const lot of lotsOf(lots, baseLots(want.need.material as BaseKind))) {
      if (lot.reserved?.piece !== want.piece.id || !isFree(lot, want.piece.id) || !servesAs(lot, want.need.width)) continue
      const taken = Math.min(left.get(lot.id)!, want.open)
      left.set(lot.id, left.get(lot.id)! - taken)
      want.open -= taken
      want.own += taken
    }
}

/** One kind and width of base, for all pieces that want it. */
function basePlan(id: string, own: readonly BaseWant[], workroom: Workroom): MaterialPlan {
  const { need } = own[0]!
  const total = (of: (want: BaseWant) => number): number => own.reduce((n, each) => n + of(each), 0)
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

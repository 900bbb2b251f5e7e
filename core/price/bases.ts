import type { BaseKind } from '../base'
import type { BareBase, Need } from '../material'
import { kept } from '../measure'
import type { Lot } from '../stock'
import { baseLots, GivingOut, isFree, lotsOf } from '../stock'
import type { Copies, Pricing } from './cost-lines'
import { packsFor } from './cost-lines'
import { soldBase } from './offer'
import { openedBy } from './opened'

/** Bases that somebody wants: how many are open still, and how many were had of those that are nobody's. */
export interface WantedBase {
  readonly need: BareBase
  open: number
  had: number
}

/** Bases that a piece wants, and how many of them are kept for it. */
export interface GivenBase<P extends Wanting> extends WantedBase {
  readonly piece: P
  own: number
}

/** What is in the house, and what bases are sold for. */
type HousePricing = Pick<Pricing, 'lots' | 'shops' | 'shunned' | 'day'>

/** A piece that wants bases, its own and those of its parts. */
interface Wanting extends Copies {
  readonly needs: readonly Need[]
}

/** What the plan of a kind and width of base is known by. */
const baseKey = ({ material, width, ownPrice, price }: BareBase): string =>
  [baseLots(material as BaseKind), Math.round(width * 10) / 10, ...(ownPrice ? [price] : [])].join(':')

/**
 * What pieces get of the bases of the house: those that are kept for them, and of those that are nobody's as `giveOutBases` says.
 * @returns by kind and width
 */
export function basesGiven<P extends Wanting>(pieces: readonly P[], pricing: HousePricing): ReadonlyMap<string, readonly GivenBase<P>[]> {
  const wants = pieces
    .flatMap((piece) =>
      piece.needs.flatMap((need): GivenBase<P>[] =>
        need.of === 'base' ? [{ piece, need, open: need.count * piece.copies, own: 0, had: 0 }] : [],
      ),
    )
    .sort((a, b) => a.need.width - b.need.width)
  const groups = grouped(wants, ({ need }) => baseKey(need))
  for (const [kind, own] of grouped(wants, ({ need }) => need.material)) {
    // The lots themselves, which are piled by what they are once for all who ask.
    const house = lotsOf(pricing.lots, baseLots(kind as BaseKind))
    takeKept(own, house, pricing)
    giveOutBases(
      [...grouped(own, ({ need }) => baseKey(need)).values()],
      house.filter((lot) => isFree(lot)),
      pricing,
    )
  }
  return groups
}

/** Gives each piece the bases of one kind that are kept for it: the best that its wants make of them. */
function takeKept<P extends Wanting>(wants: readonly GivenBase<P>[], house: readonly Lot[], pricing: HousePricing): void {
  const keptFor = grouped(house, (lot) => (lot.reserved?.piece && isFree(lot, lot.reserved.piece) ? lot.reserved.piece : ''))
  for (const [id, own] of grouped(wants, ({ piece }) => piece.id)) {
    const mine = keptFor.get(id)
    if (!mine) continue
    giveOutBases([...grouped(own, ({ need }) => baseKey(need)).values()], mine, pricing)
    for (const want of own) [want.own, want.had] = [want.had, 0]
  }
}

/** What is alike together, in the order in which it first comes. */
function grouped<T>(all: readonly T[], by: (each: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>()
  for (const each of all) {
    const known = groups.get(by(each))
    if (known) known.push(each)
    else groups.set(by(each), [each])
  }
  return groups
}

/**
 * Gives the bases of the house to those who want them: to as many as can be, and of those to whoever would have to pay most. Which
 * sets can be served together is a matroid, so the dearest first, others moving over to let one in, leaves least to pay; what
 * packs and reductions make of several is then bettered by handing some from one width to another, as long as that costs less.
 * @param groups of one kind, each of one width and price; what they get is noted in them
 */
export function giveOutBases(
  groups: readonly (readonly WantedBase[])[],
  house: readonly Lot[],
  pricing: Pick<Pricing, 'shops' | 'shunned' | 'day'>,
): void {
  if (!house.length) return
  const open = groups.map((own) => own.reduce((n, each) => n + each.open, 0))
  const costs = kept<number>(5000)
  const cost = (group: number, count: number): number =>
    costs(`${group} ${count}`, () => openedBy(packsFor(count, soldBase(groups[group]![0]!.need), pricing)).cost[1])
  const giving = new GivingOut(
    groups.map(([first]) => first!.need.width),
    house,
  )
  const dearest = groups.map((_, i) => i).sort((a, b) => cost(b, 1) - cost(a, 1))
  for (const group of dearest) while (giving.has(group) < open[group]! && giving.letIn(group));
  const paid = (): number => groups.reduce((all, _, i) => all + cost(i, open[i]! - giving.has(i)), 0)
  const pairs = dearest.flatMap((from) => dearest.flatMap((to) => (from === to ? [] : [[from, to] as const])))
  const bettered = (): boolean => {
    const before = paid()
    return pairs.some(([from, to]) => {
      for (let many = Math.min(giving.has(from), open[to]! - giving.has(to)); many > 0; many--)
        if (giving.hand(from, to, many, () => paid() < before)) return true
      return false
    })
  }
  while (bettered());
  for (const [group, own] of groups.entries()) note(own, giving.has(group))
}

/** Notes what those of one group got, the first of them first. */
function note(own: readonly WantedBase[], had: number): void {
  let left = had
  for (const want of own) {
    const taken = Math.min(left, want.open)
    want.had += taken
    want.open -= taken
    left -= taken
  }
}

import type { BareBase } from '../material'
import { kept } from '../measure'
import type { Lot } from '../stock'
import { servesAs } from '../stock'
import type { Pricing } from './cost-lines'
import { packsFor } from './cost-lines'
import { soldBase } from './offer'
import { openedBy } from './opened'

/** Bases that somebody wants: how many are open still, and how many were had of those that are nobody's. */
export interface WantedBase {
  readonly need: BareBase
  open: number
  had: number
}

/** What a set of groups gets of the lots of the house. Which sets can be served together is a matroid. */
class GivingOut {
  private left: number[]
  /** How many of each lot each group has. */
  private given: number[][]
  private readonly serves: readonly (readonly boolean[])[]

  /** @param groups each of one width and price */
  constructor(groups: readonly (readonly WantedBase[])[], house: readonly Lot[]) {
    this.left = house.map(({ things }) => things ?? 0)
    this.given = groups.map(() => house.map(() => 0))
    this.serves = groups.map(([first]) => house.map((lot) => servesAs(lot, first!.need.width)))
  }

  /** How many a group has. */
  has(group: number): number {
    return this.given[group]!.reduce((n, each) => n + each, 0)
  }

  /** Lets one more of a group have one, where others move over. @returns whether that could be */
  letIn(group: number, tried = new Set<number>()): boolean {
    const { left, given, serves } = this
    for (const [lot, n] of left.entries()) {
      if (!n || !serves[group]![lot]) continue
      left[lot] = n - 1
      given[group]![lot]! += 1
      return true
    }
    for (const lot of left.keys()) {
      if (!serves[group]![lot] || tried.has(lot)) continue
      tried.add(lot)
      const other = given.findIndex((of, i) => i !== group && of[lot]! > 0 && this.letIn(i, tried))
      if (other < 0) continue
      given[other]![lot]! -= 1
      given[group]![lot]! += 1
      return true
    }
    return false
  }

  /** Takes one from a group that has one. */
  letGo(group: number): void {
    const lot = this.given[group]!.findIndex((n) => n > 0)
    this.given[group]![lot]! -= 1
    this.left[lot]! += 1
  }

  /** Hands so many from one group to another, or none. @param better whether it is to stay so */
  hand(from: number, to: number, many: number, better: () => boolean): boolean {
    const was = [this.left.slice(), this.given.map((of) => of.slice())] as const
    for (let n = 0; n < many; n++) this.letGo(from)
    let got = 0
    while (got < many && this.letIn(to)) got += 1
    if (got === many && better()) return true
    ;[this.left, this.given] = was
    return false
  }
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
  const giving = new GivingOut(groups, house)
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

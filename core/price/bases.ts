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
  const left = house.map(({ things }) => things ?? 0)
  /** How many of each lot each group has. */
  const given = groups.map(() => house.map(() => 0))
  const has = (group: number): number => given[group]!.reduce((n, each) => n + each, 0)
  const serves = groups.map(([first]) => house.map((lot) => servesAs(lot, first!.need.width)))
  /** Lets one more of a group have one, where others move over. */
  const letIn = (group: number, tried = new Set<number>()): boolean => {
    for (const [lot, n] of left.entries()) {
      if (!n || !serves[group]![lot]) continue
      left[lot] = n - 1
      given[group]![lot]! += 1
      return true
    }
    for (const lot of house.keys()) {
      if (!serves[group]![lot] || tried.has(lot)) continue
      tried.add(lot)
      const other = given.findIndex((of, i) => i !== group && of[lot]! > 0 && letIn(i, tried))
      if (other < 0) continue
      given[other]![lot]! -= 1
      given[group]![lot]! += 1
      return true
    }
    return false
  }
  const letGo = (group: number): void => {
    const lot = given[group]!.findIndex((n) => n > 0)
    given[group]![lot]! -= 1
    left[lot]! += 1
  }
  const dearest = groups.map((_, i) => i).sort((a, b) => cost(b, 1) - cost(a, 1))
  for (const group of dearest) while (has(group) < open[group]! && letIn(group));
  const paid = (): number => groups.reduce((all, _, i) => all + cost(i, open[i]! - has(i)), 0)
  /** Hands so many from one group to another; undone where that costs no less. */
  const hand = (from: number, to: number, many: number): boolean => {
    const before = paid()
    const was = [left.slice(), given.map((of) => of.slice())] as const
    for (let n = 0; n < many; n++) letGo(from)
    let got = 0
    while (got < many && letIn(to)) got += 1
    if (got === many && paid() < before) return true
    left.splice(0, left.length, ...was[0])
    given.splice(0, given.length, ...was[1])
    return false
  }
  const pairs = dearest.flatMap((from) => dearest.flatMap((to) => (from === to ? [] : [[from, to] as const])))
  const better = (): boolean =>
    pairs.some(([from, to]) => {
      for (let many = Math.min(has(from), open[to]! - has(to)); many > 0; many--) if (hand(from, to, many)) return true
      return false
    })
  while (better());
  for (const [group, own] of groups.entries()) {
    let n = has(group)
    for (const want of own) {
      const had = Math.min(n, want.open)
      want.had += had
      want.open -= had
      n -= had
    }
  }
}

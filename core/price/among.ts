import type { Figure } from '../measure'
import { quantity } from '../measure'
import { moneyFigure, openedBy, usedFigure } from './opened'
import type { Bought } from './packs'
import type { Reduction, PriceRange } from './reduction'
import { freeAmong, freeDeal, lineCost, lineRange } from './reduction'

/** What a deal over several kinds leaves of what was bought: the same packs, each with what it costs with the others. */
export function together(given: readonly Bought[]): readonly Bought[] {
  // What it was bought with before may be gone.
  const bought = given.some(({ free }) => free != null)
    ? given.map((each) => (each.free == null ? each : { ...each, free: null, cost: lineRange(each.price, each.packs, each.reductions) }))
    : given
  const deals = new Map<string, { readonly buy: number; readonly get: number; readonly own: number[] }>()
  bought.forEach(({ shop, reductions }, i) => {
    const deal = freeDeal(reductions)
    if (!deal?.among) return
    const key = JSON.stringify([shop, deal.among, deal.buy, deal.get])
    const known = deals.get(key)
    if (known) known.own.push(i)
    else deals.set(key, { buy: deal.buy, get: deal.get, own: [i] })
  })
  const changed = new Map<number, Bought>()
  for (const { buy, get, own } of deals.values()) {
    if (own.length < 2) continue
    const each = own.map((i) => bought[i]!)
    const ends = (['most', 'least'] as const).map((end) => {
      const rest = each.map(({ reductions }) => reductions.filter(({ kind }) => kind !== 'free'))
      const free = freeAmong(
        each.map(({ price, packs }, k) => ({ unit: lineCost(price, 1, withoutCoupons(rest[k]!), end), packs })),
        { buy, get },
      )
      const costs = each.map(({ price, packs }, k) => lineCost(price, packs - free[k]!, rest[k]!, end))
      const alone = each.map(({ price, packs, reductions }) => lineCost(price, packs, reductions, end))
      const total = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0)
      return total(costs) < total(alone) ? { costs, free } : { costs: alone, free: null }
    })
    const [low, high] = ends as [(typeof ends)[number], (typeof ends)[number]]
    if (!low.free && !high.free) continue
    own.forEach((i, k) => {
      const cost: PriceRange = [Math.min(low.costs[k]!, high.costs[k]!), high.costs[k]!]
      changed.set(i, { ...bought[i]!, cost, free: high.free?.[k] ?? null })
    })
  }
  return changed.size ? bought.map((each, i) => changed.get(i) ?? each) : bought
}

const withoutCoupons = (reductions: readonly Reduction[]): Reduction[] => reductions.filter(({ kind }) => kind !== 'coupon')

/** A line of a bill, or of the plan of everything in hand, as far as its packs cost something. */
interface Opened {
  readonly of: 'stems' | 'length' | 'base'
  readonly bought: readonly Bought[]
  readonly opened: Figure
  readonly used: Figure
  /** What of the packs is used, and all that they hold: things, or mm. */
  readonly parts: readonly [used: number, all: number]
}

/** Lines that are bought together: where a shop has a deal over several kinds, each costs what it does beside the others. */
export function boughtTogether<L extends Opened>(lines: readonly L[]): readonly L[] {
  const before = lines.flatMap(({ bought }) => bought)
  const after = together(before)
  if (after === before) return lines
  let n = 0
  return lines.map((line) => {
    const bought = after.slice(n, (n += line.bought.length))
    if (bought.every((each, i) => each === line.bought[i])) return line
    const { cost, words } = openedBy(bought)
    return {
      ...line,
      bought,
      opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
      used: usedFigure(cost, ...line.parts, line.of === 'length' ? quantity.length : quantity.count),
    }
  })
}

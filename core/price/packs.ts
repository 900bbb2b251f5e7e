import type { Minor } from '../measure'

/** A pack that something can be bought in. */
export interface Price {
  readonly shop: string | null
  readonly holds: number
  readonly price: Minor
}

/** So many packs of one kind. */
export interface Bought extends Price {
  readonly packs: number
}

/** More than this is bought in the pack that is cheapest by the piece; the rest is worked out exactly. */
const EXACT = 3000

/**
 * The packs of any kinds, also of several together, that hold so many at the least cost; of equals the fewest packs.
 * By dynamic programming over how many are still wanted.
 * @param wanted whole, from 0 @param prices at least one, each holding 1 or more
 * @example packsOver(13, [{ shop: null, holds: 12, price: 1000 }, { shop: null, holds: 1, price: 150 }]) // 12 + 1: 11.50
 */
export function packsOver(wanted: number, prices: readonly Price[]): Bought[] {
  const bulk = prices.reduce((best, each) => (each.price * best.holds < best.price * each.holds ? each : best))
  const whole = wanted > EXACT ? Math.floor((wanted - EXACT) / bulk.holds) : 0
  const rest = wanted - whole * bulk.holds
  const cost = new Float64Array(rest + 1)
  const count = new Int32Array(rest + 1)
  const choice = new Int32Array(rest + 1)
  for (let n = 1; n <= rest; n++) {
    cost[n] = Infinity
    for (let k = 0; k < prices.length; k++) {
      const before = Math.max(0, n - prices[k]!.holds)
      const tried = cost[before]! + prices[k]!.price
      if (tried > cost[n]! || (tried === cost[n]! && count[before]! + 1 >= count[n]!)) continue
      cost[n] = tried
      count[n] = count[before]! + 1
      choice[n] = k
    }
  }
  const packs = prices.map((each) => (each === bulk ? whole : 0))
  for (let n = rest; n > 0; n -= prices[choice[n]!]!.holds) packs[choice[n]!]! += 1
  return prices.flatMap((each, k) => (packs[k]! > 0 ? [{ ...each, packs: packs[k]! }] : []))
}

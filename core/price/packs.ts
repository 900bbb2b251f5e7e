import type { Price } from './offer'
import type { PriceRange } from './reduction'
import { lineCost, lineRange } from './reduction'

/** So many packs of one kind. */
export interface Bought extends Price {
  readonly packs: number
  /** Of all of them, after what is taken off, minor units. */
  readonly cost: PriceRange
  /** How many of them go free beside other kinds, by a deal that counts them together; null or not there where none does. */
  readonly free?: number | null
}

/** More than this is bought in the pack that is cheapest by the piece; the rest is worked out exactly. */
const EXACT = 3000

/**
 * The packs of any kinds, also of several together, that hold so many and cost least, were every reduction at its least; of
 * equals those that may cost least, then the fewest packs. By dynamic programming over how many are still wanted. Where there
 * are not that many, all there are.
 * @param wanted whole, from 0 @param prices at least one, each holding 1 or more
 * @example packsOver(13, [listed(null, 12, 1000), listed(null, 1, 150)]) // 12 + 1: 11.50
 */
export function packsOver(wanted: number, prices: readonly Price[]): Bought[] {
  const there = prices.reduce((all, { stock, holds }) => (stock === null ? Infinity : all + stock * holds), 0)
  const aim = Math.min(wanted, there)
  // Beyond that what is cheapest by the piece goes first, as far as it is there.
  const whole = prices.map(() => 0)
  let rest = aim
  const byPiece = prices
    .map((each, k) => ({ each, k, unit: lineCost(each.price, 60, each.reductions, 'least') / each.holds }))
    .sort((a, b) => a.unit - b.unit || a.k - b.k)
  for (const { each, k } of byPiece) {
    if (rest <= EXACT) break
    whole[k] = Math.min(Math.floor((rest - EXACT) / each.holds), each.stock ?? Infinity)
    rest -= whole[k]! * each.holds
    // Of what there is no end of, no other takes more.
    if (each.stock === null) break
  }
  const found = exactly(
    rest,
    prices.map((each, k) => (each.stock === null ? each : { ...each, stock: each.stock - whole[k]! })),
  )
  return prices.flatMap((each, k) => {
    const packs = found[k]! + whole[k]!
    return packs > 0 ? [{ ...each, packs, cost: lineRange(each.price, packs, each.reductions) }] : []
  })
}

/** How many packs of each hold at least so many, at the least cost: there are that many. */
function exactly(wanted: number, prices: readonly Price[]): number[] {
  const plain = prices.map(({ reductions, stock }) => !reductions.length && stock === null)
  // What has no reduction and no end costs the same by the piece however many there are.
  const { choice, ...start } = unbounded(wanted, prices, plain)
  let { most, least, count } = start
  const taken: { readonly k: number; readonly packs: Int32Array }[] = []
  prices.forEach((each, k) => {
    if (plain[k]) return
    const { holds, price, reductions, stock } = each
    const cap = Math.min(stock ?? Infinity, Math.ceil(wanted / holds))
    const costs = Array.from({ length: cap + 1 }, (_, packs) => lineRange(price, packs, reductions))
    const next = { most: most.slice(), least: least.slice(), count: count.slice(), packs: new Int32Array(wanted + 1) }
    for (let n = 1; n <= wanted; n++) {
      const enough = Math.min(cap, Math.ceil(n / holds))
      for (let packs = 1; packs <= enough; packs++) {
        const before = Math.max(0, n - packs * holds)
        const [low, high] = costs[packs]!
        const tried = [most[before]! + high, least[before]! + low, count[before]! + packs] as const
        if (!isLess(tried, [next.most[n]!, next.least[n]!, next.count[n]!])) continue
        next.most[n] = tried[0]
        next.least[n] = tried[1]
        next.count[n] = tried[2]
        next.packs[n] = packs
      }
    }
    ;({ most, least, count } = next)
    taken.push({ k, packs: next.packs })
  })
  const packs = prices.map(() => 0)
  let n = wanted
  for (const { k, packs: chosen } of taken.reverse()) {
    packs[k] = chosen[n]!
    n = Math.max(0, n - chosen[n]! * prices[k]!.holds)
  }
  for (; n > 0; n = Math.max(0, n - prices[choice[n]!]!.holds)) packs[choice[n]!]! += 1
  return packs
}

const isLess = (a: readonly [number, number, number], b: readonly [number, number, number]): boolean =>
  a[0] !== b[0] ? a[0] < b[0] : a[1] !== b[1] ? a[1] < b[1] : a[2] < b[2]

/** @param plain which prices are taken: those without reductions and without end */
function unbounded(wanted: number, prices: readonly Price[], plain: readonly boolean[]) {
  const most = new Float64Array(wanted + 1).fill(Infinity)
  const count = new Int32Array(wanted + 1)
  const choice = new Int32Array(wanted + 1).fill(-1)
  most[0] = 0
  for (let n = 1; n <= wanted; n++) {
    for (let k = 0; k < prices.length; k++) {
      if (!plain[k]) continue
      const before = Math.max(0, n - prices[k]!.holds)
      const tried = most[before]! + prices[k]!.price
      if (tried > most[n]! || (tried === most[n]! && count[before]! + 1 >= count[n]!)) continue
      most[n] = tried
      count[n] = count[before]! + 1
      choice[n] = k
    }
  }
  return { most, least: most.slice(), count, choice }
}

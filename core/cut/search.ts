import type { Pattern, Relaxed, UnitJob } from './lower-bound'

/** States looked at, and steps taken in looking for ways to cut, before the search gives up. */
const MOST_STATES = 600_000
const MOST_WORK = 12_000_000
/** Steps in which ways of cutting one roll are looked for. */
const MOST_STEPS = 20_000
/** Steps between two breaths. */
const BREATH = 500

/** What a search goes by. */
export interface SearchBounds {
  /** What must be beaten. */
  readonly best: number
  /** No plan costs less. */
  readonly floor: number
  /** Costs differ by multiples of this. */
  readonly step: number
  /** How much of the usual search is made, over 0 to 1. */
  readonly effort?: number
}

/**
 * Looks for a plan cheaper than the best known by trying, for the longest piece left, every full way of cutting a roll
 * that holds it. States seen at no greater cost are not looked at again.
 * Source: bin completion (Korf 2003; from memory).
 * What is left costs at least what its pieces are worth to the relaxed plan (a solution of its dual stays one).
 * @returns the cheapest plan found, or null when there is none; `whole` tells whether all was looked at
 */
export function* searching(
  job: UnitJob,
  { worth, off }: Relaxed,
  { best, floor, step, effort = 1 }: SearchBounds,
): Generator<void, { readonly plan: Pattern[] | null; readonly whole: boolean }> {
  const order = job.sizes.map((_, i) => i).sort((a, b) => job.sizes[b]! - job.sizes[a]!)
  const left = [...job.counts]
  const supply = job.stocks.map((stock) => stock.supply)
  const stocks = job.stocks
    .map((_, k) => k)
    .sort((a, b) => job.stocks[a]!.cost / job.stocks[a]!.size - job.stocks[b]!.cost / job.stocks[b]!.size)
  const seen = new Map<string, number>()
  const path: Pattern[] = []
  let plan: Pattern[] | null = null
  let target = best
  let states = 0
  let work = 0
  let whole = true

  const tired = (): boolean => states > MOST_STATES * effort || work > MOST_WORK * effort

  /** The least that what is left can cost: cheapest lengths first. */
  function atLeast(): number {
    let length = left.reduce((sum, n, i) => sum + n * job.sizes[i]!, 0)
    let cost = 0
    for (const k of stocks) {
      if (length <= 0) break
      const { size, cost: price } = job.stocks[k]!
      const have = supply[k] === null ? Infinity : supply[k]! * size
      const take = Math.min(length, have)
      cost += (take / size) * price
      length -= take
    }
    if (length > 0) return Infinity
    const dual = left.reduce((sum, n, i) => sum + n * worth[i]!, 0) + supply.reduce<number>((sum, n, k) => sum + (n ?? 0) * off[k]!, 0)
    return Math.ceil((Math.max(cost, dual) - 1e-4) / step) * step
  }

  function* from(cost: number): Generator<void, void> {
    states += 1
    if (states % BREATH === 0) yield
    if (tired()) {
      whole = false
      return
    }
    const first = order.find((i) => left[i]! > 0)
    if (first === undefined) {
      if (cost < target) {
        target = cost
        plan = [...path]
      }
      return
    }
    if (cost + atLeast() >= target) return
    const key = `${left.join()}|${supply.join()}`
    const before = seen.get(key)
    if (before !== undefined && before <= cost) return
    seen.set(key, cost)
    const tried = new Set<string>()
    const choices = stocks
      .flatMap((k) => {
        const { size, cost: price } = job.stocks[k]!
        const alike = `${size} ${price} ${supply[k] === null}`
        if (supply[k] === 0 || size < job.sizes[first]! || tried.has(alike)) return []
        tried.add(alike)
        const { ways, steps } = fullPatterns(job.sizes, left, order, first, size)
        work += steps
        if (steps > MOST_STEPS) whole = false
        return ways.map((counts) => ({ k, counts, price, lost: price - counts.reduce((sum, n, i) => sum + n * worth[i]!, 0) }))
      })
      .sort((a, b) => a.lost - b.lost)
    for (const { k, counts, price } of choices) {
      if (target <= floor || tired()) return
      counts.forEach((n, i) => {
        left[i]! -= n
      })
      if (supply[k] !== null) supply[k]! -= 1
      path.push({ stock: k, counts })
      yield* from(cost + price)
      path.pop()
      if (supply[k] !== null) supply[k]! += 1
      counts.forEach((n, i) => {
        left[i]! += n
      })
    }
  }
  yield* from(0)
  return { plan, whole }
}

/**
 * Ways to cut a roll that holds the first kind and has room for nothing more, fullest first.
 * @returns as many as were found within the steps allowed; more steps than allowed when there may be others
 */
function fullPatterns(
  sizes: readonly number[],
  left: readonly number[],
  order: readonly number[],
  first: number,
  room: number,
): { readonly ways: readonly number[][]; readonly steps: number } {
  const kinds = order.filter((i) => left[i]! > 0)
  const found: { readonly counts: number[]; readonly rest: number }[] = []
  const counts = sizes.map(() => 0)
  counts[first] = 1
  let steps = 0
  const after = (at: number, rest: number): void => {
    steps += 1
    if (steps > MOST_STEPS) return
    if (at === kinds.length) {
      if (!kinds.some((i) => counts[i]! < left[i]! && sizes[i]! <= rest)) found.push({ counts: [...counts], rest })
      return
    }
    const i = kinds[at]!
    const own = counts[i]!
    const most = Math.min(left[i]!, own + Math.floor(rest / sizes[i]!))
    // Of the shortest kind less than all that fits leaves room for more of it.
    const fewest = at === kinds.length - 1 ? most : own
    for (let n = most; n >= fewest; n--) {
      counts[i] = n
      after(at + 1, rest - (n - own) * sizes[i]!)
    }
    counts[i] = own
  }
  after(0, room - sizes[first]!)
  return { ways: found.sort((a, b) => a.rest - b.rest).map((each) => each.counts), steps }
}

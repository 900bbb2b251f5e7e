import { packBest } from './knapsack'
import { Master } from './master-problem'

/** A job in whole units: how long each kind of piece is, how many are wanted, and what there is to cut from. */
export interface UnitJob {
  readonly sizes: readonly number[]
  readonly counts: readonly number[]
  readonly stocks: readonly { readonly size: number; readonly cost: number; readonly supply: number | null }[]
  /** Length wanted besides, in parts of any length, whole units. */
  readonly loose: number
}

/** How one roll may be cut: how many of each kind. */
export interface Pattern {
  readonly stock: number
  readonly counts: readonly number[]
}

/** A plan in parts of rolls: what it costs, and how often each pattern is used. */
export interface Relaxed {
  readonly cost: number
  readonly use: readonly { readonly pattern: Pattern; readonly amount: number }[]
  readonly lacking: number
  /** What a piece of each kind is worth at least in any plan, and what each limited stock takes off for one of it: so much no rest of the job costs less. */
  readonly worth: readonly number[]
  readonly off: readonly number[]
}

const NEGLIGIBLE = 1e-7
/** Beyond this the last improvements are not waited for. */
const MOST_ROUNDS = 4000

/**
 * The least cost if rolls could be taken in parts: no plan of whole rolls costs less. Patterns are made as they are
 * needed, each by a knapsack over what the rows are worth.
 * Source: Gilmore and Gomory, A linear programming approach to the cutting-stock problem (1961; from memory).
 * @param known patterns to begin with; those that are found are added
 * @returns null when the rounds ran out, so that there is no floor
 */
export function* relaxing({ sizes, counts, stocks, loose }: UnitJob, known: Pattern[]): Generator<void, Relaxed | null> {
  const limited = stocks.flatMap(({ supply }, k) => (supply === null ? [] : [k]))
  const total = sizes.reduce((sum, size, i) => sum + size * counts[i]!, 0) + loose
  // Lengths wanted loosely count in shares of all that is wanted, so that the rows are of one order of size.
  const needs = [...counts, ...(loose > 0 ? [1] : [])]
  const dear =
    10 *
    (1 + stocks.reduce((most, { cost }) => Math.max(most, cost), 0)) *
    (1 + counts.reduce((sum, n) => sum + n, 0) + total / Math.min(...stocks.map(({ size }) => size)))
  const master = new Master(
    needs,
    limited.map((k) => stocks[k]!.supply!),
    dear,
  )
  const column = ({ stock, counts: own }: Pattern) => ({
    cost: stocks[stock]!.cost,
    rows: [...own, ...(loose > 0 ? [stocks[stock]!.size / total] : []), ...limited.map((k) => (k === stock ? 1 : 0))],
  })
  const patterns: Pattern[] = []
  const bring = (pattern: Pattern): void => {
    patterns.push(pattern)
    master.add(column(pattern))
  }
  const worthOf = (duals: readonly number[], stock: number): number =>
    (loose > 0 ? (duals[counts.length]! * stocks[stock]!.size) / total : 0) +
    (limited.includes(stock) ? duals[needs.length + limited.indexOf(stock)]! : 0)
  const waiting = [...known]
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const duals = master.duals()
    const over = needs.findIndex((_, i) => duals[i]! < -NEGLIGIBLE)
    if (over >= 0) {
      master.relax(over)
      continue
    }
    const gain = ({ stock, counts: own }: Pattern): number =>
      own.reduce((sum, n, i) => sum + n * duals[i]!, 0) + worthOf(duals, stock) - stocks[stock]!.cost
    const scale = Math.max(1, ...stocks.map(({ cost }) => cost))
    const at = waiting.findIndex((pattern) => gain(pattern) > NEGLIGIBLE * scale)
    if (at >= 0) {
      bring(waiting.splice(at, 1)[0]!)
      continue
    }
    yield
    let best: Pattern | null = null
    let most = NEGLIGIBLE * scale
    stocks.forEach(({ size, supply }, stock) => {
      if (supply === 0) return
      const { counts: own } = packBest(
        sizes.map((each, i) => ({ size: each, worth: Math.max(0, duals[i]!), most: counts[i]! })),
        size,
      )
      const pattern = { stock, counts: own }
      const value = gain(pattern)
      if (value > most) [best, most] = [pattern, value]
    })
    if (!best) {
      return {
        cost: master.cost,
        use: master.taken().map(({ column: i, amount }) => ({ pattern: patterns[i]!, amount })),
        lacking: master.lacking,
        worth: counts.map((_, i) => Math.max(0, duals[i]!)),
        off: stocks.map((_, k) => (limited.includes(k) ? duals[needs.length + limited.indexOf(k)]! : 0)),
      }
    }
    known.push(best)
    bring(best)
  }
  return null
}

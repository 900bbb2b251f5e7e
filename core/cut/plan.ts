import type { Pattern, Units } from './bound'
import { relaxing } from './bound'
import { costOf, diving, filling, usedOf } from './greedy'
import type { CutJob, CutPlan, Stock, Want } from './job'
import { grains } from './job'
import { gcd } from './knapsack'
import { searching } from './search'
import type { Prepared } from './written'
import { planOf } from './written'

/** How far planning has come: the cost of the best plan so far and what no plan can beat, null while not known. */
export interface Planning { readonly stage: 'bound' | 'improve' | 'search', readonly best: number | null, readonly bound: number | null }

/** More kinds of lengths than this are filled without a bound from patterns. */
const MOST_KINDS = 160

/**
 * Plans what is cut from what: the least cost of what is bought, what is in the house first, and then the longest usable
 * rest. Runs step by step: `next(true)` stops it, and it answers with the best so far.
 * Proven means that a bound was reached, or that every cheaper plan was looked for.
 */
export function* planning(job: CutJob): Generator<Planning, CutPlan, boolean | undefined> {
  const wants = job.wants.filter(({ count, length }) => count > 0 && length > 0)
  const prepared = unitsOf(wants, job.stocks)
  const { units } = prepared
  let bound: number | null = null
  let best: Pattern[] = []
  const cost = (): number => costOf(units, best)
  const better = (plan: Pattern[]): void => {
    const tried = cheaper(units, plan)
    if (missing(units, tried) < missing(units, best) || (missing(units, tried) === missing(units, best) && costOf(units, tried) < cost())) best = tried
  }
  const finish = (proven: boolean): CutPlan => planOf(job, prepared, best, proven ? cost() : Math.min(bound ?? floorOf(units), cost()), proven)
  const tell = (stage: Planning['stage']): Planning => ({ stage, best: missing(units, best) ? null : cost(), bound })

  better(filling(units))
  const step = units.stocks.reduce((all, { cost: each }) => gcd(all, each), 0) || 1
  bound = Math.ceil((floorOf(units) - 1e-6) / step) * step
  const reached = (): boolean => missing(units, best) === 0 && cost() <= bound! + 1e-6
  if (reached()) return finish(true)
  if (units.sizes.length > MOST_KINDS) return finish(false)

  const known: Pattern[] = []
  const relaxed = yield* through(relaxing(units, known), () => tell('bound'))
  if (relaxed === 'stopped' || !relaxed) return finish(false)
  if (relaxed.lacking > 1e-6) return finish(false)
  bound = Math.max(bound, Math.ceil((relaxed.cost - 1e-6) / step) * step)
  if (reached()) return finish(true)
  const dived = yield* through(diving(units, known, relaxed), () => tell('improve'))
  if (dived === 'stopped') return finish(false)
  better(dived)
  if (reached()) return finish(true)
  if (units.loose > 0) return finish(false)
  const found = yield* through(searching(units, relaxed, missing(units, best) ? Infinity : cost(), bound, step), () => tell('search'))
  if (found === 'stopped') return finish(false)
  if (found.plan) better(found.plan)
  return finish(reached() || (found.whole && missing(units, best) === 0))
}

/** All of it at once. */
export function planCuts(job: CutJob): CutPlan {
  const steps = planning(job)
  for (;;) {
    const next = steps.next()
    if (next.done) return next.value
  }
}

function* through<T>(steps: Generator<void, T>, tell: () => Planning): Generator<Planning, T | 'stopped', boolean | undefined> {
  for (;;) {
    const next = steps.next()
    if (next.done) return next.value
    if (yield tell()) return 'stopped'
  }
}

function unitsOf(wants: readonly Want[], stocks: readonly Stock[]): Prepared {
  const longest = stocks.reduce((most, { length, supply }) => (supply === 0 ? most : Math.max(most, grains(length))), 0)
  const tooLong = wants.filter(({ length, joins }) => (joins ? longest === 0 : grains(length) > longest))
  const fit = wants.filter((want) => !tooLong.includes(want))
  const byLength = new Map<number, Want[]>()
  const joined = fit.filter(({ joins }) => joins)
  for (const want of fit) if (!want.joins) byLength.set(grains(want.length), [...(byLength.get(grains(want.length)) ?? []), want])
  const lengths = [...byLength.keys()].sort((a, b) => b - a)
  return {
    units: {
      sizes: lengths, counts: lengths.map((length) => byLength.get(length)!.reduce((sum, { count }) => sum + count, 0)),
      stocks: stocks.map(({ length, price, supply }) => ({ size: grains(length), cost: supply === null ? Math.max(1, price) : price, supply })),
      loose: joined.reduce((sum, { length, count }) => sum + grains(length) * count, 0),
    },
    kinds: lengths.map((length) => byLength.get(length)!), joined, tooLong,
  }
}

/** What the wanted length costs at least, were any rest of use. */
function floorOf({ sizes, counts, stocks, loose }: Units): number {
  let length = sizes.reduce((sum, size, i) => sum + size * counts[i]!, 0) + loose
  let cost = 0
  for (const { size, cost: each, supply } of [...stocks].sort((a, b) => a.cost / a.size - b.cost / b.size)) {
    const take = Math.min(length, supply === null ? Infinity : supply * size)
    cost += (take / size) * each
    length -= take
  }
  return cost
}

/** How many pieces a plan leaves out. */
const missing = ({ counts }: Units, plan: readonly Pattern[]): number =>
  counts.reduce((sum, n, i) => sum + Math.max(0, n - plan.reduce((made, pattern) => made + pattern.counts[i]!, 0)), 0)

/** The same cuts from cheaper stock wherever it is long enough; with loose lengths the room is needed as it is. */
function cheaper(job: Units, plan: readonly Pattern[]): Pattern[] {
  if (job.loose > 0) return [...plan]
  return plan.map((pattern) => {
    const used = usedOf(job.sizes, pattern)
    if (job.stocks[pattern.stock]!.supply !== null) return pattern
    const fit = job.stocks.flatMap(({ size, cost, supply }, stock) => (supply === null && size >= used ? [{ stock, cost }] : []))
    const best = fit.reduce((a, b) => (b.cost < a.cost ? b : a))
    return best.cost < job.stocks[pattern.stock]!.cost ? { ...pattern, stock: best.stock } : pattern
  })
}

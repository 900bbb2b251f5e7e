import type { Pattern, UnitJob } from './lower-bound'
import { relaxing } from './lower-bound'
import { costOf, diving, filling, lengthUsed } from './greedy'
import type { CutJob, CutPlan, Stock, Want } from './cutting-job'
import { grains } from './cutting-job'
import { gcd } from './knapsack'
import { searching } from './search'
import type { PreparedJob } from './rolls'
import { planOf } from './rolls'

/** How far planning has come: the cost of the best plan so far and what no plan can beat, null while not known. */
export interface Planning {
  readonly stage: 'bound' | 'improve' | 'search'
  readonly best: number | null
  readonly floor: number | null
}

/** More kinds of lengths than this are filled without a floor from patterns. */
const MOST_KINDS = 160

/**
 * Plans what is cut from what: the least cost of what is bought, what is in the house first, and then the longest usable
 * rest. What may be joined is joined only where that costs less than cutting it whole.
 * Runs step by step: `next(true)` stops it, and it answers with the best so far.
 * Proven means that a floor was reached, or that every cheaper plan was looked for.
 */
export function* planning(job: CutJob): Generator<Planning, CutPlan, boolean | undefined> {
  const wants = job.wants.filter(({ count, length }) => count > 0 && grains(length) > 0)
  const longest = longestOf(job.stocks)
  const loosely = unitsOf(wants, job.stocks)
  // Whole, but for what no roll is long enough for.
  const wholly = unitsOf(
    wants.map((want) => (want.joins && grains(want.length) <= longest ? { ...want, joins: false } : want)),
    job.stocks,
  )
  const whole = yield* solving(wholly.units)
  const planned = planOf(job, wholly, whole.plan, whole.floor, whole.proven)
  if (loosely.units.loose === wholly.units.loose) {
    const kept = whole.stopped ? null : yield* keeping(wholly.units, whole, planned, job.least)
    return kept ? planOf(job, wholly, kept, whole.floor, whole.proven) : planned
  }
  if (whole.stopped) return { ...planned, floor: Math.min(planned.cost, floorOf(loosely.units)), proven: false }
  const loose = yield* solving(loosely.units)
  const joined = planOf(job, loosely, loose.plan, loose.floor, loose.proven)
  const best = outdoes(joined, planned) ? joined : planned
  const floor = Math.min(loose.floor, best.cost)
  return { ...best, floor, proven: best.cost <= floor + 1e-6 && !best.short.length }
}

/** Whether a plan is short of less than another, or of as much and costs less. */
function outdoes(a: CutPlan, b: CutPlan): boolean {
  const short = (plan: CutPlan): number => plan.short.reduce((n, { count }) => n + count, 0)
  return short(a) < short(b) || (short(a) === short(b) && a.cost < b.cost)
}

/** A plan in patterns, what none can beat, and whether it was told to stop. */
interface Solved {
  readonly plan: Pattern[]
  readonly floor: number
  readonly proven: boolean
  readonly stopped: boolean
}

/**
 * The least-cost plan of a job in whole units.
 * @param enough a cost that is good enough: it stops when one is found, or when none can be
 * @param effort how much of the usual search is made, over 0 to 1
 */
function* solving(units: UnitJob, enough = -Infinity, effort = 1): Generator<Planning, Solved, boolean | undefined> {
  let floor = 0
  let best: Pattern[] = []
  const cost = (): number => costOf(units, best)
  const better = (plan: Pattern[]): void => {
    const tried = cheaper(units, plan)
    if (missing(units, tried) < missing(units, best) || (missing(units, tried) === missing(units, best) && costOf(units, tried) < cost()))
      best = tried
  }
  const finish = (proven: boolean, stopped = false): Solved => ({
    plan: best,
    floor: proven ? cost() : Math.min(floor, cost()),
    proven,
    stopped,
  })
  const tell = (stage: Planning['stage']): Planning => ({ stage, best: missing(units, best) ? null : cost(), floor })

  better(filling(units))
  const step = units.stocks.reduce((all, { cost: each }) => gcd(all, each), 0) || 1
  floor = Math.ceil((floorOf(units) - 1e-6) / step) * step
  const reached = (): boolean => missing(units, best) === 0 && (cost() <= floor + 1e-6 || cost() <= enough)
  if (reached()) return finish(cost() <= floor + 1e-6)
  if (units.sizes.length > MOST_KINDS) return finish(false)

  const known: Pattern[] = []
  const relaxed = yield* through(relaxing(units, known), () => tell('bound'))
  if (relaxed === 'stopped') return finish(false, true)
  if (!relaxed || relaxed.lacking > 1e-6) return finish(false)
  floor = Math.max(floor, Math.ceil((relaxed.cost - 1e-6) / step) * step)
  if (reached()) return finish(cost() <= floor + 1e-6)
  if (enough > -Infinity && floor > enough + 1e-6) return finish(false)
  const dived = yield* through(diving(units, known, relaxed), () => tell('improve'))
  if (dived === 'stopped') return finish(false, true)
  better(dived)
  if (reached()) return finish(cost() <= floor + 1e-6)
  if (units.loose > 0) return finish(false)
  const beat = Math.min(missing(units, best) ? Infinity : cost(), enough > -Infinity ? enough + step / 2 : Infinity)
  const found = yield* through(searching(units, relaxed, { best: beat, floor, step, effort }), () => tell('search'))
  if (found === 'stopped') return finish(false, true)
  if (found.plan) better(found.plan)
  return finish(cost() <= floor + 1e-6 || (found.whole && missing(units, best) === 0))
}

/** How much is tried for the longest rest: ways to cut the roll that keeps it, and plans of all the others. */
const KEEPING = { ways: 4000, plans: 24, effort: 0.01 } as const

/**
 * Among plans of the same cost the one that keeps the longest usable rest: ways to cut the roll that keeps it are tried from
 * the longest rest down, and the first that leaves the others to be cut at no greater cost is the best.
 * @returns null when none was found that keeps more than the plan does already
 */
function* keeping(
  units: UnitJob,
  { plan, proven }: Solved,
  planned: CutPlan,
  least: number,
): Generator<Planning, Pattern[] | null, boolean | undefined> {
  if (!proven || units.loose > 0 || planned.short.length) return null
  const cost = costOf(units, plan)
  const kept = Math.max(grains(planned.kept), grains(least) - 1)
  let plans = 0
  for (const { stock, counts } of waysKeeping(units, kept)) {
    const others: UnitJob = {
      ...units,
      counts: units.counts.map((n, i) => n - counts[i]!),
      stocks: units.stocks.map((each, k) => (k === stock && each.supply !== null ? { ...each, supply: each.supply - 1 } : each)),
    }
    const left = cost - units.stocks[stock]!.cost
    if (floorOf(others) > left + 1e-6) continue
    const { plan: found, stopped } = yield* solving(others, left, KEEPING.effort)
    if (stopped) return null
    if (!missing(others, found) && costOf(others, found) <= left + 1e-6) return [{ stock, counts }, ...found]
    plans += 1
    if (plans >= KEEPING.plans) return null
  }
  return null
}

/** Ways to cut one roll that leave more than so much of it, the longest rest first. */
function waysKeeping({ sizes, counts, stocks }: UnitJob, kept: number): Pattern[] {
  const found: { readonly pattern: Pattern; readonly rest: number }[] = []
  const tried = new Set<string>()
  stocks.forEach(({ size, supply, cost }, stock) => {
    const alike = `${size} ${cost} ${supply === null}`
    if (supply === 0 || tried.has(alike)) return
    tried.add(alike)
    const own = counts.map(() => 0)
    const from = (i: number, rest: number): void => {
      if (found.length >= KEEPING.ways) return
      if (i === sizes.length) {
        if (rest < size) found.push({ pattern: { stock, counts: [...own] }, rest })
        return
      }
      for (let n = 0; n <= counts[i]! && rest - n * sizes[i]! > kept; n++) {
        own[i] = n
        from(i + 1, rest - n * sizes[i]!)
      }
      own[i] = 0
    }
    from(0, size)
  })
  return found.sort((a, b) => b.rest - a.rest).map(({ pattern }) => pattern)
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

const longestOf = (stocks: readonly Stock[]): number =>
  stocks.reduce((most, { length, supply }) => (supply === 0 ? most : Math.max(most, grains(length))), 0)

function unitsOf(wants: readonly Want[], stocks: readonly Stock[]): PreparedJob {
  const longest = longestOf(stocks)
  const tooLong = wants.filter(({ length, joins }) => (joins ? longest === 0 : grains(length) > longest))
  const fit = wants.filter((want) => !tooLong.includes(want))
  const byLength = new Map<number, Want[]>()
  const joined = fit.filter(({ joins }) => joins)
  for (const want of fit) if (!want.joins) byLength.set(grains(want.length), [...(byLength.get(grains(want.length)) ?? []), want])
  const lengths = [...byLength.keys()].sort((a, b) => b - a)
  return {
    units: {
      sizes: lengths,
      counts: lengths.map((length) => byLength.get(length)!.reduce((sum, { count }) => sum + count, 0)),
      stocks: stocks.map(({ length, price, supply }) => ({
        size: grains(length),
        cost: supply === null ? Math.max(1, price) : price,
        supply,
      })),
      loose: joined.reduce((sum, { length, count }) => sum + grains(length) * count, 0),
    },
    kinds: lengths.map((length) => byLength.get(length)!),
    joined,
    tooLong,
  }
}

/** What the wanted length costs at least, were any rest of use. */
function floorOf({ sizes, counts, stocks, loose }: UnitJob): number {
  let length = sizes.reduce((sum, size, i) => sum + size * counts[i]!, 0) + loose
  let cost = 0
  for (const { size, cost: each, supply } of [...stocks].sort((a, b) => a.cost / a.size - b.cost / b.size)) {
    const take = Math.min(length, supply === null ? Infinity : supply * size)
    cost += (take / size) * each
    length -= take
  }
  return cost
}

/** How many pieces a plan leaves out; length that may be in parts counts as one when its rests do not reach. */
function missing({ counts, sizes, stocks, loose }: UnitJob, plan: readonly Pattern[]): number {
  const pieces = counts.reduce((sum, n, i) => sum + Math.max(0, n - plan.reduce((made, pattern) => made + pattern.counts[i]!, 0)), 0)
  const rests = loose > 0 ? plan.reduce((sum, pattern) => sum + stocks[pattern.stock]!.size - lengthUsed(sizes, pattern), 0) : 0
  return pieces + (rests < loose ? 1 : 0)
}

/** The same cuts from cheaper stock wherever it is long enough; with loose lengths the room is needed as it is. */
function cheaper(job: UnitJob, plan: readonly Pattern[]): Pattern[] {
  if (job.loose > 0) return [...plan]
  return plan.map((pattern) => {
    const used = lengthUsed(job.sizes, pattern)
    if (job.stocks[pattern.stock]!.supply !== null) return pattern
    const fit = job.stocks.flatMap(({ size, cost, supply }, stock) => (supply === null && size >= used ? [{ stock, cost }] : []))
    const best = fit.reduce((a, b) => (b.cost < a.cost ? b : a))
    return best.cost < job.stocks[pattern.stock]!.cost ? { ...pattern, stock: best.stock } : pattern
  })
}

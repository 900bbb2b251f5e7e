import type { Pattern, Units } from './bound'
import { relaxing } from './bound'
import { costOf, diving, filling, usedOf } from './greedy'
import type { Cut, CutJob, CutPlan, CutRoll, Stock, Want } from './job'
import { GRAIN, grains, LAP, LEAST_PART } from './job'
import { gcd } from './knapsack'
import { searching } from './search'

/** How far planning has come: the cost of the best plan so far and what no plan can beat, null while not known. */
export interface Planning { readonly stage: 'fill' | 'bound' | 'improve' | 'search', readonly best: number | null, readonly bound: number | null }

/** More kinds of lengths than this are filled without a bound from patterns. */
const MOST_KINDS = 160

/**
 * Plans what is cut from what: the least cost of what is bought, what is in the house first, and then the longest usable
 * rest. Runs step by step: `next(true)` stops it, and it answers with the best so far.
 * Proven means that a bound was reached, or that every cheaper plan was looked for.
 */
export function* planning(job: CutJob): Generator<Planning, CutPlan, boolean | undefined> {
  const wants = job.wants.filter(({ count, length }) => count > 0 && length > 0)
  const { units, kinds, joined, tooLong } = unitsOf(wants, job.stocks)
  let bound: number | null = null
  let best: Pattern[] = []
  const cost = (): number => costOf(units, best)
  const better = (plan: Pattern[]): void => {
    const tried = cheaper(units, plan)
    if (missing(units, tried) < missing(units, best) || (missing(units, tried) === missing(units, best) && costOf(units, tried) < cost())) best = tried
  }
  const finish = (proven: boolean): CutPlan => written(job, units, kinds, joined, tooLong, best, proven ? cost() : Math.min(bound ?? floorOf(units), cost()), proven)
  const tell = (stage: Planning['stage']): Planning => ({ stage, best: missing(units, best) ? null : cost(), bound })

  if (yield tell('fill')) return finish(false)
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

interface Prepared {
  readonly units: Units
  /** Which wants each kind stands for, in order. */
  readonly kinds: readonly (readonly Want[])[]
  readonly joined: readonly Want[]
  readonly tooLong: readonly Want[]
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

interface Open { readonly stock: number, readonly counts: number[], rest: number }

/** Moves pieces so that one roll keeps as much as can be: pieces go into rests of others, or change places with shorter ones. */
function gatherRest(sizes: readonly number[], rolls: readonly Open[]): void {
  const keep = rolls.reduce<Open | null>((best, roll) => (!best || roll.rest > best.rest ? roll : best), null)
  if (!keep) return
  for (let moved = true; moved;) {
    moved = false
    for (const other of rolls) {
      if (other === keep) continue
      for (let i = 0; i < sizes.length; i++) {
        while (keep.counts[i]! > 0 && sizes[i]! <= other.rest) {
          shift(sizes, keep, other, i)
          moved = true
        }
        for (let k = i + 1; k < sizes.length; k++) {
          // A longer piece goes out, a shorter one of the other comes in.
          if (keep.counts[i]! > 0 && other.counts[k]! > 0 && sizes[i]! > sizes[k]! && sizes[i]! - sizes[k]! <= other.rest) {
            shift(sizes, keep, other, i)
            shift(sizes, other, keep, k)
            moved = true
          }
        }
      }
    }
  }
}

function shift(sizes: readonly number[], from: Open, to: Open, kind: number): void {
  from.counts[kind]! -= 1
  from.rest += sizes[kind]!
  to.counts[kind]! += 1
  to.rest -= sizes[kind]!
}

function written(job: CutJob, units: Units, kinds: Prepared['kinds'], joined: readonly Want[], tooLong: readonly Want[], plan: readonly Pattern[], bound: number, proven: boolean): CutPlan {
  const rolls: Open[] = plan.map(({ stock, counts }) => ({ stock, counts: [...counts], rest: units.stocks[stock]!.size - usedOf(units.sizes, { stock, counts }) }))
  gatherRest(units.sizes, rolls)
  const owed = kinds.map((wants) => wants.flatMap(({ id, length, count }) => Array.from({ length: count }, () => ({ id, length }))))
  const cut = rolls.map(({ stock, counts }) => ({
    stock: job.stocks[stock]!,
    cuts: counts.flatMap((n, i) => owed[i]!.splice(0, n).map(({ id, length }): Cut => ({ want: id, length, part: false }))),
  }))
  const joins = joined.flatMap((want) => Array.from({ length: want.count }, () => ({ want, ...joinUp(want, cut, job) })))
  const short = [...tooLong.map(({ id, count }) => ({ want: id, count })), ...tally([...owed.flat(), ...joins.flatMap(({ whole, want }) => (whole ? [] : [want]))].map(({ id }) => id))]
  return {
    rolls: cut.filter(({ cuts }) => cuts.length).map(({ stock, cuts }): CutRoll => ({
      stock: stock.id, length: stock.length, cuts: [...cuts].sort((a, b) => b.length - a.length), rest: restOf(stock, cuts),
    })).sort((a, b) => Number(stockOf(job, a).supply === null) - Number(stockOf(job, b).supply === null) || b.length - a.length || a.rest - b.rest),
    cost: cut.reduce((sum, { stock, cuts }) => sum + (cuts.length ? (stock.supply === null ? Math.max(1, stock.price) : stock.price) : 0), 0),
    bound, proven: proven && joins.every(({ opened }) => opened === 0), short,
  }
}

const stockOf = (job: CutJob, { stock }: CutRoll): Stock => job.stocks.find(({ id }) => id === stock)!
const restOf = ({ length }: Stock, cuts: readonly Cut[]): number => Math.max(0, Math.round((length - cuts.reduce((sum, cut) => sum + cut.length, 0)) / GRAIN) * GRAIN)

const tally = (ids: readonly string[]): { want: string, count: number }[] => [...new Set(ids)].map((want) => ({ want, count: ids.filter((id) => id === want).length }))

/** Takes a piece in parts from the longest rests, opening another roll when they do not reach. @returns how many were opened, and whether the piece is whole */
function joinUp({ id, length }: Want, rolls: { readonly stock: Stock, readonly cuts: Cut[] }[], { stocks }: CutJob): { readonly opened: number, readonly whole: boolean } {
  let left = length
  let opened = 0
  while (left > GRAIN / 2) {
    const roll = rolls.reduce<(typeof rolls)[number] | null>((best, each) => (!best || restOf(each.stock, each.cuts) > restOf(best.stock, best.cuts) ? each : best), null)
    const rest = roll ? restOf(roll.stock, roll.cuts) : 0
    if (!roll || rest < Math.min(left, LEAST_PART)) {
      const stock = stocks.filter(({ supply, length: whole }) => supply === null && whole >= Math.min(left, LEAST_PART)).sort((a, b) => Number(a.length < left) - Number(b.length < left) || a.price - b.price)[0]
      if (!stock) return { opened, whole: false }
      rolls.push({ stock, cuts: [] })
      opened += 1
      continue
    }
    const part = Math.min(left, rest)
    roll.cuts.push({ want: id, length: part, part: part < length - GRAIN / 2 })
    left -= part
    // Every further part laps over the one before.
    if (left > GRAIN / 2) left += LAP
  }
  return { opened, whole: true }
}

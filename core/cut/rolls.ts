import type { Pattern, UnitJob } from './lower-bound'
import { lengthUsed } from './greedy'
import type { Cut, CutJob, CutPlan, CutRoll, Stock, Want } from './cutting-job'
import { GRAIN, JOIN_LAP, LEAST_PART } from './cutting-job'

/** A job in whole units, and what of it they stand for. */
export interface PreparedJob {
  readonly units: UnitJob
  /** Which wants each kind stands for, in order. */
  readonly kinds: readonly (readonly Want[])[]
  readonly joined: readonly Want[]
  readonly tooLong: readonly Want[]
}

interface Open {
  readonly stock: number
  readonly counts: number[]
  rest: number
}

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

/** A plan in patterns, as rolls with their cuts: the longest rest kept whole, and what may be joined taken from the rests. */
export function planOf(
  job: CutJob,
  { units, kinds, joined, tooLong }: PreparedJob,
  plan: readonly Pattern[],
  floor: number,
  proven: boolean,
): CutPlan {
  const rolls: Open[] = plan.map(({ stock, counts }) => ({
    stock,
    counts: [...counts],
    rest: units.stocks[stock]!.size - lengthUsed(units.sizes, { stock, counts }),
  }))
  gatherRest(units.sizes, rolls)
  const owed = kinds.map((wants) => wants.flatMap(({ id, length, count }) => Array.from({ length: count }, () => ({ id, length }))))
  const cut = rolls.map(({ stock, counts }) => ({
    stock: job.stocks[stock]!,
    cuts: counts.flatMap((n, i) => owed[i]!.splice(0, n).map(({ id, length }): Cut => ({ want: id, length, part: false }))),
  }))
  const parted = joinUp(joined, cut, job)
  const short = tally([
    ...tooLong.flatMap(({ id, count }) => Array.from({ length: count }, () => id)),
    ...owed.flat().map(({ id }) => id),
    ...parted.short,
  ])
  const open = cut.filter(({ cuts }) => cuts.length)
  const bought = open.filter(({ stock }) => stock.supply === null)
  const all = open.map(({ stock, cuts }): CutRoll => {
    const rest = restOf(stock, cuts)
    return {
      from: stock.from,
      stock: stock.id,
      length: stock.length,
      cuts: [...cuts].sort((a, b) => b.length - a.length),
      rest,
      usable: rest >= job.least,
    }
  })
  const cost = open.reduce((sum, { stock }) => sum + stock.price, 0)
  return {
    rolls: all.sort((a, b) => Number(a.from !== 'house') - Number(b.from !== 'house') || b.length - a.length || a.rest - b.rest),
    opened: bought.length,
    kept: Math.max(0, ...all.map(({ rest, usable }) => (usable ? rest : 0))),
    cost,
    floor: Math.min(floor, cost),
    proven: proven && !short.length && (parted.opened === 0 || cost <= floor + 1e-6),
    short,
    ...(parted.begun.length ? { begun: parted.begun } : {}),
  }
}

const restOf = ({ length }: Stock, cuts: readonly Cut[]): number =>
  Math.max(0, Math.round((length - cuts.reduce((sum, cut) => sum + cut.length, 0)) / GRAIN) * GRAIN)

const tally = (ids: readonly string[]): { want: string; count: number }[] =>
  [...new Set(ids)].map((want) => ({ want, count: ids.filter((id) => id === want).length }))

interface Opened {
  readonly stock: Stock
  readonly cuts: Cut[]
}

/**
 * Takes what may be joined from rests and from what is in the house, buying when they do not reach: whole where a rest is
 * long enough, else in parts, none shorter than `LEAST_PART`.
 * @param rolls that are open; more are added @returns how many were bought, and the wants that nothing is long enough for
 */
function joinUp(
  joined: readonly Want[],
  rolls: Opened[],
  { stocks }: CutJob,
): { readonly opened: number; readonly short: readonly string[]; readonly begun: NonNullable<CutPlan['begun']> } {
  const house = stocks
    .filter(({ supply }) => supply !== null)
    .flatMap((stock) =>
      Array.from({ length: stock.supply! - rolls.filter((roll) => roll.stock === stock).length }, (): Opened => ({ stock, cuts: [] })),
    )
  const pieces = joined.flatMap((want) => Array.from({ length: want.count }, () => want)).sort((a, b) => b.length - a.length)
  const rests = (): Opened[] => [...rolls, ...house.filter((roll) => !rolls.includes(roll))]
  let opened = 0
  const short: string[] = []
  const begun: { want: string; left: number }[] = []
  const bought: Opened[] = []
  pieces.forEach(({ id, length }, i) => {
    for (let left = length; left > GRAIN / 2;) {
      const all = rests().map((roll) => ({ roll, rest: restOf(roll.stock, roll.cuts) }))
      const whole = all
        .filter(({ rest }) => rest >= left - GRAIN / 2)
        .sort((a, b) => Number(bought.includes(a.roll)) - Number(bought.includes(b.roll)) || a.rest - b.rest)[0]
      const from =
        whole ??
        all.filter(({ rest }) => rest >= LEAST_PART && left + JOIN_LAP - LEAST_PART >= LEAST_PART).sort((a, b) => b.rest - a.rest)[0]
      if (!from) {
        const needed = left + pieces.slice(i + 1).reduce((sum, each) => sum + each.length, 0)
        const more = cheapestOver(needed, Math.min(left, LEAST_PART), stocks)
        if (!more) {
          short.push(id)
          if (left !== length) begun.push({ want: id, left })
          return
        }
        opened += 1
        const roll: Opened = { stock: more, cuts: [] }
        bought.push(roll)
        rolls.push(roll)
        continue
      }
      // What is left over for the next part is no shorter than a part may be.
      const part = whole ? left : Math.min(from.rest, left + JOIN_LAP - LEAST_PART)
      from.roll.cuts.push({ want: id, length: part, part: part < length - GRAIN / 2 })
      if (!rolls.includes(from.roll)) rolls.push(from.roll)
      left -= part
      // Every further part laps over the one before.
      if (left > GRAIN / 2) left += JOIN_LAP
    }
  })
  return { opened, short, begun }
}

/** Steps in which a needed length is covered. */
const COVERING = 4000

/** The roll to buy first of those that cover a length at the least cost: by dynamic programming over the length still to cover. @param least no shorter one is of use, mm */
function cheapestOver(needed: number, least: number, stocks: readonly Stock[]): Stock | null {
  const bought = stocks.filter(({ supply, length }) => supply === null && length >= least)
  if (!bought.length) return null
  const unit = Math.max(GRAIN, needed / COVERING)
  const cells = Math.ceil(needed / unit - 1e-9)
  const cost = new Float64Array(cells + 1)
  const first: Stock[] = []
  for (let at = 1; at <= cells; at++) {
    cost[at] = Infinity
    for (const stock of bought) {
      const tried = stock.price + cost[Math.max(0, at - Math.max(1, Math.floor(stock.length / unit + 1e-9)))]!
      if (tried < cost[at]!) {
        cost[at] = tried
        first[at] = stock
      }
    }
  }
  return first[cells]!
}

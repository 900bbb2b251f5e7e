import type { Pattern, Units } from './bound'
import { usedOf } from './greedy'
import type { Cut, CutJob, CutPlan, CutRoll, Stock, Want } from './job'
import { GRAIN, LAP, LEAST_PART } from './job'

/** A job in whole units, and what of it they stand for. */
export interface Prepared {
  readonly units: Units
  /** Which wants each kind stands for, in order. */
  readonly kinds: readonly (readonly Want[])[]
  readonly joined: readonly Want[]
  readonly tooLong: readonly Want[]
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

/** A plan in patterns, as rolls with their cuts: the longest rest kept whole, and what may be joined taken from the rests. */
export function planOf(job: CutJob, { units, kinds, joined, tooLong }: Prepared, plan: readonly Pattern[], bound: number, proven: boolean): CutPlan {
  const rolls: Open[] = plan.map(({ stock, counts }) => ({ stock, counts: [...counts], rest: units.stocks[stock]!.size - usedOf(units.sizes, { stock, counts }) }))
  gatherRest(units.sizes, rolls)
  const owed = kinds.map((wants) => wants.flatMap(({ id, length, count }) => Array.from({ length: count }, () => ({ id, length }))))
  const cut = rolls.map(({ stock, counts }) => ({
    stock: job.stocks[stock]!,
    cuts: counts.flatMap((n, i) => owed[i]!.splice(0, n).map(({ id, length }): Cut => ({ want: id, length, part: false }))),
  }))
  const joins = joined.flatMap((want) => Array.from({ length: want.count }, () => ({ want, ...joinUp(want, cut, job) })))
  const short = [...tooLong.map(({ id, count }) => ({ want: id, count })), ...tally([...owed.flat(), ...joins.flatMap(({ whole, want }) => (whole ? [] : [want]))].map(({ id }) => id))]
  const open = cut.filter(({ cuts }) => cuts.length)
  const bought = open.filter(({ stock }) => stock.supply === null)
  const all = open.map(({ stock, cuts }): CutRoll => {
    const rest = restOf(stock, cuts)
    return { stock: stock.id, length: stock.length, cuts: [...cuts].sort((a, b) => b.length - a.length), rest, usable: rest >= job.least }
  })
  return {
    rolls: all.sort((a, b) => Number(stockOf(job, a).supply === null) - Number(stockOf(job, b).supply === null) || b.length - a.length || a.rest - b.rest),
    opened: bought.length, kept: Math.max(0, ...all.map(({ rest, usable }) => (usable ? rest : 0))),
    cost: open.reduce((sum, { stock }) => sum + (stock.supply === null ? Math.max(1, stock.price) : stock.price), 0),
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

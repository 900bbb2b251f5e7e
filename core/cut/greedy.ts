import type { Pattern, Relaxed, UnitJob } from './lower-bound'
import { relaxing } from './lower-bound'
import { packBest } from './knapsack'

export const lengthUsed = (sizes: readonly number[], { counts }: Pattern): number => counts.reduce((sum, n, i) => sum + n * sizes[i]!, 0)
export const costOf = (job: Pick<UnitJob, 'stocks'>, plan: readonly Pattern[]): number =>
  plan.reduce((sum, { stock }) => sum + job.stocks[stock]!.cost, 0)

/** What is still to be cut while a plan grows. */
class Left {
  readonly counts: number[]
  readonly supply: (number | null)[]
  loose: number
  readonly plan: Pattern[] = []

  constructor(private readonly job: UnitJob) {
    this.counts = [...job.counts]
    this.supply = job.stocks.map(({ supply }) => supply)
    this.loose = job.loose
  }

  get done(): boolean {
    return this.loose <= 0 && this.counts.every((n) => n === 0)
  }

  get units(): UnitJob {
    return {
      ...this.job,
      counts: this.counts,
      loose: this.loose,
      stocks: this.job.stocks.map((stock, k) => ({ ...stock, supply: this.supply[k]! })),
    }
  }

  trimmed({ stock, counts }: Pattern): Pattern {
    return { stock, counts: counts.map((n, i) => Math.min(n, this.counts[i]!)) }
  }

  /** Cuts one roll so, as far as it is still wanted. @returns whether that was of use */
  cut(pattern: Pattern): boolean {
    if (this.supply[pattern.stock] === 0) return false
    const own = this.trimmed(pattern)
    const used = lengthUsed(this.job.sizes, own)
    if (used === 0 && this.loose <= 0) return false
    own.counts.forEach((n, i) => {
      this.counts[i]! -= n
    })
    if (this.supply[pattern.stock] !== null) this.supply[pattern.stock]! -= 1
    this.loose = Math.max(0, this.loose - (this.job.stocks[pattern.stock]!.size - used))
    this.plan.push(own)
    return true
  }
}

/** Fills one roll after another as well as it can be filled, longer pieces first among equals. */
export function filling(job: UnitJob): Pattern[] {
  const left = new Left(job)
  const longest = Math.max(1, ...job.sizes)
  while (!left.done) {
    let best: Pattern | null = null
    let most = -1
    left.units.stocks.forEach(({ size, cost, supply }, stock) => {
      if (supply === 0) return
      const { counts } = packBest(
        job.sizes.map((each, i) => ({ size: each, worth: each * (1 + (0.05 * each) / longest), most: left.counts[i]! })),
        size,
      )
      const used = lengthUsed(job.sizes, { stock, counts })
      const filled = left.loose > 0 ? size : used
      const value = filled === 0 ? -1 : cost === 0 ? 1e9 + used / size : filled / cost
      if (value > most) [best, most] = [{ stock, counts }, value]
    })
    if (!best || !left.cut(best)) break
  }
  return left.plan
}

/** Takes what a relaxed plan takes whole, or else most of, and relaxes again for what is left. */
export function* diving(job: UnitJob, known: Pattern[], first: Relaxed): Generator<void, Pattern[]> {
  const left = new Left(job)
  let relaxed: Relaxed | null = first
  while (!left.done && relaxed) {
    const use = [...relaxed.use].sort((a, b) => b.amount - a.amount)
    let cut = 0
    for (const { pattern, amount } of use) {
      for (let i = 0; i < Math.floor(amount + 1e-6); i++) if (left.cut(pattern)) cut += 1
    }
    if (!cut) {
      const next = [...use].sort((a, b) => (b.amount % 1) - (a.amount % 1))[0]
      if (!next || !left.cut(next.pattern)) break
    }
    if (left.done) break
    relaxed = yield* relaxing(
      left.units,
      known.map((pattern) => left.trimmed(pattern)),
    )
  }
  return left.plan
}

/** A column of the master problem: what it costs and what it puts into each row. */
export interface LinearColumn {
  readonly cost: number
  readonly rows: readonly number[]
}

const TINY = 1e-9

/**
 * Least cost of columns, in any amounts from 0, so that every row reaches what it needs: the revised simplex method with
 * an explicit inverse, to which columns are added as they are found.
 * Source: Gilmore and Gomory (1961), and Chvátal, Linear Programming (1983), chapters 7 and 13 (from memory).
 */
export class Master {
  private readonly n: number
  private readonly inverse: Float64Array[]
  private readonly costs: Float64Array
  private readonly names: (number | 'lack' | 'slack')[]
  readonly amounts: Float64Array
  readonly columns: LinearColumn[] = []

  /**
   * @param needs what each row must reach, from 0 @param limits rows that must not pass it instead
   * @param dear what it costs to leave a row one short: more than any plan
   */
  constructor(needs: readonly number[], limits: readonly number[], dear: number) {
    const all = [...needs, ...limits]
    this.n = all.length
    this.inverse = all.map((_, i) => Float64Array.from(all, (__, j) => (i === j ? 1 : 0)))
    this.costs = Float64Array.from(all, (_, i) => (i < needs.length ? dear : 0))
    this.names = all.map((_, i) => (i < needs.length ? 'lack' : 'slack'))
    this.amounts = Float64Array.from(all)
  }

  /** What one more of each row's need would cost. */
  duals(): number[] {
    return Array.from({ length: this.n }, (_, j) => {
      let y = 0
      for (let i = 0; i < this.n; i++) y += this.costs[i]! * this.inverse[i]![j]!
      return y
    })
  }

  get cost(): number {
    let total = 0
    for (let i = 0; i < this.n; i++) total += this.costs[i]! * this.amounts[i]!
    return total
  }

  /** What the rows are still short of, in all. */
  get lacking(): number {
    let total = 0
    for (let i = 0; i < this.n; i++) if (this.names[i] === 'lack') total += this.amounts[i]!
    return total
  }

  /** How much of each column is taken. */
  taken(): { readonly column: number; readonly amount: number }[] {
    return this.names.flatMap((column, i) =>
      typeof column === 'number' && this.amounts[i]! > TINY ? [{ column, amount: this.amounts[i]! }] : [],
    )
  }

  /** Brings a column in. */
  add(column: LinearColumn): void {
    this.columns.push(column)
    this.enter(column, this.columns.length - 1)
  }

  /** Brings in giving up what a row has too much of. */
  relax(row: number): void {
    this.enter({ cost: 0, rows: Array.from({ length: this.n }, (_, i) => (i === row ? -1 : 0)) }, 'slack')
  }

  private enter({ cost, rows }: LinearColumn, name: number | 'slack'): void {
    const step = this.inverse.map((line) => {
      let sum = 0
      for (let j = 0; j < this.n; j++) sum += line[j]! * rows[j]!
      return sum
    })
    let out = -1
    let least = Infinity
    for (let i = 0; i < this.n; i++) {
      if (step[i]! <= 1e-9) continue
      const ratio = this.amounts[i]! / step[i]!
      // Of equals the larger pivot: it keeps the inverse sound.
      if (ratio < least - TINY || (ratio < least + TINY && out >= 0 && step[i]! > step[out]!)) {
        least = ratio
        out = i
      }
    }
    if (out < 0) throw new RangeError('the master problem has no bound')
    const pivot = step[out]!
    const line = this.inverse[out]!
    for (let j = 0; j < this.n; j++) line[j]! /= pivot
    for (let i = 0; i < this.n; i++) {
      if (i === out || Math.abs(step[i]!) < 1e-14) continue
      for (let j = 0; j < this.n; j++) this.inverse[i]![j]! -= step[i]! * line[j]!
      this.amounts[i] = Math.max(0, this.amounts[i]! - step[i]! * least)
    }
    this.amounts[out] = least
    this.costs[out] = cost
    this.names[out] = name
  }
}

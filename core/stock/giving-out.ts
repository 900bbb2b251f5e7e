import type { Lot } from './lot'
import { servesAs } from './lot'

/** What a set of groups gets of the lots of the house. Which sets can be served together is a matroid. */
export class GivingOut {
  private left: number[]
  /** How many of each lot each group has. */
  private given: number[][]
  private readonly serves: readonly (readonly boolean[])[]

  /** @param widths what each group wants, mm @param house bases of one kind; those that come first are taken first */
  constructor(widths: readonly number[], house: readonly Lot[]) {
    this.left = house.map(({ things }) => things ?? 0)
    this.given = widths.map(() => house.map(() => 0))
    this.serves = widths.map((width) => house.map((lot) => servesAs(lot, width)))
  }

  /** How many a group has. */
  has(group: number): number {
    return this.given[group]!.reduce((n, each) => n + each, 0)
  }

  /** How many of each lot a group has, in the order of the lots. */
  of(group: number): readonly number[] {
    return this.given[group]!
  }

  /** Lets one more of a group have one, where others move over. @returns whether that could be */
  letIn(group: number, tried = new Set<number>()): boolean {
    const { left, given, serves } = this
    for (const [lot, n] of left.entries()) {
      if (!n || !serves[group]![lot]) continue
      left[lot] = n - 1
      given[group]![lot]! += 1
      return true
    }
    for (const lot of left.keys()) {
      if (!serves[group]![lot] || tried.has(lot)) continue
      tried.add(lot)
      const other = given.findIndex((of, i) => i !== group && of[lot]! > 0 && this.letIn(i, tried))
      if (other < 0) continue
      given[other]![lot]! -= 1
      given[group]![lot]! += 1
      return true
    }
    return false
  }

  /** Takes one from a group that has one. */
  letGo(group: number): void {
    const lot = this.given[group]!.findIndex((n) => n > 0)
    this.given[group]![lot]! -= 1
    this.left[lot]! += 1
  }

  /** Hands so many from one group to another, or none. @param better whether it is to stay so */
  hand(from: number, to: number, many: number, better: () => boolean): boolean {
    const was = [this.left.slice(), this.given.map((of) => of.slice())] as const
    for (let n = 0; n < many; n++) this.letGo(from)
    let got = 0
    while (got < many && this.letIn(to)) got += 1
    if (got === many && better()) return true
    ;[this.left, this.given] = was
    return false
  }
}

import type { Need } from '../material'
import { materialOf } from '../material'
import type { Minor, Said } from '../measure'
import { leastThat, quantity, rate, several, sum } from '../measure'
import { together } from './among'
import type { Bill, BilledPiece } from './bill'
import { billFrom, linesOf } from './bill'
import type { CostLine, Pricing } from './cost-lines'
import type { Bought } from './packs'
import { lineRange } from './reduction'
import { DROP_AT_MOST } from './rules-of-thumb'

/** One more, or one fewer, that makes what is bought a better deal. */
export interface Deal {
  readonly line: string
  readonly kind: 'more packs' | 'fewer things' | 'shorter' | 'more things'
  /** What it saves, minor units, for all copies: the difference of two bills. Nothing where it only brings more for the same. */
  readonly saves: Minor
  readonly says: Said
}

/** How much shorter all lengths may be made to save a roll: not worth saying beyond this share; and by what steps it is looked for. */
const SHORTER_AT_MOST = 150
const STEPS = 1000

/**
 * What lines of a bill would be better with one more or one fewer: packs that go free, a few stems that open a pack, a little
 * length that opens a roll, and what the packs hold besides. What is saved is the bill as it is less the bill as it would be. What
 * saves most comes first. Of wire, hooks and other small things nobody wants more.
 */
export function dealsOf(making: BilledPiece, bill: Bill, pricing: Pricing): Deal[] {
  return bill.lines
    .flatMap((line) => [...more(line, bill.lines, pricing), ...fewer(line, making, bill, pricing), ...shorter(line, making, bill, pricing)])
    .sort((a, b) => b.saves - a.saves)
}

/** What a bill comes to less when a line of it is made otherwise. */
export function savedBy(line: CostLine, needs: readonly Need[], making: BilledPiece, bill: Bill, pricing: Pricing): Minor {
  const lines = linesOf({ ...making, needs }, pricing)
  const changed = bill.lines.flatMap((each) => (each === line ? lines : [each]))
  return bill.opened.value - billFrom(changed, { copies: making.copies, budget: null }, pricing.tax).opened.value
}

function more(line: CostLine, lines: readonly CostLine[], pricing: Pricing): Deal[] {
  const material = materialOf(pricing.shelf, line.id)
  if (!material || material.kind === 'mechanic') return []
  const all = lines.flatMap(({ bought }) => bought)
  const cost = (of: readonly Bought[]): Minor => together(of).reduce((n, each) => n + each.cost[1], 0)
  const packs = line.bought.flatMap((own): Deal[] => {
    const { price, packs: n, reductions, stock, shop, holds } = own
    if (price <= 0 || own.cost[1] <= 0 || (stock !== null && n >= stock)) return []
    const one = { ...own, packs: n + 1, free: null, cost: lineRange(price, n + 1, reductions) }
    if (cost(all.map((each) => (each === own ? one : each))) > cost(all)) return []
    return [
      {
        line: line.id,
        kind: 'more packs',
        saves: 0,
        says: sum`One more ${line.packName}${holds > 1 ? ` of ${holds}` : ''} of ${line.plural} is free${shop ? ` at ${shop}` : ''}`,
      },
    ]
  })
  const holds = line.bought.reduce((all, each) => all + each.packs * each.holds, 0)
  const spare = line.of === 'stems' && line.toBuy > 0 ? holds - line.toBuy : 0
  if (spare <= 0) return packs
  const things: Deal = {
    line: line.id,
    kind: 'more things',
    saves: 0,
    says: sum`${several(spare, `more ${line.name}`, `more ${line.plural}`)} at no cost: the packs hold ${quantity.count(holds)}`,
  }
  return [...packs, things]
}

/** So many things fewer on each, of the needs that have most of it first. @param of needs that it may be dropped from */
export function dropped(needs: readonly Need[], fewerOf: number, of: (need: Need) => boolean = () => true): Need[] {
  const order = needs.filter((need) => need.of === 'things' && of(need)).sort((a, b) => b.count - a.count)
  let left = fewerOf
  const less = new Map<Need, number>()
  for (const need of order) {
    const taken = Math.min(left, need.count)
    less.set(need, taken)
    left -= taken
  }
  return needs.map((need) => (less.has(need) ? { ...need, count: need.count - less.get(need)! } : need)).filter(({ count }) => count > 0)
}

function fewer(line: CostLine, making: BilledPiece, bill: Bill, pricing: Pricing): Deal[] {
  if (line.of !== 'stems' || line.toBuy < 1 || materialOf(pricing.shelf, line.id)?.kind === 'mechanic') return []
  const own = making.needs.filter((need) => need.material === line.id)
  const saves = (n: number): Minor => savedBy(line, dropped(own, n), making, bill, pricing)
  const all = own.reduce((n, { count }) => n + count, 0)
  const n = leastThat(1, Math.floor(all * rate(DROP_AT_MOST, pricing.shelf)), (of) => saves(of) > 0)
  if (n === null) return []
  return [
    {
      line: line.id,
      kind: 'fewer things',
      saves: saves(n),
      says: sum`${several(n, line.name, line.plural)} fewer${making.copies > 1 ? ' on each' : ''} saves ${quantity.money(saves(n))}`,
    },
  ]
}

function shorter(line: CostLine, making: BilledPiece, bill: Bill, pricing: Pricing): Deal[] {
  if (line.of !== 'length' || line.toBuy < 1 || materialOf(pricing.shelf, line.id)?.kind === 'mechanic') return []
  const own = making.needs.filter((need) => need.material === line.id)
  const by = (n: number): Need[] => own.map((need) => (need.of === 'lengths' ? { ...need, length: need.length * (1 - n / STEPS) } : need))
  const saves = (n: number): Minor => savedBy(line, by(n), making, bill, pricing)
  const n = leastThat(1, SHORTER_AT_MOST, (of) => saves(of) > 0)
  if (n === null) return []
  const [after] = linesOf({ ...making, needs: by(n) }, pricing)
  const rolls = line.toBuy - (after?.toBuy ?? 0)
  return [
    {
      line: line.id,
      kind: 'shorter',
      saves: saves(n),
      says: sum`All lengths of ${line.name} ${quantity.share(n / STEPS)} shorter saves ${rolls === line.toBuy && rolls === 1 ? 'the roll' : rolls > 1 ? `${rolls} rolls` : 'a roll'}, ${quantity.money(saves(n))}`,
    },
  ]
}

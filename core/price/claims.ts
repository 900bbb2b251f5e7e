import type { Figure, Minor, Said } from '../measure'
import { greatestThat, leastThat, listed as inWords, quantity, sum } from '../measure'
import type { Claim } from '../piece'
import type { BilledPiece } from './bill'
import { boughtTogether } from './among'
import { billOfLines, linesOf, rangeOf } from './bill'
import type { CostLine, Pricing } from './cost-lines'
import { moneyFigure, usedShare } from './opened'
import type { Bought } from './packs'
import type { Reduction, PriceRange } from './reduction'
import { DEAREST, lineRange } from './reduction'
import type { Tax } from './tax'

/** What a claim hangs on: with less, or more, of it the claim turns. */
export type Condition =
  /** It holds up to this tax, 0 to 1. */
  | { readonly of: 'tax'; readonly share: number }
  /** It holds up to this list price of a pack. */
  | {
      readonly of: 'price'
      readonly line: string
      readonly name: string
      readonly pack: string
      readonly price: Minor
      readonly now: Minor
    }
  /** It holds from this much off on. @see Claim for `line` null: off whatever is bought */
  | {
      readonly of: 'reduction'
      readonly line: string | null
      readonly name: string
      readonly share: number
      readonly span: PriceRange | null
    }

export interface ClaimVerdict {
  readonly id: string
  readonly verdict: 'holds' | 'fails' | 'hangs'
  /** What it is said of. */
  readonly total: Figure
  readonly conditions: readonly Condition[]
  readonly says: Said
}

/** No place is known to ask more; a tax that nobody has said may be anything up to it. From memory: the highest rate of value added tax in Europe. */
const HIGHEST_TAX = 0.27
/** Taxes are looked for in thousandths of a percent, reductions in tenths. */
const [TAX_STEPS, REDUCTION_STEPS] = [100_000, 1000]

/** A line at other prices, in the packs in which it is bought. */
function repriced(line: CostLine, change: (bought: Bought, i: number) => Partial<Bought>): CostLine {
  const bought = line.bought.map((each, i) => {
    const next = { ...each, ...change(each, i) }
    return { ...next, free: null, cost: lineRange(next.price, next.packs, next.reductions) }
  })
  const cost: PriceRange = [bought.reduce((n, each) => n + each.cost[0], 0), bought.reduce((n, each) => n + each.cost[1], 0)]
  return { ...line, bought, opened: moneyFigure(cost, line.opened.sum), used: moneyFigure(usedShare(cost, ...line.parts), line.used.sum) }
}

const offAll = (share: number): Reduction[] => (share > 0 ? [{ kind: 'off', share: [share, share], from: null, until: null }] : [])
/** The lines with so much off list prices, and nothing else, of one material or of all. */
const reduced = (lines: readonly CostLine[], material: string | null, share: number): CostLine[] =>
  lines.map((line) => (material === null || line.id === material ? repriced(line, () => ({ reductions: offAll(share) })) : line))

const meets = ({ kind, amount: said }: Claim, amount: Minor): boolean =>
  kind === 'under' ? amount < said : kind === 'at most' ? amount <= said : amount === said

const ends = (of: Figure): PriceRange => rangeOf(of)

/**
 * Whether what is claimed of a piece's cost holds, fails, or hangs on something, and at which price, reduction or tax it turns,
 * each to the cent, were all else as it is and bought in the packs of the bill.
 */
export function judge(claim: Claim, making: BilledPiece, pricing: Pricing): ClaimVerdict {
  const copies = claim.copies ?? making.copies
  const plain = linesOf({ ...making, copies }, pricing)
  const counts = ({ id }: CostLine): boolean => claim.lines === null || claim.lines.includes(id)
  const { off } = claim
  const lines = off?.share ? reduced(plain, off.material, off.share) : plain
  const totalOf = (of: readonly CostLine[], tax: Tax = pricing.tax): Figure => {
    // Of some lines it is what they cost on the bill of all.
    const bill = billOfLines(boughtTogether(of).filter(counts), { copies, budget: null }, tax)
    return claim.ledger === 'opened'
      ? claim.of === 'each'
        ? bill.openedEach
        : bill.opened
      : claim.of === 'each'
        ? bill.usedEach
        : bill.used
  }
  const met = (amount: Minor): boolean => meets(claim, amount)
  /** Not over it, for what is said to make it just that. */
  const within = (amount: Minor): boolean => (claim.kind === 'makes' ? amount <= claim.amount : met(amount))
  const surely = (of: readonly CostLine[], tax?: Tax): boolean => within(ends(totalOf(of, tax))[1])
  const total = totalOf(lines)
  const [low, high] = ends(total)

  const conditions: Condition[] = []
  if (!pricing.tax.included) {
    const most = greatestThat(0, TAX_STEPS, (n) => surely(lines, { ...pricing.tax, share: n / TAX_STEPS }))
    if (most !== null && most < TAX_STEPS) conditions.push({ of: 'tax', share: most / TAX_STEPS })
  }
  /** Whether it hangs on a tax that nobody has said, and that may be more than it bears. */
  const onTax = (): boolean =>
    !pricing.tax.known && !pricing.tax.included && within(high) && conditions.some((each) => each.of === 'tax' && each.share < HIGHEST_TAX)
  if (off && off.share === null) {
    const from = leastThat(0, REDUCTION_STEPS, (n) => surely(reduced(plain, off.material, n / REDUCTION_STEPS)))
    const named = plain.find(({ id }) => id === off.material)
    if (from !== null)
      conditions.unshift({
        of: 'reduction',
        line: off.material,
        name: named?.plural ?? off.material ?? 'all of it',
        share: from / REDUCTION_STEPS,
        span: null,
      })
    // Something makes it just that only where it comes to more without.
    const already = claim.kind === 'makes' && from === 0 && high < claim.amount
    const verdict = from === null || already ? 'fails' : from === 0 && !onTax() ? 'holds' : 'hangs'
    return { id: claim.id, verdict, total, conditions, says: said(claim, verdict, total, conditions) }
  }
  for (const line of off ? [] : lines.filter(counts)) {
    const shares = line.bought.flatMap(({ reductions }) => reductions.flatMap((each) => (each.kind === 'off' ? [each.share] : [])))
    if (!shares.length) continue
    const at = (share: number): CostLine[] =>
      lines.map((each) =>
        each === line
          ? repriced(each, ({ reductions }) => ({
              reductions: reductions.flatMap((of): Reduction[] =>
                of.kind !== 'off' ? [of] : share > 0 ? [{ ...of, share: [share, share] }] : [],
              ),
            }))
          : each,
      )
    const from = leastThat(0, REDUCTION_STEPS, (n) => surely(at(n / REDUCTION_STEPS)))
    if (from)
      conditions.push({
        of: 'reduction',
        line: line.id,
        name: line.plural,
        share: from / REDUCTION_STEPS,
        span: [Math.min(...shares.map(([a]) => a)), Math.max(...shares.map(([, b]) => b))],
      })
  }
  conditions.push(...(claim.kind === 'makes' ? [] : priceTurns(lines, counts, surely)))
  const sometimes = claim.kind === 'makes' ? low <= claim.amount && claim.amount <= high : met(low)
  const verdict = met(low) && met(high) ? (onTax() ? 'hangs' : 'holds') : sometimes ? 'hangs' : 'fails'
  if (verdict === 'fails' && claim.kind !== 'makes') {
    const from = leastThat(1, REDUCTION_STEPS, (n) => surely(reduced(plain, null, n / REDUCTION_STEPS)))
    if (from !== null) conditions.unshift({ of: 'reduction', line: null, name: 'all of it', share: from / REDUCTION_STEPS, span: null })
  }
  return { id: claim.id, verdict, total, conditions, says: said(claim, verdict, total, conditions) }
}

/** At which list price of each line's dearest pack the claim turns, those that need change least first: up to which it holds, or would. */
function priceTurns(
  lines: readonly CostLine[],
  counts: (line: CostLine) => boolean,
  surely: (of: readonly CostLine[]) => boolean,
): Condition[] {
  const now = surely(lines)
  return lines
    .filter(counts)
    .flatMap((line): Extract<Condition, { of: 'price' }>[] => {
      const dearest = line.bought.reduce((k, each, i) => (each.cost[1] > line.bought[k]!.cost[1] ? i : k), 0)
      const pack = line.bought[dearest]
      if (!pack) return []
      const price = greatestThat(now ? pack.price : 0, now ? DEAREST : pack.price, (n) =>
        surely(lines.map((each) => (each === line ? repriced(each, (_, i) => (i === dearest ? { price: n } : {})) : each))),
      )
      return price === null || price === DEAREST
        ? []
        : [{ of: 'price', line: line.id, name: line.name, pack: line.packName, price, now: pack.price }]
    })
    .sort((a, b) => Math.abs(a.price / a.now - 1) - Math.abs(b.price / b.now - 1))
}

const KIND_WORDS: Record<Claim['kind'], string> = { under: 'under ', 'at most': 'no more than ', makes: 'just ' }

/** A claim as one says it: "under $45.00 each, opened". @param name of a material by its id */
export function claimSaid({ kind, amount, of, ledger, copies, lines, off }: Claim, name: (material: string) => string): Said {
  return [
    ...(lines ? [`${inWords(lines.map((id) => (id === 'base' ? 'the base' : name(id))))} together `] : []),
    KIND_WORDS[kind],
    quantity.money(amount),
    of === 'each' ? ' each' : ' in all',
    ...(copies === null ? [] : [` for ${copies}`]),
    ledger === 'used' ? ', used' : ', opened',
    ...(off
      ? off.share === null
        ? [`, if ${off.material ? `the ${name(off.material)}` : 'all of it'} is reduced`]
        : sum`, at ${quantity.share(off.share)} off ${off.material ? `the ${name(off.material)}` : 'all of it'}`
      : []),
  ]
}

/** One condition as one says it. */
export function conditionSaid(of: Condition): Said {
  switch (of.of) {
    case 'tax':
      return sum`up to a tax of ${{ value: of.share, unit: 'rate' }}`
    case 'price':
      return sum`up to ${quantity.money(of.price)} for a ${of.pack} of ${of.name}, which is ${quantity.money(of.now)}`
    case 'reduction':
      return of.share === 0
        ? sum`without any reduction of ${of.name}`
        : [
            ...sum`from ${quantity.share(of.share)} off ${of.name} on`,
            ...(of.span ? sum`, which is ${quantity.share(of.span[0])}${of.span[0] < of.span[1] ? ' to ' : ''}` : []),
            ...(of.span && of.span[0] < of.span[1] ? [quantity.share(of.span[1])] : []),
          ]
  }
}

/** What a claim hangs on: the tax where that alone decides, else the reduction within whose range it turns. */
function reasonOf(claim: Claim, [, high]: PriceRange, conditions: readonly Condition[]): Condition | null {
  const reductions = conditions.flatMap((each) => (each.of === 'reduction' ? [each] : []))
  if (claim.off?.share === null) return reductions.find(({ share }) => share > 0) ?? conditions.find(({ of }) => of === 'tax') ?? null
  if (meets(claim, high)) return conditions.find(({ of }) => of === 'tax') ?? null
  return reductions.find(({ span, share }) => span && span[0] < share && share <= span[1]) ?? null
}

function said(claim: Claim, verdict: ClaimVerdict['verdict'], total: Figure, conditions: readonly Condition[]): Said {
  const [low, high] = ends(total)
  const comes: Said =
    low < high ? sum`it comes to ${quantity.money(low)} to ${quantity.money(high)}` : sum`it comes to ${quantity.money(high)}`
  switch (verdict) {
    case 'holds':
      return ['Holds: ', ...comes, '.']
    case 'fails': {
      if (claim.kind === 'makes')
        return ['Fails: ', ...comes, ...(high < claim.amount ? sum`, ${quantity.money(claim.amount - high)} less already` : []), '.']
      const would = conditions.find(({ of }) => of === 'reduction') ?? conditions.find(({ of }) => of === 'price')
      const over = high - claim.amount
      return [
        'Fails: ',
        ...comes,
        ...(over > 0 ? sum`, ${quantity.money(over)} over` : [', not under it']),
        ...(would ? [', and would hold ', ...conditionSaid(would)] : []),
        '.',
      ]
    }
    case 'hangs': {
      const reason = reasonOf(claim, [low, high], conditions)
      return [
        'Hangs on ',
        ...(!reason
          ? ['reductions that are a range']
          : [reason.of === 'tax' ? 'the tax, which nobody has said: it holds ' : 'a reduction: it holds ', ...conditionSaid(reason)]),
        '; ',
        ...comes,
        '.',
      ]
    }
  }
}

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

/** A claim at work: the lines that it is of, at their prices, and what they come to at others. */
interface Judging {
  readonly claim: Claim
  readonly tax: Tax
  /** As they are priced, and at the reduction that the claim itself says. */
  readonly plain: readonly CostLine[]
  readonly lines: readonly CostLine[]
  /** Whether a line counts in what is claimed. */
  readonly counts: (line: CostLine) => boolean
  readonly totalOf: (lines: readonly CostLine[], tax?: Tax) => Figure
  /** Whether what is claimed is met whatever of its range the total is. */
  readonly surely: (lines: readonly CostLine[], tax?: Tax) => boolean
}

function judging(claim: Claim, making: BilledPiece, pricing: Pricing): Judging {
  const copies = claim.copies ?? making.copies
  const plain = linesOf({ ...making, copies }, pricing)
  const counts = ({ id }: CostLine): boolean => claim.lines === null || claim.lines.includes(id)
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
  /** Not over it, for what is said to make it just that. */
  const within = (amount: Minor): boolean => (claim.kind === 'makes' ? amount <= claim.amount : meets(claim, amount))
  return {
    claim,
    tax: pricing.tax,
    plain,
    lines: claim.off?.share ? reduced(plain, claim.off.material, claim.off.share) : plain,
    counts,
    totalOf,
    surely: (of, tax) => within(ends(totalOf(of, tax))[1]),
  }
}

/** Up to which tax it holds; nothing where prices have it in them, or none is too much. */
function taxTurn({ tax, lines, surely }: Judging): Extract<Condition, { of: 'tax' }> | null {
  if (tax.included) return null
  const most = greatestThat(0, TAX_STEPS, (n) => surely(lines, { ...tax, share: n / TAX_STEPS }))
  return most !== null && most < TAX_STEPS ? { of: 'tax', share: most / TAX_STEPS } : null
}

/** Whether it hangs on a tax that nobody has said, and that may be more than it bears. */
const hangsOnTax = ({ tax, lines, surely }: Judging, turn: Extract<Condition, { of: 'tax' }> | null): boolean =>
  !tax.known && !tax.included && surely(lines) && turn !== null && turn.share < HIGHEST_TAX

/** From how much off on it holds, of one material or of all. @param least share that is tried, in steps */
const reductionThat = ({ plain, surely }: Judging, material: string | null, least = 0): number | null => {
  const from = leastThat(least, REDUCTION_STEPS, (n) => surely(reduced(plain, material, n / REDUCTION_STEPS)))
  return from === null ? null : from / REDUCTION_STEPS
}

/** Within which range of its reduction each line turns it. */
const rangeTurns = ({ lines, counts, surely }: Judging): Condition[] =>
  lines.filter(counts).flatMap((line): Condition[] => {
    const shares = line.bought.flatMap(({ reductions }) => reductions.flatMap((each) => (each.kind === 'off' ? [each.share] : [])))
    if (!shares.length) return []
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
    const span: PriceRange = [Math.min(...shares.map(([a]) => a)), Math.max(...shares.map(([, b]) => b))]
    return from ? [{ of: 'reduction', line: line.id, name: line.plural, share: from / REDUCTION_STEPS, span }] : []
  })

type Judged = Pick<ClaimVerdict, 'verdict' | 'conditions'>

/** A claim that is asked from how much off on it holds. */
function judgeReduction(of: Judging, material: string | null): Judged {
  const { claim, plain, lines, totalOf } = of
  const turn = taxTurn(of)
  const from = reductionThat(of, material)
  const name = plain.find(({ id }) => id === material)?.plural ?? material ?? 'all of it'
  // Something makes it just that only where it comes to more without.
  const already = claim.kind === 'makes' && from === 0 && ends(totalOf(lines))[1] < claim.amount
  return {
    verdict: from === null || already ? 'fails' : from === 0 && !hangsOnTax(of, turn) ? 'holds' : 'hangs',
    conditions: [
      ...(from === null ? [] : [{ of: 'reduction' as const, line: material, name, share: from, span: null }]),
      ...(turn ? [turn] : []),
    ],
  }
}

/** A claim at the prices as they are. */
function judgeAsPriced(of: Judging): Judged {
  const { claim, lines, totalOf } = of
  const [low, high] = ends(totalOf(lines))
  const turn = taxTurn(of)
  const sometimes = claim.kind === 'makes' ? low <= claim.amount && claim.amount <= high : meets(claim, low)
  const verdict = meets(claim, low) && meets(claim, high) ? (hangsOnTax(of, turn) ? 'hangs' : 'holds') : sometimes ? 'hangs' : 'fails'
  const offAllOf = verdict === 'fails' && claim.kind !== 'makes' ? reductionThat(of, null, 1) : null
  return {
    verdict,
    conditions: [
      ...(offAllOf === null ? [] : [{ of: 'reduction' as const, line: null, name: 'all of it', share: offAllOf, span: null }]),
      ...(turn ? [turn] : []),
      ...(claim.off ? [] : rangeTurns(of)),
      ...(claim.kind === 'makes' ? [] : priceTurns(of)),
    ],
  }
}

/**
 * Whether what is claimed of a piece's cost holds, fails, or hangs on something, and at which price, reduction or tax it turns,
 * each to the cent, were all else as it is and bought in the packs of the bill.
 */
export function judge(claim: Claim, making: BilledPiece, pricing: Pricing): ClaimVerdict {
  const of = judging(claim, making, pricing)
  const total = of.totalOf(of.lines)
  const { verdict, conditions } = claim.off?.share === null ? judgeReduction(of, claim.off.material) : judgeAsPriced(of)
  return { id: claim.id, verdict, total, conditions, says: said(claim, verdict, total, conditions) }
}

/** At which list price of each line's dearest pack the claim turns, those that need change least first: up to which it holds, or would. */
function priceTurns({ lines, counts, surely }: Judging): Condition[] {
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

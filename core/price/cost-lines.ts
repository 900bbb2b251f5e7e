import type { BaseKind } from '../base'
import type { BareBase, Lengths, Material, Shelf, Things } from '../material'
import type { CutPlan, Stock, Want } from '../cut'
import { houseStock, newRoll, otherRoll, planSoon, reckon, LEAST_REST } from '../cut'
import type { Day, Figure, Minor, Rated, Said } from '../measure'
import { COUNTED, figure, pluralOf, quantity, rate, RULE_OF_THUMB, ruleUsed, several, sum } from '../measure'
import { breaks, SPARE } from '../constructions'
import type { InHouse, Lot, Reserved } from '../stock'
import {
  baseLots,
  cutForPiece,
  cutThingsOf,
  fromCut,
  isFree,
  lengthsOf,
  lotsOf,
  madeFor,
  openThings,
  plentyOf,
  servesAs,
  thingsOf,
  wantKey,
  worthOf,
  worthOfPart,
} from '../stock'
import type { Price, Shop, Sold } from './offer'
import { listPriceOf, offersOf, priceOn, soldBase } from './offer'
import type { Bought } from './packs'
import { packsOver } from './packs'
import { hundredths, piecesLeft, piecesOf, spareOf, stemsFor, stemsSaid } from './stems'
import { moneyFigure, openedBy, usedFigure } from './opened'
import { lineCost, lineRange } from './reduction'
import type { Tax } from './tax'

/** What has to be bought of one thing for all the copies together, and what of it is used. Without tax. */
export interface CostLine {
  /** A material's id, or `base`. */
  readonly id: string
  /** What is counted: stems and other single things, lengths off rolls, or the base itself. */
  readonly of: 'stems' | 'length' | 'base'
  readonly name: string
  readonly plural: string
  /** Of one of several bases that a base is put together of, how wide it is, mm; else null. */
  readonly wide: number | null
  /** Pieces on one finished piece. */
  readonly each: Figure
  /** Stems that they come from, over all copies; for what comes by the length, all of it, mm. */
  readonly stems: Figure
  readonly spare: Figure
  /** What of it is in the house already: things, or lengths to cut from. */
  readonly stash: Figure
  /** Things or rolls that are to be bought, whatever packs they come in. */
  readonly toBuy: number
  readonly packs: Figure
  readonly packName: string
  /** The packs that are bought, and where: none at the catalogue's usual price has a shop. */
  readonly bought: readonly Bought[]
  /** Left over after making, spare included, stems. */
  readonly left: number
  /** What it comes to at most, with its range where a reduction is one. */
  readonly opened: Figure
  readonly used: Figure
  /** What the house gives to it is worth: what was paid for it, minor units. */
  readonly house: Minor
  /** What of the packs is used, and all that they hold: things, or mm. */
  readonly parts: readonly [used: number, all: number]
}

/** A piece as far as its bill asks: what lots are for it, and how often it is made. */
export interface Copies {
  readonly id: string
  readonly copies: number
}

/** What things are priced by: what there is to know of them, what is in the house, and what is sold for how much today. */
export interface Pricing {
  readonly shelf: Shelf
  readonly lots: readonly Lot[]
  /** Lengths in which materials are sold as well. */
  readonly rolls: readonly OwnRoll[]
  readonly shops: readonly Shop[]
  /** Shops that one does not go to, by their ids. */
  readonly shunned: readonly string[]
  readonly tax: Tax
  /** The day that it is; null knows none, and no reduction that has one. */
  readonly day: Day | null
}

/** A length in which a material is sold as well, mm, and what one costs. */
export interface OwnRoll {
  readonly id: string
  readonly material: string
  readonly length: number
  readonly price: Minor
}

const gone = ({ shops, shunned }: Pick<Pricing, 'shops' | 'shunned'>): readonly Shop[] =>
  shunned.length ? shops.filter(({ id }) => !shunned.includes(id)) : shops

/** The catalogue's usual price. */
const usual = ({ pack }: Sold): Price => listPriceOf(null, pack.holds, pack.price)

/** Every offer of a material in the shops that one goes to, with its reductions of today, also what is sold on other days of the week; the catalogue's usual price when none has it. */
export function pricesOf(sold: Sold, pricing: Pick<Pricing, 'shops' | 'shunned' | 'day'>): Price[] {
  const offers = gone(pricing).flatMap((shop) => offersOf(shop, sold).map((offer) => priceOn(shop.name, offer, pricing.day)))
  return offers.length ? offers : [usual(sold)]
}

/** The packs that so many cost least in; where the shops have not so many, the rest at the usual price. @param wanted whole, from 0 */
export function packsFor(wanted: number, sold: Sold, pricing: Pick<Pricing, 'shops' | 'shunned' | 'day'>): Bought[] {
  const bought = packsOver(wanted, pricesOf(sold, pricing))
  const short = wanted - bought.reduce((all, { packs, holds }) => all + packs * holds, 0)
  return short > 0 ? [...bought, ...packsOver(short, [usual(sold)])] : bought
}

export function materialLine(material: Material, needs: readonly Things[], { id, copies }: Copies, pricing: Pricing): CostLine {
  const { shelf, lots } = pricing
  const wants = piecesOf(material, needs, copies)
  const had = fromCut(wants, cutThingsOf(lots, material.id, id))
  const cutThere = had.reduce((n, each) => n + each, 0)
  const pieces = needs.reduce((n, { count }) => n + count, 0)
  const { stems } = stemsFor(material, piecesLeft(wants, had))
  const share = Math.max(0, ...needs.map(({ spare: each }) => each))
  const spare = spareOf(stems, share)
  const have = thingsOf(lots, material.id, id)
  const open = openThings(lots, material.id, id)
  const stashed = Math.min(have, stems + spare)
  const toBuy = stems + spare - stashed
  const packs = packsFor(toBuy, material, pricing)
  const { packs: count, holds: bought, cost, words } = openedBy(packs)
  // What is in the house goes first, so only what it does not reach is used of the packs.
  const fromPacks = Math.max(0, stems - stashed)
  return {
    id: material.id,
    of: 'stems',
    name: material.name,
    plural: material.plural,
    wide: null,
    packName: material.pack.name,
    toBuy,
    bought: packs,
    left: bought - fromPacks,
    parts: [fromPacks, bought],
    each: figure(quantity.count(hundredths(pieces)), sum`${quantity.count(hundredths(pieces))} placed on the base`, COUNTED),
    stems: figure(quantity.count(stems), [...stemsSaid(material, needs, copies, cutThere), ...sum` = ${quantity.count(stems)}`], COUNTED),
    spare: spareFigure(material, stems, share, shelf),
    stash: figure(
      quantity.count(stashed + cutThere),
      [
        ...sum`${quantity.count(have)} in the house, of ${quantity.count(stems + spare)} needed`,
        ...(cutThere ? sum`, and ${quantity.count(cutThere)} that are cut already` : []),
      ],
      COUNTED,
    ),
    packs: figure(
      quantity.count(count),
      [
        ...sum`(${quantity.count(stems)}${spare ? ` + ${spare} spare` : ''}${stashed ? ` − ${stashed} from the house` : ''})`,
        ...packsSaid(packs, material.pack.name),
        ' = ',
        quantity.count(count),
      ],
      COUNTED,
    ),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, fromPacks, bought, (n) => quantity.count(n)),
    house: worthOfPart(open.whole, Math.min(stashed, stems), shelf) + worthOfPart(open.cut, cutThere, shelf),
  }
}

/** What is bought besides, for what breaks. @param stems needed @param share of them that breaks */
function spareFigure(material: Material, stems: number, share: number, by: Rated): Figure {
  const spare = spareOf(stems, share)
  if (!breaks(material)) return figure(quantity.count(spare), sum`none: these do not break`, RULE_OF_THUMB)
  const how = sum`${quantity.count(stems)} × ${quantity.share(share)}, rounded up = ${quantity.count(spare)}`
  return { ...figure(quantity.count(spare), how, RULE_OF_THUMB), rules: [ruleUsed(SPARE, by)] }
}

/** How packs make up what is wanted: of one kind by division, of several as they are. */
function packsSaid(bought: readonly Bought[], name: string): Said {
  const [one, ...more] = bought
  if (!one) return []
  return more.length
    ? [
        ', cheapest in ',
        ...bought.flatMap(({ packs, holds }, i) => sum`${i ? ' and ' : ''}${quantity.count(packs)} of ${quantity.count(holds)}`),
      ]
    : sum` ÷ ${quantity.count(one.holds)} in a ${name}, rounded up`
}

/** All that lengths of a material can be cut from: what is in the house and one may have, then what is sold. @param house what of it is in the house */
export function cutStock(material: Material, pricing: Pricing, house: readonly InHouse[] = lengthsOf(pricing.lots, material)): Stock[] {
  const least = Math.min(
    ...pricesOf(material, pricing).map(({ price, holds, reductions }) => Math.ceil(lineCost(price, 1, reductions, 'least') / holds)),
  )
  return [...houseStock(house), newRoll(material, least), ...pricing.rolls.filter((each) => each.material === material.id).map(otherRoll)]
}

/** What a cutting plan opens, in the packs that cost least. @param more rolls of the usual length besides those of the plan */
export function openedFor(plan: Pick<CutPlan, 'rolls'>, material: Material, pricing: Pricing, more = 0): Bought[] {
  const fresh = plan.rolls.filter(({ from }) => from === 'roll').length + more
  const others = pricing.rolls.flatMap((roll): Bought[] => {
    const packs = plan.rolls.filter(({ from, stock }) => from === 'other roll' && stock === roll.id).length
    return packs ? [{ ...listPriceOf(null, 1, roll.price), packs, cost: lineRange(roll.price, packs, []) }] : []
  })
  return [...(fresh ? packsFor(fresh, material, pricing) : []), ...others]
}

/** What a plan takes, mm: of what is in the house, of what is bought, and all that is bought with what packs hold besides. Where pieces are joined, their laps are cut as well. */
export function lengthsTaken(
  { rolls, short }: Pick<CutPlan, 'rolls' | 'short'>,
  wants: readonly Want[],
  material: Material,
  pricing: Pick<Pricing, 'rolls'>,
  bought: readonly Bought[],
): { readonly ofHouse: number; readonly ofNew: number; readonly opened: number } {
  const cutOfAll = (of: CutPlan['rolls']): number => of.reduce((mm, { cuts }) => mm + cuts.reduce((n, { length }) => n + length, 0), 0)
  const others = pricing.rolls.reduce(
    (mm, roll) => mm + roll.length * rolls.filter(({ from, stock }) => from === 'other roll' && stock === roll.id).length,
    0,
  )
  const packs = bought.reduce((n, each) => n + each.packs * each.holds, 0) - rolls.filter(({ from }) => from === 'other roll').length
  return {
    ofHouse: cutOfAll(rolls.filter(({ from }) => from === 'house')),
    ofNew:
      cutOfAll(rolls.filter(({ from }) => from !== 'house')) +
      short.reduce((mm, { want, count }) => mm + count * wants.find(({ id }) => id === want)!.length, 0),
    opened: packs * material.length + others,
  }
}

/** What the lengths of the house that a plan cuts are worth, with those that are cut for the piece already. @param done mm of those that serve */
function worthOfLengths({ rolls }: CutPlan, material: Material, piece: string, done: number, { lots, shelf }: Pricing): Minor {
  const own = lotsOf(lots, material.id)
  const byId = new Map(own.map((lot) => [lot.id, lot]))
  const cutting = rolls.reduce((worth, { from, stock, length, cuts }) => {
    const lot = from === 'house' ? byId.get(stock) : undefined
    if (!lot) return worth
    const taken = cuts.reduce((mm, cut) => mm + cut.length, 0)
    return worth + (worthOf(lot, shelf) * taken) / (length * (lot.things ?? 1))
  }, 0)
  const made = madeFor(lots, material.id, piece).filter(({ length }) => length !== null)
  return Math.round(cutting) + worthOfPart(made, done, shelf)
}

/** How many rolls it would take of what is longer than anything there is to cut from: it cannot be cut, and is told, but it is not free. */
export const uncutOf = (short: CutPlan['short'], wants: readonly Want[], material: Pick<Material, 'length'>): number =>
  short.reduce((n, { want, count }) => n + Math.ceil((count * wants.find(({ id }) => id === want)!.length) / material.length), 0)

/** A length that is wanted, with what the lots that are cut for it know it by. */
export interface WantFor extends Want {
  readonly of: Reserved
}

/** The lengths of one material that a piece wants, over all its copies, each by its layer and use. */
export function wantsOf({ id: piece, copies }: Copies, needs: readonly Lengths[]): WantFor[] {
  const before = new Map<string, number>()
  return needs.map(({ layer, use, length, count, joins }) => {
    const alike = `${layer}:${use}`
    const n = before.get(alike) ?? 0
    before.set(alike, n + 1)
    const of = { piece, want: `${alike}:${n}` }
    return { id: wantKey(of), of, length, count: count * copies, joins }
  })
}

/**
 * Cuts what lengths can be of what is kept for one piece alone, before all that others may have as well.
 * @param kept of the material, by the piece's own lots @returns what is cut of which, and what is still wanted
 */
export function cutOfKept(
  wants: readonly Want[],
  kept: readonly InHouse[],
  shelf: Shelf,
): { readonly rolls: CutPlan['rolls']; readonly open: readonly Want[] } {
  if (!kept.length || !wants.length) return { rolls: [], open: wants }
  const {
    rolls,
    short,
    begun = [],
  } = planSoon({
    wants,
    stocks: houseStock(kept),
    least: rate(LEAST_REST, shelf),
  })
  const missing = new Map(short.map(({ want, count }) => [want, count]))
  return {
    rolls,
    open: wants.flatMap((want) => {
      const parts = begun.filter((each) => each.want === want.id)
      const whole = (missing.get(want.id) ?? 0) - parts.length
      return [...(whole > 0 ? [{ ...want, count: whole }] : []), ...parts.map(({ left }) => ({ ...want, length: left, count: 1 }))]
    }),
  }
}

/** How one piece's lengths of a material are cut. Lengths in mm. */
interface CutForBill {
  readonly plan: CutPlan
  /** What is cut for the piece already, of all that it takes. */
  readonly done: number
  /** Rolls that it would take of what is longer than any. */
  readonly uncut: number
  readonly wants: readonly WantFor[]
}

function cutForBill(material: Material, needs: readonly Lengths[], piece: Copies, pricing: Pricing): CutForBill {
  const wants = wantsOf(piece, needs)
  const { left, over } = reckon(wants, cutForPiece(pricing.lots, material.id, piece.id))
  const there = lengthsOf(pricing.lots, material, piece.id)
  // Where the house has plenty, a few of its lengths do, and nothing is bought whatever the others are.
  const enough = plentyOf(left, there) ?? there
  const plan = planSoon({
    wants: left,
    stocks: [...houseStock(over), ...cutStock(material, pricing, enough)],
    least: rate(LEAST_REST, pricing.shelf),
  })
  const asked = wants.reduce((mm, { length, count }) => mm + length * count, 0)
  const open = left.reduce((mm, { length, count }) => mm + length * count, 0)
  return { plan, done: Math.max(0, asked - open), uncut: uncutOf(plan.short, wants, material), wants }
}

/** What comes by the length: the fewest rolls that all its pieces can be cut from, after what is cut for it already and what else is in the house. */
export function lengthLine(material: Material, needs: readonly Lengths[], piece: Copies, pricing: Pricing): CostLine {
  const { copies } = piece
  const one = needs.reduce((mm, { length, count }) => mm + length * count, 0)
  const all = one * copies
  const { plan, done, uncut, wants } = cutForBill(material, needs, piece, pricing)
  const ofHouse = plan.rolls.filter(({ from }) => from === 'house')
  const rolls = plan.opened + uncut
  const packs = openedFor(plan, material, pricing, uncut)
  const { packs: number, cost, words } = openedBy(packs)
  const { ofHouse: fromHouse, ofNew, opened } = lengthsTaken(plan, wants, material, pricing, packs)
  return {
    id: material.id,
    of: 'length',
    name: material.name,
    plural: material.plural,
    wide: null,
    packName: material.pack.name,
    toBuy: rolls,
    bought: packs,
    left: (opened - ofNew) / material.length,
    parts: [ofNew, opened],
    each: figure(quantity.length(one), sum`all pieces of it for one`, COUNTED),
    stems: figure(
      quantity.length(all),
      sum`${quantity.length(one)} × ${several(copies, 'copy', 'copies')} = ${quantity.length(all)}`,
      COUNTED,
    ),
    spare: figure(quantity.count(0), sum`none: the rest of the last is the spare`, RULE_OF_THUMB),
    stash: figure(
      quantity.length(done + fromHouse),
      [
        ...(done > 0 ? sum`${quantity.length(done)} cut already, the rest ` : []),
        `cut from ${several(ofHouse.length, 'length', 'lengths')} in the house`,
      ],
      COUNTED,
    ),
    packs: figure(
      quantity.count(number),
      [
        ...sum`the fewest of ${quantity.length(material.length)} that its pieces can be cut from${ofHouse.length ? ', after what is in the house' : ''}, ${quantity.count(rolls)}`,
        ...(packs.some(({ holds }) => holds > 1) ? packsSaid(packs, material.pack.name) : []),
        ' = ',
        quantity.count(number),
      ],
      COUNTED,
    ),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, ofNew, opened, quantity.length),
    house: worthOfLengths(plan, material, piece.id, done, pricing),
  }
}

/** What a line is of, for more than one: "grapevines, 12 in wide". */
export const lineSaid = ({ plural, wide }: Pick<CostLine, 'plural' | 'wide'>): Said =>
  wide === null ? [plural] : sum`${plural}, ${quantity.length(wide)} wide`

/**
 * A base for each copy: what is in the house and as wide first, then in the cheapest of what shops have, or at its usual price.
 * @param there how many it has of those in the house
 */
export function baseLine(need: BareBase, there: number, { id, copies }: Copies, pricing: Pricing): CostLine {
  const { name, material, width } = need
  const wanted = need.count * copies
  const toBuy = wanted - there
  const bought = packsFor(toBuy, soldBase(need), pricing)
  const { packs, holds, cost, words } = openedBy(bought)
  const each =
    need.count === 1
      ? sum`one for each of ${several(wanted, 'copy', 'copies')}`
      : sum`${quantity.count(need.count)} for each of ${several(copies, 'copy', 'copies')}`
  return {
    id: need.layer === 'base' && !need.among ? 'base' : `base:${material}:${width}`,
    of: 'base',
    name,
    plural: pluralOf(name),
    wide: need.among ? width : null,
    each: figure(
      quantity.count(need.count),
      need.count === 1 ? sum`one for each piece` : sum`${quantity.count(need.count)} for each piece`,
      COUNTED,
    ),
    stems: figure(quantity.count(wanted), each, COUNTED),
    packs: figure(quantity.count(packs), there ? [...each, ...sum` − ${quantity.count(there)} in the house`] : each, COUNTED),
    packName: 'base',
    toBuy,
    bought,
    left: holds - toBuy,
    parts: [toBuy, holds],
    spare: figure(quantity.count(0), sum`none`, COUNTED),
    stash: figure(quantity.count(there), there ? sum`${quantity.count(there)} of that kind and width in the house` : sum`none`, COUNTED),
    opened: moneyFigure(cost, [...words, ' = ', quantity.money(cost[1])]),
    used: usedFigure(cost, toBuy, holds, (n) => quantity.count(n)),
    house: worthOfPart(
      lotsOf(pricing.lots, baseLots(material as BaseKind)).filter((lot) => servesAs(lot, width) && isFree(lot, id)),
      there,
      pricing.shelf,
    ),
  }
}

/**
 * An amount for all copies, for one of them: rounded up, so that no copy is dearer than said.
 * @example perCopy(100, 3) // 34
 */
export const perCopy = (amount: number, copies: number): number => Math.ceil(amount / copies)

import type { BareBase, Lengths, Material, Offer, Shelf, Shop, Things } from '../material'
import { piecesPerStem } from '../material'
import type { CutPlan, Stock, Want } from '../cut'
import { asStock, NEW, newRoll, otherRoll, planSoon, reckon } from '../cut'
import type { Figure, Minor, Said } from '../measure'
import { COUNTED, figure, quantity, RULE_OF_THUMB, ruleUsed, several, shareOut, sum, wholesOver } from '../measure'
import { breaks } from '../construct'
import { SPARE } from '../construct/thumbs'
import type { Lot } from '../stock'
import { cutOf, lengthsOf, thingsOf } from '../stock'
import type { Bought, Price } from './packs'
import { packsOver } from './packs'

/** What has to be bought of one thing for all the copies together, and what of it is used. */
export interface CostLine {
  /** A material's id, or `base`. */
  readonly id: string
  /** What is counted: stems and other single things, lengths off rolls, or the base itself. */
  readonly of: 'stems' | 'length' | 'base'
  readonly name: string
  readonly plural: string
  /** Pieces on one finished piece. */
  readonly each: Figure
  /** Stems that they come from, over all copies; for what comes by the length, all of it, mm. */
  readonly stems: Figure
  readonly spare: Figure
  /** What of it is in the house already: things, or lengths to cut from. */
  readonly stash: Figure
  readonly packs: Figure
  readonly packName: string
  /** The packs that are bought, and where: none at the catalogue's usual price has a shop. */
  readonly bought: readonly Bought[]
  /** Left over after making, spare included, stems. */
  readonly left: number
  readonly opened: Figure
  readonly used: Figure
}

/** A piece as far as its bill asks: what lots are cut for it, and how often it is made. */
export interface Copies {
  readonly id: string
  readonly copies: number
}

/** What things are priced by: what there is to know of them, and what is in the house. */
export interface Pricing {
  readonly shelf: Shelf
  readonly lots: readonly Lot[]
  /** Lengths in which materials are sold as well. */
  readonly rolls: readonly OwnRoll[]
}

/** A length in which a material is sold as well, mm, and what one costs. */
export interface OwnRoll {
  readonly id: string
  readonly material: string
  readonly length: number
  readonly price: Minor
}

/** Every offer of a material; the catalogue's usual price when no shop has it. */
export function pricesOf(material: Material, shops: readonly Shop[]): Price[] {
  const offers = shops.flatMap((shop) =>
    shop.offers.filter((offer: Offer) => offer.material === material.id).map(({ holds, price }) => ({ shop: shop.name, holds, price })),
  )
  return offers.length ? offers : [{ shop: null, holds: material.pack.holds, price: material.pack.price }]
}

/** What packs come to: how many, what they hold, what they cost, and that in words. */
export function openedBy(bought: readonly Bought[]): {
  readonly packs: number
  readonly holds: number
  readonly cost: Minor
  readonly words: Said
} {
  const total = (of: (each: Bought) => number): number => bought.reduce((sum, each) => sum + of(each), 0)
  return {
    packs: total(({ packs }) => packs),
    holds: total(({ packs, holds }) => packs * holds),
    cost: total(({ packs, price }) => packs * price),
    words: bought.length
      ? bought.flatMap(({ packs, price }, i) => sum`${i ? ' + ' : ''}${quantity.count(packs)} × ${quantity.money(price)}`)
      : sum`${quantity.count(0)}`,
  }
}

/** Stems that pieces come from: each cut length by itself, a stem of several pieces opened whole. */
export interface Stems {
  readonly pieces: number
  readonly stems: number
  readonly rows: readonly { readonly pieces: number; readonly per: number }[]
}

/** @param copies of each need, by its place */
export function stemsFor(material: Material, needs: readonly Things[], copies: number): Stems {
  const rows = needs.map(({ count, cut }) => ({ pieces: count, per: piecesPerStem(material, cut) }))
  return {
    pieces: rows.reduce((all, row) => all + row.pieces, 0),
    stems: rows.reduce((all, row) => all + wholesOver(row.pieces * copies, row.per), 0),
    rows,
  }
}

/**
 * What breaks of so many stems, whole ones.
 * @example spareOf(32, 0.1) // 4
 */
export const spareOf = (stems: number, share: number): number => Math.max(0, Math.ceil(stems * share - 1e-9))

/** What a part of one is used of, as one says it. */
const hundredths = (n: number): number => Math.round(n * 100) / 100

export function materialLine(material: Material, needs: readonly Things[], copies: number, { shelf, lots }: Pricing): CostLine {
  const { pieces, stems, rows } = stemsFor(material, needs, copies)
  const share = Math.max(0, ...needs.map(({ spare: each }) => each))
  const spare = spareOf(stems, share)
  const have = thingsOf(lots, material.id)
  const stashed = Math.min(have, stems + spare)
  const toBuy = stems + spare - stashed
  const packs = packsOver(toBuy, pricesOf(material, shelf.shops))
  const { packs: count, holds: bought, cost: opened, words } = openedBy(packs)
  // What is in the house goes first, so only what it does not reach is used of the packs.
  const fromPacks = Math.max(0, stems - stashed)
  const [used = 0] = opened > 0 ? shareOut(opened, [fromPacks, bought - fromPacks]) : []
  const divided = rows.some(({ per }) => per > 1)
  return {
    id: material.id,
    of: 'stems',
    name: material.name,
    plural: material.plural,
    packName: material.pack.name,
    bought: packs,
    left: bought - fromPacks,
    each: figure(quantity.count(hundredths(pieces)), sum`${quantity.count(hundredths(pieces))} placed on the base`, COUNTED),
    stems: figure(
      quantity.count(stems),
      divided
        ? [
            ...rows.flatMap(({ pieces: n, per }, i) => [
              i ? ' + ' : '',
              `${n} × ${several(copies, 'copy', 'copies')} ÷ ${per} pieces a stem`,
            ]),
            ...sum`, rounded up = ${quantity.count(stems)}`,
          ]
        : sum`${quantity.count(pieces)} × ${several(copies, 'copy', 'copies')} = ${quantity.count(stems)}`,
      COUNTED,
    ),
    spare: breaks(material)
      ? {
          ...figure(
            quantity.count(spare),
            sum`${quantity.count(stems)} × ${quantity.share(share)}, rounded up = ${quantity.count(spare)}`,
            RULE_OF_THUMB,
          ),
          rules: [ruleUsed(SPARE, shelf)],
        }
      : figure(quantity.count(spare), sum`none: these do not break`, RULE_OF_THUMB),
    stash: figure(quantity.count(stashed), sum`${quantity.count(have)} in the house, of ${quantity.count(stems + spare)} needed`, COUNTED),
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
    opened: figure(quantity.money(opened), [...words, ' = ', quantity.money(opened)], COUNTED),
    used: figure(
      quantity.money(used),
      sum`${quantity.money(opened)} × ${quantity.count(fromPacks)} used ÷ ${quantity.count(bought)} opened = ${quantity.money(used)}`,
      COUNTED,
    ),
  }
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

/** All that lengths of a material can be cut from: what is in the house, then what is sold. */
export function cutStock(material: Material, { shelf, lots, rolls }: Pricing): Stock[] {
  const least = Math.min(...pricesOf(material, shelf.shops).map(({ price, holds }) => Math.ceil(price / holds)))
  return [
    ...lengthsOf(lots, material).map(({ id, length, count }) => ({ id, length, price: 0, supply: count })),
    newRoll(material, least),
    ...rolls.filter((each) => each.material === material.id).map(otherRoll),
  ]
}

/** What a cutting plan opens, in the packs that cost least. @param more rolls of the usual length besides those of the plan */
export function openedFor(plan: Pick<CutPlan, 'rolls'>, material: Material, { shelf, rolls }: Pricing, more = 0): Bought[] {
  const fresh = plan.rolls.filter(({ stock }) => stock === NEW).length + more
  const others = rolls.flatMap((roll): Bought[] => {
    const packs = plan.rolls.filter(({ stock }) => stock === otherRoll(roll).id).length
    return packs ? [{ shop: null, holds: 1, price: roll.price, packs }] : []
  })
  return [...(fresh ? packsOver(fresh, pricesOf(material, shelf.shops)) : []), ...others]
}

/** How many rolls it would take of what is longer than anything there is to cut from: it cannot be cut, and is told, but it is not free. */
export const uncutOf = (short: CutPlan['short'], wants: readonly Want[], material: Pick<Material, 'length'>): number =>
  short.reduce((n, { want, count }) => n + Math.ceil((count * wants.find(({ id }) => id === want)!.length) / material.length), 0)

/** The lengths of one material that a piece wants, over all its copies, each by what the lots that are cut for it know it by: its layer and use. */
export function wantsOf({ id, copies }: Copies, needs: readonly Lengths[]): Want[] {
  const before = new Map<string, number>()
  return needs.map(({ layer, use, length, count, joins }) => {
    const of = `${id}:${layer}:${use}`
    const n = before.get(of) ?? 0
    before.set(of, n + 1)
    return { id: `${of}:${n}`, length, count: count * copies, joins }
  })
}

/** What comes by the length: the fewest rolls that all its pieces can be cut from, after what is cut for it already and what else is in the house. */
export function lengthLine(material: Material, needs: readonly Lengths[], piece: Copies, pricing: Pricing): CostLine {
  const { copies } = piece
  const wants = wantsOf(piece, needs)
  const { left, over } = reckon(
    wants,
    cutOf(pricing.lots, material.id).filter(({ want }) => want.startsWith(`${piece.id}:`)),
  )
  const one = needs.reduce((all, { length, count }) => all + length * count, 0)
  const all = one * copies
  const house = [...over, ...lengthsOf(pricing.lots, material)]
  const plan = planSoon({ wants: left, stocks: [...asStock(over), ...cutStock(material, pricing)], least: 0 })
  const ofHouse = plan.rolls.filter(({ stock }) => house.some(({ id }) => id === stock))
  const done = Math.max(
    0,
    left.reduce((rest, { length, count }) => rest - length * count, all),
  )
  const fromHouse = done + ofHouse.reduce((sum, { cuts }) => sum + cuts.reduce((mm, { length }) => mm + length, 0), 0)
  const uncut = uncutOf(plan.short, wants, material)
  const rolls = plan.opened + uncut
  const packs = openedFor(plan, material, pricing, uncut)
  const { packs: number, holds: bought, cost: opened, words } = openedBy(packs)
  // Rolls of another length count as what they are of a usual one.
  const fromRolls = Math.min(bought, Math.max(0, Math.ceil(((all - fromHouse) / material.length) * 1000) / 1000))
  const [used = 0] = opened > 0 ? shareOut(opened, [fromRolls, bought - fromRolls]) : []
  return {
    id: material.id,
    of: 'length',
    name: material.name,
    plural: material.plural,
    packName: material.pack.name,
    bought: packs,
    left: bought - fromRolls,
    each: figure(quantity.length(one), sum`all pieces of it for one`, COUNTED),
    stems: figure(
      quantity.length(all),
      sum`${quantity.length(one)} × ${several(copies, 'copy', 'copies')} = ${quantity.length(all)}`,
      COUNTED,
    ),
    spare: figure(quantity.count(0), sum`none: the rest of the last is the spare`, RULE_OF_THUMB),
    stash: figure(
      quantity.length(fromHouse),
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
    opened: figure(quantity.money(opened), [...words, ' = ', quantity.money(opened)], COUNTED),
    used: figure(
      quantity.money(used),
      sum`${quantity.money(opened)} × ${quantity.ratio(fromRolls)} used ÷ ${quantity.count(bought)} opened = ${quantity.money(used)}`,
      COUNTED,
    ),
  }
}

export function baseLine({ name, price }: BareBase, copies: number): CostLine {
  const opened = figure(
    quantity.money(copies * price),
    sum`${quantity.count(copies)} × ${quantity.money(price)} = ${quantity.money(copies * price)}`,
    COUNTED,
  )
  const one = figure(quantity.count(1), sum`one for each piece`, COUNTED)
  const all = figure(quantity.count(copies), sum`one for each of ${several(copies, 'copy', 'copies')}`, COUNTED)
  return {
    id: 'base',
    of: 'base',
    name,
    plural: name,
    each: one,
    stems: all,
    packs: all,
    packName: 'base',
    bought: [{ shop: null, holds: 1, price, packs: copies }],
    left: 0,
    spare: figure(quantity.count(0), sum`none`, COUNTED),
    stash: figure(quantity.count(0), sum`none`, COUNTED),
    opened,
    used: opened,
  }
}

/**
 * An amount for all copies, for one of them: rounded up, so that no copy is dearer than said.
 * @example perCopy(100, 3) // 34
 */
export const perCopy = (amount: number, copies: number): number => Math.ceil(amount / copies)

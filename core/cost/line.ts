import type { LaidLayer } from '../arrange'
import { countsOf } from '../arrange'
import type { Material, Offer, Shelf, Shop } from '../material'
import { fewestRolls } from '../cut'
import type { Taken, Used } from '../construct'
import { piecesPerStem, stashOf } from '../material'
import type { Figure, Minor, Said } from '../measure'
import { COUNTED, figure, quantity, rate, RULE_OF_THUMB, ruleUsed, several, shareOut, sum } from '../measure'
import type { Piece } from '../piece'
import type { Bought, Price } from './packs'
import { packsOver } from './packs'
import { SPARE } from './thumbs'

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
  /** What of it comes from the stash. */
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

/** Every offer of a material; the catalogue's usual price when no shop has it. */
function pricesOf(material: Material, shops: readonly Shop[]): Price[] {
  const offers = shops.flatMap((shop) => shop.offers
    .filter((offer: Offer) => offer.material === material.id)
    .map(({ holds, price }) => ({ shop: shop.name, holds, price })))
  return offers.length ? offers : [{ shop: null, holds: material.pack.holds, price: material.pack.price }]
}

/** What packs come to: how many, what they hold, what they cost, and that in words. */
function openedBy(bought: readonly Bought[]): { readonly packs: number, readonly holds: number, readonly cost: Minor, readonly words: Said } {
  const total = (of: (each: Bought) => number): number => bought.reduce((sum, each) => sum + of(each), 0)
  return {
    packs: total(({ packs }) => packs), holds: total(({ packs, holds }) => packs * holds), cost: total(({ packs, price }) => packs * price),
    words: bought.length ? bought.flatMap(({ packs, price }, i) => sum`${i ? ' + ' : ''}${quantity.count(packs)} × ${quantity.money(price)}`) : sum`${quantity.count(0)}`,
  }
}

/** Kinds of which a few always break or fail. */
const wantsSpare = ({ state }: Material): boolean => state !== 'artificial' && state !== 'made'

export function materialLine(material: Material, uses: readonly { pieces: number, cut: number | null }[], copies: number, shelf: Shelf): CostLine {
  const pieces = uses.reduce((total, use) => total + use.pieces, 0)
  const rows = uses.map((use) => ({ ...use, per: piecesPerStem(material, use.cut) }))
  const stems = rows.reduce((total, { pieces: n, per }) => total + Math.ceil((n * copies) / per), 0)
  const spare = wantsSpare(material) ? Math.max(0, Math.ceil(stems * rate(SPARE, shelf) - 1e-9)) : 0
  const have = stashOf(shelf, material.id)
  const stashed = Math.min(have, stems + spare)
  const toBuy = stems + spare - stashed
  const packs = packsOver(toBuy, pricesOf(material, shelf.shops))
  const { packs: count, holds: bought, cost: opened, words } = openedBy(packs)
  // What is in stash goes first, so only what it does not reach is used of the packs.
  const fromPacks = Math.max(0, stems - stashed)
  const [used = 0] = opened > 0 ? shareOut(opened, [fromPacks, bought - fromPacks]) : []
  const divided = rows.some(({ per }) => per > 1)
  return {
    id: material.id, of: 'stems', name: material.name, plural: material.plural,
    packName: material.pack.name, bought: packs, left: bought - fromPacks,
    each: figure(quantity.count(pieces), sum`${quantity.count(pieces)} placed on the base`, COUNTED),
    stems: figure(quantity.count(stems), divided
      ? [...rows.flatMap(({ pieces: n, per }, i) => [i ? ' + ' : '', `${n} × ${several(copies, 'copy', 'copies')} ÷ ${per} pieces a stem`]), ...sum`, rounded up = ${quantity.count(stems)}`]
      : sum`${quantity.count(pieces)} × ${several(copies, 'copy', 'copies')} = ${quantity.count(stems)}`, COUNTED),
    spare: wantsSpare(material)
      ? { ...figure(quantity.count(spare), sum`${quantity.count(stems)} × ${quantity.share(rate(SPARE, shelf))}, rounded up = ${quantity.count(spare)}`, RULE_OF_THUMB), rules: [ruleUsed(SPARE, shelf)] }
      : figure(quantity.count(spare), sum`none: these do not break`, RULE_OF_THUMB),
    stash: figure(quantity.count(stashed), sum`${quantity.count(have)} in stash, of ${quantity.count(stems + spare)} needed`, COUNTED),
    packs: figure(quantity.count(count), [...sum`(${quantity.count(stems)}${spare ? ` + ${spare} spare` : ''}${stashed ? ` − ${stashed} from stash` : ''})`, ...packsSaid(packs, material.pack.name), ' = ', quantity.count(count)], COUNTED),
    opened: figure(quantity.money(opened), [...words, ' = ', quantity.money(opened)], COUNTED),
    used: figure(quantity.money(used), sum`${quantity.money(opened)} × ${quantity.count(fromPacks)} used ÷ ${quantity.count(bought)} opened = ${quantity.money(used)}`, COUNTED),
  }
}

/** How packs make up what is wanted: of one kind by division, of several as they are. */
function packsSaid(bought: readonly Bought[], name: string): Said {
  const [one, ...more] = bought
  if (!one) return []
  return more.length ? [', cheapest in ', ...bought.flatMap(({ packs, holds }, i) => sum`${i ? ' and ' : ''}${quantity.count(packs)} of ${quantity.count(holds)}`)] : sum` ÷ ${quantity.count(one.holds)} in a ${name}, rounded up`
}

/** What comes by the length: the fewest rolls that all its pieces can be cut from. */
export function lengthLine(material: Material, takes: readonly Taken[], copies: number, shelf: Shelf): CostLine {
  const one = takes.reduce((all, { length, count }) => all + length * count, 0)
  const all = one * copies
  const rolls = fewestRolls(material.length, takes.map(({ length, count, joins }) => ({ length, count: count * copies, joins })))
  const have = Math.min(rolls, stashOf(shelf, material.id))
  const toBuy = rolls - have
  const packs = packsOver(toBuy, pricesOf(material, shelf.shops))
  const { packs: number, holds: bought, cost: opened, words } = openedBy(packs)
  const fromRolls = Math.min(bought, Math.max(0, Math.ceil((all / material.length) * 1000) / 1000 - have))
  const [used = 0] = opened > 0 ? shareOut(opened, [fromRolls, bought - fromRolls]) : []
  return {
    id: material.id, of: 'length', name: material.name, plural: material.plural, packName: material.pack.name, bought: packs, left: bought - fromRolls,
    each: figure(quantity.length(one), sum`all pieces of it for one`, COUNTED),
    stems: figure(quantity.length(all), sum`${quantity.length(one)} × ${several(copies, 'copy', 'copies')} = ${quantity.length(all)}`, COUNTED),
    spare: figure(quantity.count(0), sum`none: the rest of the last is the spare`, RULE_OF_THUMB),
    stash: figure(quantity.count(have), sum`${quantity.count(stashOf(shelf, material.id))} in stash, of ${quantity.count(rolls)} needed`, COUNTED),
    packs: figure(quantity.count(number), [...sum`the fewest of ${quantity.length(material.length)} that its pieces can be cut from, ${quantity.count(rolls)}${have ? ` − ${have} from stash` : ''}`, ...(packs.some(({ holds }) => holds > 1) ? packsSaid(packs, material.pack.name) : []), ' = ', quantity.count(number)], COUNTED),
    opened: figure(quantity.money(opened), [...words, ' = ', quantity.money(opened)], COUNTED),
    used: figure(quantity.money(used), sum`${quantity.money(opened)} × ${quantity.ratio(fromRolls)} used ÷ ${quantity.count(bought)} opened = ${quantity.money(used)}`, COUNTED),
  }
}

export function baseLine(piece: Piece, name: string, price: number): CostLine {
  const { copies } = piece.brief
  const opened = figure(quantity.money(copies * price), sum`${quantity.count(copies)} × ${quantity.money(price)} = ${quantity.money(copies * price)}`, COUNTED)
  const one = figure(quantity.count(1), sum`one for each piece`, COUNTED)
  const all = figure(quantity.count(copies), sum`one for each of ${several(copies, 'copy', 'copies')}`, COUNTED)
  return {
    id: 'base', of: 'base', name, plural: name, each: one, stems: all, packs: all, packName: 'base', bought: [{ shop: null, holds: 1, price, packs: copies }], left: 0,
    spare: figure(quantity.count(0), sum`none`, COUNTED), stash: figure(quantity.count(0), sum`none`, COUNTED), opened, used: opened,
  }
}

/** What each layer takes of each material, by material, in the order in which they first go on, and then the small things. */
export function usesOf(laid: readonly LaidLayer[], small: readonly Used[]): Map<string, { pieces: number, cut: number | null }[]> {
  const uses = new Map<string, { pieces: number, cut: number | null }[]>()
  for (const each of laid) {
    for (const [material, pieces] of countsOf(each)) uses.set(material, [...(uses.get(material) ?? []), { pieces, cut: each.layer.cut }])
  }
  for (const { material, count } of small) uses.set(material, [...(uses.get(material) ?? []), { pieces: count, cut: null }])
  return uses
}

/** An amount for all copies, for one of them: rounded up, so that no copy is dearer than said. */
export const perCopy = (amount: number, copies: number): number => Math.ceil(amount / copies)

import type { LaidLayer } from '../arrange'
import { countsOf } from '../arrange'
import type { Material, Offer, Shelf, Shop } from '../material'
import { fewestRolls } from '../cut'
import type { Taken, Used } from '../makeup'
import { piecesPerStem } from '../material'
import type { Figure } from '../measure'
import { COUNTED, figure, quantity, RULE_OF_THUMB, several, shareOut, sum } from '../measure'
import type { Piece } from '../piece'

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
  readonly packHolds: number
  /** Left over after making, spare included, stems. */
  readonly left: number
  /** Where it is bought; null when at the catalogue's usual price. */
  readonly shop: string | null
  readonly opened: Figure
  readonly used: Figure
}

interface Price { readonly shop: string | null, readonly holds: number, readonly price: number }

/** Every offer of a material; the catalogue's usual price when no shop has it. */
function pricesOf(material: Material, shops: readonly Shop[]): Price[] {
  const offers = shops.flatMap((shop) => shop.offers
    .filter((offer: Offer) => offer.material === material.id)
    .map(({ holds, price }) => ({ shop: shop.name, holds, price })))
  return offers.length ? offers : [{ shop: null, holds: material.pack.holds, price: material.pack.price }]
}

const packsFor = (stems: number, { holds }: Price): number => Math.ceil(stems / holds)

/** The offer at which this many stems cost least; the first of equals. */
function cheapest(stems: number, prices: readonly Price[]): Price {
  return prices.reduce((best, each) =>
    (packsFor(stems, each) * each.price < packsFor(stems, best) * best.price ? each : best))
}

/** Kinds of which a few always break or fail. */
const wantsSpare = (material: Material): boolean => material.form === 'leaf' && material.state !== 'artificial' && material.state !== 'made'

export function materialLine(material: Material, uses: readonly { pieces: number, cut: number | null }[], copies: number, shelf: Shelf): CostLine {
  const pieces = uses.reduce((total, use) => total + use.pieces, 0)
  const rows = uses.map((use) => ({ ...use, per: piecesPerStem(material, use.cut) }))
  const stems = rows.reduce((total, { pieces: n, per }) => total + Math.ceil((n * copies) / per), 0)
  const spare = wantsSpare(material) ? Math.max(0, Math.ceil(stems * shelf.spare - 1e-9)) : 0
  const have = shelf.stash[material.id] ?? 0
  const stashed = Math.min(have, stems + spare)
  const toBuy = stems + spare - stashed
  const price = cheapest(toBuy, pricesOf(material, shelf.shops))
  const packs = packsFor(toBuy, price)
  const opened = packs * price.price
  const bought = packs * price.holds
  // What is in stash goes first, so only what it does not reach is used of the packs.
  const fromPacks = Math.max(0, stems - stashed)
  const [used = 0] = opened > 0 ? shareOut(opened, [fromPacks, bought - fromPacks]) : []
  const divided = rows.some(({ per }) => per > 1)
  return {
    id: material.id, of: 'stems', name: material.name, plural: material.plural,
    packName: material.pack.name, packHolds: price.holds, left: bought - fromPacks, shop: price.shop,
    each: figure(quantity.count(pieces), sum`${quantity.count(pieces)} placed on the base`, COUNTED),
    stems: figure(quantity.count(stems), divided
      ? [...rows.flatMap(({ pieces: n, per }, i) => [i ? ' + ' : '', `${n} × ${several(copies, 'copy', 'copies')} ÷ ${per} pieces a stem`]), ...sum`, rounded up = ${quantity.count(stems)}`]
      : sum`${quantity.count(pieces)} × ${several(copies, 'copy', 'copies')} = ${quantity.count(stems)}`, COUNTED),
    spare: figure(quantity.count(spare), wantsSpare(material)
      ? sum`${quantity.count(stems)} × ${quantity.share(shelf.spare)}, rounded up = ${quantity.count(spare)}`
      : sum`none: these do not break`, RULE_OF_THUMB),
    stash: figure(quantity.count(stashed), sum`${quantity.count(have)} in stash, of ${quantity.count(stems + spare)} needed`, COUNTED),
    packs: figure(quantity.count(packs), sum`(${quantity.count(stems)} + ${quantity.count(spare)} spare${stashed ? ` − ${stashed} from stash` : ''}) ÷ ${quantity.count(price.holds)} in a ${material.pack.name}, rounded up = ${quantity.count(packs)}`, COUNTED),
    opened: figure(quantity.money(opened), sum`${quantity.count(packs)} × ${quantity.money(price.price)} = ${quantity.money(opened)}`, COUNTED),
    used: figure(quantity.money(used), sum`${quantity.money(opened)} × ${quantity.count(fromPacks)} used ÷ ${quantity.count(bought)} opened = ${quantity.money(used)}`, COUNTED),
  }
}

/** What comes by the length: the fewest rolls that all its pieces can be cut from. */
export function lengthLine(material: Material, takes: readonly Taken[], copies: number, shelf: Shelf): CostLine {
  const one = takes.reduce((all, { length, count }) => all + length * count, 0)
  const all = one * copies
  const rolls = fewestRolls(material.length, takes.map(({ length, count, joins }) => ({ length, count: count * copies, joins })))
  const have = Math.min(rolls, shelf.stash[material.id] ?? 0)
  const toBuy = rolls - have
  const price = cheapest(toBuy, pricesOf(material, shelf.shops))
  const packs = packsFor(toBuy, price)
  const opened = packs * price.price
  const bought = packs * price.holds
  const fromRolls = Math.min(bought, Math.max(0, Math.ceil((all / material.length) * 1000) / 1000 - have))
  const [used = 0] = opened > 0 ? shareOut(opened, [fromRolls, bought - fromRolls]) : []
  const holds = price.holds > 1 ? sum` ÷ ${quantity.count(price.holds)} in a ${material.pack.name}, rounded up` : []
  return {
    id: material.id, of: 'length', name: material.name, plural: material.plural, packName: material.pack.name, packHolds: price.holds, left: bought - fromRolls, shop: price.shop,
    each: figure(quantity.length(one), sum`all pieces of it for one`, COUNTED),
    stems: figure(quantity.length(all), sum`${quantity.length(one)} × ${several(copies, 'copy', 'copies')} = ${quantity.length(all)}`, COUNTED),
    spare: figure(quantity.count(0), sum`none: the rest of the last is the spare`, RULE_OF_THUMB),
    stash: figure(quantity.count(have), sum`${quantity.count(shelf.stash[material.id] ?? 0)} in stash, of ${quantity.count(rolls)} needed`, COUNTED),
    packs: figure(quantity.count(packs), [...sum`the fewest of ${quantity.length(material.length)} that its pieces can be cut from, ${quantity.count(rolls)}${have ? ` − ${have} from stash` : ''}`, ...holds, ' = ', quantity.count(packs)], COUNTED),
    opened: figure(quantity.money(opened), sum`${quantity.count(packs)} × ${quantity.money(price.price)} = ${quantity.money(opened)}`, COUNTED),
    used: figure(quantity.money(used), sum`${quantity.money(opened)} × ${quantity.ratio(fromRolls)} used ÷ ${quantity.count(bought)} opened = ${quantity.money(used)}`, COUNTED),
  }
}

export function baseLine(piece: Piece, name: string, price: number): CostLine {
  const { copies } = piece.brief
  const opened = figure(quantity.money(copies * price), sum`${quantity.count(copies)} × ${quantity.money(price)} = ${quantity.money(copies * price)}`, COUNTED)
  const one = figure(quantity.count(1), sum`one for each piece`, COUNTED)
  const all = figure(quantity.count(copies), sum`one for each of ${several(copies, 'copy', 'copies')}`, COUNTED)
  return {
    id: 'base', of: 'base', name, plural: name, each: one, stems: all, packs: all, packName: 'base', packHolds: 1, left: 0, shop: null,
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

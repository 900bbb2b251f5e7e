import type { Material } from '../../core/material'
import { CATALOGUE, isCut } from '../../core/material'
import type { Day } from '../../core/measure'
import { dayNumber, dayOf, seedOf } from '../../core/measure'
import type { Offer, Reduction, Shop } from '../../core/price'
import { SHOPS } from './assortments'

/** The four shops as they are on a day: what is reduced and when, what there is, and how they answer. All of it follows from the date. */

/** Weeks ahead for which a shop tells its reductions. */
const WEEKS = 10
const WEEK = 7
/** A Monday. */
const FIRST_MONDAY = 4

const weekOf = (n: number): number => Math.floor((n - FIRST_MONDAY) / WEEK)
const weekSpan = (week: number): { from: Day; until: Day } => ({
  from: dayOf(FIRST_MONDAY + week * WEEK),
  until: dayOf(FIRST_MONDAY + week * WEEK + WEEK - 1),
})
/** A number from 0 to `below` that is the same for the same words. */
const chance = (below: number, ...words: readonly (string | number)[]): number => (seedOf(...words) >>> 0) % below

const FLORALS: ReadonlySet<Material['kind']> = new Set(['focal', 'second flower', 'filler', 'greenery'])
const CUT: ReadonlySet<Material['kind']> = new Set(['ribbon', 'mesh'])
const SIGNS: ReadonlySet<Material['kind']> = new Set(['sign', 'figure', 'letter'])

type Turns = (material: Material, week: number) => Reduction[]

/** Half price by turns: florals in even weeks, ribbon and mesh in odd ones, and one sign with a coupon in every fourth. */
const pinfold: Turns = ({ kind }, week) => {
  const span = weekSpan(week)
  if (FLORALS.has(kind) && week % 2 === 0) return [{ kind: 'off', share: [0.5, 0.5], ...span }]
  if (CUT.has(kind) && week % 2 !== 0) return [{ kind: 'off', share: [0.4, 0.5], ...span }]
  if (SIGNS.has(kind) && week % 4 === 1) return [{ kind: 'coupon', share: [0.4, 0.4], ...span }]
  return []
}
const cleared = (material: Material): boolean => material.kind !== 'accent' && material.kind !== 'bead'
/** What lies too long is cleared. */
const quay =
  (price: number): Turns =>
  (material, week) =>
    cleared(material) && week % 3 === 2 && chance(5, 'cleared', material.id, Math.floor(week / 3)) === 0
      ? [{ kind: 'clearance', price: [Math.round(price * 0.55), Math.round(price * 0.7)], ...weekSpan(week) }]
      : []

/** Of every four bunches of what is dried at Netherby the cheapest, always, whichever they are. */
const DRIED_BUNCHES: Reduction = { kind: 'free', buy: 3, get: 1, among: 'dried bunches', from: null, until: null }
/** Three for two on accents, always, at Quay Street. */
const THREE_FOR_TWO: Reduction = { kind: 'free', buy: 2, get: 1, from: null, until: null }

function reductionsOf(shop: string, offer: Offer, material: Material, week: number): Reduction[] {
  const turns: Turns = shop === 'pinfold' ? pinfold : shop === 'quay-street' ? quay(offer.price) : () => []
  return [
    ...(shop === 'quay-street' && !cleared(material) ? [THREE_FOR_TWO] : []),
    ...(shop === 'netherby' && material.state === 'dried' ? [DRIED_BUNCHES] : []),
    ...Array.from({ length: WEEKS }, (_, i) => turns(material, week + i)).flat(),
  ]
}

/** What Quay Street has of something, sometimes nothing. */
const fewOf = (id: string, week: number): number => Math.max(0, chance(13, 'stock', id, week) - 2)

/** How many packs are there: Quay Street has what it has, sometimes nothing; fresh things run short elsewhere. */
function stockOf(shop: string, { id, state }: Material, week: number): number | null {
  if (shop === 'quay-street') return fewOf(id, week)
  if (shop === 'netherby' && state === 'fresh') return 4 + chance(20, 'fresh', id, week)
  return null
}

/**
 * A shop on a day, with what it reduces then and in the weeks to come.
 * @returns null when there is no such shop, or no such day
 */
export function shopOn(id: string, day: Day): Shop | null {
  const shop = SHOPS.find((each) => each.id === id)
  const n = dayNumber(day)
  if (!shop || n === null) return null
  const week = weekOf(n)
  return {
    ...shop,
    offers: shop.offers.map((offer) => {
      const material = CATALOGUE[offer.material]
      // Bases are to be had every day at list price; Quay Street has as many as it has.
      if (!material) return { ...offer, stock: id === 'quay-street' ? fewOf(`${offer.material} ${offer.width}`, week) : null }
      return {
        ...offer,
        reductions: reductionsOf(id, offer, material, week),
        stock: stockOf(id, material, week),
        // Tuesdays and Fridays.
        days: id === 'netherby' && material.state === 'fresh' && !isCut(material) ? [2, 5] : [],
      }
    }),
  }
}

/** How a shop answers on a day: Quay Street is slow on every fifth, and Coppice & Cone is out in the woods on every sixth. */
export function mannersOf(id: string, day: Day): { readonly waits: number; readonly out: boolean } {
  const n = dayNumber(day) ?? 0
  return { waits: id === 'quay-street' && n % 5 === 0 ? 1500 : 0, out: id === 'coppice' && n % 6 === 0 }
}

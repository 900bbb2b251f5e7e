import type { BaseKind } from '../../core/base'
import { BOUGHT_KINDS, BASE_SORTS, usualBase, askedSizeOf } from '../../core/base'
import type { Material } from '../../core/material'
import { CATALOGUE } from '../../core/material'
import type { Offer, Shop } from '../../core/price'
import { baseLots } from '../../core/stock'

/** material, pieces in the pack, price in minor units. */
type Row = readonly [material: string, holds: number, price: number]

const plain = (material: string, holds: number, price: number): Offer => ({ material, holds, price, reductions: [], stock: null, days: [] })
const offers = (rows: readonly Row[]): Offer[] => rows.map((row) => plain(...row))

/** What each shop has of its own choosing. */
const CHOSEN: readonly Shop[] = [
  {
    id: 'pinfold',
    name: 'Pinfold Trimmings',
    note: 'Wide and dear; half price by turns.',
    trip: 450,
    minimum: 0,
    sells: 0.05,
    offers: offers([
      ['bracken', 12, 1099],
      ['copper-beech', 6, 1249],
      ['berry-spray', 6, 599],
      ['dahlia', 1, 449],
      ['rose', 3, 899],
      ['daisy', 5, 549],
      ['sea-holly', 6, 1299],
      ['statice', 12, 899],
      ['pine-cone', 10, 799],
      ['moss', 10, 849],
      ['bow-slate', 1, 650],
      ['bow-russet', 1, 595],
      ['bow-honey', 1, 595],
      ['oar-sign', 1, 1450],
      ['ticket-sign', 1, 895],
      ['skep', 1, 1650],
      ['wheat', 40, 999],
      ['lavender', 50, 999],
    ]),
  },
  {
    id: 'quay-street',
    name: 'Quay Street Surplus',
    note: 'Cheap; what is there is there.',
    trip: 300,
    minimum: 0,
    sells: 0.5,
    offers: offers([
      ['berry-spray', 4, 299],
      ['daisy', 5, 375],
      ['dahlia', 1, 329],
      ['bow-slate', 1, 495],
      ['bow-russet', 1, 425],
      ['bow-honey', 1, 425],
      ['ticket-sign', 1, 650],
      ['oar-sign', 1, 1195],
      ['pine-cone', 8, 425],
      ['skep', 1, 1195],
    ]),
  },
  {
    id: 'netherby',
    name: 'Netherby Stems',
    note: 'Fresh and dried, by the bunch; fresh on Tuesdays and Fridays.',
    trip: 600,
    minimum: 0,
    sells: 0.15,
    offers: offers([
      ['bay', 8, 749],
      ['ivy', 10, 599],
      ['juniper', 8, 799],
      ['fir', 8, 699],
      ['cedar', 8, 749],
      ['eucalyptus', 6, 1149],
      ['crab-apple', 5, 849],
      ['wheat', 40, 849],
      ['lavender', 60, 899],
      ['sea-holly', 7, 1099],
      ['statice', 14, 749],
      ['heather', 20, 599],
      ['copper-beech', 6, 1049],
      ['bracken', 10, 849],
    ]),
  },
  {
    id: 'coppice',
    name: 'Coppice & Cone',
    note: 'Found and foraged, by weight; nothing under 15.',
    trip: 750,
    minimum: 1500,
    sells: 0.2,
    offers: offers([
      ['bracken', 10, 699],
      ['larch', 6, 549],
      ['old-mans-beard', 8, 499],
      ['heather', 25, 699],
      ['pine-cone', 20, 899],
      ['moss', 15, 799],
      ['ivy', 12, 649],
      ['crab-apple', 6, 949],
      ['juniper', 6, 649],
    ]),
  },
]

/** The shop that keeps a thing that none has chosen: what is gathered, what is grown, or everything else. */
function keeper({ hazards, state }: Material): string {
  if (hazards.includes('foraged')) return 'coppice'
  return state === 'fresh' || state === 'dried' || state === 'preserved' ? 'netherby' : 'pinfold'
}

/** What of its usual price a shop asks for what it keeps besides. */
const ASKS: Record<string, number> = { pinfold: 1.12, netherby: 0.96, coppice: 0.9, 'quay-street': 0.72 }
/** Every so many of what Pinfold keeps has turned up at Quay Street as well. */
const TURNS_UP = 3

function besides(shop: Shop): Offer[] {
  const offered = new Set(CHOSEN.flatMap(({ offers: own }) => own.map(({ material }) => material)))
  const rest = Object.values(CATALOGUE).filter(({ id }) => !offered.has(id))
  const kept =
    shop.id === 'quay-street'
      ? rest.filter((each) => keeper(each) === 'pinfold').filter((_, i) => i % TURNS_UP === 0)
      : rest.filter((each) => keeper(each) === shop.id)
  return kept.map(({ id, pack }) => plain(id, pack.holds, Math.max(1, Math.round(pack.price * ASKS[shop.id]!))))
}

/** Bases that are bound or woven of what grows, and those that Quay Street has cheap; Pinfold has all. */
const WOVEN: ReadonlySet<BaseKind> = new Set(['grapevine', 'twisted', 'straw'])
const SURPLUS: ReadonlySet<BaseKind> = new Set(['wire-ring', 'foam', 'hoop', 'evergreen-ring'])

/** The bare bases that a shop has, each in its usual sizes. */
function bases(shop: Shop): Offer[] {
  const kinds = BOUGHT_KINDS.filter((kind) =>
    shop.id === 'pinfold' ? true : shop.id === 'coppice' ? WOVEN.has(kind) : shop.id === 'quay-street' && SURPLUS.has(kind),
  )
  return kinds.flatMap((kind) => {
    const usual = usualBase(kind)
    return BASE_SORTS[kind].sizes.flatMap(({ shape, price }): Offer[] =>
      price > 0
        ? [{ ...plain(baseLots(kind), 1, Math.max(1, Math.round(price * ASKS[shop.id]!))), width: askedSizeOf({ ...usual, shape }) }]
        : [],
    )
  })
}

/** Four shops that do not exist, each with a range and packs of its own, at list prices; between them they keep all of the catalogue, and bases in their usual sizes. */
export const SHOPS: readonly Shop[] = CHOSEN.map((shop) => ({ ...shop, offers: [...shop.offers, ...besides(shop), ...bases(shop)] }))

import { BASE_SORTS, runsOf } from './base'
import { inches } from './measure'
import type { Need, Shelf } from './material'
import { CATALOGUE, lengthsIn, plainShelf, thingsIn } from './material'
import type { Hanger, Layer, Piece, Rule, RibbonOf } from './piece'
import { startLayer, startPiece } from './piece'
import type { Pricing, Reduction, Shop } from './price'
import { NO_TAX } from './price'
import type { ToMake } from './season'
import type { TaskTime } from './tasks'
import { work } from './workings'
import type { OnBench } from './workroom'
import { onBench } from './workroom'

/** A piece for tests: a 12 in by 8 in ring with the given layers. */
export function pieceWith(
  layers: readonly Layer[],
  set: { brief?: Partial<Piece['brief']>; base?: Partial<Piece['base']>; ring?: { outer: number; inner: number } } = {},
): Piece {
  const piece = startPiece('test', 'Test ring', 'grapevine')
  const base: Piece['base'] = { ...piece.base, shape: { form: 'ring', outer: inches(12), inner: inches(8), ...set.ring }, ...set.base }
  return {
    ...piece,
    brief: { ...piece.brief, ...set.brief },
    base,
    layers: [...layers],
    hanger: twine(base),
  }
}

/** A loop of twine on a nail, or hooks along the route: nothing about hanging that a test would have to know. */
function twine(base: Piece['base']): Hanger {
  const route = BASE_SORTS[base.kind].family === 'garlands'
  return {
    loop: route ? 'tied' : 'twine loop',
    hook: route ? 'route hooks' : 'nail',
    run: runsOf(base)[0]!.id,
    at: 0,
    gap: 0,
    rise: null,
    rated: null,
    clear: null,
  }
}

/** A layer of one material by one rule: stems all alike, straight, and flat along the run. */
export function layerOf(id: string, material: string, rule: Rule, set: Partial<Layer> = {}): Layer {
  return { ...startLayer(id, CATALOGUE[material]!, 7), rule, lean: 0, leanSpread: 0, acrossSpread: 0, bend: 'straight', uneven: 0, ...set }
}

export const shelf = plainShelf()

/** What things are priced by where nothing is in the house and nothing is sold but at usual prices, without tax. */
export const plainPricing = (on: Shelf = shelf, set: Partial<Pricing> = {}): Pricing => ({
  shelf: on,
  lots: [],
  rolls: [],
  shops: [],
  shunned: [],
  tax: NO_TAX,
  day: null,
  ...set,
})

/** A shop near by that asks so much for packs of one material. @param packs what each holds and costs, and what is taken off */
export const shopOf = (
  id: string,
  material: string,
  packs: readonly (readonly [holds: number, price: number, reductions?: readonly Reduction[]])[],
  set: Partial<Shop> = {},
): Shop => ({
  id,
  name: id,
  note: '',
  trip: 0,
  minimum: 0,
  sells: 0,
  offers: packs.map(([holds, price, reductions = []]) => ({ material, holds, price, reductions: [...reductions], stock: null, days: [] })),
  ...set,
})

/** A task in brief, of a kind that nothing particular is known of. */
export const taskOf = (id: string, hands: number, set: Partial<TaskTime> = {}): TaskTime => ({
  id,
  kind: 'own',
  title: id,
  layer: null,
  hands,
  waits: 0,
  after: [],
  fresh: false,
  tools: [],
  counts: null,
  rules: [],
  ...set,
})

/** A piece as the season sees it. @param due a day, or none */
export const makingOf = (id: string, due: string | null, tasks: readonly TaskTime[], set: Partial<ToMake> = {}): ToMake => ({
  id,
  name: id,
  copies: 1,
  due,
  tasks,
  done: [],
  hangs: null,
  indoors: true,
  ...set,
})

/** A piece as it stands on the bench, with what it costs. */
export const benchOf = (piece: Piece, on: Shelf = shelf, set: Partial<Pricing> = {}): OnBench =>
  onBench(work(piece, on), piece, plainPricing(on, set))

/** The lengths that something takes, and the small things: without whom they are for. */
export const takesOf = ({ needs }: { readonly needs: readonly Need[] }) =>
  lengthsIn(needs).map(({ material, use, length, count, joins }) => ({ material, use, length, count, joins }))
export const usesOf = ({ needs }: { readonly needs: readonly Need[] }) =>
  thingsIn(needs).map(({ material, use, count }) => ({ material, use, count }))

/** A bow by hand of eight loops of 6 in and two tails of 10 in, but for what is set. */
export const handBow = (set: Partial<RibbonOf<'hand'>> = {}): RibbonOf<'hand'> => ({
  build: 'hand',
  loops: 8,
  loop: inches(6),
  taper: 0,
  groups: null,
  tails: [inches(10), inches(10)],
  centre: 0,
  twist: 0,
  ...set,
})

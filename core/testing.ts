import { inches } from './measure'
import type { Need, Shelf } from './material'
import { CATALOGUE, lengthsIn, plainShelf, thingsIn } from './material'
import type { Layer, Piece, Rule } from './piece'
import { startLayer, startPiece } from './piece'
import type { Pricing } from './price'
import { work } from './workings'
import type { OnBench } from './workroom'
import { onBench } from './workroom'

/** A piece for tests: a 12 in by 8 in ring with the given layers. */
export function pieceWith(
  layers: readonly Layer[],
  set: { brief?: Partial<Piece['brief']>; base?: Partial<Piece['base']>; ring?: { outer: number; inner: number } } = {},
): Piece {
  const piece = startPiece('test', 'Test ring', 'grapevine')
  return {
    ...piece,
    brief: { ...piece.brief, ...set.brief },
    base: { ...piece.base, shape: { form: 'ring', outer: inches(12), inner: inches(8), ...set.ring }, ...set.base },
    layers: [...layers],
  }
}

/** A layer of one material by one rule, lying flat along the run. */
export function layerOf(id: string, material: string, rule: Rule, set: Partial<Layer> = {}): Layer {
  return { ...startLayer(id, CATALOGUE[material]!, 7), rule, lean: 0, leanSpread: 0, acrossSpread: 0, ...set }
}

export const shelf = plainShelf()

/** What things are priced by where nothing is in the house and nothing is sold besides. */
export const plainPricing = (on: Shelf = shelf): Pricing => ({ shelf: on, lots: [], rolls: [] })

/** A piece as it stands on the bench, with what it costs. */
export const benchOf = (piece: Piece, on: Shelf = shelf): OnBench => onBench(work(piece, on), piece, plainPricing(on))

/** The lengths that something takes, and the small things: without whom they are for. */
export const takesOf = ({ needs }: { readonly needs: readonly Need[] }) =>
  lengthsIn(needs).map(({ material, use, length, count, joins }) => ({ material, use, length, count, joins }))
export const usesOf = ({ needs }: { readonly needs: readonly Need[] }) =>
  thingsIn(needs).map(({ material, use, count }) => ({ material, use, count }))

import { inches } from './measure'
import { CATALOGUE, plainShelf } from './material'
import type { Layer, Piece, Rule } from './piece'
import { startLayer, startPiece } from './piece'

/** A piece for tests: a 12 in by 8 in ring with the given layers. */
export function pieceWith(layers: readonly Layer[], set: { brief?: Partial<Piece['brief']>, base?: Partial<Piece['base']>, ring?: { outer: number, inner: number } } = {}): Piece {
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

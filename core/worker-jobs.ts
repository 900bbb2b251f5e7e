import { arrange, swap } from './placement'
import type { Swap } from './placement'
import { runsOf } from './base'
import type { Beginning, Begun, EvenedOut, EvenOutProgress, Filling } from './coverage'
import { beginLayer, evenOut, fillTo } from './coverage'
import type { Shelf } from './material'
import { materialOf } from './material'
import type { Brief, Piece } from './piece'

/** The long answers that are asked for one at a time, besides the workings. */

/** Evens a piece out, step by step: the caller decides how long to go on, and may stop for the best so far. */
export function evenOutPiece(piece: Piece, shelf: Shelf, seed: number): Generator<EvenOutProgress, EvenedOut, boolean | undefined> {
  const runs = runsOf(piece.base)
  return evenOut(piece, runs, arrange(piece, runs, shelf), shelf, seed)
}

/** How many more stems of a layer would make the piece so full. @param layer null takes the first of leaves */
export function fillPiece(piece: Piece, shelf: Shelf, layer: string | null, fullness: Brief['fullness']): Filling | null {
  const runs = runsOf(piece.base)
  return fillTo({ piece, runs, laid: arrange(piece, runs, shelf), shelf }, layer, fullness)
}

/** What it takes to replace a material of a layer by another that covers as much. */
export function swapMaterial(piece: Piece, shelf: Shelf, layer: string, from: string, to: string): Swap | null {
  const runs = runsOf(piece.base)
  const laid = arrange(piece, runs, shelf).find((each) => each.layer.id === layer)
  return laid ? swap({ piece, runs, shelf }, laid, from, to) : null
}

/** What layer is begun, of a material by its id. */
export interface BeginningOf extends Omit<Beginning, 'material'> {
  readonly material: string
}

/** A layer of a material as a maker would begin it on the piece. @returns null when the shelf has no such material */
export function beginOn(piece: Piece, shelf: Shelf, { material: id, ...beginning }: BeginningOf): Begun | null {
  const material = materialOf(shelf, id)
  return material ? beginLayer({ piece, runs: runsOf(piece.base), shelf }, { ...beginning, material }) : null
}

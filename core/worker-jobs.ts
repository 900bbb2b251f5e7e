import { arrange, swap } from './placement'
import type { LaidPiece, Swap } from './placement'
import { runsOf } from './base'
import type { Beginning, Begun, EvenedOut, EvenOutProgress, Filling } from './coverage'
import { beginLayer, evenOut, fillTo } from './coverage'
import type { Shelf } from './material'
import { materialOf } from './material'
import type { Between, Countable } from './counting'
import { betweenOf, countablesOf } from './counting'
import { shelfFor } from './parts'
import type { Brief, Piece } from './piece'

/** The long answers that are asked for one at a time, besides the workings. */

/** A piece with all that lies on it. */
function laidOut(piece: Piece, without: Shelf): LaidPiece {
  const shelf = shelfFor(piece, without)
  const runs = runsOf(piece.base)
  return { piece, runs, shelf, laid: arrange(piece, runs, shelf) }
}

/** Evens a piece out, step by step: the caller decides how long to go on, and may stop for the best so far. */
export function evenOutPiece(piece: Piece, shelf: Shelf, seed: number): Generator<EvenOutProgress, EvenedOut, boolean | undefined> {
  const { runs, laid, shelf: on } = laidOut(piece, shelf)
  return evenOut(piece, runs, laid, on, seed)
}

/** How many more stems of a layer would make the piece so full. @param layer null takes the first of leaves */
export function fillPiece(piece: Piece, shelf: Shelf, layer: string | null, fullness: Brief['fullness']): Filling | null {
  return fillTo(laidOut(piece, shelf), layer, fullness)
}

/** What it takes to replace a material of a layer by another that covers as much. */
export function swapMaterial(piece: Piece, shelf: Shelf, layer: string, from: string, to: string): Swap | null {
  const on = laidOut(piece, shelf)
  const laid = on.laid.find((each) => each.layer.id === layer)
  return laid ? swap(on, laid, from, to) : null
}

/** The layers of a piece whose things can be counted otherwise. */
export const countablesOn = (piece: Piece, shelf: Shelf, most: number): Countable[] => countablesOf(laidOut(piece, shelf), most)

/** How many things of one layer go between those of another. */
export const betweenOn = (piece: Piece, shelf: Shelf, those: string, these: string): Between | null =>
  betweenOf(laidOut(piece, shelf), those, these)

/** What layer is begun, of a material by its id. */
export interface BeginningOf extends Omit<Beginning, 'material'> {
  readonly material: string
}

/** A layer of a material as a maker would begin it on the piece. @returns null when the shelf has no such material */
export function beginOn(piece: Piece, shelf: Shelf, { material: id, ...beginning }: BeginningOf): Begun | null {
  const on = shelfFor(piece, shelf)
  const material = materialOf(on, id)
  return material ? beginLayer({ piece, runs: runsOf(piece.base), shelf: on }, { ...beginning, material }) : null
}

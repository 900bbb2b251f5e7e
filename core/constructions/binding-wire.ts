import type { Shelf } from '../material'
import { materialOf, USUAL_WIRE } from '../material'
import type { Piece } from '../piece'

/** The wire that bundles, boughs and sprays are bound with, unless a piece has its own. */

/** The paddle wire of a piece: its own, where the shelf has it. */
export const bindingOf = ({ fixing }: Pick<Piece, 'fixing'>, shelf: Pick<Shelf, 'materials'>): string =>
  fixing.wire !== null && materialOf(shelf, fixing.wire) ? fixing.wire : USUAL_WIRE

import type { Rated } from '../measure'
import { rate } from '../measure'
import type { Body } from '../base'
import { BASE_SORTS } from '../base'
import type { Brief, Piece } from '../piece'
import { FULL_ONCE, LUSH_ONCE, LUSH_TWICE } from './rules-of-thumb'

/** Bodies that are greenery themselves: what shows of them is no bare base. */
const GREEN: ReadonlySet<Body> = new Set(['evergreen', 'rope', 'trees'])
export const isGreenBase = ({ base }: Pick<Piece, 'base'>): boolean => GREEN.has(BASE_SORTS[base.kind].body)

/** What the fullness that is asked for means on a piece: a base of greenery is full where it shows itself, and lush where it does not. */
export const fullnessMeant = (piece: Pick<Piece, 'base' | 'brief'>): Brief['fullness'] =>
  piece.brief.fullness === 'full' && isGreenBase(piece) ? 'sparse' : piece.brief.fullness

/** What a fullness asks of the face: shares covered once and twice. */
export function fullnessAsks(fullness: Brief['fullness'], by: Rated): { readonly once: number; readonly twice: number } {
  switch (fullness) {
    case 'sparse':
      return { once: 0, twice: 0 }
    case 'full':
      return { once: rate(FULL_ONCE, by), twice: 0 }
    case 'lush':
      return { once: rate(LUSH_ONCE, by), twice: rate(LUSH_TWICE, by) }
  }
}

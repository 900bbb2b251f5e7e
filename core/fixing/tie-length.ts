import { colourDifference, FULL_ONCE, SHOWS_OVER } from '../coverage'
import { bindingOf, TIE_OF_BOW } from '../constructions'
import type { Material, Need, Shelf } from '../material'
import { isPaddleWire, materialOf } from '../material'
import { rate } from '../measure'
import type { Piece } from '../piece'

/** Paddle wires of a shelf, the maker's own too. */
export const wiresOn = ({ materials }: Pick<Shelf, 'materials'>): Material[] => Object.values(materials).filter(isPaddleWire)

/**
 * The wire of the shelf that shows least on a base, when the one in use shows and another would show clearly less; by
 * CIEDE2000. Where the base is covered all over the colour is nothing to it.
 * @param covered share of the face that is covered
 */
export function bestWire(
  piece: Piece,
  needs: readonly Need[],
  covered: number,
  shelf: Shelf,
): { readonly now: Material; readonly better: Material } | null {
  const wire = bindingOf(piece, shelf)
  // What ties a bow lies behind it.
  if (covered >= rate(FULL_ONCE, shelf) || !needs.some(({ material, use }) => material === wire && use !== TIE_OF_BOW)) return null
  const now = materialOf(shelf, wire)
  if (!now) return null
  const shows = ({ colours }: Material): number => colourDifference(colours[0]!, piece.base.colour)
  if (shows(now) < rate(SHOWS_OVER, shelf)) return null
  const better = wiresOn(shelf).reduce((best, each) => (shows(each) < shows(best) ? each : best), now)
  return shows(better) < shows(now) * 0.7 ? { now, better } : null
}

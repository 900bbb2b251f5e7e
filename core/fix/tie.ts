import { colourDifference } from '../cover'
import { FULL_ONCE, SHOWS_OVER } from '../cover/thumbs'
import { bindingOf } from '../construct'
import type { Material, Shelf } from '../material'
import { materialOf } from '../material'
import { rate } from '../measure'
import type { Piece } from '../piece'
import type { Fixing } from './choose'

/** Paddle wires of a shelf, the maker's own too. */
export const wiresOn = ({ materials }: Pick<Shelf, 'materials'>): Material[] =>
  Object.values(materials).filter(({ kind, species }) => kind === 'mechanic' && species === 'wire-paddle')

/** Whether anything of a piece is tied with paddle wire. */
const bindsAny = ({ layers }: Piece, fixings: readonly Fixing[]): boolean =>
  layers.some(({ rule, hidden }) => !hidden && (rule.kind === 'bundles' || rule.kind === 'boughs' || rule.kind === 'spray')) ||
  fixings.some(({ way, joint, tied }) => !tied && way === 'paddle wire' && joint.hold !== 'heavy') ||
  fixings.some(({ way, hold }) => way === 'wire and glue' && hold !== 'heavy')

/**
 * The wire of the shelf that shows least on a base, when the one in use shows and another would show clearly less; by
 * CIEDE2000. Where the base is covered all over the colour is nothing to it.
 * @param covered share of the face that is covered
 */
export function bestWire(
  piece: Piece,
  fixings: readonly Fixing[],
  covered: number,
  shelf: Shelf,
): { readonly now: Material; readonly better: Material } | null {
  if (!bindsAny(piece, fixings)) return null
  if (covered >= rate(FULL_ONCE, shelf)) return null
  const now = materialOf(shelf, bindingOf(piece, shelf))
  if (!now) return null
  const shows = ({ colours }: Material): number => colourDifference(colours[0]!, piece.base.colour)
  if (shows(now) < rate(SHOWS_OVER, shelf)) return null
  const better = wiresOn(shelf).reduce((best, each) => (shows(each) < shows(best) ? each : best), now)
  return shows(better) < shows(now) * 0.7 ? { now, better } : null
}

import type { Form } from '../base'
import { BASE_SORTS } from '../base'
import type { Piece } from './schema'

/** At most this share of a door's width, or the piece crowds it: rule of thumb. */
export const DOOR_SHARE = 2 / 3

/** How far up a door a piece hangs: about eye level. Rule of thumb. */
const EYE_LEVEL = 0.7
const WALLS: ReadonlySet<Form> = new Set(['mantel', 'rail', 'scallops'])

/** How far up what it hangs on the middle of a piece is, share of the height from below; null where a wall is all there is. */
export function hangsAt({ base, brief }: Pick<Piece, 'base' | 'brief'>): number | null {
  const { form } = base.shape
  if (WALLS.has(form)) return null
  return form === 'door' || brief.surface.kind === 'glass' ? 0.5 : EYE_LEVEL
}

/** Whether a piece needs no ready base: a garland that is bound of boughs is itself what hangs, along its route. */
export const isItself = ({ base, layers }: Pick<Piece, 'base' | 'layers'>): boolean =>
  BASE_SORTS[base.kind].family === 'garlands' && layers.some(({ rule }) => rule.kind === 'boughs')

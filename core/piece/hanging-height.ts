import type { Form } from '../base'
import { BASE_SORTS } from '../base'
import type { Rated } from '../measure'
import { rate } from '../measure'
import type { Piece } from './schema'
import { EYE_LEVEL } from './rules-of-thumb'

const WALLS: ReadonlySet<Form> = new Set(['mantel', 'rail', 'scallops'])

/** How far up what it hangs on the middle of a piece is, share of the height from below; null where a wall is all there is. */
export function hangsAt({ base, brief }: Pick<Piece, 'base' | 'brief'>, by: Rated): number | null {
  const { form } = base.shape
  if (WALLS.has(form)) return null
  return form === 'door' || brief.surface.kind === 'glass' ? 0.5 : rate(EYE_LEVEL, by)
}

/** Whether a piece needs no ready base: a garland that is bound of boughs is itself what hangs, along its route. */
export const isItself = ({ base, layers }: Pick<Piece, 'base' | 'layers'>): boolean =>
  BASE_SORTS[base.kind].family === 'garlands' && layers.some(({ rule }) => rule.kind === 'boughs')

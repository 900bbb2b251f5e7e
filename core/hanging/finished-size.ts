import type { Patch } from '../coverage'
import type { Bounds, Figure } from '../measure'
import { quantity, mm, plus, saidAs, worked } from '../measure'

/** The size that the piece has with everything on it. */
export interface FinishedSize extends Bounds {
  readonly width: Figure
  readonly height: Figure
}

/** @param bare the edges of the bare base @param on the patches of all that is on it, mm about the base's middle */
export function finishedSize(bare: Bounds, on: readonly Pick<Patch, 'edges'>[]): FinishedSize {
  const edges = { ...bare }
  for (const {
    edges: { left, top, right, bottom },
  } of on) {
    if (left < edges.left) edges.left = left
    if (right > edges.right) edges.right = right
    if (top < edges.top) edges.top = top
    if (bottom > edges.bottom) edges.bottom = bottom
  }
  const across = (low: number, high: number, [before, after]: readonly [string, string]): Figure =>
    worked(
      plus(
        saidAs(mm(-low), [quantity.length(-low), ` ${before} of the middle`]),
        saidAs(mm(high), [quantity.length(high), ` ${after} of it`]),
      ),
    )
  return {
    ...edges,
    width: across(edges.left, edges.right, ['left', 'right']),
    height: across(edges.top, edges.bottom, ['above', 'below']),
  }
}

import type { Patch } from '../cover'
import type { Bounds, Figure } from '../measure'
import { figure, GEOMETRY, quantity, sum } from '../measure'

/** The size that the piece has with everything on it. */
export interface FinishedSize extends Bounds {
  readonly width: Figure
  readonly height: Figure
}

/** @param bare the edges of the bare base @param on the patches of all that is on it, mm about the base's middle */
export function finishedSize(bare: Bounds, on: readonly Pick<Patch, 'edges'>[]): FinishedSize {
  const edges = { ...bare }
  for (const { edges: { left, top, right, bottom } } of on) {
    if (left < edges.left) edges.left = left
    if (right > edges.right) edges.right = right
    if (top < edges.top) edges.top = top
    if (bottom > edges.bottom) edges.bottom = bottom
  }
  const across = (low: number, high: number, names: readonly [string, string]): Figure => figure(quantity.length(high - low),
    sum`${quantity.length(-low)} ${names[0]} of the middle + ${quantity.length(high)} ${names[1]} of it = ${quantity.length(high - low)}`, GEOMETRY)
  return { ...edges, width: across(edges.left, edges.right, ['left', 'right']), height: across(edges.top, edges.bottom, ['above', 'below']) }
}

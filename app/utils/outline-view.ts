import type { OutlineStroke } from '#core/base'
import type { Point } from '#core/measure'
import { strokesBox } from '#core/base'

/** What of a bench is in sight around an outline, mm: the outline, and as much beside it as one draws on. */
export interface OutlineView {
  readonly x: number
  readonly y: number
  readonly size: number
}

/** Room beside the outline to each side, to how far it reaches; and the least that is in sight, mm. */
const BESIDE = 0.25
const LEAST = 420

/** A square view with the middle of the bench in its middle, which holds all of an outline. */
export function viewOf(strokes: readonly OutlineStroke[]): OutlineView {
  const { left, right, top, bottom } = strokes.length ? strokesBox(strokes) : { left: 0, right: 0, top: 0, bottom: 0 }
  const reach = Math.max(LEAST / 2, ...[left, right, top, bottom].map((each) => Math.abs(each) * (1 + BESIDE)))
  return { x: -reach, y: -reach, size: 2 * reach }
}

/** A point moved so many steps some way. */
export const moved = ({ x, y }: Point, way: Point, step: number): Point => ({ x: x + way.x * step, y: y + way.y * step })

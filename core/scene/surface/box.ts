import type { Bounds } from '../../measure'
import type { Paint, Pen } from '../../looks'

/** A rectangle; nothing when its sides have crossed. */
export function box(pen: Pen, { left, top, right, bottom }: Bounds, fill: Paint, opacity?: number): void {
  if (right > left && bottom > top)
    pen.shape(
      [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
      ],
      fill,
      opacity,
    )
}

/** What two rectangles share; its sides have crossed when that is nothing. */
export const meet = (a: Bounds, b: Bounds): Bounds => ({
  left: Math.max(a.left, b.left),
  right: Math.min(a.right, b.right),
  top: Math.max(a.top, b.top),
  bottom: Math.min(a.bottom, b.bottom),
})

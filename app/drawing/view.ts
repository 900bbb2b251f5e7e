import type { Bounds, Point } from '#core/measure'
import { clamp } from '#core/measure'

/** What part of the drawing is shown: its middle, mm, and pixels to the millimetre. */
export interface View {
  readonly x: number
  readonly y: number
  readonly scale: number
  readonly width: number
  readonly height: number
}

/** The point of a drawing that is seen at a pixel, mm. */
export const toMm = ({ x, y }: Point, view: View): Point => ({
  x: view.x + (x - view.width / 2) / view.scale,
  y: view.y + (y - view.height / 2) / view.scale,
})

export function regionOf({ x, y, scale, width, height }: View): Bounds {
  return { left: x - width / 2 / scale, right: x + width / 2 / scale, top: y - height / 2 / scale, bottom: y + height / 2 / scale }
}

/** The view in which these bounds just fit. */
export function fitView(bounds: Bounds, width: number, height: number, margin = 1.08): View {
  const scale = Math.min(width / (bounds.right - bounds.left), height / (bounds.bottom - bounds.top)) / margin
  return { x: (bounds.left + bounds.right) / 2, y: (bounds.top + bounds.bottom) / 2, scale, width, height }
}

export const sameView = (a: View, b: View): boolean =>
  a.x === b.x && a.y === b.y && a.scale === b.scale && a.width === b.width && a.height === b.height

/** The tools along the upper and the lower edge of the bench, px: what is fitted keeps clear of them. */
const BAR = 40
/** Steps of zoom between the closest and the farthest, pixels to the mm. */
const ZOOM = { least: 0.04, most: 6 }
/** How much is seen to each side of the middle from close up, mm. */
const CLOSE = 120
/** A piece is fitted anew once it takes up less than this share of the bench, or more than all of it. */
const SMALL = 0.75

/** The view in which these bounds just fit between the tools of the bench. */
export const fittingBench = (bounds: Bounds, { width, height }: View): View => ({
  ...fitView(bounds, width, height - 2 * BAR, 1),
  height,
})

/** What fits exactly fits, however its sums are rounded. */
const ROUNDING = 1e-6

/** Whether bounds that were fitted to the bench have become too large or too small for it. */
export function outgrown({ left, right, top, bottom }: Bounds, { scale, width, height }: View): boolean {
  const fill = Math.max(((right - left) * scale) / width, ((bottom - top) * scale) / (height - 2 * BAR))
  return fill > 1 + ROUNDING || fill < SMALL
}

/** A view nearer by a factor, or farther where that is below 1: what is seen at a pixel stays there. */
export function zoomed(view: View, factor: number, at: Point = { x: view.width / 2, y: view.height / 2 }): View {
  const scale = clamp(view.scale * factor, ZOOM.least, ZOOM.most)
  const fixed = toMm(at, view)
  return { ...view, scale, x: fixed.x - (at.x - view.width / 2) / scale, y: fixed.y - (at.y - view.height / 2) / scale }
}

/**
 * As near as one stands to judge texture: at the middle of what is chosen, or where things lie closest together.
 * @param things where all things are, mm
 * @param chosen those of them that are chosen, or none
 * @returns null where there is nothing
 */
export function closeUp(things: readonly Point[], chosen: readonly Point[], { width, height }: View): View | null {
  if (!things.length) return null
  const near = (point: Point): number => things.filter(({ x, y }) => Math.hypot(x - point.x, y - point.y) < CLOSE / 2).length
  const spots = chosen.length
    ? chosen
    : [things.map((point) => ({ point, count: near(point) })).sort((a, b) => b.count - a.count)[0]!.point]
  const x = spots.reduce((sum, point) => sum + point.x, 0) / spots.length
  const y = spots.reduce((sum, point) => sum + point.y, 0) / spots.length
  return fitView({ left: x - CLOSE, right: x + CLOSE, top: y - CLOSE, bottom: y + CLOSE }, width, height, 1)
}

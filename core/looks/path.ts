import type { XY } from './vector-marks'
import type { Bounds } from '../measure'

/** Hundredths of a millimetre are finer than any eye or printer. */
const round = (value: number): number => Math.round(value * 100) / 100
export const pair = ([x, y]: XY): string => `${round(x)} ${round(y)}`

/** Keeps the tight bounds of whatever is reached, and can be asked at any time. */
export class Extent {
  private left = Infinity
  private right = -Infinity
  private top = Infinity
  private bottom = -Infinity

  get bounds(): Bounds {
    return this.left > this.right
      ? { left: 0, top: 0, right: 0, bottom: 0 }
      : { left: this.left, top: this.top, right: this.right, bottom: this.bottom }
  }

  reach([x, y]: XY, marginX = 0, marginY = marginX): void {
    if (x - marginX < this.left) this.left = x - marginX
    if (x + marginX > this.right) this.right = x + marginX
    if (y - marginY < this.top) this.top = y - marginY
    if (y + marginY > this.bottom) this.bottom = y + marginY
  }

  /** A cubic Bézier from `a` to `b`, by its true extremes. */
  curve(a: XY, c1: XY, c2: XY, b: XY, margin = 0): void {
    this.reach(a, margin)
    this.reach(b, margin)
    for (const axis of [0, 1] as const) {
      for (const u of turningPoints(a[axis], c1[axis], c2[axis], b[axis]))
        this.reach([bezier(a[0], c1[0], c2[0], b[0], u), bezier(a[1], c1[1], c2[1], b[1], u)], margin)
    }
  }
}

function bezier(a: number, c1: number, c2: number, b: number, u: number): number {
  const v = 1 - u
  return v * v * v * a + 3 * v * v * u * c1 + 3 * v * u * u * c2 + u * u * u * b
}

/** Where a cubic Bézier turns back in one coordinate: the roots of its derivative within (0, 1). */
function turningPoints(a: number, c1: number, c2: number, b: number): number[] {
  const lowest = Math.min(a, b)
  const highest = Math.max(a, b)
  if (c1 >= lowest && c1 <= highest && c2 >= lowest && c2 <= highest) return []
  const p = b - a + 3 * (c1 - c2)
  const q = a - 2 * c1 + c2
  const r = c1 - a
  if (Math.abs(p) < 1e-12) return Math.abs(q) < 1e-12 ? [] : [-r / (2 * q)].filter(within)
  const root = q * q - p * r
  return root < 0 ? [] : [(-q + Math.sqrt(root)) / p, (-q - Math.sqrt(root)) / p].filter(within)
}
const within = (u: number): boolean => u > 0 && u < 1

/** One piece of a smooth line: its two control points and where it ends. */
export type Bend = readonly [c1: XY, c2: XY, end: XY]

/** A Catmull-Rom spline through the points, as cubic Béziers from the first point on. @throws RangeError for fewer than two points */
export function bends(points: readonly XY[], closed: boolean): Bend[] {
  const n = points.length
  if (n < 2) throw new RangeError('a line needs two points')
  const get = (i: number): XY => (closed ? points[((i % n) + n) % n]! : points[Math.min(n - 1, Math.max(0, i))]!)
  return Array.from({ length: closed ? n : n - 1 }, (_, i): Bend => {
    const [a, b, c, e] = [get(i - 1), get(i), get(i + 1), get(i + 2)]
    return [[b[0] + (c[0] - a[0]) / 6, b[1] + (c[1] - a[1]) / 6], [c[0] - (e[0] - b[0]) / 6, c[1] - (e[1] - b[1]) / 6], c]
  })
}

/** The path data of a smooth line through the points. */
export function smooth(points: readonly XY[], closed: boolean): string {
  return pathText(points[0]!, bends(points, closed), closed)
}

export function pathText(start: XY, through: readonly Bend[], closed: boolean): string {
  let d = `M${pair(start)}`
  for (const [c1, c2, end] of through) d += `C${pair(c1)} ${pair(c2)} ${pair(end)}`
  return closed ? `${d}Z` : d
}

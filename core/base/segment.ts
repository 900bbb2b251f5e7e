import type { Point } from '../measure'
import { bisect, clamp, radians } from '../measure'

/** A piece of a curve, measured by its true arc length: plain data, which `pointOn` reads. */
export type Segment =
  | { readonly kind: 'line'; readonly length: number; readonly a: Point; readonly b: Point }
  | {
      readonly kind: 'arc'
      readonly length: number
      readonly centre: Point
      readonly radius: number
      readonly from: number
      readonly sweep: number
    }
  | Curve
  | { readonly kind: 'catenary'; readonly length: number; readonly middle: number; readonly bottom: number; readonly a: number }

/** A smooth curve by `u` from 0 to 1, with its arc length from the start at even steps of `u`, mm. */
type Curve =
  | { readonly kind: 'ellipse'; readonly length: number; readonly ends: readonly number[]; readonly a: number; readonly b: number }
  | {
      readonly kind: 'bezier'
      readonly length: number
      readonly ends: readonly number[]
      readonly points: readonly [Point, Point, Point, Point]
    }

/** A point of a segment, and the unit direction of travel there. */
export interface OnSegment extends Point {
  readonly tx: number
  readonly ty: number
}

/** @throws RangeError when both ends are the same point */
export function line(a: Point, b: Point): Segment {
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  if (!(length > 0)) throw new RangeError('a line needs two different points')
  return { kind: 'line', length, a, b }
}

/**
 * An arc of a circle.
 * @param from degrees clockwise from twelve o'clock @param sweep degrees, positive clockwise, not 0
 */
export const arc = (centre: Point, radius: number, from: number, sweep: number): Segment => ({
  kind: 'arc',
  length: radians(Math.abs(sweep)) * radius,
  centre,
  radius,
  from,
  sweep,
})

/**
 * Where so many millimetres along a segment lie.
 * @param s 0 to its length
 * @example pointOn(line({ x: 0, y: 0 }, { x: 10, y: 0 }), 4) // { x: 4, y: 0, tx: 1, ty: 0 }
 */
export function pointOn(segment: Segment, s: number): OnSegment {
  switch (segment.kind) {
    case 'line': {
      const { a, b, length } = segment
      const tx = (b.x - a.x) / length
      const ty = (b.y - a.y) / length
      return { x: a.x + tx * s, y: a.y + ty * s, tx, ty }
    }
    case 'arc': {
      const { centre, radius, from, sweep } = segment
      const way = Math.sign(sweep)
      const angle = radians(from) + (way * s) / radius
      const [sin, cos] = [Math.sin(angle), Math.cos(angle)]
      return { x: centre.x + sin * radius, y: centre.y - cos * radius, tx: way * cos, ty: way * sin }
    }
    case 'catenary': {
      const { a, middle, bottom, length } = segment
      const from = s - length / 2
      const pull = Math.hypot(a, from)
      return { x: middle + a * Math.asinh(from / a), y: bottom - (pull - a), tx: a / pull, ty: -from / pull }
    }
    case 'ellipse':
    case 'bezier':
      return onCurve(segment, s)
  }
}

/** Nodes and weights of seven-point Gauss-Legendre quadrature on [-1, 1] (Abramowitz and Stegun 25.4.30). */
const NODES: readonly number[] = [0, 0.4058451513773972, 0.7415311855993945, 0.9491079123427585]
const WEIGHTS: readonly number[] = [0.4179591836734694, 0.3818300505051189, 0.2797053914892766, 0.1294849661688697]

/** The integral of `f` from `a` to `b`. */
function integral(f: (u: number) => number, a: number, b: number): number {
  const middle = (a + b) / 2
  const half = (b - a) / 2
  return (
    half * NODES.reduce((total, node, i) => total + WEIGHTS[i]! * (i ? f(middle - half * node) + f(middle + half * node) : f(middle)), 0)
  )
}

const TURN = 2 * Math.PI

function atU(curve: Curve, u: number): Point {
  if (curve.kind === 'ellipse') return { x: curve.a * Math.sin(TURN * u), y: -curve.b * Math.cos(TURN * u) }
  const [a, b, c, d] = curve.points
  const [i, j, k, l] = [(1 - u) ** 3, 3 * (1 - u) ** 2 * u, 3 * (1 - u) * u * u, u ** 3]
  return { x: i * a.x + j * b.x + k * c.x + l * d.x, y: i * a.y + j * b.y + k * c.y + l * d.y }
}

/** The derivative at `u`, nowhere zero. */
function slopeAt(curve: Curve, u: number): Point {
  if (curve.kind === 'ellipse') return { x: TURN * curve.a * Math.cos(TURN * u), y: TURN * curve.b * Math.sin(TURN * u) }
  const [a, b, c, d] = curve.points
  const [i, j, k] = [3 * (1 - u) ** 2, 6 * (1 - u) * u, 3 * u * u]
  return { x: i * (b.x - a.x) + j * (c.x - b.x) + k * (d.x - c.x), y: i * (b.y - a.y) + j * (c.y - b.y) + k * (d.y - c.y) }
}

function speedAt(curve: Curve, u: number): number {
  const { x, y } = slopeAt(curve, u)
  return Math.hypot(x, y)
}

/** A curve with its lengths, summed by quadrature over so many stretches. */
function lengthened<C extends Curve>(curve: C, parts: number): C {
  const ends = [0]
  for (let i = 0; i < parts; i++) ends.push(ends[i]! + integral((u) => speedAt(curve, u), i / parts, (i + 1) / parts))
  return { ...curve, ends, length: ends[parts]! }
}

/** Finds the place by its length: its stretch in the table, then Newton's method. */
function onCurve(curve: Curve, s: number): OnSegment {
  const { ends, length } = curve
  const parts = ends.length - 1
  const asked = clamp(s, 0, length)
  let low = 0
  let high = parts - 1
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (ends[middle]! <= asked) low = middle
    else high = middle - 1
  }
  const from = low / parts
  const speed = (u: number): number => speedAt(curve, u)
  let u = from + (asked - ends[low]!) / (ends[low + 1]! - ends[low]!) / parts
  for (let i = 0; i < 4; i++) u += (asked - ends[low]! - integral(speed, from, u)) / speed(u)
  u = clamp(u, 0, 1)
  const { x, y } = atU(curve, u)
  const d = slopeAt(curve, u)
  const size = Math.hypot(d.x, d.y)
  return { x, y, tx: d.x / size, ty: d.y / size }
}

/** An ellipse from twelve o'clock clockwise. @param a half its width @param b half its height, mm */
export const ellipse = (a: number, b: number): Segment => lengthened({ kind: 'ellipse', length: 0, ends: [], a, b }, 64)

/** A cubic Bézier curve: two ends and the handles between. */
export const bezier = (a: Point, b: Point, c: Point, d: Point): Segment =>
  lengthened({ kind: 'bezier', length: 0, ends: [], points: [a, b, c, d] }, 24)

/**
 * The height of an ellipse whose width and perimeter are known: what a bent ring stands at.
 * @returns mm; 0 when it cannot be bent so wide
 * @example Math.round(bentHeight(Math.PI * 400, 400)) // 400
 */
export function bentHeight(perimeter: number, width: number): number {
  if (perimeter <= 2 * width) return 0
  return bisect((height) => ellipse(width / 2, height / 2).length >= perimeter, 0, perimeter / 2, 60)
}

/**
 * What hangs free between two hooks at one height: a catenary, y = a cosh(x / a).
 * @param left where it starts @param span from hook to hook, mm @param drop how far its middle hangs below them, mm, from 0
 */
export function catenary(left: Point, span: number, drop: number): Segment {
  if (drop < span * 1e-4) return line(left, { x: left.x + span, y: left.y })
  const a = catenaryParameter(span, drop)
  return { kind: 'catenary', length: 2 * a * Math.sinh(span / (2 * a)), middle: left.x + span / 2, bottom: left.y + drop, a }
}

/** The `a` of the catenary with this span and drop: drop = a (cosh(span / 2a) - 1), by bisection. */
function catenaryParameter(span: number, drop: number): number {
  const sag = (a: number) => a * (Math.cosh(span / (2 * a)) - 1)
  // A flat one sags by about span² / 8a, a deep one has an `a` under its span.
  return bisect((a) => sag(a) <= drop, span / 1400, span + (span * span) / drop, 200)
}

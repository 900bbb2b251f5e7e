import type { Point } from '../measure'

/** A piece of a curve, measured by its true arc length. */
export interface Segment {
  /** mm */
  readonly length: number
  /** The point `s` mm along, 0 to `length`, and the unit direction of travel there. */
  at(s: number): Point & { readonly tx: number, readonly ty: number }
}

/** @throws RangeError when both ends are the same point */
export function line(a: Point, b: Point): Segment {
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  if (!(length > 0)) throw new RangeError('a line needs two different points')
  const tx = (b.x - a.x) / length
  const ty = (b.y - a.y) / length
  return { length, at: (s) => ({ x: a.x + tx * s, y: a.y + ty * s, tx, ty }) }
}

/**
 * An arc of a circle.
 * @param from degrees clockwise from twelve o'clock @param sweep degrees, positive clockwise, not 0
 */
export function arc(centre: Point, radius: number, from: number, sweep: number): Segment {
  const start = (from * Math.PI) / 180
  const way = Math.sign(sweep)
  return {
    length: Math.abs(sweep) * (Math.PI / 180) * radius,
    at(s) {
      const angle = start + (way * s) / radius
      return { x: centre.x + Math.sin(angle) * radius, y: centre.y - Math.cos(angle) * radius, tx: way * Math.cos(angle), ty: way * Math.sin(angle) }
    },
  }
}

/** Nodes and weights of seven-point Gauss-Legendre quadrature on [-1, 1] (Abramowitz and Stegun 25.4.30). */
const NODES: readonly number[] = [0, 0.4058451513773972, 0.7415311855993945, 0.9491079123427585]
const WEIGHTS: readonly number[] = [0.4179591836734694, 0.3818300505051189, 0.2797053914892766, 0.1294849661688697]

/** The integral of `f` from `a` to `b`. */
function integral(f: (u: number) => number, a: number, b: number): number {
  const middle = (a + b) / 2
  const half = (b - a) / 2
  return half * NODES.reduce((total, node, i) => total + WEIGHTS[i]! * (i ? f(middle - half * node) + f(middle + half * node) : f(middle)), 0)
}

/**
 * Any smooth curve, by its point and its derivative: lengths by quadrature, places by Newton's method.
 * @param point where it is at `u`, 0 to 1 @param slope its derivative there, nowhere zero
 * @param parts how many stretches the length is summed over
 */
export function curve(point: (u: number) => Point, slope: (u: number) => Point, parts = 64): Segment {
  const speed = (u: number): number => {
    const { x, y } = slope(u)
    return Math.hypot(x, y)
  }
  const ends = [0]
  for (let i = 0; i < parts; i++) ends.push(ends[i]! + integral(speed, i / parts, (i + 1) / parts))
  const length = ends[parts]!
  const find = (s: number): number => {
    let low = 0
    let high = parts - 1
    while (low < high) {
      const middle = (low + high + 1) >> 1
      if (ends[middle]! <= s) low = middle
      else high = middle - 1
    }
    const from = low / parts
    let u = from + (s - ends[low]!) / (ends[low + 1]! - ends[low]!) / parts
    for (let i = 0; i < 4; i++) u += (s - ends[low]! - integral(speed, from, u)) / speed(u)
    return Math.min(1, Math.max(0, u))
  }
  return {
    length,
    at(s) {
      const u = find(Math.min(length, Math.max(0, s)))
      const { x, y } = point(u)
      const d = slope(u)
      const size = Math.hypot(d.x, d.y)
      return { x, y, tx: d.x / size, ty: d.y / size }
    },
  }
}

/** An ellipse from twelve o'clock clockwise. @param a half its width @param b half its height, mm */
export function ellipse(a: number, b: number): Segment {
  const turn = 2 * Math.PI
  return curve(
    (u) => ({ x: a * Math.sin(turn * u), y: -b * Math.cos(turn * u) }),
    (u) => ({ x: turn * a * Math.cos(turn * u), y: turn * b * Math.sin(turn * u) }),
  )
}

/**
 * The height of an ellipse whose width and perimeter are known: what a bent ring stands at.
 * @returns mm; 0 when it cannot be bent so wide
 */
export function bentHeight(perimeter: number, width: number): number {
  if (perimeter <= 2 * width) return 0
  let low = 0
  let high = perimeter / 2
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (ellipse(width / 2, middle / 2).length < perimeter) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** A cubic Bézier curve. */
export function bezier(a: Point, b: Point, c: Point, d: Point): Segment {
  const mix = (u: number, of: (p: Point) => number): number =>
    (1 - u) ** 3 * of(a) + 3 * (1 - u) ** 2 * u * of(b) + 3 * (1 - u) * u * u * of(c) + u ** 3 * of(d)
  const change = (u: number, of: (p: Point) => number): number =>
    3 * (1 - u) ** 2 * (of(b) - of(a)) + 6 * (1 - u) * u * (of(c) - of(b)) + 3 * u * u * (of(d) - of(c))
  return curve((u) => ({ x: mix(u, (p) => p.x), y: mix(u, (p) => p.y) }), (u) => ({ x: change(u, (p) => p.x), y: change(u, (p) => p.y) }), 24)
}

/**
 * What hangs free between two hooks at one height: a catenary, y = a cosh(x / a).
 * @param left where it starts @param span from hook to hook, mm @param drop how far its middle hangs below them, mm, from 0
 */
export function catenary(left: Point, span: number, drop: number): Segment {
  if (drop < span * 1e-4) return line(left, { x: left.x + span, y: left.y })
  const a = catenaryParameter(span, drop)
  const [middle, bottom] = [left.x + span / 2, left.y + drop]
  const half = a * Math.sinh(span / (2 * a))
  return {
    length: 2 * half,
    at(s) {
      const from = s - half
      const pull = Math.hypot(a, from)
      return { x: middle + a * Math.asinh(from / a), y: bottom - (pull - a), tx: a / pull, ty: -from / pull }
    },
  }
}

/** The `a` of the catenary with this span and drop: drop = a (cosh(span / 2a) - 1), by bisection. */
function catenaryParameter(span: number, drop: number): number {
  const sag = (a: number) => a * (Math.cosh(span / (2 * a)) - 1)
  let low = span / 1400
  // A flat one sags by about span² / 8a, a deep one has an `a` under its span.
  let high = span + (span * span) / drop
  for (let i = 0; i < 200; i++) {
    const middle = (low + high) / 2
    if (sag(middle) > drop) low = middle
    else high = middle
  }
  return (low + high) / 2
}

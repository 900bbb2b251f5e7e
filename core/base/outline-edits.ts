import type { Point } from '../measure'
import { clamp } from '../measure'
import type { Knot, OutlineStroke, Stretch } from './outline'
import { freshRunId, onStretch, strokesBox, strokesSized, stretchesOf } from './outline'
import type { ShapeOf } from './schema'

/** Which point of an outline: the stroke, and its place in it. */
export interface KnotPlace {
  readonly stroke: number
  readonly point: number
}

/** The strokes of an outline as they finish, mm about its middle, as the middle of the wire goes. */
export const drawnStrokes = ({ strokes, width, height, face }: ShapeOf<'outline'>): OutlineStroke[] =>
  strokesSized(strokes, width - face, height - face)

/** The outline that has these strokes, mm: as wide and high as they are, and the wire. @param strokes at least one, with a point each */
export function outlineOf(strokes: readonly OutlineStroke[], face: number): ShapeOf<'outline'> {
  const { left, right, top, bottom } = strokesBox(strokes)
  return {
    form: 'outline',
    width: right - left + face,
    height: bottom - top + face,
    face,
    strokes: strokesSized(strokes, right - left, bottom - top),
  }
}

/** A point on the nearest line of a grid. @param step mm; 0 leaves it where it is @example onGrid({ x: 30, y: -11 }, 25) // { x: 25, y: 0 } */
export const onGrid = ({ x, y }: Point, step: number): Point =>
  step > 0 ? { x: Math.round(x / step) * step + 0, y: Math.round(y / step) * step + 0 } : { x, y }

const changed = (strokes: readonly OutlineStroke[], at: number, by: (stroke: OutlineStroke) => OutlineStroke): OutlineStroke[] =>
  strokes.map((stroke, i) => (i === at ? by(stroke) : stroke))

const knot = ({ x, y }: Point): Knot => ({ x, y, before: null, after: null })
const between = (a: Point, b: Point): Point => ({ x: b.x - a.x, y: b.y - a.y })

/** Puts a point elsewhere; its handles go with it. */
export const withPoint = (strokes: readonly OutlineStroke[], { stroke, point }: KnotPlace, to: Point): OutlineStroke[] =>
  changed(strokes, stroke, (own) => ({ ...own, points: own.points.map((each, i) => (i === point ? { ...each, x: to.x, y: to.y } : each)) }))

/** Puts the end of a handle elsewhere. A curve that passed its point smoothly goes on to: the other handle turns with it, as long as it was. */
export function withHandle(
  strokes: readonly OutlineStroke[],
  { stroke, point }: KnotPlace,
  which: 'before' | 'after',
  to: Point,
): OutlineStroke[] {
  const other = which === 'before' ? 'after' : 'before'
  return changed(strokes, stroke, (own) => ({
    ...own,
    points: own.points.map((each, i) => {
      if (i !== point) return each
      const handle = between(each, to)
      const was = each[which]
      const across = each[other]
      const turned = was && across && isSmooth(was, across) ? opposite(handle, Math.hypot(across.x, across.y)) : across
      return { ...each, [which]: handle, [other]: turned }
    }),
  }))
}
/** Whether two handles lie on one line, each to its side. */
const isSmooth = (a: Point, b: Point): boolean => {
  const [p, q] = [Math.hypot(a.x, a.y), Math.hypot(b.x, b.y)]
  return p > 0 && q > 0 && (a.x * b.x + a.y * b.y) / (p * q) < -0.999
}
const opposite = ({ x, y }: Point, length: number): Point => {
  const by = length / (Math.hypot(x, y) || 1)
  return { x: 0 - x * by, y: 0 - y * by }
}

/** A place on an outline's line: the stroke, which of its stretches, how far along it, 0 to 1, and how far off it is, mm. */
export interface OnOutline {
  readonly stroke: number
  readonly stretch: number
  readonly u: number
  readonly away: number
}

const TRIES = 64
/** The place on the line that lies nearest to a point; null where there is no line. */
export function nearestOnOutline(strokes: readonly OutlineStroke[], to: Point): OnOutline | null {
  const found = strokes.flatMap((own, stroke) =>
    stretchesOf(own).flatMap((stretch, i) =>
      Array.from({ length: TRIES + 1 }, (_, k): OnOutline => {
        const at = onStretch(stretch, k / TRIES)
        return { stroke, stretch: i, u: k / TRIES, away: Math.hypot(at.x - to.x, at.y - to.y) }
      }),
    ),
  )
  return found.length ? found.reduce((best, each) => (each.away < best.away ? each : best)) : null
}

/** One more point on the line, which stays as it is: a curve is parted by de Casteljau's construction. */
export function withPointOn(
  strokes: readonly OutlineStroke[],
  { stroke, stretch, u }: Pick<OnOutline, 'stroke' | 'stretch' | 'u'>,
): OutlineStroke[] {
  return changed(strokes, stroke, (own) => {
    const points = own.points.map((each) => ({ ...each }))
    const [from, to] = [points[stretch]!, points[(stretch + 1) % points.length]!]
    const of = stretchesOf(own)[stretch]!
    points.splice(stretch + 1, 0, parted(of, clamp(u, 0.02, 0.98), from, to))
    return { ...own, points }
  })
}

/** The point at which a stretch is parted; the handles of its ends are shortened. */
function parted([a, b, c, d]: Stretch, u: number, from: Knot, to: Knot): Knot {
  const mix = (p: Point, q: Point): Point => ({ x: p.x + (q.x - p.x) * u, y: p.y + (q.y - p.y) * u })
  if (!b || !c) return knot(mix(a, d))
  const [ab, bc, cd] = [mix(a, b), mix(b, c), mix(c, d)]
  const [left, right] = [mix(ab, bc), mix(bc, cd)]
  const at = mix(left, right)
  from.after = between(from, ab)
  to.before = between(to, cd)
  return { ...at, before: between(at, left), after: between(at, right) }
}

/** An outline without one of its points; a stroke that has none left goes. */
export const withoutPoint = (strokes: readonly OutlineStroke[], { stroke, point }: KnotPlace): OutlineStroke[] =>
  changed(strokes, stroke, (own) => ({ ...own, points: own.points.filter((_, i) => i !== point) })).filter(({ points }) => points.length)

/** One more point at the end of an open stroke, straight on. */
export const withEnd = (strokes: readonly OutlineStroke[], stroke: number, at: Point): OutlineStroke[] =>
  changed(strokes, stroke, (own) => ({ ...own, points: [...own.points, knot(at)] }))

/** One more run, begun at a point. @param name that none of them has */
export const withRun = (strokes: readonly OutlineStroke[], at: Point): OutlineStroke[] => {
  let n = strokes.length + 1
  while (strokes.some(({ name }) => name === `run ${n}`)) n += 1
  return [...strokes, { id: freshRunId(strokes), name: `run ${n}`, closed: false, points: [knot(at)] }]
}

/** Closes a stroke that is open, or opens it before its first point. */
export const withClosed = (strokes: readonly OutlineStroke[], stroke: number, closed: boolean): OutlineStroke[] =>
  changed(strokes, stroke, (own) => ({ ...own, closed }))

/** Whether the stretch that leaves a point is bent; null where none leaves it. */
export function isCurved(strokes: readonly OutlineStroke[], { stroke, point }: KnotPlace): boolean | null {
  const own = strokes[stroke]
  const of = own && stretchesOf(own)[point]
  return of ? of[1] !== null : null
}

/**
 * Bends the stretch that leaves a point, or makes it straight. A bent one leaves and comes as its neighbours lie: along the line from
 * the point before to the point after, a third as long as the stretch.
 */
export function withCurve(strokes: readonly OutlineStroke[], { stroke, point }: KnotPlace, curved: boolean): OutlineStroke[] {
  return changed(strokes, stroke, (own) => {
    const n = own.points.length
    const at = (i: number): Knot | undefined => (own.closed ? own.points[(i + n) % n] : own.points[i])
    const [from, to] = [at(point), at(point + 1)]
    if (!from || !to) return own
    const third = Math.hypot(to.x - from.x, to.y - from.y) / 3
    const along = (before: Point | undefined, here: Point, after: Point | undefined): Point => {
      const way = between(before ?? here, after ?? here)
      const by = third / (Math.hypot(way.x, way.y) || 1)
      return { x: way.x * by, y: way.y * by }
    }
    const leaves = along(at(point - 1), from, to)
    const comes = along(from, to, at(point + 2))
    const bent = bulged({ from, to, leaves, comes })
    return {
      ...own,
      points: own.points.map((each) =>
        each === from
          ? { ...each, after: curved ? bent.leaves : null }
          : each === to
            ? { ...each, before: curved ? { x: 0 - bent.comes.x, y: 0 - bent.comes.y } : null }
            : each,
      ),
    }
  })
}

/** Where both handles would lie along the stretch it would stay straight: then it bulges to the left of its way, so that one sees it bent. */
function bulged(bend: { from: Point; to: Point; leaves: Point; comes: Point }): { leaves: Point; comes: Point } {
  const { from, to, leaves, comes } = bend
  const way = between(from, to)
  const off = (handle: Point): number => Math.abs(handle.x * way.y - handle.y * way.x)
  const flat = (way.x ** 2 + way.y ** 2) * 1e-3
  if (off(leaves) > flat || off(comes) > flat) return { leaves, comes }
  const third = { x: way.x / 3, y: way.y / 3 }
  return { leaves: { x: third.x + third.y, y: third.y - third.x }, comes: { x: third.x - third.y, y: third.y + third.x } }
}

/** A point that lies so near to the middle line lies on it, mm. */
const ON_MIDDLE = 3

const flipped = ({ x, y, before, after }: Knot): Knot => ({
  x: 0 - x,
  y,
  before: after && { x: 0 - after.x, y: after.y },
  after: before && { x: 0 - before.x, y: before.y },
})

/**
 * Makes the left side as the right side is. A stroke that crosses the middle keeps what lies right of it, and its image; one to the
 * right gets a twin; one to the left is left out, since its twin comes from the right.
 */
export function mirroredHalf(strokes: readonly OutlineStroke[]): OutlineStroke[] {
  let all = strokes
  return strokes.flatMap((own): OutlineStroke[] => {
    const side = ({ x }: Knot): number => (Math.abs(x) <= ON_MIDDLE ? 0 : Math.sign(x))
    const sides = own.points.map(side)
    if (!sides.includes(1)) return sides.includes(-1) ? [] : [own]
    if (!sides.includes(-1) && !sides.includes(0)) {
      const name = `${own.name}, other side`.slice(0, 40)
      const twin = { id: freshRunId(all), name, closed: own.closed, points: own.points.map(flipped).reverse() }
      all = [...all, twin]
      return [own, twin]
    }
    return [withImage(own, rightHalf(own, sides))]
  })
}

const onMiddle = ({ x }: Point): boolean => Math.abs(x) <= ON_MIDDLE
/** One point on the middle of two that meet there: it comes as the one does and leaves as the other. */
const met = (comes: Knot, leaves: Knot): Knot => ({ x: 0, y: comes.y, before: comes.before, after: leaves.after })
/** One row of points after another; where both meet on the middle they have that point in common. */
const joined = (a: readonly Knot[], b: readonly Knot[]): Knot[] =>
  onMiddle(a.at(-1)!) && onMiddle(b[0]!) ? [...a.slice(0, -1), met(a.at(-1)!, b[0]!), ...b.slice(1)] : [...a, ...b]

/** A stroke of its right half and the image of that. One that comes back to the middle at both ends is closed. */
function withImage(own: OutlineStroke, right: readonly Knot[]): OutlineStroke {
  const images = right.map(flipped).reverse()
  const before = own.closed || (right[0] === own.points[0] && (right.at(-1) !== own.points.at(-1) || onMiddle(right.at(-1)!)))
  const points = before ? joined(right, images) : joined(images, right)
  const [first, last] = [points[0]!, points.at(-1)!]
  if (points.length < 3 || !onMiddle(first) || !onMiddle(last)) return { ...own, points }
  return { ...own, closed: true, points: [met(last, first), ...points.slice(1, -1)] }
}

/** The longest row of points right of the middle, with those on it at its ends. */
function rightHalf({ points, closed }: OutlineStroke, sides: readonly number[]): Knot[] {
  const n = points.length
  // A round is read from where it comes over to the right, or from where it first touches the middle.
  const over = sides.findIndex((side, i) => side >= 0 && sides[(i + n - 1) % n]! < 0)
  const begin = closed ? Math.max(0, over >= 0 ? over : sides.indexOf(0)) : 0
  const rows: Knot[][] = [[]]
  for (let k = 0; k < n; k++) {
    const i = (begin + k) % n
    if (sides[i]! >= 0) rows.at(-1)!.push(points[i]!)
    else if (rows.at(-1)!.length) rows.push([])
  }
  const beside = (row: readonly Knot[]): number => row.filter((each) => !onMiddle(each)).length
  return rows.reduce((best, row) => (beside(row) > beside(best) ? row : best))
}

/** The line of a stroke as the data of an SVG path. */
export function strokePath(stroke: OutlineStroke): string {
  const [first] = stroke.points
  if (!first) return ''
  const at = ({ x, y }: Point): string => `${x.toFixed(2)} ${y.toFixed(2)}`
  const rest = stretchesOf(stroke).map(([, b, c, d]) => (b && c ? `C${at(b)} ${at(c)} ${at(d)}` : `L${at(d)}`))
  return [`M${at(first)}`, ...rest, ...(stroke.closed ? ['Z'] : [])].join('')
}

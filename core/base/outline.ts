import { z } from 'zod'
import type { Bounds, Point } from '../measure'
import type { Run } from './run'
import { pathRun, stationAt } from './run'
import type { Segment } from './segment'
import { bezier, line, pointOn } from './segment'

/** What an own outline may have: so many runs, and so many points in all of them. */
export const OUTLINE_LIMITS = { runs: 12, points: 200, reach: 20_000 } as const

const coordinate = z.number().min(-OUTLINE_LIMITS.reach).max(OUTLINE_LIMITS.reach)
const handle = z.strictObject({ x: coordinate, y: coordinate })

const KnotSchema = z.strictObject({
  x: coordinate,
  y: coordinate,
  before: handle.nullable().describe('the handle of the stretch that comes here, from the point; null where it comes straight'),
  after: handle.nullable().describe('the handle of the stretch that leaves, from the point; null where it leaves straight'),
})
/** A point of an outline, and how its curves pass it. */
export type Knot = z.infer<typeof KnotSchema>

export const StrokeSchema = z.strictObject({
  id: z
    .string()
    .regex(/^run-[1-9]\d{0,3}$/)
    .describe('the run of the base that it becomes: what lies on it stays with it, whatever other runs come and go'),
  name: z.string().min(1).max(40),
  closed: z.boolean(),
  points: z.array(KnotSchema).max(5000),
})
/** One run of an outline, point by point; a stretch is straight where neither of its ends has a handle on it. */
export type OutlineStroke = z.infer<typeof StrokeSchema>
/** A stroke before it is one of an outline's. */
export type DrawnStroke = Omit<OutlineStroke, 'id'>

/** Strokes that have no ids yet, numbered from the first. */
export const withRunIds = (strokes: readonly DrawnStroke[]): OutlineStroke[] =>
  strokes.map((stroke, i) => ({ id: `run-${i + 1}`, ...stroke }))

/** An id for one more run that none of these has. */
export function freshRunId(strokes: readonly Pick<OutlineStroke, 'id'>[]): string {
  let n = strokes.length + 1
  while (strokes.some(({ id }) => id === `run-${n}`)) n += 1
  return `run-${n}`
}

/** The measures that an own outline finishes at, mm: its strokes are drawn to them. */
export interface OutlineShape {
  readonly width: number
  readonly height: number
  readonly face: number
  readonly strokes: readonly OutlineStroke[]
}

/** A stretch as its two ends and the handles between; both null where it is straight. */
export type Stretch = readonly [from: Point, one: Point | null, two: Point | null, to: Point]

const moved = (at: Point, by: Point): Point => ({ x: at.x + by.x, y: at.y + by.y })

/** The stretches of a stroke in its order, the one that closes it last. */
export function stretchesOf({ points, closed }: DrawnStroke): Stretch[] {
  const ends = closed ? [...points.slice(1), ...points.slice(0, 1)] : points.slice(1)
  return ends.map((to, i): Stretch => {
    const from = points[i]!
    const at = ({ x, y }: Point): Point => ({ x, y })
    const [one, two] = [handleOf(from, from.after), handleOf(to, to.before)]
    if (!one && !two) return [at(from), null, null, at(to)]
    // A curve that has a handle at one end only leaves the other towards it.
    return [at(from), one ?? towards(from, [two, to]), two ?? towards(to, [one, from]), at(to)]
  })
}
/** Where a handle ends; one of no length is none. */
const handleOf = (at: Point, handle: Point | null): Point | null =>
  handle && Math.hypot(handle.x, handle.y) > LEAST_STRETCH ? moved(at, handle) : null
/** A third of the way to the first of some points that lies elsewhere. */
function towards(from: Point, to: readonly (Point | null)[]): Point {
  const aim = to.find((each) => each && Math.hypot(each.x - from.x, each.y - from.y) > LEAST_STRETCH) ?? from
  return { x: from.x + (aim.x - from.x) / 3, y: from.y + (aim.y - from.y) / 3 }
}

export const onStretch = ([a, b, c, d]: Stretch, u: number): Point => {
  if (!b || !c) return { x: a.x + (d.x - a.x) * u, y: a.y + (d.y - a.y) * u }
  const [i, j, k, l] = [(1 - u) ** 3, 3 * (1 - u) ** 2 * u, 3 * (1 - u) * u * u, u ** 3]
  return { x: i * a.x + j * b.x + k * c.x + l * d.x, y: i * a.y + j * b.y + k * c.y + l * d.y }
}

/** Where a cubic through these four turns back, from 0 to 1. */
function turningPoints(a: number, b: number, c: number, d: number): number[] {
  const [p, q, r] = [-a + 3 * b - 3 * c + d, 2 * (a - 2 * b + c), b - a]
  const found = Math.abs(p) < 1e-9 ? (Math.abs(q) < 1e-9 ? [] : [-r / q]) : rootsOf(p, q, r)
  return found.filter((u) => u > 0 && u < 1)
}
function rootsOf(p: number, q: number, r: number): number[] {
  const under = q * q - 4 * p * r
  return under < 0 ? [] : [(-q + Math.sqrt(under)) / (2 * p), (-q - Math.sqrt(under)) / (2 * p)]
}

/** How far the lines of strokes reach, curves and all, in their own measure. */
export function strokesBox(strokes: readonly DrawnStroke[]): Bounds {
  const points = strokes.flatMap((stroke) =>
    stretchesOf(stroke).flatMap((stretch) => {
      const [a, b, c, d] = stretch
      const turns = b && c ? [...turningPoints(a.x, b.x, c.x, d.x), ...turningPoints(a.y, b.y, c.y, d.y)] : []
      return [a, d, ...turns.map((u) => onStretch(stretch, u))]
    }),
  )
  const [xs, ys] = [points.map(({ x }) => x), points.map(({ y }) => y)]
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
}

/** Strokes drawn so wide and high, about their middle; a line that runs straight up or across stays where it is. */
export function strokesSized(strokes: readonly OutlineStroke[], width: number, height: number): OutlineStroke[] {
  const { left, right, top, bottom } = strokesBox(strokes)
  const [wide, high] = [right - left > FLAT ? width / (right - left) : 1, bottom - top > FLAT ? height / (bottom - top) : 1]
  const by = (point: Point): Point => ({ x: point.x * wide, y: point.y * high })
  return strokes.map((stroke) => ({
    ...stroke,
    points: stroke.points.map(({ x, y, before, after }) => ({
      ...by({ x: x - (left + right) / 2, y: y - (top + bottom) / 2 }),
      before: before && by(before),
      after: after && by(after),
    })),
  }))
}
/** Narrower than this it has no width. */
const FLAT = 1e-6

const SAMPLES = 16
/** A stroke as short straight pieces, from its start to its end. */
function polyline(stroke: OutlineStroke): Point[] {
  const stretches = stretchesOf(stroke)
  return stretches.flatMap((stretch, i) => {
    const n = stretch[1] ? SAMPLES : 1
    const own = Array.from({ length: n }, (_, k) => onStretch(stretch, k / n))
    return i === stretches.length - 1 ? [...own, stretch[3]] : own
  })
}

/** Twice the area that a stroke goes round, positive where it goes clockwise as seen from the front. */
const turning = (stroke: OutlineStroke): number => {
  const points = polyline(stroke)
  return points.slice(1).reduce((all, b, i) => all + points[i]!.x * b.y - b.x * points[i]!.y, 0)
}

/** A stroke drawn the other way, a closed one from the same start. */
function reversedStroke(stroke: OutlineStroke): OutlineStroke {
  const [first, ...rest] = stroke.points
  const points = stroke.closed && first ? [first, ...rest.reverse()] : [...stroke.points].reverse()
  return { ...stroke, points: points.map(({ before, after, ...at }) => ({ ...at, before: after, after: before })) }
}

/** What is wrong with an outline, in which of its strokes; null where it can be bent so. */
export function strokesFault(strokes: readonly OutlineStroke[]): { readonly at: string; readonly says: string } | null {
  const points = strokes.reduce((n, stroke) => n + stroke.points.length, 0)
  if (!strokes.length) return { at: 'strokes', says: 'An outline needs one run at least.' }
  if (points > OUTLINE_LIMITS.points)
    return {
      at: 'strokes',
      says: `An outline takes ${OUTLINE_LIMITS.points} points at most, and this one has ${points}: leave out what a hand could not bend.`,
    }
  for (const [i, stroke] of strokes.entries()) {
    if (strokes.findIndex(({ id }) => id === stroke.id) < i)
      return { at: `strokes.${i}.id`, says: `Two of its runs have the id “${stroke.id}”.` }
    const says = strokeFault(stroke)
    if (says) return { at: `strokes.${i}`, says: `${stroke.name}: ${says}` }
  }
  return null
}

function strokeFault(stroke: OutlineStroke): string | null {
  if (stroke.points.length < 2) return 'a run needs two points at least.'
  const stretches = stretchesOf(stroke)
  for (const [i, [a, b, c, d]] of stretches.entries()) {
    if (Math.hypot(a.x - d.x, a.y - d.y) < LEAST_STRETCH && !(b && c && Math.hypot(b.x - c.x, b.y - c.y) > LEAST_STRETCH))
      return `points ${i + 1} and ${((i + 1) % stroke.points.length) + 1} lie on one another.`
  }
  if (stretches.some(turnsBack)) return 'a curve in it turns back on itself: move its handles apart.'
  if (crossesItself(stroke)) return 'it crosses itself: a wire that does is two runs.'
  return stroke.closed && Math.abs(turning(stroke)) < LEAST_AREA ? 'what is closed goes round something: give it one more point.' : null
}
/** Nearer than this two points are one, and less than this goes round nothing, in the measure of the strokes. */
const [LEAST_STRETCH, LEAST_AREA] = [1e-3, 1e-3]

/** Whether a curve stops and goes back somewhere: there both its ways across and down turn. */
function turnsBack([a, b, c, d]: Stretch): boolean {
  if (!b || !c) return false
  const slope = (u: number): number => {
    const [i, j, k] = [3 * (1 - u) ** 2, 6 * (1 - u) * u, 3 * u * u]
    return Math.hypot(i * (b.x - a.x) + j * (c.x - b.x) + k * (d.x - c.x), i * (b.y - a.y) + j * (c.y - b.y) + k * (d.y - c.y))
  }
  const turns = [...turningPoints(a.x, b.x, c.x, d.x), ...turningPoints(a.y, b.y, c.y, d.y)]
  return [0, 1, ...turns].some((u) => slope(u) < LEAST_STRETCH)
}

/** Whether a stroke crosses itself: its short pieces are swept from left to right, and only those that lie over one another are looked at. */
function crossesItself(stroke: OutlineStroke): boolean {
  const points = polyline(stroke)
  const pieces = points.slice(1).map((b, i) => {
    const a = points[i]!
    return { i, a, b, left: Math.min(a.x, b.x), right: Math.max(a.x, b.x) }
  })
  const last = pieces.length - 1
  const swept = [...pieces].sort((p, q) => p.left - q.left)
  return swept.some((p, at) => {
    for (let k = at + 1; k < swept.length && swept[k]!.left <= p.right; k++) {
      const q = swept[k]!
      const [low, high] = [Math.min(p.i, q.i), Math.max(p.i, q.i)]
      const neighbours = high - low === 1 || (stroke.closed && low === 0 && high === last)
      if (!neighbours && meet(p.a, p.b, q.a, q.b)) return true
    }
    return false
  })
}

/** Whether two straight pieces have a point in common. */
function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const side = (p: Point, q: Point, r: Point): number => Math.sign((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x))
  const within = (p: Point, q: Point, r: Point): boolean =>
    Math.min(p.x, q.x) <= r.x && r.x <= Math.max(p.x, q.x) && Math.min(p.y, q.y) <= r.y && r.y <= Math.max(p.y, q.y)
  const [ab1, ab2, cd1, cd2] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)]
  if (ab1 !== ab2 && cd1 !== cd2) return true
  return (
    (ab1 === 0 && within(a, b, c)) || (ab2 === 0 && within(a, b, d)) || (cd1 === 0 && within(c, d, a)) || (cd2 === 0 && within(c, d, b))
  )
}

/** Every stroke is a run of its own: a closed one goes clockwise from its first point. */
export function outlineRuns({ width, height, face, strokes }: OutlineShape): Run[] {
  const alone = strokes.length === 1
  return strokesSized(strokes, width - face, height - face).map((drawn) => {
    const { id, closed, name } = drawn
    const stroke = closed && turning(drawn) < 0 ? reversedStroke(drawn) : drawn
    return pathRun({
      id,
      name,
      segments: stretchesOf(stroke).map(([a, b, c, d]): Segment => (b && c ? bezier(a, b, c, d) : line(a, d))),
      width: face / 2,
      closed,
      ...(closed && alone
        ? {}
        : { reads: { kind: 'from', words: closed ? 'clockwise from its start' : 'from its start', start: 'its start' } }),
      mirror: { run: id, reversed: closed, flipped: !closed },
    })
  })
}

/** The same strokes seen in a mirror. */
export const mirroredStrokes = (strokes: readonly OutlineStroke[]): OutlineStroke[] => {
  const flip = (at: Point): Point => ({ x: 0 - at.x, y: at.y })
  return strokes.map((stroke) => ({
    ...stroke,
    points: stroke.points.map((knot) => ({
      ...flip(knot),
      before: knot.before && flip(knot.before),
      after: knot.after && flip(knot.after),
    })),
  }))
}

/** A bend sharper than this is a corner, and is bent by itself, radians. */
const CORNER = Math.PI / 18

/** How many corners a wire is bent at on its way along runs. */
export function cornersOf(runs: readonly Run[]): number {
  return runs.reduce((all, { segments, closed }) => {
    const turns = segments.filter((segment, i) => {
      if (i === 0 && !closed) return false
      const before = segments[(i + segments.length - 1) % segments.length]!
      const [a, b] = [pointOn(before, before.length), pointOn(segment, 0)]
      return Math.abs(Math.atan2(a.tx * b.ty - a.ty * b.tx, a.tx * b.tx + a.ty * b.ty)) > CORNER
    })
    return all + turns.length
  }, 0)
}

const CONTACT_STATIONS = 180

/** In how many places runs lie on one another: where their wires are tied or welded together. @param near so near they touch, mm */
export function contactsOf(runs: readonly Run[], near: number): number {
  const places = runs.map((run) =>
    // The end of a closed run is its start again.
    Array.from({ length: CONTACT_STATIONS + (run.closed ? 0 : 1) }, (_, k) => stationAt(run, (k / CONTACT_STATIONS) * run.length)),
  )
  return runs.reduce(
    (all, a, i) =>
      all +
      runs.slice(i + 1).reduce((n, b, j) => {
        const apart = near + (a.length + b.length) / CONTACT_STATIONS / 2
        const touching = places[i]!.map((p) => places[i + 1 + j]!.some((q) => Math.hypot(p.x - q.x, p.y - q.y) <= apart))
        const begins = touching.filter((at, k) => at && !(k > 0 ? touching[k - 1] : a.closed && touching[CONTACT_STATIONS - 1])).length
        return n + (begins || (touching.some(Boolean) ? 1 : 0))
      }, 0),
    0,
  )
}

import type { Point } from '../measure'
import { radians } from '../measure'
import type { Segment } from './segment'
import { arc, pointOn } from './segment'

/** A place on a run. */
export interface Station extends Point {
  /** Unit tangent, in the direction in which `s` grows. */
  readonly tx: number
  readonly ty: number
  /** Unit normal, pointing to the outer edge of the face. */
  readonly nx: number
  readonly ny: number
  /** Half the width of the face here, mm. */
  readonly half: number
}

/** How people say where something is on a run: by the clock, or so far from its start ("left of the join"), which has a name itself ("the join"). */
export type PositionStyle = { readonly kind: 'clock' } | { readonly kind: 'from'; readonly words: string; readonly start: string }

/**
 * A curve with a width, along which things are placed. Everything that places, measures or covers
 * is written against this and nothing else, so it serves rings, swags and garlands alike. Plain data: it crosses to a
 * worker and back as it is; `stationAt` says where a place on it lies.
 */
export interface Run {
  readonly id: string
  readonly name: string
  readonly closed: boolean
  /** True length along the middle of the face, mm. */
  readonly length: number
  /** Length along the outer edge, mm: what a tape laid round the outside reads. */
  readonly rim: number
  readonly reads: PositionStyle
  /**
   * The run that lies where this one's mirror image does, whether `s` runs the other way on it, and whether its outer
   * side is the image's inner one: so on a run down the middle.
   */
  readonly mirror: { readonly run: string; readonly reversed: boolean; readonly flipped?: boolean }
  /** Where a taper starts on an open run, mm along: a swag's join, the middle of a mantel. */
  readonly middle: number
  /** What it follows, end to end, and where along it each begins, mm. */
  readonly segments: readonly Segment[]
  readonly starts: readonly number[]
  /** How wide its face is. */
  readonly width: Profile
  /** 1 where the left of the travel is the outer side, -1 where the right is. */
  readonly side: 1 | -1
  /** How it is moved, and then turned about the base's middle. */
  readonly turned: { readonly cos: number; readonly sin: number; readonly x: number; readonly y: number } | null
}

/** How the half width of a face goes along a run, mm at its widest. */
export type Profile =
  | { readonly kind: 'even'; readonly half: number }
  /** From the start narrower and narrower, to this share of it. */
  | { readonly kind: 'taper'; readonly half: number; readonly end: number }
  /** As wide all along, and drawn in at its end. */
  | { readonly kind: 'ended'; readonly half: number }
  /** Fullest some way down, and then tapering. */
  | { readonly kind: 'drop'; readonly half: number; readonly end: number }
  /** From a tie out to its fullest, and in again at the tips. */
  | { readonly kind: 'fan'; readonly half: number }

/** Where a drop is fullest, and from where an end is drawn in, shares of the length. */
const FULLEST = 0.28
const DRAWN_IN = 0.85

/**
 * Half the width of a face at a share of its run's length, mm.
 * @example halfAt({ kind: 'taper', half: 100, end: 0.28 }, 1) // 28
 */
export function halfAt(width: Profile, share: number): number {
  const { half } = width
  switch (width.kind) {
    case 'even':
      return half
    case 'taper':
      return half * (1 - (1 - width.end) * share)
    case 'ended':
      return half * (share > DRAWN_IN ? 1 - 0.6 * ((share - DRAWN_IN) / (1 - DRAWN_IN)) : 1)
    case 'drop':
      return (
        half *
        (share < FULLEST
          ? 0.55 + 0.45 * Math.sin((share / FULLEST) * (Math.PI / 2))
          : 1 - (1 - width.end) * ((share - FULLEST) / (1 - FULLEST)))
      )
    case 'fan':
      return half * (0.35 + 0.65 * Math.sin(Math.min(1, share * 1.3) * Math.PI * 0.5) * (share > 0.77 ? 1 - (share - 0.77) * 2.6 : 1))
  }
}

/**
 * Where so many millimetres along a run lie. Closed runs wrap; open runs stop at their ends.
 * @example stationAt(ringRun('ring', 'ring', 400, 200), 0) // twelve o'clock: { x: 0, y: -150, tx: 1, ty: 0, nx: 0, ny: -1, half: 50 }
 */
export function stationAt(run: Run, s: number): Station {
  const { segments, starts, side, turned } = run
  const where = onRun(run, s)
  let i = segments.length - 1
  while (i > 0 && starts[i]! > where) i -= 1
  const segment = segments[i]!
  const { x, y, tx, ty } = pointOn(segment, Math.min(segment.length, where - starts[i]!))
  const half = halfAt(run.width, where / run.length)
  if (!turned) return { x, y, tx, ty, nx: ty * side, ny: -tx * side, half }
  const { cos, sin } = turned
  const [px, py] = [x + turned.x, y + turned.y]
  const [ux, uy] = [tx * cos - ty * sin, tx * sin + ty * cos]
  return { x: px * cos - py * sin, y: px * sin + py * cos, tx: ux, ty: uy, nx: uy * side, ny: -ux * side, half }
}

/**
 * `s` brought onto the run: wrapped when it is closed, held at the ends when it is open.
 * @example onRun({ closed: true, length: 100 }, 130) // 30
 */
export function onRun(run: Pick<Run, 'closed' | 'length'>, s: number): number {
  if (!run.closed) return Math.min(Math.max(s, 0), run.length)
  const wrapped = ((s % run.length) + run.length) % run.length
  return wrapped >= run.length ? 0 : wrapped
}

/**
 * How far it is from `a` to `b` along the run: going clockwise on a closed run, signed on an open one.
 * @example along({ closed: true, length: 100 }, 90, 10) // 20
 */
export function along(run: Pick<Run, 'closed' | 'length'>, a: number, b: number): number {
  return run.closed ? onRun(run, b - a) : b - a
}

/**
 * How far apart two places are, the short way.
 * @example distanceBetween({ closed: true, length: 100 }, 90, 10) // 20
 */
export function distanceBetween(run: Pick<Run, 'closed' | 'length'>, a: number, b: number): number {
  const far = Math.abs(b - a)
  return run.closed ? Math.min(far, run.length - far) : far
}

/**
 * The way from one place to another, mm, negative back: the short way round on a closed run.
 * @example wayTo({ closed: true, length: 100 }, 10, 90) // -20
 */
export function wayTo(run: Pick<Run, 'closed' | 'length'>, from: number, to: number): number {
  const by = to - from
  return run.closed ? by - run.length * Math.round(by / run.length) : by
}

/** `s` on the mirror image of the run. */
export const mirrored = (run: Run, s: number): number => (run.mirror.reversed ? onRun(run, run.length - s) : s)

/** A point on the drawing: `t` across the face (-1 inner edge, 1 outer edge) at a station. */
export const across = ({ x, y, nx, ny, half }: Station, t: number): Point => ({ x: x + nx * half * t, y: y + ny * half * t })

/**
 * How far across the face a point lies at a station: -1 inner edge, 1 outer edge.
 * @example acrossAt({ x: 0, y: 0, tx: 1, ty: 0, nx: 0, ny: -1, half: 20 }, { x: 0, y: -10 }) // 0.5
 */
export const acrossAt = ({ x, y, nx, ny, half }: Station, point: Point): number => ((point.x - x) * nx + (point.y - y) * ny) / half

const CLOCK: PositionStyle = { kind: 'clock' }

/** A circle: `s = 0` at twelve o'clock, growing clockwise as seen from the front. */
export const ringRun = (id: string, name: string, outer: number, inner: number): Run =>
  pathRun({
    id,
    name,
    segments: [arc({ x: 0, y: 0 }, (outer + inner) / 4, 0, 360)],
    width: (outer - inner) / 4,
    closed: true,
    rim: Math.PI * outer,
  })

export interface Path {
  readonly id: string
  readonly name: string
  /** End to end, at least one. */
  readonly segments: readonly Segment[]
  /** Half the width of the face, mm, where it is the same all along. */
  readonly width: number | Profile
  readonly closed?: boolean
  /** Which side of the travel is the outer one: left unless said. */
  readonly outer?: 'left' | 'right'
  readonly reads?: PositionStyle
  readonly mirror?: Run['mirror']
  readonly middle?: number
  /** Length of the outer edge, mm, where it is known better. */
  readonly rim?: number
}

/** A run along segments laid end to end, by true arc length. @throws RangeError when there is nothing to follow */
export function pathRun({ id, name, segments, width: wide, closed = false, outer = 'left', reads, mirror, middle, rim }: Path): Run {
  const starts = [0]
  for (const segment of segments) starts.push(starts.at(-1)! + segment.length)
  const length = starts.pop()!
  if (!(length > 0)) throw new RangeError(`run ${id}: it has no length`)
  const width: Profile = typeof wide === 'number' ? { kind: 'even', half: wide } : wide
  return {
    id,
    name,
    closed,
    length,
    segments,
    starts,
    width,
    side: outer === 'left' ? 1 : -1,
    turned: null,
    // A closed curve turns once round, so its outer edge is longer by a full turn of the face (Steiner's formula).
    rim: rim ?? (closed ? length + 2 * Math.PI * halfAt(width, 0) : length),
    reads: reads ?? (closed ? CLOCK : { kind: 'from', words: 'from the start', start: 'the start' }),
    mirror: mirror ?? { run: id, reversed: closed },
    middle: middle ?? 0,
  }
}

/** The same run moved, and turned about the base's middle. @param by degrees clockwise @param shift mm, before the turn */
export function turnedRun(run: Run, by: number, shift: Point = { x: 0, y: 0 }): Run {
  if (by === 0 && shift.x === 0 && shift.y === 0) return run
  const before = run.turned ?? { cos: 1, sin: 0, x: 0, y: 0 }
  const [cos, sin] = [Math.cos(radians(by)), Math.sin(radians(by))]
  // Moved where it was already turned: the same as moved the other way round before.
  const x = before.x + shift.x * before.cos + shift.y * before.sin
  const y = before.y + shift.y * before.cos - shift.x * before.sin
  return { ...run, turned: { cos: cos * before.cos - sin * before.sin, sin: sin * before.cos + cos * before.sin, x, y } }
}

/** So finely the outer edge is followed. */
const RIM_STEPS = 1440

/**
 * What a tape laid round the outer edge of a closed run reads at a place, mm: along a square, an oval or a gourd it goes faster round
 * the corners than the middle of the face does. Along an open run the tape lies on its middle.
 * @returns from the place along the run to the tape, from 0 to the length of the rim
 */
export function tapeRound(run: Run): (s: number) => number {
  if (!run.closed) return (s) => s
  const { length, rim } = run
  const edge = Array.from({ length: RIM_STEPS + 1 }, (_, i) => {
    const { x, y, nx, ny, half } = stationAt(run, onRun(run, (length * i) / RIM_STEPS))
    return { x: x + nx * half, y: y + ny * half }
  })
  // Where the face folds into a notch its edge leaps: no tape goes there.
  const leap = (4 * rim) / RIM_STEPS
  const read = [0]
  for (let i = 1; i < edge.length; i++) {
    const step = Math.hypot(edge[i]!.x - edge[i - 1]!.x, edge[i]!.y - edge[i - 1]!.y)
    read.push(read[i - 1]! + (step > leap ? 0 : step))
  }
  const scale = rim / read.at(-1)!
  return (s) => {
    const at = (onRun(run, s) / length) * RIM_STEPS
    const i = Math.min(RIM_STEPS - 1, Math.floor(at))
    return scale * (read[i]! + (at - i) * (read[i + 1]! - read[i]!))
  }
}

/** The run, and the place on it, nearest to a point, and how far off it is. */
export function nearestRun(runs: readonly Run[], point: Point): { readonly run: Run; readonly s: number; readonly away: number } {
  const found = runs.map((run) => {
    const s = nearestOn(run, point)
    const { x, y } = stationAt(run, s)
    return { run, s, away: Math.hypot(x - point.x, y - point.y) }
  })
  return found.reduce((best, each) => (each.away < best.away ? each : best))
}

const NEAREST_STATIONS = 180

/**
 * The place on a run that lies nearest to a point: the nearest of evenly spread stations, then closed in on.
 * @returns distance along the run, mm, to about a hundredth
 */
export function nearestOn(run: Run, { x, y }: Point): number {
  const away = (s: number): number => {
    const station = stationAt(run, s)
    return Math.hypot(station.x - x, station.y - y)
  }
  const step = run.length / NEAREST_STATIONS
  let best = 0
  let least = away(0)
  for (let i = 1; i <= NEAREST_STATIONS; i++) {
    const far = away(i * step)
    if (far < least) [best, least] = [i * step, far]
  }
  let low = run.closed ? best - step : Math.max(0, best - step)
  let high = run.closed ? best + step : Math.min(run.length, best + step)
  while (high - low > 0.01) {
    const third = (high - low) / 3
    if (away(low + third) <= away(high - third)) high -= third
    else low += third
  }
  return onRun(run, (low + high) / 2)
}

import type { Point } from '../measure'
import type { Segment } from './segment'

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
export type Reading = { readonly kind: 'clock' } | { readonly kind: 'from', readonly words: string, readonly start: string }

/**
 * A curve with a width, along which things are placed. Everything that places, measures or covers
 * is written against this and nothing else, so it serves rings, swags and garlands alike.
 */
export interface Run {
  readonly id: string
  readonly name: string
  readonly closed: boolean
  /** True length along the middle of the face, mm. */
  readonly length: number
  /** Length along the outer edge, mm: what a tape laid round the outside reads. */
  readonly rim: number
  readonly reads: Reading
  /**
   * The run that lies where this one's mirror image does, whether `s` runs the other way on it, and whether its outer
   * side is the image's inner one: so on a run down the middle.
   */
  readonly mirror: { readonly run: string, readonly reversed: boolean, readonly flipped?: boolean }
  /** Where a taper starts on an open run, mm along: a swag's join, the middle of a mantel. */
  readonly middle: number
  /** Where `s` millimetres along it lie. Closed runs wrap; open runs stop at their ends. */
  at(s: number): Station
}

/** `s` brought onto the run: wrapped when it is closed, held at the ends when it is open. */
export function onRun(run: Pick<Run, 'closed' | 'length'>, s: number): number {
  if (!run.closed) return Math.min(Math.max(s, 0), run.length)
  const wrapped = ((s % run.length) + run.length) % run.length
  return wrapped >= run.length ? 0 : wrapped
}

/** How far it is from `a` to `b` along the run: going clockwise on a closed run, signed on an open one. */
export function along(run: Pick<Run, 'closed' | 'length'>, a: number, b: number): number {
  return run.closed ? onRun(run, b - a) : b - a
}

/** How far apart two places are, the short way. */
export function apart(run: Pick<Run, 'closed' | 'length'>, a: number, b: number): number {
  const far = Math.abs(b - a)
  return run.closed ? Math.min(far, run.length - far) : far
}

/** The way from one place to another, mm, negative back: the short way round on a closed run. */
export function wayTo(run: Pick<Run, 'closed' | 'length'>, from: number, to: number): number {
  const by = to - from
  return run.closed ? by - run.length * Math.round(by / run.length) : by
}

/** `s` on the mirror image of the run. */
export const mirrored = (run: Run, s: number): number => (run.mirror.reversed ? onRun(run, run.length - s) : s)

/** A point on the drawing: `t` across the face (-1 inner edge, 1 outer edge) at a station. */
export const across = ({ x, y, nx, ny, half }: Station, t: number): Point => ({ x: x + nx * half * t, y: y + ny * half * t })

const CLOCK: Reading = { kind: 'clock' }

/** A circle: `s = 0` at twelve o'clock, growing clockwise as seen from the front. */
export function ringRun(id: string, name: string, outer: number, inner: number): Run {
  const radius = (outer + inner) / 4
  const length = 2 * Math.PI * radius
  const run: Run = {
    id, name, closed: true, length, rim: Math.PI * outer, reads: CLOCK, mirror: { run: id, reversed: true }, middle: 0,
    at(s) {
      const angle = onRun(run, s) / radius
      const nx = Math.sin(angle)
      const ny = -Math.cos(angle)
      return { x: nx * radius, y: ny * radius, tx: -ny, ty: nx, nx, ny, half: (outer - inner) / 4 }
    },
  }
  return run
}

export interface Path {
  readonly id: string
  readonly name: string
  /** End to end, at least one. */
  readonly segments: readonly Segment[]
  /** Half the width of the face, mm; or by the share of the length, 0 to 1. */
  readonly half: number | ((share: number) => number)
  readonly closed?: boolean
  /** Which side of the travel is the outer one: left unless said. */
  readonly outer?: 'left' | 'right'
  readonly reads?: Reading
  readonly mirror?: Run['mirror']
  readonly middle?: number
  /** Length of the outer edge, mm, where it is known better. */
  readonly rim?: number
}

/** A run along segments laid end to end, by true arc length. @throws RangeError when there is nothing to follow */
export function pathRun({ id, name, segments, half, closed = false, outer = 'left', reads, mirror, middle, rim }: Path): Run {
  const starts = [0]
  for (const segment of segments) starts.push(starts.at(-1)! + segment.length)
  const length = starts.at(-1)!
  if (!(length > 0)) throw new RangeError(`run ${id}: it has no length`)
  const side = outer === 'left' ? 1 : -1
  const halfAt = typeof half === 'number' ? () => half : half
  const run: Run = {
    id, name, closed, length,
    // A closed curve turns once round, so its outer edge is longer by a full turn of the face (Steiner's formula).
    rim: rim ?? (closed ? length + 2 * Math.PI * halfAt(0) : length),
    reads: reads ?? (closed ? CLOCK : { kind: 'from', words: 'from the start', start: 'the start' }),
    mirror: mirror ?? { run: id, reversed: closed }, middle: middle ?? 0,
    at(s) {
      const where = onRun(run, s)
      let i = segments.length - 1
      while (i > 0 && starts[i]! > where) i -= 1
      const { x, y, tx, ty } = segments[i]!.at(Math.min(segments[i]!.length, where - starts[i]!))
      return { x, y, tx, ty, nx: ty * side, ny: -tx * side, half: halfAt(where / length) }
    },
  }
  return run
}

/** The same run turned about the base's centre, and moved. @param by degrees clockwise @param shift mm, before the turn */
export function turnedRun(run: Run, by: number, shift: Point = { x: 0, y: 0 }): Run {
  if (by === 0 && shift.x === 0 && shift.y === 0) return run
  const cos = Math.cos((by * Math.PI) / 180)
  const sin = Math.sin((by * Math.PI) / 180)
  return {
    ...run,
    at(s) {
      const { x, y, tx, ty, nx, ny, half } = run.at(s)
      const [px, py] = [x + shift.x, y + shift.y]
      return { x: px * cos - py * sin, y: px * sin + py * cos, tx: tx * cos - ty * sin, ty: tx * sin + ty * cos, nx: nx * cos - ny * sin, ny: nx * sin + ny * cos, half }
    },
  }
}

/** The run, and the place on it, nearest to a point, and how far off it is. */
export function nearestRun(runs: readonly Run[], point: Point): { readonly run: Run, readonly s: number, readonly away: number } {
  const found = runs.map((run) => {
    const s = nearestOn(run, point)
    const { x, y } = run.at(s)
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
    const station = run.at(s)
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

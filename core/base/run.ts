/** A point in millimetres, x to the right and y down, the base's centre at the origin. */
export interface Point { readonly x: number, readonly y: number }

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

/** A circle: `s = 0` at twelve o'clock, growing clockwise as seen from the front. */
export function ringRun(id: string, name: string, outer: number, inner: number): Run {
  const radius = (outer + inner) / 4
  const length = 2 * Math.PI * radius
  const run: Run = {
    id, name, closed: true, length, rim: Math.PI * outer,
    at(s) {
      const angle = onRun(run, s) / radius
      const nx = Math.sin(angle)
      const ny = -Math.cos(angle)
      return { x: nx * radius, y: ny * radius, tx: -ny, ty: nx, nx, ny, half: (outer - inner) / 4 }
    },
  }
  return run
}

/**
 * A run along a chain of straight segments, measured by true arc length.
 * @param points at least two, no two neighbours alike
 * @param half half the width of the face, mm
 * @param closed whether the last point joins the first; the outer side is on the left of the travel
 */
export function chainRun(id: string, name: string, points: readonly Point[], half: number, closed = false): Run {
  if (points.length < 2) throw new RangeError(`run ${id}: a chain needs at least two points`)
  const ends = closed ? [...points, points[0]!] : points
  const starts: number[] = [0]
  for (let i = 1; i < ends.length; i++) {
    const step = Math.hypot(ends[i]!.x - ends[i - 1]!.x, ends[i]!.y - ends[i - 1]!.y)
    if (!(step > 0)) throw new RangeError(`run ${id}: points ${i - 1} and ${i} are the same`)
    starts.push(starts[i - 1]! + step)
  }
  const length = starts[starts.length - 1]!
  const run: Run = {
    id, name, closed, length, rim: length,
    at(s) {
      const where = onRun(run, s)
      let low = 0
      let high = starts.length - 2
      while (low < high) {
        const middle = (low + high + 1) >> 1
        if (starts[middle]! <= where) low = middle
        else high = middle - 1
      }
      const a = ends[low]!
      const b = ends[low + 1]!
      const step = starts[low + 1]! - starts[low]!
      const tx = (b.x - a.x) / step
      const ty = (b.y - a.y) / step
      const go = where - starts[low]!
      return { x: a.x + tx * go, y: a.y + ty * go, tx, ty, nx: ty, ny: -tx, half }
    },
  }
  return run
}

/**
 * The place on a run that lies nearest to a point: the nearest of evenly spread stations, then closed in on.
 * @returns distance along the run, mm, to about a hundredth
 */
export function nearestOn(run: Run, { x, y }: Point): number {
  const away = (s: number): number => {
    const station = run.at(s)
    return Math.hypot(station.x - x, station.y - y)
  }
  const STATIONS = 180
  const step = run.length / STATIONS
  let best = 0
  for (let i = 1; i <= STATIONS; i++) if (away(i * step) < away(best)) best = i * step
  let low = run.closed ? best - step : Math.max(0, best - step)
  let high = run.closed ? best + step : Math.min(run.length, best + step)
  while (high - low > 0.01) {
    const third = (high - low) / 3
    if (away(low + third) <= away(high - third)) high -= third
    else low += third
  }
  return onRun(run, (low + high) / 2)
}

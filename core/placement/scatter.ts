import type { Run } from '../base'
import { across, boundsOf, stationAt } from '../base'
import { random } from '../measure'

interface Dart {
  readonly s: number
  readonly t: number
  readonly x: number
  readonly y: number
}

/** Tries about each thing already there before it is given up (R. Bridson, "Fast Poisson disk sampling in arbitrary dimensions", 2007). */
const TRIES = 18
/** Steps by which the distance is closed in on. */
const CLOSING = 7
/** How far out on the face they may lie. */
const REACH = 0.9

/**
 * Points on a run's face of which no two lie nearer than they must: a Poisson disk sample as wide as the count allows,
 * thinned to the count by leaving out what lies nearest to a neighbour.
 * @param n from 0 @returns places along and across, in the order in which they lie along the run
 */
export function scatter(run: Run, n: number, seed: number): { readonly s: number; readonly t: number }[] {
  if (n === 0) return []
  const width = 2 * REACH * stationAt(run, run.length / 3).half
  // The widest that n discs could lie, if they packed as tight as can be.
  let high = Math.max(run.length / n, Math.sqrt((run.length * width) / n)) * 1.3
  let low = high / 8
  let best = sample(run, low, seed, n * 4)
  while (best.length < n) {
    low /= 2
    best = sample(run, low, seed, n * 4)
  }
  for (let i = 0; i < CLOSING; i++) {
    const apart = Math.sqrt(low * high)
    const darts = sample(run, apart, seed, n * 4)
    if (darts.length >= n) [low, best] = [apart, darts]
    else high = apart
  }
  return thinned(best, n)
    .sort((a, b) => a.s - b.s || a.t - b.t)
    .map(({ s, t }) => ({ s, t }))
}

/** Bridson's algorithm on the face of a run. @param apart no two nearer than this, mm @param most stop at so many */
export function sample(run: Run, apart: number, seed: number, most: number): Dart[] {
  const draw = random(seed)
  const near = new Nearby(run, apart)
  const dart = (s: number, t: number): Dart => {
    const { x, y } = across(stationAt(run, s), t)
    return { s, t, x, y }
  }
  const darts: Dart[] = []
  const take = (each: Dart): void => {
    near.put(each, darts.length)
    darts.push(each)
  }
  take(dart(draw.between(0, run.length), draw.spread(REACH)))
  const active = [darts[0]!]
  while (active.length && darts.length < most) {
    const i = draw.below(active.length)
    const from = active[i]!
    const { half } = stationAt(run, from.s)
    let found = false
    for (let k = 0; k < TRIES && !found; k++) {
      const angle = draw.between(0, 2 * Math.PI)
      const far = apart * draw.between(1, 2)
      const along = from.s + Math.cos(angle) * far
      const s = run.closed ? ((along % run.length) + run.length) % run.length : along
      const t = Math.abs(half * REACH) < apart / 2 ? draw.spread(REACH) : from.t + (Math.sin(angle) * far) / half
      if (s < 0 || s >= run.length || Math.abs(t) > REACH) continue
      const next = dart(s, t)
      if (near.any(next, darts)) continue
      take(next)
      active.push(next)
      found = true
    }
    if (!found) active.splice(i, 1)
  }
  return darts
}

/** Points in squares of which each holds one at most, over all that a run's face takes up. */
class Nearby {
  private readonly cell: number
  private readonly left: number
  private readonly top: number
  private readonly columns: number
  private readonly rows: number
  /** Number of the point in each square, from 1; 0 where there is none. */
  private readonly squares: Int32Array

  constructor(
    run: Run,
    private readonly apart: number,
  ) {
    // So small that two points as far apart as they must be never share a square; the most squares keep memory in bounds.
    const bounds = boundsOf([run])
    const [wide, high] = [bounds.right - bounds.left, bounds.bottom - bounds.top]
    this.cell = Math.max((apart / Math.SQRT2) * 0.999, Math.sqrt((wide * high) / MOST_SQUARES))
    this.left = bounds.left
    this.top = bounds.top
    this.columns = Math.ceil(wide / this.cell) + 1
    this.rows = Math.ceil(high / this.cell) + 1
    this.squares = new Int32Array(this.columns * this.rows)
  }

  put({ x, y }: Dart, number: number): void {
    this.squares[this.row(y) * this.columns + this.column(x)] = number + 1
  }

  /** Whether a point lies nearer to one that is there than it may. */
  any({ x, y }: Dart, points: readonly Dart[]): boolean {
    const [column, row] = [this.column(x), this.row(y)]
    for (let i = Math.max(0, row - 2); i <= Math.min(this.rows - 1, row + 2); i++) {
      for (let k = Math.max(0, column - 2); k <= Math.min(this.columns - 1, column + 2); k++) {
        const number = this.squares[i * this.columns + k]!
        if (!number) continue
        const dx = points[number - 1]!.x - x
        const dy = points[number - 1]!.y - y
        if (dx * dx + dy * dy < this.apart * this.apart) return true
      }
    }
    return false
  }

  private column(x: number): number {
    return Math.min(this.columns - 1, Math.max(0, Math.floor((x - this.left) / this.cell)))
  }
  private row(y: number): number {
    return Math.min(this.rows - 1, Math.max(0, Math.floor((y - this.top) / this.cell)))
  }
}
const MOST_SQUARES = 4_000_000

/** Leaves out, one at a time, what lies nearest to its neighbour. */
function thinned(darts: readonly Dart[], n: number): Dart[] {
  const kept = darts.slice(0, n + MOST_OVER)
  const away = kept.map(() => Infinity)
  const whose = kept.map(() => -1)
  const gone = kept.map(() => false)
  const look = (i: number): void => {
    away[i] = Infinity
    for (let k = 0; k < kept.length; k++) {
      if (k === i || gone[k]) continue
      const far = Math.hypot(kept[k]!.x - kept[i]!.x, kept[k]!.y - kept[i]!.y)
      if (far < away[i]!) [away[i], whose[i]] = [far, k]
    }
  }
  kept.forEach((_, i) => look(i))
  for (let over = kept.length - n; over > 0; over--) {
    let worst = -1
    for (let i = 0; i < kept.length; i++) if (!gone[i] && (worst < 0 || away[i]! < away[worst]!)) worst = i
    gone[worst] = true
    for (let i = 0; i < kept.length; i++) if (!gone[i] && whose[i] === worst) look(i)
  }
  return kept.filter((_, i) => !gone[i])
}
/** More than are wanted are looked at up to so many. */
const MOST_OVER = 60

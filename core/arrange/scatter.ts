import type { Run } from '../base'
import { across } from '../base'
import { random } from '../measure'

interface Dart { readonly s: number, readonly t: number, readonly x: number, readonly y: number }

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
export function scatter(run: Run, n: number, seed: number): { readonly s: number, readonly t: number }[] {
  if (n === 0) return []
  const width = 2 * REACH * run.at(run.length / 3).half
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
  return thinned(best, n).sort((a, b) => a.s - b.s || a.t - b.t).map(({ s, t }) => ({ s, t }))
}

/** Bridson's algorithm on the face of a run. @param apart no two nearer than this, mm @param most stop at so many */
export function sample(run: Run, apart: number, seed: number, most: number): Dart[] {
  const draw = random(seed)
  const cell = apart / Math.SQRT2
  const grid = new Map<string, Dart[]>()
  const key = (x: number, y: number) => `${Math.floor(x / cell)},${Math.floor(y / cell)}`
  const free = ({ x, y }: Dart): boolean => {
    const [column, row] = [Math.floor(x / cell), Math.floor(y / cell)]
    for (let i = -2; i <= 2; i++) {
      for (let k = -2; k <= 2; k++) {
        for (const near of grid.get(`${column + i},${row + k}`) ?? []) if (Math.hypot(near.x - x, near.y - y) < apart) return false
      }
    }
    return true
  }
  const dart = (s: number, t: number): Dart => {
    const { x, y } = across(run.at(s), t)
    return { s, t, x, y }
  }
  const darts: Dart[] = []
  const take = (each: Dart): void => {
    darts.push(each)
    const at = key(each.x, each.y)
    const there = grid.get(at)
    if (there) there.push(each)
    else grid.set(at, [each])
  }
  take(dart(draw.between(0, run.length), draw.spread(REACH)))
  const active = [darts[0]!]
  while (active.length && darts.length < most) {
    const i = draw.below(active.length)
    const from = active[i]!
    const { half } = run.at(from.s)
    let found = false
    for (let k = 0; k < TRIES && !found; k++) {
      const angle = draw.between(0, 2 * Math.PI)
      const far = apart * draw.between(1, 2)
      const along = from.s + Math.cos(angle) * far
      const s = run.closed ? ((along % run.length) + run.length) % run.length : along
      const t = Math.abs(half * REACH) < apart / 2 ? draw.spread(REACH) : from.t + (Math.sin(angle) * far) / half
      if (s < 0 || s >= run.length || Math.abs(t) > REACH) continue
      const next = dart(s, t)
      if (!free(next)) continue
      take(next)
      active.push(next)
      found = true
    }
    if (!found) active.splice(i, 1)
  }
  return darts
}

/** Leaves out, one at a time, what lies nearest to its neighbour. */
function thinned(darts: readonly Dart[], n: number): Dart[] {
  const kept = [...darts]
  const nearest = (of: Dart): number => kept.reduce((least, each) => (each === of ? least : Math.min(least, Math.hypot(each.x - of.x, each.y - of.y))), Infinity)
  if (kept.length > n + 60) kept.splice(n + 60)
  while (kept.length > n) {
    let worst = 0
    let least = Infinity
    kept.forEach((each, i) => {
      const far = nearest(each)
      if (far < least) [worst, least] = [i, far]
    })
    kept.splice(worst, 1)
  }
  return kept
}

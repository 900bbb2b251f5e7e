import type { Run } from '../base'
import { along, onRun } from '../base'
import { clamp, euclid, exceeds, EPSILON } from '../measure'
import { evenly } from './points'

/** One way to put N things among M points, and the smallest gap from any of the N to any of the M, mm. */
export interface Spread {
  readonly name: 'even' | 'dealt'
  readonly points: readonly number[]
  readonly least: number
}

export interface Against {
  readonly even: Spread
  readonly dealt: Spread
  readonly chosen: Spread
}

type Line = Pick<Run, 'closed' | 'length'>

/**
 * N among M: turned evenly as well as can be, or dealt into the gaps. The better is the one whose smallest gap is larger.
 * @param points of the other layer, mm along @param n from 0
 */
export function against(run: Line, points: readonly number[], n: number, wanted: 'better' | 'even' | 'dealt'): Against {
  const even = withLeast(run, points, 'even', bestTurn(run, points, n))
  const dealt = withLeast(run, points, 'dealt', intoGaps(run, points, n))
  const chosen = wanted === 'even' ? even : wanted === 'dealt' ? dealt : exceeds(dealt.least, even.least) ? dealt : even
  return { even, dealt, chosen }
}

const withLeast = (run: Line, others: readonly number[], name: Spread['name'], points: readonly number[]): Spread => ({
  name,
  points,
  least: leastBetween(run, points, others),
})

/**
 * The smallest gap between two sets of places on a run, mm; the whole run when one is empty.
 * @example leastBetween({ closed: true, length: 100 }, [0, 50], [30, 90]) // 10
 */
export function leastBetween(run: Line, points: readonly number[], others: readonly number[]): number {
  if (!points.length || !others.length) return run.length
  const sorted = [...others].sort((a, b) => a - b)
  const all = run.closed ? [sorted.at(-1)! - run.length, ...sorted, sorted[0]! + run.length] : sorted
  return points.reduce((least, s) => Math.min(least, nearest(all, s)), Infinity)
}

/** An even pattern turned so that its nearest meeting is as far as can be. */
function bestTurn(run: Line, points: readonly number[], n: number): number[] {
  const start = evenly(run, n, 0)
  if (!n || !points.length) return start
  const step = run.length / n
  const seen = [...new Set(points.map((s) => (((s - start[0]!) % step) + step) % step))].sort((a, b) => a - b)
  const gaps = seen.map((s, i) => ({ s, gap: i + 1 < seen.length ? seen[i + 1]! - s : seen[0]! + step - s }))
  if (run.closed) {
    // Seen modulo its step, it sits in the middle of the widest gap.
    const widest = gaps.reduce((best, each) => (exceeds(each.gap, best.gap) ? each : best))
    return start.map((s) => onRun(run, s + ((widest.s + widest.gap / 2) % step)))
  }
  // An open run has no room to turn past its ends: half a step either way is as far as it goes, and what lies past an end meets nothing.
  const turns = gaps
    .map(({ s, gap }) => (s + gap / 2) % step)
    .flatMap((turn) => [turn, turn - step])
    .filter((turn) => Math.abs(turn) <= step / 2 + EPSILON)
  const sorted = [...points].sort((a, b) => a - b)
  const least = (turn: number): number => start.reduce((far, s) => Math.min(far, nearest(sorted, s + turn)), Infinity)
  const [best] = [0, -step / 2, step / 2, ...turns]
    .map((turn) => ({ turn, far: least(turn) }))
    .sort((a, b) => (exceeds(Math.abs(a.far - b.far), 0) ? b.far - a.far : Math.abs(a.turn) - Math.abs(b.turn)))
  return start.map((s) => clamp(s + best!.turn, 0, run.length))
}

/** How far the nearest of sorted places is. */
function nearest(sorted: readonly number[], s: number): number {
  let [low, high] = [0, sorted.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (sorted[middle]! < s) low = middle + 1
    else high = middle
  }
  return Math.min(low > 0 ? s - sorted[low - 1]! : Infinity, low < sorted.length ? sorted[low]! - s : Infinity)
}

/**
 * Dealt into the gaps between the points, evenly within each gap: one after another goes where it leaves the most room,
 * and among gaps alike they are dealt by rhythm.
 */
function intoGaps(run: Line, points: readonly number[], n: number): number[] {
  const sorted = [...points].sort((a, b) => a - b)
  if (!sorted.length) return evenly(run, n, 0)
  const gaps = run.closed
    ? sorted.map((s, i) => ({ from: s, length: sorted.length === 1 ? run.length : along(run, s, sorted[(i + 1) % sorted.length]!) }))
    : [0, ...sorted].map((s, i) => ({ from: s, length: (sorted[i] ?? run.length) - s }))
  const here = gaps.map(() => 0)
  for (let left = n; left > 0;) {
    const room = gaps.map(({ length }, i) => length / (here[i]! + 2))
    const most = Math.max(...room)
    const alike = room.flatMap((each, i) => (most - each <= most * 1e-9 + EPSILON ? [i] : []))
    const take = Math.min(left, alike.length)
    euclid(take, alike.length).forEach((hit, k) => {
      if (hit) here[alike[k]!]! += 1
    })
    left -= take
  }
  return gaps.flatMap(({ from, length }, gap) =>
    Array.from({ length: here[gap]! }, (_, i) => onRun(run, from + (length * (i + 1)) / (here[gap]! + 1))),
  )
}

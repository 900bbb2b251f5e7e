import type { Run } from '../base'
import { along, onRun } from '../base'
import { deal } from '../measure'
import { evenly } from './points'

/** One way to put N things among M points, and the smallest gap from any of the N to any of the M, mm. */
export interface Pattern { readonly name: 'even' | 'dealt', readonly points: readonly number[], readonly least: number }

export interface Against { readonly even: Pattern, readonly dealt: Pattern, readonly taken: Pattern }

type Line = Pick<Run, 'closed' | 'length'>

/**
 * N among M: turned evenly as well as can be, or dealt into the gaps. The better is the one whose smallest gap is larger.
 * @param points of the other layer, mm along @param n from 0
 */
export function against(run: Line, points: readonly number[], n: number, wanted: 'better' | 'even' | 'dealt'): Against {
  const even = withLeast(run, points, 'even', bestTurn(run, points, n))
  const dealt = withLeast(run, points, 'dealt', intoGaps(run, points, n))
  const taken = wanted === 'even' ? even : wanted === 'dealt' ? dealt : dealt.least > even.least + 1e-9 ? dealt : even
  return { even, dealt, taken }
}

function withLeast(run: Line, others: readonly number[], name: Pattern['name'], points: readonly number[]): Pattern {
  const gaps = points.flatMap((s) => others.map((other) => Math.min(Math.abs(s - other), run.closed ? run.length - Math.abs(s - other) : Infinity)))
  return { name, points, least: gaps.length ? Math.min(...gaps) : run.length }
}

/** An even pattern turned so that its nearest meeting is as far as can be: seen modulo its step, it sits in the middle of the widest gap. */
function bestTurn(run: Line, points: readonly number[], n: number): number[] {
  const start = evenly(run, n, 0)
  if (!n || !points.length) return start
  const step = run.length / n
  const seen = [...new Set(points.map((s) => ((((s - start[0]!) % step) + step) % step)))].sort((a, b) => a - b)
  const gaps = seen.map((s, i) => ({ s, gap: i + 1 < seen.length ? seen[i + 1]! - s : seen[0]! + step - s }))
  const widest = gaps.reduce((best, each) => (each.gap > best.gap + 1e-9 ? each : best))
  const turn = (widest.s + widest.gap / 2) % step
  // An open run has no room to turn past its ends: half a step either way is as far as it goes.
  const shift = !run.closed && turn > step / 2 ? turn - step : turn
  return start.map((s) => onRun(run, s + shift))
}

/** Dealt into the gaps between the points by rhythm, evenly within each gap. */
function intoGaps(run: Line, points: readonly number[], n: number): number[] {
  const sorted = [...points].sort((a, b) => a - b)
  if (!sorted.length) return evenly(run, n, 0)
  const gaps = run.closed
    ? sorted.map((s, i) => ({ from: s, length: sorted.length === 1 ? run.length : along(run, s, sorted[(i + 1) % sorted.length]!) }))
    : [0, ...sorted].map((s, i) => ({ from: s, length: (sorted[i] ?? run.length) - s }))
  const shares = deal(n, gaps.map(({ length }) => Math.max(length, 1e-9)))
  return gaps.flatMap(({ from, length }, gap) => {
    const here = shares.filter((each) => each === gap).length
    return Array.from({ length: here }, (_, i) => onRun(run, from + (length * (i + 1)) / (here + 1)))
  })
}

import { clamp } from '../measure'
import type { Run } from '../base'
import { along, onRun } from '../base'
import { MOST_PLACES } from '../piece'

/**
 * `n` points evenly along a run. On an open run each stands in the middle of its share of the length,
 * and `start` (a share of the length) matters on closed runs only.
 * @example evenly({ closed: false, length: 100 }, 4, 0) // [12.5, 37.5, 62.5, 87.5]
 */
export function evenly(run: Pick<Run, 'closed' | 'length'>, n: number, start: number): number[] {
  const step = run.length / n
  return Array.from({ length: n }, (_, i) => (run.closed ? start * run.length + i * step : (i + 0.5) * step))
}

/**
 * How many fit at about this spacing: the nearest whole number, one at least and `MOST_PLACES` at most.
 * @example countEvery(100, 30) // 3
 */
export function countEvery(length: number, spacing: number): number {
  return clamp(Math.round(length / spacing), 1, MOST_PLACES)
}

/**
 * The middles of the gaps between points: as many as the points on a closed run, one fewer on an open one.
 * @example middles({ closed: false, length: 100 }, [10, 30, 90]) // [20, 60]
 */
export function middles(run: Pick<Run, 'closed' | 'length'>, points: readonly number[]): number[] {
  const sorted = [...points].sort((a, b) => a - b)
  return sorted.flatMap((point, i) => {
    const next = sorted[i + 1]
    if (next !== undefined) return [(point + next) / 2]
    if (!run.closed) return []
    const first = sorted[0]!
    const gap = sorted.length === 1 ? run.length : along(run, point, first)
    return [onRun(run, point + gap / 2)]
  })
}

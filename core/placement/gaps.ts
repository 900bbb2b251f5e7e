import type { Run } from '../base'
import { along } from '../base'
import type { Figure } from '../measure'

/** From one place to the next along a run, mm. */
export interface Gap {
  readonly from: number
  readonly length: number
}

/** How far a layer's things stand apart, said both ways makers measure it. */
export interface Spacing {
  /** Along the outer edge, where a tape is laid. */
  readonly rim: Figure
  /** Along the middle of the face, where stems sit. */
  readonly centre: Figure
  /** The smallest and the widest gap as placed, when they are not all alike. */
  readonly gaps: { readonly least: Figure; readonly most: Figure } | null
}

/**
 * The gaps between neighbours along the run.
 * @param sorted distances in rising order
 */
export function gapsOf(run: Pick<Run, 'closed' | 'length'>, sorted: readonly number[]): Gap[] {
  const gaps = sorted.slice(1).map((s, i) => ({ from: sorted[i]!, length: s - sorted[i]! }))
  if (!run.closed || sorted.length === 0) return gaps
  const last = sorted.at(-1)!
  return [...gaps, { from: last, length: sorted.length === 1 ? run.length : along(run, last, sorted[0]!) }]
}

/** The gaps of a closed run that is left open at a place, mm along it. */
export function gapsFrom(run: Run, open: number, sorted: readonly number[]): Gap[] {
  const span = sorted.map((s) => along(run, open, s)).sort((a, b) => a - b)
  return gapsOf({ closed: false, length: run.length }, span)
}
